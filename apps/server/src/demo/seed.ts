import type { Stores } from '../stores';
import { DEMO_RACK } from './lake-sorrow';
import { seedLogs } from './logs';

/** Puts the demo jobs on an empty rack; a rack with anything on it is left as it is. Returns how many were added. */
export function seedDemo(stores: Pick<Stores, 'store' | 'book' | 'shop' | 'demo'>): number {
  const { store } = stores;
  if (store.count() > 0) return 0;
  return store.atOnce(() => {
    // The last one written hangs first.
    const added = DEMO_RACK.toReversed().filter((job) => store.add(job));
    for (const { id } of added) stores.demo.mark(id);
    seedLogs(stores);
    return added.length;
  });
}
