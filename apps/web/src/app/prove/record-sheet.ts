import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { NO_APPROVAL } from '@core/prove/cards/record';
import { standing } from '@core/prove/log-entry';
import { Desk } from '../job/desk';
import { LogDesk } from './log-desk';
import { Prover } from './prover';

/** The record: hold points signed by name, what is still open, the stamp, and the sheets that leave. */
@Component({
  selector: 'ms-record',
  imports: [MatButton, MatIcon],
  template: `
    <div class="card">
      <h3>Hold points</h3>
      <ul>
        @for (h of holds(); track h.operation) {
          <li>
            @if (h.signed; as s) {
              <span class="good"
                ><b>{{ h.name }}</b
                >: {{ h.text }}</span
              >
              <span class="note by">{{ s.name }} ({{ s.by }}), {{ s.at.slice(0, 10) }}</span>
            } @else {
              <form class="bar" (submit)="sign($event, h.operation, h.text, name.value)">
                <span class="waits"
                  ><b>{{ h.name }}</b
                  >: {{ h.text }}</span
                >
                <input #name [attr.aria-label]="'Name under ' + h.name" placeholder="Name" maxlength="60" autocomplete="off" />
                <button mat-stroked-button type="submit">Sign</button>
              </form>
            }
          </li>
        } @empty {
          <li class="note">{{ prover.state() ? 'The route has no hold points.' : 'Working …' }}</li>
        }
      </ul>
      <h3>Stamp</h3>
      @if (stamped(); as s) {
        <p class="stamp">built as recorded<br />{{ s.name }}, {{ s.by }} · {{ s.at.slice(0, 10) }} · version {{ s.version }}</p>
        @if (s.version < version()) {
          <p class="bad">The job is at version {{ version() }} now: the stamp is of version {{ s.version }}.</p>
        }
      }
      @if (prover.state(); as state) {
        @if (state.open.length > 0) {
          <p class="bad">{{ state.open.length }} open: it cannot be stamped.</p>
        } @else {
          <form class="bar" (submit)="sign($event, 'stamp', 'built as recorded', who.value)">
            <input #who aria-label="Name under the stamp" placeholder="Name" maxlength="60" autocomplete="off" />
            <button mat-flat-button type="submit">Stamp it</button>
          </form>
        }
      }
      @if (wrong()) {
        <p class="error" role="alert">{{ wrong() }}</p>
      }
      <p class="note">{{ noApproval }}</p>
    </div>
    <div>
      <h3>Leaves the shop</h3>
      <div class="files">
        <a mat-flat-button [href]="file('record.pdf')" download><mat-icon svgIcon="picture_as_pdf" />Record, PDF</a>
        <a mat-stroked-button [href]="file('record.html')" download
          ><mat-icon svgIcon="description" />Record, a page for the customer</a
        >
        <a mat-stroked-button [href]="file('handover.pdf')" download><mat-icon svgIcon="handshake" />Open points, PDF</a>
        <a mat-stroked-button [href]="file('log.json')" download><mat-icon svgIcon="save_alt" />Logbook, JSON</a>
      </div>
      @if (waiting() > 0) {
        <p class="bad">{{ waiting() }} lines are not on the server yet: they are not in these files.</p>
      }
      <h3>Open points</h3>
      <ul>
        @for (o of prover.state()?.open ?? []; track $index) {
          <li class="bad">{{ o.foot ? o.foot + ': ' : '' }}{{ o.about }}: {{ o.text }}</li>
        } @empty {
          <li [class.good]="prover.state()">{{ prover.state() ? 'Nothing is open.' : 'Working …' }}</li>
        }
      </ul>
      <h3>Other than drawn</h3>
      <ul>
        @for (d of prover.built().deviations; track d) {
          <li>{{ d }}</li>
        } @empty {
          <li class="note">Nothing, of what was measured.</li>
        }
      </ul>
    </div>
  `,
  styleUrls: ['./prove.scss', './fit-up-sheet.scss'],
  styles: `
    .files {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
      gap: 8px;
    }
    .by {
      margin-left: 10px;
    }
    .stamp {
      display: inline-block;
      padding: 6px 12px;
      border: 2.5px solid var(--good);
      border-radius: 3px;
      color: var(--good);
      font: 600 17px/1.3 var(--label);
      transform: rotate(-2deg);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordSheet {
  private readonly desk = inject(Desk);
  private readonly log = inject(LogDesk);
  protected readonly prover = inject(Prover);
  protected readonly noApproval = NO_APPROVAL;
  protected readonly wrong = signal('');
  protected readonly version = computed(() => this.desk.state().version);
  protected readonly waiting = computed(() => this.log.waiting().length);
  protected readonly holds = computed(() => this.prover.state()?.holds ?? []);
  protected readonly stamped = computed(() => {
    const last = standing(this.log.lines())
      .flatMap(({ entry }) =>
        entry.body.kind === 'signed' && entry.body.operation === 'stamp' ? [{ ...entry, name: entry.body.name }] : [],
      )
      .at(-1);
    return last;
  });

  protected async sign(event: Event, operation: string, text: string, name: string): Promise<void> {
    event.preventDefault();
    if (name.trim().length < 2) return this.wrong.set('name: too short — allowed: 2 to 60 characters, the name of whoever signs');
    this.wrong.set('');
    await this.log.write({ kind: 'signed', operation, text, name: name.trim() });
  }
  protected file(name: string): string {
    const paper = name.endsWith('.pdf') && this.desk.whole()!.units === 'inch' ? '?paper=letter' : '';
    return `/api/jobs/${this.desk.whole()!.id}/${name}${paper}`;
  }
}
