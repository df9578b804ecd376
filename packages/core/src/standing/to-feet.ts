import { about, inTurnedAxes, type Place, type Vector } from '../geometry/vector';
import { refuse, type Refusal } from '../units/refusal';
import { sharesOf, sixOf, springOf, times, vectorOf, type Shares, type Six } from './springs';
import type { FootPlace, Stands } from './stands';

/** Feet that carry at once. */
export interface FootSet {
  readonly feet: readonly FootPlace[];
  readonly shares: Shares;
  /** Where each of them is held, in the fitting's axes; above a leg's foot at half its height. */
  readonly held: readonly Place[];
  /** Words for a case's name: which feet stand idle, where not all carry. */
  readonly idle: string;
}

/** What comes to one foot, in its own axes about its own middle at the plate's face. */
export interface AtFoot {
  readonly load: Vector;
  readonly set: FootSet;
  /** Displacement and turn of the fitting about its datum, relative to the stiffness given. */
  readonly moves: Six;
  /** At the point where it is held, along the fitting's axes. */
  readonly held: Vector;
}

const setOf = (stands: Stands, feet: readonly FootPlace[]): FootSet => {
  const held = feet.map((f): Place => (stands.rule === 'legs' ? { x: f.x, y: f.y, z: f.z + stands.legHeight / 2 } : f));
  const names = stands.feet.filter((f) => !feet.includes(f)).map((f) => f.name);
  return {
    feet,
    held,
    shares: sharesOf(feet.map((f, i) => springOf(f, held[i]!, stands.rule === 'moments'))),
    idle: names.length === 0 ? '' : `, ${names.join(' and ')} idle`,
  };
};

/** Every choice of `count` out of the feet. */
function choices(feet: readonly FootPlace[], count: number): FootPlace[][] {
  if (count >= feet.length) return [[...feet]];
  if (count === 0) return [[]];
  const [first, ...rest] = feet as [FootPlace, ...FootPlace[]];
  return [...choices(rest, count - 1).map((c) => [first, ...c]), ...choices(rest, count)];
}

const known = new WeakMap<readonly FootPlace[], Map<string, readonly FootSet[]>>();

/** The sets of feet that may carry: all of them, or every choice of so many of them. Found once for feet that stay. */
export function setsOf(stands: Stands): readonly FootSet[] {
  const key = `${stands.rule} ${stands.legHeight} ${stands.count}`;
  let byRule = known.get(stands.feet);
  if (!byRule) known.set(stands.feet, (byRule = new Map()));
  let sets = byRule.get(key);
  if (!sets) {
    const count = stands.rule === 'some count' ? stands.count : stands.feet.length;
    sets = choices(stands.feet, count).map((feet) => setOf(stands, feet));
    byRule.set(key, sets);
  }
  return sets;
}

/** Part of a load that nothing holds, over which it is refused. */
const LEFT = 1e-9;
const AXES = [
  'a force along x',
  'a force along y',
  'a force along z',
  'a moment about x',
  'a moment about y',
  'a moment about z',
];
const WANTS = 'feet that hold it: one more beside their line, or one that takes a moment about it';
const HELD_DOWN = 'feet that are held down: one that only rests holds nothing sideways, and no moment';

/** Nothing where the set holds the load, else what it does not hold. */
function notHeld({ shares, feet }: FootSet, p: Six): Refusal | undefined {
  const size = (v: Six) => v.map((x, i) => Math.abs(x) / (i < 3 ? 1 : shares.lever));
  const left = size(times(shares.left, p));
  const all = size(p).reduce((a, b) => a + b, 0);
  const most = Math.max(...left);
  return most > LEFT * Math.max(all, 1e-12)
    ? refuse('standing', `nothing holds ${AXES[left.indexOf(most)]}`, feet.some((f) => f.restsOnly) ? HELD_DOWN : WANTS)
    : undefined;
}

/** The load of a fitting as it comes to each foot of a set that all hold both ways. */
function onSet(stands: Stands, set: FootSet, load: Vector): Map<string, AtFoot> | Refusal {
  const given = stands.rule === 'given';
  // Forces as they are given; what moment is then left over goes as couples.
  const parts = set.feet.map((f) => (given ? f.part : 0));
  const told = set.feet.map((f, i) => givenTo(f, parts[i]!, load));
  const rest = set.feet.reduce((v, f, i) => {
    const one = about(told[i]!, f, DATUM);
    return vectorOf(sixOf(v).map((x, j) => x - sixOf(one)[j]!));
  }, load);
  const p = sixOf(rest);
  const no = notHeld(set, p);
  if (no) return no;
  const moves = times(set.shares.moves, p);
  return new Map(
    set.feet.map((f, i) => {
      const own = sixOf(told[i]!);
      const held = vectorOf(times(set.shares.maps[i]!, p).map((x, j) => x + own[j]!));
      return [f.id, { load: inTurnedAxes(about(held, set.held[i]!, f), f.turn), set, moves, held }];
    }),
  );
}

const DATUM: Place = { x: 0, y: 0, z: 0 };

/** The force a foot is told to take: a foot that only rests takes its part of what comes down, and nothing sideways. */
const givenTo = (f: FootPlace, k: number, { fx, fy, fz }: Vector): Vector =>
  f.restsOnly ? { fx: 0, fy: 0, fz: k * fz, mx: 0, my: 0, mz: 0 } : { fx: k * fx, fy: k * fy, fz: k * fz, mx: 0, my: 0, mz: 0 };

/** Pull that counts as none, as a part of the load. */
const HAIR = 1e-9;
const ROUNDS = 60;

/** The same where some feet only rest: those that would be pulled let go, those pressed come back (what touches, by turns). */
function resting(stands: Stands, set: FootSet, load: Vector): Map<string, AtFoot> | Refusal {
  let on = new Set(set.feet.map((f) => f.id));
  const size = Math.hypot(load.fx, load.fy, load.fz) + Math.hypot(load.mx, load.my, load.mz) / set.shares.lever;
  for (let round = 0; round < ROUNDS; round++) {
    const part =
      on.size === set.feet.length
        ? set
        : setOf(
            stands,
            set.feet.filter((f) => on.has(f.id)),
          );
    const found =
      part.feet.length === 0
        ? refuse('standing', 'no foot is left that holds it', 'feet that are held down')
        : onSet(stands, part, load);
    if (!(found instanceof Map)) return found;
    const pulled = part.feet.filter((f) => f.restsOnly && found.get(f.id)!.load.fz > HAIR * size);
    if (pulled.length > 0) {
      const most = pulled.reduce((a, b) => (found.get(b.id)!.load.fz > found.get(a.id)!.load.fz ? b : a));
      on = new Set([...on].filter((id) => id !== most.id));
      continue;
    }
    const [, , uz = 0, tx = 0, ty = 0] = [...found.values()][0]!.moves;
    const back = set.feet.find((f) => !on.has(f.id) && uz + tx * f.y - ty * f.x < -HAIR * size);
    if (!back) return found;
    on = new Set([...on, back.id]);
  }
  return refuse('standing', 'which of the resting feet touch is not settled', 'feet that are held down');
}

/**
 * What comes to each foot of a fitting under a load at its datum, set by set; a set that cannot hold the load tips over onto
 * another and is left out. Refused where no set holds it. Statics and a rigid body on springs; `legs`: portal method, no moment at half height.
 */
export function toFeet(stands: Stands, load: Vector): readonly ReadonlyMap<string, AtFoot>[] | Refusal {
  const rests = stands.feet.some((f) => f.restsOnly);
  let first: Refusal | undefined;
  const out: Map<string, AtFoot>[] = [];
  for (const set of setsOf(stands)) {
    const found = rests ? resting(stands, set, load) : onSet(stands, set, load);
    if (found instanceof Map) out.push(found);
    else first ??= found;
  }
  return out.length > 0 ? out : first!;
}

/** True where what comes to a foot is in proportion to the load, and loads may be shared one by one. */
export const inProportion = (stands: Stands): boolean => !stands.feet.some((f) => f.restsOnly);
