import type { Point } from '../geometry/points';
import { holesAt } from '../job/bolt-holes';
import type { Bolt, Job } from '../job/schema';
import type { Quantity } from '../units/quantity';

const found = (v: number): Quantity => {
  const rounded = Number(v.toFixed(6));
  return { v: rounded, text: `${rounded} mm`, from: 'measured' };
};

/**
 * The holes of a bolt whose hole in the plate was drawn out by `off` (mm, as found less as drawn): a slot about the bolt’s place as
 * drawn, as long to both sides. A hole that is a slot already grows by what lies along it, and gets wider by what lies across.
 */
export function slotTo(job: Job, bolt: Bolt, off: Point): NonNullable<Bolt['holes']> {
  const { plate, slot } = holesAt(job, bolt);
  const long = Math.hypot(off.x, off.y);
  if (!slot) return { ...bolt.holes, slot: found(plate + 2 * long), turn: halfTurn(Math.atan2(off.y, off.x)) };
  const along = Math.abs(off.x * Math.cos(slot.turn) + off.y * Math.sin(slot.turn));
  const across = Math.abs(off.y * Math.cos(slot.turn) - off.x * Math.sin(slot.turn));
  return { ...bolt.holes, plate: found(plate + 2 * across), slot: found(slot.long + 2 * (along + across)) };
}

/** A slot points both ways: its turn within ±90°. */
const halfTurn = (a: number): number => (a > Math.PI / 2 ? a - Math.PI : a <= -Math.PI / 2 ? a + Math.PI : a);
