import type { LoadCase } from '../loads/load-case';
import { eachKind } from '../job/of-kind';
import { weldedOnly, type Resolved } from '../job/resolve';
import { isRefusal, type Refusal } from '../units/refusal';
import { shareInPlane, type InPlane } from './in-plane';
import { shareOutOfPlane, type Bed, type OutOfPlane } from './out-of-plane';
import { leftByPlate } from './t-stub';
import { alongStiffness, axialParts } from './unlike-bolts';
import { heldByFriction, lessFriction, type Friction } from './friction';
import type { Solved } from './solved';
import { lowered } from '../geometry/vector';

/** What each bolt and the bed get from one factored case. */
export interface Shared {
  /** At the datum, on the plate's face under the base. */
  readonly loadCase: LoadCase;
  /** The same on the skin's face, and in the skin's middle plane: V tips the joint by what it stands above it. */
  readonly onSkin: LoadCase;
  readonly midSkin: LoadCase;
  readonly inPlane: InPlane;
  readonly outOfPlane: OutOfPlane;
  /** What friction takes before the bolts do, where the job counts it; the shears in `inPlane` are what is left. */
  readonly friction?: Friction;
}

/** Height of the plate's face above the skin, mm: its plates, and what is packed under them, the mean of the bolts. */
export const standsOff = (r: Pick<Resolved, 'plateThickness' | 'plateLayers' | 'bolts'>): number =>
  r.plateThickness * r.plateLayers + r.bolts.reduce((sum, b) => sum + b.packed, 0) / Math.max(1, r.bolts.length);

/**
 * A plate that bends hands more to the bolts next to the base, and less to those at its corners: each bolt gets the worse of a stiff
 * plate and of one that gives strip by strip.
 */
function orBending(r: Resolved, bed: Bed, stiff: OutOfPlane, c: LoadCase): OutOfPlane {
  if (bed.onSpacers || stiff.tensions.every((t) => t === 0)) return stiff;
  const left = leftByPlate(r);
  const [least, most] = [Math.min(...left), Math.max(...left)];
  if (most - least < 1e-6) return stiff;
  const bends = shareOutOfPlane({ ...bed, left: left.map((v, i) => v * (bed.left?.[i] ?? 1)) }, c.fz, c.mx, c.my);
  if (isRefusal(bends)) return stiff;
  return { ...stiff, tensions: stiff.tensions.map((t, i) => Math.max(t, bends.tensions[i]!)) };
}

/** Nothing is shared where welds alone hold the plate: each group takes all of the case. */
function byWelds(r: Resolved, c: LoadCase): Shared {
  const h = standsOff(r);
  const inPlane: InPlane = { shears: [], centre: { x: 0, y: 0 }, polar: 0, torsion: 0 };
  const outOfPlane: OutOfPlane = {
    tensions: [],
    pushes: [],
    pressed: [],
    peak: 0,
    peakAt: { x: 0, y: 0 },
    push: 0,
    residual: 0,
  };
  return { loadCase: c, onSkin: lowered(c, h), midSkin: lowered(c, h + r.skinThickness / 2), inPlane, outOfPlane };
}

/** Shares a factored case between the bolts and the bed. `solved`: what the spread solver found of it, for the friction it takes. */
export function share(r: Resolved, c: LoadCase, solved?: Solved): Shared | Refusal {
  if (weldedOnly(r)) return byWelds(r, c);
  const inPlane = shareInPlane(r.bolts, c.fx, c.fy, c.mz, alongStiffness(r));
  if (isRefusal(inPlane)) return inPlane;
  const h = standsOff(r);
  const onSkin = lowered(c, h);
  const { base, bolts, bedModulus, allInLine: inLine } = r;
  const onSpacers = r.joint.packing === 'spacers';
  const parts = axialParts(r);
  const boltStiffness = Math.max(...eachKind(r).map((k) => k.grade.E * k.As));
  const bed: Bed = { base, bolts, boltStiffness, bedModulus, inLine, onSpacers, ...(parts ? { left: parts } : {}) };
  const stiff = shareOutOfPlane(bed, onSkin.fz, onSkin.mx, onSkin.my);
  if (isRefusal(stiff)) return stiff;
  const outOfPlane = orBending(r, bed, stiff, onSkin);
  const all = { loadCase: c, onSkin, midSkin: lowered(c, h + r.skinThickness / 2), inPlane, outOfPlane };
  const friction = solved && heldByFriction(r, solved.press, inPlane);
  return friction ? { ...all, inPlane: lessFriction(inPlane, friction), friction } : all;
}
