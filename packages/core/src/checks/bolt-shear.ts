import type { Resolved } from '../job/resolve';
import { byItsBase } from '../sharing/share';
import { groupCoefficient } from '../sharing/instantaneous-centre';
import type { Loaded } from './demand/demand';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { otherSchool, shearResistance } from './bolt-strength';
import { capacitiesOf, everyBolt, worstBolt, type BoltCheck, type Check } from './check';

const V_X = formula('V_x', 'F_x/n − M_T·r_y/I_p', 'N');
const V_Y = formula('V_y', 'F_y/n + M_T·r_x/I_p', 'N');
const VA_X = formula('V_x', 'a·(F_x/n − M_T·r_y/I_p)', 'N');
const VA_Y = formula('V_y', 'a·(F_y/n + M_T·r_x/I_p)', 'N');
const LEFT = formula('F_v.Ed', 'F·(1 − μ·N/(γ·ΣV))', 'N');
const F_VED = formula('F_v.Ed', 'sqrt(V_x² + V_y²)', 'N');

/** In-plane force on bolt i by the elastic method, with its working; agrees with `sharing/in-plane`. */
export function shearOn(r: Resolved, s: Loaded, i: number, w: Working): number {
  const k = byItsBase(s, i);
  const group = k < 0 ? { ...s.inPlane, n: r.bolts.length } : { ...s.ofBase!.inPlane, n: s.ofBase!.bolts.length };
  const { centre, polar, torsion } = group;
  if (!w.recording) return s.shears[i]!.total;
  const words = k < 0 ? '' : 'the base’s own bolts take all that comes in by it; ';
  if (polar < 1e-6) return w.found('F_v.Ed', s.shears[i]!.total, 'N', `${words}${r.bolts[i]!.id}`);
  const b = r.bolts[i]!;
  const put = {
    F_x: s.loadCase.fx,
    F_y: s.loadCase.fy,
    n: group.n,
    M_T: torsion,
    r_x: b.x - centre.x,
    r_y: b.y - centre.y,
    I_p: polar,
  };
  const a = group.parts?.[k < 0 ? i : k];
  const V_x =
    a === undefined
      ? w.of(V_X, put, `${words}Ip is Σr² over the group; ${b.id}`)
      : w.of(VA_X, { ...put, a }, `${words}Ip is Σa·r² over the group, a the bolt’s stiffness against their mean; ${b.id}`);
  const V_y = a === undefined ? w.of(V_Y, put) : w.of(VA_Y, { ...put, a });
  const all = w.of(F_VED, { V_x, V_y });
  // Friction lies under the plate: the base's own bolts are not spared by it.
  if (!s.friction || k >= 0) return all;
  const { mu, press, gamma, slides, left } = s.friction;
  // Friction holds more than slides: nothing is left.
  if (left === 0)
    return w.found('F_v.Ed', 0, 'N', `friction μ·N/γ ${((mu * press) / gamma).toFixed(0)} N holds more than slides`);
  return w.of(
    LEFT,
    { F: all, μ: mu, N: press, γ: gamma, ΣV: slides },
    'less friction, as the job counts it; N is the press of the plate as solved',
  );
}

/** The same group at its strength, turning about its instantaneous centre: shown beside the elastic figure, which is the safer. */
function byCentre(r: Resolved, s: Loaded, w: Working): void {
  const { fx, fy, mz } = s.loadCase;
  const F = Math.hypot(fx, fy);
  if (!w.recording || s.inPlane.parts || s.ofBase || F < 1e-9 || Math.abs(s.inPlane.torsion) < 1e-6 * F * r.d) return;
  const C = groupCoefficient(r.bolts, fx, fy, mz);
  if (C !== undefined && C > 0)
    w.found(
      'F_v.Ed',
      F / C,
      'N',
      `for comparison, by the instantaneous centre (AISC Manual Part 7), C ${C.toFixed(2)}; not used`,
    );
}

const inShear: BoltCheck = { demand: shearOn, capacity: shearResistance };
const capacities = capacitiesOf(inShear);

/** Shear in the hardest-worked bolt: direct plus torsion about the group's centroid. */
export const boltShear: Check = {
  id: 'bolt-shear',
  name: 'Bolt shear',
  element: 'fastener',
  says: 'The hardest-worked bolt must not shear off where the parts meet.',
  why: 'The plates slide past each other and cut the bolt between them. A thread in the cut leaves less metal than a plain shank. The bolt farthest from the centre of the pattern takes most where the load also twists.',
  source:
    'Elastic group, AISC Manual Part 7; resistance EN 1993-1-8 Tab. 3.4, §3.8 and §3.6.1(12), or AISC 360-16 Tab. J3.2, one plane; long grips BS 5950-1 §6.3.2.2',
  range:
    'Rigid plate; bolts of several kinds by their area, through spacers of different height as posts; friction only where the job counts it and is judged as solved',
  evaluate(r, s, w) {
    const o = worstBolt(everyBolt(r), r, s, w, inShear, capacities(r));
    byCentre(r, s, w);
    otherSchool(
      r,
      'shear',
      r.bolts.findIndex((b) => b.id === o.at),
      w,
    );
    return o;
  },
};
