import type { TurnAsked, TURN_ENDS } from '@core/formats/instrument-messages';

/** A pull of the wrench as it is heard: points of angle and torque, and how it ends. */
export interface Turned {
  readonly points: readonly (readonly [angle: number, torque: number])[];
  readonly ended: (typeof TURN_ENDS)[number];
  readonly says: string;
}

/** Points of a turn that goes as it should; degrees between two at the least. */
const POINTS = 40;
const FINEST = 0.2;
/** How far the hand goes past the click. */
const PAST = 0.02;
const NOISE = 0.006;
const MOST_POINTS = 380;

/** Torque over angle by each fault, for x degrees past snug. T0: what it has; k: N·mm for a degree; T: the target. */
const LAWS: Readonly<Record<TurnAsked['fault'], (x: number, T0: number, k: number, T: number) => number>> = {
  none: straight,
  overshoot: straight,
  'low battery': straight,
  'link lost': straight,
  'wrench slips': straight,
  'cross thread': (x, T0, k) => T0 + 3.4 * k * x,
  'soft joint': (x, T0, k) => T0 + 0.3 * k * x,
  yield: (x, T0, k, T) => {
    const at = Math.max(T0, 0.85 * T);
    const bend = (at - T0) / k;
    return x <= bend ? T0 + k * x : at + 0.08 * k * (x - bend);
  },
  stripped: (x, T0, k, T) => {
    const at = Math.max(T0, 0.6 * T);
    const bend = (at - T0) / k;
    return x <= bend ? T0 + k * x : Math.max(0.05 * T, at - 0.9 * k * (x - bend));
  },
};
function straight(x: number, T0: number, k: number): number {
  return T0 + k * x;
}

/** A wrench made of software pulls a bolt: run down to snug where it is loose, then as the law of its fault. `random` from 0 to 1. */
export function turnedBy({ target, from, slope, fault }: TurnAsked, random: () => number): Turned {
  if (fault === 'low battery')
    return { points: [], ended: 'low battery', says: 'low battery: nothing was read; change the cell and pull again' };
  const law = LAWS[fault];
  const noisy = (T: number) => Math.max(0, T + (random() + random() - 1) * NOISE * target);
  const points: [number, number][] = [];
  const free = from < 0.02 * target ? 18 : 0;
  for (let a = 0; a < free; a += 3) points.push([a, noisy(0.012 * target)]);
  const end = fault === 'overshoot' ? 1.22 * target : (1 + PAST * random()) * target;
  const step = Math.max(FINEST, (target - from) / slope / POINTS);
  for (let x = 0; points.length < MOST_POINTS; x += step) {
    const T = law(x, Math.max(from, free > 0 ? 0.012 * target : from), slope, target);
    if (fault === 'wrench slips' && T > 0.55 * target)
      return { points: [...points, [free + x, noisy(T)], [free + x + 0.2, 0]], ended: 'let go', says: 'the wrench came off' };
    if (fault === 'link lost' && T > 0.5 * target)
      return { points, ended: 'link lost', says: 'the wrench is not heard any more' };
    // What no longer rises is given up after a third of a turn.
    if ((fault === 'yield' || fault === 'stripped') && x > (target / slope) * 2 + 60)
      return { points, ended: 'let go', says: 'let go before the click' };
    points.push([free + x, noisy(Math.min(T, end))]);
    if (T >= end) break;
  }
  return { points, ended: 'clicked', says: '' };
}
