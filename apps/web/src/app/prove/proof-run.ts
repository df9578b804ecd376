import { computed, effect, inject, Injectable, signal, untracked, type OnDestroy } from '@angular/core';
import { PULL_FAULTS } from '@core/formats/instrument-messages';
import type { PredictedCurve } from '@core/prove/predicted-curve';
import type { ProofPlan } from '@core/prove/proof-plan';
import { provedAs } from '@core/prove/proof-stands';
import { readPull, timeAt } from '@core/prove/read-pull';
import { Bench } from '../instruments/bench';
import { Desk } from '../job/desk';
import { LogDesk } from './log-desk';

/** Samples to an entry of the log: a second of them at ten a second. */
const CHUNK = 10;
/** s from nothing to the proof load. */
const RAMP = 12;
/** On a step within this part of it. */
const ON = 0.985;

export interface Running {
  readonly pull: string;
  readonly plan: ProofPlan;
  readonly curve: PredictedCurve;
  /** Which load step it is told to; as many as there are when the load is being taken off. */
  readonly step: number;
  readonly ended: boolean;
}

/** One proof under way: tells the puller where to go, keeps every sample in the log, reads them against the band, and lets go by itself where a limit is met. */
@Injectable()
export class ProofRun implements OnDestroy {
  private readonly bench = inject(Bench);
  private readonly desk = inject(Desk);
  private readonly log = inject(LogDesk);

  readonly faults = PULL_FAULTS;
  readonly fault = signal<(typeof PULL_FAULTS)[number]>('none');
  readonly faster = signal(1);
  readonly running = signal<Running | null>(null);
  readonly stopped = signal('');
  readonly samples = this.bench.samples;

  readonly read = computed(() => {
    const run = this.running();
    if (!run) return null;
    const { plan, curve } = run;
    const last = plan.steps.at(-1)!;
    return readPull(
      this.samples(),
      curve.points,
      { load: plan.load, mostLoad: plan.mostLoad, holdSeconds: last.holdSeconds, setLimit: plan.setLimit },
      run.ended,
    );
  });
  readonly now = computed(() => this.samples().at(-1));
  /** Seconds the step’s load has stood so far; none while it is not there. */
  readonly stood = computed(() => {
    const run = this.running();
    const step = run?.plan.steps[run.step];
    if (!step) return undefined;
    const load = ON * step.load;
    return this.samples().some((s) => s.load >= load) ? timeAt(this.samples(), load) : undefined;
  });

  private kept = 0;

  constructor() {
    effect(() => {
      const all = this.samples();
      const run = this.running();
      if (run && all.length - this.kept >= CHUNK) untracked(() => void this.keep(CHUNK));
    });
    effect(() => {
      const fault = this.bench.pullFault();
      if (fault && untracked(() => this.running() && !this.running()!.ended))
        untracked(() => this.end(`${fault}: the pull is over; take the load off by hand`));
    });
    // A limit met: the load comes off without waiting for a hand.
    effect(() => {
      const r = this.read();
      const run = this.running();
      if (!r || !run || run.ended || run.step >= run.plan.steps.length) return;
      if (r.result === 'aborted' || r.result === 'failed')
        untracked(() => this.takeOff(`${r.because}: the load is being taken off`));
    });
  }

  async start(plan: ProofPlan, curve: PredictedCurve): Promise<void> {
    if (!this.log.by()) return this.log.askWho.set(true);
    this.stopped.set('');
    this.kept = 0;
    this.bench.samples.set([]);
    this.running.set({ pull: crypto.randomUUID(), plan, curve, step: 0, ended: false });
    await this.tell(true);
  }

  async next(): Promise<void> {
    const run = this.running();
    if (!run) return;
    if (run.step + 1 >= run.plan.steps.length) return this.takeOff('');
    this.running.set({ ...run, step: run.step + 1 });
    await this.tell(false);
  }

  async takeOff(because: string): Promise<void> {
    const run = this.running();
    if (!run) return;
    this.stopped.set(because);
    this.running.set({ ...run, step: run.plan.steps.length });
    await this.tell(false);
  }

  /** Nothing more is pulled; what was read stays. */
  end(because = ''): void {
    const run = this.running();
    if (!run) return;
    if (because) this.stopped.set(because);
    void this.bench.endPull();
    this.running.set({ ...run, ended: true });
    void this.keep(1);
  }

  /** What it came to, into the log. */
  async writeDown(remarks: string, with_: string): Promise<boolean> {
    const run = this.running();
    const r = this.read();
    if (!run || !r) return false;
    if (!run.ended) this.end();
    await this.keep(1);
    const { plan, curve, pull } = run;
    const foot = this.desk.foot();
    const result = r.result === 'under way' ? 'aborted' : r.result;
    const written = await this.log.write(
      {
        kind: 'proof',
        pull,
        caseName: plan.loadCase.name,
        load: plan.load,
        holdSeconds: plan.steps.at(-1)!.holdSeconds,
        curve: curve.points.map((p) => [p.load, p.expected, p.least, p.most]),
        set: [...(r.set ?? [])],
        setLimit: plan.setLimit(r.mostMoved),
        result,
        because: [r.because, r.means].filter(Boolean).join('; ').slice(0, 600),
        remarks: remarks.trim(),
        with: with_,
        proved: provedAs(this.desk.whole()!, foot, plan),
      },
      { about: { foot } },
    );
    if (written) {
      this.running.set(null);
      this.bench.samples.set([]);
    }
    return written;
  }

  private async tell(fresh: boolean): Promise<void> {
    const { plan, curve, step } = this.running()!;
    await this.bench.pullTo(
      {
        to: plan.steps[step]?.load ?? 0,
        rate: plan.load / RAMP,
        proof: plan.load,
        moves: [curve.points.map((p): [number, number] => [p.load, p.expected])],
        fault: this.fault(),
        faster: this.faster(),
      },
      fresh,
    );
  }

  /** Samples not in the log yet, where there are as many as that. */
  private async keep(least: number): Promise<void> {
    const run = this.running();
    const fresh = this.samples().slice(this.kept);
    if (!run || fresh.length < least) return;
    this.kept += fresh.length;
    await this.log.write(
      { kind: 'samples', pull: run.pull, samples: fresh.map((s) => ({ ...s, dials: [...s.dials] })) },
      { about: { foot: this.desk.foot() } },
    );
  }

  ngOnDestroy(): void {
    if (this.running() && !this.running()!.ended) this.end();
    this.bench.close();
  }
}
