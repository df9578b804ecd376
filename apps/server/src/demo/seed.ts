import type { Stores } from '../stores';
import { DEMO_RACK } from './lake-sorrow';

/** Puts the demo jobs on an empty rack; a rack with anything on it is left as it is. Returns how many were added. */
export function seedDemo({ store }: Pick<Stores, 'store'>): number {
  if (store.count() > 0) return 0;
  return DEMO_RACK.filter((job) => store.add(job)).length;
}
