import type { Rect } from '../geometry/points';
import { distance } from '../geometry/points';
import { boundsOf } from '../geometry/rects';
import { edgeDistance, type Region } from '../geometry/region';
import { isHeldByThreadOf } from '../job/joint';
import { zonesUnder } from '../job/zones';
import { atBolt } from '../job/of-kind';
import type { PlacedBolt, Resolved } from '../job/resolve';
import { preloadCounts } from '../job/preload-lasts';
import { postArea, postOutside, standsAtBolts } from '../job/stands-at-bolts';
import { EDGES, spreadRulesOf, type EdgeName } from '../job/spread-rules';
import { baseBolts } from '../sharing/base-bolts';
import { doublerRuns } from '../sharing/doubler-runs';
import { baseRuns } from '../sharing/held-edges';
import type { Run } from '../sharing/weld-group';
import { proofOf } from '../stock/bolt-proof';
import { headKind } from '../stock/heads';
import { refuse, type Refusal } from '../units/refusal';
import { lineAt, nodesOf, type Grid } from './grid';
import { gridFor, type JobGrid } from './job-grid';
import { headPatch } from './head-patch';
import { baseLayer, BED, bedLayer, E_STEEL, farLayer, farPieces, isBed, onFarSide, plateLayer, skinLayer } from './job-layers';
import type { Contact, GroundSpring, Layer, Stack, StackBolt, StackPost, Support } from './stack';

/** How fine: unknowns aimed at. */
export const MESHES = { draft: 2500, fine: 8000, proof: 30_000 } as const;
export type Mesh = keyof typeof MESHES;
/** A fine mesh where the bolts' pulls are still on the move, or under a base that does not bend and presses along its edges. */
export const FINER = 20_000;
/** Unknowns a mesh of a job begins with. */
export const aimedAt = (r: Resolved, mesh: Mesh): number =>
  mesh === 'fine' && spreadRulesOf(r.job).base === 'rigid' ? FINER : MESHES[mesh];

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
  unknowns: number = aimedAt(r, mesh),
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
    contacts: contactsOf(r, grid, layers.length > FAR),
    bolts: boltsOf(r, grid, layers),
    posts: postsOf(r, grid, layers),
    supports: isBed(r) ? bedSupports(grid) : [...bearersOf(r, grid), ...inPlaneOf(r, grid, membrane)],
    springs: isBed(r) ? [] : bearerSprings(r, grid),
  };
  return { stack, mesh, grid: made, membrane };
}

const isNothing = (l: Layer): boolean =>
  ![l.stiffness.D11, l.stiffness.D22, l.stiffness.D66, l.stiffness.S1, l.stiffness.S2].every((v) => Number.isFinite(v) && v > 0);

function refusedStack(r: Resolved): Refusal | undefined {
  if (zonesUnder(r.job))
    return refuse('survey.zones', 'a skin that changes under the plate is judged by hand', 'one skin under all of the plate');
  if (r.skinKind === 'flange')
    return refuse(
      'skin.kind',
      'a flange is not a panel between bearers',
      'sheet, laminate, sandwich, plywood, timber or a solid bed',
    );
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

/** Where the base cannot lift off the plate: along its welds; all over where nobody says how it is held; nowhere with bolts of its own. */
function baseTied(r: Resolved, grid: Grid): Contact['tied'] {
  const runs = baseRuns(r);
  return runs.length > 0 ? alongRuns(runs, r.outline, grid) : baseBolts(r).length === 0;
}

function contactsOf(r: Resolved, grid: Grid, far: boolean): Contact[] {
  const { bedding } = spreadRulesOf(r.job).given;
  const bed = bedding ?? r.bedModulus / r.skinThickness;
  const metal = bedding ?? (2 * Math.min(E_STEEL, r.plateMetal.E)) / (r.baseThickness + r.plateThickness * r.plateLayers);
  return [
    { upper: BASE, lower: PLATE, modulus: metal, tied: baseTied(r, grid), gap: 0 },
    {
      upper: PLATE,
      lower: SKIN,
      modulus: bed,
      tied: r.glueHolds === true || weldedNodes(r, grid),
      gap: 0,
      apart: standsAtBolts(r),
    },
    ...(far ? [{ upper: SKIN, lower: FAR, modulus: bed, tied: false, gap: 0 }] : []),
  ];
}

/** Nodes where the plate is welded to the skin: along its edges, in the stitches of them, or at the plugs in its holes. */
function weldedNodes(r: Resolved, grid: Grid): ReadonlySet<number> | false {
  const { doubler, stitch, gap } = r.welds;
  if (doubler === 'none') return false;
  const nx = grid.x.length;
  const out = new Set<number>();
  if (doubler === 'plugs') for (const b of r.bolts) out.add(lineAt(grid.x, b.x) + lineAt(grid.y, b.y) * nx);
  else if (doubler === 'lines' || r.shaped) return alongRuns(doublerRuns(r), r.region, grid);
  else {
    const { x0, x1, y0, y1 } = r.plate;
    const on = (v: number, edge: number) => Math.abs(v - edge) < 1e-6;
    // Stitches go from the middle of each edge out, so that both ends are alike.
    const stitched = (along: number, middle: number) => {
      if (doubler === 'all round') return true;
      const at = (Math.abs(along - middle) + stitch / 2) % (stitch + gap);
      return at <= stitch;
    };
    for (let iy = 0; iy < grid.y.length; iy++)
      for (let ix = 0; ix < nx; ix++) {
        const [x, y] = [grid.x[ix]!, grid.y[iy]!];
        if (x < x0 - 1e-6 || x > x1 + 1e-6 || y < y0 - 1e-6 || y > y1 + 1e-6) continue;
        const ends = (on(x, x0) || on(x, x1)) && stitched(y, (y0 + y1) / 2);
        const sides = (on(y, y0) || on(y, y1)) && stitched(x, (x0 + x1) / 2);
        if (ends || sides) out.add(ix + iy * nx);
      }
  }
  return out;
}

/** Nodes next to weld lines that do not lie along the grid, or do so only in part; where the plate has metal beside them. */
function alongRuns(runs: readonly Run[], metal: Region, grid: Grid): ReadonlySet<number> {
  const nearest = (lines: ArrayLike<number>, v: number) => {
    let at = 0;
    for (let i = 1; i < lines.length; i++) if (Math.abs(lines[i]! - v) < Math.abs(lines[at]! - v)) at = i;
    return at;
  };
  const out = new Set<number>();
  for (const { from, to } of runs) {
    const n = Math.max(1, Math.ceil(distance(from, to)));
    for (let k = 0; k <= n; k++) {
      const p = { x: from.x + ((to.x - from.x) * k) / n, y: from.y + ((to.y - from.y) * k) / n };
      const [ix, iy] = [nearest(grid.x, p.x), nearest(grid.y, p.y)];
      if (edgeDistance(metal, { x: grid.x[ix]!, y: grid.y[iy]! }) > -1e-6) out.add(ix + iy * grid.x.length);
    }
  }
  return out;
}

/** Half of what is under a bolt's head and its nut, mm: washers, or the thread itself where it is cut into the far part. */
const headRadius = (r: Resolved): number => (headKind(r.joint.head).sunk ? r.d : r.washerOutside / 2);
function nutRadius(r: Resolved): number {
  if (isHeldByThreadOf(r.joint) || r.joint.holding === 'lag screw') return r.d / 2;
  // Washers on the skin are plates of their own in the stack: the nut presses on them by its flats.
  return r.far.kind === 'washer' ? r.size.acrossFlats / 2 : r.washerOutside / 2;
}

/** Which cells of the grid a layer has. */
function cellsThere(grid: Grid, { outline: o, mask }: Layer): (ix: number, iy: number) => boolean {
  return (ix, iy) => {
    const [x, y] = [(grid.x[ix]! + grid.x[ix + 1]!) / 2, (grid.y[iy]! + grid.y[iy + 1]!) / 2];
    const inside = x >= o.x0 && x <= o.x1 && y >= o.y0 && y <= o.y1;
    return inside && (mask ? mask[ix + iy * (grid.x.length - 1)]! > 0 : true);
  };
}

/** What the plate stands on round its bolts, where it stands on nothing else: tubes or packers of steel, bedded at their ends. */
function postsOf(r: Resolved, grid: Grid, layers: readonly Layer[]): StackPost[] {
  if (!standsAtBolts(r)) return [];
  const { given } = spreadRulesOf(r.job);
  return r.bolts.map((b, i): StackPost => {
    const at = atBolt(r, i);
    const head = (layer: number) => headPatch(grid, b, postOutside(at) / 2, cellsThere(grid, layers[layer]!));
    const A = postArea(at);
    const bedding = given.bedding ?? r.bedModulus / r.skinThickness;
    return {
      id: b.id,
      node: lineAt(grid.x, b.x) + lineAt(grid.y, b.y) * grid.x.length,
      upper: PLATE,
      lower: SKIN,
      heads: { upper: head(PLATE), lower: head(SKIN) },
      stiffness: given.bolt ?? A / (b.packed / E_STEEL + 1 / bedding),
    };
  });
}

function boltsOf(r: Resolved, grid: Grid, layers: readonly Layer[]): StackBolt[] {
  if (r.glueHolds) return [];
  const rules = spreadRulesOf(r.job);
  const far = layers.length > FAR;
  const cells = (layer: number) => cellsThere(grid, layers[layer]!);
  return r.bolts.map((b, i): StackBolt => {
    const at = atBolt(r, i);
    const node = lineAt(grid.x, b.x) + lineAt(grid.y, b.y) * grid.x.length;
    const [upper, lower] = [b.throughBase ? BASE : PLATE, far && onFarSide(r, i) ? FAR : SKIN];
    return {
      id: b.id,
      node,
      upper,
      lower,
      heads: {
        upper: headPatch(grid, b, headRadius(at), cells(upper)),
        lower: headPatch(grid, b, nutRadius(at), cells(lower)),
      },
      stiffness: rules.given.bolt ?? (at.grade.E * at.As) / (pliesOf(at, b, far) + 0.9 * at.d),
      preload: preloadCounts(at) ? at.joint.preload * proofOf(at.grade.id, at.d) * at.As : 0,
    };
  });
}

/** What a bolt stretches over, mm. */
const pliesOf = (r: Resolved, b: PlacedBolt, far: boolean): number =>
  (b.throughBase ? r.baseThickness : 0) +
  r.plateThickness * r.plateLayers +
  b.packed +
  r.skinThickness +
  (far ? r.far.height : 0);

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
