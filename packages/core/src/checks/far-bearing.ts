import { distance } from '../geometry/points';
import { edgeDistance } from '../geometry/region';
import type { PlacedBolt, Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';

const C_SPREAD = formula('c', 't_b·sqrt(f_y/(3·f_c.d·γ_y))', 'mm');
const F_CD = formula('f_c.d', 'f_c/γ', 'MPa');
const D_M = formula('d_m', 'min(max(d_w, d_h) + 2·c, 2·e, p)', 'mm');
/** A welded stud has no washer there: its weld collar is what holds. */
const footOf = (r: Resolved, washer: number): number => (r.joint.holding === 'stud' ? 1.2 * r.d : washer);
const D_WASHER = formula('d_m', 'min(d_w, max(s, d_h) + 2·c)', 'mm');

/**
 * Diameter of skin that a nut really presses on: from the nut's flats, or the rim of a hole wider than those, out as far as its washer
 * stays flat; or the washer grown by
 * the spread c of the backing plate, c = t·√(f_y/(3·f_jd·γ_M0)) (EN 1993-1-8 §6.2.5(4), equivalent T-stub in compression), and
 * never past the washer's, the backing plate's or the strip's edge (2·e) or the next bolt's share (p).
 */
export function farDiameter(r: Resolved, bolt: PlacedBolt, w: Working): number {
  const { far } = r;
  const fcd = w.of(F_CD, { f_c: r.skin.crush, γ: r.factors.onSkin });
  // What breaks rather than yields is divided as what breaks.
  const γ_y = far.kind === 'plate' && far.metal.group === 'laminate' ? r.factors.onBreak : r.factors.onYield;
  const f_y = far.kind === 'plate' ? far.metal.fy : far.fy;
  const c = w.of(C_SPREAD, { t_b: far.thickness, f_y, 'f_c.d': fcd, γ_y }, 'how far it spreads before it bends');
  if (far.kind === 'washer')
    return w.of(
      D_WASHER,
      { d_w: footOf(r, far.outside), s: r.size.acrossFlats, d_h: r.skinHole, c },
      'washer as far as it stays flat, from the nut’s flats or the rim of a wider hole',
    );
  const p = r.bolts.reduce((least, o) => (o === bolt ? least : Math.min(least, distance(o, bolt))), Infinity);
  const edge = r.shaped ? edgeDistance(far.region, bolt) : edgeDistance(r.region, bolt) + (far.outline.x1 - r.plate.x1);
  const strip = far.strips ? far.strips.width / 2 : Infinity;
  return w.of(D_M, { d_w: footOf(r, r.washerOutside), d_h: r.skinHole, c, e: Math.min(edge, strip), p });
}
