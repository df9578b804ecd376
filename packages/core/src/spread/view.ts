import type { Resolved } from '../job/resolve';
import type { Refusal } from '../units/refusal';
import type { Assembly } from './assemble';
import { cellStresses } from './cell-stresses';
import { FAR, PLATE, SKIN, type Mesh } from './from-job';
import { unknownOf } from './pattern';
import { NO_PEAK } from './peaks';
import type { Reaction } from './plate-results';
import type { SpreadCase } from './read-case';
import type { RefusedCase, Spread } from './spread';

/** A case's figures without its fields: plain data. */
export type CaseFigures = Omit<SpreadCase, 'result' | 'assembly'>;

/** What a solve found, as plain data. */
export interface SpreadFigures {
  readonly mesh: Mesh;
  readonly unknowns: number;
  readonly spacing: number;
  readonly lines: readonly [number, number];
  readonly cases: readonly (CaseFigures | RefusedCase)[];
}

export function figuresOf(s: Spread): SpreadFigures {
  const { mesh, unknowns, spacing, lines } = s;
  return {
    mesh,
    unknowns,
    spacing,
    lines,
    cases: s.cases.map((c) => {
      if ('refused' in c) return c;
      const { result: _fields, assembly: _equations, ...figures } = c;
      return figures;
    }),
  };
}

/** One layer's fields on the grid; NaN where it is not. Deflection at nodes, stresses in cells. */
export interface LayerView {
  readonly name: string;
  readonly thickness: number;
  /** What its stress may come to, MPa; 0 where nobody says. */
  readonly strength: number;
  readonly lift: Float32Array;
  readonly top: Float32Array;
  readonly bottom: Float32Array;
}

/** Between two neighbours, at nodes; NaN where they do not lie on each other. */
export interface ContactView {
  readonly name: string;
  /** MPa. */
  readonly pressure: Float32Array;
  /** mm. */
  readonly gap: Float32Array;
}

/** The fields of one case, or the largest of all cases at each place. */
export interface SpreadView {
  readonly caseId: string;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly layers: readonly LayerView[];
  readonly contacts: readonly ContactView[];
  readonly bolts: SpreadCase['bolts'];
  readonly reactions: readonly Reaction[];
}

/** Stands for the largest of all cases. */
export const ENVELOPE = '*';

/** Fields of a case of a spread, or the largest of all; nothing where it, or every one, was refused or is not there. */
export function viewOf(r: Resolved, s: Spread, caseId: string): SpreadView | undefined {
  const wanted = s.cases.filter((c): c is SpreadCase => !('refused' in c) && (caseId === ENVELOPE || c.caseId === caseId));
  const views = wanted.map((c) => oneView(r, c));
  return caseId === ENVELOPE ? envelopeOf(views) : views[0];
}

/** The largest of some views at each place; nothing of none. */
export function envelopeOf(views: readonly SpreadView[]): SpreadView | undefined {
  const [first, ...rest] = views;
  return first && { ...rest.reduce(larger, first), caseId: ENVELOPE };
}

function strengthOf(r: Resolved, layer: number): number {
  if (layer === PLATE) return (r.plateMetal.fy * r.factors.plastic) / r.factors.onYield;
  if (layer === SKIN) return (r.skin.bending * r.factors.plastic) / r.factors.onSkin;
  if (layer === FAR) return ((r.far.kind === 'plate' ? r.far.metal.fy : r.far.fy) * r.factors.plastic) / r.factors.onYield;
  return 0;
}

function oneView(r: Resolved, c: SpreadCase): SpreadView {
  const a = c.assembly;
  const { grid, layers, contacts } = a.stack;
  const cells = (grid.x.length - 1) * (grid.y.length - 1);
  return {
    caseId: c.caseId,
    x: grid.x,
    y: grid.y,
    layers: layers.map((l, i): LayerView => {
      const top = new Float32Array(cells).fill(NaN);
      const bottom = new Float32Array(cells).fill(NaN);
      for (const s of l.unread ? [] : cellStresses(a, c.result.u, i)) {
        const at = s.cell.ix + s.cell.iy * (grid.x.length - 1);
        top[at] = s.top;
        bottom[at] = s.bottom;
      }
      const lift = Float32Array.from({ length: a.nodes }, (_, n) =>
        a.area[i * a.nodes + n]! > 0 ? c.result.u[unknownOf(a.nodes, i, n, 0)]! : NaN,
      );
      return { name: l.name, thickness: l.thickness, strength: strengthOf(r, i), lift, top, bottom };
    }),
    contacts: contacts.map((k, i) => ({ name: `${layers[k.upper]!.name} on ${layers[k.lower]!.name}`, ...between(a, c, i) })),
    bolts: c.bolts,
    reactions: c.reactions,
  };
}

function between(a: Assembly, c: SpreadCase, contact: number): Omit<ContactView, 'name'> {
  const pressure = new Float32Array(a.nodes).fill(NaN);
  const gap = new Float32Array(a.nodes).fill(NaN);
  for (const l of a.links) {
    if (l.kind !== 'contact' || l.of !== contact) continue;
    const { upper, lower } = a.stack.contacts[contact]!;
    const apart = c.result.u[unknownOf(a.nodes, upper, l.node, 0)]! - c.result.u[unknownOf(a.nodes, lower, l.node, 0)]!;
    pressure[l.node] = c.result.pressure[contact * a.nodes + l.node]!;
    gap[l.node] = Math.max(0, apart + l.offset);
  }
  return { pressure, gap };
}

const most = (a: Float32Array, b: Float32Array): Float32Array => a.map((v, i) => (Math.abs(b[i]!) > Math.abs(v) ? b[i]! : v));

/** The larger of two cases at each place, by its size. */
function larger(a: SpreadView, b: SpreadView): SpreadView {
  return {
    ...a,
    layers: a.layers.map((l, i) => ({
      ...l,
      lift: most(l.lift, b.layers[i]!.lift),
      top: most(l.top, b.layers[i]!.top),
      bottom: most(l.bottom, b.layers[i]!.bottom),
    })),
    contacts: a.contacts.map((k, i) => ({
      ...k,
      pressure: most(k.pressure, b.contacts[i]!.pressure),
      gap: most(k.gap, b.contacts[i]!.gap),
    })),
    bolts: a.bolts.map((k, i) => (b.bolts[i]!.tension > k.tension ? b.bolts[i]! : k)),
    reactions: a.reactions.map((q, i) => (Math.abs(b.reactions[i]!.fz) > Math.abs(q.fz) ? b.reactions[i]! : q)),
  };
}

/** The figures of a case, or the largest of all; nothing where it, or every one, was refused or is not there. */
export function figuresFor(s: SpreadFigures, caseId: string): CaseFigures | undefined {
  const solved = s.cases.filter((c): c is CaseFigures => !('refused' in c));
  if (caseId !== ENVELOPE || solved.length === 0) return solved.find((c) => c.caseId === caseId);
  const by = (f: (c: CaseFigures) => { value: number } | undefined) =>
    solved.map(f).reduce((a, b) => ((b?.value ?? 0) > (a?.value ?? 0) ? b : a)) ?? NO_PEAK;
  const first = solved[0]!;
  return {
    ...first,
    caseId: ENVELOPE,
    caseName: 'all cases',
    bolts: first.bolts.map((_, i) => solved.map((c) => c.bolts[i]!).reduce((a, b) => (b.tension > a.tension ? b : a))),
    reactions: first.reactions.map((_, i) =>
      solved.map((c) => c.reactions[i]!).reduce((a, b) => (Math.abs(b.fz) > Math.abs(a.fz) ? b : a)),
    ),
    deflection: by((c) => c.deflection) as CaseFigures['deflection'],
    overThickness: Math.max(...solved.map((c) => c.overThickness)),
    linearOverThickness: Math.max(...solved.map((c) => c.linearOverThickness)),
    membrane: solved.some((c) => c.membrane),
    plateStress: by((c) => c.plateStress) as CaseFigures['plateStress'],
    farStress: by((c) => c.farStress) as CaseFigures['farStress'],
    edgeStress: by((c) => c.edgeStress) as CaseFigures['edgeStress'],
    skinShear: by((c) => c.skinShear) as CaseFigures['skinShear'],
    pressure: by((c) => c.pressure) as CaseFigures['pressure'],
    pressureBelow: by((c) => c.pressureBelow) as CaseFigures['pressureBelow'],
    pressedArea: Math.min(...solved.map((c) => c.pressedArea)),
    press: Math.min(...solved.map((c) => c.press)),
    rounds: Math.max(...solved.map((c) => c.rounds)),
    balance: Math.max(...solved.map((c) => c.balance)),
    residual: Math.max(...solved.map((c) => c.residual)),
  };
}

/** How far two meshes differ in what they found, relative: the larger of deflection, most pulled bolt and edge stress. */
export function meshError(coarse: SpreadFigures, fine: SpreadFigures): number | undefined {
  let worst: number | undefined;
  for (const f of fine.cases) {
    const c = coarse.cases.find((k) => k.caseId === f.caseId);
    if (!c || 'refused' in c || 'refused' in f) continue;
    const pull = (k: CaseFigures) => Math.max(...k.bolts.map((b) => b.tension));
    const off = (a: number, b: number) => (b > 0 ? Math.abs(a - b) / b : 0);
    worst = Math.max(
      worst ?? 0,
      off(c.deflection.value, f.deflection.value),
      off(c.edgeStress.value, f.edgeStress.value),
      off(pull(c), pull(f)),
    );
  }
  return worst;
}

export const isRefusedCase = (c: CaseFigures | RefusedCase): c is RefusedCase => (c as Partial<Refusal>).refused === true;
