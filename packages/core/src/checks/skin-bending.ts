import { boundsOf, centreOf, heightOf, overlap, widthOf } from '../geometry/rects';
import type { Rect } from '../geometry/points';
import type { Resolved } from '../job/resolve';
import type { LoadCase } from '../loads/load-case';
import type { Solved } from '../sharing/solved';
import { refuse, type Refusal } from '../units/refusal';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { notApplicable, onSkin, outcome, type CheckResult, type NotApplicable } from './check';
import { panelMoment, rememberedResponse, type PanelMoment } from './panel-case';
import { sandwichParts, type SandwichParts } from './skin-parts';

const SIGMA = formula('σ', '6·m/t²', 'MPa');
const SIGMA_F = formula('σ', 'm/(d·t_f)', 'MPa');
const F_D = formula('f_d', 'f/γ', 'MPa');
/** A flat plate bent right through: plastic modulus 1.5 × elastic (bh²/4 over bh²/6). */
const F_PL = formula('f_d', '1.5·f/γ', 'MPa');
const D = formula('D', 'E·t³/(12·(1 − ν²))', 'N·mm');
const D_S = formula('D', 'E_f·t_n·t_f·d²/((t_n + t_f)·(1 − ν²))', 'N·mm');
const W_T = formula('ω', 'wD/(D·t)', '–');
/** Hoff & Mautner: a face wrinkles into its core at 0.5·∛(E_f·E_c·G_c); E_c taken as 2.6·G_c (an isotropic core of ν 0.3). */
const WRINKLE = formula('f_w', '0.5·(E_f·2.6·G_c²)^(1/3)', 'MPa');

/** Small-deflection theory holds to about half the thickness (Timoshenko & Woinowsky-Krieger §13, §97). */
const MOST_DEFLECTION = 0.5;

/** What the skin is loaded through: the backing plate's outline, or the bolts with their washers. */
export function loadedPatch(r: Resolved): Rect {
  if (r.far.kind === 'washer') return boundsOf(r.bolts, r.far.outside / 2);
  // Loose strips do not bend the skin as one plate: only what lies over them counts.
  return r.far.strips ? boundsOf(r.bolts, Math.min(r.far.strips.width / 2, r.washerOutside)) : r.plate;
}

/** The part of the panel that is pressed, or why there is no panel to speak of. */
export function panelUnder(r: Resolved): Rect | NotApplicable | Refusal {
  if (r.skinKind === 'hollow') return notApplicable('a section is judged by its walls: see Wall face');
  if (r.skinKind === 'timber') return notApplicable('a timber bends along its grain: see Timber bending');
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
  const over = (from: number, to: number, low: number, high: number) => from <= low && to >= high;
  if (over(patch.x0, patch.x1, panel.x0, panel.x1) || over(patch.y0, patch.y1, panel.y0, panel.y1))
    return notApplicable('the plate reaches over two opposite bearers, which carry it: not a panel between bearers');
  return (
    overlap(patch, panel) ??
    refuse('skin.aft', 'the plate does not stand on the panel between the bearers', 'a plate on the panel')
  );
}

/** Largest moment and deflection × D of the panel in one case. */
export function panelIn(r: Resolved, on: Rect, c: LoadCase): PanelMoment {
  // From the datum to the middle of what presses: M − r × F.
  const { x, y } = centreOf(on);
  return panelMoment(rememberedResponse(r.panel, on, r.skin.nu), c.fz, c.mx - y * c.fz, c.my + x * c.fz);
}

/** Bending stiffness of the panel per width, N·mm. */
export function panelStiffness(r: Resolved, w: Working): number {
  const { E, nu } = r.skin;
  const parts = sandwichParts(r);
  return parts
    ? w.of(D_S, { E_f: E, t_n: parts.near, t_f: parts.far, d: parts.d, ν: nu })
    : w.of(D, { E, t: r.skinThickness, ν: nu });
}

/** Bending of the skin panel between its bearers. */
export const skinBending = onSkin({
  id: 'skin-bending',
  name: 'Skin bending',
  element: 'skin',
  says: 'Between its bearers the skin carries the load as a panel and bends.',
  why: 'The plate hands its load to the skin, and the skin hands it on to the bearers by bending, like a drumhead pushed in its middle. Nearer bearers, a larger plate or a thicker skin help; the stiff plate’s edge is where it hurts most.',
  source:
    'Navier’s series for a simply supported rectangular plate under a patch (Timoshenko & Woinowsky-Krieger §28–34); plywood as isotropic with its weaker direction (safe); sandwich faces m/(d·t_f), wrinkling by Hoff & Mautner (memory)',
  range: 'Panel at least 10 times as wide as thick; plate clear of the bearers or over one of them; linear up to w/t 0.5',
  evaluate(r, s, w) {
    if (s.solved && r.skinKind !== 'timber' && r.skinKind !== 'hollow') return asSolved(r, s.solved, w);
    const on = panelUnder(r);
    if ('applies' in on || 'refused' in on) return on;
    const found = panelIn(r, on, s.loadCase);
    const { x, y } = found.at;
    const m = w.found(
      'm',
      found.m,
      'N',
      `largest moment per mm width, series of 48 × 48 terms, at x ${x.toFixed(0)}, y ${y.toFixed(0)} mm`,
    );
    const parts = sandwichParts(r);
    const t = r.skinThickness;
    const sigma = parts ? faceStress(parts, m, w) : w.of(SIGMA, { m, t });
    const fd = w.of(r.factors.plastic > 1 ? F_PL : F_D, { f: bendingStrength(r, w), γ: r.factors.onSkin });
    const wt = w.of(W_T, { wD: found.wD, t, D: panelStiffness(r, w) });
    if (wt > MOST_DEFLECTION) return tooThin(wt);
    return outcome(sigma, fd, 'MPa', 'panel between bearers', [
      'the stiff plate’s edge is a stress riser this case does not show',
      ...(parts ? ['the core’s own shear adds to the deflection'] : []),
      ...(sameRect(on, loadedPatch(r)) ? [] : ['the plate reaches over one bearer: its help is not counted (safe)']),
    ]);
  },
});

/** The skin's own stress beside the plate's edge, where the load's way into it was solved. */
function asSolved(r: Resolved, solved: Solved, w: Working): CheckResult {
  if (solved.tooThin) return tooThin(solved.overThickness);
  const { value, at } = solved.edgeStress;
  const σ = w.found('σ', value, 'MPa', `mean over one thickness beside the plate’s edge, ${solved.mesh}`);
  const fd = w.of(r.factors.plastic > 1 ? F_PL : F_D, { f: bendingStrength(r, w), γ: r.factors.onSkin });
  return outcome(σ, fd, 'MPa', `plate’s edge at x ${at.x.toFixed(0)}, y ${at.y.toFixed(0)} mm`);
}

const sameRect = (a: Rect, b: Rect) => a.x0 === b.x0 && a.x1 === b.x1 && a.y0 === b.y0 && a.y1 === b.y1;

const faceStress = (p: SandwichParts, m: number, w: Working): number =>
  w.of(SIGMA_F, { m, d: p.d, t_f: Math.min(p.near, p.far) });

function bendingStrength(r: Resolved, w: Working): number {
  const s = r.job.skin;
  if (s.kind !== 'sandwich') return r.skin.bending;
  return Math.min(r.skin.bending, w.of(WRINKLE, { E_f: r.skin.E, G_c: s.coreModulus.v }, 'wrinkling of a face'));
}

function tooThin(wt: number): CheckResult {
  return refuse(
    'skin.thickness',
    `the panel would deflect ${wt.toFixed(1)} × its thickness, where thin-plate bending no longer holds`,
    `deflection up to ${MOST_DEFLECTION} × the thickness: nearer bearers, a larger backing plate or a thicker skin`,
  );
}
