import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Subscription } from 'rxjs';
import { Desk } from '../job/desk';
import { failureText } from '../job/job-api';
import type { CsvNumbers } from './csv-numbers';
import { keepFile, nameIn } from './keep-file';

interface PacketState {
  readonly printed: { readonly version: number; readonly at: string } | null;
  readonly version: number;
}

/** The packet and what goes with it, and whether the one that was printed last is older than the job. */
@Component({
  selector: 'ms-packet-panel',
  imports: [MatButton, MatIcon],
  template: `
    <div class="downloads">
      @if (making(); as stop) {
        <button mat-flat-button class="wide" type="button" (click)="stop.unsubscribe(); making.set(null)">
          <mat-icon svgIcon="hourglass_top" />Making the packet … press to stop
        </button>
      } @else {
        <button mat-flat-button class="wide" type="button" [disabled]="!saved()" (click)="make()">
          <mat-icon svgIcon="inventory_2" />Packet, PDF
        </button>
      }
      @if (failure()) {
        <p class="wide error" role="alert">{{ failure() }}</p>
      }
      @if (older(); as words) {
        <p class="wide older" role="status"><mat-icon aria-hidden="true" svgIcon="history" />{{ words }}</p>
      }
      <a mat-stroked-button [href]="file('report.pdf')" download><mat-icon svgIcon="calculate" />Report, PDF</a>
      <a mat-stroked-button [href]="file('labels.pdf')" download><mat-icon svgIcon="sell" />Labels, PDF</a>
      <a mat-stroked-button [href]="file('parts.csv')" download><mat-icon svgIcon="list" />Parts, CSV</a>
      <a mat-stroked-button [href]="file('buy.csv')" download><mat-icon svgIcon="shopping_cart" />Buy list, CSV</a>
      <a mat-stroked-button [href]="file('route.ics')" download><mat-icon svgIcon="event" />Route, calendar</a>
    </div>
  `,
  styleUrl: './make-stage.scss',
  styles: `
    :host {
      display: block;
      height: auto;
    }
    .older {
      display: flex;
      gap: 8px;
      align-items: center;
      margin: 0;
      padding: 6px 8px;
      border: 2px dashed var(--bad);
      font-weight: 600;
    }
    .older mat-icon {
      flex: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PacketPanel {
  private readonly desk = inject(Desk);
  private readonly http = inject(HttpClient);
  /** How numbers stand in the lists. */
  readonly numbers = input<CsvNumbers>('point');
  private readonly state = signal<PacketState | null>(null);
  protected readonly older = computed(() => {
    const s = this.state();
    const unsaved = !this.saved();
    if (!s?.printed || (s.printed.version === s.version && !unsaved)) return '';
    return `The packet printed last is of version ${s.printed.version}: older than the job${unsaved ? '' : `, which is version ${s.version}`}. Print it again.`;
  });

  protected readonly saved = computed(() => this.desk.state().save === 'saved');
  protected readonly making = signal<Subscription | null>(null);
  protected readonly failure = signal('');

  constructor() {
    const now = computed(() => (this.saved() ? this.desk.whole() : undefined));
    effect(() => {
      if (now()) this.fetch();
    });
  }

  /** Some seconds on several feet: fetched here, so that it can be stopped and its refusal read. */
  protected make(): void {
    this.failure.set('');
    const asked = this.http.get(this.file('packet.pdf'), { responseType: 'blob', observe: 'response' }).subscribe({
      next: (r) => {
        this.making.set(null);
        keepFile(r.body!, nameIn(r.headers.get('content-disposition')) ?? 'packet.pdf');
        this.fetch();
      },
      error: (e: unknown) => {
        this.making.set(null);
        this.failure.set(failureText(e));
      },
    });
    this.making.set(asked.closed ? null : asked);
  }
  private fetch(): void {
    this.http.get<PacketState>(`/api/jobs/${this.desk.whole()!.id}/packet.json`).subscribe({
      next: (s) => this.state.set(s),
      // The files say for themselves what is wrong.
      error: () => this.state.set(null),
    });
  }
  protected file(name: string): string {
    const { id, units } = this.desk.whole()!;
    const asked = name.endsWith('.csv')
      ? `?numbers=${this.numbers()}`
      : name.endsWith('.pdf') && units === 'inch'
        ? '?paper=letter'
        : '';
    return `/api/jobs/${id}/${name}${asked}`;
  }
}
