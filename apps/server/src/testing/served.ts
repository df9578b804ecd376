import { pino } from 'pino';
import request from 'supertest';
import type { WholeJob } from '@core/job/whole-job';
import { createApp, type Lan } from '../app';
import { openDatabase } from '../database/open-database';
import { storesOf } from '../stores';
import { Keeper } from '../verdicts/keeper';
import { here } from './here';
import { testStores } from './stores';

/** A server with some jobs in memory, its tasks performed at once; `judged` resolves when every verdict is there. */
export function served(jobs: readonly WholeJob[] = [], db = openDatabase(':memory:'), photos?: string, lan?: Lan) {
  const stores = photos === undefined ? testStores(db) : storesOf(db, photos);
  for (const job of jobs) stores.store.add(job);
  const workers = here();
  const keeper = new Keeper({ ...stores, workers });
  const app = createApp({ ...stores, workers, log: pino({ level: 'silent' }), ...(lan ? { lan } : {}) });
  const judged = () => {
    keeper.catchUp();
    return keeper.done();
  };
  return { ...stores, app, keeper, judged, http: request(app) };
}
