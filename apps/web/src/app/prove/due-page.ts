import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, type OnDestroy, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { byDue, type Due } from '@core/prove/due';
import { failureText } from '../job/job-api';

interface JobDue {
  readonly id: string;
  readonly name: string;
  readonly due: readonly Due[];
}
/** `waiting`: jobs the server has not looked at yet as they are now. */
interface DueList {
  readonly jobs: readonly JobDue[];
  readonly waiting: number;
}
/** How soon it is asked again while it waits, ms. */
const AGAIN = 2000;

/** What falls due over every job on the rack, overdue first. */
@Component({
  selector: 'ms-due-page',
  imports: [MatButton, MatIcon, RouterLink],
  template: `
    <header class="bar">
      <a mat-button routerLink="/"><mat-icon svgIcon="arrow_back" />The rack</a>
      <h1>Due</h1>
      <span class="gap"></span>
      <label><input type="checkbox" [checked]="all()" (change)="all.set(!all())" /> jobs not in use too</label>
      <a mat-stroked-button href="/api/due/calendar.ics" download><mat-icon svgIcon="event" />Calendar</a>
    </header>
    @if (failure()) {
      <p class="error" role="alert">{{ failure() }} <button mat-button type="button" (click)="fetch()">Try again</button></p>
    }
    @if (jobs() === null && !failure()) {
      <p class="note" role="status">Going through the rack …</p>
    } @else if (jobs()) {
      @if (waiting() > 0) {
        <p class="note" role="status">
          {{ waiting() }} {{ waiting() === 1 ? 'job is' : 'jobs are' }} still being looked at: the list may lack some of theirs.
        </p>
      }
      <table class="rows" tabindex="0">
        <caption class="note">
          {{
            counted().overdue
          }}
          overdue,
          {{
            counted().soon
          }}
          within a month. Intervals are common practice unless a source is named; the local code decides.
        </caption>
        <thead>
          <tr>
            <th>State</th>
            <th>Due</th>
            <th>Job</th>
            <th>What</th>
            <th>Last</th>
          </tr>
        </thead>
        <tbody>
          @for (r of rows(); track r.job.id + r.due.task.id) {
            <tr [class.over]="r.due.state === 'overdue'">
              <td
                [class.bad]="r.due.state === 'overdue'"
                [class.waits]="r.due.state === 'soon'"
                [class.good]="r.due.state === 'done'"
              >
                {{ r.due.state }}
              </td>
              <td>
                <b>{{ r.due.on || '–' }}</b><br /><span class="note">{{ r.due.says }}</span>
              </td>
              <td>
                <a [routerLink]="['/job', r.job.id, 'prove']" [queryParams]="{ sheet: 'after' }">{{ r.job.name }}</a>
              </td>
              <td>
                <b>{{ r.due.task.name }}</b><br /><span class="note">{{ r.due.task.what }}. {{ r.due.task.source }}</span>
              </td>
              <td>{{ r.due.last || 'never' }}</td>
            </tr>
          } @empty {
            <tr>
              <td colspan="5" class="note">
                Nothing falls due. A job is on this list from the day it goes into use: say so under After in its Prove stage.
              </td>
            </tr>
          }
        </tbody>
      </table>
    }
  `,
  styleUrl: './prove.scss',
  styles: `
    :host {
      display: block;
      max-width: 1200px;
      margin: 0 auto;
      padding: 10px 18px 40px;
    }
    /* In the hand the table is pushed sideways in its own frame, not the page. */
    @media (max-width: 600px) {
      .bar {
        flex-wrap: wrap;
      }
      table {
        display: block;
        overflow-x: auto;
      }
    }
    h1 {
      font-size: 30px;
    }
    .gap {
      flex: 1;
    }
    caption {
      padding: 8px 0;
      text-align: left;
    }
    .over {
      background: repeating-linear-gradient(45deg, var(--bad-soft) 0 8px, transparent 8px 16px);
    }
    .over td {
      background: color-mix(in srgb, var(--card) 82%, transparent);
    }
    td:nth-child(1),
    td:nth-child(2),
    td:nth-child(5) {
      white-space: nowrap;
    }
    a {
      color: var(--accent);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DuePage implements OnDestroy {
  private readonly http = inject(HttpClient);
  protected readonly jobs = signal<readonly JobDue[] | null>(null);
  protected readonly failure = signal('');
  protected readonly all = signal(false);
  private readonly every = computed(() => (this.jobs() ?? []).flatMap((job) => job.due.map((due) => ({ job, due }))));
  protected readonly rows = computed(() =>
    this.every()
      .filter(({ due }) => this.all() || due.state !== 'not in use')
      .sort((a, b) => byDue(a.due, b.due) || a.job.name.localeCompare(b.job.name)),
  );
  protected readonly counted = computed(() => ({
    overdue: this.every().filter((r) => r.due.state === 'overdue').length,
    soon: this.every().filter((r) => r.due.state === 'soon').length,
  }));

  protected readonly waiting = signal(0);
  private again: ReturnType<typeof setTimeout> | undefined;
  private gone = false;

  constructor() {
    this.fetch();
  }

  ngOnDestroy(): void {
    this.gone = true;
    clearTimeout(this.again);
  }

  protected fetch(): void {
    this.failure.set('');
    this.http.get<DueList>('/api/due').subscribe({
      next: ({ jobs, waiting }) => {
        this.jobs.set(jobs);
        this.waiting.set(waiting);
        if (waiting > 0 && !this.gone) this.again = setTimeout(() => this.fetch(), AGAIN);
      },
      error: (e: unknown) => this.failure.set(failureText(e)),
    });
  }
}
