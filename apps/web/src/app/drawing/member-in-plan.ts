import type { Rect } from '@core/geometry/points';
import { webFaces } from '@core/job/flange';
import { panelOf } from '@core/job/outlines';
import type { Job } from '@core/job/schema';

/** A section or flange seen from above: how far it reaches, and its walls or web below as hidden lines. Undefined on any other skin. */
export interface MemberInPlan {
  readonly at: Rect;
  readonly hidden: string;
}

export function memberInPlan(job: Job): MemberInPlan | undefined {
  const s = job.skin;
  if (s.kind !== 'hollow' && s.kind !== 'flange') return undefined;
  const { x0, x1 } = panelOf(job);
  const half = s.width.v / 2;
  const lines =
    s.kind === 'hollow'
      ? [half - s.wall.v, s.wall.v - half]
      : webFaces({ of: s.of, webAt: s.webAt, width: s.width.v, web: s.web.v }).filter((y) => Math.abs(y) < half - 1e-6);
  return { at: { x0, x1, y0: -half, y1: half }, hidden: lines.map((y) => `M${x0} ${-y}H${x1}`).join('') };
}
