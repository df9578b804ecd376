import * as z from 'zod';
import { id } from '../loads/schema';
import { MAX_READINGS } from '../units/quantity';

/** What can be told of a place on a job, in the order it is made. */
export const DONE = [
  'measured',
  'cut',
  'drilled',
  'fitted',
  'tacked',
  'welded',
  'bonded',
  'tightened',
  'proved',
  'inspected',
  'changed',
] as const;
export const WHEN = ['before tack', 'after weld', 'at fit'] as const;
export const DECISIONS = ['accept', 'slot', 'fill and redrill', 'shim', 'remake'] as const;
export type DecisionKind = (typeof DECISIONS)[number];
/** What a turned bolt shows by its torque over its angle. */
export const SIGNATURES = [
  'good',
  'not reached',
  'over',
  'yield',
  'cross thread',
  'stripped',
  'soft joint',
  'wrench slipped',
  'link lost',
] as const;
export type Signature = (typeof SIGNATURES)[number];
export const RESULTS = ['passed', 'failed', 'aborted'] as const;
export const FOUND = ['sound', 'finding'] as const;
export const CONFIRMED = ['bolts fitted', 'nut class', 'lubrication'] as const;

const MOST_WORDS = 1000;
const text = (most = MOST_WORDS) => z.string().trim().max(most, `allowed: up to ${most} characters`);
const said = (most = MOST_WORDS) => text(most).min(1, 'allowed: some words');
const figure = (name: string, low: number, high: number, unit: string) => {
  const words = `${name}: allowed ${String(low).replace('-', '−')} to ${high} ${unit}`;
  return z.number({ error: words }).gte(low, words).lte(high, words);
};
const length = (name: string) => figure(name, -100_000, 100_000, 'mm');
const torque = (name: string) => figure(name, 0, 1e8, 'N·mm');
const force = (name: string) => figure(name, -1e9, 1e9, 'N');
const key = z.string().min(1).max(90, 'allowed: up to 90 characters');
const uuid = z.uuid('allowed: an id of its own (UUID)');
export const SHA256 = /^[0-9a-f]{64}$/;
const hash = z.string().regex(SHA256, 'allowed: 64 hexadecimal digits');

/** The initials somebody signs with. */
export const Initials = z.string().regex(/^[A-Z]{1,4}$/, 'initials: allowed: one to four capitals');
/** A name that stands under a signature. */
export const TypedName = z
  .string()
  .trim()
  .min(2, 'name: allowed: 2 to 60 characters')
  .max(60, 'name: allowed: 2 to 60 characters');

/** Most samples in one entry of a pull. */
export const MOST_SAMPLES = 400;
/** Dial gauges a pull may have. */
export const MOST_DIALS = 4;

/** A sample of a pull: seconds since it began, N on the load cell, and each dial, mm. */
export const Sample = z.strictObject({
  t: figure('Time', 0, 1e6, 's'),
  load: force('Load'),
  dials: z.array(length('Dial')).max(MOST_DIALS, `allowed: up to ${MOST_DIALS} dials`),
});
export type Sample = z.infer<typeof Sample>;

const Body = z.discriminatedUnion('kind', [
  /** Something done or seen, in words. */
  z.strictObject({ kind: z.literal('note'), did: z.enum(DONE), text: said() }),
  /** A dimension as it was found, with the limits it was held to then. */
  z.strictObject({
    kind: z.literal('dimension'),
    key,
    name: said(120),
    when: z.enum(WHEN),
    nominal: length('Nominal'),
    /** How far below and above it may be. */
    under: length('Tolerance'),
    over: length('Tolerance'),
    readings: z
      .array(length('Reading'))
      .min(1, `allowed: 1 to ${MAX_READINGS} readings`)
      .max(MAX_READINGS, `allowed: 1 to ${MAX_READINGS} readings`),
    with: text(60).optional(),
  }),
  /** What is done about a dimension that is out. */
  z.strictObject({ kind: z.literal('decision'), key, decide: z.enum(DECISIONS), reason: said() }),
  /** A bolt that cannot be had: it is not counted any more. */
  z.strictObject({ kind: z.literal('bolt missing'), reason: said() }),
  /** A bolt turned in one round. The trace is degrees and N·mm. */
  z.strictObject({
    kind: z.literal('tightened'),
    round: z.number().int().gte(1).lte(9),
    target: torque('Target'),
    torque: torque('Torque'),
    angle: figure('Angle', 0, 100_000, '°').optional(),
    reads: z.enum(SIGNATURES),
    because: text(300),
    with: said(60),
    trace: z
      .array(z.tuple([figure('Angle', 0, 100_000, '°'), torque('Torque')]))
      .max(MOST_SAMPLES, `allowed: up to ${MOST_SAMPLES} points`)
      .optional(),
  }),
  z.strictObject({ kind: z.literal('released'), reason: said() }),
  z.strictObject({ kind: z.literal('witness mark') }),
  z.strictObject({ kind: z.literal('confirmed'), what: z.enum(CONFIRMED), is: said(80) }),
  /** Samples of a pull as they came in. */
  z.strictObject({
    kind: z.literal('samples'),
    pull: uuid,
    samples: z.array(Sample).min(1, 'allowed: some samples').max(MOST_SAMPLES, `allowed: up to ${MOST_SAMPLES} samples`),
  }),
  /** What a proof came to. The curve it was held to stands with it, so that it is read the same in years. */
  z.strictObject({
    kind: z.literal('proof'),
    pull: uuid,
    caseName: said(120),
    /** N. */
    load: force('Proof load'),
    holdSeconds: figure('Hold', 0, 100_000, 's'),
    /** Load, N, and what the first dial should show: as reckoned, least and most, mm. */
    curve: z.array(z.tuple([force('Load'), length('Dial'), length('Dial'), length('Dial')])).max(60),
    /** Left on each dial when the load was off, and what may be left; mm. */
    set: z.array(length('Set')).max(MOST_DIALS),
    setLimit: length('Set limit'),
    result: z.enum(RESULTS),
    /** What it shows where it left the band. */
    because: text(600),
    remarks: text(),
    with: said(120),
    /** The case as it came then, once, N, and the print of what was pulled. A line from before this was kept has neither, and has to be pulled again. */
    proved: z.strictObject({ caseId: key, force: z.tuple([force('F_x'), force('F_y'), force('F_z')]), of: hash }).optional(),
  }),
  /** A round of inspection, or a renewal, of something that falls due. */
  z.strictObject({
    kind: z.literal('inspected'),
    task: key,
    name: said(120),
    found: z.enum(FOUND),
    text: text(),
    photo: hash.optional(),
  }),
  /** It has gone into use, or has been used so much since. */
  z.strictObject({
    kind: z.literal('used'),
    from: z.iso.date('a day: allowed: as 2026-03-04').optional(),
    miles: figure('Miles', 0, 1e7, 'miles').optional(),
    times: z.number().int('times: allowed whole numbers').gte(0).lte(1e9).optional(),
    what: text(120),
  }),
  z.strictObject({
    kind: z.literal('photo'),
    sha256: hash,
    bytes: z.number().int().gte(1),
    caption: text(200),
    /** On the plan of its foot, mm. */
    pin: z.strictObject({ x: length('x'), y: length('y') }).optional(),
  }),
  /** A hold point signed, or the whole stamped (`stamp`). */
  z.strictObject({ kind: z.literal('signed'), operation: key, text: said(200), name: TypedName }),
]);
export type Body = z.infer<typeof Body>;

/** What an entry is about: a foot, and on it a bolt or a part. */
export const About = z.strictObject({ foot: id.optional(), bolt: id.optional(), part: z.string().min(1).max(60).optional() });
export type About = z.infer<typeof About>;

/**
 * One line of the logbook as somebody wrote it: times ISO with offset or Z, lengths mm, forces N, torques N·mm. It is never changed;
 * `corrects` names the one that no longer counts.
 */
export const Entry = z.strictObject({
  id: uuid,
  /** By the clock of the device it was written on. */
  at: z.iso.datetime({ offset: true, error: 'allowed: a time as 2026-03-04T10:00:00Z' }),
  by: Initials,
  /** The version of the job it was written against. */
  version: z.number().int().gte(1),
  about: About,
  corrects: uuid.optional(),
  body: Body,
});
export type Entry = z.infer<typeof Entry>;
export type EntryKind = Body['kind'];
export type BodyOf<K extends EntryKind> = Extract<Body, { kind: K }>;

/** An entry as the book keeps it: the server's own time beside the device's, and the chain. */
export interface Line {
  readonly seq: number;
  /** Of the line before; 64 zeros of the first. */
  readonly prev: string;
  readonly hash: string;
  readonly received: string;
  readonly entry: Entry;
}

/** Lines of one kind of entry, with what it says at hand. */
export type LineOf<K extends EntryKind> = Line & { readonly entry: Entry & { readonly body: BodyOf<K> } };
export const isOf =
  <K extends EntryKind>(kind: K) =>
  (l: Line): l is LineOf<K> =>
    l.entry.body.kind === kind;

/** A row that was broken from outside may come without an entry: it is shown as such, and never counted. */
export const isReadable = (l: Line): boolean => (l.entry as Partial<Entry>).body !== undefined;

/** The lines that count: those no later one corrects, in their order. */
export function standing(all: readonly Line[]): Line[] {
  const lines = all.filter(isReadable);
  const gone = new Set<string>();
  // From the last back: a correction that is itself corrected takes nothing away.
  for (const l of [...lines].reverse()) if (l.entry.corrects && !gone.has(l.entry.id)) gone.add(l.entry.corrects);
  return lines.filter((l) => !gone.has(l.entry.id));
}
