import type { Metal } from '../stock/metals';
import { setback } from '../stock/bends';
import type { Plain } from '../units/quantity';
import type { FreePart, Works } from './free-part';
import { alongFlat, flatStrut, type Strut } from './along-flat';
import { insideRadius, partBlank, type PartBlank } from './part-blank';

type Part = Plain<FreePart>;

/** A place along a part: across it y, in its side view x and z; mm. */
interface Place3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** A section of a part: what it resists of bending about its weak side and of a push or pull; mm³, mm². */
export interface PartSection {
  readonly name: string;
  readonly W: number;
  readonly A: number;
  /** From where the load comes in, mm. */
  readonly arm: number;
  /** Inside radius and thickness of a bend, for a curved bar. */
  readonly bend?: { readonly r: number; readonly t: number };
  /** Throat and width of the weld that closes a kerf. */
  readonly kerf?: { readonly a: number; readonly b: number };
}

/** A part that is judged by what it does. */
export interface WorkingPart {
  readonly name: string;
  readonly use: FreePart['use'];
  readonly metal: Metal;
  readonly works: Plain<Works>;
  /** Of an arm: from its bends to where it is fixed. */
  readonly sections: readonly PartSection[];
  /** Of a brace: see `Strut`; undefined where the straight line between its holes leaves it, or goes round a bend. */
  readonly strut: Strut | undefined;
  /** Of a block: the face it is pressed on, mm². */
  readonly face: number;
}

/** Area, section modulus and second moment about the weak side, mm², mm³, mm⁴; holes through the hollow or flat side taken out. */
function weakSide(s: Part['stock'], width: number, d: number): { A: number; W: number; I: number } {
  switch (s.form) {
    case 'plate':
    case 'flat bar': {
      const [b, t] = [Math.max(0, width - d), s.thickness];
      return { A: b * t, W: (b * t ** 2) / 6, I: (b * t ** 3) / 12 };
    }
    case 'angle': {
      // Equal legs about the axis through the tips' middle: a³·t/12 along the middle lines, to the outside of the tips.
      const [a, t] = [s.leg - s.thickness / 2, s.thickness];
      const I = (a ** 3 * t) / 12;
      const e = a / (2 * Math.SQRT2) + t / Math.SQRT2;
      return { A: 2 * a * t - d * t, W: I / e, I };
    }
    case 'square tube': {
      const [b, h, t] = [Math.max(s.width, s.depth), Math.min(s.width, s.depth), s.wall];
      const I = (b * h ** 3 - (b - 2 * t) * (h - 2 * t) ** 3) / 12 - 2 * d * t * ((h - t) / 2) ** 2;
      return { A: b * h - (b - 2 * t) * (h - 2 * t) - 2 * d * t, W: I / (h / 2), I };
    }
    case 'round tube': {
      const [D, t] = [s.outside, s.wall];
      const I = (Math.PI / 64) * (D ** 4 - (D - 2 * t) ** 4) - 2 * d * t * ((D - t) / 2) ** 2;
      return { A: Math.PI * (D - t) * t - 2 * d * t, W: I / (D / 2), I };
    }
    case 'round bar': {
      const D = s.diameter;
      return {
        A: (Math.PI / 4) * D ** 2 - d * D,
        W: (Math.PI / 32) * D ** 3 - (d * D ** 2) / 6,
        I: (Math.PI / 64) * D ** 4 - (d * D ** 3) / 12,
      };
    }
  }
}

/** The corners of a bar's side view, where the outsides of its legs would meet, and the way each leg runs. */
function sideLegs(s: Extract<Part['stock'], { form: 'flat bar' }>): { readonly at: Place3; readonly a: number }[] {
  let [x, z, a] = [0, 0, 0];
  return s.legs.map((leg, k) => {
    const here = { at: { x, y: 0, z }, a };
    const b = s.bends[k];
    x += leg * Math.cos(a);
    z += leg * Math.sin(a);
    if (b) a += b.up ? b.angle : -b.angle;
    return here;
  });
}

const off = (p: Place3, q: Place3): number => Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z);

const STRAIGHT = { e: 0, A: 1, W: 1 };

/** Holes of a section or a bent bar that stand beside each other across it, as one, each as wide as its slot is long. */
const besideHole = (holes: Part['holes'], h: Part['holes'][number]): number => {
  const wide = (o: typeof h) => Math.max(o.d, o.slot ?? 0);
  return holes
    .filter((o) => (o.leg ?? 0) === (h.leg ?? 0) && Math.abs(o.x - h.x) < (wide(o) + wide(h)) / 2)
    .reduce((sum, o) => sum + wide(o), 0);
};

/** A part as it is judged; nothing where it says nothing of what it does. */
export function workingPart(part: Part, metal: Metal): WorkingPart | undefined {
  const { works } = part;
  if (!works) return undefined;
  const blank = partBlank(part);
  const common = { name: part.name, use: part.use, metal, works, face: regionFace(part) };
  if (works.as === 'block') return { ...common, sections: [], strut: undefined };
  const flat = part.stock.form === 'plate' || (part.stock.form === 'flat bar' && part.stock.bends.length === 0);
  return { ...common, ...(flat ? alongPlate(blank, works.from, works.to) : alongSection(part, works.from, works.to)) };
}

type Judged = Pick<WorkingPart, 'sections' | 'strut'>;

/** A flat part is cut all along the straight line between its two holes, whichever way it is drawn. */
function alongPlate(blank: PartBlank, from: string, to: string): Judged {
  const found = alongFlat(blank, from, to);
  return {
    sections: found?.sections ?? [{ name: `the line from ${from} to ${to}`, W: 0, A: 0, arm: 0 }],
    strut: found && flatStrut(found),
  };
}

/** A section or a bent bar has one width: it is weakest at its holes and its bends. */
function alongSection(part: Part, from: string, to: string): Judged {
  const { stock: s } = part;
  const hole = (id: string) => part.holes.find((h) => h.id === id)!;
  const [a, b] = [hole(from), hole(to)];
  const place = (h: typeof a): Place3 => {
    if (s.form !== 'flat bar') return { x: h.x, y: h.y, z: 0 };
    const leg = sideLegs(s)[h.leg ?? 0]!;
    return { x: leg.at.x + h.x * Math.cos(leg.a), y: h.y, z: leg.at.z + h.x * Math.sin(leg.a) };
  };
  const load = place(a);
  const width = s.form === 'flat bar' ? s.width : 0;
  // Along the part, legs first.
  const before = (h: typeof a, o: typeof a) => (h.leg ?? 0) - (o.leg ?? 0) || h.x - o.x;
  const [first, last] = before(a, b) < 0 ? [a, b] : [b, a];
  const between = part.holes.filter((h) => before(h, first) >= 0 && before(h, last) <= 0 && h.id !== from);
  const at = (h: typeof a) => weakSide(s, width, besideHole(part.holes, h));
  const ends = weakSide(s, width, 0);
  const inner = between.filter((h) => h.id !== to).map(at);
  const weakest = inner.reduce((least, x) => (x.I / x.A < least.I / least.A ? x : least), ends);
  return {
    sections: [
      ...bendSections(part, load),
      ...between.map((h) => ({
        ...at(h),
        name: h.id === to ? `its fixing ${to}` : `its hole ${h.id}`,
        arm: off(load, place(h)),
      })),
    ],
    strut:
      s.form === 'flat bar' && (a.leg ?? 0) !== (b.leg ?? 0)
        ? undefined
        : {
            L: off(load, place(b)),
            i: Math.sqrt(weakest.I / weakest.A),
            A: Math.min(ends.A, ...inner.map((x) => x.A)),
            net: Math.min(...[a, ...between].map((h) => at(h).A)),
            lopsided: STRAIGHT,
          },
  };
}

/** Bends between where the load comes in and where the part is fixed. */
function bendSections(part: Part, load: Place3): PartSection[] {
  const { stock: s, works } = part;
  if (s.form !== 'flat bar' || s.bends.length === 0 || !works || works.as === 'block') return [];
  const legOf = (id: string) => part.holes.find((h) => h.id === id)!.leg ?? 0;
  const [a, b] = [legOf(works.from), legOf(works.to)];
  const legs = sideLegs(s);
  return s.bends.flatMap((bend, k): PartSection[] => {
    if (k < Math.min(a, b) || k >= Math.max(a, b)) return [];
    const corner = legs[k + 1]!.at;
    // The far side of the bend may be as far again as its setback.
    const arm = off(load, corner) + setback(bend.angle, insideRadius(bend), s.thickness);
    const whole = { name: `bend ${k + 1}`, W: (s.width * s.thickness ** 2) / 6, A: s.width * s.thickness, arm };
    return bend.made === 'kerf'
      ? [{ ...whole, kerf: { a: bend.throat!, b: s.width } }]
      : [{ ...whole, bend: { r: bend.radius, t: s.thickness } }];
  });
}

/** The face a block is pressed on: its flat, or a bar's length by its width. */
function regionFace(part: Part): number {
  const { volume, thickness, holes } = partBlank(part);
  const whole = part.stock.form === 'plate' || part.stock.form === 'flat bar' ? volume / thickness : 0;
  return Math.max(
    0,
    whole - holes.reduce((sum, h) => sum + (Math.PI / 4) * h.d ** 2 + (h.slot ? (h.slot.long - h.d) * h.d : 0), 0),
  );
}
