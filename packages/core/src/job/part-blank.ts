import { regionOf } from '../geometry/outline';
import type { Point, Rect } from '../geometry/points';
import { loopBounds, regionArea, roundedRect, type Region } from '../geometry/region';
import { allowanceOf, kFactor, setback } from '../stock/bends';
import type { Plain } from '../units/quantity';
import type { FreePart, StockForm } from './free-part';
import { holeCut, type HoleCut } from './made-hole';

type Bar = Extract<Plain<StockForm>, { form: 'flat bar' }>;

/** A bend on the flat: where it starts and ends along x, mm. */
export interface FlatBend {
  readonly from: number;
  readonly to: number;
  readonly angle: number;
  readonly radius: number;
  readonly up: boolean;
}

/** A part as it is marked out before it is bent: its flat, or the side of a section that is sawn to length. mm. */
export interface PartBlank {
  readonly region: Region;
  readonly bounds: Rect;
  /** Of plate and flat bar; how deep a section is seen from that side. */
  readonly thickness: number;
  readonly holes: readonly HoleCut[];
  readonly bends: readonly FlatBend[];
  /** Metal of one piece before its holes, mm³. */
  readonly volume: number;
  /** Metal each hole goes through, mm: two walls of a tube. */
  readonly through: number;
}

/** Inside radius of a bend: a kerf has none. */
export const insideRadius = (b: Bar['bends'][number]): number => (b.made === 'kerf' ? 0 : b.radius);

/** Straight and bent stretches of a bar laid flat, from its first end: where each bend starts and ends, and where each leg is measured from. */
function laidFlat(s: Bar): { readonly length: number; readonly bends: readonly FlatBend[]; readonly origins: readonly number[] } {
  const bends: FlatBend[] = [];
  const origins = [0];
  let at = 0;
  s.legs.forEach((leg, k) => {
    const before = s.bends[k - 1];
    const after = s.bends[k];
    const back = (b: Bar['bends'][number] | undefined) => (b ? setback(b.angle, insideRadius(b), s.thickness) : 0);
    at += leg - back(before) - back(after);
    if (!after) return;
    // A kerf closes on what is left of the thickness at its outside: nothing there is drawn in or out.
    const K = after.made === 'kerf' ? 1 : kFactor(after.radius, s.thickness);
    const BA = allowanceOf(after.angle, insideRadius(after), s.thickness, K);
    bends.push({ from: at, to: at + BA, angle: after.angle, radius: insideRadius(after), up: after.up });
    at += BA;
    origins.push(at - back(after));
  });
  return { length: at, bends, origins };
}

const rect = (length: number, width: number): Rect => ({ x0: -length / 2, x1: length / 2, y0: -width / 2, y1: width / 2 });

/** The two half circles of a link's ends and the straights between them. */
function strap({ x0, x1, y0, y1 }: Rect): Region {
  const r = (y1 - y0) / 2;
  return {
    outer: [
      { x: x0 + r, y: y0, bulge: 0 },
      { x: x1 - r, y: y0, bulge: 1 },
      { x: x1 - r, y: y1, bulge: 0 },
      { x: x0 + r, y: y1, bulge: 1 },
    ],
    openings: [],
  };
}

/** What a form is before any hole: its flat or its side, its depth, its metal. */
function formOf(
  s: Plain<StockForm>,
): Omit<PartBlank, 'holes' | 'bends' | 'bounds'> & { readonly bends: readonly FlatBend[]; readonly origins: readonly number[] } {
  const side = (length: number, width: number, thickness: number, area: number, through = thickness) => ({
    region: roundedRect(rect(length, width), 0),
    thickness,
    volume: area * length,
    through,
    bends: [],
    origins: [],
  });
  switch (s.form) {
    case 'plate': {
      const region = regionOf(s.outline);
      return {
        region,
        thickness: s.thickness,
        volume: regionArea(region) * s.thickness,
        through: s.thickness,
        bends: [],
        origins: [],
      };
    }
    case 'flat bar': {
      const { length, bends, origins } = laidFlat(s);
      const flat = rect(length, s.width);
      const region = s.rounded ? strap(flat) : roundedRect(flat, 0);
      const shift = (b: FlatBend): FlatBend => ({ ...b, from: b.from - length / 2, to: b.to - length / 2 });
      return {
        region,
        thickness: s.thickness,
        volume: regionArea(region) * s.thickness,
        through: s.thickness,
        bends: bends.map(shift),
        origins: origins.map((o) => o - length / 2),
      };
    }
    case 'angle':
      return side(s.length, s.leg, s.other, s.thickness * (s.leg + s.other - s.thickness), s.thickness);
    case 'square tube':
      return side(s.length, s.width, s.depth, s.width * s.depth - (s.width - 2 * s.wall) * (s.depth - 2 * s.wall), 2 * s.wall);
    case 'round tube':
      return side(s.length, s.outside, s.outside, Math.PI * (s.outside - s.wall) * s.wall, 2 * s.wall);
    case 'round bar':
      return side(s.length, s.diameter, s.diameter, (Math.PI / 4) * s.diameter ** 2);
  }
}

/** The part laid flat, its holes where they are drilled before it is bent. */
export function partBlank({ stock, holes }: Pick<Plain<FreePart>, 'stock' | 'holes'>): PartBlank {
  const { origins, ...form } = formOf(stock);
  const bent = form.bends.length > 0;
  return {
    ...form,
    bounds: loopBounds(form.region.outer),
    holes: holes.map(({ leg = 0, ...h }) => holeCut({ ...h, x: bent ? (origins[leg] ?? 0) + h.x : h.x })),
  };
}

/** Samples of a bend's arc. */
const ARC = 8;

/** The part seen from its side as bent, both faces of it as one ring, mm; nothing of a part that is not bent. */
export function sideView({ stock }: Pick<Plain<FreePart>, 'stock'>): readonly Point[] {
  if (stock.form !== 'flat bar' || stock.bends.length === 0) return [];
  const t = stock.thickness;
  const middle: { p: Point; a: number }[] = [];
  let p: Point = { x: 0, y: 0 };
  let a = 0;
  const go = (d: number) => (p = { x: p.x + d * Math.cos(a), y: p.y + d * Math.sin(a) });
  middle.push({ p, a });
  stock.legs.forEach((leg, k) => {
    const [before, after] = [stock.bends[k - 1], stock.bends[k]];
    const back = (b: Bar['bends'][number] | undefined) => (b ? setback(b.angle, insideRadius(b), t) : 0);
    go(leg - back(before) - back(after));
    middle.push({ p, a });
    if (!after) return;
    const sign = after.up ? 1 : -1;
    const step = after.angle / ARC;
    for (let i = 0; i < ARC; i++) {
      // Chords of the middle line, each turned half a step before and half after.
      a += (sign * step) / 2;
      go(2 * (insideRadius(after) + t / 2) * Math.sin(step / 2));
      a += (sign * step) / 2;
      middle.push({ p, a });
    }
  });
  // Its longest leg lies level.
  const longest = stock.legs.reduce((at, l, k) => (l > stock.legs[at]! ? k : at), 0);
  const lean = stock.bends.slice(0, longest).reduce((sum, b) => sum + (b.up ? b.angle : -b.angle), 0);
  const level = ({ x, y }: Point): Point => ({
    x: x * Math.cos(lean) + y * Math.sin(lean),
    y: -x * Math.sin(lean) + y * Math.cos(lean),
  });
  const face = (s: 1 | -1) =>
    middle.map((m) => ({ x: m.p.x - (s * t * Math.sin(m.a)) / 2, y: m.p.y + (s * t * Math.cos(m.a)) / 2 }));
  return [...face(1), ...face(-1).reverse()].map(level);
}
