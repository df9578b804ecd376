import { Injectable } from '@angular/core';
import type { DBSchema } from 'idb';
import type { WholeJob } from '@core/job/whole-job';
import { browserDatabase } from './browser-database';

/** A change of one job that the server has not said it has: the document, and the version and document it rests on. */
export interface Unsent {
  readonly id: string;
  /** The tab it was made in. Another tab takes it over only once that one is gone. */
  readonly tab: string;
  readonly base: WholeJob;
  readonly version: number;
  readonly job: WholeJob;
  /** When it was first left unsent, ms since 1970: sent in this order. */
  readonly since: number;
  /** Waiting to be sent; or why sending it again is of no use until somebody looks at it. */
  readonly state: 'waiting' | 'clash' | 'refused';
  readonly message: string;
}

interface Kept extends DBSchema {
  unsent: { key: [string, string]; value: Unsent };
}

/** The browser's own database of what was not sent yet, over all jobs and tabs. */
@Injectable({ providedIn: 'root' })
export class OutboxStore {
  /** Rejects where the browser has no database to give. */
  private readonly db = browserDatabase<Kept>('mast-shoe', (db) => db.createObjectStore('unsent', { keyPath: ['id', 'tab'] }));

  /** Of every tab, the oldest first. */
  async all(): Promise<Unsent[]> {
    return (await (await this.db()).getAll('unsent')).sort((a, b) => a.since - b.since);
  }

  async put(u: Unsent): Promise<void> {
    await (await this.db()).put('unsent', u);
  }

  async drop(id: string, tab: string): Promise<void> {
    await (await this.db()).delete('unsent', [id, tab]);
  }
}
