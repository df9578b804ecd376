import { Injectable } from '@angular/core';
import type { DBSchema } from 'idb';
import type { Entry } from '@core/prove/log-entry';
import { browserDatabase } from '../job/browser-database';

/** An entry that the server has not said it has, with the photograph that goes before it. */
export interface Queued {
  /** In the order they were written; given by the browser’s database. */
  readonly n: number;
  readonly job: string;
  readonly entry: Entry;
  readonly photo?: Blob;
  /** Waiting to be sent; or refused, kept until somebody looks at it. */
  readonly state: 'waiting' | 'refused';
  readonly message: string;
}

interface Kept extends DBSchema {
  queue: { key: number; value: Omit<Queued, 'n'> & { n?: number } };
}

/** The browser’s own database of log entries that are still to be sent, over all jobs and tabs. */
@Injectable({ providedIn: 'root' })
export class LogQueueStore {
  private readonly db = browserDatabase<Kept>('mast-shoe-log', (db) =>
    db.createObjectStore('queue', { keyPath: 'n', autoIncrement: true }),
  );

  async all(): Promise<Queued[]> {
    return (await (await this.db()).getAll('queue')) as Queued[];
  }

  /** On disk when this resolves (strict durability where the browser has it). */
  async add(q: Omit<Queued, 'n'>): Promise<Queued> {
    const tx = (await this.db()).transaction('queue', 'readwrite', { durability: 'strict' });
    const n = await tx.store.add(q);
    await tx.done;
    return { ...q, n };
  }

  async put(q: Queued): Promise<void> {
    await (await this.db()).put('queue', q);
  }

  async drop(n: number): Promise<void> {
    await (await this.db()).delete('queue', n);
  }
}
