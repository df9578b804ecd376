import { widthOf } from '../../geometry/rects';
import { weldedOnly, type Resolved } from '../../job/resolve';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { everyBolt, notApplicable, outcome, worst, type Check, type Outcome } from '../check';
import type { Loaded } from '../demand/demand';
import { flangeOf, toWeb, type Flange } from './flange';

const L_EFF = formula('l_eff', 'min(2·π·m, 4·m + 1.25·e, p)', 'mm');
const F_T = formula('F_T.Rd', 'l_eff·t_f²·f_y/(4·m·γ)', 'N');
const M_W = formula('M_w', 'abs(M_x − y_w·F_z)', 'N·mm');
const M_RD = formula('M_Rd', '(h_1 + 2·c)·t_f²·f_y/(4·γ)', 'N·mm');

const ROLLED = formula('η', 'M_w/M_Rd', '–');

/** Least distance along the flange to another bolt on the same side of the web, mm. */
function pitchAt(r: Resolved, x: Flange, i: number): number {
  const side = (y: number) => (y > x.web[1] ? 1 : -1);
  const b = r.bolts[i]!;
  return r.bolts
    .filter((o) => o !== b && side(o.y) === side(b.y))
    .reduce((least, o) => Math.min(least, Math.max(Math.abs(o.x - b.x), r.d)), Infinity);
}

/** The flange at its root on the web, pulled down by the bolts or pressed by the plate that rolls on it. */
export const flangeBending: Check = {
  id: 'flange-bending',
  name: 'Flange bending',
  element: 'skin',
  withoutBolts: true,
  says: 'The flange must not bend away from its web where the bolts pull it or the plate presses it.',
  why: 'A flange is held along its web only: what pulls or presses beside the web bends it like a shelf. Bolts near the web, a clamp or a stiffener between the flanges help.',
  source:
    'Yield lines l_eff of EN 1993-1-8 Tab. 6.4, each bolt bending its side as a cantilever, without prying (safe); what rolls the plate on a strip that spreads 45° to the web (common practice)',
  range: 'Flange running fore and aft, bolts through the flange only; its own bending as part of the member is not in it',
  evaluate(r, s, w) {
    const x = flangeOf(r);
    if (!x) return notApplicable('the skin is not a flange');
    const rolled = rolledOn(r, s, x, SILENT);
    const pulled = weldedOnly(r) ? undefined : pulledAt(r, s, x, SILENT);
    if (pulled && pulled.utilisation > rolled.utilisation) return w.recording ? pulledAt(r, s, x, w) : pulled;
    return w.recording ? rolledOn(r, s, x, w) : rolled;
  },
};

const SILENT = new Working(false);
const CAUTIONS = ['stress in the flange from the member’s own bending is not known here'];

function pulledAt(r: Resolved, s: Loaded, x: Flange, w: Working): Outcome {
  return worst(everyBolt(r), w, (i, _k, w) => {
    const b = r.bolts[i]!;
    const m = Math.max(toWeb(x, b.y), 1e-6);
    const e = x.b / 2 - Math.abs(b.y);
    const l_eff = w.of(L_EFF, { m, e, p: pitchAt(r, x, i) });
    const F = w.of(F_T, { l_eff, t_f: x.tf, f_y: x.fy, m, γ: r.factors.onYield });
    return outcome(s.demand.pull(i, w), F, 'N', r.bolts[i]!.id, CAUTIONS);
  });
}

function rolledOn(r: Resolved, s: Loaded, x: Flange, w: Working): Outcome {
  const c = s.onSkin;
  const y_w = (x.web[0] + x.web[1]) / 2;
  // Over the web the push goes straight down; off it, it rolls the flange by its distance from the web.
  const M = w.of(M_W, { M_x: c.mx, y_w, F_z: c.fz }, 'all of it on one side of the web');
  const reach = Math.max(toWeb(x, x.b / 2), toWeb(x, -x.b / 2));
  const M_Rd = w.of(M_RD, { h_1: widthOf(r.plate), c: reach, t_f: x.tf, f_y: x.fy, γ: r.factors.onYield });
  return outcome(w.of(ROLLED, { M_w: M, M_Rd }), 1, '–', 'rolled about its web', CAUTIONS);
}
