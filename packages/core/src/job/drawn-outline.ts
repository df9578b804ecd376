import * as z from 'zod';
import { CORNERS } from '../geometry/outline';
import { rangedNumber as number } from '../units/quantity';
import { RANGES } from './ranges';

/** Most corners of one ring, and most openings. */
export const MAX_CORNERS = 200;
const MAX_OPENINGS = 20;
/** Half a circle is 1; more than most of one is no edge. */
const bulge = z.number().gte(-10, 'allowed: −10 to 10').lte(10, 'allowed: −10 to 10');
const Ring = z
  .array(
    z.strictObject({
      x: number(RANGES.position),
      y: number(RANGES.position),
      make: z.enum(CORNERS),
      size: number(RANGES.corner),
      /** Of the edge to the next: tan of a quarter of its arc, 0 straight, 1 a half circle outwards. */
      bulge,
    }),
  )
  .min(2, `allowed: 2 to ${MAX_CORNERS} corners`)
  .max(MAX_CORNERS, `allowed: 2 to ${MAX_CORNERS} corners`);
export const DrawnOutline = z.strictObject({
  corners: Ring,
  openings: z.array(Ring).max(MAX_OPENINGS, `allowed: up to ${MAX_OPENINGS} openings`),
});
