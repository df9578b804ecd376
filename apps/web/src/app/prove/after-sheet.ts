import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import { byDue, dayIn, dueOf, inUseFrom, type Due } from '@core/prove/due';
import { standing } from '@core/prove/log-entry';
import { Desk } from '../job/desk';
import { failureText } from '../job/job-api';
import { ShopDesk } from '../make/shop-desk';
import { LogDesk } from './log-desk';
import { PhotoButton } from './photo-button';
import { Prover } from './prover';

/** The years after: what falls due, use counted in, the round of inspection with where to look, and what was found. */
@Component({
  selector: 'ms-after',
  imports: [MatButton, PhotoButton],
  template: `
    <div class="card">
      <h3>In use</h3>
      <p>
        @if (from(); as f) {
          <span class="good">From {{ f }}</span>
        } @else {
          <span class="waits">Not in use yet: what falls due starts when it is</span>
        }
      </p>
      <form class="bar" (submit)="used($event, day.value, miles.value, times.value)">
        <label>From <input #day type="date" aria-label="In use from" /></label>
        <label><input #miles inputmode="numeric" size="6" aria-label="Miles since last told" /> miles</label>
        <label><input #times inputmode="numeric" size="6" aria-label="Loads since last told" /> loads</label>
        <button mat-stroked-button type="submit">Count it in</button>
      </form>
      @if (wrong()) {
        <p class="error" role="alert">{{ wrong() }}</p>
      }
      <h3>Where to look, the hardest first</h3>
      <ul>
        @for (l of look(); track l.foot + l.link) {
          <li>
            <b>{{ l.utilisation.toFixed(2) }} {{ l.link }}</b
            >{{ l.foot ? ', ' + l.foot : '' }}{{ l.at ? ', ' + l.at : '' }}: {{ l.lookFor }}
          </li>
        } @empty {
          <li class="note">Working …</li>
        }
      </ul>
    </div>
    <div>
      <h3>Due</h3>
      <ul class="due">
        @for (d of due(); track d.task.id) {
          <li [attr.data-state]="d.state">
            <div class="bar">
              <b>{{ d.task.name }}</b>
              <span [class.bad]="d.state === 'overdue'" [class.waits]="d.state === 'soon'" [class.good]="d.state === 'done'"
                >{{ d.on ? d.on + ', ' : '' }}{{ d.says }}</span
              >
            </div>
            <span class="note">{{ d.task.what }}. {{ d.task.source }}{{ d.last ? '; last done ' + d.last : '' }}</span>
            @if (at() === d.task.id) {
              <form (submit)="inspected($event, d, 'sound', words.value)">
                <textarea
                  #words
                  [attr.aria-label]="'What was seen: ' + d.task.name"
                  placeholder="What was seen"
                  maxlength="1000"
                ></textarea>
                <div class="bar">
                  <button mat-flat-button type="submit">Sound</button>
                  <button mat-stroked-button type="button" (click)="inspected($event, d, 'finding', words.value)">
                    A finding
                  </button>
                  <ms-photo [label]="photo() ? 'Another photograph' : 'Photograph'" (picked)="photo.set($event)" />
                  @if (photo()) {
                    <span class="note">goes with it</span>
                  }
                </div>
              </form>
            } @else if (d.state !== 'done') {
              <button class="text-button" type="button" (click)="open(d.task.id)">Done: write it down</button>
            }
          </li>
        } @empty {
          <li class="note">{{ prover.state() ? 'Nothing falls due on this job.' : 'Working …' }}</li>
        }
      </ul>
      @if (findings().length > 0) {
        <h3>Findings</h3>
        <ul>
          @for (f of findings(); track f.id) {
            <li>
              <span class="bad">{{ f.name }}: {{ f.text }}</span> <span class="note">{{ f.when }}, {{ f.by }}</span>
              <button class="text-button" type="button" (click)="follow(f)">Make a follow-up job</button>
            </li>
          }
        </ul>
      }
    </div>
  `,
  styleUrls: ['./prove.scss', './fit-up-sheet.scss'],
  styles: `
    .due > li {
      padding: 7px 0;
      border-bottom: 1px solid var(--rule);
    }
    .note {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AfterSheet {
  private readonly desk = inject(Desk);
  private readonly http = inject(HttpClient);
  private readonly router = inject(Router);
  private readonly log = inject(LogDesk);
  private readonly shop = inject(ShopDesk);
  protected readonly prover = inject(Prover);
  protected readonly wrong = signal('');
  protected readonly at = signal('');
  protected readonly photo = signal<Blob | null>(null);
  private readonly zone = computed(() => this.shop.settings()?.zone ?? 'UTC');

  protected readonly from = computed(() => inUseFrom(this.log.lines(), this.zone()));
  protected readonly look = computed(() => this.prover.state()?.look ?? []);
  protected readonly due = computed(() =>
    dueOf(this.prover.state()?.tasks ?? [], this.log.lines(), dayIn(new Date().toISOString(), this.zone()), this.zone()).sort(
      byDue,
    ),
  );
  protected readonly findings = computed(() =>
    standing(this.log.lines()).flatMap(({ entry }) =>
      entry.body.kind === 'inspected' && entry.body.found === 'finding'
        ? [{ id: entry.id, name: entry.body.name, text: entry.body.text, by: entry.by, when: dayIn(entry.at, this.zone()) }]
        : [],
    ),
  );

  protected async used(event: Event, day: string, miles: string, times: string): Promise<void> {
    event.preventDefault();
    const read = (name: string, text: string, most: number): number | undefined | string => {
      if (text.trim() === '') return undefined;
      const v = Number(text.trim().replace(',', '.'));
      return Number.isFinite(v) && v >= 0 && v <= most ? v : `${name}: “${text}” — allowed: 0 to ${most}`;
    };
    const [m, t] = [read('miles', miles, 1e7), read('loads', times, 1e9)];
    const bad = [m, t].find((x) => typeof x === 'string');
    if (bad) return this.wrong.set(bad as string);
    if (!day && m === undefined && t === undefined)
      return this.wrong.set('use: nothing is said — allowed: a day, miles or loads');
    this.wrong.set('');
    await this.log.write({
      kind: 'used',
      ...(day ? { from: day } : {}),
      ...(m === undefined ? {} : { miles: m as number }),
      ...(t === undefined ? {} : { times: Math.round(t as number) }),
      what: '',
    });
  }

  protected open(task: string): void {
    this.at.set(task);
    this.photo.set(null);
  }

  protected async inspected(event: Event, d: Due, found: 'sound' | 'finding', text: string): Promise<void> {
    event.preventDefault();
    if (found === 'finding' && text.trim() === '')
      return this.wrong.set('finding: it is empty — allowed: what was found, in words');
    this.wrong.set('');
    const photo = this.photo();
    const about = { foot: this.desk.foot() };
    const body = { kind: 'inspected' as const, task: d.task.id, name: d.task.name, found, text: text.trim() };
    if (await this.log.write(body, { about, ...(photo ? { photo } : {}) })) this.open('');
  }

  /** The job as it was built, under a name of its own, to put right what was found. */
  protected follow(f: { readonly name: string; readonly text: string; readonly when: string }): void {
    const whole = this.desk.whole()!;
    const id = `j-${crypto.randomUUID().slice(0, 8)}`;
    const note = `Follow-up to ${whole.name}. ${f.name}, ${f.when}: ${f.text}\n${whole.note}`.slice(0, 2000);
    const job = { ...this.prover.built().whole, id, name: `${whole.name}, follow-up`.slice(0, 80), note };
    this.http.post('/api/jobs', job).subscribe({
      next: () => void this.router.navigate(['/job', id, 'measure']),
      error: (e: unknown) => this.wrong.set(failureText(e)),
    });
  }
}
