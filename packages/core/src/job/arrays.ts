import { edgeLine } from '../geometry/outline';
import { add, distance, left, scale, sub, type Point } from '../geometry/points';
import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import { MAX_BOLTS, type Bolt, type Job } from './schema';
import { plateCorners } from './weld-lines';

/** Where a pattern puts its holes: places in plate axes, mm. Nothing is rounded. */
export type Pattern =
  | { readonly of: 'row'; readonly n: number; readonly pitch: number; readonly along: 'x' | 'y'; readonly middle: Point }
  | {
      readonly of: 'grid';
      readonly nx: number;
      readonly ny: number;
      readonly px: number;
      readonly py: number;
      readonly middle: Point;
    }
  /** `from`: turn of the first, from fore to port, rad. */
  | { readonly of: 'ring'; readonly n: number; readonly diameter: number; readonly from: number; readonly middle: Point }
  /** Evenly along an edge of the plate: the first and the last `ends` from its ends, all of them `inside` it. */
  | { readonly of: 'edge'; readonly n: number; readonly edge: number; readonly inside: number; readonly ends: number };

/** n numbers about 0, a pitch apart. */
const about0 = (n: number, pitch: number): number[] => Array.from({ length: n }, (_, i) => (i - (n - 1) / 2) * pitch);

/** Places along a line of points at lengths from its beginning, each a distance to its left. */
function along(line: readonly Point[], at: readonly number[], aside: number): Point[] {
  return at.map((s) => {
    let rest = s;
    for (let i = 0; i + 1 < line.length; i++) {
      const [a, b] = [line[i]!, line[i + 1]!];
      const long = distance(a, b);
      if (rest <= long + 1e-9 || i + 2 === line.length) {
        const u = scale(sub(b, a), 1 / long);
        return add(add(a, scale(u, rest)), scale(left(u), aside));
      }
      rest -= long;
    }
    return line[0]!;
  });
}

const lengthOf = (line: readonly Point[]): number => line.slice(1).reduce((sum, p, i) => sum + distance(line[i]!, p), 0);

/** The places of a pattern, or why there are none. */
export function placesOf(job: Job, p: Pattern): readonly Point[] | Refusal {
  const mm = (v: number) => formatQuantity(v, 'length', job.units);
  const count = p.of === 'grid' ? p.nx * p.ny : p.n;
  if (!Number.isInteger(count) || count < 1 || count > MAX_BOLTS)
    return refuse('pattern', `${count} holes`, `1 to ${MAX_BOLTS} holes`);
  switch (p.of) {
    case 'row':
      return about0(p.n, p.pitch).map((d) => add(p.middle, p.along === 'x' ? { x: d, y: 0 } : { x: 0, y: d }));
    case 'grid':
      return about0(p.nx, p.px).flatMap((x) => about0(p.ny, p.py).map((y) => add(p.middle, { x, y })));
    case 'ring':
      return Array.from({ length: p.n }, (_, i) => {
        const a = p.from + (2 * Math.PI * i) / p.n;
        return add(p.middle, { x: (p.diameter / 2) * Math.cos(a), y: (p.diameter / 2) * Math.sin(a) });
      });
    case 'edge': {
      const corners = plateCorners(job);
      if (p.edge < 0 || p.edge >= corners.length)
        return refuse('pattern', `the plate has no edge ${p.edge + 1}`, `1 to ${corners.length}`);
      const line = edgeLine(corners, p.edge);
      const long = lengthOf(line);
      const between = long - 2 * p.ends;
      if (between < 0 || (p.n > 1 && between < 1e-6))
        return refuse(
          'pattern',
          `the edge is ${mm(long)} long: ${mm(p.ends)} from both its ends leaves nothing`,
          `under ${mm(long / 2)}`,
        );
      const at = p.n === 1 ? [long / 2] : Array.from({ length: p.n }, (_, i) => p.ends + (between * i) / (p.n - 1));
      return along(line, at, p.inside);
    }
  }
}

const tidy = (v: number): number => Number(v.toFixed(4)) || 0;

/** Bolts at these places, of the joint's own kind: in place of all that are there, or besides them. */
export function withBoltsAt(job: Job, places: readonly Point[], how: 'instead' | 'besides'): Job {
  const kept = how === 'besides' ? job.bolts.items : [];
  const used = new Set(kept.map((b) => b.id));
  let n = 0;
  const next = (): string => {
    do n++;
    while (used.has(`B${n}`));
    return `B${n}`;
  };
  const added = places.map((p): Bolt => ({ id: next(), x: tidy(p.x), y: tidy(p.y) }));
  const { kinds, ...bolts } = job.bolts;
  const still = kinds?.filter((k) => kept.some((b) => b.kind === k.id));
  return { ...job, bolts: { ...bolts, items: [...kept, ...added], ...(still && still.length > 0 ? { kinds: still } : {}) } };
}

/** Bolts of the row a bolt stands in, in order along it: those within a bolt's half of its line. */
export function rowOf(job: Job, boltId: string, axis: 'x' | 'y', within: number): readonly Bolt[] {
  const across = axis === 'x' ? 'y' : 'x';
  const at = job.bolts.items.find((b) => b.id === boltId);
  if (!at) return [];
  return job.bolts.items.filter((b) => Math.abs(b[across] - at[across]) <= within).sort((a, b) => a[axis] - b[axis]);
}

/** The row of a bolt spaced evenly between its first and its last, which stay. */
export function evenlySpaced(job: Job, boltId: string, axis: 'x' | 'y', within: number): Job {
  const row = rowOf(job, boltId, axis, within);
  if (row.length < 3) return job;
  const [from, to] = [row[0]![axis], row.at(-1)![axis]];
  const place = new Map(row.map((b, i) => [b.id, tidy(from + ((to - from) * i) / (row.length - 1))]));
  const items = job.bolts.items.map((b) => (place.has(b.id) ? { ...b, [axis]: place.get(b.id)! } : b));
  return { ...job, bolts: { ...job.bolts, items } };
}
