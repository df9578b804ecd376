import * as z from 'zod';
import { id, name } from '../loads/schema';
import { STANDING_RULES, STANDS_ON } from '../standing/stands';
import { rangedNumber as number } from '../units/quantity';
import { outlineOff } from './shaped';
import { twiceNamed } from './twice-named';
import { RANGES } from './ranges';
import { DESIGN, FORMAT, OF_FITTING, OF_PLACE, VERSION } from './schema';

export const MAX_FEET = 16;

export const Design = z.strictObject(DESIGN);
export type Design = z.infer<typeof Design>;

/** What a foot can hold; a foot that says nothing takes force alone, both ways, as stiff as the others. */
export const Holds = z.strictObject({
  /** It has no hold-down: it presses only. */
  restsOnly: z.boolean(),
  /** About which of its own axes it takes a moment, where the rule lets feet take one. */
  takes: z.strictObject({ mx: z.boolean(), my: z.boolean(), mz: z.boolean() }),
  /** Against the other feet, along its own axes. */
  stiffness: z.strictObject({
    x: number(RANGES.footStiffness),
    y: number(RANGES.footStiffness),
    z: number(RANGES.footStiffness),
  }),
  /** Its part of the force, where shares are given. */
  part: number(RANGES.part),
});
export type Holds = z.infer<typeof Holds>;

/** Where the fitting meets the structure. Place and turn in the fitting's datum; the middle of its base at the plate's face. */
export const Foot = z.strictObject({
  id,
  name,
  x: number(RANGES.footPlace),
  y: number(RANGES.footPlace),
  z: number(RANGES.footPlace),
  /** About z from the fitting's x, rad. */
  turn: number(RANGES.turn),
  holds: Holds.optional(),
  /** Made as another foot is, as drawn or mirrored; then it has no design of its own. */
  like: z.strictObject({ foot: id, mirrored: z.boolean() }).optional(),
  design: Design.optional(),
  ...OF_PLACE,
});
export type Foot = z.infer<typeof Foot>;

export const Standing = z.strictObject({
  rule: z.enum(STANDING_RULES),
  /** Foot to stiff top, mm, for legs that bend. */
  legHeight: number(RANGES.legHeight),
  /** How many feet carry at once, where only so many count. */
  count: z.number().int().gte(1, `allowed: 1 to ${MAX_FEET}`).lte(MAX_FEET, `allowed: 1 to ${MAX_FEET}`),
  /** What the feet stand on; panels of their own where left out. */
  on: z.enum(STANDS_ON).optional(),
});
export type Standing = z.infer<typeof Standing>;

/** What a fitting with one foot says, and a fitting with several until somebody says otherwise. */
export const USUAL_STANDING: Standing = { rule: 'force only', legHeight: 0, count: 1 };

/** The whole of a job: the fitting with its loads, and the feet it stands on. What is kept, sent and undone. */
export const WholeJob = z
  .strictObject({
    format: z.literal(FORMAT, `is not "${FORMAT}"`),
    version: z.literal(VERSION, `unknown format version; allowed: ${VERSION}`),
    ...OF_FITTING,
    standing: Standing,
    feet: z.array(Foot).min(1, 'allowed: at least one foot').max(MAX_FEET, `allowed: up to ${MAX_FEET} feet`),
  })
  .superRefine((whole, context) => {
    const { feet, standing } = whole;
    for (const { path, id: twice } of twiceNamed(whole))
      context.addIssue({ code: 'custom', path, message: `"${twice}" is there already; allowed: an id of its own` });
    const refuse = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path: ['feet', ...path], message });
    const drawn = new Set(feet.filter((f) => f.design).map((f) => f.id));
    feet.forEach((f, i) => {
      if ((f.like === undefined) === (f.design === undefined))
        refuse(
          [i],
          `${f.like ? 'it is like another and has a design too' : 'it has no design'}; allowed: one of design and like`,
        );
      const off = f.design && outlineOff(f.design.plate);
      if (off) refuse([i, 'design', 'plate', off.key], off.because);
      if (f.like && !f.design && !drawn.has(f.like.foot))
        refuse([i, 'like', 'foot'], `"${f.like.foot}" has no design; allowed: a foot that has one of its own`);
    });
    if (standing.rule === 'some count' && standing.count > feet.length)
      context.addIssue({
        code: 'custom',
        path: ['standing', 'count'],
        message: `${standing.count} of ${feet.length} feet; allowed: 1 to ${feet.length}`,
      });
  });
export type WholeJob = z.infer<typeof WholeJob>;
