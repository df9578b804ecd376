import type { Point, Rect } from '../geometry/points';
import { boundsOf, contains, heightOf, rectAbout, widthOf } from '../geometry/rects';
import { edgeDistance, isInside, type Region } from '../geometry/region';
import { asPlate } from '../job/outlines';
import { isHeldByThreadOf } from '../job/joint';
import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { spreadRulesOf, type SpreadRules } from '../job/spread-rules';
import { stripsOf } from '../job/strips';
import { timberRow } from '../stock/timber';
import type { Grid } from './grid';
import { inPlane, inPlaneOrthotropic, type PlaneStiffness } from './membrane';
import { isotropic, orthotropic, ribbed, sandwichPlate, times, turned, type PlateStiffness } from './plate-element';
import type { Layer, Section } from './stack';

/** Steel, and what a metal nobody names is taken as, MPa. */
export const E_STEEL = 210_000;
export const NU = 0.3;
/** A rigid base is this many times as stiff as its plate. */
const RIGID = 1000;

const solid = (t: number, loose = 1): Section => ({ top: (loose * t * t) / 6, bottom: (loose * t * t) / 6, area: loose * t });

/** Steel. Ribs are smeared over the width they stiffen; its stress is then not read. */
export function baseLayer(r: Resolved, grid: Grid): Layer {
  const { base, ribs } = spreadRulesOf(r.job);
  const plate = isotropic(E_STEEL, NU, r.baseThickness);
  const mask = slotted(r, grid);
  const common = { name: 'base', outline: r.base, thickness: r.baseThickness, ...(mask ? { mask } : {}) };
  if (base === 'rigid') return { ...common, stiffness: times(plate, RIGID), unread: true };
  if (!ribs) return { ...common, stiffness: plate };
  const wide = ribs.along === 'x' ? heightOf(r.base) : widthOf(r.base);
  const along = ribbed(E_STEEL, NU, r.baseThickness, (ribs.count * ribs.thickness * ribs.height) / wide, ribs.height);
  return { ...common, stiffness: ribs.along === 'x' ? along : turned(along), unread: true };
}

/** While its glue holds, it bends with the skin as one: its own stiffness and both areas' about their common axis (parallel axes). */
export function plateLayer(r: Resolved, grid: Grid): Layer {
  const { plateThickness: t, plateLayers: n, plateMetal } = r;
  const own = times(isotropic(plateMetal.E, NU, t), n);
  const mask = r.shaped || r.plateHoles.length > 0 ? shapedMask(grid, r.region) : roundedMask(grid, r.plate, r.job.plate.corner);
  const left = taperedPart(grid, r.plate, spreadRulesOf(r.job).taper);
  const common = { name: 'plate', outline: r.plate, thickness: t, ...(mask ? { mask } : {}), ...(left ? { left } : {}) };
  if (!r.glueHolds || r.job.skin.kind === 'sandwich') return { ...common, stiffness: own, section: solid(t, n) };
  const [A1, A2] = [plateMetal.E * t * n, r.skin.E * r.skinThickness];
  const d = (t * n + r.skinThickness) / 2;
  const more = (A1 * A2 * d * d) / ((A1 + A2) * (1 - NU * NU));
  const k = 1 + more / own.D11;
  // Stress at z from the common axis is E·κ·z: σ = m·E·z/D.
  const e = (d * A2) / (A1 + A2);
  const W = (z: number) => (own.D11 * k * (1 - NU * NU)) / (plateMetal.E * Math.max(Math.abs(z), t / 2));
  return {
    ...common,
    stiffness: { ...times(own, k), S1: own.S1, S2: own.S2 },
    section: { top: W(e + (t * n) / 2), bottom: W(e - (t * n) / 2), area: t * n },
  };
}

export function skinLayer(r: Resolved, grid: Grid, outline: Rect, withMembrane: boolean): Layer {
  const mask = openedSkin(r, grid);
  return {
    name: 'skin',
    outline,
    stiffness: skinStiffness(r),
    thickness: r.skinThickness,
    section: skinSection(r),
    ...(mask ? { mask } : {}),
    ...(withMembrane ? { membrane: skinInPlane(r) } : {}),
  };
}

/** Name of a solid bed, and of what it is held by. */
export const BED = 'bed';
export const isBed = (r: Pick<Resolved, 'skinKind'>): boolean => r.skinKind === 'bed';

/** Ground under the plate that does not bend; how it gives stands in its contact. */
export const bedLayer = (r: Resolved): Layer => ({
  name: BED,
  outline: r.plate,
  stiffness: isotropic(r.bedModulus, 0, r.skinThickness),
  thickness: r.skinThickness,
});

/** Modulus of timber across its grain is a thirtieth of that along it (EN 338: E_90 = E_0/30), its shear modulus a sixteenth. */
function timberModuli(grade: string, grain: 'x' | 'y') {
  const E = timberRow(grade)!.E05;
  return grain === 'x' ? { E1: E, E2: E / 30, nu: 0.4, G: E / 16 } : { E1: E / 30, E2: E, nu: 0.4 / 30, G: E / 16 };
}

function skinStiffness(r: Resolved): PlateStiffness {
  const s = r.job.skin;
  const t = r.skinThickness;
  if (s.kind === 'sandwich')
    return sandwichPlate(r.skin.E, NU, s.nearFace.v, s.farFace.v, s.coreModulus.v, t - s.nearFace.v - s.farFace.v);
  if (s.kind === 'timber') {
    const m = timberModuli(s.grade, s.grain);
    return orthotropic(m.E1, m.E2, m.nu, m.G, m.G, t);
  }
  return isotropic(r.skin.E, r.skin.nu, t);
}

function skinInPlane(r: Resolved): PlaneStiffness {
  const s = r.job.skin;
  if (s.kind === 'sandwich') return inPlane(r.skin.E, NU, s.nearFace.v + s.farFace.v);
  if (s.kind === 'timber') {
    const m = timberModuli(s.grade, s.grain);
    return inPlaneOrthotropic(m.E1, m.E2, m.nu, m.G, r.skinThickness);
  }
  return inPlane(r.skin.E, r.skin.nu, r.skinThickness);
}

function skinSection(r: Resolved): Section {
  const s = r.job.skin;
  if (s.kind !== 'sandwich') return solid(r.skinThickness);
  const [near, far] = [s.nearFace.v, s.farFace.v];
  const d = r.skinThickness - (near + far) / 2;
  return { top: d * near, bottom: d * far, area: near + far };
}

/** Pieces on the far side: one plate, strips, or a square under each nut with the area of its washer; none where a thread in the skin or an anchor in a bed holds. */
export function farPieces(r: Resolved): readonly Rect[] {
  const nuts = r.bolts.filter((_, i) => onFarSide(r, i));
  if (isBed(r) || nuts.length === 0) return [];
  if (r.far.kind === 'plate') return r.far.strips ? stripsOf(r.job) : [r.far.outline];
  return r.bolts.flatMap((b, i) => {
    const { far } = atBolt(r, i);
    if (!onFarSide(r, i) || far.kind !== 'washer') return [];
    const half = (far.outside * Math.sqrt(Math.PI)) / 4;
    return [{ x0: b.x - half, x1: b.x + half, y0: b.y - half, y1: b.y + half }];
  });
}

/** Bolt i is held from the far side, and not by a thread in the skin. */
export const onFarSide = (r: Resolved, i: number): boolean => {
  const { joint } = atBolt(r, i);
  return !isHeldByThreadOf(joint) && joint.holding !== 'lag screw';
};

export function farLayer(r: Resolved, grid: Grid, pieces: readonly Rect[]): Layer {
  const nx = grid.x.length - 1;
  const mask = new Float64Array(nx * (grid.y.length - 1));
  for (let iy = 0; iy < grid.y.length - 1; iy++)
    for (let ix = 0; ix < nx; ix++) {
      const c: Point = { x: (grid.x[ix]! + grid.x[ix + 1]!) / 2, y: (grid.y[iy]! + grid.y[iy + 1]!) / 2 };
      if (pieces.some((p) => contains(p, c))) mask[ix + iy * nx] = 1;
    }
  const drawn = r.far.kind === 'plate' && !r.far.strips && asPlate(r.job) ? shapedMask(grid, r.far.region) : undefined;
  const [E, n] = r.far.kind === 'plate' ? [r.far.metal.E, r.far.layers] : [E_STEEL, 1];
  const corners = pieces.flatMap((p) => [
    { x: p.x0, y: p.y0 },
    { x: p.x1, y: p.y1 },
  ]);
  return {
    name: r.far.kind === 'plate' ? 'backing' : 'washers',
    outline: boundsOf(corners),
    stiffness: times(isotropic(E, NU, r.far.thickness), n),
    thickness: r.far.height,
    section: solid(r.far.thickness, n),
    mask: drawn ?? mask,
  };
}

/** Samples a side by which the part of a cell inside a round corner is counted. */
const FINE = 8;

/** How much of each cell of a grid lies inside, whose edge runs in lines of the grid but for within some rectangles. */
function weighed(grid: Grid, within: readonly Rect[], inside: (x: number, y: number) => boolean): Float64Array {
  const { x, y } = grid;
  const nx = x.length - 1;
  const mask = new Float64Array(nx * (y.length - 1));
  for (let iy = 0; iy < y.length - 1; iy++)
    for (let ix = 0; ix < nx; ix++) {
      const [x0, x1, y0, y1] = [x[ix]!, x[ix + 1]!, y[iy]!, y[iy + 1]!];
      const cut = within.some((q) => q.x0 < x1 && q.x1 > x0 && q.y0 < y1 && q.y1 > y0);
      const side = cut ? FINE : 1;
      let n = 0;
      for (let k = 0; k < side * side; k++)
        if (inside(x0 + (((k % side) + 0.5) / side) * (x1 - x0), y0 + ((Math.floor(k / side) + 0.5) / side) * (y1 - y0))) n++;
      mask[ix + iy * nx] = n / (side * side);
    }
  return mask;
}

/** What slots take out of the base; nothing where its holes are round: those are filled by their bolts. */
function slotted(r: Resolved, grid: Grid): Float64Array | undefined {
  const { holes, hole, slot, slotAlong } = r.job.base;
  if (slot.v <= 0 || holes.length === 0) return undefined;
  const [sx, sy] = slotAlong === 'x' ? [slot.v / 2, 0] : [0, slot.v / 2];
  const off = (h: Point, x: number, y: number) =>
    Math.hypot(Math.max(0, Math.abs(x - h.x) - sx), Math.max(0, Math.abs(y - h.y) - sy));
  // Under a head or washer it is bridged.
  const bridged = (x: number, y: number) => r.bolts.some((b) => Math.hypot(x - b.x, y - b.y) < r.washerOutside / 2);
  const wide = (h: (typeof holes)[number]) => (h.d ?? hole).v;
  const within = holes.map((h) => rectAbout(h, 2 * sx + wide(h), 2 * sy + wide(h)));
  return weighed(grid, within, (x, y) => bridged(x, y) || holes.every((h) => off(h, x, y) > wide(h) / 2));
}

/** Holes in the skin that nothing fills: old ones that stay open, and those of bolts that are wider than what lies over them. */
export const openHoles = (r: Resolved): readonly (Point & { readonly d: number })[] => [
  ...r.job.survey.existing.flatMap(({ x, y, d, use }) => (use === 'stay clear' ? [{ x, y, d: d.v }] : [])),
  ...r.bolts.flatMap(({ x, y }, i) => {
    const { skinHole: d, washerOutside } = atBolt(r, i);
    return d > washerOutside ? [{ x, y, d }] : [];
  }),
];

/** What open holes leave of the skin; nothing where there is none. */
function openedSkin(r: Resolved, grid: Grid): Float64Array | undefined {
  const open = openHoles(r);
  if (open.length === 0) return undefined;
  const within = open.map((h) => rectAbout(h, h.d, h.d));
  return weighed(grid, within, (x, y) => open.every((h) => Math.hypot(x - h.x, y - h.y) > h.d / 2));
}

/** How much of each cell lies within a plate with round corners; nothing where they are square. */
function roundedMask(grid: Grid, o: Rect, radius: number): Float64Array | undefined {
  if (radius <= 0) return undefined;
  const inside = (x: number, y: number): boolean => {
    const dx = Math.max(o.x0 + radius - x, x - (o.x1 - radius), 0);
    const dy = Math.max(o.y0 + radius - y, y - (o.y1 - radius), 0);
    return x >= o.x0 && x <= o.x1 && y >= o.y0 && y <= o.y1 && dx * dx + dy * dy <= radius * radius;
  };
  const corners = [o.x0 + radius / 2, o.x1 - radius / 2].flatMap((x) =>
    [o.y0 + radius / 2, o.y1 - radius / 2].map((y) => rectAbout({ x, y }, radius, radius)),
  );
  return weighed(grid, corners, inside);
}

/** How much of each cell lies on a plate of any outline; cells away from its edge lie on it or off it. */
function shapedMask(grid: Grid, region: Region): Float64Array {
  const { x, y } = grid;
  const nx = x.length - 1;
  const mask = new Float64Array(nx * (y.length - 1));
  for (let iy = 0; iy < y.length - 1; iy++)
    for (let ix = 0; ix < nx; ix++) {
      const [a, b] = [x[ix + 1]! - x[ix]!, y[iy + 1]! - y[iy]!];
      const at = (u: number, v: number) => ({ x: x[ix]! + u * a, y: y[iy]! + v * b });
      const d = edgeDistance(region, at(0.5, 0.5));
      let part = d > 0 ? 1 : 0;
      if (Math.abs(d) < Math.hypot(a, b) / 2) {
        let n = 0;
        for (let k = 0; k < FINE * FINE; k++)
          if (isInside(region, at(((k % FINE) + 0.5) / FINE, (Math.floor(k / FINE) + 0.5) / FINE))) n++;
        part = n / FINE ** 2;
      }
      mask[ix + iy * nx] = part;
    }
  return mask;
}

/** Part of the thickness left in the middle of each cell of a plate thinned towards its edges. */
function taperedPart(grid: Grid, o: Rect, taper: SpreadRules['taper']): Float64Array | undefined {
  if (!taper) return undefined;
  const nx = grid.x.length - 1;
  return Float64Array.from({ length: nx * (grid.y.length - 1) }, (_, i) => {
    const [ix, iy] = [i % nx, Math.floor(i / nx)];
    const [x, y] = [(grid.x[ix]! + grid.x[ix + 1]!) / 2, (grid.y[iy]! + grid.y[iy + 1]!) / 2];
    const inward = Math.max(0, Math.min(x - o.x0, o.x1 - x, y - o.y0, o.y1 - y));
    return inward >= taper.width ? 1 : taper.to + ((1 - taper.to) * inward) / taper.width;
  });
}
