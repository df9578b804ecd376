import { left, type Point } from '../geometry/points';
import { alongTo } from '../geometry/rects';
import type { Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';

/** Distances that decide bearing at one bolt when it presses its plate towards unit direction u. mm, Infinity where there is none. */
export interface BearingPlace {
  readonly e1: number;
  readonly e2: number;
  readonly p1: number;
  readonly p2: number;
}

/** Neighbours within 45° of the force count as pitch p1, the rest as gauge p2. `edges` false for a skin without near edges. */
export function bearingPlace(r: Resolved, bolt: Point, u: Point, edges: boolean): BearingPlace {
  let p1 = Infinity;
  let p2 = Infinity;
  for (const o of r.bolts) {
    if (o === bolt) continue;
    const dx = o.x - bolt.x;
    const dy = o.y - bolt.y;
    const ahead = dx * u.x + dy * u.y;
    const aside = Math.abs(dy * u.x - dx * u.y);
    if (Math.abs(ahead) < aside) p2 = Math.min(p2, Math.hypot(dx, dy));
    else if (ahead > 0) p1 = Math.min(p1, Math.hypot(dx, dy));
  }
  if (!edges) return { e1: Infinity, e2: Infinity, p1, p2 };
  const side = left(u);
  return {
    e1: alongTo(r.plate, bolt, u),
    e2: Math.min(alongTo(r.plate, bolt, side), alongTo(r.plate, bolt, { x: -side.x, y: -side.y })),
    p1,
    p2,
  };
}

export interface BearingParts {
  readonly d: number;
  readonly d0: number;
  readonly t: number;
  readonly fu: number;
  readonly fub: number;
  readonly gamma: number;
}

const ALPHA_B = formula('α_b', 'min(e_1/(3·d_0), p_1/(3·d_0) − 0.25, f_ub/f_u, 1)', '–');
const K_1 = formula('k_1', 'min(2.8·e_2/d_0 − 1.7, 1.4·p_2/d_0 − 1.7, 2.5)', '–');
const F_BRD = formula('F_b.Rd', 'k_1·α_b·f_u·d·t/γ', 'N');

/** EN 1993-1-8 Tab. 3.4, bearing with end and edge distance, N. Not below 0 where edges are too near. */
export function bearingEN(place: BearingPlace, x: BearingParts, w: Working): number {
  const s = {
    e_1: place.e1,
    e_2: place.e2,
    p_1: place.p1,
    p_2: place.p2,
    d: x.d,
    d_0: x.d0,
    t: x.t,
    f_u: x.fu,
    f_ub: x.fub,
    γ: x.gamma,
    α_b: 0,
    k_1: 0,
  };
  s['α_b'] = Math.max(0, w.of(ALPHA_B, s));
  s.k_1 = Math.max(0, w.of(K_1, s));
  return w.of(F_BRD, s);
}

const L_C = formula('l_c', 'min(e_1 − d_0/2, p_1 − d_0)', 'mm');
const R_N = formula('R_n', 'min(1.2·l_c·t·f_u, 2.4·d·t·f_u)', 'N');
const R_D = formula('R_d', 'R_n/γ', 'N');

/** AISC 360-16 §J3.10, bearing and tear-out where hole deformation matters, N. */
export function bearingAISC(place: BearingPlace, x: BearingParts, w: Working): number {
  const lc = w.of(L_C, { e_1: place.e1, p_1: place.p1, d_0: x.d0 });
  const Rn = w.of(R_N, { l_c: Math.max(0, lc), t: x.t, d: x.d, f_u: x.fu });
  return w.of(R_D, { R_n: Rn, γ: x.gamma });
}
