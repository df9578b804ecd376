import { heightOf, sameRect, widthOf } from '../../geometry/rects';
import type { Resolved } from '../../job/resolve';
import type { Shared } from '../../sharing/share';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { pryingRatio } from '../plate-strip';
import { sandwichParts, type SandwichParts } from '../skin-parts';
import { tooThin } from '../too-thin';
import { notApplicable, type Demand } from './demand';
import { loadedPatch, panelIn, panelStiffness, panelUnder, skinPrying } from './panel';

const PRIED = formula('F_t.Ed', 'T·k_Q + Q_s', 'N');
const SIGMA = formula('σ', '6·m/t²', 'MPa');
const SIGMA_F = formula('σ', 'm/(d·t_f)', 'MPa');
const W_T = formula('ω', 'wD/(D·t)', '–');
const W = formula('w', 'wD/D', 'mm');
/** Even line load round the patch with the moments' share (statics of a line group, W = u·v + v²/3). */
const V = formula('v', 'abs(F_z)/(2·(u + v_p)) + abs(M_x)/(u·v_p + v_p²/3) + abs(M_y)/(u·v_p + u²/3)', 'N/mm');

/** A case by hand: a rigid base on an even bed, the plate strip by strip, the skin as a panel between its bearers. */
export function byHand(r: Resolved, s: Shared): Demand {
  const skin = skinPrying(r, s.midSkin);
  return {
    pull(i, w) {
      const T = w.found('T', s.outOfPlane.tensions[i]!, 'N', `pull in ${r.bolts[i]!.id}, neutral axis found by equilibrium`);
      const k_Q = pryingRatio(r)[i]!;
      const Q_s = skin ? skin(i, w) : 0;
      return w.of(PRIED, { T, k_Q, Q_s }, k_Q > 1 ? 'k_Q the plate’s own prying: see Plate bending' : '');
    },
    push: (i, w) => w.found('N_Ed', s.outOfPlane.pushes[i]!, 'N', `push down what stands round ${r.bolts[i]!.id}, elastic`),
    pressure(w) {
      const o = s.outOfPlane;
      if (o.pressed.length === 0) return notApplicable('the base lifts clear in this case: nothing presses');
      w.found('n', r.grade.E / r.bedModulus, '–', 'E_b/E_c, bolt modulus over bed modulus');
      w.found('N_c', o.push, 'N', 'push of the bed under the base');
      const value = w.found('p_max', o.peak, 'MPa', 'largest pressure, from the neutral axis found by equilibrium');
      return { value, at: o.peakAt, where: 'edge of the base' };
    },
    plateStress: () => undefined,
    farStress: () => undefined,
    skinStress(w) {
      const on = panelUnder(r);
      if ('applies' in on || 'refused' in on) return on;
      const found = panelIn(r, on, s.midSkin);
      const { x, y } = found.at;
      const m = w.found(
        'm',
        found.m,
        'N',
        `largest moment per mm width, peak of Navier’s series all over the panel, at x ${x.toFixed(0)}, y ${y.toFixed(0)} mm`,
      );
      const parts = sandwichParts(r);
      const t = r.skinThickness;
      const value = parts ? faceStress(parts, m, w) : w.of(SIGMA, { m, t });
      const wt = w.of(W_T, { wD: found.wD, t, D: panelStiffness(r, w) });
      const no = tooThin(wt);
      if (no) return no;
      const cautions = [
        'the stiff plate’s edge is a stress riser this case does not show',
        ...(parts ? ['the core’s own shear adds to the deflection'] : []),
        ...(sameRect(on, loadedPatch(r)) ? [] : ['the plate reaches over one bearer: its help is not counted (safe)']),
      ];
      return { value, at: found.at, where: 'panel between bearers', cautions };
    },
    deflection(w) {
      const on = panelUnder(r);
      if ('applies' in on || 'refused' in on) return on;
      const { wD, at } = panelIn(r, on, s.midSkin);
      return {
        value: w.of(W, { wD, D: panelStiffness(r, w) }, 'peak of Navier’s series all over the panel'),
        at,
        where: 'panel between bearers',
      };
    },
    edgeShear(w) {
      const patch = loadedPatch(r);
      const c = s.midSkin;
      return w.of(V, { F_z: c.fz, M_x: c.mx, M_y: c.my, u: widthOf(patch), v_p: heightOf(patch) });
    },
  };
}

const faceStress = (p: SandwichParts, m: number, w: Working): number =>
  w.of(SIGMA_F, { m, d: p.d, t_f: Math.min(p.near, p.far) });
