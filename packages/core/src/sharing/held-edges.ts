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

/**
 * Where the plate is held by the base nearest to a point outside it, and how far that is, mm: on an edge that is welded, as it lifts
 * off one that is not; on the base's own edge where it is held otherwise.
 */
export function nearestHeld(r: Pick<Resolved, 'welds' | 'base'>, p: Point): { readonly point: Point; readonly gap: number } {
  const runs = baseRuns(r);
  if (runs.length === 0) return nearestPoint(r.base, p);
  return runs
    .map((run) => onRun(run, p))
    .map((point) => ({ point, gap: distance(point, p) }))
    .reduce((a, b) => (b.gap < a.gap - 1e-9 ? b : a));
}
