import type { Rect } from '../geometry/points';
import { boundsOf } from '../geometry/rects';
import type { Resolved } from '../job/resolve';
import { EDGES, spreadRulesOf, type EdgeName } from '../job/spread-rules';
import { proofOf } from '../stock/bolt-proof';
import { refuse, type Refusal } from '../units/refusal';
import { lineAt, nodesOf, type Grid } from './grid';
import { gridFor, type JobGrid } from './job-grid';
import { baseLayer, BED, bedLayer, E_STEEL, farLayer, farPieces, isBed, isBonded, plateLayer, skinLayer } from './job-layers';
import type { Contact, GroundSpring, Layer, Stack, StackBolt, Support } from './stack';

/** How fine: unknowns aimed at. */
export const MESHES = { draft: 2500, fine: 8000, proof: 30_000 } as const;
export type Mesh = keyof typeof MESHES;

/** Places of the layers in the stack; the last is left out where nothing is on the far side. */
export const BASE = 0;
export const PLATE = 1;
export const SKIN = 2;
export const FAR = 3;

export interface JobStack {
  readonly stack: Stack;
  readonly mesh: Mesh;
  readonly grid: JobGrid;
  readonly membrane: boolean;
}

/**
 * Brings a resolved job to layers, contacts, bolts and bearers on one grid. Refuses what is not a plate on a panel, by name.
 * `before`: a stack of the same mesh whose grid is kept where it fits.
 */
export function stackOf(
  r: Resolved,
  mesh: Mesh,
  membrane = false,
  before?: JobStack,
  unknowns: number = MESHES[mesh],
): JobStack | Refusal {
  const no = refusedStack(r);
  if (no) return no;
  const far = farPieces(r);
  const corner = (q: Rect) => [
    { x: q.x0, y: q.y0 },
    { x: q.x1, y: q.y1 },
  ];
  const outer = isBed(r) ? r.plate : boundsOf([...corner(r.panel), ...corner(r.plate)]);
  const made = gridFor(r, outer, far, unknowns, before?.mesh === mesh ? before.grid : undefined);
  const { grid } = made;
  const layers = [baseLayer(r, grid), plateLayer(r, grid), isBed(r) ? bedLayer(r) : skinLayer(r, grid, outer, membrane)];
  if (far.length > 0) layers.push(farLayer(r, grid, far));
  const soft = layers.find(isNothing);
  if (soft)
    return refuse(
      soft.name === 'skin' ? 'skin.thickness' : 'plate.thickness',
      `the ${soft.name} has no stiffness`,
      'a thickness and a modulus over 0',
    );
  const stack: Stack = {
    grid,
    layers,
    contacts: contactsOf(r, layers.length > FAR),
    bolts: boltsOf(r, grid, layers.length > FAR),
    supports: isBed(r) ? bedSupports(grid) : [...bearersOf(r, grid), ...inPlaneOf(r, grid, membrane)],
    springs: isBed(r) ? [] : bearerSprings(r, grid),
  };
  return { stack, mesh, grid: made, membrane };
}

const isNothing = (l: Layer): boolean =>
  ![l.stiffness.D11, l.stiffness.D22, l.stiffness.D66, l.stiffness.S1, l.stiffness.S2].every((v) => Number.isFinite(v) && v > 0);

function refusedStack(r: Resolved): Refusal | undefined {
  if (r.skinKind === 'hollow')
    return refuse(
      'skin.kind',
      'the face of a hollow section is not a panel between bearers',
      'sheet, laminate, sandwich, plywood, timber or a solid bed',
    );
  const { edges } = spreadRulesOf(r.job);
  if (!isBed(r) && EDGES.every((e) => edges[e] === 'free'))
    return refuse('spread.edges', 'no bearer holds the skin', 'at least one edge simple or clamped');
  return undefined;
}

/** Welded on, or clamped by no bolt of its own, the base moves with the plate; else it may lift off it. */
function contactsOf(r: Resolved, far: boolean): Contact[] {
  const own = r.bolts.some((b) => b.throughBase) && r.job.welds.fitting === 'none';
  const { bedding } = spreadRulesOf(r.job).given;
  const bed = bedding ?? r.bedModulus / r.skinThickness;
  const metal = bedding ?? (2 * Math.min(E_STEEL, r.plateMetal.E)) / (r.baseThickness + r.plateThickness * r.plateLayers);
  return [
    { upper: BASE, lower: PLATE, modulus: metal, tied: !own, gap: 0 },
    { upper: PLATE, lower: SKIN, modulus: bed, tied: isBonded(r), gap: 0 },
    ...(far ? [{ upper: SKIN, lower: FAR, modulus: bed, tied: r.job.welds.doubler !== 'none', gap: 0 }] : []),
  ];
}

function boltsOf(r: Resolved, grid: Grid, far: boolean): StackBolt[] {
  const rules = spreadRulesOf(r.job);
  return r.bolts.map((b): StackBolt => {
    const node = lineAt(grid.x, b.x) + lineAt(grid.y, b.y) * grid.x.length;
    const clamp =
      (b.throughBase ? r.baseThickness : 0) + r.plateThickness * r.plateLayers + r.skinThickness + (far ? r.far.height : 0);
    return {
      id: b.id,
      node,
      upper: b.throughBase ? BASE : PLATE,
      lower: far ? FAR : SKIN,
      stiffness: rules.given.bolt ?? (r.grade.E * r.As) / (clamp + 0.9 * r.d),
      preload:
        rules.preload === 'as tightened' && r.job.joint.tightening !== 'snug'
          ? r.job.joint.preload.v * proofOf(r.grade.id, r.d) * r.As
          : 0,
    };
  });
}

/** A solid bed gives only as its contact does: all of it is held. */
const bedSupports = (grid: Grid): Support[] =>
  Array.from({ length: nodesOf(grid) }, (_, node) => ({ layer: SKIN, node, w: true, betaX: true, betaY: true, of: BED }));

/** Nodes of the skin along each bearer; corners go with the aft and the fore one. */
function alongBearers(r: Resolved, grid: Grid): Record<EdgeName, number[]> {
  const nx = grid.x.length;
  const { panel } = r;
  const all = (n: number) => Array.from({ length: n }, (_, i) => i);
  const column = (ix: number) =>
    all(grid.y.length)
      .filter((iy) => grid.y[iy]! >= panel.y0 - 1e-6 && grid.y[iy]! <= panel.y1 + 1e-6)
      .map((iy) => ix + iy * nx);
  const row = (iy: number) =>
    all(nx)
      .filter((ix) => grid.x[ix]! > panel.x0 + 1e-6 && grid.x[ix]! < panel.x1 - 1e-6)
      .map((ix) => ix + iy * nx);
  return {
    aft: column(lineAt(grid.x, panel.x0)),
    fore: column(lineAt(grid.x, panel.x1)),
    starboard: row(lineAt(grid.y, panel.y0)),
    port: row(lineAt(grid.y, panel.y1)),
  };
}

const acrossX = (e: EdgeName) => e === 'aft' || e === 'fore';

/** Bearers as lines that hold the skin up and down, and let it turn or not. */
function bearersOf(r: Resolved, grid: Grid): Support[] {
  const { edges, given } = spreadRulesOf(r.job);
  const at = alongBearers(r, grid);
  return EDGES.filter((e) => edges[e] !== 'free').flatMap((of) => {
    const clamped = edges[of] === 'clamped';
    return at[of].map((node): Support => ({
      layer: SKIN,
      node,
      w: given.bearer === undefined,
      betaX: clamped && acrossX(of),
      betaY: clamped && !acrossX(of),
      of,
    }));
  });
}

/** Bearers that give: each node's share of the line. */
function bearerSprings(r: Resolved, grid: Grid): GroundSpring[] {
  const { edges, given } = spreadRulesOf(r.job);
  if (given.bearer === undefined) return [];
  const at = alongBearers(r, grid);
  return EDGES.filter((e) => edges[e] !== 'free').flatMap((of) => {
    const nodes = at[of];
    const place = (n: number) => (acrossX(of) ? grid.y[Math.floor(n / grid.x.length)]! : grid.x[n % grid.x.length]!);
    return nodes.map((node, i): GroundSpring => {
      const length = (place(nodes[Math.min(i + 1, nodes.length - 1)]!) - place(nodes[Math.max(i - 1, 0)]!)) / 2;
      return { of, layer: SKIN, node, stiffness: given.bearer! * length };
    });
  });
}

/** What holds the skin in its plane: the bearers, or, where it slides on them, only what keeps it from drifting off. */
function inPlaneOf(r: Resolved, grid: Grid, membrane: boolean): Support[] {
  if (!membrane) return [];
  const { edges, inPlane } = spreadRulesOf(r.job);
  const held = (node: number, u: boolean, v: boolean, of: string): Support => ({
    layer: SKIN,
    node,
    w: false,
    betaX: false,
    betaY: false,
    u,
    v,
    of,
  });
  const at = alongBearers(r, grid);
  if (inPlane === 'held')
    return EDGES.filter((e) => edges[e] !== 'free').flatMap((e) => at[e].map((n) => held(n, true, true, e)));
  const corner = nodesOf(grid) > 0 ? lineAt(grid.x, r.panel.x0) + lineAt(grid.y, r.panel.y0) * grid.x.length : 0;
  const other = lineAt(grid.x, r.panel.x1) + lineAt(grid.y, r.panel.y0) * grid.x.length;
  return [held(corner, true, true, 'aft'), held(other, false, true, 'fore')];
}
