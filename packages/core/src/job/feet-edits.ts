import { takesPart } from '../loads/put';
import { assumed, fromSheet, type Quantity } from '../units/quantity';
import { atFoot, designOf, drawnBy, footOf } from './at-foot';
import { mirroredDesign } from './mirrored';
import type { Skin } from './schema';
import { emptySurvey } from './survey';
import { MAX_FEET, USUAL_STANDING, type Foot, type Standing, type WholeJob } from './whole-job';

/** What is under a new foot is what was found under another, until somebody measures there. */
function unmeasured(skin: Skin): Skin {
  const isQuantity = (v: unknown): v is Quantity => typeof v === 'object' && v !== null && 'v' in v && 'from' in v;
  return Object.fromEntries(
    Object.entries(skin).map(([k, v]) => [k, isQuantity(v) && v.from === 'measured' ? assumed(v.v, v.text) : v]),
  ) as Skin;
}

/** Where feet share the load, no load says which part of it one plate takes. */
const sharesUndone = (whole: WholeJob): WholeJob['loads'] =>
  whole.loads.map((l) =>
    takesPart(l) && l.values['share']!.v !== 1 ? { ...l, values: { ...l.values, share: fromSheet(1, '100 %') } } : l,
  );

export const freeFootId = (whole: Pick<WholeJob, 'feet'>): string => {
  for (let n = 1; ; n++) if (!whole.feet.some((f) => f.id === `F${n}`)) return `F${n}`;
};

/** Another foot, made like the one given, at its place; as drawn or mirrored. Nothing where there are as many as can be. */
export function addFoot(
  whole: WholeJob,
  like: string,
  at: Pick<Foot, 'x' | 'y' | 'z'>,
  mirrored = false,
  name?: string,
): WholeJob {
  if (whole.feet.length >= MAX_FEET) return whole;
  const foot = footOf(whole, like);
  const source = drawnBy(whole, foot);
  const id = freeFootId(whole);
  const hand = mirrored !== (foot.like?.mirrored ?? false);
  const made: Foot = {
    id,
    name: name ?? `Foot ${id.slice(1)}`,
    ...at,
    turn: foot.turn,
    ...(foot.holds ? { holds: foot.holds } : {}),
    like: { foot: source.id, mirrored: hand },
    skin: unmeasured(foot.skin),
    survey: emptySurvey(),
  };
  return { ...whole, loads: sharesUndone(whole), feet: [...whole.feet, made] };
}

/** The foot with a design of its own, from now on drawn by itself. */
export const madeItsOwn = (whole: WholeJob, id: string): WholeJob => ({
  ...whole,
  feet: whole.feet.map((f) => {
    if (f.id !== id || !f.like) return f;
    const { like: _l, ...rest } = f;
    return { ...rest, design: designOf(whole, f) };
  }),
});

/** The foot made like another from now on; those made like it follow. Its own design is given up. */
export function madeLike(whole: WholeJob, id: string, other: string, mirrored: boolean): WholeJob {
  const source = drawnBy(whole, footOf(whole, other));
  if (source.id === id) return whole;
  const hand = mirrored !== (footOf(whole, other).like?.mirrored ?? false);
  return {
    ...whole,
    feet: whole.feet.map((f) => {
      if (f.id === id) {
        const { design: _d, ...rest } = f;
        return { ...rest, like: { foot: source.id, mirrored: hand } };
      }
      return f.like?.foot === id ? { ...f, like: { foot: source.id, mirrored: f.like.mirrored !== hand } } : f;
    }),
  };
}

/** Without one of its feet. The next made like it takes its design; the last foot stays. */
export function withoutFoot(whole: WholeJob, id: string): WholeJob {
  if (whole.feet.length < 2) return whole;
  const gone = footOf(whole, id);
  const heir = gone.design ? whole.feet.find((f) => f.like?.foot === id) : undefined;
  const feet = whole.feet
    .filter((f) => f.id !== id)
    .map((f) => {
      if (!heir || f.like?.foot !== id) return f;
      if (f.id !== heir.id) return { ...f, like: { foot: heir.id, mirrored: f.like.mirrored !== heir.like!.mirrored } };
      const { like, ...rest } = f;
      return { ...rest, design: like!.mirrored ? mirroredDesign(gone.design!) : gone.design! };
    });
  const { standing } = whole;
  return { ...whole, standing: { ...standing, count: Math.min(standing.count, feet.length) }, feet };
}

export const changedFoot = (whole: WholeJob, id: string, change: Partial<Omit<Foot, 'id'>>): WholeJob => ({
  ...whole,
  feet: whole.feet.map((f) => (f.id === id ? { ...f, ...change } : f)),
});

/** Common ways of standing. Distances in mm, from the middle of one foot to the middle of the next. */
export const WAYS_TO_STAND = [
  { id: 'one plate', name: 'One plate', asks: [] },
  { id: 'two rails', name: 'Two rails', asks: ['across'] },
  { id: 'four feet', name: 'Four feet', asks: ['along', 'across'] },
  { id: 'two brackets', name: 'Two brackets', asks: ['along'] },
  { id: 'row', name: 'A row', asks: ['count', 'along'] },
] as const;
export type WayToStand = (typeof WAYS_TO_STAND)[number]['id'];

/** What the ways ask for: middles apart fore and aft, across, and how many. */
export interface Apart {
  readonly along: number;
  readonly across: number;
  readonly count: number;
}

interface Stood {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly mirrored: boolean;
}

const PLACED: Readonly<Record<WayToStand, (a: Apart) => readonly Stood[]>> = {
  'one plate': () => [{ name: 'Foot', x: 0, y: 0, mirrored: false }],
  'two rails': ({ across }) => [
    { name: 'Port rail', x: 0, y: across / 2, mirrored: false },
    { name: 'Starboard rail', x: 0, y: -across / 2, mirrored: true },
  ],
  'four feet': ({ along, across }) =>
    (
      [
        ['Fore port', 1, 1],
        ['Fore starboard', 1, -1],
        ['Aft port', -1, 1],
        ['Aft starboard', -1, -1],
      ] as const
    ).map(([name, x, y]) => ({ name, x: (x * along) / 2, y: (y * across) / 2, mirrored: y < 0 })),
  'two brackets': ({ along }) => [
    { name: 'Fore bracket', x: along / 2, y: 0, mirrored: false },
    { name: 'Aft bracket', x: -along / 2, y: 0, mirrored: false },
  ],
  row: ({ count, along }) =>
    Array.from({ length: count }, (_, i) => ({ name: `Foot ${i + 1}`, x: ((count - 1) / 2 - i) * along, y: 0, mirrored: false })),
};

/** To the last figure anybody could have written. */
const tidy = (v: number): number => Number(v.toFixed(9)) || 0;

/** Feet in a line hold nothing about it unless each takes that moment itself; a rail takes what pitches it too. */
const RULE: Readonly<Partial<Record<WayToStand, { readonly takes: { mx: boolean; my: boolean; mz: boolean } }>>> = {
  'two rails': { takes: { mx: false, my: true, mz: false } },
  'two brackets': { takes: { mx: true, my: false, mz: false } },
  row: { takes: { mx: true, my: false, mz: false } },
};

/** The fitting on feet in one of the common ways, each a copy of the foot given, as drawn or mirrored; what is under them is as under that one until measured. */
export function standingAs(whole: WholeJob, from: string, way: WayToStand, apart: Apart): WholeJob {
  const first = footOf(whole, from);
  const rule = RULE[way];
  const { on } = whole.standing;
  const standing: Standing = {
    ...USUAL_STANDING,
    rule: rule ? 'moments' : 'force only',
    ...(on && way !== 'one plate' ? { on } : {}),
  };
  const holds = rule ? { restsOnly: false, ...rule, stiffness: { x: 1, y: 1, z: 1 }, part: 0 } : undefined;
  const { like: _l, holds: _h, ...rest } = first;
  const [head, ...others] = PLACED[way](apart) as [Stood, ...Stood[]];
  const at = { ...rest, id: 'F1', name: head.name, x: tidy(head.x), y: tidy(head.y), z: 0, turn: 0, ...(holds ? { holds } : {}) };
  let next: WholeJob = { ...whole, standing, feet: [{ ...at, design: designOf(whole, first) }] };
  for (const o of others) next = addFoot(next, 'F1', { x: tidy(o.x), y: tidy(o.y), z: 0 }, o.mirrored, o.name);
  return next;
}

/** Whether a foot is drawn by itself, and which are drawn by it. */
export const alikeTo = (whole: WholeJob, id: string): readonly Foot[] => {
  const source = drawnBy(whole, footOf(whole, id));
  return whole.feet.filter((f) => drawnBy(whole, f).id === source.id);
};

/** Where a foot was measured, its own facts stay; else what is under it is taken from another, still not measured. */
export const skinFrom = (whole: WholeJob, id: string, other: string): WholeJob =>
  changedFoot(whole, id, { skin: unmeasured(atFoot(whole, other).skin) });
