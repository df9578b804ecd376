import { evaluate, TIGHT, type Link, type Verdict } from '../chain/evaluate';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import { withClass } from '../job/bolt-class';
import type { Far, Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { massOf, roughCost, roughMinutes } from '../shop/weight-and-cost';
import { classesFor, fastenerClass } from '../stock/fastener-classes';
import { FASTENER_SIZES, fastenerSize } from '../stock/fasteners';
import { nutClass, nutsFor } from '../stock/nuts';
import { metal, METALS } from '../stock/metals';
import { INCH_PLATE, MM_PLATE, type PlateThickness } from '../stock/plate-thicknesses';
import { formatQuantity } from '../units/format-quantity';
import { addBolt } from './add-bolt';
import { heldByBase } from './choose';
import { withPattern } from './patterns';

/** One change of the layout and the job it makes. */
interface Change {
  readonly kind: string;
  readonly words: string;
  readonly job: Job;
}

/** A change that clears a link, with what it does to everything else. */
export interface Clearing extends Change {
  /** Of the link it clears. */
  readonly utilisation: number;
  readonly weakest: string;
  readonly weakestUtilisation: number;
  readonly letsGoAt: number;
  /** Against the job as it is: kg, the shop's money, minutes. */
  readonly mass: number;
  readonly cost: number;
  readonly minutes: number;
}

/** Most that are offered for one link. */
const OFFERED = 4;
const SPREADS = [1.1, 1.2, 1.35, 1.5];
const EDGES = [10, 20, 30, 50];
/** Steps tried along a stock list before a change counts as no longer small. */
const STEPS = 4;

const after = <T>(list: readonly T[], is: (t: T) => boolean, n = STEPS): readonly T[] => {
  const at = list.findIndex(is);
  return at < 0 ? [] : list.slice(at, at + n);
};

const stockOf = (job: Job): readonly PlateThickness[] => (job.units === 'inch' ? INCH_PLATE : MM_PLATE);
const thicker = (job: Job, t: number) => after(stockOf(job), (p) => p.thickness > t + 1e-6);

function plateChanges(job: Job): Change[] {
  const { plate } = job;
  const now = metal(plate.metal);
  const stronger = METALS.filter((m) => now && m.group === now.group && m.fy > now.fy).sort((a, b) => a.fy - b.fy);
  return [
    ...thicker(job, plate.thickness.v).map((t) => ({
      kind: 'plate',
      words: `plate ${plate.thickness.text} to ${t.text}`,
      job: { ...job, plate: { ...plate, thickness: fromSheet(t.thickness, t.text) } },
    })),
    ...stronger.map((m) => ({
      kind: 'metal',
      words: `plate in ${m.name}`,
      job: { ...job, plate: { ...plate, metal: m.id } },
    })),
    ...EDGES.map((e) => ({
      kind: 'edge',
      words: `plate ${formatQuantity(e, 'length', job.units)} larger all round`,
      job: { ...job, plate: { ...plate, x0: plate.x0 - e, x1: plate.x1 + e, y0: plate.y0 - e, y1: plate.y1 + e } },
    })),
  ];
}

function boltChanges(job: Job): Change[] {
  const { bolts } = job;
  const size = fastenerSize(bolts.size);
  const grade = fastenerClass(bolts.class);
  if (!size || !grade) return [];
  const n = bolts.items.length;
  const held = heldByBase(job);
  const classes = classesFor(size.family)
    .filter((c) => c.stainless === grade.stainless && c.fub > grade.fub)
    .sort((a, b) => a.fub - b.fub);
  const sizes = FASTENER_SIZES.filter((s) => s.family === size.family && s.d > size.d).slice(0, 2);
  const more = [1, 2].reduce<Job[]>((all) => [...all, addBolt(all.at(-1) ?? job).job], []);
  const nuts = nutsFor(size.family)
    .filter((x) => x.stainless === grade.stainless && x.fub > (nutClass(bolts.nut)?.fub ?? 0))
    .sort((a, b) => a.fub - b.fub);
  return [
    ...nuts.map((x) => ({ kind: 'nut', words: `nuts of class ${x.id}`, job: { ...job, bolts: { ...bolts, nut: x.id } } })),
    ...classes.map((c) => ({
      kind: 'class',
      words: `bolts ${bolts.class} to ${c.id}`,
      job: { ...job, bolts: withClass(bolts, c.id) },
    })),
    ...sizes.map((s) => ({ kind: 'size', words: `bolts ${bolts.size} to ${s.id}`, job: withPattern(job, n, 1, s.id) })),
    // Bolts through the base stand where its holes are.
    ...(held
      ? []
      : [
          ...more.map((j, i) => ({ kind: 'count', words: i === 0 ? 'one more bolt' : 'two more bolts', job: j })),
          ...SPREADS.map((k) => ({
            kind: 'spread',
            words: `bolts ${Math.round((k - 1) * 100)} % wider apart, plate with them`,
            job: withPattern(job, n, k, bolts.size),
          })),
        ]),
  ];
}

function farChanges(job: Job): Change[] {
  const { far } = job;
  const put = (kind: string, words: string, next: Far): Change => ({ kind, words, job: { ...job, far: next } });
  const plates = (from: number, verb: string) =>
    thicker(job, from).map((t) =>
      put('backing', `${verb} ${t.text}`, {
        kind: 'plate',
        metal: far.kind === 'plate' ? far.metal : job.plate.metal,
        thickness: fromSheet(t.thickness, t.text),
      }),
    );
  if (far.kind === 'plate') return plates(far.thickness.v, `backing plate ${far.thickness.text} to`);
  return [
    ...(far.kind === 'washer' ? [put('washer', 'large washers under the nuts', { kind: 'large washer' })] : []),
    ...plates(job.units === 'inch' ? 3 : 2, 'a backing plate of'),
  ];
}

const failing = (v: Verdict) => new Map(v.links.filter((l) => l.state === 'fails').map((l) => [l.id, l.utilisation]));
const refused = (v: Verdict) => new Set(v.links.filter((l) => l.state === 'refused').map((l) => l.id));

/** True where nothing else lets go that held before, nothing that failed fails worse, and nothing new is refused. */
function movesNothing(before: Verdict, now: Verdict, target: string): boolean {
  const failed = failing(before);
  for (const [id, u] of failing(now)) if (id === target || u > (failed.get(id) ?? 0) + 1e-9) return false;
  const known = refused(before);
  return [...refused(now)].every((id) => known.has(id));
}

const costs = (r: Resolved, job: Job) => ({
  mass: massOf(r, job.plate.corner),
  cost: roughCost(r, job.plate.corner),
  minutes: roughMinutes(r),
});

function judged(c: Change, target: Link, before: Verdict, was: ReturnType<typeof costs>): Clearing | undefined {
  const r = resolve(c.job);
  if (!isResolved(r)) return undefined;
  const now = evaluate(c.job);
  const link = now.links.find((l) => l.id === target.id);
  const weakest = now.links.find((l) => l.id === now.weakest);
  if (now.refusals.length > 0 || !link || !weakest || link.state === 'refused') return undefined;
  if (link.utilisation > (target.utilisation > 1 ? 1 : TIGHT) || !movesNothing(before, now, target.id)) return undefined;
  const is = costs(r, c.job);
  return {
    ...c,
    utilisation: link.utilisation,
    weakest: weakest.name,
    weakestUtilisation: weakest.utilisation,
    letsGoAt: now.letsGoAt,
    mass: is.mass - was.mass,
    cost: is.cost - was.cost,
    minutes: is.minutes - was.minutes,
  };
}

/**
 * Up to four smallest changes that clear a failing (or tight) link, cheapest first, each evaluated on the whole path.
 * Of each kind of change only the smallest that does it; one that only moves the failure to another link is not offered.
 * Empty where the link is sound, refused or not needed, or nothing small clears it.
 */
export function whatClears(job: Job, linkId: string): Clearing[] {
  const before = evaluate(job);
  const target = before.links.find((l) => l.id === linkId);
  const r = resolve(job);
  if (!target || (target.state !== 'fails' && target.state !== 'tight') || !isResolved(r)) return [];
  const was = costs(r, job);
  const found = new Map<string, Clearing>();
  for (const c of [...plateChanges(job), ...boltChanges(job), ...farChanges(job)]) {
    if (found.has(c.kind)) continue;
    const ok = judged(c, target, before, was);
    if (ok) found.set(c.kind, ok);
  }
  return [...found.values()].sort((a, b) => a.cost - b.cost || a.mass - b.mass).slice(0, OFFERED);
}

/** The job with a clearing taken: only what it changes, so that whatever else was changed meanwhile stays. */
export const withClearing = (job: Job, c: Pick<Clearing, 'job'>): Job => ({
  ...job,
  plate: c.job.plate,
  bolts: c.job.bolts,
  far: c.job.far,
});
