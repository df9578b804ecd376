import { areaMoments, clip, cornersOf } from '../geometry/polygons';
import { centroid, dot, length, principalSpread, scale, type Point, type Rect } from '../geometry/points';
import { refuse, type Refusal } from '../units/refusal';

/**
 * A rigid base on an elastic bed: the bed pushes only under the base, bolts only pull.
 * Lift w(x, y) = w0 + θx·y − θy·x. Bolt force E_b·A_s·w/L where w > 0; bed pressure E_c·(−w)/L where w < 0, with the
 * same length L, so only the ratio n = E_b/E_c matters, as in a cracked section: the biaxial form of the elastic
 * base-plate method (Blodgett, Design of Welded Structures §3.3, from memory).
 * The active set is found by Newton steps on the convex energy; each step's integrals are exact.
 */
export interface OutOfPlane {
  /** Tension in each bolt, N, in the order given; 0 where it is slack. */
  readonly tensions: readonly number[];
  /** Push down what stands round each bolt, N; 0 where nothing does. */
  readonly pushes: readonly number[];
  /** Part of the base that presses, as a polygon; empty where it lifts clear. */
  readonly pressed: readonly Point[];
  /** Largest pressure, MPa, at a corner of `pressed`, and where. */
  readonly peak: number;
  readonly peakAt: Point;
  /** Total push of the bed, N. */
  readonly push: number;
  /** Left over in equilibrium relative to the load, dimensionless. */
  readonly residual: number;
}

export interface Bed {
  readonly base: Rect;
  readonly bolts: readonly Point[];
  /** E_b·A_s, N. */
  readonly boltStiffness: number;
  /** Part of it that what lies between base and bolt leaves each; all of it where left out. */
  readonly left?: readonly number[];
  /** E_c, MPa. */
  readonly bedModulus: number;
  readonly inLine: boolean;
  /** On an even bed where left out. At the bolts what stands round each presses where it does not pull, and nothing else touches. */
  readonly stands?: 'on a bed' | 'at bolts' | 'either way';
}

type Vec3 = [number, number, number];
/** Symmetric 3 × 3 as [00, 01, 02, 11, 12, 22]. */
type Sym3 = [number, number, number, number, number, number];

const LIMIT = 60;
const TOLERANCE = 1e-10;

export function shareOutOfPlane(bed: Bed, fz: number, mx: number, my: number): OutOfPlane | Refusal {
  const size = Math.abs(fz) + (Math.abs(mx) + Math.abs(my)) / Math.max(bed.base.x1 - bed.base.x0, bed.base.y1 - bed.base.y0);
  if (size < 1e-9) return { ...nothingPressed(bed.bolts), tensions: bed.bolts.map(() => 0), residual: 0 };
  const load: Vec3 = [fz, mx, my];
  if (bed.stands === 'at bolts') {
    const hinge = bed.inLine ? takeOutHinge(bed, load) : undefined;
    return hinge ?? onBoth(bed, load);
  }
  const corners = cornersOf(bed.base);
  // Start from everything engaged, bolts and whole bed, so the first step always has a stiffness.
  const engaged = stiffnessOf(
    bed,
    bed.bolts.map(() => true),
    corners,
  );
  let u = solve(engaged, load);
  if (!u) return mechanism();
  for (let k = 0; k < LIMIT; k++) {
    const active = bed.bolts.map((b) => lift(u!, b) > 0);
    const tangent = stiffnessOf(bed, active, pressedPart(corners, u));
    const f = times(tangent, u);
    const off = minus(load, f);
    // On the way too little may be engaged to hold anything; a share of full engagement then gives a step downhill.
    const change = solve(tangent, off) ?? solve(sum(tangent, engaged, PARTLY), off);
    if (!change) return mechanism();
    u = along(u, change, reach(bed, corners, u, change, load));
    const r = residualOf(bed, corners, u, load);
    if (r < TOLERANCE) return heldByHelp(bed, u, load) ? mechanism() : result(bed, corners, u, r);
  }
  const r = residualOf(bed, corners, u, load);
  return r < 1e-6 && !heldByHelp(bed, u, load) ? result(bed, corners, u, r) : mechanism();
}

const nothingPressed = (bolts: readonly Point[]) => ({
  pushes: bolts.map(() => 0),
  pressed: [],
  peak: 0,
  peakAt: { x: 0, y: 0 },
  push: 0,
});

/** Bolts pull and what stands round them presses, so the group is elastic: F_i = k·(w0 + θ × r_i), alike both ways (statics). */
function onBoth(bed: Bed, load: Vec3): OutOfPlane | Refusal {
  const k = stiffnessOf(
    bed,
    bed.bolts.map(() => true),
    [],
  );
  const u = solve(k, load);
  if (!u) return mechanism();
  const forces = bed.bolts.map((b, i) => stiffnessAt(bed, i) * lift(u, b));
  return {
    ...nothingPressed(bed.bolts),
    tensions: forces.map((f) => Math.max(0, f)),
    pushes: forces.map((f) => Math.max(0, -f)),
    push: forces.reduce((sum, f) => sum + Math.max(0, -f), 0),
    residual: 0,
  };
}

const PARTLY = 1e-3;
const along = (u: Vec3, d: Vec3, t: number): Vec3 => [u[0] + t * d[0], u[1] + t * d[1], u[2] + t * d[2]];
const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot3 = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const sum = (a: Sym3, b: Sym3, t: number): Sym3 => a.map((v, i) => v + t * b[i]!) as Sym3;

function mechanism(): Refusal {
  return refuse(
    'bolts.items',
    'the base can rock free: no set of bolts and bearing balances this case',
    'bolts on both sides of the line the case turns about',
  );
}

/**
 * Supports in one line cannot hold a moment about that line, as nothing else touches: under a base that lies on, its edge presses.
 * Refuses one; what is below rounding is taken out of the load, so that the free rotation stays at rest.
 */
function takeOutHinge(bed: Bed, load: Vec3): Refusal | undefined {
  const { direction } = principalSpread(bed.bolts);
  const c = centroid(bed.bolts);
  const atLine: Point = { x: load[1] - c.y * load[0], y: load[2] + c.x * load[0] };
  const single = bed.bolts.length === 1;
  const about = single ? atLine : scale(direction, dot(atLine, direction));
  if (length(about) > 1e-6 * (Math.hypot(load[1], load[2]) + Math.abs(load[0]))) {
    const what = single ? 'there is one bolt' : 'all bolts stand in one line';
    return refuse(
      'bolts.items',
      `${what}, and this case turns the base about it (${Math.round(length(about) / 1000)} N·m): a hinge`,
      'bolts in two rows at least, across the moment',
    );
  }
  load[1] -= about.x;
  load[2] -= about.y;
  return undefined;
}

/** Holds the rotation that bolts in one line leave free where the base lifts clear; what it carries of the load is none. */
const SOFT = 1e-7;
const softOf = (bed: Bed): number =>
  bed.inLine ? SOFT * bed.boltStiffness * (bed.base.x1 - bed.base.x0) * (bed.base.y1 - bed.base.y0) : 0;

/** Whether what holds it is no more than that help: then nothing does. */
function heldByHelp(bed: Bed, u: Vec3, load: Vec3): boolean {
  const arm = Math.max(bed.base.x1 - bed.base.x0, bed.base.y1 - bed.base.y0);
  return softOf(bed) * Math.hypot(u[1], u[2]) > 1e-4 * (Math.hypot(load[1], load[2]) + Math.abs(load[0]) * arm);
}

const stiffnessAt = (bed: Bed, i: number): number => bed.boltStiffness * (bed.left?.[i] ?? 1);
const lift = (u: Vec3, p: Point) => u[0] + u[1] * p.y - u[2] * p.x;

function pressedPart(corners: readonly Point[], u: Vec3): Point[] {
  return clip(corners, { a: u[2], b: -u[1], c: -u[0] });
}

/** ∬ of (1, y, −x)·(1, y, −x)ᵀ over the pressed polygon times E_c, plus the pulling bolts. */
function stiffnessOf(bed: Bed, active: readonly boolean[], pressed: readonly Point[]): Sym3 {
  const m = areaMoments(pressed);
  const c = bed.bedModulus;
  const k: Sym3 = [c * m.A, c * m.Sy, -c * m.Sx, c * m.Iyy, -c * m.Ixy, c * m.Ixx];
  bed.bolts.forEach((b, i) => {
    if (!active[i]) return;
    const s = stiffnessAt(bed, i);
    k[0] += s;
    k[1] += s * b.y;
    k[2] -= s * b.x;
    k[3] += s * b.y * b.y;
    k[4] -= s * b.x * b.y;
    k[5] += s * b.x * b.x;
  });
  const soft = softOf(bed);
  k[3] += soft;
  k[5] += soft;
  return k;
}

function times(k: Sym3, u: Vec3): Vec3 {
  return [
    k[0] * u[0] + k[1] * u[1] + k[2] * u[2],
    k[1] * u[0] + k[3] * u[1] + k[4] * u[2],
    k[2] * u[0] + k[4] * u[1] + k[5] * u[2],
  ];
}

/** Cholesky of the 3 × 3 scaled by its diagonal; undefined where it is not positive definite. */
function solve(k: Sym3, f: Vec3): Vec3 | undefined {
  if (!(k[0] > 0 && k[3] > 0 && k[5] > 0)) return undefined;
  const s: Vec3 = [1 / Math.sqrt(k[0]), 1 / Math.sqrt(k[3]), 1 / Math.sqrt(k[5])];
  const a = k[1] * s[0] * s[1];
  const b = k[2] * s[0] * s[2];
  const c = k[4] * s[1] * s[2];
  const d1 = 1 - a * a;
  if (d1 < 1e-12) return undefined;
  const l11 = Math.sqrt(d1);
  const l21 = (c - a * b) / l11;
  const d2 = 1 - b * b - l21 * l21;
  if (d2 < 1e-12) return undefined;
  const l22 = Math.sqrt(d2);
  const y0 = f[0] * s[0];
  const y1 = (f[1] * s[1] - a * y0) / l11;
  const y2 = (f[2] * s[2] - b * y0 - l21 * y1) / l22;
  const z2 = y2 / l22;
  const z1 = (y1 - l21 * z2) / l11;
  const z0 = y0 - a * z1 - b * z2;
  return [z0 * s[0], z1 * s[1], z2 * s[2]];
}

function forcesOf(bed: Bed, corners: readonly Point[], u: Vec3): Vec3 {
  return times(
    stiffnessOf(
      bed,
      bed.bolts.map((b) => lift(u, b) > 0),
      pressedPart(corners, u),
    ),
    u,
  );
}

/**
 * How far to go along `d`: to where the energy stops falling, found by its slope, which keeps its figures where the
 * energy itself no longer changes. The energy is convex, so the slope only rises; a step much too short is lengthened,
 * as where the base swings free on one row of bolts until the next row catches it.
 */
function reach(bed: Bed, corners: readonly Point[], u: Vec3, d: Vec3, load: Vec3): number {
  const slopeAt = (t: number) => dot3(minus(forcesOf(bed, corners, along(u, d, t)), load), d);
  const good = Math.abs(slopeAt(0)) / 2;
  let [short, far] = [0, Infinity];
  let t = 1;
  for (let k = 0; k < LIMIT; k++) {
    const slope = slopeAt(t);
    if (Math.abs(slope) <= good) return t;
    if (slope < 0) short = t;
    else far = t;
    t = far === Infinity ? 2 * t : (short + far) / 2;
  }
  return t;
}

function residualOf(bed: Bed, corners: readonly Point[], u: Vec3, load: Vec3): number {
  const f = forcesOf(bed, corners, u);
  const arm = Math.max(bed.base.x1 - bed.base.x0, bed.base.y1 - bed.base.y0);
  const size = Math.abs(load[0]) + (Math.abs(load[1]) + Math.abs(load[2])) / arm;
  return (Math.abs(f[0] - load[0]) + (Math.abs(f[1] - load[1]) + Math.abs(f[2] - load[2])) / arm) / size;
}

function result(bed: Bed, corners: readonly Point[], u: Vec3, residual: number): OutOfPlane {
  const pressed = pressedPart(corners, u);
  let peak = 0;
  let peakAt: Point = { x: 0, y: 0 };
  for (const p of pressed) {
    const pressure = -bed.bedModulus * lift(u, p);
    if (pressure > peak) [peak, peakAt] = [pressure, p];
  }
  const m = areaMoments(pressed);
  const push = -bed.bedModulus * (u[0] * m.A + u[1] * m.Sy - u[2] * m.Sx);
  const tensions = bed.bolts.map((b, i) => Math.max(0, stiffnessAt(bed, i) * lift(u, b)));
  return { tensions, pushes: bed.bolts.map(() => 0), pressed, peak, peakAt, push, residual };
}
