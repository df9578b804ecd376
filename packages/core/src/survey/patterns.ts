import type { Job } from '../job/schema';
import type { Pattern, Side } from '../job/survey';
import { fastenerSize } from '../stock/fasteners';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { fitPattern, mirrorFits, suspectHole, type PatternFit, type Suspect } from './fit-pattern';
import { meetingOf, type HolePattern, type Meeting } from './meeting';

/** The fitting's and the structure's pattern of one side, laid on each other. */
export interface SideStudy {
  readonly side: Side;
  readonly fitting?: Pattern;
  readonly structure?: Pattern;
  readonly d: number;
  /** The structure's measured pattern on the fitting's. */
  readonly fit?: PatternFit | Refusal;
  /** A mirror image that lies better. */
  readonly mirror?: PatternFit;
  readonly suspect?: Suspect;
  readonly meeting?: Meeting | Refusal;
}

export const patternOf = (job: Job, of: Pattern['of'], side: Side): Pattern | undefined =>
  job.survey.patterns.find((p) => p.of === of && p.side === side);

export const asHoles = (p: Pattern): HolePattern => ({ holes: p.holes, hole: p.hole.v, slot: p.slot.v, along: p.along });

/** Everything about one side's two patterns, for the job's own bolt. */
export function studySide(job: Job, side: Side): SideStudy {
  const fitting = patternOf(job, 'fitting', side);
  const structure = patternOf(job, 'structure', side);
  const d = fastenerSize(job.bolts.size)?.d ?? 0;
  if (!fitting || !structure) return { side, d, ...(fitting ? { fitting } : {}), ...(structure ? { structure } : {}) };
  const both = { side, d, fitting, structure };
  if (fitting.holes.length === 0 || structure.holes.length === 0)
    return { ...both, fit: refuse('pattern', 'one of the two has no holes yet', 'holes in both') };
  const fit = fitPattern(structure.holes, fitting.holes);
  if (isRefusal(fit)) return { ...both, fit };
  const mirror = mirrorFits(structure.holes, fitting.holes);
  const suspect = suspectHole(structure.holes, fitting.holes);
  return {
    ...both,
    fit,
    ...(mirror ? { mirror } : {}),
    ...(suspect ? { suspect } : {}),
    meeting: meetingOf(asHoles(fitting), asHoles(structure), d),
  };
}

/** The two sides of the structure against each other: the right mirrored on the left. Undefined where one is missing. */
export function sideToSide(job: Job, of: Pattern['of']): PatternFit | Refusal | undefined {
  const [left, right] = [patternOf(job, of, 'left'), patternOf(job, of, 'right')];
  if (!left || !right || left.holes.length === 0 || right.holes.length === 0) return undefined;
  const straight = fitPattern(right.holes, left.holes);
  const mirrored = fitPattern(right.holes, left.holes, true);
  if (isRefusal(straight) || isRefusal(mirrored)) return mirrored;
  return mirrored.rms <= straight.rms ? mirrored : straight;
}

/** The one hole of a side that the other side does not agree with. */
export function suspectAcross(job: Job, of: Pattern['of']): Suspect | undefined {
  const fit = sideToSide(job, of);
  if (!fit || isRefusal(fit)) return undefined;
  return suspectHole(patternOf(job, of, 'right')!.holes, patternOf(job, of, 'left')!.holes, fit.move.mirrored);
}
