import { distance, type Point } from '../geometry/points';
import { nearestPoint } from '../geometry/rects';
import type { Resolved } from '../job/resolved';
import { runsAround, type Run } from './weld-group';

/** The fillets that hold the base to the plate; none where it is not welded. */
export const baseRuns = ({ welds, base }: Pick<Resolved, 'welds' | 'base'>): readonly Run[] =>
  welds.fitting === 'none' ? [] : runsAround(base, welds.fitting);

/** The point of a run nearest to p. */
function onRun({ from, to }: Run, p: Point): Point {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const t = Math.min(1, Math.max(0, ((p.x - from.x) * dx + (p.y - from.y) * dy) / (dx * dx + dy * dy)));
  return { x: from.x + t * dx, y: from.y + t * dy };
}

export interface HeldAt {
  readonly point: Point;
  /** How far that is, mm. */
  readonly gap: number;
}

/**
 * Where the plate is held by the base nearest to a point outside it: on an edge that is welded, as it lifts off one that is not; on the
 * base's own edge where it is held otherwise. A bolt half way between two welds has two such places.
 */
export function heldNearest(r: Pick<Resolved, 'welds' | 'base'>, p: Point): readonly HeldAt[] {
  const runs = baseRuns(r);
  if (runs.length === 0) return [nearestPoint(r.base, p)];
  const all = runs.map((run) => onRun(run, p)).map((point) => ({ point, gap: distance(point, p) }));
  const least = Math.min(...all.map((at) => at.gap));
  return all.filter((at) => at.gap <= least + AS_NEAR);
}
/** No layout is truer than this: a bolt that stands so little off the middle is bent from either side, mm (common practice). */
const AS_NEAR = 0.5;

/** The distance to the nearest alone, mm. */
export const heldGap = (r: Pick<Resolved, 'welds' | 'base'>, p: Point): number =>
  Math.min(...heldNearest(r, p).map((at) => at.gap));
