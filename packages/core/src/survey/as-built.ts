import type { Critical, Survey } from '../job/survey';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';

export const PLACES = ['left', 'right', 'fore', 'aft'] as const;
export type PlaceName = (typeof PLACES)[number];

/** One critical dimension as it was found. mm. */
export interface AsBuilt {
  readonly id: string;
  readonly name: string;
  /** Measured less nominal at each place that was measured. */
  readonly off: Readonly<Partial<Record<PlaceName, number>>>;
  /** Places out of tolerance. */
  readonly out: readonly PlaceName[];
  /** Left less right, fore less aft, where both were measured. */
  readonly sides?: number;
  readonly ends?: number;
  /** Only one of two sides was measured: the other is being taken as equal. */
  readonly oneSided?: readonly [measured: PlaceName, taken: PlaceName];
}

/** Measured against nominal, side against side. `pair`: the job has a left and a right. */
export function asBuilt(c: Critical, pair: boolean): AsBuilt {
  const off: Partial<Record<PlaceName, number>> = {};
  for (const p of PLACES) if (c[p]) off[p] = c[p].v - c.nominal.v;
  const measured = Object.keys(off) as PlaceName[];
  const between = (a: PlaceName, b: PlaceName) => (c[a] && c[b] ? c[a].v - c[b].v : undefined);
  const sides = between('left', 'right');
  const ends = between('fore', 'aft');
  const lone = (a: PlaceName, b: PlaceName): readonly [PlaceName, PlaceName] | undefined =>
    c[a] && !c[b] ? [a, b] : c[b] && !c[a] ? [b, a] : undefined;
  const oneSided = (pair ? lone('left', 'right') : undefined) ?? lone('fore', 'aft');
  return {
    id: c.id,
    name: c.name,
    off,
    out: measured.filter((p) => Math.abs(off[p]!) > c.tolerance.v + 1e-9),
    ...(sides === undefined ? {} : { sides }),
    ...(ends === undefined ? {} : { ends }),
    ...(oneSided ? { oneSided } : {}),
  };
}

// Law of cosines at both corners of a parallelogram with sides a, b: d_1² − d_2² = 4ab·cos(γ).
const SKEW = formula('k', '(d_1² − d_2²)/(4·a·b)', '–');

/** Out of square from the two diagonals of a rectangle of sides a and b. rad off 90°, and mm over the longer side. */
export interface OutOfSquare {
  readonly angle: number;
  /** How far the far end of the longer side is off, mm. */
  readonly over: number;
  readonly steps: readonly Step[];
}

/** From diagonals: rising runs aft-starboard to fore-port. Undefined where they cannot belong to such sides. */
export function outOfSquare(rising: number, falling: number, a: number, b: number): OutOfSquare | undefined {
  const w = new Working(true);
  const k = w.of(SKEW, { d_1: rising, d_2: falling, a, b }, 'law of cosines at both corners of a parallelogram');
  if (Math.abs(k) >= 1) return undefined;
  w.found('δ', Math.asin(k) * (180 / Math.PI), '°', 'asin k: off square, acute at aft-starboard where positive');
  const rad = Math.asin(k);
  return {
    angle: rad,
    over: w.found('o', Math.max(a, b) * Math.tan(Math.abs(rad)), 'mm', 'longer side × tan δ'),
    steps: w.steps,
  };
}

/** Dimensions where one side was measured and the other is being taken as equal. */
export const oneSidedOf = (survey: Survey): AsBuilt[] =>
  survey.log.map((c) => asBuilt(c, survey.sides === 'pair')).filter((c) => c.oneSided);
