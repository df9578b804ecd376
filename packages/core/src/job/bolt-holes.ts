import type { Point } from '../geometry/points';
import { fastenerSize } from '../stock/fasteners';
import { jobOfKind } from './fastener-kinds';
import type { OwnHoles } from './joint';
import type { Bolt, Job } from './schema';

/** The holes one bolt goes through, layer by layer, mm: where nothing is said, the clearance hole of its fit. */
export interface BoltHoles {
  /** Diameter in the plate, or width of its slot there. */
  readonly plate: number;
  /** Whole length of the slot, and its turn from fore to port, rad. */
  readonly slot?: { readonly long: number; readonly turn: number };
  readonly skin: number;
  readonly backing: number;
}

export function boltHoles(usual: number, own: OwnHoles | undefined): BoltHoles {
  const plate = own?.plate?.v ?? usual;
  const long = own?.slot?.v ?? 0;
  return {
    plate,
    ...(long > 0 ? { slot: { long, turn: own?.turn ?? 0 } } : {}),
    skin: own?.skin?.v ?? usual,
    backing: own?.backing?.v ?? usual,
  };
}

/** The holes of a bolt of the layout, for drawings. */
export function holesAt(job: Job, bolt: Bolt): BoltHoles {
  const { bolts } = jobOfKind(job, bolt.kind);
  return boltHoles(fastenerSize(bolts.size)?.hole[bolts.fit] ?? 10, bolt.holes);
}

/** Half of what a slot is longer than wide, as a vector from its middle to the centre of one of its round ends; 0 for a round hole. */
export function slotRun(h: Pick<BoltHoles, 'plate' | 'slot'>): Point {
  if (!h.slot) return { x: 0, y: 0 };
  const half = Math.max(0, h.slot.long - h.plate) / 2;
  return { x: half * Math.cos(h.slot.turn), y: half * Math.sin(h.slot.turn) };
}

/** How far a hole reaches in a direction from side to side, mm. */
export const holeAcross = (h: Pick<BoltHoles, 'plate' | 'slot'>, axis: 'x' | 'y'): number =>
  h.plate + 2 * Math.abs(slotRun(h)[axis]);

/** The most a hole is from side to side, whichever way, mm. */
export const holeMost = (h: Pick<BoltHoles, 'plate' | 'slot'>): number => Math.max(h.plate, h.slot?.long ?? 0);
