import { farHeightOf } from '@core/job/outlines';
import type { Bolt, Job } from '@core/job/schema';

/** Heights of the stack from the plate's near face down, mm. */
export interface Levels {
  /** Bottom of the plates. */
  readonly plate: number;
  /** Top and bottom of the skin. */
  readonly skin: number;
  readonly under: number;
  /** Bottom of what the thread or the nut sits at: one wall of a section that is bolted through one, else the skin. */
  readonly wall: number;
  /** The face nuts are turned against: of the backing, or of the skin itself. */
  readonly far: number;
}

/** The stack at one bolt, `packed` mm made up under the plate there. */
export function levelsOf(job: Job, packed = job.joint.packing === 'none' ? 0 : job.joint.packer.v): Levels {
  const plate = job.plate.thickness.v * job.plate.layers;
  const skin = plate + packed;
  const under = skin + job.skin.thickness.v;
  const wall = job.skin.kind === 'hollow' ? skin + job.skin.wall.v : under;
  const held = job.skin.kind === 'hollow' && job.skin.through === 'one wall' ? wall : under;
  return { plate, skin, under: held, wall, far: held + farHeightOf(job.far) };
}

/** Whether the cut through a bolt's row meets the base, and the bolt goes through it. */
export const inBaseRow = (job: Job, bolt: Bolt | undefined): boolean =>
  bolt !== undefined && Math.abs(bolt.y) <= job.base.width.v / 2;
export const throughBase = (job: Job, bolt: Bolt): boolean => inBaseRow(job, bolt) && Math.abs(bolt.x) <= job.base.length.v / 2;
