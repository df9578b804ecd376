import { Injectable, signal, type OnDestroy } from '@angular/core';
import type { Job } from '@core/job/schema';
import type { FromSurveyor, Surveyed } from '../workers/messages';
import { Newest } from '../workers/newest';
import { startSurveyor } from '../workers/start';

/** What was measured, worked out in a worker while the stage is open. */
@Injectable()
export class Surveyor implements OnDestroy {
  readonly found = signal<Surveyed | null>(null);
  /** The job that `found` is about. */
  readonly about = signal<Job | null>(null);
  readonly broken = signal('');

  private readonly worker = startSurveyor();
  private readonly queue = new Newest<Job>((ticket, job) => this.worker.postMessage({ ticket, job }));

  constructor() {
    this.worker.addEventListener('message', ({ data }: MessageEvent<FromSurveyor>) => {
      const job = this.queue.answered(data.ticket);
      if (!job) return;
      if (data.kind === 'broken') return this.broken.set(data.message);
      this.broken.set('');
      this.about.set(job);
      this.found.set(data.surveyed);
    });
    this.worker.addEventListener('error', () =>
      this.broken.set('Working out the patterns stopped; reload the page. Nothing is lost.'),
    );
  }

  study(job: Job): void {
    this.queue.put(job);
  }

  ngOnDestroy(): void {
    this.worker.terminate();
  }
}
