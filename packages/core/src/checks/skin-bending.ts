import { boundsOf, centreOf, heightOf, overlap, widthOf } from '../geometry/rects';
import type { Rect } from '../geometry/points';
import type { Resolved } from '../job/resolve';
import { refuse } from '../units/refusal';
import { formula } from '../working/formula';
import { notApplicable, onSkin, outcome } from './check';
import { panelMoment, rememberedResponse } from './panel-case';

const SIGMA = formula('σ', '6·m/t²', 'MPa');
const F_D = formula('f_d', 'f/γ', 'MPa');
/** A flat plate bent right through: plastic modulus 1.5 × elastic (bh²/4 over bh²/6). */
const F_PL = formula('f_d', '1.5·f/γ', 'MPa');
const D = formula('D', 'E·t³/(12·(1 − ν²))', 'N·mm');
const W_T = formula('ω', 'wD/(D·t)', '–');

/** Small-deflection theory holds to about half the thickness (Timoshenko & Woinowsky-Krieger §13, §97). */
const MOST_DEFLECTION = 0.5;

/** What the skin is loaded through: the backing plate's outline, or the bolts with their washers. */
export function loadedPatch(r: Resolved): Rect {
  return r.far.kind === 'plate' ? r.plate : boundsOf(r.bolts, r.far.outside / 2);
}

/** Bending of the skin panel between its bearers. */
export const skinBending = onSkin({
  id: 'skin-bending',
  name: 'Skin bending',
  element: 'skin',
  says: 'Between its bearers the skin carries the load as a panel and bends.',
  why: 'The plate hands its load to the skin, and the skin hands it on to the bearers by bending, like a drumhead pushed in its middle. Nearer bearers, a larger plate or a thicker skin help; the stiff plate’s edge is where it hurts most.',
  source:
    'Navier’s series for a simply supported rectangular plate under a patch (Timoshenko & Woinowsky-Krieger §28–34); plywood as isotropic with its weaker direction (safe)',
  range: 'Panel at least 10 times as wide as thick; plate clear of the bearers or over one of them; linear up to w/t 0.5',
  evaluate(r, s, w) {
    const patch = loadedPatch(r);
    const span = Math.min(widthOf(r.panel), heightOf(r.panel));
    const t = r.skinThickness;
    if (span < 10 * t)
      return refuse(
        'skin.thickness',
        `${t.toFixed(1)} mm is thick for a ${span.toFixed(0)} mm span: not a thin plate`,
        `at most ${(span / 10).toFixed(1)} mm for this span`,
      );
    const { panel } = r;
    const over = (from: number, to: number, low: number, high: number) => from <= low && to >= high;
    if (over(patch.x0, patch.x1, panel.x0, panel.x1) || over(patch.y0, patch.y1, panel.y0, panel.y1))
      return notApplicable('the plate reaches over two opposite bearers, which carry it: not a panel between bearers');
    const on = overlap(patch, panel);
    if (!on) return refuse('skin.aft', 'the plate does not stand on the panel between the bearers', 'a plate on the panel');
    const c = s.loadCase;
    // From the datum to the middle of what presses: M − r × F.
    const { x, y } = centreOf(on);
    const response = rememberedResponse(panel, on, r.skin.nu);
    const found = panelMoment(response, c.fz, c.mx - y * c.fz, c.my + x * c.fz);
    const m = w.found(
      'm',
      found.m,
      'N',
      `largest moment per mm width, series of 48 × 48 terms, at x ${found.at.x.toFixed(0)}, y ${found.at.y.toFixed(0)} mm`,
    );
    const sigma = w.of(SIGMA, { m, t });
    const fd = w.of(r.factors.plastic > 1 ? F_PL : F_D, { f: r.skin.bending, γ: r.factors.onSkin });
    const wt = w.of(W_T, { wD: found.wD, t, D: w.of(D, { E: r.skin.E, t, ν: r.skin.nu }) });
    if (wt > MOST_DEFLECTION) {
      return refuse(
        'skin.thickness',
        `the panel would deflect ${wt.toFixed(1)} × its thickness, where thin-plate bending no longer holds`,
        `deflection up to ${MOST_DEFLECTION} × the thickness: nearer bearers, a larger backing plate or a thicker skin`,
      );
    }
    return outcome(sigma, fd, 'MPa', 'panel between bearers', [
      'the stiff plate’s edge is a stress riser this case does not show',
      ...(on === patch ? [] : ['the plate reaches over one bearer: its help is not counted (safe)']),
    ]);
  },
});
