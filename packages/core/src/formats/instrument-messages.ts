import { z } from 'zod';

/** Instruments as the bench sends them: what a digital caliper, a tape or laser and an angle finder would type, with their state. */
export const INSTRUMENTS = ['caliper', 'tape', 'angle'] as const;
export const InstrumentKind = z.enum(INSTRUMENTS);
export type InstrumentKind = z.infer<typeof InstrumentKind>;

export const FAULTS = ['none', 'low battery', 'drops readings'] as const;
export const BUTTONS = ['send', 'hold', 'zero', 'unit'] as const;
export const Press = z.strictObject({ button: z.enum(BUTTONS) });

/** What a stand-in lies on, and the fault it plays; a real instrument has neither. mm or degrees. */
export const Lies = z.strictObject({
  on: z.number().gte(-180, 'allowed: −180 to 30000').lte(30_000, 'allowed: −180 to 30000').optional(),
  fault: z.enum(FAULTS).optional(),
});

/** Display and state, sent whenever either changes. */
export const InstrumentState = z.strictObject({
  instrument: InstrumentKind,
  name: z.string(),
  /** As on its display, with the unit: "124.53 mm". */
  display: z.string(),
  unit: z.enum(['mm', 'in', '°']),
  held: z.boolean(),
  /** Set to zero at this, in the display's unit; empty where it is not. */
  zero: z.string(),
  lowBattery: z.boolean(),
  fault: z.enum(FAULTS),
  /** What the stand-in lies on: mm or degrees. */
  on: z.number(),
  range: z.string(),
});
export type InstrumentState = z.infer<typeof InstrumentState>;

export const InstrumentReading = z.strictObject({
  seq: z.number().int(),
  at: z.iso.datetime(),
  instrument: InstrumentKind,
  name: z.string(),
  /** As a keyboard instrument would type it. */
  text: z.string().max(30),
  held: z.boolean(),
  zero: z.string(),
});
export type InstrumentReading = z.infer<typeof InstrumentReading>;

export const InstrumentFault = z.strictObject({
  seq: z.number().int(),
  at: z.iso.datetime(),
  instrument: InstrumentKind,
  name: z.string(),
  says: z.string(),
});
export type InstrumentFault = z.infer<typeof InstrumentFault>;
