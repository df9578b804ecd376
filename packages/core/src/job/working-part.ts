import { rayToEdge } from '../geometry/region';
import type { Metal } from '../stock/metals';
import { setback } from '../stock/bends';
import type { Plain } from '../units/quantity';
import type { FreePart, Works } from './free-part';
import { insideRadius, partBlank } from './part-blank';

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
  /** Of a brace: between its holes, its least radius of gyration, its area whole and less its holes. */
  readonly strut: { readonly L: number; readonly i: number; readonly A: number; readonly net: number };
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

/** A part as it is judged; nothing where it says nothing of what it does. */
export function workingPart(part: Part, metal: Metal): WorkingPart | undefined {
  const { works, stock: s } = part;
  if (!works) return undefined;
  const blank = partBlank(part);
  const face = regionFace(part);
  const common = { name: part.name, use: part.use, metal, works, face };
  if (works.as === 'block') return { ...common, sections: [], strut: { L: 0, i: 1, A: 0, net: 0 } };
  const hole = (id: string) => part.holes.find((h) => h.id === id)!;
  const [from, to] = [hole(works.from), hole(works.to)];
  const place = (h: typeof from): Place3 => {
    if (s.form !== 'flat bar' || s.bends.length === 0) return { x: h.x, y: h.y, z: 0 };
    const leg = sideLegs(s)[h.leg ?? 0]!;
    return { x: leg.at.x + h.x * Math.cos(leg.a), y: h.y, z: leg.at.z + h.x * Math.sin(leg.a) };
  };
  const load = place(from);
  const cutAt = blank.holes.find((h) => h.id === works.to)!;
  // Across the part at its fixing: metal either side of the hole.
  const across =
    s.form === 'plate'
      ? rayToEdge(blank.region, cutAt, { x: 0, y: 1 }) + rayToEdge(blank.region, cutAt, { x: 0, y: -1 })
      : widthOf(s);
  const wide = Math.max(to.d, ...(to.slot ? [to.slot] : []));
  const fixing = weakSide(s, across, wide);
  const gross = weakSide(s, across, 0);
  const net = weakSide(s, across, Math.max(wide, from.d, from.slot ?? 0));
  return {
    ...common,
    sections: [...bendSections(part, load), { name: `its fixing ${to.id}`, W: fixing.W, A: fixing.A, arm: off(load, place(to)) }],
    strut: { L: off(load, place(to)), i: Math.sqrt(gross.I / gross.A), A: gross.A, net: net.A },
  };
}

const widthOf = (s: Part['stock']): number => (s.form === 'flat bar' ? s.width : 0);

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
