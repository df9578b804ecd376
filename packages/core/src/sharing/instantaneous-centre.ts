import { centroid, type Point } from '../geometry/points';

/**
 * Strength of a bolt group under an eccentric force in its plane by the instantaneous centre of rotation:
 * R = R_ult·(1 − e^(−10Δ))^0.55, the farthest bolt at Δ_max 0.34 in, the others in proportion to their distance
 * (Crawford & Kulak 1971; AISC Manual Part 7).
 */
const D_MAX = 0.34;

/** One bolt's part of R_ult at a part of the farthest distance. */
const part = (k: number): number => (1 - Math.exp(-10 * D_MAX * k)) ** 0.55;

/** Force and moment of the group about its centroid, in parts of R_ult, when it turns about `c`. */
function resists(bolts: readonly Point[], c: Point): { fx: number; fy: number; m: number } {
  const reach = Math.max(...bolts.map((b) => Math.hypot(b.x - c.x, b.y - c.y)));
  const out = { fx: 0, fy: 0, m: 0 };
  for (const b of bolts) {
    const [rx, ry] = [b.x - c.x, b.y - c.y];
    const l = Math.hypot(rx, ry);
    if (l < 1e-12) continue;
    const R = part(l / reach);
    const [fx, fy] = [(-R * ry) / l, (R * rx) / l];
    out.fx += fx;
    out.fy += fy;
    out.m += b.x * fy - b.y * fx;
  }
  return out;
}

/**
 * C: how many single bolts the group is worth under a force (fx, fy) through the datum with a moment mz about it. The whole
 * group straight where there is no moment about its centroid; undefined where no centre is found.
 */
export function groupCoefficient(bolts: readonly Point[], fx: number, fy: number, mz: number): number | undefined {
  const g = centroid(bolts);
  const at = bolts.map((b) => ({ x: b.x - g.x, y: b.y - g.y }));
  const F = Math.hypot(fx, fy);
  const M = mz - (g.x * fy - g.y * fx);
  const r = Math.sqrt(at.reduce((a, b) => a + b.x ** 2 + b.y ** 2, 0) / at.length);
  if (F < 1e-9) return Math.abs(M) < 1e-9 || r < 1e-9 ? undefined : resists(at, { x: 0, y: 0 }).m / r;
  if (Math.abs(M) < 1e-9 * F * Math.max(r, 1)) return bolts.length;
  // Turned so that the force runs along +y and lies at x = e: the centre is on the x axis side away from it.
  const [ux, uy] = [fx / F, fy / F];
  const e = M / F;
  const turned = at.map((b) => ({ x: b.x * uy - b.y * ux, y: b.x * ux + b.y * uy }));
  const sense = Math.sign(e);
  let c: Point = { x: (-sense * (r * r)) / Math.max(Math.abs(e), 1e-9), y: 0 };
  /** Out of balance: no force across, and force along times e is the moment. */
  const off = (p: Point): [number, number] => {
    const s = resists(turned, p);
    return [s.fx, s.fy * e - s.m];
  };
  for (let k = 0; k < 80; k++) {
    const [a, b] = off(c);
    const h = 1e-5 * Math.max(r, 1);
    const [ax, bx] = off({ x: c.x + h, y: c.y });
    const [ay, by] = off({ x: c.x, y: c.y + h });
    const J = [(ax - a) / h, (ay - a) / h, (bx - b) / h, (by - b) / h] as const;
    const det = J[0] * J[3] - J[1] * J[2];
    if (Math.abs(det) < 1e-300) return undefined;
    const step = { x: -(a * J[3] - b * J[1]) / det, y: -(J[0] * b - J[2] * a) / det };
    const most = Math.max(r, Math.abs(c.x)) / 2;
    const scale = Math.min(1, most / Math.max(1e-12, Math.hypot(step.x, step.y)));
    c = { x: c.x + scale * step.x, y: c.y + scale * step.y };
    if (Math.hypot(step.x, step.y) < 1e-9 * Math.max(r, 1)) break;
  }
  const s = resists(turned, c);
  const [a, b] = off(c);
  const balanced = Math.abs(a) < 1e-6 * bolts.length && Math.abs(b) < 1e-6 * bolts.length * Math.max(r, Math.abs(e));
  return balanced ? Math.abs(s.fy) : undefined;
}
