import { centroid, type Point } from '../geometry/points';
import { refuse, type Refusal } from '../units/refusal';

/** A hole of a pattern by its name, mm. */
export interface NamedPoint extends Point {
  readonly id: string;
}

/** A rigid move: turned by θ about the origin (after the mirror, where there is one), then moved by (x, y). */
export interface Move {
  /** rad, anticlockwise seen from above. */
  readonly theta: number;
  readonly x: number;
  readonly y: number;
  /** Port and starboard swapped before turning. */
  readonly mirrored: boolean;
}

/** How one hole lies off its nominal place once the patterns are laid on each other; mm. */
export interface Residual {
  readonly id: string;
  readonly dx: number;
  readonly dy: number;
  readonly off: number;
}

export interface PatternFit {
  /** Lays the measured pattern on the nominal one. */
  readonly move: Move;
  readonly residuals: readonly Residual[];
  /** Root mean square of the residuals, mm. */
  readonly rms: number;
  readonly largest: Residual;
}

/** One hole that the others do not agree with: how far off it is once they are fitted without it. */
export interface Suspect {
  readonly id: string;
  readonly off: number;
  /** What the others fit each other to, mm. */
  readonly othersTo: number;
}

export const moved = (p: Point, m: Move): Point => {
  const [c, s] = [Math.cos(m.theta), Math.sin(m.theta)];
  const y = m.mirrored ? -p.y : p.y;
  return { x: c * p.x - s * y + m.x, y: s * p.x + c * y + m.y };
};

/** Undoes `moved`. */
export const movedBack = (p: Point, m: Move): Point => {
  const [c, s] = [Math.cos(m.theta), Math.sin(m.theta)];
  const [x, y] = [p.x - m.x, p.y - m.y];
  const back = -s * x + c * y;
  return { x: c * x + s * y, y: m.mirrored ? -back : back };
};

interface Pair {
  readonly id: string;
  readonly from: Point;
  readonly to: Point;
}

/** Holes of the same name in both, in the measured order; or why they cannot be paired. */
function pairs(measured: readonly NamedPoint[], nominal: readonly NamedPoint[]): readonly Pair[] | Refusal {
  if (measured.length !== nominal.length)
    return refuse(
      'pattern',
      `${measured.length} holes were measured and the other pattern has ${nominal.length}`,
      'the same number of holes in both',
    );
  if (measured.length < 2) return refuse('pattern', `${measured.length} hole cannot show a turn`, 'at least 2 holes in each');
  const to = new Map(nominal.map((p) => [p.id, p]));
  const lost = measured.find((p) => !to.has(p.id));
  // Names that differ throughout are paired in order; half-matching names are a mistake worth saying.
  if (!lost) return measured.map((p) => ({ id: p.id, from: p, to: to.get(p.id)! }));
  if (measured.some((p) => to.has(p.id)))
    return refuse(
      'pattern',
      `hole ${lost.id} is in one pattern only`,
      'the same hole names in both, or all different (then paired in order)',
    );
  return measured.map((p, i) => ({ id: p.id, from: p, to: nominal[i]! }));
}

/**
 * Least-squares rigid move of `from` on `to` (orthogonal Procrustes in the plane; Kabsch 1976, Umeyama 1991):
 * θ = atan2(Σ p × q, Σ p · q) about the centroids.
 */
function bestMove(list: readonly Pair[], mirrored: boolean): Move {
  const from = list.map((p) => (mirrored ? { x: p.from.x, y: -p.from.y } : p.from));
  const a = centroid(from);
  const b = centroid(list.map((p) => p.to));
  let dot = 0;
  let cross = 0;
  list.forEach(({ to }, i) => {
    const [px, py] = [from[i]!.x - a.x, from[i]!.y - a.y];
    const [qx, qy] = [to.x - b.x, to.y - b.y];
    dot += px * qx + py * qy;
    cross += px * qy - py * qx;
  });
  const theta = Math.atan2(cross, dot);
  const [c, s] = [Math.cos(theta), Math.sin(theta)];
  return { theta, x: b.x - c * a.x + s * a.y, y: b.y - s * a.x - c * a.y, mirrored };
}

const offOf = (p: Pair, m: Move): Residual => {
  const at = moved(p.from, m);
  const [dx, dy] = [at.x - p.to.x, at.y - p.to.y];
  return { id: p.id, dx, dy, off: Math.hypot(dx, dy) };
};

const rmsOf = (list: readonly Residual[]) => Math.sqrt(list.reduce((s, r) => s + r.off ** 2, 0) / list.length);

function fitted(list: readonly Pair[], mirrored: boolean): PatternFit {
  const move = bestMove(list, mirrored);
  const residuals = list.map((p) => offOf(p, move));
  return { move, residuals, rms: rmsOf(residuals), largest: residuals.reduce((w, r) => (r.off > w.off ? r : w)) };
}

/** Lays a measured pattern on a nominal one; each hole keeps its name. */
export function fitPattern(
  measured: readonly NamedPoint[],
  nominal: readonly NamedPoint[],
  mirrored = false,
): PatternFit | Refusal {
  const list = pairs(measured, nominal);
  return 'refused' in list ? list : fitted(list, mirrored);
}

/** Under this, mm, a pattern fits well enough that nobody looks for a mirror image. */
const GOOD = 0.5;

/** The mirrored fit, where it is plainly better: at most half the residual, and the straight one is not good as it is. */
export function mirrorFits(measured: readonly NamedPoint[], nominal: readonly NamedPoint[]): PatternFit | undefined {
  const list = pairs(measured, nominal);
  if ('refused' in list) return undefined;
  const straight = fitted(list, false);
  const flipped = fitted(list, true);
  return straight.rms > GOOD && flipped.rms < straight.rms / 2 ? flipped : undefined;
}

/**
 * The one hole that stands out: left out of the fit, the others agree at least three times better and it is
 * at least three times farther off than they are from each other (common practice for a gross error). Needs four holes.
 */
export function suspectHole(
  measured: readonly NamedPoint[],
  nominal: readonly NamedPoint[],
  mirrored = false,
): Suspect | undefined {
  const list = pairs(measured, nominal);
  if ('refused' in list || list.length < 4) return undefined;
  const all = fitted(list, mirrored);
  if (all.rms < 0.05) return undefined;
  let best: Suspect | undefined;
  for (const out of list) {
    const rest = fitted(
      list.filter((p) => p !== out),
      mirrored,
    );
    if (!best || rest.rms < best.othersTo) best = { id: out.id, off: offOf(out, rest.move).off, othersTo: rest.rms };
  }
  return best && best.othersTo * 3 <= all.rms && best.off > 3 * best.othersTo ? best : undefined;
}
