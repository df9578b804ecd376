import { edgeLine } from '@core/geometry/outline';
import type { Point } from '@core/geometry/points';
import { rectAbout } from '@core/geometry/rects';
import type { Job } from '@core/job/schema';
import { plateCorners, weldLines } from '@core/job/weld-lines';
import { runsAround } from '@core/sharing/weld-group';

/** Fillets of plate and fitting as lines on the plan. */
export function beadsOf(job: Job): readonly (readonly Point[])[] {
  const { fitting, doubler, stitch, gap } = job.welds;
  const base = rectAbout({ x: 0, y: 0 }, job.base.length.v, job.base.width.v);
  const round = fitting === 'none' ? [] : runsAround(base, fitting).map((r) => [r.from, r.to]);
  return [...round, ...alongPlate(job, doubler, stitch.v, gap.v)];
}

function alongPlate(job: Job, doubler: Job['welds']['doubler'], stitch: number, gap: number): readonly (readonly Point[])[] {
  if (doubler === 'lines') return weldLines(job);
  if (doubler === 'none' || doubler === 'plugs') return [];
  const corners = plateCorners(job);
  const edges = corners.map((_c, i) => edgeLine(corners, i));
  return doubler === 'stitched' ? edges.flatMap((line) => stitches(line, stitch, gap)) : edges;
}

/** Stitches along a line, from its middle out, as they are counted. */
function stitches(line: readonly Point[], stitch: number, gap: number): Point[][] {
  const [a, b] = [line[0]!, line.at(-1)!];
  const long = Math.hypot(b.x - a.x, b.y - a.y);
  if (line.length > 2 || stitch + gap <= 0) return [[...line]];
  const at = (d: number): Point => ({ x: a.x + ((b.x - a.x) * d) / long, y: a.y + ((b.y - a.y) * d) / long });
  const out: Point[][] = [];
  const reach = Math.ceil(long / 2 / (stitch + gap));
  for (let k = -reach; k <= reach; k++) {
    const middle = long / 2 + k * (stitch + gap);
    const [from, to] = [Math.max(0, middle - stitch / 2), Math.min(long, middle + stitch / 2)];
    if (to - from > 0.5) out.push([at(from), at(to)]);
  }
  return out;
}
