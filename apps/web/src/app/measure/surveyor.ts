import { Injectable, signal, type OnDestroy } from '@angular/core';
import type { Job } from '@core/job/schema';
import type { FromSurveyor, Surveyed, ToSurveyor } from '../workers/messages';
import { Lasting } from '../workers/lasting';
import { Newest } from '../workers/newest';
import { startSurveyor } from '../workers/start';

/** What was measured, worked out in a worker while the stage is open. */
@Injectable()
export class Surveyor implements OnDestroy {
  readonly found = signal<Surveyed | null>(null);
  /** The job that `found` is about. */
  readonly about = signal<Job | null>(null);
  readonly broken = signal('');

  private readonly worker = new Lasting<ToSurveyor, FromSurveyor>(
    startSurveyor,
    (m) => this.take(m),
    (goesOn) => this.ended(goesOn),
  );
  private readonly queue = new Newest<Job>((ticket, job) => this.worker.post({ ticket, job }));
  private asked: Job | undefined;

  constructor() {
    this.worker.warm();
  }

  private take(m: FromSurveyor): void {
    const job = this.queue.answered(m.ticket);
    if (!job) return;
    if (m.kind === 'broken') return this.broken.set(m.message);
    this.broken.set('');
    this.about.set(job);
    this.found.set(m.surveyed);
  }

  private ended(goesOn: boolean): void {
    this.found.set(null);
    this.about.set(null);
    this.queue.lost();
    if (!goesOn) this.broken.set('Working out the patterns stopped; reload the page. Nothing is lost.');
    else if (this.asked) this.queue.put(this.asked);
  }

  study(job: Job): void {
    this.asked = job;
    this.queue.put(job);
  }

  ngOnDestroy(): void {
    this.worker.stop();
  }
}
