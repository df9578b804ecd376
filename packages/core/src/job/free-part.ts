import * as z from 'zod';
import { id, name } from '../loads/schema';
import { quantity } from '../units/quantity';
import { DrawnOutline } from './drawn-outline';
import { Eye } from './joint';
import { MadeHole } from './made-hole';
import { RANGES } from './ranges';

/** What a part is for, in the trade's words. */
export const PART_USES = [
  'gusset',
  'brace',
  'rail',
  'link',
  'tab',
  'cover',
  'wedge',
  'chock',
  'inner bar',
  'collar',
  'strap',
  'bracket',
  'end plate',
  'other',
] as const;

/** How a bend is made. */
export const BEND_WAYS = ['press', 'vise', 'rolled', 'kerf'] as const;

/**
 * What a part does besides closing a gap, so that it can be judged: an arm is bent from where the load comes in to where it is fixed
 * (brackets, rails, legs), a brace is pushed and pulled between its two holes, a block is pressed on its face (wedge, chock, packer).
 */
export const Works = z.discriminatedUnion('as', [
  /** `pinned`: only force comes in there, as others hold the fitting against turning. */
  z.strictObject({ as: z.literal('arm'), carries: quantity(RANGES.part), from: id, to: id, pinned: z.boolean().optional() }),
  z.strictObject({ as: z.literal('brace'), carries: quantity(RANGES.part), from: id, to: id }),
  /** `angle`: between its faces, of a wedge. */
  z.strictObject({ as: z.literal('block'), carries: quantity(RANGES.part), angle: quantity(RANGES.wedgeAngle).optional() }),
]);
export type Works = z.infer<typeof Works>;

/** The stock a part is cut from; mm. Lengths run along x, widths across, from the middle of the part. */
export const StockForm = z.discriminatedUnion('form', [
  z.strictObject({ form: z.literal('plate'), thickness: quantity(RANGES.plateThickness), outline: DrawnOutline }),
  z.strictObject({
    form: z.literal('flat bar'),
    width: quantity(RANGES.sectionWidth),
    thickness: quantity(RANGES.plateThickness),
    /** Outside lengths of its legs, in order; one for a straight bar. */
    legs: z.array(quantity(RANGES.partLength)).min(1, 'allowed: 1 to 8 legs').max(8, 'allowed: 1 to 8 legs'),
    /** Between one leg and the next: angle turned through, inside radius, and whether it goes up. */
    bends: z
      .array(
        z.strictObject({
          angle: quantity(RANGES.bendAngle),
          radius: quantity(RANGES.foldRadius),
          up: z.boolean(),
          /** Pressed where left out; kerfed: sawn part through on the inside, closed, and welded there with this throat. */
          made: z.enum(BEND_WAYS).optional(),
          throat: quantity(RANGES.throat).optional(),
        }),
      )
      .max(7, 'allowed: up to 7 bends'),
    /** Both ends half round, as of a link. */
    rounded: z.boolean().optional(),
  }),
  z.strictObject({
    form: z.literal('angle'),
    leg: quantity(RANGES.sectionWidth),
    other: quantity(RANGES.sectionWidth),
    thickness: quantity(RANGES.plateThickness),
    length: quantity(RANGES.partLength),
  }),
  z.strictObject({
    form: z.literal('square tube'),
    width: quantity(RANGES.sectionWidth),
    depth: quantity(RANGES.sectionWidth),
    wall: quantity(RANGES.wall),
    length: quantity(RANGES.partLength),
  }),
  z.strictObject({
    form: z.literal('round tube'),
    outside: quantity(RANGES.sectionWidth),
    wall: quantity(RANGES.wall),
    length: quantity(RANGES.partLength),
  }),
  z.strictObject({ form: z.literal('round bar'), diameter: quantity(RANGES.sectionWidth), length: quantity(RANGES.partLength) }),
]);
export type StockForm = z.infer<typeof StockForm>;
export const FORM_NAMES = [
  'plate',
  'flat bar',
  'angle',
  'square tube',
  'round tube',
  'round bar',
] as const satisfies readonly StockForm['form'][];

/** A part the shop makes besides plate and backing, tied to what it holds. */
export const FreePart = z.strictObject({
  id,
  name,
  use: z.enum(PART_USES),
  metal: z.string().max(40),
  count: z.number().int().gte(1, 'allowed: 1 to 60').lte(60, 'allowed: 1 to 60'),
  stock: StockForm,
  holes: z
    .array(
      /** x on a bent bar is from the outside of the bend before its leg; else from the part's middle. */
      MadeHole.extend({
        /** Which leg of a bent bar, from 0. */
        leg: z.number().int().gte(0, 'allowed: 0 to 7').lte(7, 'allowed: 0 to 7').optional(),
      }),
    )
    .max(60, 'allowed: up to 60 holes'),
  /** What it is fixed to, in words. */
  on: z.string().max(80, 'allowed: up to 80 characters').optional(),
  /** Its pin, of a link or a tab. */
  eye: Eye.optional(),
  works: Works.optional(),
});
export type FreePart = z.infer<typeof FreePart>;
