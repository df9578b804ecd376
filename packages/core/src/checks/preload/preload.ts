import type { Resolved } from '../../job/resolve';
import { proofOf } from '../../stock/bolt-proof';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';

const F_V = formula('F_V', 'ν·S_p·A_s', 'N');

/** Preload a bolt is tightened to, N: the job's part of its proof load. */
export const preloadOf = (r: Resolved, w: Working): number =>
  w.of(F_V, { ν: r.job.joint.preload.v, S_p: proofOf(r.grade.id, r.d), A_s: r.As }, 'part of the proof load the job asks for');

/** Clamped thickness between head and nut, mm: what the bolt stretches over. */
export function clampOf(r: Resolved, i: number): number {
  const { packing, packer } = r.job.joint;
  const base = r.bolts[i]!.throughBase ? r.baseThickness : 0;
  const far = r.far.height + (r.far.kind === 'plate' ? r.size.washer.thickness : 0);
  const between = packing === 'none' ? 0 : packer.v;
  return r.size.washer.thickness + base + r.plateThickness * r.plateLayers + between + r.skinThickness + far;
}
