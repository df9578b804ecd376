import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { atFoot } from '@core/job/at-foot';
import { casesOf } from '@core/loads/cases';
import { standing } from '@core/prove/log-entry';
import { proofPlan, PROOF_TIMES, type ProofAsked } from '@core/prove/proof-plan';
import { fine } from '@core/prove/words';
import { formatQuantity } from '@core/units/format-quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { FactorField } from '../fields/factor-field';
import { PickField } from '../fields/pick-field';
import { Bench } from '../instruments/bench';
import { Desk } from '../job/desk';
import { LogDesk } from './log-desk';
import { ProofChart } from './proof-chart';
import { ProofRun } from './proof-run';
import { Prover } from './prover';

/** The proof: a plan from a case of the job, the curve it should follow drawn first, and the pull against it. */
@Component({
  selector: 'ms-proof',
  imports: [FactorField, MatButton, PickField, ProofChart],
  providers: [ProofRun],
  template: `
    <div class="card">
      @if (run.running(); as on) {
        <h3>{{ on.plan.loadCase.name }}, {{ force(on.plan.load) }}, pulled {{ on.plan.directionWords }}</h3>
        <p class="big" role="status">
          @if (run.now(); as n) {
            {{ force(n.load) }} <span class="to">{{ mm((n.dials[0] ?? 0) - (run.samples()[0]?.dials?.[0] ?? 0)) }}</span>
          } @else {
            <span class="note">waiting for the load cell …</span>
          }
        </p>
        @if (run.read(); as r) {
          <p [class.bad]="r.result === 'failed' || r.result === 'aborted'" [class.good]="r.result === 'passed'">
            <b>{{ r.result }}</b>{{ r.because ? ': ' + r.because : '' }}
          </p>
          @if (r.means) {
            <p class="bad">It may be: {{ r.means }}</p>
          }
          @if (r.set; as set) {
            <p>Left with the load off: {{ mm(set[0] ?? 0) }}; {{ mm(on.plan.setLimit(r.mostMoved)) }} may be.</p>
          }
        }
        @if (run.stopped()) {
          <p class="error" role="alert">{{ run.stopped() }}</p>
        }
        @if (!on.ended && on.step < on.plan.steps.length) {
          <div class="bar">
            <button mat-flat-button type="button" [disabled]="!stoodLong()" (click)="run.next()">
              {{ on.step + 1 < on.plan.steps.length ? 'Next step' : 'Take the load off' }}
            </button>
            <button mat-stroked-button type="button" (click)="run.takeOff('Ended by hand; the load is being taken off')">
              Let go now
            </button>
          </div>
        } @else {
          <textarea #remarks aria-label="Remarks" placeholder="Remarks: what was seen" maxlength="1000"></textarea>
          <div class="bar">
            <button mat-flat-button type="button" (click)="write(remarks.value)">Write it down</button>
          </div>
        }
        <ol class="steps">
          @for (s of on.plan.steps; track s.part; let i = $index) {
            <li [class.here]="i === on.step">
              {{ percent(s.part) }}, {{ force(s.load) }}: {{ s.says }} ({{ s.holdSeconds }} s)
              @if (i === on.step && run.stood() !== undefined) {
                <b>{{ run.stood()!.toFixed(0) }} s</b>
              }
            </li>
          }
        </ol>
      } @else {
        <h3>Plan</h3>
        @if (cases().length === 0) {
          <p class="note">The job has no load case: say on the Load stage what it has to hold.</p>
        } @else {
          <ms-pick label="Case" [value]="asked().caseId" [choices]="cases()" (changed)="ask({ caseId: $event })" />
          <ms-pick label="Pulled by" [value]="asked().by" [choices]="ways" (changed)="ask({ by: $any($event) })" />
          <ms-factor
            label="Times the case, without factors"
            what="factor"
            [value]="asked().times"
            [low]="limits.low"
            [high]="limits.high"
            (changed)="ask({ times: $event })"
          />
          <ms-factor
            label="Hold, s"
            what="time"
            [value]="asked().holdSeconds"
            [low]="0"
            [high]="3600"
            (changed)="ask({ holdSeconds: $event })"
          />
          @for (axis of axes; track axis) {
            <ms-factor
              [label]="'Dial at ' + axis + ', ' + unit()"
              what="place"
              [value]="shownPlace(asked().dial[axis])"
              [low]="-5000"
              [high]="5000"
              (changed)="dial(axis, $event)"
            />
          }
          @if (plan(); as p) {
            <p>
              <b>{{ force(p.load) }}</b> {{ p.directionWords }}{{ p.mass === undefined ? '' : ': ' + kg(p.mass) + ' put on' }}, in
              {{ p.steps.length }} {{ p.steps.length === 1 ? 'step' : 'steps' }}. Nobody nearer than {{ p.standClear / 1000 }} m
              to the line of pull; never over {{ force(p.mostLoad) }}.
            </p>
            @if (prover.progress(); as at) {
              <p class="bar" role="status">
                Working out the curve: {{ at.done }} of {{ at.of }} solves
                <progress [value]="at.done" [max]="at.of"></progress>
                <button mat-stroked-button type="button" (click)="prover.stopCurve()">Stop</button>
              </p>
            } @else {
              <button mat-flat-button type="button" (click)="prover.askCurve(job(), asked())">Draw the curve first</button>
            }
          } @else {
            <p class="error" role="alert">{{ refusal() }}</p>
          }
          @if (prover.refusal()) {
            <p class="error" role="alert">{{ prover.refusal() }}</p>
          }
          @if (prover.curve(); as c) {
            <div class="bar pull">
              @if (bench.link() === 'closed') {
                <button mat-flat-button type="button" (click)="bench.open()">Rig load cell and dial</button>
              } @else {
                <button mat-flat-button type="button" [disabled]="bench.link() !== 'open'" (click)="run.start(plan()!, c)">
                  Everybody clear: pull
                </button>
                <label class="note"
                  >stand-in plays
                  <select aria-label="Puller fault" (change)="run.fault.set($any($event.target).value)">
                    @for (f of run.faults; track f) {
                      <option [value]="f" [selected]="f === run.fault()">{{ f }}</option>
                    }
                  </select></label
                >
                <label class="note"
                  >time runs
                  <select aria-label="Time runs" (change)="run.faster.set(+$any($event.target).value)">
                    @for (k of paces; track k) {
                      <option [value]="k" [selected]="k === run.faster()">{{ k }} ×</option>
                    }
                  </select></label
                >
              }
            </div>
          }
        }
      }
    </div>
    <div>
      @if (curve(); as c) {
        <ms-proof-chart [curve]="c.points" [samples]="run.samples()" [units]="units()" />
        <details>
          <summary>What the band is made of, at the full load</summary>
          <table>
            @for (w of c.widens; track w.what) {
              <tr>
                <td>{{ w.what }}</td>
                <td class="number">{{ mm(w.low) }}</td>
                <td class="number">+{{ mm(w.high) }}</td>
              </tr>
            }
          </table>
          <p class="note">Added up, so that none of it is hoped to cancel; solved on the {{ c.mesh }} mesh, the job as built.</p>
        </details>
      } @else {
        <p class="note empty">
          The curve is drawn before anything is pulled: what the dial should show at each load, and how far that may be off.
        </p>
      }
      @if (run.running()?.plan ?? plan(); as p) {
        <h3>Watch</h3>
        <ul>
          @for (w of p.watch; track w) {
            <li>{{ w }}</li>
          }
        </ul>
        <h3>Let go when</h3>
        <ul>
          @for (a of p.abort; track a) {
            <li class="bad">{{ a }}</li>
          }
        </ul>
      }
    </div>
    @for (p of done(); track p.entry.id) {
      <p class="wide" [class.good]="p.entry.body.result === 'passed'" [class.bad]="p.entry.body.result !== 'passed'">
        Line {{ p.seq }}: {{ p.entry.body.caseName }}, {{ force(p.entry.body.load) }}, {{ p.entry.body.result
        }}{{ p.entry.body.because ? ': ' + p.entry.body.because : '' }}
      </p>
    }
  `,
  styleUrls: ['./prove.scss', './fit-up-sheet.scss'],
  styles: `
    .to {
      color: var(--accent);
    }
    .big {
      margin: 4px 0;
    }
    .steps {
      margin: 8px 0;
      padding-left: 22px;
    }
    .here {
      font-weight: 600;
      background: var(--accent-soft);
    }
    .pull {
      margin-top: 10px;
    }
    .empty {
      padding: 40px 20px;
      border: 1px dashed var(--rule-strong);
      text-align: center;
    }
    textarea {
      margin: 6px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProofSheet {
  private readonly desk = inject(Desk);
  private readonly log = inject(LogDesk);
  protected readonly prover = inject(Prover);
  protected readonly bench = inject(Bench);
  protected readonly run = inject(ProofRun);
  protected readonly limits = PROOF_TIMES;
  protected readonly paces = [1, 5, 20] as const;
  protected readonly ways = [
    { value: 'puller', label: 'a puller with a load cell' },
    { value: 'known weight', label: 'a known weight put on' },
  ];
  protected readonly units = computed(() => this.desk.whole()!.units);
  /** As it was built. */
  protected readonly job = computed(() => atFoot(this.prover.built().whole, this.desk.foot()));
  protected readonly cases = computed(() => casesOf(this.job()).map((c) => ({ value: c.id, label: c.name })));
  private readonly own = signal<Partial<ProofAsked>>({});
  protected readonly asked = computed((): ProofAsked => {
    const own = this.own();
    const known = this.cases().some((c) => c.value === own.caseId);
    return {
      caseId: known ? own.caseId! : (this.cases()[0]?.value ?? ''),
      times: own.times ?? 1,
      holdSeconds: own.holdSeconds ?? 60,
      dial: own.dial ?? { x: 0, y: 0 },
      by: own.by ?? 'puller',
    };
  });
  private readonly planned = computed(() => proofPlan(this.job(), this.asked()));
  protected readonly plan = computed(() => {
    const p = this.planned();
    return isRefusal(p) ? undefined : p;
  });
  protected readonly refusal = computed(() => {
    const p = this.planned();
    return isRefusal(p) ? refusalText(p) : '';
  });
  protected readonly curve = computed(() => this.run.running()?.curve ?? this.prover.curve());
  protected readonly done = computed(() =>
    standing(this.log.lines()).flatMap((l) =>
      l.entry.body.kind === 'proof' ? [{ ...l, entry: { ...l.entry, body: l.entry.body } }] : [],
    ),
  );
  protected readonly stoodLong = computed(() => {
    const on = this.run.running();
    const step = on?.plan.steps[on.step];
    return step !== undefined && (this.run.stood() ?? -1) >= step.holdSeconds;
  });

  protected ask(change: Partial<ProofAsked>): void {
    this.own.update((o) => ({ ...o, ...change }));
    // Another plan has another curve.
    this.prover.stopCurve();
  }
  protected readonly axes = ['x', 'y'] as const;
  /** The dial’s place is typed in the job’s own unit. */
  protected readonly unit = computed(() => (this.units() === 'inch' ? 'in' : 'mm'));
  private readonly perUnit = computed(() => (this.units() === 'inch' ? 25.4 : 1));
  protected shownPlace(mm: number): number {
    return Number((mm / this.perUnit()).toFixed(3));
  }
  protected dial(axis: 'x' | 'y', to: number): void {
    this.ask({ dial: { ...this.asked().dial, [axis]: to * this.perUnit() } });
  }
  protected async write(remarks: string): Promise<void> {
    await this.run.writeDown(remarks, 'load cell and dial stand-ins');
  }

  protected force(n: number): string {
    return formatQuantity(n, 'force', this.units());
  }
  protected kg(m: number): string {
    return formatQuantity(m, 'mass', this.units());
  }
  protected mm(v: number): string {
    return fine(v, this.units());
  }
  protected percent(p: number): string {
    return `${Math.round(p * 100)} %`;
  }
}
