import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, type OnDestroy } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { TURN_FAULTS } from '@core/formats/instrument-messages';
import { readValue } from '@core/job/values';
import { CONFIRMED, type BodyOf } from '@core/prove/log-entry';
import { tighteningOf, type Turn } from '@core/prove/tightening-round';
import { OVER, readTrace, WRENCH, type TraceRead } from '@core/prove/torque-trace';
import { torqueFine } from '@core/prove/words';
import { isRefusal } from '@core/units/refusal';
import { Bench } from '../instruments/bench';
import { Desk } from '../job/desk';
import { BoltPlan } from './bolt-plan';
import { LogDesk } from './log-desk';
import { TraceChart } from './trace-chart';

const TYPED = { label: 'Torque', dimension: 'moment', min: 0, max: 1e8, allowed: '0 to 100000 N·m' } as const;

/** Tightening, live: the next bolt lit on the plan, its torque and angle as they come, and what the bolt showed. */
@Component({
  selector: 'ms-tighten',
  imports: [BoltPlan, MatButton, MatIcon, TraceChart],
  template: `
    @if (state().bolts.length === 0) {
      <p class="note">No bolt holds this foot: its welds do.</p>
    } @else {
      <div class="card">
        @if (next(); as t) {
          <p class="note">Round {{ t.round }} of {{ t.of }}, {{ t.says }}</p>
          <p class="big">
            {{ t.bolt }} <span class="to">to {{ show(t.target) }}</span>
          </p>
          <p class="live" role="status">
            @if (live(); as l) {
              <b>{{ show(l.torque) }}</b> at {{ l.angle.toFixed(0) }}°{{ l.ended ? '' : ' …' }}
            } @else {
              <span class="note">{{ t.size }}; the wrench has not been pulled</span>
            }
          </p>
          <ms-trace [points]="points()" [target]="t.target" [slope]="t.slope" [units]="units()" />
          @if (read(); as r) {
            <p [class.bad]="r.reads !== 'good'" [class.good]="r.reads === 'good'">
              <b>{{ r.bolt }}: {{ r.reads }}</b
              >: {{ r.because }}
            </p>
          }
          <div class="bar">
            @if (bench.link() === 'closed') {
              <button mat-flat-button type="button" (click)="bench.open()">
                <mat-icon svgIcon="handyman" />Take out the wrench
              </button>
            } @else {
              <button mat-flat-button type="button" [disabled]="pulling() || bench.link() !== 'open'" (click)="pull(t)">
                {{ pulling() ? 'Pulling …' : 'Pull the wrench' }}
              </button>
              <label class="note"
                >stand-in plays
                <select aria-label="Wrench fault" (change)="this.fault.set($any($event.target).value)">
                  @for (f of faults; track f) {
                    <option [value]="f" [selected]="f === this.fault()">{{ f }}</option>
                  }
                </select>
              </label>
            }
            <form class="bar" (submit)="typedIn($event, t, box)">
              <input #box aria-label="Torque read" placeholder="or type it" size="9" inputmode="decimal" autocomplete="off" />
              <button mat-stroked-button type="submit">Write it down</button>
            </form>
          </div>
          @if (bench.link() === 'lost') {
            <p class="error" role="alert">The link to the wrench is lost; trying again. What is not at its torque stays next.</p>
          }
        } @else {
          <p class="big good">All at their torque</p>
        }
        @if (wrong()) {
          <p class="error" role="alert">{{ wrong() }}</p>
        }
      </div>
      <div>
        <ms-bolt-plan [bolts]="state().bolts" [next]="next()?.bolt ?? ''" (picked)="picked.set($event)" />
        @for (c of confirmed; track c) {
          <form class="bar confirm" (submit)="confirm($event, c, is.value)">
            <span [class.good]="state().confirmed[c]" [class.waits]="!state().confirmed[c]"
              >{{ c }}{{ state().confirmed[c] ? ': ' + state().confirmed[c] : '' }}</span
            >
            <input #is [attr.aria-label]="c" [placeholder]="asks[c]" maxlength="80" />
            <button mat-stroked-button type="submit">Confirm</button>
          </form>
        }
        @if (state().missed.length > 0) {
          <h3>Missed so far</h3>
          <ul>
            @for (m of state().missed; track m) {
              <li class="bad">{{ m }}</li>
            }
          </ul>
        }
      </div>
      <table class="wide rows">
        <thead>
          <tr>
            <th>Bolt</th>
            <th class="number">Rounds</th>
            <th class="number">Last</th>
            <th>Shows</th>
            <th>Witness mark</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          @for (b of state().bolts; track b.bolt) {
            <tr [class.here]="b.bolt === next()?.bolt">
              <td>
                <b>{{ b.bolt }}</b> {{ b.size }}
              </td>
              <td class="number">{{ b.missing ? 'missing' : b.done + ' of ' + b.of }}</td>
              <td class="number">{{ b.last ? show(b.last.entry.body.torque) : '–' }}</td>
              <td [class.bad]="b.bad">{{ b.last?.entry?.body?.reads ?? (b.released ? 'slackened' : '') }}</td>
              <td>
                @if (b.marked) {
                  <span class="good">marked</span>
                } @else if (b.done === b.of && b.of > 0) {
                  <button type="button" (click)="mark(b.bolt)">Mark {{ b.bolt }}</button>
                }
              </td>
              <td>
                @if (b.last) {
                  <button type="button" (click)="slacken(b.bolt)">Slacken {{ b.bolt }}</button>
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
      @if (slackening(); as b) {
        <form class="bar wide card" (submit)="release($event, b, why.value)">
          <b>Slacken {{ b }}:</b>
          <input #why aria-label="Why it is slackened" placeholder="Why" maxlength="200" />
          <button mat-flat-button type="submit">Slackened</button>
          <button mat-button type="button" (click)="slackening.set('')">Leave it</button>
        </form>
      }
    }
  `,
  styleUrls: ['./prove.scss', './fit-up-sheet.scss'],
  styles: `
    .to {
      font-size: 24px;
      color: var(--accent);
    }
    .big {
      margin: 2px 0;
    }
    .live {
      margin: 4px 0;
      font-size: 20px;
    }
    .confirm {
      margin-top: 6px;
    }
    .confirm span {
      flex: 1;
      font-weight: 600;
    }
    .confirm input {
      width: 150px;
    }
    table.wide {
      margin-top: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TightenSheet implements OnDestroy {
  private readonly desk = inject(Desk);
  private readonly log = inject(LogDesk);
  protected readonly bench = inject(Bench);
  protected readonly faults = TURN_FAULTS;
  protected readonly confirmed = CONFIRMED;
  protected readonly asks = {
    'bolts fitted': 'M8 8.8',
    'nut class': 'as stamped: 8',
    lubrication: 'lightly oiled, dry …',
  } as const;
  protected readonly fault = signal<(typeof TURN_FAULTS)[number]>('none');
  protected readonly wrong = signal('');
  protected readonly picked = signal('');
  protected readonly slackening = signal('');
  protected readonly units = computed(() => this.desk.whole()!.units);
  protected readonly state = computed(() => tighteningOf(this.desk.whole()!, this.desk.foot(), this.log.lines()));
  /** The next of the sequence; a bolt that was picked on the plan before it, while it has a round to do. */
  protected readonly next = computed((): Turn | undefined => {
    const s = this.state();
    const own = s.bolts.find((b) => b.bolt === this.picked() && !b.missing && b.done < b.of);
    return own ? s.turns.find((t) => t.bolt === own.bolt && t.round === own.done + 1) : s.next;
  });

  /** What was pulled, and on which bolt: the trace stays until the next pull. */
  private readonly asked = signal<Turn | null>(null);
  protected readonly pulling = computed(() => this.asked() !== null && this.bench.turning()?.ended === '' && this.waits());
  private readonly waits = signal(false);
  protected readonly points = computed(() => this.bench.turning()?.points ?? []);
  protected readonly live = computed(() => {
    const t = this.bench.turning();
    const last = t?.points.at(-1);
    return last && { angle: last[0], torque: last[1], ended: t!.ended !== '' };
  });
  protected readonly read = signal<(TraceRead & { readonly bolt: string }) | null>(null);

  constructor() {
    effect(() => {
      const t = this.bench.turning();
      const asked = this.asked();
      if (t && t.ended !== '' && asked && this.waits()) void this.keep(asked);
    });
  }

  protected show(nmm: number): string {
    return torqueFine(nmm, this.units());
  }

  protected async pull(t: Turn): Promise<void> {
    if (!this.log.by()) return this.log.askWho.set(true);
    this.read.set(null);
    this.asked.set(t);
    this.waits.set(true);
    const last = this.state().bolts.find((b) => b.bolt === t.bolt)?.last?.entry.body;
    const from = last?.reads === 'good' ? Math.min(last.torque, t.target) : 0;
    await this.bench.pullWrench({ target: t.target, from, slope: t.slope, fault: this.fault() });
  }

  private async keep(t: Turn): Promise<void> {
    this.waits.set(false);
    const { points, ended, says } = this.bench.turning()!;
    if (points.length === 0) {
      this.wrong.set(`${t.bolt}: ${says || 'nothing was read'}`);
      return;
    }
    this.wrong.set('');
    const r = readTrace(points, t, ended === 'link lost');
    this.read.set({ ...r, bolt: t.bolt });
    this.picked.set('');
    await this.write(t, {
      torque: r.torque,
      angle: points.at(-1)![0],
      reads: r.reads,
      because: r.because,
      with: 'torque wrench stand-in',
      trace: points.map(([a, T]) => [Number(a.toFixed(2)), Number(T.toFixed(0))]),
    });
  }

  private write(
    t: Turn,
    more: Pick<BodyOf<'tightened'>, 'torque' | 'reads' | 'because' | 'with'> & Partial<BodyOf<'tightened'>>,
  ): Promise<boolean> {
    return this.log.write(
      { kind: 'tightened', round: t.round, target: t.target, ...more },
      { about: { foot: t.foot, bolt: t.bolt } },
    );
  }

  /** A torque that was read off a wrench without a wire: only whether it was reached is known. */
  protected async typedIn(event: Event, t: Turn, box: HTMLInputElement): Promise<void> {
    event.preventDefault();
    const typed = box.value;
    const read = readValue(typed, TYPED, this.units(), 'measured');
    if (isRefusal(read)) return this.wrong.set(`Torque: ${read.because} — allowed: ${read.allowed}`);
    const part = read.v / t.target;
    const reads = part < 1 - WRENCH ? 'not reached' : part > OVER ? 'over' : 'good';
    const because = `typed, ${Math.round(part * 100)} % of the target; its angle was not read`;
    if (!(await this.write(t, { torque: read.v, reads, because, with: 'typed' }))) return;
    this.wrong.set('');
    this.read.set({ reads, because, torque: read.v, fromSnug: 0, slope: undefined, bolt: t.bolt });
    this.picked.set('');
    // Nothing that was typed meanwhile, for the bolt after, is taken away.
    if (box.value === typed) box.value = '';
  }

  protected async confirm(event: Event, what: (typeof CONFIRMED)[number], is: string): Promise<void> {
    event.preventDefault();
    if (is.trim() === '') return this.wrong.set(`${what}: it is empty — allowed: some words`);
    this.wrong.set('');
    await this.log.write({ kind: 'confirmed', what, is: is.trim() }, { about: { foot: this.desk.foot() } });
  }
  protected mark(bolt: string): void {
    void this.log.write({ kind: 'witness mark' }, { about: { foot: this.desk.foot(), bolt } });
  }
  protected slacken(bolt: string): void {
    this.slackening.set(bolt);
  }
  protected async release(event: Event, bolt: string, reason: string): Promise<void> {
    event.preventDefault();
    if (reason.trim() === '') return this.wrong.set('reason: it is empty — allowed: some words');
    this.wrong.set('');
    if (await this.log.write({ kind: 'released', reason: reason.trim() }, { about: { foot: this.desk.foot(), bolt } }))
      this.slackening.set('');
  }

  ngOnDestroy(): void {
    this.bench.close();
  }
}
