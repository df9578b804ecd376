import { collinear } from '../geometry/points';
import type { LoadCase } from '../loads/load-case';
import { eachKind } from '../job/of-kind';
import { weldedOnly, type Resolved } from '../job/resolve';
import { isRefusal, type Refusal } from '../units/refusal';
import { baseBolts } from './base-bolts';
import { shareInPlane, type BoltShear, type InPlane } from './in-plane';
import { shareOutOfPlane, type Bed, type OutOfPlane } from './out-of-plane';
import { leftByPlate } from './t-stub';
import { alongStiffness, axialParts } from './unlike-bolts';
import { heldByFriction, lessFriction, type Friction } from './friction';
import type { Solved } from './solved';
import { lowered } from '../geometry/vector';
import { onSpacers, standsAtBolts } from '../job/stands-at-bolts';

/** What each bolt and the bed get from one factored case. */
export interface Shared {
  /** At the datum, on the plate's face under the base. */
  readonly loadCase: LoadCase;
  /** The same on the skin's face, and in the skin's middle plane: V tips the joint by what it stands above it. */
  readonly onSkin: LoadCase;
  readonly midSkin: LoadCase;
  /** Of all bolts together, where the plate slides on the structure. */
  readonly inPlane: InPlane;
  /** Of the base's own bolts alone, where the base slides on the plate; none where it has none. */
  readonly ofBase?: OfBase;
  /** What each bolt gets sideways, N: the more of the two. */
  readonly shears: readonly BoltShear[];
  /** What each bolt is pulled by, of a base's own bolts the more of both too. */
  readonly outOfPlane: OutOfPlane;
  /** What friction takes before the bolts do, where the job counts it; the shears of all together are what is left. */
  readonly friction?: Friction;
}

/** What comes to the bolts that hold the base itself. */
export interface OfBase {
  /** Which they are, in the order of the joint. */
  readonly bolts: readonly number[];
  /** In that order. */
  readonly inPlane: InPlane;
}

/** Place among the base's own bolts of one that gets more from its base than as one of all; −1 where it does not. */
export function byItsBase({ inPlane, ofBase }: Pick<Shared, 'inPlane' | 'ofBase'>, i: number): number {
  if (!ofBase || ofBase.bolts.length === inPlane.shears.length) return -1;
  const k = ofBase.bolts.indexOf(i);
  return k >= 0 && ofBase.inPlane.shears[k]!.total > inPlane.shears[i]!.total ? k : -1;
}

/** Height of the plate's face above the skin, mm: its plates, and what is packed under them, the mean of the bolts. */
export const standsOff = (r: Pick<Resolved, 'plateThickness' | 'plateLayers' | 'bolts'>): number =>
  r.plateThickness * r.plateLayers + r.bolts.reduce((sum, b) => sum + b.packed, 0) / Math.max(1, r.bolts.length);

/** Of some answers the worst at each bolt; the bed as in the first. */
const worstOf = ([first, ...others]: readonly [OutOfPlane, ...OutOfPlane[]]): OutOfPlane => {
  const most = (key: 'tensions' | 'pushes') => first[key].map((v, i) => Math.max(v, ...others.map((o) => o[key][i]!)));
  return others.length === 0 ? first : { ...first, tensions: most('tensions'), pushes: most('pushes') };
};

/**
 * A plate that bends hands more to the bolts next to the base, and less to those at its corners: each bolt gets the worse of a stiff
 * plate and of one that gives strip by strip.
 */
function orBending(r: Resolved, bed: Bed, stiff: OutOfPlane, c: LoadCase): OutOfPlane {
  if ([...stiff.tensions, ...stiff.pushes].every((f) => f === 0)) return stiff;
  const left = leftByPlate(r);
  const [least, most] = [Math.min(...left), Math.max(...left)];
  if (most - least < 1e-6) return stiff;
  const bends = eitherWay({ ...bed, left: left.map((v, i) => v * (bed.left?.[i] ?? 1)) }, c);
  return isRefusal(bends) ? stiff : worstOf([stiff, bends]);
}

/** Where the plate stands on packers at its bolts that are thin: on those alone, and on all that is under it, the worse at each bolt. */
function eitherWay(bed: Bed, c: LoadCase): OutOfPlane | Refusal {
  if (bed.stands !== 'either way') return shareOutOfPlane(bed, c.fz, c.mx, c.my);
  const onAll = shareOutOfPlane({ ...bed, stands: 'on a bed' }, c.fz, c.mx, c.my);
  if (isRefusal(onAll)) return onAll;
  const atBolts = shareOutOfPlane({ ...bed, stands: 'at bolts' }, c.fz, c.mx, c.my);
  // Packers in one line hold nothing about it: then the base comes down on its edge.
  return isRefusal(atBolts) ? onAll : worstOf([onAll, atBolts]);
}

/** As a stiff plate or as one that bends, on what it stands on. */
function onItsBed(r: Resolved, bed: Bed, c: LoadCase): OutOfPlane | Refusal {
  const stiff = eitherWay(bed, c);
  return isRefusal(stiff) ? stiff : orBending(r, bed, stiff, c);
}

/** Nothing is shared where welds alone hold the plate: each group takes all of the case. */
function byWelds(r: Resolved, c: LoadCase): Shared {
  const h = standsOff(r);
  const inPlane: InPlane = { shears: [], centre: { x: 0, y: 0 }, polar: 0, torsion: 0 };
  const shears: BoltShear[] = [];
  const outOfPlane: OutOfPlane = {
    tensions: [],
    pushes: [],
    pressed: [],
    peak: 0,
    peakAt: { x: 0, y: 0 },
    push: 0,
    residual: 0,
  };
  return { loadCase: c, onSkin: lowered(c, h), midSkin: lowered(c, h + r.skinThickness / 2), inPlane, shears, outOfPlane };
}

/** Some of the joint's bolts by themselves. */
const among = <T>(all: readonly T[] | undefined, bolts: readonly number[]): readonly T[] | undefined =>
  all && bolts.map((i) => all[i]!);

/** The same bed under the base, with the base's own bolts alone. */
function bedOfBase(bed: Bed, own: readonly number[]): Bed {
  const bolts = among(bed.bolts, own)!;
  const left = among(bed.left, own);
  return { ...bed, bolts, inLine: collinear(bolts), ...(left ? { left } : {}) };
}

/** Of both answers what is worse at each bolt and on the bed. */
function worseOf(all: OutOfPlane, alone: OutOfPlane, own: readonly number[]): OutOfPlane {
  const more = (key: 'tensions' | 'pushes') =>
    all[key].map((v, i) => (own.includes(i) ? Math.max(v, alone[key][own.indexOf(i)]!) : v));
  const bed = alone.peak > all.peak ? alone : all;
  return { ...bed, tensions: more('tensions'), pushes: more('pushes'), push: Math.max(all.push, alone.push) };
}

/** Shares a factored case between the bolts and the bed. `solved`: what the spread solver found of it, for the friction it takes. */
export function share(r: Resolved, c: LoadCase, solved?: Solved): Shared | Refusal {
  if (weldedOnly(r)) return byWelds(r, c);
  const along = alongStiffness(r);
  const inPlane = shareInPlane(r.bolts, c.fx, c.fy, c.mz, along);
  if (isRefusal(inPlane)) return inPlane;
  const h = standsOff(r);
  const onSkin = lowered(c, h);
  const { base, bolts, bedModulus, allInLine: inLine } = r;
  const stands = onSpacers(r) ? 'at bolts' : standsAtBolts(r) ? 'either way' : 'on a bed';
  const parts = axialParts(r);
  const boltStiffness = Math.max(...eachKind(r).map((k) => k.grade.E * k.As));
  const bed: Bed = { base, bolts, boltStiffness, bedModulus, inLine, stands, ...(parts ? { left: parts } : {}) };
  const outOfPlane = onItsBed(r, bed, onSkin);
  if (isRefusal(outOfPlane)) return outOfPlane;
  const own = baseBolts(r);
  const alone = ownBolts(own, { bed, inPlane, outOfPlane, along }, c, onSkin);
  if (isRefusal(alone)) return alone;
  const friction = solved && heldByFriction(r, solved.press, inPlane);
  const slid = friction ? lessFriction(inPlane, friction) : inPlane;
  const all = {
    loadCase: c,
    onSkin,
    midSkin: lowered(c, h + r.skinThickness / 2),
    inPlane: slid,
    shears: slid.shears,
    outOfPlane,
    ...(friction ? { friction } : {}),
  };
  if (!alone) return all;
  const both = { ...all, ofBase: alone.ofBase, outOfPlane: worseOf(outOfPlane, alone.outOfPlane, own) };
  const shears = slid.shears.map((v, i) => {
    const k = byItsBase(both, i);
    return k < 0 ? v : alone.ofBase.inPlane.shears[k]!;
  });
  return { ...both, shears };
}

/** All of a case on the bolts that hold the base: what all bolts get, where they are all. */
function ownBolts(
  own: readonly number[],
  all: { bed: Bed; inPlane: InPlane; outOfPlane: OutOfPlane; along: readonly number[] | undefined },
  c: LoadCase,
  onSkin: LoadCase,
): { ofBase: OfBase; outOfPlane: OutOfPlane } | Refusal | undefined {
  if (own.length === 0) return undefined;
  const { bed, along } = all;
  if (own.length === bed.bolts.length) return { ofBase: { bolts: own, inPlane: all.inPlane }, outOfPlane: all.outOfPlane };
  const inPlane = shareInPlane(among(bed.bolts, own)!, c.fx, c.fy, c.mz, among(along, own));
  if (isRefusal(inPlane)) return { ...inPlane, because: `of the base’s own bolts, ${inPlane.because}` };
  const outOfPlane = eitherWay(bedOfBase(bed, own), onSkin);
  if (isRefusal(outOfPlane)) return { ...outOfPlane, because: `of the base’s own bolts, ${outOfPlane.because}` };
  return { ofBase: { bolts: own, inPlane }, outOfPlane };
}
