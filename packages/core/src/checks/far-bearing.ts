import { distance } from '../geometry/points';
import { nearestEdge } from '../geometry/rects';
import type { PlacedBolt, Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';

const C_SPREAD = formula('c', 't_b·sqrt(f_y/(3·f_c.d·γ_y))', 'mm');
const F_CD = formula('f_c.d', 'f_c/γ', 'MPa');
const D_M = formula('d_m', 'min(d_w + 2·c, 2·e, p)', 'mm');

/**
 * Diameter of skin that a nut really presses on: its washer, or the washer grown by the spread c of the backing
 * plate, c = t·√(f_y/(3·f_jd·γ_M0)) (EN 1993-1-8 §6.2.5(4), equivalent T-stub in compression), and never past the
 * backing plate's or strip's edge (2·e) or the next bolt's share (p).
 */
export function farDiameter(r: Resolved, bolt: PlacedBolt, w: Working): number {
  if (r.far.kind === 'washer') return w.found('d_m', r.far.outside, 'mm', 'outside of the washer under the nut');
  const fcd = w.of(F_CD, { f_c: r.skin.crush, γ: r.factors.onSkin });
  const c = w.of(C_SPREAD, { t_b: r.far.thickness, f_y: r.far.metal.fy, 'f_c.d': fcd, γ_y: r.factors.onYield });
  const p = r.bolts.reduce((least, o) => (o === bolt ? least : Math.min(least, distance(o, bolt))), Infinity);
  const strip = r.far.strips ? r.far.strips.width / 2 : Infinity;
  return w.of(D_M, { d_w: r.washerOutside, c, e: Math.min(nearestEdge(r.plate, bolt), strip), p });
}
