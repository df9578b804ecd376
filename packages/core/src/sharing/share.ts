import type { LoadCase } from '../loads/load-case';
import type { Resolved } from '../job/resolve';
import { isRefusal, type Refusal } from '../units/refusal';
import { shareInPlane, type InPlane } from './in-plane';
import { shareOutOfPlane, type OutOfPlane } from './out-of-plane';
import { heldByFriction, lessFriction, type Friction } from './friction';
import type { Solved } from './solved';

/** What each bolt and the bed get from one factored case. */
export interface Shared {
  readonly loadCase: LoadCase;
  readonly inPlane: InPlane;
  readonly outOfPlane: OutOfPlane;
  /** The spread solver's figures, where the job's checks are judged by them. */
  readonly solved?: Solved;
  /** What friction takes before the bolts do, where the job counts it; the shears in `inPlane` are what is left. */
  readonly friction?: Friction;
}

export function share(r: Resolved, c: LoadCase, solved?: Solved): Shared | Refusal {
  const inPlane = shareInPlane(r.bolts, c.fx, c.fy, c.mz);
  if (isRefusal(inPlane)) return inPlane;
  const outOfPlane = shareOutOfPlane(
    { base: r.base, bolts: r.bolts, boltStiffness: r.grade.E * r.As, bedModulus: r.bedModulus, inLine: r.allInLine },
    c.fz,
    c.mx,
    c.my,
  );
  if (isRefusal(outOfPlane)) return outOfPlane;
  if (!solved) return { loadCase: c, inPlane, outOfPlane };
  const all = { loadCase: c, inPlane, outOfPlane: { ...outOfPlane, tensions: solved.tensions }, solved };
  const friction = heldByFriction(r, solved.press, inPlane);
  return friction ? { ...all, inPlane: lessFriction(inPlane, friction), friction } : all;
}
