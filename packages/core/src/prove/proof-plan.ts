import type { Job } from '../job/schema';
import { casesOf } from '../loads/cases';
import { formatQuantity } from '../units/format-quantity';
import type { LoadCase } from '../loads/load-case';
import { refuse, type Refusal } from '../units/refusal';

/** What somebody chose to prove a job with. */
export interface ProofAsked {
  readonly caseId: string;
  /** Times the case as it comes, before factors. */
  readonly times: number;
  /** s at full load. */
  readonly holdSeconds: number;
  /** Dial gauge on the plate of the foot, mm from the base’s middle. */
  readonly dial: { readonly x: number; readonly y: number };
  /** A known weight is put on in place of a puller. */
  readonly by: 'puller' | 'known weight';
}

export interface LoadStep {
  /** Of the proof load. */
  readonly part: number;
  /** N. */
  readonly load: number;
  readonly holdSeconds: number;
  readonly says: string;
}

/** How a proof is run. N, mm, s. */
export interface ProofPlan {
  readonly loadCase: LoadCase;
  /** The force of the case as it comes, once. */
  readonly once: number;
  readonly load: number;
  /** kg, where it is a known weight. */
  readonly mass?: number;
  /** Unit vector, x forward, y to port, z up. */
  readonly direction: readonly [number, number, number];
  readonly directionWords: string;
  readonly steps: readonly LoadStep[];
  /** Nobody nearer than this to the line of pull, and to what may fly. */
  readonly standClear: number;
  /** Never beyond this load. */
  readonly mostLoad: number;
  /** What may be left on the dial. */
  readonly setLimit: (most: number) => number;
  readonly watch: readonly string[];
  readonly abort: readonly string[];
}

/** m/s². */
const G = 9.80665;
const PARTS = [0.25, 0.5, 0.75, 1] as const;
const STEP_HOLD = 30;
/** Load cell and hand overshoot: beyond it the pull is ended (common practice). */
const OVERSHOOT = 1.05;
/** A parted line comes back over its own length; nobody within it (common practice), 5 m at least. */
const CLEAR = 5000;
/** Permanent set: a tenth of what it moved, and what a dial cannot tell (common practice). */
const SET_PART = 0.1;
const SET_LEAST = 0.05;

export const PROOF_TIMES = { low: 0.05, high: 3 };

/** A plan of load steps from a case of the job; refused where the case has no force to pull with. */
export function proofPlan(job: Job, { caseId, times, holdSeconds, by }: ProofAsked): ProofPlan | Refusal {
  const loadCase = casesOf(job).find((c) => c.id === caseId);
  if (!loadCase) return refuse('case', 'there is no such case', 'a case of the job');
  if (!(times >= PROOF_TIMES.low && times <= PROOF_TIMES.high))
    return refuse('times', `${times} × the case`, `${PROOF_TIMES.low} to ${PROOF_TIMES.high}`);
  if (!(holdSeconds >= 0 && holdSeconds <= 3600)) return refuse('hold', `${holdSeconds} s`, '0 to 3600 s');
  const once = Math.hypot(loadCase.fx, loadCase.fy, loadCase.fz);
  if (once < 1)
    return refuse('case', `${loadCase.name} is a moment alone: a load cell has no force to read`, 'a case with a force in it');
  if (by === 'known weight' && loadCase.fz >= -0.9 * once)
    return refuse(
      'by',
      `${loadCase.name} does not press straight down: a weight cannot make it`,
      'a puller, or a case that presses down',
    );
  const load = once * times;
  const u = [loadCase.fx / once, loadCase.fy / once, loadCase.fz / once] as const;
  const parts = by === 'known weight' ? [1] : PARTS;
  const steps = parts.map((part): LoadStep => ({
    part,
    load: part * load,
    holdSeconds: part === 1 ? holdSeconds : STEP_HOLD,
    says: part === 1 ? 'hold; read the dial at the start and at the end of it' : 'hold, look, read the dial',
  }));
  return {
    loadCase,
    once,
    load,
    ...(by === 'known weight' ? { mass: load / G } : {}),
    direction: u,
    directionWords: directionWords(u),
    steps,
    standClear: CLEAR,
    mostLoad: OVERSHOOT * load,
    setLimit: (most) => Math.max(SET_LEAST, SET_PART * most),
    watch: [
      'the dial: it stands still while the load does',
      'plate and skin round the bolts: cracks, dents, paint that flakes',
      'washers and nuts: none turns, none sinks in',
      'welds and glue: no line opens',
      'the puller, its line and what it is fixed to',
    ],
    abort: [
      `the load reaches ${force(OVERSHOOT * load, job)}`,
      'the dial leaves its band',
      'it creeps at a load that stands still',
      'any noise, crack or slip',
      'anybody inside the line of pull',
    ],
  };
}

const force = (n: number, job: Job): string => formatQuantity(n, 'force', job.units);

/** "up, 20° forward": the way of the pull for a person who rigs it. */
export function directionWords([x, y, z]: readonly [number, number, number]): string {
  const flat = Math.hypot(x, y);
  const tilt = Math.round((Math.atan2(flat, Math.abs(z)) * 180) / Math.PI);
  const upright = z >= 0 ? 'up' : 'down';
  const along = [
    Math.abs(x) > 0.05 ? (x > 0 ? 'forward' : 'aft') : '',
    Math.abs(y) > 0.05 ? (y > 0 ? 'to port' : 'to starboard') : '',
  ]
    .filter(Boolean)
    .join(' and ');
  if (tilt < 3) return `straight ${upright}`;
  if (tilt > 87) return along;
  return `${upright}, leaning ${tilt}° ${along}`;
}
