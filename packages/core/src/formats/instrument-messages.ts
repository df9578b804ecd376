import * as z from 'zod';

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

/** What a torque wrench with an angle may be made to do wrong; a real one is told nothing. */
export const TURN_FAULTS = [
  'none',
  'overshoot',
  'cross thread',
  'yield',
  'stripped',
  'soft joint',
  'wrench slips',
  'link lost',
  'low battery',
] as const;
const newtonMm = (name: string) =>
  z
    .number({ error: `${name}: a number, N·mm` })
    .gte(0)
    .lte(1e8, `${name}: allowed: 0 to 100000 N·m`);

/** A bolt to be turned by the stand-in: from the torque it has to the target, at so much torque for a degree. */
export const TurnAsked = z.strictObject({
  target: newtonMm('target').refine((v) => v > 0, 'target: allowed: over 0'),
  from: newtonMm('from'),
  slope: newtonMm('slope').refine((v) => v > 0, 'slope: allowed: over 0'),
  fault: z.enum(TURN_FAULTS),
});
export type TurnAsked = z.infer<typeof TurnAsked>;

const stamped = { seq: z.number().int(), at: z.iso.datetime() };
/** Live, while the wrench is pulled: degrees and N·mm. */
export const TurnFrame = z.strictObject({ ...stamped, turn: z.number().int(), angle: z.number(), torque: z.number() });
export type TurnFrame = z.infer<typeof TurnFrame>;
export const TURN_ENDS = ['clicked', 'let go', 'link lost', 'low battery'] as const;
export const TurnEnd = z.strictObject({ ...stamped, turn: z.number().int(), ended: z.enum(TURN_ENDS), says: z.string() });
export type TurnEnd = z.infer<typeof TurnEnd>;

/** What a puller, its load cell and its dials may be made to do wrong. */
export const PULL_FAULTS = [
  'none',
  'soft bearer',
  'slip',
  'yields',
  'creeps',
  'dial sticks',
  'link lost',
  'low battery',
] as const;
/** A pull: to this load at this rate, on something that moves so at each dial (load N, movement mm; rising). */
export const PullAsked = z.strictObject({
  to: z.number().gte(0).lte(1e7, 'to: allowed: 0 to 10000 kN'),
  rate: z.number().gt(0).lte(1e7, 'rate: allowed: over 0 N/s'),
  proof: z.number().gt(0).lte(1e7, 'proof: allowed: over 0 N'),
  moves: z
    .array(
      z
        .array(z.tuple([z.number().gte(0).lte(1e7), z.number().gte(-1000).lte(1000)]))
        .min(2, 'moves: allowed: 2 to 60 points')
        .max(60, 'moves: allowed: 2 to 60 points'),
    )
    .min(1, 'moves: allowed: 1 to 4 dials')
    .max(4, 'moves: allowed: 1 to 4 dials'),
  fault: z.enum(PULL_FAULTS),
  /** Times faster than the clock, for practice and tests. */
  faster: z.number().gte(1).lte(100).default(1),
});
export type PullAsked = z.infer<typeof PullAsked>;
/** A sample: seconds since the first, N, mm. */
export const PullFrame = z.strictObject({ ...stamped, t: z.number(), load: z.number(), dials: z.array(z.number()) });
export type PullFrame = z.infer<typeof PullFrame>;
export const PullFault = z.strictObject({ ...stamped, says: z.string() });
