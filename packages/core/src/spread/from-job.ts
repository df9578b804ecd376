import type { Point, Rect } from '../geometry/points';
import { boundsOf, contains } from '../geometry/rects';
import type { Resolved } from '../job/resolve';
import { stripsOf } from '../job/strips';
import { timberRow } from '../stock/timber';
import { refuse, type Refusal } from '../units/refusal';
import { lineAt, linesThrough, nodesOf, type Grid } from './grid';
import { isotropic, orthotropic, sandwichPlate, times, type PlateStiffness } from './plate-element';
import type { Contact, Layer, Stack, StackBolt, Support } from './stack';

/** How fine: unknowns aimed at. */
export const MESHES = { draft: 2500, fine: 8000, proof: 30_000 } as const;
export type Mesh = keyof typeof MESHES;

/** Places of the layers in the stack. */
export const BASE = 0;
export const PLATE = 1;
export const SKIN = 2;
export const FAR = 3;

const NU = 0.3;
/** Most bolts a stack is made of. */
const MOST_BOLTS = 60;
/** Modulus of the base, whose metal nobody names: steel (assumed), MPa. */
const E_BASE = 210_000;
const E_WASHER = 210_000;

export interface JobStack {
  readonly stack: Stack;
  readonly mesh: Mesh;
  /** Largest cell, mm. */
  readonly spacing: number;
}

/** Brings a resolved job to layers, contacts, bolts and bearers on one grid. Refuses what is not a plate on a panel, by name. */
export function stackOf(r: Resolved, mesh: Mesh): JobStack | Refusal {
  if (r.skinKind === 'hollow')
    return refuse(
      'skin.kind',
      'the face of a hollow section is not a panel between bearers',
      'sheet, laminate, sandwich, plywood or timber',
    );
  if (r.skinKind === 'bed')
    return refuse(
      'skin.kind',
      'a solid bed does not bend: Base bearing says what it takes',
      'sheet, laminate, sandwich, plywood or timber',
    );
  if (r.bolts.length > MOST_BOLTS) return refuse('bolts.items', `there are ${r.bolts.length} bolts`, `up to ${MOST_BOLTS} bolts`);
  const far = farPieces(r);
  const outer = boundsOf([
    { x: r.panel.x0, y: r.panel.y0 },
    { x: r.panel.x1, y: r.panel.y1 },
    { x: r.plate.x0, y: r.plate.y0 },
    { x: r.plate.x1, y: r.plate.y1 },
  ]);
  const { grid, spacing } = gridFor(r, outer, far, MESHES[mesh]);
  const stack: Stack = {
    grid,
    layers: [
      { name: 'base', outline: r.base, stiffness: isotropic(E_BASE, NU, r.baseThickness), thickness: r.baseThickness },
      {
        name: 'plate',
        outline: r.plate,
        stiffness: times(isotropic(r.plateMetal.E, NU, r.plateThickness), r.plateLayers),
        thickness: r.plateThickness,
      },
      { name: 'skin', outline: outer, stiffness: skinStiffness(r), thickness: r.skinThickness },
      farLayer(r, grid, far),
    ],
    contacts: contactsOf(r),
    bolts: boltsOf(r, grid),
    supports: bearersOf(r, grid),
    springs: [],
  };
  return { stack, mesh, spacing };
}

/** Pieces on the far side: one plate, strips, or a square under each nut with the area of its washer. */
function farPieces(r: Resolved): Rect[] {
  if (r.far.kind === 'plate') return r.far.strips ? stripsOf(r.job) : [r.plate];
  const half = (r.far.outside * Math.sqrt(Math.PI)) / 4;
  return r.bolts.map((b) => ({ x0: b.x - half, x1: b.x + half, y0: b.y - half, y1: b.y + half }));
}

function farLayer(r: Resolved, grid: Grid, pieces: readonly Rect[]): Layer {
  const nx = grid.x.length - 1;
  const mask = new Float64Array(nx * (grid.y.length - 1));
  for (let iy = 0; iy < grid.y.length - 1; iy++)
    for (let ix = 0; ix < nx; ix++) {
      const c: Point = { x: (grid.x[ix]! + grid.x[ix + 1]!) / 2, y: (grid.y[iy]! + grid.y[iy + 1]!) / 2 };
      if (pieces.some((p) => contains(p, c))) mask[ix + iy * nx] = 1;
    }
  const E = r.far.kind === 'plate' ? r.far.metal.E : E_WASHER;
  return {
    name: r.far.kind === 'plate' ? 'backing' : 'washers',
    outline: boundsOf(
      pieces.flatMap((p) => [
        { x: p.x0, y: p.y0 },
        { x: p.x1, y: p.y1 },
      ]),
    ),
    stiffness: isotropic(E, NU, r.far.thickness),
    thickness: r.far.thickness,
    mask,
  };
}

/** The skin's stiffness by its kind. Timber across its grain has a thirtieth of its modulus along it (EN 338: E_90 = E_0/30). */
function skinStiffness(r: Resolved): PlateStiffness {
  const s = r.job.skin;
  const t = r.skinThickness;
  if (s.kind === 'sandwich')
    return sandwichPlate(r.skin.E, NU, s.nearFace.v, s.farFace.v, s.coreModulus.v, t - s.nearFace.v - s.farFace.v);
  if (s.kind === 'timber') {
    const E = timberRow(s.grade)!.E05;
    const [along, across] = s.grain === 'x' ? [E, E / 30] : [E / 30, E];
    return orthotropic(along, across, s.grain === 'x' ? 0.4 : 0.4 / 30, E / 16, E / 16, t);
  }
  return isotropic(r.skin.E, r.skin.nu, t);
}

/** Welded on, or clamped by no bolt of its own, the base moves with the plate; else it may lift off it. */
function contactsOf(r: Resolved): Contact[] {
  const own = r.bolts.some((b) => b.throughBase) && r.job.welds.fitting === 'none';
  const bed = r.bedModulus / r.skinThickness;
  const metal = (2 * Math.min(E_BASE, r.plateMetal.E)) / (r.baseThickness + r.plateThickness * r.plateLayers);
  return [
    { upper: BASE, lower: PLATE, modulus: metal, tied: !own, gap: 0 },
    { upper: PLATE, lower: SKIN, modulus: bed, tied: false, gap: 0 },
    { upper: SKIN, lower: FAR, modulus: bed, tied: false, gap: 0 },
  ];
}

function boltsOf(r: Resolved, grid: Grid): StackBolt[] {
  return r.bolts.map((b): StackBolt => {
    const node = lineAt(grid.x, b.x) + lineAt(grid.y, b.y) * grid.x.length;
    const clamp = (b.throughBase ? r.baseThickness : 0) + r.plateThickness * r.plateLayers + r.skinThickness + r.far.thickness;
    return {
      id: b.id,
      node,
      upper: b.throughBase ? BASE : PLATE,
      lower: FAR,
      stiffness: (r.grade.E * r.As) / (clamp + 0.9 * r.d),
      preload: 0,
    };
  });
}

/** The four bearers as lines that hold the skin up and down and let it turn. */
function bearersOf(r: Resolved, grid: Grid): Support[] {
  const nx = grid.x.length;
  const { panel } = r;
  const out: Support[] = [];
  const along = (of: string, nodes: number[]) => {
    for (const node of nodes) out.push({ layer: SKIN, node, w: true, betaX: false, betaY: false, of });
  };
  const column = (ix: number) =>
    Array.from({ length: grid.y.length }, (_, iy) => iy)
      .filter((iy) => grid.y[iy]! >= panel.y0 - 1e-6 && grid.y[iy]! <= panel.y1 + 1e-6)
      .map((iy) => ix + iy * nx);
  const row = (iy: number) =>
    Array.from({ length: nx }, (_, ix) => ix)
      .filter((ix) => grid.x[ix]! > panel.x0 + 1e-6 && grid.x[ix]! < panel.x1 - 1e-6)
      .map((ix) => ix + iy * nx);
  along('aft', column(lineAt(grid.x, panel.x0)));
  along('fore', column(lineAt(grid.x, panel.x1)));
  along('starboard', row(lineAt(grid.y, panel.y0)));
  along('port', row(lineAt(grid.y, panel.y1)));
  return out;
}

/** Lines through every edge and bolt, and one skin thickness outside the plate's edge, where the skin's peak is read; then as many between as the size allows. */
function gridFor(r: Resolved, outer: Rect, far: readonly Rect[], unknowns: number): { grid: Grid; spacing: number } {
  const t = r.skinThickness;
  const within = (v: number, low: number, high: number) => v > low + 1e-3 && v < high - 1e-3;
  const wanted = (axis: 'x' | 'y') => {
    const [low, high] = axis === 'x' ? (['x0', 'x1'] as const) : (['y0', 'y1'] as const);
    const must = [outer[low], outer[high], r.panel[low], r.panel[high], r.plate[low], r.plate[high], r.base[low], r.base[high]];
    const band = [r.plate[low] - t, r.plate[high] + t].filter((v) => within(v, outer[low], outer[high]));
    return [...must, ...band, ...r.bolts.map((b) => b[axis]), ...far.flatMap((p) => [p[low], p[high]])].filter(
      (v) => v >= outer[low] - 1e-6 && v <= outer[high] + 1e-6,
    );
  };
  const [x, y] = [wanted('x'), wanted('y')];
  const made = (h: number): Grid => ({ x: linesThrough(x, h), y: linesThrough(y, h) });
  // From coarse to fine, the last that stays under the size aimed at.
  let spacing = Math.max(outer.x1 - outer.x0, outer.y1 - outer.y0);
  let grid = made(spacing);
  for (let h = spacing; h > 0.5; h *= 0.93) {
    const next = made(h);
    if (3 * nodesOf(next) * cover(r, outer) > unknowns) break;
    [grid, spacing] = [next, h];
  }
  return { grid, spacing };
}

/** Layers that a grid node has, on the mean. */
function cover(r: Resolved, outer: Rect): number {
  const area = (q: Rect) => (q.x1 - q.x0) * (q.y1 - q.y0);
  return 1 + (area(r.plate) * (r.far.kind === 'plate' ? 2 : 1) + area(r.base)) / area(outer);
}
