import type { Rect } from '../geometry/points';
import { roundedRect } from '../geometry/region';
import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { metal } from '../stock/metals';
import type { CutPart } from './cut-parts';

/** Spacers and sleeves are cut from plain steel tube (common practice). */
const TUBE_METAL = 'S235';
/** Lengths that one stop of the saw serves, mm. */
const SAME = 0.05;

interface Tube {
  readonly what: 'spacer' | 'sleeve';
  readonly outside: number;
  readonly wall: number;
  readonly length: number;
}

/** What stands round bolt i: a spacer as high as the plate stands there, a sleeve through the skin. */
function tubesAt(r: Resolved, i: number): Tube[] {
  const at = atBolt(r, i);
  const { sleeve, packing, tubeOutside: outside, tubeWall } = at.joint;
  const wall = Math.min(tubeWall, outside / 2);
  const high = r.bolts[i]!.packed;
  return [
    ...(packing === 'spacers' && high > 0 ? [{ what: 'spacer' as const, outside, wall, length: high }] : []),
    ...(sleeve === 'sleeve' ? [{ what: 'sleeve' as const, outside, wall, length: at.skinThickness }] : []),
  ];
}

const alike = (a: Tube, b: Tube): boolean =>
  a.what === b.what && a.outside === b.outside && a.wall === b.wall && Math.abs(a.length - b.length) < SAME;

/** Spacers and sleeves as they are sawn from tube: those of one length together, with the bolts they stand round. */
export function tubesRoundBolts(r: Resolved): CutPart[] {
  const cut: { readonly tube: Tube; readonly bolts: string[] }[] = [];
  r.bolts.forEach((b, i) => {
    for (const tube of tubesAt(r, i)) {
      const row = cut.find((c) => alike(c.tube, tube));
      if (row) row.bolts.push(b.id);
      else cut.push({ tube, bolts: [b.id] });
    }
  });
  return cut.map(({ tube, bolts }) => asPart(tube, bolts, cut.filter((c) => c.tube.what === tube.what).length > 1));
}

function asPart({ what, outside, wall, length }: Tube, bolts: readonly string[], several: boolean): CutPart {
  const bounds: Rect = { x0: 0, x1: length, y0: -outside / 2, y1: outside / 2 };
  return {
    id: `${what}-${bolts[0]!}`,
    name: several ? `${what} ${Number(length.toFixed(1))} mm` : what,
    region: roundedRect(bounds, 0),
    bounds,
    holes: [],
    bends: [],
    metal: metal(TUBE_METAL)!,
    thickness: outside,
    count: bolts.length,
    stock: `round tube ${Number(outside.toFixed(2))} × ${Number(wall.toFixed(2))} mm`,
    sawn: true,
    volume: Math.PI * (outside - wall) * wall * length,
    on: `round ${bolts.join(', ')}`,
    roundBolts: true,
  };
}
