import { signal } from '@angular/core';
import type { FootVerdict } from '@core/chain/feet';
import type { WholeJob } from '@core/job/whole-job';
import type { FromJudge, ToJudge } from '../workers/messages';
import { Newest } from '../workers/newest';
import { startJudge } from '../workers/start';

/**
 * Every foot of the fitting, judged in a worker beside the one in hand: a drag waits for neither. Nothing is started for a fitting
 * on one foot.
 */
export class FeetJudge {
  readonly feet = signal<readonly FootVerdict[]>([]);
  readonly broken = signal('');
  private worker: Worker | undefined;
  private asked: WholeJob | null = null;
  private readonly queue = new Newest<WholeJob>((ticket, whole) => this.post({ kind: 'feet', ticket, whole }));

  judge(whole: WholeJob): void {
    if (whole.feet.length < 2) {
      this.asked = null;
      this.feet.set([]);
      return;
    }
    if (whole === this.asked) return;
    this.asked = whole;
    this.queue.put(whole);
  }

  stop(): void {
    this.worker?.terminate();
  }

  private post(m: ToJudge): void {
    this.worker ??= this.started();
    this.worker.postMessage(m);
  }

  private started(): Worker {
    const worker = startJudge();
    worker.addEventListener('message', ({ data }: MessageEvent<FromJudge>) => this.take(data));
    worker.addEventListener('error', () => this.broken.set('The feet are no longer judged; reload the page. Nothing is lost.'));
    return worker;
  }

  private take(m: FromJudge): void {
    if (m.kind !== 'feet' && !(m.kind === 'broken' && m.of === 'feet')) return;
    const whole = this.queue.answered(m.ticket);
    // A fitting that is back on one foot has no feet to show.
    if (!whole || !this.asked) return;
    if (m.kind === 'feet') this.feet.set(m.feet);
    this.broken.set(m.kind === 'broken' ? m.message : '');
  }
}
