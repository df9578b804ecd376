import { crossCuts, lengthOf, metalOf, type CrossCut } from '../geometry/cross-cuts';
import { endsOf } from './made-hole';
import type { PartBlank } from './part-blank';

/** A part pushed and pulled between two of its holes. mm, mm², mm³. */
export interface Strut {
  /** Between its holes. */
  readonly L: number;
  /** Least radius of gyration and least area anywhere between, the holes at its ends left out of account. */
  readonly i: number;
  readonly A: number;
  /** Least area of all. */
  readonly net: number;
  /** Where its outline's middle stands most off the line: how far, and area and modulus of the outline there. */
  readonly lopsided: { readonly e: number; readonly A: number; readonly W: number };
}

/** A flat part cut all along the line between two of its holes. mm, mm², mm³. */
export interface AlongFlat extends Strut {
  /** Sections none of which is both stronger and nearer than another, from where the load comes in on. */
  readonly sections: readonly { readonly name: string; readonly W: number; readonly A: number; readonly arm: number }[];
}

/** The same as a strut. */
export const flatStrut = ({ L, i, A, net, lopsided }: AlongFlat): Strut => ({ L, i, A, net, lopsided });

/** Weak side of so much metal, b wide and t thick: the narrower of the two is bent. */
const modulus = (b: number, t: number): number => (b * t * Math.min(b, t)) / 6;

/** Of every cut the outline's own stretch bent in its plane by a pull off its middle, the worst. */
function mostLopsided(cuts: readonly CrossCut[], t: number): Strut['lopsided'] {
  const all = cuts.map(({ whole }) => {
    const b = lengthOf(whole);
    return { e: Math.abs(whole[0] + whole[1]) / 2, A: b * t, W: (t * b ** 2) / 6 };
  });
  const worth = (x: Strut['lopsided']) => 1 / x.A + x.e / x.W;
  return all.reduce((a, b) => (worth(b) > worth(a) ? b : a));
}

/**
 * Whichever way the part is drawn or turned: the width counted is square to the line from one hole to the other. Undefined where that
 * line leaves the part.
 */
export function alongFlat({ region, holes, thickness: t }: PartBlank, from: string, to: string): AlongFlat | undefined {
  const at = (id: string) => holes.find((h) => h.id === id)!;
  const [a, b] = [at(from), at(to)];
  const voids = (ids: readonly string[]) => holes.filter((h) => !ids.includes(h.id)).map((h) => ({ ends: endsOf(h), d: h.d }));
  const all = crossCuts(region, voids([]), a, b);
  const between = crossCuts(region, voids([from, to]), a, b);
  if (!all || !between) return undefined;
  const L = all.at(-1)!.s;
  const least = Math.min(...between.map(metalOf));
  const near = (s: number) => {
    const h = holes.find((h) => h.id !== from && Math.abs(stationOf(h, a, b) - s) <= h.d / 2);
    return h ? (h.id === to ? `its fixing ${to}` : `its hole ${h.id}`) : `${s.toFixed(0)} mm from ${from}`;
  };
  // From the fixing back: a section nearer to the load is worse only where it has less.
  const sections: AlongFlat['sections'][number][] = [];
  for (const cut of [...all].reverse()) {
    const metal = metalOf(cut);
    const [A, W] = [metal * t, modulus(metal, t)];
    if (sections.every((x) => A < x.A - 1e-9 || W < x.W - 1e-9)) sections.push({ name: near(cut.s), W, A, arm: cut.s });
  }
  return {
    L,
    i: Math.min(least, t) / Math.sqrt(12),
    A: least * t,
    net: Math.min(...all.map(metalOf)) * t,
    sections: sections.reverse(),
    lopsided: mostLopsided(between, t),
  };
}

const stationOf = (p: { x: number; y: number }, a: { x: number; y: number }, b: { x: number; y: number }): number =>
  ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / Math.hypot(b.x - a.x, b.y - a.y);
