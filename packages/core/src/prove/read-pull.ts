import type { RESULTS, Sample } from './log-entry';
import { bandAt, DIAL, type CurvePoint } from './predicted-curve';

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
/** Load lost by this part of the most it had, within so many seconds, before the hold was done: nobody lets off so (common practice). */
const LOST = 0.3;
const AT_ONCE = 2;

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
  const last = samples.at(-1);
  const off = mostLoad > OFF * limits.load && last !== undefined && last.load <= OFF * limits.load;
  const set = off ? last.dials.map((d, i) => d - (samples[0]!.dials[i] ?? 0)) : undefined;
  const means = out.length > 0 ? meansOf(up, curve, out[0]!, moved) : creep(atFull, moved, curve);
  const base = {
    mostLoad,
    mostMoved,
    outside: out.length,
    ...(out[0] ? { first: out[0] } : {}),
    means,
    ...(set ? { set } : {}),
  };
  const verdict = resultOf(
    {
      ...base,
      held: timeAt(samples, FULL * limits.load),
      lost: lostAt(samples, limits),
      left: set ? mostLeft(samples, set, limits) : undefined,
      // Nothing that is held to a curve stands still.
      still: peakReached && mostMoved <= Math.max(DIAL, full.least),
      off,
      peakReached,
      ended,
      loadedFirst: (samples[0]?.load ?? 0) > OFF * limits.load,
    },
    limits,
  );
  return { ...base, ...verdict };
}

/** Seconds between samples that both stand at the load, added up: what the load fell off in between is no hold. */
export const timeAt = (samples: readonly Sample[], load: number): number =>
  samples.reduce((sum, s, i) => {
    const before = samples[i - 1];
    return before && before.load >= load && s.load >= load ? sum + s.t - before.t : sum;
  }, 0);

/** The load that was lost at once before the hold was done, N: something broke or slipped. */
function lostAt(samples: readonly Sample[], { load, holdSeconds }: PullLimits): number | undefined {
  let held = 0;
  let from = 0;
  let most = samples[0]?.load ?? 0;
  for (let i = 1; i < samples.length; i++) {
    const [before, s] = [samples[i - 1]!, samples[i]!];
    if (Math.min(before.load, s.load) >= FULL * load) held += s.t - before.t;
    while (from < i - 1 && s.t - samples[from]!.t > AT_ONCE) from++;
    let high = 0;
    if (s.t - before.t <= AT_ONCE) for (let k = from; k < i; k++) high = Math.max(high, samples[k]!.load);
    if (high >= FULL * load && held + 1e-9 >= holdSeconds) return undefined;
    if (most > LOST * load && high - s.load > LOST * most) return high;
    most = Math.max(most, s.load);
  }
  return undefined;
}

interface Left {
  readonly dial: number;
  readonly set: number;
  readonly limit: number;
}

/** The dial with most left on it against what may be: each by how far it went itself. */
function mostLeft(samples: readonly Sample[], set: readonly number[], limits: PullLimits): Left {
  const all = set.map((v, dial): Left => {
    const went = samples.reduce((m, s) => Math.max(m, Math.abs((s.dials[dial] ?? 0) - (samples[0]!.dials[dial] ?? 0))), 0);
    return { dial, set: v, limit: limits.setLimit(went) };
  });
  return all.reduce(
    (a, b) => (Math.abs(b.set) - b.limit > Math.abs(a.set) - a.limit ? b : a),
    all[0] ?? { dial: 0, set: 0, limit: 0 },
  );
}

type Shown = Pick<PullRead, 'mostLoad' | 'mostMoved' | 'first' | 'means' | 'set'> & {
  /** s at full load. */
  readonly held: number;
  /** N before it fell off at once. */
  readonly lost: number | undefined;
  readonly left: Left | undefined;
  /** At full load, and the dial has not moved. */
  readonly still: boolean;
  readonly off: boolean;
  readonly peakReached: boolean;
  readonly ended: boolean;
  /** Under load when it was read first. */
  readonly loadedFirst: boolean;
};

/** The worst that was shown, first. */
function resultOf(p: Shown, limits: PullLimits): Pick<PullRead, 'result' | 'because'> {
  const as = (result: PullRead['result'], because: string) => ({ result, because });
  if (p.loadedFirst) return as('aborted', 'the first reading was under load: nothing was read at rest, so the dial has no zero');
  if (p.mostLoad > limits.mostLoad) return as('aborted', 'the load went past its limit');
  if (p.first) return as('failed', `it left the band at ${Math.round(p.first.load)} N by ${Math.abs(p.first.by).toFixed(2)} mm`);
  if (p.means !== '') return as('failed', p.means);
  if (p.still)
    return as('failed', `the dial has not moved at full load: it sticks, or stands on nothing that moves; set it anew`);
  if (p.lost !== undefined)
    return as(
      'failed',
      `the load fell off at once at ${Math.round((100 * p.lost) / limits.load)} %, held ${Math.round(p.held)} s of ${limits.holdSeconds} s: something broke or slipped, or it was let go; look`,
    );
  if (p.left && Math.abs(p.left.set) > p.left.limit) {
    const { dial, set, limit } = p.left;
    const on = dial > 0 ? ` on dial ${dial + 1}` : '';
    return as('failed', `${set.toFixed(2)} mm is left${on} with the load off, ${limit.toFixed(2)} mm may be`);
  }
  if (p.off && p.peakReached && p.held + 1e-9 < limits.holdSeconds)
    return as('failed', `held ${Math.round(p.held)} s of ${limits.holdSeconds} s`);
  if (p.off && p.peakReached) return as('passed', 'inside the band, held, and nothing left that matters');
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

/** What it went on by at full load, less what the load itself went on by. */
function creep(atFull: readonly Sample[], moved: (s: Sample) => number, curve: readonly CurvePoint[]): string {
  if (atFull.length < 3) return '';
  const [first, last] = [atFull[0]!, atFull.at(-1)!];
  if (last.t - first.t < 5) return '';
  const pumped = bandAt(curve, last.load).expected / bandAt(curve, first.load).expected;
  const crept = moved(last) - moved(first) * pumped;
  return crept > Math.max(0.03, CREEP * curve.at(-1)!.expected)
    ? `it crept ${crept.toFixed(2)} mm under a load that stood still: core, glue or wood gives; take the load off`
    : '';
}
