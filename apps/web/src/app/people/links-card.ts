import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { firstValueFrom, type Observable } from 'rxjs';
import { failureText } from '../job/job-api';
import { SessionDesk } from './session';

interface Listed {
  readonly mark: string;
  readonly madeBy: string;
  readonly madeAt: string;
  readonly until: string;
}

/** Links that show this one job to somebody without a name: made, listed, ended. */
@Component({
  selector: 'ms-links',
  imports: [MatButton],
  template: `
    <h2>Read-only links</h2>
    <p class="note">
      Whoever has such a link sees the record and the packet of this one job, and can write nothing. It is shown once and ends on
      its day, or when you end it.
      @if (!session.lan()) {
        As the program runs now, only this machine can open it; on the shop’s network it is started with
        <code>npm start -- --lan</code>.
      }
    </p>
    @if (failure(); as f) {
      <p class="error" role="alert">{{ f }}</p>
    }
    <form (submit)="make(days.value); $event.preventDefault()">
      <label
        >Good for, days <input #days inputmode="numeric" value="14" maxlength="3" [attr.aria-invalid]="wrong() || null"
      /></label>
      <button mat-stroked-button type="submit">Make a link</button>
      @if (wrong()) {
        <span class="error" role="alert">Good for, days: allowed: whole days, 1 to 365</span>
      }
    </form>
    @if (fresh(); as address) {
      <p class="said fresh" role="status">
        <label>The link, shown this once <input #made readonly [value]="address" (focus)="made.select()" /></label>
        <button mat-button type="button" (click)="copy(made)">{{ copied() ? 'Copied' : 'Copy' }}</button>
      </p>
    }
    @if (links(); as all) {
      @if (all.length > 0) {
        <table aria-label="Links to this job">
          <thead>
            <tr>
              <th>Made</th>
              <th>By</th>
              <th>Ends</th>
              <th><span class="visually-hidden">End it</span></th>
            </tr>
          </thead>
          <tbody>
            @for (l of all; track l.mark) {
              <tr>
                <td>{{ day(l.madeAt) }}</td>
                <td>{{ l.madeBy || '–' }}</td>
                <td>{{ day(l.until) }}</td>
                <td class="acts">
                  <button
                    mat-stroked-button
                    type="button"
                    [attr.aria-label]="'End the link of ' + day(l.madeAt)"
                    (click)="end(l)"
                  >
                    End it
                  </button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      } @else {
        <p class="note">There are none.</p>
      }
    }
  `,
  styleUrls: ['../fields/page-of-rows.scss'],
  styles: `
    :host {
      max-width: none;
      padding: 18px 0 0;
    }
    form,
    .fresh {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 14px;
      margin: 8px 0;
    }
    label {
      display: flex;
      align-items: center;
      gap: 8px;
      font: 600 14px var(--label);
    }
    input {
      width: 64px;
      padding: 4px 8px;
      border: 1px solid var(--rule-strong);
      background: var(--field);
      color: var(--ink);
    }
    .fresh label {
      flex: 1;
    }
    .fresh input {
      flex: 1;
      min-width: 200px;
    }
    code {
      font-family: var(--text);
      font-variant-ligatures: none;
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LinksCard {
  private readonly http = inject(HttpClient);
  protected readonly session = inject(SessionDesk);
  readonly id = input.required<string>();
  protected readonly links = signal<readonly Listed[] | null>(null);
  protected readonly fresh = signal('');
  protected readonly failure = signal('');
  protected readonly wrong = signal(false);
  protected readonly copied = signal(false);

  constructor() {
    effect(() => {
      const address = this.address(this.id());
      untracked(() => {
        this.fresh.set('');
        void this.ask(this.http.get<Listed[]>(address), (links) => this.links.set(links));
      });
    });
  }

  private address(id: string): string {
    return `/api/jobs/${id}/links`;
  }

  private async ask<T>(asked: Observable<T>, then: (answer: T) => void): Promise<void> {
    this.failure.set('');
    try {
      then(await firstValueFrom(asked));
    } catch (e) {
      this.failure.set(failureText(e));
    }
  }

  protected async make(days: string): Promise<void> {
    const n = Number(days);
    this.wrong.set(!/^\d+$/.test(days.trim()) || n < 1 || n > 365);
    if (this.wrong()) return;
    const made = this.http.post<{ path: string; links: Listed[] }>(this.address(this.id()), { days: n });
    await this.ask(made, ({ path, links }) => {
      this.copied.set(false);
      this.fresh.set(location.origin + path);
      this.links.set(links);
    });
  }

  /** Where the browser gives no clipboard (http on a network), the link is picked for Ctrl+C. */
  protected async copy(from: HTMLInputElement): Promise<void> {
    try {
      await navigator.clipboard.writeText(from.value);
      this.copied.set(true);
    } catch {
      from.focus();
      from.select();
    }
  }

  protected end(link: Listed): Promise<void> {
    return this.ask(this.http.delete<Listed[]>(`${this.address(this.id())}/${link.mark}`), (links) => this.links.set(links));
  }

  protected day(at: string): string {
    return at.slice(0, 10);
  }
}
