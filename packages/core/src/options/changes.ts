import { withClass } from '../job/bolt-class';
import type { Far, Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { commonClasses, fastenerClass } from '../stock/fastener-classes';
import { commonSizes, fastenerSize } from '../stock/fasteners';
import { nutClass, nutsFor } from '../stock/nuts';
import { metal, METALS } from '../stock/metals';
import { INCH_PLATE, MM_PLATE, type PlateThickness } from '../stock/plate-thicknesses';
import { formatQuantity } from '../units/format-quantity';
import { addBolt } from './add-bolt';
import { heldByBase } from './choose';
import { jointChanges } from './joint-changes';
import { withPattern } from './patterns';

/** One change of the layout and the job it makes. */
export interface Change {
  /** Of each kind only the smallest that does it is offered. */
  readonly kind: string;
  readonly words: string;
  readonly job: Job;
}

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

/** Never lying about in a small shop, welded and bent only by those who know how: taken on purpose, not offered (common practice). */
const TO_ORDER = new Set(['S420', 'S460', 'S690']);

function plateChanges(job: Job): Change[] {
  const { plate } = job;
  const now = metal(plate.metal, job.ownStock.metals);
  const stronger = METALS.filter((m) => now && m.group === now.group && m.fy > now.fy && !TO_ORDER.has(m.id)).sort(
    (a, b) => a.fy - b.fy,
  );
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
    // A drawn outline grows by hand alone.
    ...(plate.outline ? [] : EDGES).map((e) => ({
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
  const classes = commonClasses(size.family)
    .filter((c) => c.stainless === grade.stainless && c.fub > grade.fub)
    .sort((a, b) => a.fub - b.fub);
  const sizes = commonSizes(size.family)
    .filter((s) => s.d > size.d)
    .slice(0, 2);
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
  if (far.kind === 'strips') return plates(far.thickness.v - 1e-3, 'one backing plate in place of strips, of');
  return [
    ...(far.kind === 'washer' ? [put('washer', 'large washers under the nuts', { kind: 'large washer' })] : []),
    ...plates(job.units === 'inch' ? 3 : 2, 'a backing plate of'),
  ];
}

/** Every small change that can be made to a job, each kind from its smallest step up. */
export const changesOf = (job: Job): Change[] => [
  ...plateChanges(job),
  ...boltChanges(job),
  ...farChanges(job),
  ...jointChanges(job),
];
