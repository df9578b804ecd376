import type { Rect } from '../../geometry/points';
import { boundsOf, centreOf, heightOf, overlap, widthOf } from '../../geometry/rects';
import { rayToEdge, regionArea } from '../../geometry/region';
import { rowsOf } from '../../geometry/rows';
import { atBolt, eachKind } from '../../job/of-kind';
import { weldedOnly, type Resolved } from '../../job/resolve';
import { EDGES, type EdgeName } from '../../job/spread-rules';
import { onSpacers, postOutside, standsAtBolts } from '../../job/stands-at-bolts';
import { onPatch, patchOn } from '../../loads/beside';
import type { LoadCase } from '../../loads/load-case';
import { refuse, type Refusal } from '../../units/refusal';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { farDiameter } from '../far-bearing';
import { remembered } from '../remembered';
import { sandwichParts } from '../skin-parts';
import { notApplicable, type NotApplicable } from './demand';
import { momentsAt, panelMoment, rememberedResponse, type OnPatch, type PanelMoment, type PatchResponse } from './panel-case';
import { onlyAt, type Places } from './panel-places';

const D = formula('D', 'E·t³/(12·(1 − ν²))', 'N·mm');
const D_S = formula('D', 'E_f·t_n·t_f·d²/((t_n + t_f)·(1 − ν²))', 'N·mm');
const SILENT = new Working(false);
/** A panel so many times as wide as what presses on it: past it the series is 2 % short of its peak. */
const MOST_TO_ONE = 200;

/** What the skin is loaded through: the backing plate's outline, or the bolts with what of their washers stays flat, or with what the plate stands on round them. */
export const loadedPatch = remembered((r: Resolved): Rect => {
  if (weldedOnly(r)) return r.plate;
  if (r.far.kind === 'washer' || standsAtBolts(r)) {
    const posts = standsAtBolts(r) ? eachKind(r).map(postOutside) : [];
    const washers = r.far.kind === 'washer' ? r.bolts.map((b, i) => farDiameter(atBolt(r, i), b, SILENT)) : [];
    return boundsOf(r.bolts, Math.min(...posts, ...washers) / 2);
  }
  // Loose strips do not bend the skin as one plate: only what lies over them counts.
  return r.far.strips ? boundsOf(r.bolts, Math.min(r.far.strips.width / 2, r.washerOutside)) : r.plate;
});

/** By hand a panel, a plank or a section hangs between two bearers: refused where one is not there. */
export function endsFree(r: Resolved, ends: readonly EdgeName[], held: string): Refusal | undefined {
  const free = ends.filter((e) => r.unheld.includes(e));
  return free.length > 0
    ? refuse(
        'spread.edges',
        `no bearer is on its ${free.join(' and ')} side, and by hand ${held}`,
        'a bearer there, or a sheet judged as solved',
      )
    : undefined;
}

/** The part of the panel that is pressed, or why there is no panel to speak of. */
export const panelUnder = remembered((r: Resolved): Rect | NotApplicable | Refusal => {
  if (r.skinKind === 'bed') return notApplicable('a solid bed does not bend');
  if (r.skinKind === 'hollow') return notApplicable('a section is judged by its walls: see Wall face');
  if (r.skinKind === 'flange') return notApplicable('a flange bends from its web: see Flange bending');
  if (r.skinKind === 'timber') return notApplicable('a timber bends along its grain: see Timber bending');
  const no = endsFree(r, EDGES, 'a panel is held on all four sides');
  if (no) return no;
  const patch = loadedPatch(r);
  const { panel } = r;
  const t = r.skinThickness;
  const span = Math.min(widthOf(panel), heightOf(panel));
  if (span < 10 * t)
    return refuse(
      'skin.thickness',
      `${t.toFixed(1)} mm is thick for a ${span.toFixed(0)} mm span: not a thin plate`,
      `at most ${(span / 10).toFixed(1)} mm for this span`,
    );
  const little = Math.max(widthOf(panel) / widthOf(patch), heightOf(panel) / heightOf(patch));
  if (little > MOST_TO_ONE)
    return refuse(
      'skin.spanX',
      `what presses is a ${little.toFixed(0)}th part of the panel’s span: the series does not find its peak`,
      `at most ${MOST_TO_ONE} to 1: a larger backing plate, or nearer bearers`,
    );
  const over = (from: number, to: number, low: number, high: number) => from <= low && to >= high;
  if (over(patch.x0, patch.x1, panel.x0, panel.x1) || over(patch.y0, patch.y1, panel.y0, panel.y1))
    return notApplicable('the plate reaches over two opposite bearers, which carry it: not a panel between bearers');
  return (
    overlap(patch, panel) ??
    refuse('skin.aft', 'the plate does not stand on the panel between the bearers', 'a plate on the panel')
  );
});

const around = remembered((r) => rememberedResponse(r.panel, panelUnder(r) as Rect, r.skin.nu));
const atBolts = remembered((r) => rememberedResponse(r.panel, panelUnder(r) as Rect, r.skin.nu, onlyAt(r.bolts)));

/** What the other feet bring to this panel, at the points asked. */
const fromBeside = (r: Resolved, c: LoadCase, places: Places): OnPatch[] =>
  (c.beside ?? []).flatMap((b) => {
    const on = patchOn(r.panel, b);
    return on ? [{ response: rememberedResponse(r.panel, on, r.skin.nu, places), ...onPatch(b, on, r.skinThickness) }] : [];
  });

/** The foot's own load on what it presses through. From the datum to the middle of that: M − r × F. */
function ownOn(on: Rect, c: LoadCase, response: PatchResponse): OnPatch {
  const { x, y } = centreOf(on);
  return { response, fz: c.fz, mx: c.mx - y * c.fz, my: c.my + x * c.fz };
}

/** Largest moment and deflection × D of the panel under the plate in one case, at the skin's middle, with what other feet on it bring. `on` is what `panelUnder` found. */
export function panelIn(r: Resolved, on: Rect, c: LoadCase): PanelMoment {
  const own = ownOn(on, c, around(r));
  return panelMoment([own, ...fromBeside(r, c, own.response.places)]);
}

/** Bending stiffness of the panel per width, N·mm. */
export function panelStiffness(r: Resolved, w: Working): number {
  const { E, nu } = r.skin;
  const parts = sandwichParts(r);
  return parts
    ? w.of(D_S, { E_f: E, t_n: parts.near, t_f: parts.far, d: parts.d, ν: nu })
    : w.of(D, { E, t: r.skinThickness, ν: nu });
}

/** What a bolt pulls besides for each N·mm/mm of the panel's moment there, along x and along y, 1/mm. */
interface Taken {
  readonly x: number;
  readonly y: number;
}

/**
 * A stiff plate bolted flat on a skin takes over the skin's bending moment, by a couple of the bolts' pull and what presses. Its part
 * is that of the metal's stiffness in all; its lever lies between the reach to the pattern's middle and that to the plate's edge, of
 * which the mean of both pulls is taken (statics; held to the solver on random jobs).
 */
const takenByBolts = remembered((r: Resolved): readonly Taken[] => {
  const D = (E: number, t: number, n = 1) => (E * n * t ** 3) / (12 * (1 - 0.3 ** 2));
  const onPlate = (widthOf(r.base) * heightOf(r.base)) / regionArea(r.region);
  const metal =
    D(r.plateMetal.E, r.plateThickness, r.plateLayers) +
    onPlate * D(r.baseMetal.E, r.baseThickness) +
    (r.far.kind === 'plate' ? D(r.far.metal.E, r.far.thickness, r.far.layers) : 0);
  const part = metal / (metal + panelStiffness(r, SILENT));
  const around = boundsOf(r.bolts);
  const per = (axis: 'x' | 'y') => {
    const across = axis === 'x' ? 'y' : 'x';
    const rows = rowsOf(r.bolts, axis, r.d);
    const whole = across === 'x' ? widthOf(r.plate) : heightOf(r.plate);
    const reach = (axis === 'x' ? widthOf(around) : heightOf(around)) / 2;
    return r.bolts.map((b, i) => {
      const wide = whole / rows.find((row) => row.bolts.includes(i))!.bolts.length;
      const u = (sign: 1 | -1) => (axis === 'x' ? { x: sign, y: 0 } : { x: 0, y: sign });
      const edge = Math.min(rayToEdge(r.region, b, u(1)), rayToEdge(r.region, b, u(-1)));
      const inward = reach > r.d ? 1 / reach : 0;
      return (part * wide * (inward + 1 / edge)) / 2;
    });
  };
  const [x, y] = [per('x'), per('y')];
  return r.bolts.map((_, i) => ({ x: x[i]!, y: y[i]! }));
});

const Q_S = formula('Q_s', 'abs(m_x)·λ_x + abs(m_y)·λ_y', 'N');

/** What the skin's bending adds to each bolt's pull in a case at the skin's middle, N; nothing where there is no panel. */
export function skinPrying(r: Resolved, c: LoadCase): ((i: number, w: Working) => number) | undefined {
  const on = panelUnder(r);
  if (weldedOnly(r) || 'applies' in on || 'refused' in on || onSpacers(r)) return undefined;
  const moments = panelMomentsAt(r, on, c);
  const taken = takenByBolts(r);
  return (i, w) =>
    w.of(
      Q_S,
      { m_x: moments[i]!.mx, m_y: moments[i]!.my, λ_x: taken[i]!.x, λ_y: taken[i]!.y },
      'the skin’s bending, which the stiff plate takes over through its bolts',
    );
}

/** The panel's moments along x and y at each bolt, N·mm/mm. */
function panelMomentsAt(r: Resolved, on: Rect, c: LoadCase): { mx: number; my: number }[] {
  const own = ownOn(on, c, atBolts(r));
  return momentsAt([own, ...fromBeside(r, c, own.response.places)]);
}
