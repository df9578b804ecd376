import { signal } from '@angular/core';
import type { Sample } from '@core/prove/log-entry';
import type { Turning } from '../instruments/bench';

/** A bench whose instruments do what the test says. */
export class TestBench {
  readonly link = signal<'closed' | 'opening' | 'open' | 'lost'>('open');
  readonly states = signal([]);
  readonly said = signal(null);
  readonly landing = signal<unknown>(null);
  readonly typed = signal(false);
  readonly turning = signal<Turning | null>(null);
  readonly samples = signal<readonly Sample[]>([]);
  readonly pullFault = signal('');
  readonly asked: unknown[] = [];
  open(): void {
    this.link.set('open');
  }
  close(): void {
    this.link.set('closed');
  }
  pullWrench(asked: unknown): Promise<void> {
    this.asked.push(asked);
    this.turning.set(null);
    return Promise.resolve();
  }
  pullTo(asked: unknown): Promise<void> {
    this.asked.push(asked);
    return Promise.resolve();
  }
  endPull(): Promise<void> {
    this.asked.push('end');
    return Promise.resolve();
  }
}
