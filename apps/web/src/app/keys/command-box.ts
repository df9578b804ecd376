import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { catchError, debounceTime, map, of, switchMap } from 'rxjs';
import { JobApi } from '../job/job-api';
import { found, type Doing } from './doing';

/** Jobs found by name that are offered, and how long typing rests before they are looked for, ms. */
const MOST_JOBS = 6;
const TYPED = 150;

/** Type a few letters of what to do; Enter does the first. */
@Component({
  selector: 'ms-command-box',
  template: `
    <label class="label" for="command">What to do</label>
    <input
      id="command"
      autocomplete="off"
      role="combobox"
      aria-expanded="true"
      aria-controls="command-list"
      [attr.aria-activedescendant]="found().length ? 'command-' + at() : null"
      [value]="text()"
      (input)="type($any($event.target).value)"
      (keydown)="key($event)"
    />
    <ul id="command-list" role="listbox" aria-label="Commands">
      @for (c of found(); track c.id; let i = $index) {
        <li
          role="option"
          [id]="'command-' + i"
          [attr.aria-selected]="i === at()"
          [class.at]="i === at()"
          tabindex="-1"
          (click)="pick(c)"
          (keydown.enter)="pick(c)"
          (mouseenter)="at.set(i)"
        >
          <span>{{ c.words }}</span><kbd>{{ c.key ?? '' }}</kbd>
        </li>
      } @empty {
        <li class="note">Nothing is called “{{ text() }}” here.</li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: block;
      padding: 16px;
    }
    input {
      width: 100%;
      margin: 4px 0 8px;
      padding: 6px 8px;
      border: 1px solid var(--rule-strong);
      font: 500 16px var(--text);
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
      max-height: 46vh;
      overflow-y: auto;
    }
    li {
      display: flex;
      justify-content: space-between;
      padding: 5px 8px;
      cursor: pointer;
    }
    .at {
      background: var(--accent-soft);
    }
    kbd {
      font: 500 13px var(--text);
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CommandBox {
  private readonly ref = inject<MatDialogRef<CommandBox, Doing>>(MatDialogRef);
  private readonly all = inject<readonly Doing[]>(MAT_DIALOG_DATA);
  private readonly api = inject(JobApi);
  private readonly router = inject(Router);
  protected readonly text = signal('');
  protected readonly at = signal(0);
  /** Other jobs whose words begin like this. */
  private readonly jobs = toSignal(
    toObservable(this.text).pipe(
      debounceTime(TYPED),
      switchMap((q) => (q.trim().length < 2 ? of([]) : this.api.list({ q: q.trim() }, 0, MOST_JOBS).pipe(map((p) => p.tags)))),
      catchError(() => of([])),
    ),
    { initialValue: [] },
  );
  protected readonly found = computed((): readonly Doing[] => [
    ...found(this.all, this.text()),
    ...this.jobs().map((t) => ({
      id: `job ${t.id}`,
      words: `Job: ${t.name}`,
      run: () => void this.router.navigate(['/job', t.id, 'lay-out']),
    })),
  ]);

  protected type(text: string): void {
    this.text.set(text);
    this.at.set(0);
  }

  protected key(e: KeyboardEvent): void {
    const n = this.found().length;
    if (e.key === 'ArrowDown') this.at.set((this.at() + 1) % Math.max(1, n));
    else if (e.key === 'ArrowUp') this.at.set((this.at() - 1 + n) % Math.max(1, n));
    else if (e.key === 'Enter' && this.found()[this.at()]) this.pick(this.found()[this.at()]!);
    else return;
    e.preventDefault();
  }

  protected pick(doing: Doing): void {
    this.ref.close(doing);
  }
}
