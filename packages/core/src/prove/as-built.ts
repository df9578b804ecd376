import { atFoot, putAtFoot } from '../job/at-foot';
import { madeItsOwn } from '../job/feet-edits';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import type { WholeJob } from '../job/whole-job';
import type { Quantity } from '../units/quantity';
import { dimensionsAt, impossible, outBy, type Dimension } from './dimensions';
import { drawnBolts, fittedAs, withBolts } from './fitted-bolts';
import { isOf, standing, type DecisionKind, type Line, type LineOf } from './log-entry';
import { ofReadings } from './readings';
import { slotTo } from './slot-to';
import { fine } from './words';

/** Where a dimension stands: as it was found last, and what was decided. */
export interface FoundAs {
  readonly dimension: Dimension;
  /** The newest reading that counts; none where it was not measured, or only against another version of it. */
  readonly line?: LineOf<'dimension'>;
  /** Median of its readings, mm. */
  readonly value?: number;
  /** How far past its limits, mm, signed. */
  readonly out: number;
  readonly decision?: { readonly decide: DecisionKind; readonly reason: string; readonly line: Line };
  /** In words, what is still to do. Empty where nothing is. */
  readonly open: string;
}

/** A job as it was built: its document with what was found put in, and what of the log could not be. */
export interface AsBuilt {
  readonly whole: WholeJob;
  readonly found: readonly FoundAs[];
  /** In words, what is other than drawn. */
  readonly deviations: readonly string[];
  /** Found or done, and no figure counts it: said beside the verdict. */
  readonly notCounted: readonly string[];
  /** Lines about what this version of the job does not have, or has otherwise: kept and shown, not counted. */
  readonly elsewhere: readonly { readonly line: Line; readonly because: string }[];
}

/** One reading per dimension counts: the newest that stands. */
const placeKey = (l: Line, key: string): string => `${l.entry.about.foot ?? ''} ${key}`;

/**
 * The job with its deviations applied: the same document a person would have typed, so that one core judges both. A measured value
 * counts whether it is within its limits or not; a hole or plate that is to be made again counts as drawn, and stays open until it is
 * measured again. `lines`: of this job, in order.
 */
export function asBuilt(whole: WholeJob, lines: readonly Line[]): AsBuilt {
  const counted = standing(lines);
  const measured = new Map<string, LineOf<'dimension'>>();
  const decided = new Map<string, LineOf<'decision'>>();
  for (const l of counted) {
    if (isOf('dimension')(l)) {
      measured.set(placeKey(l, l.entry.body.key), l);
      // A decision is about the reading it follows.
      decided.delete(placeKey(l, l.entry.body.key));
    }
    if (isOf('decision')(l)) decided.set(placeKey(l, l.entry.body.key), l);
  }
  const missing = counted.filter(isOf('bolt missing'));
  const elsewhere: { line: Line; because: string }[] = [];
  const found: FoundAs[] = [];
  const known = new Set<string>();
  const mm = (v: number) => fine(v, whole.units);
  for (const f of whole.feet)
    for (const dimension of dimensionsAt(whole, f.id)) {
      const key = `${f.id} ${dimension.key}`;
      known.add(key);
      const line = measured.get(key);
      const stale = line && Math.abs(line.entry.body.nominal - dimension.nominal) > 1e-6;
      if (stale)
        elsewhere.push({
          line,
          because: `measured against version ${line.entry.version}, where it was drawn ${mm(line.entry.body.nominal)}: it is ${mm(dimension.nominal)} now, measure again`,
        });
      found.push(foundAs(dimension, stale ? undefined : line, decided.get(key), mm));
    }
  for (const [key, line] of measured) if (!known.has(key)) elsewhere.push({ line, because: notHere(line) });
  const has = (l: LineOf<'bolt missing'>) =>
    whole.feet.some((f) => f.id === l.entry.about.foot) &&
    atFoot(whole, l.entry.about.foot!).bolts.items.some((b) => b.id === l.entry.about.bolt);
  for (const line of missing) if (!has(line)) elsewhere.push({ line, because: notHere(line) });
  const filled = counted.filter(isOf('decision')).filter((l) => l.entry.body.decide === 'fill and redrill');
  const built = applied(whole, found, missing.filter(has), lastFitted(whole, counted));
  return { ...built, notCounted: [...built.notCounted, ...new Set(filled.map(besideFilled))], found, elsewhere };
}

/** What was said last of the bolts of each foot. */
const lastFitted = (whole: WholeJob, counted: readonly Line[]): LineOf<'confirmed'>[] =>
  whole.feet.flatMap(
    (f) =>
      counted
        .filter(isOf('confirmed'))
        .filter((l) => l.entry.body.what === 'bolts fitted' && l.entry.about.foot === f.id)
        .at(-1) ?? [],
  );

/** A hole that was filled and drilled again leaves a plug beside the bolt. */
const besideFilled = ({ entry }: LineOf<'decision'>): string => `the filled hole at ${entry.about.bolt ?? entry.body.key}`;

const notHere = ({ entry }: Line): string =>
  `written against version ${entry.version}; this version of the job has no such place`;

function foundAs(
  dimension: Dimension,
  line: LineOf<'dimension'> | undefined,
  decided: LineOf<'decision'> | undefined,
  mm: (v: number) => string,
): FoundAs {
  if (!line) return { dimension, out: 0, open: 'to be measured' };
  const value = ofReadings(line.entry.body.readings).median;
  if (impossible(value, dimension)) return { dimension, line, out: 0, open: `${mm(value)} cannot be: measure again` };
  const out = outBy(value, dimension);
  const decision = decided && {
    decide: decided.entry.body.decide,
    reason: decided.entry.body.reason,
    line: decided,
  };
  const again = decision && (decision.decide === 'remake' || decision.decide === 'fill and redrill');
  const open = again ? `${decision.decide}, then measure again` : out !== 0 && !decision ? `out by ${mm(out)}: decide` : '';
  return { dimension, line, value, out, ...(decision ? { decision } : {}), open };
}

/** A value found takes the place of the one drawn. */
const measuredAs = (q: Quantity, v: number, at: string): Quantity => {
  const { with: _w, readings: _r, ...rest } = q;
  return { ...rest, v, text: `${v} mm`, from: 'measured', at: new Date(at).toISOString() };
};

type Change = (job: Job) => Job;

function applied(
  whole: WholeJob,
  found: readonly FoundAs[],
  missing: readonly LineOf<'bolt missing'>[],
  confirmed: readonly LineOf<'confirmed'>[],
): Pick<AsBuilt, 'whole' | 'deviations' | 'notCounted'> {
  const deviations: string[] = [];
  const notCounted: string[] = [];
  const changes = new Map<string, Change[]>();
  const several = whole.feet.length > 1;
  const mm = (v: number) => fine(v, whole.units);
  const footName = (id: string) => (several ? `${whole.feet.find((f) => f.id === id)!.name}: ` : '');
  const add = (foot: string, says: string, change: Change) => {
    // What reads the same as drawn is put in and not told.
    if (says) deviations.push(`${footName(foot)}${says}`);
    changes.set(foot, [...(changes.get(foot) ?? []), change]);
  };
  for (const f of found) {
    const { dimension: d, value, decision, line } = f;
    const again = decision?.decide === 'remake' || decision?.decide === 'fill and redrill';
    if (value === undefined || !line || again || Math.abs(value - d.nominal) < 1e-9) continue;
    const change = changeOf(f, value, line.entry.at, found);
    const says = `${d.name} ${mm(value)} for ${mm(d.nominal)}${decision ? ` (${decision.decide})` : ''}`;
    if (!change && f.out !== 0) notCounted.push(`${footName(d.about.foot!)}${says}`);
    if (change) add(d.about.foot!, mm(value) === mm(d.nominal) ? '' : says, change);
  }
  for (const { entry } of missing)
    add(entry.about.foot!, `bolt ${entry.about.bolt} is missing`, (job) => ({
      ...job,
      bolts: { ...job.bolts, items: job.bolts.items.filter((b) => b.id !== entry.about.bolt) },
    }));
  for (const { entry } of confirmed) {
    const r = resolve(atFoot(whole, entry.about.foot!));
    const fitted = isResolved(r) ? fittedAs(r, entry.body.is) : { as: 'unread' as const };
    if (fitted.as === 'other')
      add(entry.about.foot!, `bolts ${fitted.size} ${fitted.class} for ${drawnBolts(r as Resolved)}`, (job) =>
        withBolts(job, fitted),
      );
    if (fitted.as === 'unread') notCounted.push(`${footName(entry.about.foot!)}bolts fitted: ${entry.body.is}`);
  }
  // What is found at one foot is of that foot alone: from here each is drawn by itself.
  const apart = changes.size === 0 ? whole : whole.feet.reduce((w, f) => madeItsOwn(w, f.id), whole);
  const built = [...changes].reduce(
    (w, [foot, list]) =>
      putAtFoot(
        w,
        foot,
        list.reduce((job, c) => c(job), atFoot(w, foot)),
      ),
    apart,
  );
  return { whole: built, deviations, notCounted };
}

/** How a value found changes the document; nothing of what the load path does not read. */
function changeOf({ dimension: d, decision }: FoundAs, value: number, at: string, found: readonly FoundAs[]): Change | undefined {
  const [what, of, axis] = d.key.split('/') as [string, string, string];
  if (d.key === 'plate/thickness')
    return (job) => ({ ...job, plate: { ...job.plate, thickness: measuredAs(job.plate.thickness, value, at) } });
  if (d.key === 'backing/thickness')
    return (job) =>
      'thickness' in job.far ? { ...job, far: { ...job.far, thickness: measuredAs(job.far.thickness, value, at) } } : job;
  if (what === 'weld') {
    const key = of === 'fitting' ? 'fittingThroat' : 'doublerThroat';
    return (job) => ({ ...job, welds: { ...job.welds, [key]: measuredAs(job.welds[key], value, at) } });
  }
  if (what === 'skin') {
    const side = of as 'thickness' | 'wall';
    return (job) =>
      side in job.skin
        ? {
            ...job,
            skin: { ...job.skin, [side]: measuredAs((job.skin as unknown as Record<typeof side, Quantity>)[side], value, at) },
          }
        : job;
  }
  if (what === 'hole') return atOneBolt(of, (b) => ({ ...b, holes: { ...b.holes, plate: lengthFound(value, at) } }));
  if (what === 'packer') return atOneBolt(of, (b) => ({ ...b, packed: lengthFound(value, at) }));
  if (what === 'bolt') return decision?.decide === 'slot' ? slotted(d, found) : moved(of, axis as 'x' | 'y', value);
  if (what === 'gap') return decision?.decide === 'shim' ? packed(of, value, at) : undefined;
  return undefined;
}

const lengthFound = (v: number, at: string): Quantity => ({
  v,
  text: `${v} mm`,
  from: 'measured',
  at: new Date(at).toISOString(),
});

const atOneBolt =
  (id: string, change: (b: Job['bolts']['items'][number]) => Job['bolts']['items'][number]): Change =>
  (job) => ({ ...job, bolts: { ...job.bolts, items: job.bolts.items.map((b) => (b.id === id ? change(b) : b)) } });

/** A hole that is elsewhere: its bolt stands there, and the base's hole with it. */
const moved =
  (id: string, axis: 'x' | 'y', to: number): Change =>
  (job) => {
    const bolt = job.bolts.items.find((b) => b.id === id);
    if (!bolt) return job;
    const near = (h: { readonly x: number; readonly y: number }) => Math.hypot(h.x - bolt.x, h.y - bolt.y) < 0.5;
    return {
      ...job,
      bolts: { ...job.bolts, items: job.bolts.items.map((b) => (b.id === id ? { ...b, [axis]: to } : b)) },
      base: { ...job.base, holes: job.base.holes.map((h) => (near(h) ? { ...h, [axis]: to } : h)) },
    };
  };

/** A hole drawn out to where it should be: the bolt stands as drawn, in a slot in the plate. */
function slotted({ about, key }: Dimension, found: readonly FoundAs[]): Change {
  const id = about.bolt!;
  const both = (['x', 'y'] as const).map((axis) =>
    found.find(
      (f) => f.dimension.about.foot === about.foot && f.dimension.key === `bolt/${id}/${axis}` && f.decision?.decide === 'slot',
    ),
  );
  // Out both ways it is one slot, drawn once.
  const first = both.find((f) => f)!;
  if (first.dimension.key !== key) return (job) => job;
  const [x, y] = both.map((f) => (f ? f.value! - f.dimension.nominal : 0));
  return (job) => ({
    ...job,
    bolts: {
      ...job.bolts,
      items: job.bolts.items.map((b) => (b.id === id ? { ...b, holes: slotTo(job, b, { x: x!, y: y! }) } : b)),
    },
  });
}

/** A packer of the gap’s height under the plate at a bolt, on top of what is packed there. */
const packed =
  (id: string, gap: number, at: string): Change =>
  (job) => {
    const { packing, packer } = job.joint;
    const none = packing === 'none';
    const height = (v: number): Quantity => ({
      v: Number(v.toFixed(6)),
      text: `${Number(v.toFixed(6))} mm`,
      from: 'measured',
      at: new Date(at).toISOString(),
    });
    return {
      ...job,
      // A joint that had no packing has it at this bolt alone.
      joint: none ? { ...job.joint, packing: 'packer', packer: height(gap) } : job.joint,
      bolts: {
        ...job.bolts,
        items: job.bolts.items.map((b) => {
          if (b.id === id) return { ...b, packed: height((b.packed?.v ?? (none ? 0 : packer.v)) + gap) };
          return none ? { ...b, packed: height(0) } : b;
        }),
      },
    };
  };
