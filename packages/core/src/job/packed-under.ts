import type { Point } from '../geometry/points';
import { isRefusal } from '../units/refusal';
import { packersFor, surfaceOf } from './packers';
import type { Job } from './schema';

/** Height made up under the plate at each bolt, mm: the joint's packer or spacer, and the shim that was measured there. */
export function packedUnder(job: Job): (bolt: Point & { readonly id: string }) => number {
  const { packing, packer } = job.joint;
  const all = packing === 'none' ? 0 : packer.v;
  const { shims } = job.survey;
  const surface = surfaceOf(shims);
  if (isRefusal(surface)) return () => all;
  const shim = new Map(packersFor(job.bolts.items, shims, surface).map((p) => [p.id, p.thickness]));
  return (b) => all + (shim.get(b.id) ?? 0);
}
