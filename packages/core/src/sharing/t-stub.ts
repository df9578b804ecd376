import { dot, left, sub, type Point } from '../geometry/points';
import { clearBeside } from '../geometry/clear-beside';
import { rayToEdge } from '../geometry/region';
import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { heldNearest, type HeldAt } from './held-edges';

/** One side of a bolt along the base edge: half way to a neighbour in its row, or the plate's end. */
export interface Side {
  readonly to: 'neighbour' | 'end';
  /** Pitch to the neighbour, or end distance e_1; mm. */
  readonly gap: number;
}

/** Where a bolt outside the base bends the plate: half a T-stub. m = b, e = a of AISC; mm. */
export interface StubPlace {
  readonly m: number;
  readonly e: number;
  readonly sides: readonly [Side, Side];
  /** An edge or an opening stands between it and the base: there is no strip. */
  readonly broken: boolean;
}

const places = new WeakMap<Resolved['bolts'][number], StubPlace>();

/** The plate round bolt i, which stands outside the base; found once for a layout. */
export function stubPlace(r: Resolved, i: number): StubPlace {
  const b = r.bolts[i]!;
  let known = places.get(b);
  if (!known) places.set(b, (known = placeOf(r, b)));
  return known;
}

/** Bent from where the base holds it nearest; half way between two such places, as the one that leaves less of the plate has it. */
const placeOf = (r: Resolved, b: Resolved['bolts'][number]): StubPlace =>
  heldNearest(r, b)
    .map((at) => bentFrom(r, b, at))
    .reduce((one, other) => (leaves(other, one) < 0 ? other : one));

/** Which of two places leaves less: a broken strip, then the narrower one, by both its sides or by the worse, then the nearer edge. */
function leaves(one: StubPlace, other: StubPlace): number {
  const [a, b] = [one, other].map(tributary);
  const steps = [
    Number(other.broken) - Number(one.broken),
    a![0] + a![1] - (b![0] + b![1]),
    Math.min(...a!) - Math.min(...b!),
    one.e - other.e,
  ];
  return steps.find((v) => Math.abs(v) > 1e-9) ?? 0;
}

function bentFrom(r: Resolved, b: Resolved['bolts'][number], { point, gap }: HeldAt): StubPlace {
  const out = { x: (b.x - point.x) / gap, y: (b.y - point.y) / gap };
  const along = left(out);
  // Seen from the bolt towards the base: what is to the left of the way out is to the right of the way in.
  const clear = clearBeside(r.region, b, { x: -out.x, y: -out.y }, gap);
  return {
    m: gap,
    e: rayToEdge(r.region, b, out),
    sides: [sideOf(r, b, along, gap, clear.right), sideOf(r, b, { x: -along.x, y: -along.y }, gap, clear.left)],
    broken: clear.left === 0 && clear.right === 0,
  };
}

/** Arcs are seen as chords: an edge nearer than the bolt's own by less than this part of it is the same edge. */
const SAME_EDGE = 0.01;

/** The nearest neighbour that stands about in line with the bolt along the base edge, or the plate's end; an opening or a waist beside the strip ends it too. */
function sideOf(r: Resolved, bolt: Point, u: Point, m: number, clear: number): Side {
  const pitch = r.bolts
    .filter((o) => o !== bolt)
    .map((o) => sub(o, bolt))
    .filter((v) => Math.abs(dot(v, left(u))) <= m && dot(v, u) > 1e-6)
    .reduce((least, v) => Math.min(least, dot(v, u)), Infinity);
  const beside = rayToEdge(r.region, bolt, u);
  const end = clear < (1 - SAME_EDGE) * beside ? clear : beside;
  return pitch / 2 < end ? { to: 'neighbour', gap: pitch } : { to: 'end', gap: end };
}

/** Plate that goes with the bolt on each side, mm: half the pitch, or all to the end. */
export const tributary = ({ sides }: Pick<StubPlace, 'sides'>): readonly [number, number] => {
  const own = (s: Side) => (s.to === 'neighbour' ? s.gap / 2 : s.gap);
  return [own(sides[0]), own(sides[1])];
};

const MODULI = { cantilever: 3, level: 12 } as const;

/**
 * How much of its bolt's stiffness the plate leaves, 0 to 1: the strip between base edge and bolt gives before the bolt stretches.
 * 6·E·I/m³, between a cantilever (3) and a strip held level at the bolt (12); bolt E·A_s/(l + 0.9·d). 1 for a bolt through the base.
 */
export function leftByPlate(r: Resolved): readonly number[] {
  let known = found.get(r);
  if (!known) found.set(r, (known = leftAtEach(r)));
  return known;
}
const found = new WeakMap<Resolved, readonly number[]>();

const leftAtEach = (r: Resolved): readonly number[] =>
  r.bolts.map((b, i) => {
    if (b.throughBase) return 1;
    const place = stubPlace(r, i);
    // By hand such a job is refused; its bolts are shared as if the plate gave nothing.
    if (place.broken) return 1;
    const [one, two] = tributary(place);
    const wide = Math.min(one, 2 * place.m) + Math.min(two, 2 * place.m);
    const I = (wide * r.plateLayers * r.plateThickness ** 3) / 12;
    const strip = (Math.sqrt(MODULI.cantilever * MODULI.level) * r.plateMetal.E * I) / place.m ** 3;
    const plies = r.plateThickness * r.plateLayers + b.packed + r.skinThickness + atBolt(r, i).far.height;
    const at = atBolt(r, i);
    const bolt = (at.grade.E * at.As) / (plies + 0.9 * at.d);
    return strip / (strip + bolt);
  });
