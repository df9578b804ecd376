import { fastenerClass } from '../stock/fastener-classes';
import { matchingNut } from '../stock/nuts';
import type { Job } from './schema';

/** Another bolt class, with the nut that is sold with it; a class nobody stocks is left for `resolve` to refuse. */
export function withClass<B extends Pick<Job['bolts'], 'class' | 'nut'>>(bolts: B, id: string): B {
  const c = fastenerClass(id);
  return { ...bolts, class: id, ...(c ? { nut: matchingNut(c).id } : {}) };
}
