import type { RESULTS, Sample } from './log-entry';
import { bandAt, type CurvePoint } from './predicted-curve';

/** What a pull showed against its curve. Loads N, movements mm. */
export interface PullRead {
  readonly mostLoad: number;
  readonly mostMoved: number;
  /** Samples outside the band, on the way up and at hold. */
  readonly outside: number;
  /** The first sample outside it. */
  readonly first?: { readonly load: number; readonly moved: number; readonly by: number };
  /** In words, what it may mean; empty where it stayed inside. */
  readonly means: string;
  /** Left on each dial with the load off; undefined until it is. */
  readonly set?: readonly number[];
  readonly result: (typeof RESULTS)[number] | 'under way';
  readonly because: string;
}

export interface PullLimits {
  readonly load: number;
  readonly mostLoad: number;
  readonly holdSeconds: number;
  readonly setLimit: (moved: number) => number;
}

/** The load is off below this part of the proof load. */
const OFF = 0.05;
/** On the full load within this (load cell and hand). */
const FULL = 0.98;
/** A jump in one sample by this part of what is expected at full load is a slip. */
const JUMP = 0.15;
/** Creep at a steady load beyond this part of what it moved. */
const CREEP = 0.05;

/** Reads samples in the order they came; the first dial is the one the curve is of. */
export function readPull(samples: readonly Sample[], curve: readonly CurvePoint[], limits: PullLimits, ended = false): PullRead {
  const full = curve.at(-1)!;
  const zero = samples[0]?.dials[0] ?? 0;
  const moved = (s: Sample) => (s.dials[0] ?? NaN) - zero;
  let top = -1;
  samples.forEach((s, i) => {
    if (top < 0 || s.load >= samples[top]!.load) top = i;
  });
  const mostLoad = samples[top]?.load ?? 0;
  const peakReached = mostLoad >= FULL * limits.load;
  // What comes back is not held to the curve: friction and set lie between.
  const lastUp = samples.reduce((at, s, i) => (s.load >= FULL * mostLoad ? i : at), -1);
  const up = samples.slice(0, lastUp + 1);
  const out = up.flatMap((s) => {
    const band = bandAt(curve, s.load);
    const m = moved(s);
    const by = m > band.most ? m - band.most : m < band.least ? m - band.least : 0;
    return by !== 0 ? [{ load: s.load, moved: m, by }] : [];
  });
  const mostMoved = up.reduce((m, s) => Math.max(m, moved(s)), 0);
  const atFull = samples.filter((s) => s.load >= FULL * limits.load);
  const held = atFull.length > 1 ? atFull.at(-1)!.t - atFull[0]!.t : 0;
  const last = samples.at(-1);
  const off = peakReached && last !== undefined && last.load <= OFF * limits.load;
  const set = off ? last.dials.map((d, i) => d - (samples[0]!.dials[i] ?? 0)) : undefined;
  const means = out.length > 0 ? meansOf(up, curve, out[0]!, moved) : creep(atFull, moved, full.expected);
  const base = {
    mostLoad,
    mostMoved,
    outside: out.length,
    ...(out[0] ? { first: out[0] } : {}),
    means,
    ...(set ? { set } : {}),
  };
  const verdict = resultOf(
    { ...base, held, off, peakReached, ended, loadedFirst: (samples[0]?.load ?? 0) > OFF * limits.load },
    limits,
  );
  return { ...base, ...verdict };
}

type Shown = Pick<PullRead, 'mostLoad' | 'mostMoved' | 'first' | 'means' | 'set'> & {
  readonly held: number;
  readonly off: boolean;
  readonly peakReached: boolean;
  readonly ended: boolean;
  /** Under load when it was read first. */
  readonly loadedFirst: boolean;
};

/** The worst that was shown, first. */
function resultOf(p: Shown, limits: PullLimits): Pick<PullRead, 'result' | 'because'> {
  const limit = limits.setLimit(p.mostMoved);
  const as = (result: PullRead['result'], because: string) => ({ result, because });
  if (p.loadedFirst) return as('aborted', 'the first reading was under load: nothing was read at rest, so the dial has no zero');
  if (p.mostLoad > limits.mostLoad) return as('aborted', 'the load went past its limit');
  if (p.first) return as('failed', `it left the band at ${Math.round(p.first.load)} N by ${Math.abs(p.first.by).toFixed(2)} mm`);
  if (p.means !== '') return as('failed', p.means);
  if (p.set && Math.abs(p.set[0] ?? 0) > limit)
    return as('failed', `${p.set[0]!.toFixed(2)} mm is left with the load off, ${limit.toFixed(2)} mm may be`);
  if (p.off && p.held + 1e-9 < limits.holdSeconds) return as('failed', `held ${Math.round(p.held)} s of ${limits.holdSeconds} s`);
  if (p.off) return as('passed', 'inside the band, held, and nothing left that matters');
  if (!p.ended) return as('under way', '');
  const reached = `only ${Math.round((100 * p.mostLoad) / limits.load)} % of the proof load was reached`;
  return as('aborted', p.peakReached ? 'the load is not off: what is left is not known' : reached);
}

/** What leaving the band may mean, by how it left. */
function meansOf(
  up: readonly Sample[],
  curve: readonly CurvePoint[],
  first: { readonly load: number; readonly by: number },
  moved: (s: Sample) => number,
): string {
  const full = curve.at(-1)!;
  if (first.by < 0)
    return 'stiffer than it can be: the dial sticks or does not stand on what moves, the load cell is not in the line of pull, or it is held elsewhere too';
  const excess = up.map((s, i) => {
    const before = up[i - 1];
    if (!before) return 0;
    return moved(s) - moved(before) - (bandAt(curve, s.load).expected - bandAt(curve, before.load).expected);
  });
  // A jump stands out from what went before it; what bends over grows bit by bit.
  const jump = excess.some((e, i) => e > JUMP * full.expected && e > 3 * Math.abs(excess[i - 1] ?? 0));
  if (jump) return 'a jump: a slip in the holes or of the dial, a crack, or glue that let go; take the load off and look';
  if (first.load < 0.4 * full.load)
    return 'too soft from the start: a bearer or skin softer than taken, bolts not tight, a gap or packing under the plate, or another grip than drawn';
  return 'too soft toward the end: something yields, crushes or tears; take the load off and look for what is left';
}

function creep(atFull: readonly Sample[], moved: (s: Sample) => number, expected: number): string {
  if (atFull.length < 3) return '';
  const [first, last] = [atFull[0]!, atFull.at(-1)!];
  if (last.t - first.t < 5) return '';
  const crept = moved(last) - moved(first);
  return crept > Math.max(0.03, CREEP * expected)
    ? `it crept ${crept.toFixed(2)} mm under a load that stood still: core, glue or wood gives; take the load off`
    : '';
}
