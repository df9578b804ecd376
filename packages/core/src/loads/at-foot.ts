import { placeInAxes, type Vector } from '../geometry/vector';
import type { FootPlace, Stands } from '../standing/stands';
import { inProportion, toFeet, type AtFoot } from '../standing/to-feet';
import { isRefusal, type Refusal } from '../units/refusal';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { besides } from './beside';
import { factored, type LoadCase } from './load-case';

/** The factor a case is counted with. */
export type FactorOf = (c: LoadCase) => number;

const parts = (v: Vector, k: number): Vector => ({
  fx: v.fx * k,
  fy: v.fy * k,
  fz: v.fz * k,
  mx: v.mx * k,
  my: v.my * k,
  mz: v.mz * k,
});

/** What comes to the feet in a case: the whole of it, and its weight where that is counted apart. */
interface Came {
  readonly all: readonly ReadonlyMap<string, AtFoot>[];
  readonly weight: (foot: string, k: number) => Vector | undefined;
  /** What the figures are to be multiplied by, where they were shared with the factor on. */
  readonly by: number;
}

/** What was found last for a case: every foot of a fitting asks for the same. */
const known = new WeakMap<LoadCase, { readonly stands: Stands; readonly found: Came | Refusal }>();
const standAlike = (a: Stands, b: Stands): boolean =>
  a.feet === b.feet && a.rule === b.rule && a.legHeight === b.legHeight && a.count === b.count;

/** A case over the feet. Where feet only rest, nothing is in proportion: it is shared as it counts, and its weight with it. */
function came(c: LoadCase, stands: Stands, factorOf: FactorOf): Came | Refusal {
  if (!inProportion(stands)) {
    const γ = factorOf(c);
    const { weight: _w, onWeight: _o, ...counted } = factored(c, γ);
    const all = toFeet(stands, counted);
    return isRefusal(all) ? all : { all, weight: () => undefined, by: 1 / γ };
  }
  const before = known.get(c);
  if (before && standAlike(before.stands, stands)) return before.found;
  const found = inProportionTo(c, stands);
  known.set(c, { stands, found });
  return found;
}

function inProportionTo(c: LoadCase, stands: Stands): Came | Refusal {
  const all = toFeet(stands, c);
  if (isRefusal(all)) return all;
  if (!c.weight) return { all, weight: () => undefined, by: 1 };
  const weight = toFeet(stands, c.weight);
  if (isRefusal(weight)) return weight;
  const of = new Map(weight.flatMap((m) => [...m.values()].slice(0, 1).map((a) => [a.set, m] as const)));
  const setAt = (foot: string, k: number) => all[k]!.get(foot)!.set;
  return { all, weight: (foot, k) => of.get(setAt(foot, k))?.get(foot)?.load, by: 1 };
}

/** Why the cases cannot be shared to the feet, each by its name. */
export const footRefusals = (cases: readonly LoadCase[], stands: Stands, factorOf: FactorOf): Refusal[] =>
  cases.flatMap((c) => {
    const found = came(c, stands, factorOf);
    return isRefusal(found) ? [{ ...found, because: `${c.name}: ${found.because}` }] : [];
  });

/** How many cases come to the foot that gets most of them. */
export const setsIn = (stands: Stands): number =>
  stands.rule === 'some count' ? binomial(stands.feet.length - 1, stands.count - 1) : 1;

const binomial = (n: number, k: number): number => (k <= 0 ? 1 : (n * binomial(n - 1, k - 1)) / k);

/** The cases of a fitting as they come to one of its feet, in that foot's own axes about its own datum; each set of feet that may carry is a case. */
export function atFoot(cases: readonly LoadCase[], stands: Stands, factorOf: FactorOf, recording: boolean): LoadCase[] {
  const foot = stands.feet.find((f) => f.id === stands.foot);
  if (!foot) return [];
  return cases.flatMap((c) => {
    const found = came(c, stands, factorOf);
    if (isRefusal(found)) return [];
    const several = found.all.length > 1;
    return found.all.flatMap((feet, k) => {
      const one = feet.get(foot.id);
      if (!one) return [];
      const { weight: _w, ...rest } = c;
      const weight = found.weight(foot.id, k);
      const beside = stands.on === 'one panel' ? besides(foot, feet, (id) => found.weight(id, k), found.by) : [];
      const lasts = found.by === 1 ? rest : withoutWeightFactor(rest);
      return [
        {
          ...lasts,
          ...parts(one.load, found.by),
          ...(weight ? { weight } : {}),
          ...(beside.length > 0 ? { beside } : {}),
          id: several ? `${c.id}-${k + 1}` : c.id,
          name: `${c.name}${one.set.idle}`,
          at: placeInAxes(c.at, foot, foot.turn),
          steps: recording ? [...c.steps, ...written(stands, foot, one, c)] : [],
        },
      ];
    });
  });
}

const withoutWeightFactor = ({ onWeight: _o, ...rest }: LoadCase): LoadCase => rest;

// A stiff body on springs: what a foot takes by how far the fitting moves there (statics).
const R_X = formula('R_x', 'k_x·(u_x + θ_y·z − θ_z·y)', 'N');
const R_Y = formula('R_y', 'k_y·(u_y + θ_z·x − θ_x·z)', 'N');
const R_Z = formula('R_z', 'k_z·(u_z + θ_x·y − θ_y·x)', 'N');

/** How each rule reads beside its figures. */
export const RULE_WORDS: Readonly<Record<Stands['rule'], string>> = {
  'force only': 'rigid on feet that take force only: springs at the feet, one 6 × 6 solve (statics)',
  moments: 'rigid on feet, some of which take moments: an evenly sprung pad of their size, one 6 × 6 solve (statics)',
  legs: 'legs that bend under a stiff top: no moment at half their height (portal method, common practice)',
  'some count': 'only so many of the feet count at once: every set by itself (common practice)',
  given: 'force shares as given; the moment left over goes as couples (statics)',
};

/** The arithmetic of what comes to one foot. */
function written(stands: Stands, foot: FootPlace, { load, moves, held, set }: AtFoot, c: LoadCase): LoadCase['steps'] {
  const w = new Working(true);
  const words = RULE_WORDS[stands.rule];
  const place = set.held[set.feet.indexOf(foot)]!;
  w.found('n', set.feet.length, '–', `feet that carry; ${words}`);
  w.found('F_z.fitting', c.fz, 'N', 'of the whole fitting');
  const [u_x = 0, u_y = 0, u_z = 0, θ_x = 0, θ_y = 0, θ_z = 0] = moves;
  if (stands.rule !== 'given' && foot.turn === 0) {
    const { x, y, z } = place;
    const why = 'k against the other feet; u and θ from K·q = F over all feet';
    w.of(R_X, { k_x: foot.stiffness.x, u_x, θ_y, z, θ_z, y }, why);
    w.of(R_Y, { k_y: foot.stiffness.y, u_y, θ_z, x, θ_x, z });
    w.of(R_Z, { k_z: foot.stiffness.z, u_z, θ_x, y, θ_y, x });
  } else {
    w.found('R_x', held.fx, 'N', words);
    w.found('R_y', held.fy, 'N', words);
    w.found('R_z', held.fz, 'N', words);
  }
  const own = `at ${foot.name}, in its own axes`;
  for (const [symbol, way] of [
    ['F_x', 'fx'],
    ['F_y', 'fy'],
    ['F_z', 'fz'],
    ['M_x', 'mx'],
    ['M_y', 'my'],
    ['M_z', 'mz'],
  ] as const)
    w.found(symbol, load[way], way.startsWith('f') ? 'N' : 'N·mm', own);
  return w.steps;
}
