import { left, type Point } from '../geometry/points';
import { rayToEdge, type Region } from '../geometry/region';
import type { PlacedBolt } from '../job/resolve';
import type { BoltShear } from '../sharing/in-plane';
import { bearingOf } from '../stock/hole-kinds';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { outcome, type Outcome } from './check';

/** Distances that decide bearing at one bolt when it presses its plate towards unit direction u. mm, Infinity where there is none. */
export interface BearingPlace {
  readonly e1: number;
  readonly e2: number;
  readonly p1: number;
  readonly p2: number;
}

/** Neighbours within 45° of the force count as pitch p1, the rest as gauge p2. No region for a skin without near edges. */
export function bearingPlace(bolts: readonly Point[], bolt: Point, u: Point, region?: Region): BearingPlace {
  let p1 = Infinity;
  let p2 = Infinity;
  for (const o of bolts) {
    if (o === bolt) continue;
    const dx = o.x - bolt.x;
    const dy = o.y - bolt.y;
    const ahead = dx * u.x + dy * u.y;
    const aside = Math.abs(dy * u.x - dx * u.y);
    if (Math.abs(ahead) < aside) p2 = Math.min(p2, Math.hypot(dx, dy));
    else if (ahead > 0) p1 = Math.min(p1, Math.hypot(dx, dy));
  }
  if (!region) return { e1: Infinity, e2: Infinity, p1, p2 };
  const side = left(u);
  return {
    e1: rayToEdge(region, bolt, u),
    e2: Math.min(rayToEdge(region, bolt, side), rayToEdge(region, bolt, { x: -side.x, y: -side.y })),
    p1,
    p2,
  };
}

export interface BearingParts {
  readonly d: number;
  readonly d0: number;
  readonly t: number;
  readonly fu: number;
  readonly fub: number;
  readonly gamma: number;
  /** Part that its hole leaves: 1 normal, 0.8 oversize, 0.6 across a slot (EN 1993-1-8 Tab. 3.4 notes 1). */
  readonly hole: number;
}

const ALPHA_B = formula('α_b', 'min(e_1/(3·d_0), p_1/(3·d_0) − 0.25, f_ub/f_u, 1)', '–');
const K_1 = formula('k_1', 'min(2.8·e_2/d_0 − 1.7, 1.4·p_2/d_0 − 1.7, 2.5)', '–');
const F_BRD = formula('F_b.Rd', 'k_h·k_1·α_b·f_u·d·t/γ', 'N');

/** EN 1993-1-8 Tab. 3.4, bearing with end and edge distance, N. Not below 0 where edges are too near. */
export function bearingEN(place: BearingPlace, x: BearingParts, w: Working): number {
  const put = { e_1: place.e1, e_2: place.e2, p_1: place.p1, p_2: place.p2, d_0: x.d0, f_u: x.fu, f_ub: x.fub };
  const α_b = Math.max(0, w.of(ALPHA_B, put));
  const k_1 = Math.max(0, w.of(K_1, put));
  return w.of(F_BRD, { k_h: x.hole, k_1, α_b, f_u: x.fu, d: x.d, t: x.t, γ: x.gamma });
}

const L_C = formula('l_c', 'min(e_1 − d_0/2, p_1 − d_0)', 'mm');
const R_N = formula('R_n', 'min(1.2·l_c·t·f_u, 2.4·d·t·f_u)', 'N');
/** Long slots across the force (§J3.10(b)). */
const R_N_SLOT = formula('R_n', 'min(1.0·l_c·t·f_u, 2.0·d·t·f_u)', 'N');
const R_D = formula('R_d', 'R_n/γ', 'N');

/** AISC 360-16 §J3.10, bearing and tear-out where hole deformation matters, N. Oversize holes lose by l_c alone. */
export function bearingAISC(place: BearingPlace, x: BearingParts, w: Working): number {
  const lc = w.of(L_C, { e_1: place.e1, p_1: place.p1, d_0: x.d0 });
  const Rn = w.of(x.hole < bearingOf('oversize') ? R_N_SLOT : R_N, { l_c: Math.max(0, lc), t: x.t, d: x.d, f_u: x.fu });
  return w.of(R_D, { R_n: Rn, γ: x.gamma });
}

/** One bolt in one part. */
export interface Pressing {
  readonly rules: 'EN' | 'AISC';
  readonly bolts: readonly PlacedBolt[];
  readonly bolt: PlacedBolt;
  /** Force on the bolt, N. */
  readonly force: BoltShear;
  /** −1 where the metal behind the hole is pressed, as in a part carried with the load. */
  readonly pressed: 1 | -1;
  /** The part's outline; none for a skin without near edges. */
  readonly region?: Region;
  readonly parts: BearingParts;
}

/** Places along the axes, of each bolt in each part: the same in every case. */
const known = new WeakMap<PlacedBolt, Map<Region | undefined, Map<number, BearingPlace>>>();

function placeAlong({ bolts, bolt, region }: Pressing, u: Point): BearingPlace {
  if (u.x !== 0 && u.y !== 0) return bearingPlace(bolts, bolt, u, region);
  let parts = known.get(bolt);
  if (!parts) known.set(bolt, (parts = new Map()));
  let ways = parts.get(region);
  if (!ways) parts.set(region, (ways = new Map()));
  const key = 2 * u.x + u.y;
  let place = ways.get(key);
  if (!place) ways.set(key, (place = bearingPlace(bolts, bolt, u, region)));
  return place;
}

/**
 * A bolt judged along its own force and, as EN 1993-1-8 Tab. 3.4 note 3 has it, by each component against its own distances: the
 * worst of the three, so that a force added across never makes it better.
 */
export function bearingBothWays(x: Pressing, w: Working): Outcome {
  const { bolt, force, pressed } = x;
  const resist = (u: Point, w: Working) => (x.rules === 'EN' ? bearingEN : bearingAISC)(placeAlong(x, u), x.parts, w);
  const unit = force.total || 1;
  const ways = [
    { demand: force.total, u: { x: (pressed * force.x) / unit, y: (pressed * force.y) / unit }, along: 'its force' },
    { demand: Math.abs(force.x), u: { x: Math.sign(pressed * force.x), y: 0 }, along: 'x' },
    { demand: Math.abs(force.y), u: { x: 0, y: Math.sign(pressed * force.y) }, along: 'y' },
  ].filter((o) => o.demand > 1e-9);
  if (ways.length === 0) {
    w.found('F_b.Ed', 0, 'N', `${bolt.id} is not pressed sideways`);
    return outcome(0, Math.max(resist({ x: 1, y: 0 }, w), 1e-9), 'N', bolt.id);
  }
  const judged = ways.map((o) => ({ ...o, capacity: resist(o.u, SILENT) }));
  const worst = judged.reduce((a, o) => (o.demand * a.capacity > a.demand * o.capacity ? o : a));
  if (!w.recording) return outcome(worst.demand, worst.capacity, 'N', bolt.id);
  for (const o of judged)
    if (o !== worst) w.found('η', o.demand / o.capacity, '–', `for comparison, ${bolt.id} along ${o.along}; not the worst`);
  const how =
    worst.along === 'its force' ? 'along its force: see Bolt shear' : `component along ${worst.along} (Tab. 3.4 note 3)`;
  w.found('F_b.Ed', worst.demand, 'N', `${bolt.id}, ${how}`);
  return outcome(worst.demand, resist(worst.u, w), 'N', bolt.id);
}

const SILENT = new Working(false);
