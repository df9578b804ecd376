import * as z from 'zod';
import { id, name } from '../loads/schema';
import { quantity } from '../units/quantity';
import { RANGES } from './ranges';

/** A bought fitting the load hangs on, held to its maker's rating: it is not worked out, only asked which way it is pulled. */
export const Rated = z.strictObject({
  id,
  name,
  kind: z.enum(['eye bolt', 'shackle', 'other']),
  /** Working load limit straight along its axis. */
  wll: quantity(RANGES.wll),
  /** The way it stands in plate axes. */
  axis: z.enum(['x', 'y', 'z']),
  /** Part of the load that one takes. */
  carries: quantity(RANGES.part),
});
export type Rated = z.infer<typeof Rated>;
