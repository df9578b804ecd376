import { dayIn, dueOf, nextDue, soonByUse } from '@core/prove/due';
import { Busy, NotStarted, TookTooLong, type Workers } from '../pool/workers';
import type { JobStore } from '../jobs/job-store';
import type { DueStore } from '../prove/due-store';
import type { LogStore } from '../prove/log-store';
import type { ShopStore } from '../shop/shop-store';
import { notJudged, type Face } from './face';
import type { VerdictStore } from './verdict-store';

/** How soon a job that found no thread is looked at again, ms. */
const AGAIN = 60_000;

export interface KeeperParts {
  readonly store: JobStore;
  readonly book: LogStore;
  readonly shop: ShopStore;
  readonly verdicts: VerdictStore;
  readonly due: DueStore;
  readonly workers: Workers;
}

/** Keeps every job's verdict, and what it asks for through the years, up with its newest version: one job after another, in a thread of its own, so that a sheet always finds one free. */
export class Keeper {
  private readonly wanted = new Set<string>();
  private busy = false;
  private ended = false;
  private idle: (() => void)[] = [];

  constructor(private readonly of: KeeperParts) {
    of.store.onChange(({ id }) => this.want(id));
    of.book.onChange((id) => this.want(id));
  }

  /** Whatever waits since the program last ran, or since its checks changed. */
  catchUp(): void {
    for (const { id } of [...this.of.due.behind(), ...this.of.verdicts.unjudged()].reverse()) this.put(id);
    this.next();
  }

  /** Jobs still to be looked at. */
  get waiting(): number {
    return this.wanted.size + (this.busy ? 1 : 0);
  }

  /** Resolves when none is. */
  done(): Promise<void> {
    return this.waiting === 0 ? Promise.resolve() : new Promise((resolve) => this.idle.push(resolve));
  }

  end(): void {
    this.ended = true;
    this.wanted.clear();
  }

  private want(id: string): void {
    if (this.ended) return;
    this.put(id);
    this.next();
  }

  /** What was changed last is looked at first: it is the one somebody waits for. */
  private put(id: string): void {
    this.wanted.delete(id);
    this.wanted.add(id);
  }

  private next(): void {
    if (this.busy || this.ended) return;
    const id = [...this.wanted].at(-1);
    if (id === undefined) {
      for (const f of this.idle.splice(0)) f();
      return;
    }
    this.wanted.delete(id);
    this.busy = true;
    void this.look(id).finally(() => {
      this.busy = false;
      this.next();
    });
  }

  private async look(id: string): Promise<void> {
    const { store, book, shop, verdicts, due, workers } = this.of;
    const row = store.text(id);
    if (!row) return;
    if (!verdicts.has(id, row.version)) {
      const face = await this.face(id, row.text);
      if (this.ended || !face) return;
      verdicts.put(id, row.version, face);
    }
    const lines = book.lines(id);
    if (this.ended || due.has(id, row.version, lines.length)) return;
    try {
      const tasks = await workers.run({ kind: 'due', text: row.text, lines });
      if (this.ended) return;
      const { zone } = shop.get().settings;
      const today = dayIn(new Date().toISOString(), zone);
      const now = dueOf(tasks, lines, today, zone);
      due.put(id, row.version, lines.length, tasks, nextDue(now, today), soonByUse(now));
    } catch {
      // Nothing is written: a job that was not looked at is said to be waiting, never to ask for nothing.
      this.later(id);
    }
  }

  private later(id: string): void {
    setTimeout(() => !this.ended && this.want(id), AGAIN).unref();
  }

  /** A verdict in any case: a job that breaks its thread, or takes too long, says so. */
  private async face(id: string, text: string): Promise<Face | undefined> {
    try {
      return await this.of.workers.run({ kind: 'face', text });
    } catch (e) {
      if (this.ended) return undefined;
      // Neither says anything of the job: nothing is kept with its version.
      if (e instanceof Busy || e instanceof NotStarted) {
        this.later(id);
        return undefined;
      }
      const because = e instanceof TookTooLong ? `${e.message}; open it to see how far it comes` : (e as Error).message;
      return { verdict: notJudged(because), drawn: null, unreadable: '' };
    }
  }
}
