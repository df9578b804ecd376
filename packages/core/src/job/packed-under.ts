import { isRefusal } from '../units/refusal';
import { packersFor, surfaceOf } from './packers';
import type { Job } from './schema';

/** Height made up under the plate at each bolt, mm: its own packer or spacer, else the joint's, and the shim that was measured there. */
export function packedUnder(job: Job): (bolt: Job['bolts']['items'][number]) => number {
  const { packing, packer } = job.joint;
  const all = packing === 'none' ? 0 : packer.v;
  const { shims } = job.survey;
  const surface = surfaceOf(shims);
  const own = (b: Job['bolts']['items'][number]) => b.packed?.v ?? all;
  if (isRefusal(surface)) return own;
  const shim = new Map(packersFor(job, surface).map((p) => [p.id, p.thickness]));
  return (b) => own(b) + (shim.get(b.id) ?? 0);
}
