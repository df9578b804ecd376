import type { LoadCase } from '../loads/load-case';
import type { Resolved } from '../job/resolve';
import { isRefusal, type Refusal } from '../units/refusal';
import { shareInPlane, type InPlane } from './in-plane';
import { shareOutOfPlane, type OutOfPlane } from './out-of-plane';

/** What each bolt and the bed get from one factored case. */
export interface Shared {
  readonly loadCase: LoadCase;
  readonly inPlane: InPlane;
  readonly outOfPlane: OutOfPlane;
}

export function share(r: Resolved, c: LoadCase): Shared | Refusal {
  const inPlane = shareInPlane(r.bolts, c.fx, c.fy, c.mz);
  if (isRefusal(inPlane)) return inPlane;
  const outOfPlane = shareOutOfPlane(
    { base: r.base, bolts: r.bolts, boltStiffness: r.grade.E * r.As, bedModulus: r.bedModulus, inLine: r.allInLine },
    c.fz,
    c.mx,
    c.my,
  );
  return isRefusal(outOfPlane) ? outOfPlane : { loadCase: c, inPlane, outOfPlane };
}
