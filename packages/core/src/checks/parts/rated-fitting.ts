import type { Resolved } from '../../job/resolve';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { notApplicable, outcome, worst, type Check, type Outcome } from '../check';
import type { Loaded } from '../demand/demand';

const F = formula('F', 'c·sqrt(F_x² + F_y² + F_z²)', 'N');
const WLL = formula('WLL_β', 'k_β·WLL', 'N');

/** What is left of a rating by how far the pull leans from the axis: as DIN 580 rates eye bolts and riggers derate bow shackles. */
const LEFT: readonly (readonly [upTo: number, part: number])[] = [
  [5, 1],
  [45, 0.7],
  [90, 0.5],
];

type One = Resolved['rated'][number];

function judged(x: One, s: Loaded, w: Working): Outcome {
  const { fx, fy, fz } = s.loadCase;
  const force = w.of(F, { c: x.carries, F_x: fx, F_y: fy, F_z: fz });
  const whole = Math.hypot(fx, fy, fz);
  if (whole < 1e-9) return outcome(0, x.wll, 'N', x.name);
  const along = { x: fx, y: fy, z: fz }[x.axis];
  // An eye bolt is pulled, never pushed; a shackle swings and takes either way along.
  const cos = (x.kind === 'eye bolt' ? along : Math.abs(along)) / whole;
  const β = (Math.acos(Math.max(-1, Math.min(1, cos))) * 180) / Math.PI;
  const part = x.kind === 'other' ? (β <= 5 ? 1 : 0) : (LEFT.find(([upTo]) => β <= upTo + 1e-6)?.[1] ?? 0);
  w.found('β', β, '°', 'between its axis and the pull');
  w.found('k_β', part, '–', part > 0 ? 'DIN 580; bow shackles by common practice' : 'it is not rated that way');
  const at = part > 0 ? `${x.name}, ${β.toFixed(0)}° off its axis` : `${x.name}, pulled a way it is not rated`;
  return outcome(force, part * x.wll > 0 ? w.of(WLL, { k_β: part, WLL: x.wll }) : 0, 'N', at, [
    'as its maker rates it: inspected, screwed home to its shoulder, pin secured',
  ]);
}

/** Bought eye bolts, shackles and the like, by their rating and the way they are pulled. */
export const ratedFitting: Check = {
  id: 'rated-fitting',
  name: 'Rated fitting',
  element: 'base',
  withoutBolts: true,
  says: 'An eye bolt, shackle or other rated fitting must be within its rating, the way it is pulled.',
  why: 'A rating is for a straight pull. An eye bolt pulled across bends like a nail, a shackle pulled across its bow spreads: half of the rating is left, and pushed, none.',
  source:
    'Ratings by their makers; DIN 580 (ISO 3266): 100 % along, 70 % to 45°, 50 % to 90° (memory); bow shackles the same (common practice)',
  range: 'The factored load against the working load limit (safe in limit states); other fittings along their axis only',
  evaluate(r, s, w) {
    if (r.rated.length === 0) return notApplicable('no rated fitting is written down');
    return worst(r.rated, w, (x, _k, w) => judged(x, s, w));
  },
};
