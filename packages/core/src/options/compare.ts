import { heightOf, widthOf } from '../geometry/rects';
import { outlineOf, panelOf, roomBehind } from '../job/outlines';
import type { Job } from '../job/schema';
import { spreadRulesOf } from '../job/spread-rules';
import { fromSheet } from '../job/values';
import type { CaseFigures } from '../spread/view';

/** Another layout of the same job to set beside it. */
export interface Variant {
  readonly id: string;
  readonly name: string;
  /** Why people try it, and what to look for. */
  readonly look: string;
  /** The job with it; nothing where it is that already. */
  apply(job: Job): Job | undefined;
}

const mm = (v: number) => fromSheet(v, `${Number(v.toFixed(2))} mm`);
const withPlate = (job: Job, more: Partial<Job['plate']>): Job => ({ ...job, plate: { ...job.plate, ...more } });

/** Thickness of what is behind the skin now, or as thick as the plate where that is washers. */
const farThickness = (job: Job) =>
  job.far.kind === 'plate' || job.far.kind === 'strips' ? job.far.thickness : job.plate.thickness;
const farMetal = (job: Job) => ('metal' in job.far ? job.far.metal : job.plate.metal);
/** Strips as people cut them: a third of the plate across the way they run. */
const STRIP = 1 / 3;
/** A bead of elastic sealant: about 6 MPa, 3 mm thick (common practice), N/mm³. */
const SOFT = 2;

/** How far a backing plate is tried past the mounting plate, and the least worth trying, mm. */
const PAST = 30;
const LEAST_PAST = 5;

/** For a panel that is open behind: a solid bed has no far side and no bearers. */
const onPanel =
  (apply: Variant['apply']): Variant['apply'] =>
  (job) =>
    job.skin.kind === 'bed' ? undefined : apply(job);

export const VARIANTS: readonly Variant[] = [
  {
    id: 'washers',
    name: 'washers only behind',
    look: 'What the backing plate does: without it the skin alone holds the nuts.',
    apply: onPanel((job) => (job.far.kind === 'washer' ? undefined : { ...job, far: { kind: 'washer' } })),
  },
  {
    id: 'backing',
    name: 'one backing plate',
    look: 'One plate under all the nuts bends as a whole and spreads the pull.',
    apply: onPanel((job) =>
      job.far.kind === 'plate'
        ? undefined
        : { ...job, far: { kind: 'plate', metal: farMetal(job), thickness: farThickness(job) } },
    ),
  },
  {
    id: 'strips',
    name: 'two strips behind',
    look: 'Side by side, strips do not bend as one: nothing carries across the gap.',
    apply: onPanel((job) =>
      job.far.kind === 'strips'
        ? undefined
        : {
            ...job,
            far: {
              kind: 'strips',
              metal: farMetal(job),
              thickness: farThickness(job),
              width: mm(STRIP * Math.min(widthOf(outlineOf(job)), heightOf(outlineOf(job)))),
              along: 'x',
            },
          },
    ),
  },
  {
    id: 'past',
    name: 'backing past the plate’s edge',
    look: 'Edges that do not lie over each other let the skin down in two steps, and not on one line.',
    apply: onPanel((job) => {
      if (job.far.kind !== 'plate' || (job.far.past ?? 0) > 0) return undefined;
      const room = roomBehind(job);
      return room < LEAST_PAST ? undefined : { ...job, far: { ...job.far, past: Math.min(PAST, Math.floor(room)) } };
    }),
  },
  {
    id: 'second',
    name: 'a second backing plate, loose on the first',
    look: 'Two loose plates are twice as stiff as one, where one of twice the thickness would be eight times.',
    apply: onPanel((job) =>
      job.far.kind !== 'plate' || (job.far.layers ?? 1) > 1 ? undefined : { ...job, far: { ...job.far, layers: 2 } },
    ),
  },
  {
    id: 'loose',
    name: 'two loose plates of half the thickness',
    look: 'Loose on each other plates add t³ each: 2·(t/2)³ is a quarter of t³.',
    apply: (job) => (job.plate.layers > 1 ? undefined : withPlate(job, { layers: 2, thickness: mm(job.plate.thickness.v / 2) })),
  },
  {
    id: 'thicker',
    name: 'plate 2 mm thicker',
    look: 'Stiffness goes with the cube: the plate bends less, and its edge bites harder.',
    apply: (job) => withPlate(job, { thickness: mm(job.plate.thickness.v + 2) }),
  },
  {
    id: 'thinner',
    name: 'plate 2 mm thinner',
    look: 'A thinner plate bends with the skin; its bolts pry more.',
    apply: (job) => (job.plate.thickness.v <= 3 ? undefined : withPlate(job, { thickness: mm(job.plate.thickness.v - 2) })),
  },
  {
    id: 'bearers',
    name: 'plate from bearer to bearer',
    look: 'Over two bearers the plate hands the load to them, and the skin hardly bends.',
    apply: onPanel((job) => {
      const panel = panelOf(job);
      const shortX = widthOf(panel) <= heightOf(panel);
      const span = shortX ? { x0: panel.x0, x1: panel.x1 } : { y0: panel.y0, y1: panel.y1 };
      const now = outlineOf(job);
      const there = shortX ? now.x0 <= panel.x0 && now.x1 >= panel.x1 : now.y0 <= panel.y0 && now.y1 >= panel.y1;
      return there ? undefined : withPlate(job, span);
    }),
  },
  {
    id: 'taper',
    name: 'edge tapered to a third over 30 mm',
    look: 'A thinned edge gives with the skin, so the skin is bent over a width and not along a line.',
    apply: (job) => {
      const rules = spreadRulesOf(job);
      return rules.taper ? undefined : { ...job, spread: { ...rules, taper: { width: 30, to: 1 / 3 } } };
    },
  },
  {
    id: 'chamfer',
    name: 'edge chamfered over its thickness',
    look: 'A chamfer takes the corner off, but the edge stays nearly as stiff: compare it with the taper.',
    apply: (job) => {
      const rules = spreadRulesOf(job);
      return rules.taper ? undefined : { ...job, spread: { ...rules, taper: { width: job.plate.thickness.v, to: 0.25 } } };
    },
  },
  {
    id: 'corners',
    name: 'corners rounded to 40 mm',
    look: 'A sharp corner presses on a point; a round one on an arc.',
    apply: (job) => {
      const o = outlineOf(job);
      const radius = Math.min(40, widthOf(o) / 2, heightOf(o) / 2);
      return job.plate.corner >= radius ? undefined : withPlate(job, { corner: radius });
    },
  },
  {
    id: 'bedding',
    name: 'bedded thick and soft',
    look: 'A soft bed lets the edge sink in: the peak goes down, the movement goes up.',
    apply: (job) => {
      const rules = spreadRulesOf(job);
      return rules.given.bedding !== undefined && rules.given.bedding <= SOFT
        ? undefined
        : { ...job, spread: { ...rules, given: { ...rules.given, bedding: SOFT } } };
    },
  },
];

/** One figure of two layouts side by side. */
export interface Difference {
  readonly what: string;
  readonly unit: 'mm' | 'MPa' | 'N';
  readonly here: number;
  readonly there: number;
  readonly words: string;
  /** How the other stands to this one; less is better of every figure. */
  readonly way: 'same' | 'more' | 'less';
}

/** Below this a difference is none, relative: about what a mesh may err by. */
const SAME = 0.03;

/** How the other layout's figures stand to this one's, in words. */
export function differences(here: CaseFigures, there: CaseFigures): Difference[] {
  const row = (what: string, unit: Difference['unit'], a: number, b: number): Difference => ({
    what,
    unit,
    here: a,
    there: b,
    words: comparedWords(a, b),
    way: alike(a, b) ? 'same' : b > a ? 'more' : 'less',
  });
  const pull = (c: CaseFigures) => Math.max(...c.bolts.map((b) => b.tension));
  return [
    row('skin gives', 'mm', here.deflection.value, there.deflection.value),
    row('skin beside the plate’s edge', 'MPa', here.edgeStress.value, there.edgeStress.value),
    row('most pulled bolt', 'N', pull(here), pull(there)),
    row('plate', 'MPa', here.plateStress.value, there.plateStress.value),
    ...(here.farStress.value > 0 && there.farStress.value > 0
      ? [row('behind the skin', 'MPa', here.farStress.value, there.farStress.value)]
      : []),
    row('pressure on the skin', 'MPa', here.pressure.value, there.pressure.value),
  ];
}

const alike = (a: number, b: number): boolean => (a < 1e-9 ? b < 1e-9 : Math.abs(b / a - 1) <= SAME);

function comparedWords(a: number, b: number): string {
  if (a < 1e-9 && b < 1e-9) return 'nothing in either';
  if (a < 1e-9) return 'only in the other';
  if (alike(a, b)) return 'the same';
  const k = b / a;
  return k > 2
    ? `${k.toFixed(1)} times as much`
    : k > 1
      ? `${Math.round((k - 1) * 100)} % more`
      : `${Math.round((1 - k) * 100)} % less`;
}

/** What the two plates would do by themselves, by t³, where loose plates or another thickness are compared; empty else. */
export function cubeLaw(here: Job, there: Job): string {
  const bending = (j: Job) => j.plate.layers * j.plate.thickness.v ** 3;
  const k = bending(here) / bending(there);
  if (Math.abs(k - 1) < 1e-6) return '';
  const sum = (j: Job) =>
    j.plate.layers > 1
      ? `${j.plate.layers} × ${Number(j.plate.thickness.v.toFixed(2))}³`
      : `${Number(j.plate.thickness.v.toFixed(2))}³`;
  return k > 1
    ? `By itself the other plate is ${k.toFixed(1)} times as soft: ${sum(there)} against ${sum(here)} mm³.`
    : `By itself the other plate is ${(1 / k).toFixed(1)} times as stiff: ${sum(there)} against ${sum(here)} mm³.`;
}
