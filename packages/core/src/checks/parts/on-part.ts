import type { WorkingPart } from '../../job/working-part';
import type { Loaded } from '../demand/demand';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';

const F = formula('F', 'c·sqrt(F_x² + F_y² + F_z²)', 'N');
const M_0 = formula('M_0', 'c·sqrt(M_x² + M_y² + M_z²)', 'N·mm');

/** What of the case one piece takes, whatever its direction: its part of the whole force, and of the whole moment. N, N·mm. */
export function onPart(part: WorkingPart, s: Loaded, w: Working): { readonly F: number; readonly M: number } {
  const { fx, fy, fz, mx, my, mz } = s.loadCase;
  const c = part.works.carries;
  const pinned = part.works.as === 'arm' && part.works.pinned === true;
  return {
    F: w.of(F, { c, F_x: fx, F_y: fy, F_z: fz }, 'its part of the whole force, in the worst direction (safe)'),
    M: pinned ? 0 : w.of(M_0, { c, M_x: mx, M_y: my, M_z: mz }, 'its part of the moment at the datum'),
  };
}
