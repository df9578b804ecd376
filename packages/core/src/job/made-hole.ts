import * as z from 'zod';
import type { Point } from '../geometry/points';
import { id } from '../loads/schema';
import { quantity, rangedNumber as number, type Plain } from '../units/quantity';
import { slotRun } from './bolt-holes';
import { RANGES } from './ranges';

export const HOLE_PURPOSES = ['fastener', 'base', 'locating', 'eye', 'pilot', 'relief', 'access', 'lightening', 'drain'] as const;

/** A hole of a part, round or a slot, and what it is for. */
export const MadeHole = z.strictObject({
  id,
  x: number(RANGES.position),
  y: number(RANGES.position),
  /** Diameter, or width of a slot. */
  d: quantity(RANGES.ownHole),
  purpose: z.enum(HOLE_PURPOSES),
  /** Whole length of a slot, and its turn from x to y, rad. */
  slot: quantity(RANGES.slotLong).optional(),
  turn: number(RANGES.slotTurn).optional(),
});
export type MadeHole = z.infer<typeof MadeHole>;

/** A hole as it is cut, mm. */
export interface HoleCut extends Point {
  readonly id: string;
  readonly d: number;
  readonly slot?: { readonly long: number; readonly turn: number };
  readonly purpose: (typeof HOLE_PURPOSES)[number];
}

export const holeCut = ({ id, x, y, d, purpose, slot, turn }: Plain<MadeHole>): HoleCut => ({
  id,
  x,
  y,
  d,
  purpose,
  ...(slot ? { slot: { long: slot, turn: turn ?? 0 } } : {}),
});

/** Centres of a hole's round ends; twice its own where it is round. */
export function endsOf(h: Pick<HoleCut, 'x' | 'y' | 'd' | 'slot'>): readonly [Point, Point] {
  const run = slotRun({ plate: h.d, ...(h.slot ? { slot: h.slot } : {}) });
  return [
    { x: h.x + run.x, y: h.y + run.y },
    { x: h.x - run.x, y: h.y - run.y },
  ];
}
