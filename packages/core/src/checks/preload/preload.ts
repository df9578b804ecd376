import type { Resolved } from '../../job/resolve';
import { proofOf } from '../../stock/bolt-proof';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';

const F_V = formula('F_V', 'ν·S_p·A_s', 'N');

/** Preload a bolt is tightened to, N: the job's part of its proof load. */
export const preloadOf = (r: Resolved, w: Working): number =>
  w.of(F_V, { ν: r.joint.preload, S_p: proofOf(r.grade.id, r.d), A_s: r.As }, 'part of the proof load the job asks for');
