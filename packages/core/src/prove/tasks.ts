import type { Verdict } from '../chain/evaluate';
import type { Family } from '../loads/registry';
import type { MadeOf } from '../shop/made-of';
import { beddingOf } from '../shop/bedding';
import { tightenTo } from '../shop/tightening';
import { boltLife } from './bolt-life';

/** When something falls due: so many days or months from going into use, or from when it was done last; or by use. */
export type Every =
  | { readonly days: number; readonly once?: true }
  | { readonly months: number }
  | { readonly miles: number; readonly once?: true }
  | { readonly times: number };

export interface Task {
  readonly id: string;
  readonly name: string;
  /** What is done, in a line. */
  readonly what: string;
  readonly every: Every;
  /** The feet it is done at, each by itself, where there are several. */
  readonly feet?: readonly { readonly id: string; readonly name: string }[];
  /** The source, or "common practice". */
  readonly source: string;
}

const ON_ROAD: readonly Family[] = ['seat', 'competition', 'towing', 'suspension', 'recovery'];
const LIFTS: readonly Family[] = ['lifting', 'davit'];
const ALOFT: readonly Family[] = ['rigging', 'mast'];
/** Loads that come and go often enough to count (EN 1993-1-9 names none: common practice). */
export const COUNTED: readonly Family[] = ['suspension', 'towing', 'rigging', 'winch', 'lifting', 'mast', 'davit', 'gate'];

/** A first look at a tenth of the life reckoned (common practice). */
const LOOK = 10;

/** What falls due on a job after it is made, by its families, where it stands and what it is made of. */
export function tasksOf(of: MadeOf, verdicts: readonly Verdict[]): Task[] {
  const feet = of.whole.feet.map(({ id, name }) => ({ id, name }));
  return asked(of, verdicts).map((t) => (feet.length > 1 ? { ...t, feet } : t));
}

function asked(of: MadeOf, verdicts: readonly Verdict[]): Task[] {
  const { family, loads } = of.whole;
  const places = of.feet.map(({ job }) => job.joint.place);
  const wet = places.some((p) => p === 'salt');
  const out = places.some((p) => p === 'salt' || p === 'weather');
  const turned = of.feet.some(({ r }) => r.bolts.length > 0 && tightenTo(r).torque !== undefined);
  const uses = new Set(of.feet.flatMap(({ r }) => beddingOf(r, of.whole.making)).map((b) => b.use));
  const is = (families: readonly Family[]) => families.includes(family);
  const practice = 'common practice';
  return [
    ...(turned
      ? [
          {
            id: 're-torque-first',
            name: 'Tighten again after first use',
            what: 'every bolt to its torque; a bolt that turns is written down',
            every: { days: 1, once: true as const },
            source: practice,
          },
        ]
      : []),
    ...(turned && is(ON_ROAD)
      ? [
          {
            id: 're-torque-50',
            name: 'Tighten again after 50 miles',
            what: 'every bolt to its torque',
            every: { miles: 50, once: true as const },
            source: practice,
          },
        ]
      : []),
    ...(turned
      ? [
          {
            id: 're-torque',
            name: 'Tighten again, each season',
            what: 'every bolt to its torque',
            every: { months: 12 },
            source: practice,
          },
        ]
      : []),
    ...(is(LIFTS) || loads.some((l) => l.kind === 'lifting')
      ? [
          {
            id: 'thorough',
            name: 'Thorough examination',
            what: 'by a competent person, as the local code asks; this list does not replace it',
            every: { months: 6 },
            source:
              'lifting accessories and lifting of people every 6 months, other lifting gear 12 (LOLER 1998 reg. 9(3)(a), from memory); the local code decides',
          },
        ]
      : []),
    ...(is(ON_ROAD)
      ? [
          {
            id: 'road',
            name: 'Look before the road test',
            what: 'cracks, rust, looseness, at what works hardest',
            every: { months: 12 },
            source: practice,
          },
        ]
      : []),
    ...(is(ALOFT)
      ? [
          {
            id: 'rig',
            name: 'Rig look',
            what: 'feet, plates, pins and split pins; nobody goes up on what was not looked at',
            every: { months: 12 },
            source: practice,
          },
        ]
      : []),
    {
      id: 'look',
      name: wet ? 'Look, where there is salt' : 'Look',
      what: 'what works hardest, cracks, rust, stains, looseness',
      every: { months: wet ? 6 : 12 },
      source: practice,
    },
    ...(uses.has('sealant')
      ? [
          {
            id: 'bed-again',
            name: 'Bed again',
            what: 'off, clean, new sealant',
            every: { months: out ? 60 : 120 },
            source: practice,
          },
        ]
      : []),
    ...(uses.has('paint')
      ? [
          {
            id: 'coat-again',
            name: 'Coat again',
            what: 'where it is chipped, thin or rusty',
            every: { months: wet ? 24 : 60 },
            source: practice,
          },
        ]
      : []),
    ...lifeTask(of, verdicts),
  ];
}

function lifeTask(of: MadeOf, verdicts: readonly Verdict[]): Task[] {
  if (!COUNTED.includes(of.whole.family)) return [];
  const lives = of.feet.flatMap(({ r, name }, i) => {
    const life = verdicts[i] && boltLife(r, verdicts[i]);
    return life && Number.isFinite(life.times) ? [{ ...life, foot: name }] : [];
  });
  if (lives.length === 0) return [];
  const least = lives.reduce((a, b) => (b.times < a.times ? b : a));
  const n = Math.floor(least.times);
  const at = least.foot ? `${least.foot}, ${least.bolt}` : least.bolt;
  const source = 'EN 1993-1-9 category 50, γMf 1.35 (from memory)';
  const ends = `${n.toLocaleString('en')} loads of ${least.caseName} (${at} in tension with its prying; plate, skin, welds and thread in shear are not judged for fatigue)`;
  return [
    {
      id: 'life',
      name: `Bolts: a look every ${Math.max(1, Math.floor(n / LOOK)).toLocaleString('en')} loads`,
      what: `new bolts before ${ends}`,
      every: { times: Math.max(1, Math.floor(n / LOOK)) },
      source: `${source}; a look at a tenth: common practice`,
    },
    {
      id: 'life-renew',
      name: `New bolts every ${Math.max(1, n).toLocaleString('en')} loads`,
      what: `all bolts of the fitting and their nuts: good for ${ends}`,
      every: { times: Math.max(1, n) },
      source,
    },
  ];
}
