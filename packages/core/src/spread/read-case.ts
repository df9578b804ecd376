import { asPlate } from '../job/outlines';
import type { Resolved } from '../job/resolve';
import type { LoadCase } from '../loads/load-case';
import { standsOff } from '../sharing/share';
import { refuse, type Refusal } from '../units/refusal';
import type { Assembly, Cell } from './assemble';
import { besideOnSkin } from './beside-load';
import { cellStresses, type CellStress } from './cell-stresses';
import { BASE, FAR, PLATE, SKIN } from './from-job';
import type { Grid } from './grid';
import { isBed } from './job-layers';
import { unknownOf } from './pattern';
import { edgePeak, outlinePeak, meansOver, NO_PEAK, type Peak } from './peaks';
import { balanceOf, reactionsReader, type Reaction } from './plate-results';
import type { StackResult } from './solve-stack';
import type { StackLoad } from './stack';
import { inStraightLine } from './straight-line';
import { lowered } from '../geometry/vector';

/** How one case goes into the skin. Forces N, lengths mm, stresses MPa; w up. */
export interface SpreadCase {
  readonly caseId: string;
  readonly caseName: string;
  readonly bolts: readonly {
    readonly id: string;
    readonly tension: number;
    /** Push down what stands round it, N. */
    readonly push: number;
    /** Lift of the skin there, or on a bed of the plate, mm. */ readonly lift: number;
  }[];
  readonly reactions: readonly Reaction[];
  /** Largest deflection of the skin either way, and over its thickness; on a bed of the plate, and 0. */
  readonly deflection: Peak;
  readonly overThickness: number;
  /** Whether the skin was solved with membrane action, and w over its thickness without it. */
  readonly membrane: boolean;
  readonly linearOverThickness: number;
  /** Stress in plate and in the plate behind the skin, largest mean over a square as wide as the washer; washers bend by Washer dishing. */
  readonly plateStress: Peak;
  readonly farStress: Peak;
  /** The skin's stress, mean over one skin thickness beside the plate's edge. */
  readonly edgeStress: Peak;
  /** Shear across the skin per width, N/mm, mean over a square of one skin thickness. */
  readonly skinShear: Peak;
  /** Pressure on the skin from above and from below, mean over a square as wide as the skin is thick; on a bed, as the plate is. */
  readonly pressure: Peak;
  readonly pressureBelow: Peak;
  /** The part of the plate that presses, mm², and how hard in all, N. */
  readonly pressedArea: number;
  readonly press: number;
  readonly rounds: number;
  /** Left over of force and moments against the load; and of the equations, the largest force against the load. */
  readonly balance: number;
  readonly residual: number;
  readonly result: StackResult;
  /** The equations it was solved with. */
  readonly assembly: Assembly;
}

/** Above this the equations do not balance, and the answer is an error and not a result. */
export const MOST_IMBALANCE = 1e-3;

/**
 * F_z, M_x and M_y as a pressure that changes in a straight line over the base, on its nodes; and over the plate what a push along it
 * tips it by, from its face down to the skin's middle, where the panel holds it.
 */
export function onBase(r: Resolved, a: Assembly, c: LoadCase): StackLoad {
  const h = standsOff(r) + (isBed(r) ? 0 : r.skinThickness / 2);
  const tips = lowered({ ...c, fz: 0, mx: 0, my: 0 }, h);
  const beside = isBed(r) ? [] : (c.beside ?? []).flatMap((b) => besideOnSkin(r, a, b));
  return { forces: [...onLayer(a, BASE, c), ...onLayer(a, PLATE, tips), ...beside] };
}

/** A force and two moments about the datum over a layer. */
function onLayer(a: Assembly, layer: number, load: Pick<LoadCase, 'fz' | 'mx' | 'my'>): StackLoad['forces'] {
  const { area, nodes, stack } = a;
  const { x, y } = stack.grid;
  const nx = x.length;
  const places = {
    count: nodes,
    x: (n: number) => x[n % nx]!,
    y: (n: number) => y[Math.floor(n / nx)]!,
    weight: (n: number) => area[layer * nodes + n]!,
  };
  const forces: { layer: number; node: number; fz: number }[] = [];
  inStraightLine(places, load).forEach((fz, node) => {
    if (fz !== 0) forces.push({ layer, node, fz });
  });
  return forces;
}

/** What is seen to move: the skin; on a bed, which does not, the plate. */
const moves = (r: Resolved) => (isBed(r) ? PLATE : SKIN);

export const mostLift = (r: Resolved, a: Assembly, result: StackResult): Peak =>
  nodePeak(a, (n) => Math.abs(result.u[unknownOf(a.nodes, moves(r), n, 0)]!));

const larger = (s: CellStress) => Math.max(s.top, s.bottom);
const across = (s: CellStress) => Math.hypot(s.qx, s.qy);

/** What reads a case's figures off its result; `linear` is w/t by bending alone. Made once for a stack, used for every case. */
export function caseReader(
  r: Resolved,
  a: Assembly,
): (load: StackLoad, result: StackResult, c: LoadCase, linear: number) => SpreadCase | Refusal {
  const { grid } = a.stack;
  const t = r.skinThickness;
  const behind = a.stack.layers.length > FAR;
  const reactionsIn = reactionsReader(a);
  const mean = (layer: number, wide: number) => {
    const largest = meansOver(grid, a.cellsIn[layer]!, wide);
    return (stresses: readonly CellStress[], f: (s: CellStress) => number) => largest(Float64Array.from(stresses, f));
  };
  const inPlate = mean(PLATE, r.washerOutside);
  const inFar = behind && r.far.kind === 'plate' ? mean(FAR, r.washerOutside) : undefined;
  const inSkin = mean(SKIN, t);
  const above = pressureReader(a, PLATE, isBed(r) ? r.plateThickness : t);
  const below = behind ? pressureReader(a, SKIN, t) : undefined;
  return (load, result, c, linear) => {
    const reactions = reactionsIn(result, load);
    const balance = balanceOf(a, result, load, reactions);
    if (!(balance <= MOST_IMBALANCE)) return unbalanced(balance);
    const skin = cellStresses(a, result.u, SKIN);
    const deflection = mostLift(r, a, result);
    return {
      caseId: c.id,
      caseName: c.name,
      bolts: a.stack.bolts.map((b, i) => ({
        id: b.id,
        tension: result.bolts[i]!,
        push: result.pushes[i] ?? 0,
        lift: result.u[unknownOf(a.nodes, moves(r), b.node, 0)]!,
      })),
      reactions,
      deflection,
      overThickness: isBed(r) ? 0 : deflection.value / t,
      membrane: a.stack.layers[SKIN]!.membrane !== undefined,
      linearOverThickness: linear,
      plateStress: inPlate(cellStresses(a, result.u, PLATE), larger),
      farStress: inFar?.(cellStresses(a, result.u, FAR), larger) ?? NO_PEAK,
      edgeStress: isBed(r) ? NO_PEAK : besideEdges(r, grid, skin),
      skinShear: inSkin(skin, across),
      pressure: above(result),
      pressureBelow: below?.(result) ?? NO_PEAK,
      ...pressed(a, result),
      rounds: result.rounds,
      balance,
      residual: result.residual,
      result,
      assembly: a,
    };
  };
}

const unbalanced = (balance: number): Refusal =>
  refuse(
    'spread',
    `forces and moments are ${(100 * balance).toFixed(2)} % out of balance`,
    'at most 0.1 %: say so to the makers',
  );

/** The skin beside the plate's edge, or beside that of a backing plate that reaches past it: whichever is worked harder. */
function besideEdges(r: Resolved, grid: Grid, skin: readonly CellStress[]): Peak {
  const own = r.shaped ? outlinePeak(grid, skin, r.region, r.skinThickness) : edgePeak(grid, skin, r.plate, r.skinThickness);
  if (r.far.kind !== 'plate' || r.far.strips || (r.far.outline.x0 === r.plate.x0 && (!r.shaped || asPlate(r.job)))) return own;
  const behind = edgePeak(grid, skin, r.far.outline, r.skinThickness);
  return behind.value > own.value ? behind : own;
}

const contactOf = (a: Assembly, upper: number) => a.stack.contacts.findIndex((k) => k.upper === upper);

/** Largest pressure of the contact under a layer, from nodes to the cells of that layer. */
function pressureReader(a: Assembly, upper: number, wide: number): (result: StackResult) => Peak {
  const from = contactOf(a, upper) * a.nodes;
  const nx = a.stack.grid.x.length;
  const cells = a.cellsIn[Math.min(upper, SKIN)]!;
  const largest = meansOver(a.stack.grid, cells, wide);
  return ({ pressure }) => {
    const p = (n: number) => Math.max(0, pressure[from + n]!);
    const mean = ({ ix, iy }: Cell) => {
      const n = ix + iy * nx;
      return (p(n) + p(n + 1) + p(n + nx) + p(n + nx + 1)) / 4;
    };
    return largest(Float64Array.from(cells, mean));
  };
}

function pressed(a: Assembly, result: StackResult): { pressedArea: number; press: number } {
  const under = contactOf(a, PLATE);
  let [pressedArea, press] = [0, 0];
  for (let n = 0; n < a.nodes; n++) {
    const p = result.pressure[under * a.nodes + n]!;
    if (p <= 0) continue;
    pressedArea += a.area[PLATE * a.nodes + n]!;
    press += p * Math.min(a.area[PLATE * a.nodes + n]!, a.area[SKIN * a.nodes + n]!);
  }
  return { pressedArea, press };
}

function nodePeak(a: Assembly, value: (n: number) => number): Peak {
  const { x, y } = a.stack.grid;
  let at = 0;
  for (let n = 1; n < a.nodes; n++) if (value(n) > value(at)) at = n;
  return { value: value(at), at: { x: x[at % x.length]!, y: y[Math.floor(at / x.length)]! } };
}
