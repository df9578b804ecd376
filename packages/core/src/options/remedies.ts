import { evaluate, type Verdict } from '../chain/evaluate';
import { goodFor, type Multiple } from '../chain/multiple';
import { distance, type Point } from '../geometry/points';
import { boundsOf } from '../geometry/rects';
import { outlineOf } from '../job/outlines';
import { rectanglePlate } from '../job/shaped';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { fastenerSize, type FastenerSize } from '../stock/fasteners';
import { movedBack, type NamedPoint } from '../survey/fit-pattern';
import { meetingOf, type HolePattern, type Meeting } from '../survey/meeting';
import { asHoles, type SideStudy } from '../survey/patterns';
import { formatQuantity } from '../units/format-quantity';
import { isRefusal } from '../units/refusal';

/** A way to bring two patterns together, worked out on this job. */
export interface Remedy {
  readonly kind: 'redrill' | 'slot' | 'oversize' | 'adapter';
  readonly name: string;
  /** What has to be made. */
  readonly make: string;
  /** Why it cannot be done; empty where it can. */
  readonly not: string;
  /** What it does to the checks, each with its source. */
  readonly consequences: readonly string[];
  /** The job with it done, and how its path then stands. */
  readonly job?: Job;
  readonly verdict?: Verdict;
  readonly goodFor?: Multiple;
}

/** Least pitch between two holes in one plate, × d0 (EN 1993-1-8 Tab. 3.3, p1). */
const PITCH = 2.2;
/** Edge left round an adapter's outer holes, × d (common practice). */
const EDGE = 2;
/** EN 1993-1-8 Tab. 3.4: bearing in oversized holes, and in slots across the force, against normal holes. */
const OVERSIZE_BEARING = 0.8;
const SLOT_BEARING = 0.6;
/** Bearing links that the hole's shape enters. */
const BEARING = ['plate-bearing', 'skin-bearing'];

/** Largest oversize hole over the bolt (EN 1090-2 Tab. 11, memory); none is listed under M12. */
const oversizeOver = (d: number): number => (d < 12 ? 0 : d < 14 ? 3 : d < 24 ? 4 : d < 27 ? 6 : 8);

/** What the fit is found to, mm. */
const FINE = 0.02;

interface Put {
  readonly job: Job;
  readonly size: FastenerSize;
  readonly meeting: Meeting;
  readonly fitting: HolePattern;
  readonly structure: HolePattern;
  /** The structure's holes in the fitting's axes, once the fitting is set as well as it can be. */
  readonly under: readonly NamedPoint[];
  readonly mm: (v: number) => string;
  readonly d0: number;
}

/** Bolts through the base where the holes are, the base's own holes as they were measured. */
function throughBase(p: Put, at: readonly Point[], fitting: HolePattern): Job {
  const { job } = p;
  return {
    ...job,
    base: {
      ...job.base,
      hole: fromSheet(fitting.hole, p.mm(fitting.hole)),
      slot: fromSheet(fitting.slot, p.mm(fitting.slot)),
      slotAlong: fitting.along,
      holes: fitting.holes.map(({ id, x, y }) => ({ id, x, y })),
      holesFrom: 'measured',
    },
    bolts: { ...job.bolts, items: at.map((b, i) => ({ id: `B${i + 1}`, x: b.x, y: b.y })) },
  };
}

/** Where each bolt sits once the patterns meet, in the fitting's axes; within its hole of the fitting to the last hundredth. */
const boltsAt = (p: Put, m: Meeting, fitting: HolePattern): Point[] =>
  m.bolts.map((b, i) => {
    const hole = p.structure.holes.find((h) => h.id === b.id) ?? p.structure.holes[i]!;
    const at = movedBack({ x: hole.x + b.inStructure.x, y: hole.y + b.inStructure.y }, m.move);
    const own = fitting.holes[i]!;
    const run = fitting.slot / 2;
    const within = (v: number, most: number) => Math.min(most, Math.max(-most, v));
    const [sx, sy] = [
      within(at.x - own.x, fitting.along === 'x' ? run : 0),
      within(at.y - own.y, fitting.along === 'y' ? run : 0),
    ];
    const [rx, ry] = [at.x - own.x - sx, at.y - own.y - sy];
    const off = Math.hypot(rx, ry);
    const keep = off > 0 ? Math.min(1, (fitting.hole - p.size.d) / 2 / off) : 0;
    return { x: own.x + sx + rx * keep, y: own.y + sy + ry * keep };
  });

function withVerdict(r: Omit<Remedy, 'verdict' | 'goodFor'>): Remedy {
  if (!r.job) return r;
  const verdict = evaluate(r.job);
  return { ...r, verdict, goodFor: goodFor(r.job, verdict) };
}

/** Bearing links of a verdict with the hole's reduction on them. */
function bearingAt(v: Verdict | undefined, factor: number, source: string): string[] {
  return (v?.links ?? [])
    .filter((l) => BEARING.includes(l.id) && l.state !== 'refused' && l.state !== 'not needed')
    .map(
      (l) =>
        `${l.name} ${l.utilisation.toFixed(2)} becomes ${(l.utilisation / factor).toFixed(2)}: bearing × ${factor}, ${source}.`,
    );
}

function redrill(p: Put): Remedy {
  const { job, mm, d0 } = p;
  const at = p.fitting.holes;
  const webs = at.flatMap((h) =>
    p.under.map((u) => ({ h, u, gap: distance(h, u), web: distance(h, u) - (d0 + p.structure.hole) / 2 })),
  );
  const near = webs.reduce((w, x) => (x.web < w.web ? x : w));
  const fill = near.web < 0;
  const done = throughBase(p, at, p.fitting);
  const old = p.under.map((u, i) => ({
    id: `E${job.survey.existing.length + i + 1}`,
    x: u.x,
    y: u.y,
    d: fromSheet(p.structure.hole, mm(p.structure.hole)),
    use: 'fill' as const,
  }));
  return withVerdict({
    kind: 'redrill',
    name: 'Redrill the structure',
    make: `${at.length} new holes of ${mm(d0)} through the fitting as template; the old ones filled.`,
    not: fill
      ? `the new hole ${near.h.id} runs ${mm(-near.web)} into the old hole ${near.u.id}: the drill wanders and no web is left. Weld the old hole up first, or move the fitting.`
      : '',
    consequences: [
      ...(near.web >= 0 && near.gap < PITCH * d0
        ? [
            `New ${near.h.id} and old ${near.u.id} are ${mm(near.gap)} apart, under ${PITCH} d0 = ${mm(PITCH * d0)}: the old hole’s edge counts as an edge (EN 1993-1-8 Tab. 3.3).`,
          ]
        : []),
      'A filled hole carries nothing: seal it, and count the net section without it.',
    ],
    ...(fill ? {} : { job: { ...done, survey: { ...job.survey, existing: [...job.survey.existing, ...old].slice(0, 60) } } }),
  });
}

/** The least slot along one axis at which the patterns meet; undefined where four bolt diameters do not do it. */
function leastSlot(p: Put, along: 'x' | 'y'): { readonly slot: number; readonly meeting: Meeting } | undefined {
  if (p.fitting.slot > 0 && p.fitting.along !== along) return undefined;
  const tried = (slot: number) => {
    const m = meetingOf({ ...p.fitting, slot, along }, p.structure, p.size.d);
    return isRefusal(m) ? undefined : m;
  };
  let [low, high] = [p.fitting.slot, p.fitting.slot + 4 * p.size.d];
  let best = tried(high);
  if (!best?.meets) return undefined;
  for (let k = 0; k < 12; k++) {
    const mid = (low + high) / 2;
    const m = tried(mid);
    if (m?.meets) [high, best] = [mid, m];
    else low = mid;
  }
  // To the next half millimetre that can be marked out; what the search leaves open, 0.02 mm, is not one more.
  const slot = Math.ceil((high - FINE) * 2) / 2;
  return { slot, meeting: tried(slot) ?? best };
}

function slotted(p: Put): Remedy {
  const ways = (['x', 'y'] as const).flatMap((along) => {
    const found = leastSlot(p, along);
    return found ? [{ along, ...found }] : [];
  });
  const best = ways.sort((a, b) => a.slot - b.slot)[0];
  const head = { kind: 'slot' as const, name: 'Slot the fitting' };
  if (!best)
    return {
      ...head,
      make: 'Slots in the fitting’s own holes.',
      not: `no slot up to ${p.mm(4 * p.size.d)} long along one axis lets every bolt through: the misses run both ways.`,
      consequences: [],
    };
  const made = { ...p.fitting, slot: best.slot, along: best.along };
  const job = throughBase(p, boltsAt(p, best.meeting, made), made);
  const v = evaluate(job);
  return {
    ...head,
    make: `Each hole of the fitting ${p.mm(best.slot)} longer than round, ${best.along === 'x' ? 'fore and aft' : 'athwart'}.`,
    not: '',
    consequences: [
      ...bearingAt(v, SLOT_BEARING, 'slot across the force, EN 1993-1-8 Tab. 3.4'),
      `Along the slot the fitting slides until friction or the slot’s end holds it: plate washers over the slots, and do not count on bearing that way.`,
    ],
    job,
    verdict: v,
  };
}

function oversize(p: Put): Remedy {
  const { d } = p.size;
  const needed = p.fitting.hole + 2 * Math.max(0, -p.meeting.margin);
  const wider = Math.ceil((needed - FINE) * 10) / 10;
  const head = { kind: 'oversize' as const, name: 'Oversize the holes' };
  const none = { ...head, make: 'The fitting’s holes opened up.', consequences: [] };
  if (needed - d > oversizeOver(Infinity))
    return {
      ...none,
      not: `they would have to be ${p.mm(needed)} wide, ${p.mm(needed - d)} over the bolt; no oversize hole goes so far.`,
    };
  if (d < 12) return { ...none, not: `EN 1090-2 Tab. 11 lists no oversize hole under M12 (memory); this bolt is ${p.mm(d)}.` };
  if (needed > d + oversizeOver(d))
    return {
      ...none,
      not: `that is ${p.mm(needed - d)} over the bolt; an oversize hole is up to ${p.mm(oversizeOver(d))} over (EN 1090-2 Tab. 11, memory).`,
    };
  const wide = { ...p.fitting, hole: wider };
  const m = meetingOf(wide, p.structure, d);
  if (isRefusal(m)) return { ...none, not: m.because };
  const job = throughBase(p, boltsAt(p, m, wide), wide);
  const v = evaluate(job);
  return {
    ...head,
    make: `The fitting’s holes opened from ${p.mm(p.fitting.hole)} to ${p.mm(wider)}.`,
    not: '',
    consequences: [
      ...bearingAt(v, OVERSIZE_BEARING, 'oversized holes, EN 1993-1-8 Tab. 3.4'),
      'Hard washers over the holes; the joint slips until bolts bear, or is preloaded to hold by friction.',
    ],
    job,
    verdict: v,
  };
}

function adapter(p: Put): Remedy {
  const { job, mm, d0 } = p;
  const { d } = p.size;
  const pairs = p.fitting.holes.flatMap((f) => p.under.map((u) => ({ f, u, gap: distance(f, u) })));
  const near = pairs.reduce((w, x) => (x.gap < w.gap ? x : w));
  const least = PITCH * Math.max(d0, p.fitting.hole);
  const head = { kind: 'adapter' as const, name: 'Adapter plate with both patterns' };
  const make = `A plate with the fitting’s ${p.fitting.holes.length} holes and the structure’s ${p.under.length}, nearest two ${mm(near.gap)} apart.`;
  if (near.gap < least)
    return {
      ...head,
      make,
      not: `${near.f.id} and the structure’s ${near.u.id} come ${mm(near.gap)} apart in one plate; at least ${PITCH} d0 = ${mm(least)} (EN 1993-1-8 Tab. 3.3). Shift or turn the adapter, or redrill.`,
      consequences: [],
    };
  const round = boundsOf([...p.under, ...p.fitting.holes], EDGE * d);
  const plate = outlineOf(job);
  const five = (v: number, up: 1 | -1) => up * Math.ceil((up * v) / 5) * 5;
  const grown = {
    x0: five(Math.min(round.x0, plate.x0), -1),
    x1: five(Math.max(round.x1, plate.x1), 1),
    y0: five(Math.min(round.y0, plate.y0), -1),
    y1: five(Math.max(round.y1, plate.y1), 1),
  };
  const done: Job = { ...throughBase(p, p.under, p.fitting), plate: rectanglePlate(job.plate, grown) };
  return withVerdict({
    ...head,
    make,
    not: '',
    consequences: [
      'The plate now bends between the two patterns: Plate bending counts, and the fitting is held to it by its own bolts or weld.',
      'Heads of one pattern must clear the other part: countersink them, or use studs.',
    ],
    job: done,
  });
}

/** The four ways to bring a side's patterns together, worked out for the job's own bolt; none where they cannot be compared. */
export function remediesFor(job: Job, study: SideStudy): Remedy[] {
  const { meeting, fitting, structure } = study;
  const size = fastenerSize(job.bolts.size);
  if (!meeting || isRefusal(meeting) || !fitting || !structure || !size) return [];
  const p: Put = {
    job,
    size,
    meeting,
    fitting: asHoles(fitting),
    structure: asHoles(structure),
    under: structure.holes.map((h) => ({ id: h.id, ...movedBack(h, meeting.move) })),
    mm: (v) => formatQuantity(v, 'length', job.units),
    d0: size.hole[job.bolts.fit],
  };
  return [redrill(p), slotted(p), oversize(p), adapter(p)];
}
