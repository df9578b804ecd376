import { evaluate, workingOf } from '@core/chain/evaluate';
import { beside } from '@core/chain/compare-jobs';
import { fittingGoodFor, footVerdicts } from '@core/chain/feet';
import { multiplesOf } from '@core/chain/judge';
import { predictedCurve } from '@core/prove/predicted-curve';
import { proofPlan } from '@core/prove/proof-plan';
import { proveState } from '@core/prove/prove-state';
import { isRefusal } from '@core/units/refusal';
import { whatClears } from '@core/options/clear';
import { axesFor, tryStock, type Tally } from '@core/options/choose';
import type {
  FromChooser,
  FromImporter,
  FromJudge,
  FromProver,
  FromSpreader,
  FromSurveyor,
  FromWeigher,
  ToChooser,
  ToImporter,
  ToJudge,
  ToProver,
  ToSpreader,
  ToSurveyor,
  ToWeigher,
} from '../workers/messages';
import { READERS } from '../workers/imported';
import { Spreading } from '../workers/spreading';
import { surveyed } from '../workers/surveyed';

/** Stands in for a worker: answers when told to, so that a test can see what happens in between. */
export class HeldWorker<To, From> extends EventTarget {
  readonly waiting: To[] = [];
  terminated = false;

  constructor(private readonly reply: (m: To) => From) {
    super();
  }

  postMessage(m: To): void {
    this.waiting.push(m);
  }

  /** Answers the oldest message. */
  answer(): void {
    const m = this.waiting.shift();
    if (m !== undefined) this.dispatchEvent(new MessageEvent('message', { data: this.reply(m) }));
  }

  terminate(): void {
    this.terminated = true;
  }
}

/** The workers started since the last reset. */
export const started: {
  judge: HeldWorker<ToJudge, FromJudge>[];
  weigher: HeldWorker<ToWeigher, FromWeigher>[];
  chooser: HeldWorker<ToChooser, FromChooser>[];
  surveyor: HeldWorker<ToSurveyor, FromSurveyor>[];
  spreader: HeldWorker<ToSpreader, FromSpreader>[];
  prover: HeldWorker<ToProver, FromProver>[];
} = { judge: [], weigher: [], chooser: [], surveyor: [], spreader: [], prover: [] };

export function startJudge(): Worker {
  const worker = new HeldWorker<ToJudge, FromJudge>((m) =>
    m.kind === 'evaluate'
      ? { kind: 'evaluate', ticket: m.ticket, verdict: evaluate(m.job), solved: undefined }
      : m.kind === 'feet'
        ? { kind: 'feet', ticket: m.ticket, feet: footVerdicts(m.whole) }
        : m.kind === 'fitting'
          ? { kind: 'fitting', ticket: m.ticket, goodFor: fittingGoodFor(m.whole) }
          : m.kind === 'turn'
            ? { kind: 'turn', ticket: m.ticket, verdict: evaluate(m.job, undefined, m.times) }
            : m.kind === 'beside'
              ? { kind: 'beside', ticket: m.ticket, beside: beside(m.a, m.b) }
              : m.kind === 'clear'
                ? { kind: 'clear', ticket: m.ticket, link: m.link, clearings: whatClears(m.job, m.link) }
                : { kind: 'working', ticket: m.ticket, working: workingOf(m.job, m.link, m.caseId) },
  );
  started.judge.push(worker);
  return worker as unknown as Worker;
}

export function startWeigher(): Worker {
  const worker = new HeldWorker<ToWeigher, FromWeigher>(({ ticket, job, verdict }) => {
    const multiples = multiplesOf(job, { verdict });
    return { kind: 'weighed', ticket, multiples, doubt: { solveIt: undefined } };
  });
  started.weigher.push(worker);
  return worker as unknown as Worker;
}

export function startChooser(): Worker {
  const worker = new HeldWorker<ToChooser, FromChooser>((m) => {
    if (m.kind === 'stop') return { kind: 'done', tried: 0, total: 0, options: [], milliseconds: 1, stopped: true };
    const all = tryStock(m.job, { ...axesFor(m.job), sizes: ['M8', 'M10'], classes: ['8.8'], pitches: [1], counts: [4, 6] });
    let next: IteratorResult<Tally, Tally> = all.next();
    while (!next.done) next = all.next();
    const { tried, total, sound } = next.value;
    return { kind: 'done', tried, total, options: sound, milliseconds: 10, stopped: false };
  });
  started.chooser.push(worker);
  return worker as unknown as Worker;
}

export function startSurveyor(): Worker {
  const worker = new HeldWorker<ToSurveyor, FromSurveyor>(({ ticket, job }) => ({
    kind: 'surveyed',
    ticket,
    surveyed: surveyed(job),
  }));
  started.surveyor.push(worker);
  return worker as unknown as Worker;
}

export function startSpreader(): Worker {
  const kept = new Map<string, Spreading>();
  const worker = new HeldWorker<ToSpreader, FromSpreader>((m) => {
    if (m.kind === 'stop') return { kind: 'stopped', ticket: 0, key: '' };
    const spreading = kept.get(m.key) ?? new Spreading();
    kept.set(m.key, spreading);
    if (m.kind === 'show') {
      const shown = spreading.show(m.caseId);
      return shown ? { ...m, ...shown, kind: 'shown' } : { ...m, kind: 'lost' };
    }
    const { ticket, key, caseId } = m;
    const steps = spreading.solve(m.job, 'draft', m.cases);
    let next = steps.next();
    while (!next.done) next = steps.next();
    return next.value
      ? { kind: 'refused', ticket, key, refusal: next.value }
      : { kind: 'solved', ticket, key, caseId, milliseconds: 12, ...spreading.show(caseId)! };
  });
  started.spreader.push(worker);
  return worker as unknown as Worker;
}

/** Answers by itself, as nothing waits for it in between but the person. */
export function startImporter(): Worker {
  const worker = new HeldWorker<ToImporter, FromImporter>(({ ticket, kind, text, units }) => ({
    ticket,
    read: READERS[kind](text, units),
  }));
  const post = worker.postMessage.bind(worker);
  worker.postMessage = (m) => {
    post(m);
    if (!imports.held) worker.answer();
  };
  imports.started.push(worker);
  return worker as unknown as Worker;
}
/** `held`: the file is being read until the test says so. */
export const imports: { held: boolean; started: HeldWorker<ToImporter, FromImporter>[] } = { held: false, started: [] };

export function startProver(): Worker {
  const worker = new HeldWorker<ToProver, FromProver>((m) => {
    if (m.kind === 'state') return { kind: 'state', ticket: m.ticket, state: proveState(m.whole, m.lines, m.shop) };
    const plan = proofPlan(m.job, m.asked);
    if (isRefusal(plan)) return { kind: 'refused', ticket: m.ticket, refusal: plan };
    const first = predictedCurve(m.job, plan, m.asked.dial).next();
    if (first.done && isRefusal(first.value)) return { kind: 'refused', ticket: m.ticket, refusal: first.value };
    // What the solver would say is tried in the core: here a straight line, 2 mm at the full load.
    const points = [0, 0.5, 1].map((p) => ({
      load: p * plan.load,
      expected: 2 * p,
      least: 1.4 * p - 0.02,
      most: 2.6 * p + 0.02,
    }));
    return { kind: 'curve', ticket: m.ticket, curve: { points, widens: [], mesh: 'draft', perKilonewton: 1 } };
  });
  started.prover.push(worker);
  return worker as unknown as Worker;
}

export const solversAtOnce = (): number => 2;
