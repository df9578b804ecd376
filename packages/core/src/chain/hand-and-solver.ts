import { handStrip } from '../checks/plate-bending';
import { loaded } from '../checks/demand/loaded';
import { panelIn, panelStiffness, panelUnder } from '../checks/demand/panel';
import { sandwichParts } from '../checks/skin-parts';
import type { Resolved } from '../job/resolve';
import type { LoadCase } from '../loads/load-case';
import type { CaseFigures } from '../spread/view';
import { isRefusal } from '../units/refusal';
import { Working } from '../working/steps';

/** A figure by hand beside the solver's, in one case. */
export interface HandAndSolver {
  readonly what: string;
  readonly unit: 'N' | 'mm' | 'MPa';
  /** Undefined where the hand method does not reach; `why` says so. */
  readonly hand: number | undefined;
  readonly solver: number;
  /** Why they differ, where they do by over a fifth. */
  readonly why: string;
}

/** A difference over this is explained. */
export const APART = 0.2;
const SILENT = new Working(false);

/** Pull, deflection and stresses of a factored case by hand and as solved. */
export function handAndSolver(r: Resolved, c: LoadCase, figures: CaseFigures): HandAndSolver[] {
  const under = loaded(r, c);
  if (isRefusal(under)) return [];
  const { s } = under;
  const out: HandAndSolver[] = [];
  const most = figures.bolts.reduce((a, b) => (b.tension > a.tension ? b : a), figures.bolts[0]!);
  if (most) {
    const hand = s.demand.pull(
      r.bolts.findIndex((b) => b.id === most.id),
      SILENT,
    );
    out.push(row(`pull in ${most.id}`, 'N', hand, most.tension, pullWhy(r, hand, most.tension)));
  }
  if (r.skinKind !== 'bed') out.push(...skinRows(r, s.midSkin, figures));
  const strip = handStrip(r, s);
  out.push(row('plate bends', 'MPa', strip, figures.plateStress.value, plateWhy(strip, figures.plateStress.value)));
  return out;
}

function skinRows(r: Resolved, c: LoadCase, figures: CaseFigures): HandAndSolver[] {
  const panel = byPanel(r, c);
  return [
    row(
      'skin gives',
      'mm',
      panel?.w,
      figures.deflection.value,
      skinWhy(r, panel?.w, figures.deflection.value, figures, 'deflection'),
    ),
    row(
      'skin at the plate’s edge',
      'MPa',
      panel?.stress,
      figures.edgeStress.value,
      skinWhy(r, panel?.stress, figures.edgeStress.value, figures, 'stress'),
    ),
  ];
}

const row = (
  what: string,
  unit: HandAndSolver['unit'],
  hand: number | undefined,
  solver: number,
  why: string,
): HandAndSolver => ({ what, unit, hand, solver, why: hand !== undefined && near(hand, solver) ? '' : why });

const near = (hand: number, solver: number) => Math.abs(solver - hand) <= APART * Math.max(Math.abs(hand), 1e-9);

/** Deflection and stress of the panel by Navier's series; nothing where that does not apply. */
function byPanel(r: Resolved, c: LoadCase): { w: number; stress: number } | undefined {
  const on = panelUnder(r);
  if ('applies' in on || 'refused' in on) return undefined;
  const { m, wD } = panelIn(r, on, c);
  const parts = sandwichParts(r);
  return {
    w: wD / panelStiffness(r, SILENT),
    stress: parts ? m / (parts.d * Math.min(parts.near, parts.far)) : (6 * m) / r.skinThickness ** 2,
  };
}

function pullWhy(r: Resolved, hand: number | undefined, solver: number): string {
  if (hand === undefined) return '';
  if (hand < 1)
    return 'By hand this bolt is idle: a rigid base on an even bed turns about a line it lies beyond; here plate and skin bend, and it is pulled.';
  return solver > hand
    ? r.bolts.every((b) => b.throughBase)
      ? 'By hand the base is rigid; here it bends, the bolts nearest the pull take more, and edges that press pry on them.'
      : 'By hand nothing pries; here the plate bends between base and bolt, its edge presses on what is under it, and the bolt pulls against that too.'
    : 'By hand the base turns rigidly about one line; here what is under it gives, and the neighbours take part of the pull.';
}

function skinWhy(r: Resolved, hand: number | undefined, solver: number, f: CaseFigures, of: 'deflection' | 'stress'): string {
  if (hand === undefined) return 'No hand case fits this panel: see Skin bending for what it asks.';
  if (f.membrane)
    return `By hand the skin only bends, which at w/t ${f.linearOverThickness.toFixed(1)} is past what bending theory holds for; here it also pulls like a cloth between its bearers.`;
  if (solver > hand)
    return of === 'stress'
      ? 'By hand the load lies evenly under the whole plate; here it gathers under the plate’s stiff edge and round the bolts, which is where this is read.'
      : 'By hand the load lies evenly under the whole plate; here it comes in round the bolts and under one edge.';
  return r.far.kind === 'plate'
    ? 'By hand the plates do not stiffen the skin; here the skin under and between them hardly bends.'
    : 'By hand the plate does not stiffen the skin; here the skin under it hardly bends.';
}

const plateWhy = (hand: number | undefined, solver: number): string =>
  hand === undefined
    ? 'No bolt stands outside the base, so the hand strip has nothing to bend.'
    : solver > hand
      ? 'By hand each bolt bends only its own strip out from the base; here the plate also bends with the skin it lies on.'
      : 'By hand each bolt bends a strip by itself, as a cantilever; here the plate spreads the moment sideways, and pressing edges prop it.';
