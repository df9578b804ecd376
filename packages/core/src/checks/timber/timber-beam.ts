import { centreOf, heightOf, widthOf } from '../../geometry/rects';
import type { Resolved } from '../../job/resolve';
import type { Refusal } from '../../units/refusal';
import { notApplicable, SHARED_MEMBER, type NotApplicable } from '../check';
import type { Loaded } from '../demand/demand';
import { endsFree, loadedPatch } from '../demand/panel';

/** Timber as a beam along its grain: its span, from the bearer behind to what presses or pulls, and no wider than that; mm. */
export interface TimberBeam {
  readonly L: number;
  readonly a: number;
  readonly w: number;
}

/** Panel and patch along the grain, from the bearer behind. */
function alongGrain(r: Resolved, grain: 'x' | 'y'): TimberBeam {
  const patch = loadedPatch(r);
  const c = centreOf(patch);
  return grain === 'x'
    ? { L: widthOf(r.panel), a: c.x - r.panel.x0, w: heightOf(patch) }
    : { L: heightOf(r.panel), a: c.y - r.panel.y0, w: widthOf(patch) };
}

/** The timber between its bearers under a case, or why it is no beam. */
export function timberBeam(r: Resolved, s: Loaded): TimberBeam | NotApplicable | Refusal {
  const skin = r.substrate;
  if (!r.timber || skin.kind !== 'timber') return notApplicable('the skin is not timber');
  const no = endsFree(r, skin.grain === 'x' ? ['aft', 'fore'] : ['starboard', 'port'], 'a plank is held at both ends');
  if (no) return no;
  const beam = alongGrain(r, skin.grain);
  if (beam.a <= 0 || beam.a >= beam.L) return notApplicable('the plate’s middle is over a bearer');
  return s.loadCase.beside ? SHARED_MEMBER : beam;
}

/** The way its grain runs. */
export const grainOf = (r: Resolved): 'x' | 'y' => (r.substrate.kind === 'timber' ? r.substrate.grain : 'x');
