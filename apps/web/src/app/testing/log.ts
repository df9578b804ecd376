import { computed, signal } from '@angular/core';
import { nextLine } from '@core/prove/chain';
import type { Body, Entry, Line } from '@core/prove/log-entry';
import type { Queued } from '../prove/log-queue-store';
import type { Besides } from '../prove/log-desk';

/** A logbook without a server: what is written is in it at once. */
export class TestLog {
  readonly kept = signal<readonly Line[]>([]);
  readonly lines = computed(() => this.kept());
  readonly state = signal<'fetching' | 'ready' | 'away'>('ready');
  readonly failure = signal('');
  readonly waiting = signal<readonly Queued[]>([]);
  readonly refused = signal<readonly Queued[]>([]);
  readonly by = signal('AM');
  readonly askWho = signal(false);
  private n = 0;

  who(initials: string): void {
    this.by.set(initials);
  }
  fetch(): void {
    // It is here.
  }
  giveUp(n: number): void {
    this.refused.update((all) => all.filter((q) => q.n !== n));
  }
  write(body: Body, { about = {}, corrects }: Besides = {}): Promise<boolean> {
    if (!this.by()) {
      this.askWho.set(true);
      return Promise.resolve(false);
    }
    const at = new Date(Date.UTC(2026, 4, 2, 10, this.n)).toISOString();
    const id = `00000000-0000-4000-8000-${String(++this.n).padStart(12, '0')}`;
    const entry: Entry = { id, at, by: this.by(), version: 1, about, body, ...(corrects ? { corrects } : {}) };
    this.kept.update((all) => [...all, nextLine('t', all.at(-1), entry, at)]);
    return Promise.resolve(true);
  }
}
