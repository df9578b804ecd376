import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { asBuilt } from '@core/prove/as-built';
import type { Job } from '@core/job/schema';
import type { PredictedCurve } from '@core/prove/predicted-curve';
import type { ProofAsked } from '@core/prove/proof-plan';
import type { ProveState } from '@core/prove/prove-state';
import { refusalText } from '@core/units/refusal';
import { Desk } from '../job/desk';
import { ShopDesk } from '../make/shop-desk';
import type { FromProver, ToProver } from '../workers/messages';
import { Lasting } from '../workers/lasting';
import { Newest } from '../workers/newest';
import { startProver } from '../workers/start';
import { LogDesk } from './log-desk';

type Asked = Omit<Extract<ToProver, { kind: 'state' }>, 'kind' | 'ticket'>;

/** The job as it was built, and where it stands: judged again in a worker whenever something is written. */
@Injectable()
export class Prover implements OnDestroy {
  private readonly desk = inject(Desk);
  private readonly log = inject(LogDesk);
  private readonly shop = inject(ShopDesk);

  /** The document with what was found put in: quick, and worked out here. */
  readonly built = computed(() => asBuilt(this.desk.whole()!, this.log.lines()));
  readonly state = signal<ProveState | null>(null);
  /** The figure shown is of an earlier line. */
  readonly working = signal(false);
  readonly broken = signal('');

  /** A curve being worked out. */
  readonly progress = signal<{ readonly done: number; readonly of: number } | null>(null);
  readonly curve = signal<PredictedCurve | null>(null);
  readonly refusal = signal('');

  private last: Asked | undefined;
  private readonly judging = new Lasting<ToProver, FromProver>(
    startProver,
    (m) => this.take(m),
    (goesOn) => this.ended(goesOn),
  );
  private curving: Worker | undefined;
  private readonly queue = new Newest<Asked>((ticket, asked) => this.judging.post({ kind: 'state', ticket, ...asked }));

  constructor() {
    this.shop.fetch();
    effect(() => {
      const [whole, lines, shop] = [this.desk.whole(), this.log.lines(), this.shop.settings()];
      if (!whole || !shop) return;
      this.working.set(true);
      this.last = { whole, lines, shop: { rates: shop.rates } };
      this.queue.put(this.last);
    });
  }

  /** Draws the curve first; each asks anew, and the last asked stands. */
  askCurve(job: Job, asked: ProofAsked): void {
    this.stopCurve();
    this.progress.set({ done: 0, of: 1 });
    const worker = startProver();
    this.curving = worker;
    worker.addEventListener('message', ({ data: m }: MessageEvent<FromProver>) => {
      if (worker !== this.curving) return;
      if (m.kind === 'progress') return this.progress.set({ done: m.done, of: m.of });
      if (m.kind === 'curve') this.curve.set(m.curve);
      if (m.kind === 'refused') this.refusal.set(refusalText(m.refusal));
      if (m.kind === 'broken') this.refusal.set(`The curve could not be worked out: ${m.message}`);
      this.endCurve();
    });
    worker.addEventListener('error', () => {
      this.refusal.set('Working out the curve stopped; nothing is lost. Ask again.');
      this.endCurve();
    });
    worker.postMessage({ kind: 'curve', ticket: 1, job, asked } satisfies ToProver);
  }

  /** What is under way is given up; what was found is forgotten. */
  stopCurve(): void {
    this.endCurve();
    this.curve.set(null);
    this.refusal.set('');
  }

  private endCurve(): void {
    this.curving?.terminate();
    this.curving = undefined;
    this.progress.set(null);
  }

  private take(m: FromProver): void {
    if (m.kind !== 'state' && m.kind !== 'broken') return;
    const item = this.queue.answered(m.ticket);
    if (!item) return;
    if (m.kind === 'state') this.state.set(m.state);
    this.broken.set(m.kind === 'broken' ? `It could not be judged as built: ${m.message}` : '');
    this.working.set(item !== this.last);
  }

  /** What was said as built stands no longer. */
  private ended(goesOn: boolean): void {
    this.state.set(null);
    this.queue.lost();
    this.broken.set(
      goesOn
        ? 'Judging as built stopped, and is being started again.'
        : 'The job is no longer judged as built; reload the page. Nothing is lost.',
    );
    if (goesOn && this.last) this.queue.put(this.last);
  }

  ngOnDestroy(): void {
    this.judging.stop();
    this.curving?.terminate();
  }
}
