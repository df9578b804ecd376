import { ChangeDetectionStrategy, Component, computed, inject, signal, type OnDestroy } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { readValue } from '@core/job/values';
import type { FoundAs } from '@core/prove/as-built';
import { impossible, outBy } from '@core/prove/dimensions';
import { WHEN, type DecisionKind } from '@core/prove/log-entry';
import { ofReadings } from '@core/prove/readings';
import { fine } from '@core/prove/words';
import { MAX_READINGS } from '@core/units/quantity';
import { isRefusal } from '@core/units/refusal';
import { Bench, type Landing } from '../instruments/bench';
import { InstrumentPanel } from '../instruments/instrument-panel';
import { Desk } from '../job/desk';
import { FitPlan } from './fit-plan';
import { LogDesk } from './log-desk';
import { Prover } from './prover';

const DECIDE_WORDS: Readonly<Record<DecisionKind, string>> = {
  accept: 'Accept as it is',
  slot: 'Draw the hole out to a slot',
  'fill and redrill': 'Fill and drill again',
  shim: 'Shim',
  remake: 'Make it again',
};
const NO_LIMIT = 900;

/** Fit-up: each dimension in the order of the route, read, and where it is out, decided. */
@Component({
  selector: 'ms-fit-up',
  imports: [FitPlan, InstrumentPanel, MatButton],
  template: `
    <div>
      @if (chosen(); as f) {
        <div class="card at">
          <div class="bar">
            <span class="note">{{ f.dimension.when }}, {{ done() }} of {{ mine().length }} measured</span>
            <button class="text-button" type="button" (click)="step(-1)">Back</button>
            <button class="text-button" type="button" (click)="step(1)">Skip</button>
          </div>
          <h2 tabindex="-1">{{ f.dimension.name }}</h2>
          <p>
            Drawn <b>{{ show(f.dimension.nominal) }}</b>, {{ limits(f) }} <span class="note">{{ f.dimension.source }}</span>
          </p>
          <form class="bar" (submit)="add($event, box)">
            <label
              >Found
              <input
                #box
                class="reading"
                aria-label="Found"
                inputmode="decimal"
                autocomplete="off"
                [attr.aria-invalid]="wrong() ? true : null"
                (focus)="land()"
              />
            </label>
            <button mat-stroked-button type="submit">Add reading</button>
            @for (r of readings(); track $index) {
              <span class="chip"
                >{{ show(r) }}
                <button type="button" [attr.aria-label]="'Take out the reading ' + show(r)" (click)="takeOut($index)">
                  ×
                </button></span
              >
            }
          </form>
          @if (wrong()) {
            <p class="error" role="alert">{{ wrong() }}</p>
          }
          @if (now(); as n) {
            <p [class.bad]="n.out !== 0" [class.good]="n.out === 0">
              {{ n.words }}
            </p>
            <button mat-flat-button type="button" [disabled]="readings().length === 0" (click)="save(f)">Write it down</button>
          } @else if (f.line) {
            <p [class.bad]="f.out !== 0" [class.good]="f.out === 0">
              Found {{ show(f.value!) }} by {{ f.line.entry.by
              }}{{ f.out === 0 ? ', within its limits' : ', out by ' + show(f.out) }}
            </p>
          }
          @if (f.out !== 0) {
            <fieldset>
              <legend>What is done about it</legend>
              @for (d of f.dimension.decide; track d) {
                <label class="choice"
                  ><input type="radio" name="decide" [checked]="decide() === d" (change)="decide.set(d)" />{{ words[d] }}</label
                >
              }
              <textarea #why aria-label="Reason" placeholder="Why" maxlength="1000"></textarea>
              <button mat-flat-button type="button" (click)="decideOn(f, why.value, why)">Decide</button>
              @if (f.decision; as was) {
                <p class="note">Decided: {{ was.decide }}, {{ was.reason }}</p>
              }
            </fieldset>
          }
          @if (bolt(); as b) {
            <details>
              <summary>The bolt cannot be had at all</summary>
              <form class="bar" (submit)="missing($event, b, gone.value)">
                <input #gone aria-label="Why it is missing" placeholder="Why" maxlength="200" />
                <button mat-stroked-button type="submit">{{ b }} is missing</button>
              </form>
            </details>
          }
        </div>
      } @else {
        <p class="note">There is nothing to measure at this foot.</p>
      }
      <div class="rows">
        <table>
          <thead>
            <tr>
              <th>Dimension</th>
              <th class="number">Drawn</th>
              <th class="number">Found</th>
              <th>State</th>
            </tr>
          </thead>
          @for (g of groups(); track g.when) {
            <tbody>
              <tr>
                <th colspan="4">{{ g.when }}</th>
              </tr>
              @for (f of g.found; track f.dimension.key) {
                <tr [class.here]="f === chosen()">
                  <td>
                    <button type="button" (click)="pick(f.dimension.key)">{{ f.dimension.name }}</button>
                  </td>
                  <td class="number">{{ show(f.dimension.nominal) }}</td>
                  <td class="number">{{ f.value === undefined ? '–' : show(f.value) }}</td>
                  <td [class.bad]="f.out !== 0 && f.open" [class.good]="f.line && !f.open" [class.waits]="!f.line">
                    {{ state(f) }}
                  </td>
                </tr>
              }
            </tbody>
          }
        </table>
      </div>
      @for (e of elsewhere(); track e.line.entry.id) {
        <p class="note">Line {{ e.line.seq }}: {{ e.because }}.</p>
      }
    </div>
    <div class="beside">
      <ms-fit-plan [found]="mine()" [chosen]="chosen()?.dimension?.key ?? ''" (picked)="pick($event)" />
      <ms-instruments />
    </div>
  `,
  styleUrls: ['./prove.scss', './fit-up-sheet.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FitUpSheet implements Landing, OnDestroy {
  private readonly desk = inject(Desk);
  private readonly log = inject(LogDesk);
  private readonly prover = inject(Prover);
  private readonly bench = inject(Bench);
  protected readonly words = DECIDE_WORDS;
  private readonly units = computed(() => this.desk.whole()!.units);

  protected readonly mine = computed(() => this.prover.built().found.filter((f) => f.dimension.about.foot === this.desk.foot()));
  protected readonly done = computed(() => this.mine().filter((f) => f.line).length);
  protected readonly elsewhere = computed(() => this.prover.built().elsewhere);
  protected readonly groups = computed(() =>
    WHEN.map((when) => ({ when, found: this.mine().filter((f) => f.dimension.when === when) })).filter((g) => g.found.length > 0),
  );
  private readonly key = signal('');
  /** The one that was picked; else the first with something to do; else the first. */
  protected readonly chosen = computed(
    () => this.mine().find((f) => f.dimension.key === this.key()) ?? this.mine().find((f) => f.open !== '') ?? this.mine()[0],
  );
  protected readonly bolt = computed(() => this.chosen()?.dimension.about.bolt ?? '');
  protected readonly readings = signal<readonly number[]>([]);
  private readonly by = signal('typed');
  protected readonly wrong = signal('');
  protected readonly decide = signal<DecisionKind | ''>('');
  /** What the readings taken now come to. */
  protected readonly now = computed(() => {
    const [f, r] = [this.chosen(), this.readings()];
    if (!f || r.length === 0) return undefined;
    const { median, spread, s, count } = ofReadings(r);
    const out = outBy(median, f.dimension);
    const several =
      count > 1 ? `, median of ${count}, spread ${this.show(spread)}${s === undefined ? '' : `, s ${this.show(s)}`}` : '';
    return { out, words: `${this.show(median)}${several}: ${out === 0 ? 'within its limits' : `out by ${this.show(out)}`}` };
  });

  protected show(v: number): string {
    return fine(v, this.units());
  }
  protected limits({ dimension: d }: FoundAs): string {
    if (d.over > NO_LIMIT) return d.under === 0 ? 'not less;' : `down to −${this.show(d.under)};`;
    return d.under === d.over ? `± ${this.show(d.over)};` : `−${this.show(d.under)} +${this.show(d.over)};`;
  }
  protected state(f: FoundAs): string {
    if (f.open) return f.open;
    return f.decision ? f.decision.decide : 'within';
  }

  protected pick(key: string): void {
    this.key.set(key);
    this.readings.set([]);
    this.wrong.set('');
    this.decide.set('');
  }
  protected step(by: 1 | -1): void {
    const all = this.mine();
    const i = all.indexOf(this.chosen()!);
    const next = all[(i + by + all.length) % all.length];
    if (next) this.pick(next.dimension.key);
  }

  name(): string {
    return this.chosen()?.dimension.name ?? '';
  }
  protected land(): void {
    this.bench.landing.set(this);
  }
  /** A reading of an instrument, or one typed. */
  take(text: string, _at: string, instrument: string): { taken: boolean; says: string } {
    const read = readValue(text, 'position', this.units(), 'measured');
    if (isRefusal(read)) {
      const says = `${this.name()}: ${read.because} — allowed: ${read.allowed}`;
      this.wrong.set(says);
      return { taken: false, says };
    }
    const no = impossible(read.v, this.chosen()!.dimension);
    if (no) {
      const says = `${this.name()}: ${this.show(read.v)} cannot be — ${no}`;
      this.wrong.set(says);
      return { taken: false, says };
    }
    this.wrong.set('');
    this.by.set(instrument);
    this.readings.update((all) => [...all, read.v].slice(-MAX_READINGS));
    return { taken: true, says: `in ${this.name()}.` };
  }
  protected add(event: Event, box: HTMLInputElement): void {
    event.preventDefault();
    if (this.take(box.value, '', 'typed').taken) box.value = '';
  }
  protected takeOut(i: number): void {
    this.readings.update((all) => all.filter((_, k) => k !== i));
  }

  protected async save({ dimension: d }: FoundAs): Promise<void> {
    const written = await this.log.write(
      {
        kind: 'dimension',
        key: d.key,
        name: d.name,
        when: d.when,
        nominal: d.nominal,
        under: d.under,
        over: d.over,
        readings: [...this.readings()],
        with: this.by(),
      },
      { about: d.about },
    );
    if (!written) return;
    const out = outBy(ofReadings(this.readings()).median, d);
    this.readings.set([]);
    this.desk.said.set(`${d.name} written down`);
    // What is out is decided before going on.
    this.pick(out === 0 ? '' : d.key);
  }

  protected async decideOn({ dimension: d }: FoundAs, reason: string, box: HTMLTextAreaElement): Promise<void> {
    const decide = this.decide();
    if (decide === '') return this.wrong.set('decision: none is chosen — allowed: one of those listed');
    if (reason.trim() === '') return this.wrong.set('reason: it is empty — allowed: some words');
    if (!(await this.log.write({ kind: 'decision', key: d.key, decide, reason: reason.trim() }, { about: d.about }))) return;
    box.value = '';
    this.pick('');
  }

  protected async missing(event: Event, bolt: string, reason: string): Promise<void> {
    event.preventDefault();
    if (reason.trim() === '') return this.wrong.set('reason: it is empty — allowed: some words');
    await this.log.write({ kind: 'bolt missing', reason: reason.trim() }, { about: { foot: this.desk.foot(), bolt } });
  }

  ngOnDestroy(): void {
    if (this.bench.landing() === this) this.bench.landing.set(null);
  }
}
