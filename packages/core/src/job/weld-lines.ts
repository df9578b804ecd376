import { cornersOfRect, edgeLine, type Corner } from '../geometry/outline';
import { distance, type Point } from '../geometry/points';
import { outlineOf } from './outlines';
import type { Job } from './schema';

type Plated = Pick<Job, 'plate' | 'welds'>;

/** The plate's corners as drawn, or those of its rectangle. */
export const plateCorners = (job: Pick<Job, 'plate'>): readonly Corner[] =>
  job.plate.outline?.corners ?? cornersOfRect(outlineOf(job), job.plate.corner);

export const RECTANGLE_EDGES = ['starboard edge', 'fore edge', 'port edge', 'aft edge'] as const;

/** What an edge is called. */
export const edgeName = (job: Pick<Job, 'plate'>, edge: number): string =>
  job.plate.outline ? `edge ${edge + 1}` : (RECTANGLE_EDGES[edge] ?? `edge ${edge + 1}`);

const lengthOf = (line: readonly Point[]): number => line.slice(1).reduce((sum, p, i) => sum + distance(line[i]!, p), 0);

/** Length of an edge between its corners' roundings, mm. */
export const edgeLength = (job: Pick<Job, 'plate'>, edge: number): number => lengthOf(edgeLine(plateCorners(job), edge));

/** A polyline without so much of its beginning and of its end. */
function trimmed(line: readonly Point[], start: number, end: number): Point[] {
  const stop = lengthOf(line) - end;
  const out: Point[] = [];
  let gone = 0;
  line.slice(1).forEach((b, i) => {
    const a = line[i]!;
    const l = distance(a, b);
    const [from, to] = [Math.max(start - gone, 0), Math.min(stop - gone, l)];
    gone += l;
    if (to - from < 1e-9) return;
    const at = (d: number): Point => ({ x: a.x + ((b.x - a.x) * d) / l, y: a.y + ((b.y - a.y) * d) / l });
    if (out.length === 0) out.push(at(from));
    out.push(at(to));
  });
  return out;
}

/** Every weld line of the plate as a polyline on the plan, in their order; empty where nothing of its edge is left to weld. */
export function weldLines(job: Plated): readonly Point[][] {
  const corners = plateCorners(job);
  return (job.welds.lines ?? []).map((l) => (l.edge < corners.length ? trimmed(edgeLine(corners, l.edge), l.start, l.end) : []));
}
