import { A11yModule } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { failureText, freshId, JobApi } from './job-api';
import { Desk } from './desk';
import { jobActions, mergeOf, type Clash } from './job.state';

/** Told when somebody, or another tab, has changed the same of the job since this one read it: merge, keep both, or take theirs. Nothing is written until one is chosen. */
@Component({
  selector: 'ms-clash',
  imports: [A11yModule, MatButton],
  template: `
    <div cdkTrapFocus cdkTrapFocusAutoCapture>
      <h2 id="clash-title">Changed elsewhere too</h2>
      <p id="clash-said">
        This job was saved by somebody else, or in another tab, (version {{ clash().current.version }}) after this page read it.
        Nothing of either is lost; say how to go on.
      </p>
      @if (merge().conflicts.length > 0) {
        <table>
          <caption class="visually-hidden">
            Fields both changed
          </caption>
          <tr>
            <th>both changed</th>
            <th>here</th>
            <th>there</th>
          </tr>
          @for (c of conflicts(); track c.path) {
            <tr>
              <td>{{ c.path }}</td>
              <td class="number">{{ c.mine }}</td>
              <td class="number">{{ c.theirs }}</td>
            </tr>
          }
        </table>
        <p class="note">
          A merge keeps “here” for these{{
            merge().taken > 0 ? ' and takes what else was changed there (' + merge().taken + ')' : ''
          }}.
        </p>
      } @else {
        <p>The two do not touch the same fields: a merge keeps both ({{ merge().taken }} changes from there).</p>
      }
      <p class="actions">
        <button mat-flat-button type="button" (click)="takeMerge()">Merge</button>
        <button mat-stroked-button type="button" (click)="keepBoth()">Keep both</button>
        <button mat-button type="button" (click)="theirs()">Take the other’s</button>
      </p>
      <p class="note">“Keep both” hangs what is here on the rack as a copy.</p>
    </div>
  `,
  styles: `
    :host {
      display: block;
      width: min(560px, 92vw);
      padding: 18px 22px;
      background: var(--card);
      border: 2px solid var(--ink);
      border-radius: 4px;
      box-shadow: 0 10px 40px rgba(28, 26, 23, 0.4);
    }
    table {
      width: 100%;
      border-collapse: collapse;
      font-size: 13px;
    }
    th,
    td {
      padding: 3px 6px;
      border-bottom: 1px solid var(--rule);
      text-align: left;
      overflow-wrap: anywhere;
    }
    .actions {
      display: flex;
      gap: 10px;
    }
  `,
  host: { role: 'alertdialog', 'aria-modal': 'true', 'aria-labelledby': 'clash-title', 'aria-describedby': 'clash-said' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClashCard {
  private readonly store = inject(Store);
  private readonly api = inject(JobApi);
  private readonly desk = inject(Desk);
  private readonly router = inject(Router);
  readonly clash = input.required<Clash>();

  protected readonly merge = computed(() => mergeOf(this.desk.state(), this.clash()));
  protected readonly conflicts = computed(() =>
    this.merge().conflicts.map((c) => ({ path: said(c.path), mine: short(c.mine), theirs: short(c.theirs) })),
  );

  protected takeMerge(): void {
    this.store.dispatch(jobActions.takeMerge());
  }

  protected theirs(): void {
    this.store.dispatch(jobActions.takeTheirs());
  }

  protected keepBoth(): void {
    const mine = this.desk.state().settled;
    if (!mine) return;
    const name = `${mine.name} (mine)`.slice(0, 80);
    const copy = { ...mine, id: freshId(name), name };
    this.api.add(copy).subscribe({
      next: () => {
        this.store.dispatch(jobActions.takeTheirs());
        void this.router.navigate(['/job', copy.id, 'lay-out']);
      },
      error: (e: unknown) => this.desk.said.set(failureText(e)),
    });
  }
}

/** Where it is in the job, without the words the file has only for itself. */
function said(path: string): string {
  const own = ['feet', 'design', 'items'];
  return path
    .split('.')
    .filter((step) => !own.includes(step))
    .join(' › ');
}

function short(v: unknown): string {
  if (typeof v === 'object' && v !== null && 'text' in v) return String((v as { text: unknown }).text);
  return typeof v === 'object' ? JSON.stringify(v) : String(v);
}
