import type { Resolved } from '../../job/resolve';
import { lasting } from '../../job/factors';
import { usualDuration, type LoadCase } from '../../loads/load-case';
import { share, standsOff } from '../../sharing/share';
import type { Solved } from '../../sharing/solved';
import { isRefusal, type Refusal } from '../../units/refusal';
import { asSolved } from './as-solved';
import { byHand } from './by-hand';
import type { Loaded } from './demand';
import { lowered } from '../../geometry/vector';

/** A job under one counted case: as strong as it is for as long as the case lasts, with what the case puts on its links. */
export interface UnderLoad {
  readonly r: Resolved;
  readonly s: Loaded;
}

/** Shares a counted case and works out what it puts on the links: by hand, or by the solver's figures where they are given. */
export function loaded(job: Resolved, c: LoadCase, solved?: Solved): UnderLoad | Refusal {
  const r = lasting(job, c.duration ?? usualDuration(c.action));
  const shared = share(r, c, solved);
  if (isRefusal(shared)) return shared;
  return { r, s: { ...shared, demand: solved ? asSolved(r, solved) : byHand(r, shared) } };
}

/** The same shares on another skin: what bends and what presses there is worked out again by hand. */
export function sharedOn(view: Resolved, s: Loaded): Loaded {
  const midSkin = lowered(s.loadCase, standsOff(view) + view.skinThickness / 2);
  const shared = { ...s, midSkin };
  return { ...shared, demand: byHand(view, shared) };
}
