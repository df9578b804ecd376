import type { Point, Rect } from '../geometry/points';
import { boundsOf, contains } from '../geometry/rects';
import { isHeldByThreadOf } from '../job/joint';
import type { Resolved } from '../job/resolve';
import { spreadRulesOf, type SpreadRules } from '../job/spread-rules';
import { stripsOf } from '../job/strips';
import { timberRow } from '../stock/timber';
import type { Grid } from './grid';
import { inPlane, inPlaneOrthotropic, type PlaneStiffness } from './membrane';
import { isotropic, orthotropic, sandwichPlate, times, type PlateStiffness } from './plate-element';
import type { Layer, Section } from './stack';

/** Steel, and what a metal nobody names is taken as, MPa. */
export const E_STEEL = 210_000;
export const NU = 0.3;
/** A rigid base is this many times as stiff as its plate. */
const RIGID = 1000;

const solid = (t: number, loose = 1): Section => ({ top: (loose * t * t) / 6, bottom: (loose * t * t) / 6, area: loose * t });

export function baseLayer(r: Resolved): Layer {
  const plate = isotropic(E_STEEL, NU, r.baseThickness);
  return {
    name: 'base',
    outline: r.base,
    stiffness: spreadRulesOf(r.job).base === 'rigid' ? times(plate, RIGID) : plate,
    thickness: r.baseThickness,
  };
}

/** Bonded, it bends with the skin as one: its own stiffness and both areas' about their common axis (parallel axes). */
export function plateLayer(r: Resolved, grid: Grid): Layer {
  const { plateThickness: t, plateLayers: n, plateMetal } = r;
  const own = times(isotropic(plateMetal.E, NU, t), n);
  const mask = roundedMask(grid, r.plate, r.job.plate.corner);
  const left = taperedPart(grid, r.plate, spreadRulesOf(r.job).taper);
  const common = { name: 'plate', outline: r.plate, thickness: t, ...(mask ? { mask } : {}), ...(left ? { left } : {}) };
  if (!isBonded(r) || r.job.skin.kind === 'sandwich') return { ...common, stiffness: own, section: solid(t, n) };
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

export const isBonded = (r: Resolved): boolean => r.job.joint.bedding === 'bonded';

export function skinLayer(r: Resolved, outline: Rect, withMembrane: boolean): Layer {
  return {
    name: 'skin',
    outline,
    stiffness: skinStiffness(r),
    thickness: r.skinThickness,
    section: skinSection(r),
    ...(withMembrane ? { membrane: skinInPlane(r) } : {}),
  };
}

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

/** Pieces on the far side: one plate, strips, or a square under each nut with the area of its washer; none where a thread in the skin holds. */
export function farPieces(r: Resolved): readonly Rect[] {
  if (isHeldByThreadOf(r.job.joint) || r.job.joint.holding === 'lag screw') return [];
  if (r.far.kind === 'plate') return r.far.strips ? stripsOf(r.job) : [r.plate];
  const half = (r.far.outside * Math.sqrt(Math.PI)) / 4;
  return r.bolts.map((b) => ({ x0: b.x - half, x1: b.x + half, y0: b.y - half, y1: b.y + half }));
}

export function farLayer(r: Resolved, grid: Grid, pieces: readonly Rect[]): Layer {
  const nx = grid.x.length - 1;
  const mask = new Float64Array(nx * (grid.y.length - 1));
  for (let iy = 0; iy < grid.y.length - 1; iy++)
    for (let ix = 0; ix < nx; ix++) {
      const c: Point = { x: (grid.x[ix]! + grid.x[ix + 1]!) / 2, y: (grid.y[iy]! + grid.y[iy + 1]!) / 2 };
      if (pieces.some((p) => contains(p, c))) mask[ix + iy * nx] = 1;
    }
  const E = r.far.kind === 'plate' ? r.far.metal.E : E_STEEL;
  const corners = pieces.flatMap((p) => [
    { x: p.x0, y: p.y0 },
    { x: p.x1, y: p.y1 },
  ]);
  return {
    name: r.far.kind === 'plate' ? 'backing' : 'washers',
    outline: boundsOf(corners),
    stiffness: isotropic(E, NU, r.far.thickness),
    thickness: r.far.thickness,
    mask,
  };
}

/** Samples a side by which the part of a cell inside a round corner is counted. */
const FINE = 8;

/** How much of each cell lies within a plate with round corners; nothing where they are square. */
function roundedMask(grid: Grid, o: Rect, radius: number): Float64Array | undefined {
  if (radius <= 0) return undefined;
  const nx = grid.x.length - 1;
  const mask = new Float64Array(nx * (grid.y.length - 1));
  const inside = (x: number, y: number): boolean => {
    const dx = Math.max(o.x0 + radius - x, x - (o.x1 - radius), 0);
    const dy = Math.max(o.y0 + radius - y, y - (o.y1 - radius), 0);
    return x >= o.x0 && x <= o.x1 && y >= o.y0 && y <= o.y1 && dx * dx + dy * dy <= radius * radius;
  };
  for (let iy = 0; iy < grid.y.length - 1; iy++)
    for (let ix = 0; ix < nx; ix++) {
      let n = 0;
      for (let k = 0; k < FINE * FINE; k++) {
        const x = grid.x[ix]! + (((k % FINE) + 0.5) / FINE) * (grid.x[ix + 1]! - grid.x[ix]!);
        const y = grid.y[iy]! + ((Math.floor(k / FINE) + 0.5) / FINE) * (grid.y[iy + 1]! - grid.y[iy]!);
        if (inside(x, y)) n++;
      }
      mask[ix + iy * nx] = n / (FINE * FINE);
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
