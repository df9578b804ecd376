import { signal } from '@angular/core';
import type { FootVerdict } from '@core/chain/feet';
import type { Multiple } from '@core/chain/multiple';
import type { WholeJob } from '@core/job/whole-job';
import type { FromJudge, ToJudge } from '../workers/messages';
import { Lasting } from '../workers/lasting';
import { Newest } from '../workers/newest';
import { startJudge } from '../workers/start';

/** How long nothing has to change before the fitting as a whole is weighed, ms. */
const STILL = 150;

/**
 * Every foot of the fitting, judged in a worker beside the one in hand: a drag waits for neither. Nothing is started for a fitting
 * on one foot.
 */
export class FeetJudge {
  readonly feet = signal<readonly FootVerdict[]>([]);
  /** How many times the load the fitting is good for on all its feet; null while it is not known yet. */
  readonly goodFor = signal<Multiple | null>(null);
  readonly broken = signal('');
  private readonly worker = new Lasting<ToJudge, FromJudge>(
    startJudge,
    (m) => this.take(m),
    (goesOn) => this.ended(goesOn),
  );
  private asked: WholeJob | null = null;
  private still: ReturnType<typeof setTimeout> | undefined;
  private fittingTicket = 0;
  private readonly queue = new Newest<WholeJob>((ticket, whole) => this.post({ kind: 'feet', ticket, whole }));

  judge(whole: WholeJob): void {
    if (whole === this.asked) return;
    clearTimeout(this.still);
    this.fittingTicket++;
    this.goodFor.set(null);
    if (whole.feet.length < 2) {
      this.asked = null;
      this.feet.set([]);
      return;
    }
    this.asked = whole;
    this.queue.put(whole);
  }

  stop(): void {
    clearTimeout(this.still);
    this.worker.stop();
  }

  private post(m: ToJudge): void {
    this.worker.post(m);
  }

  /** What was said of the feet stands no longer. */
  private ended(goesOn: boolean): void {
    this.feet.set([]);
    this.goodFor.set(null);
    this.queue.lost();
    this.broken.set(
      goesOn
        ? 'Judging the feet stopped, and is being started again.'
        : 'The feet are no longer judged; reload the page. Nothing is lost.',
    );
    if (goesOn && this.asked) this.queue.put(this.asked);
  }

  private take(m: FromJudge): void {
    if (m.kind === 'fitting') {
      if (m.ticket === this.fittingTicket) this.goodFor.set(m.goodFor);
      return;
    }
    if (m.kind !== 'feet' && !(m.kind === 'broken' && m.of === 'feet')) return;
    const whole = this.queue.answered(m.ticket);
    // A fitting that is back on one foot has no feet to show.
    if (!whole || !this.asked) return;
    if (m.kind === 'feet') this.feet.set(m.feet);
    this.broken.set(m.kind === 'broken' ? m.message : '');
    if (whole === this.asked) this.askFitting(whole);
  }

  /** Asked again at other loads: not while something is dragged, only once it is still. */
  private askFitting(whole: WholeJob): void {
    clearTimeout(this.still);
    const ticket = this.fittingTicket;
    this.still = setTimeout(() => this.post({ kind: 'fitting', ticket, whole }), STILL);
  }
}
