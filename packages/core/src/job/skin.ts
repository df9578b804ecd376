import * as z from 'zod';
import { quantity } from '../units/quantity';
import { RANGES } from './ranges';

/** What a sandwich's core is made of. */
export const CORES = ['PVC foam', 'PVC foam, dense', 'SAN foam', 'PET foam', 'balsa', 'plywood', 'honeycomb', 'unknown'] as const;

const local = { thickness: quantity(RANGES.skinThickness) };

/** The panel between its bearers. */
const panel = {
  spanX: quantity(RANGES.spanX),
  spanY: quantity(RANGES.spanY),
  aft: quantity(RANGES.aft),
  starboard: quantity(RANGES.starboard),
  bedModulus: quantity(RANGES.bedModulus),
};

/** Kinds that a panel may be of, each with what only it has. */
const panelKinds = <T extends z.ZodRawShape>(more: T) =>
  [
    z.strictObject({ kind: z.literal('sheet'), metal: z.string().max(40), ...more }),
    z.strictObject({ kind: z.literal('laminate'), glass: quantity(RANGES.glass), ...more }),
    z.strictObject({ kind: z.literal('plywood'), grade: z.string().max(40), ...more }),
    z.strictObject({
      kind: z.literal('sandwich'),
      nearFace: quantity(RANGES.nearFace),
      farFace: quantity(RANGES.farFace),
      glass: quantity(RANGES.glass),
      core: z.enum(CORES),
      coreCrush: quantity(RANGES.coreCrush),
      coreShear: quantity(RANGES.coreShear),
      coreModulus: quantity(RANGES.coreModulus),
      ...more,
    }),
    z.strictObject({
      kind: z.literal('timber'),
      grade: z.string().max(40),
      grain: z.enum(['x', 'y']),
      endGrain: quantity(RANGES.endGrain),
      ...more,
    }),
  ] as const;

export const Skin = z.discriminatedUnion('kind', [
  ...panelKinds({ ...local, ...panel }),
  z.strictObject({
    kind: z.literal('hollow'),
    /** Square or rectangular where left out; a round tube is as wide as it is deep. */
    form: z.enum(['box', 'round']).optional(),
    metal: z.string().max(40),
    wall: quantity(RANGES.wall),
    width: quantity(RANGES.sectionWidth),
    through: z.enum(['one wall', 'both walls']),
    ...local,
    ...panel,
  }),
  /** The flange of a beam or channel, or the leg of an angle, running fore and aft; `thickness` is the flange's. */
  z.strictObject({
    kind: z.literal('flange'),
    of: z.enum(['beam', 'channel', 'angle']),
    metal: z.string().max(40),
    width: quantity(RANGES.flangeWidth),
    web: quantity(RANGES.web),
    depth: quantity(RANGES.sectionDepth),
    /** Where the web of a channel or angle stands; a beam has it in the middle. */
    webAt: z.enum(['port', 'starboard']),
    ...local,
    ...panel,
  }),
  z.strictObject({ kind: z.literal('bed'), strength: quantity(RANGES.bedStrength), ...local, ...panel }),
]);
export type Skin = z.infer<typeof Skin>;

/** Another skin over part of the panel: cored here, solid there, two layers, a repair. */
export const ZoneSkin = z.discriminatedUnion('kind', [...panelKinds(local)]);
export type ZoneSkin = z.infer<typeof ZoneSkin>;
