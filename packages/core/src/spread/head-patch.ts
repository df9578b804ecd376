import type { Point } from '../geometry/points';
import { lineAt, type Grid } from './grid';

/** Part of a bolt's pull that comes in at a node. */
export interface NodePart {
  readonly node: number;
  readonly part: number;
}

/** Rings of a disc of even pressure, by Gauss's points in r², and spokes of each; opposite ones balance about the axis. */
const RINGS = [0.5 - Math.sqrt(0.15), 0.5, 0.5 + Math.sqrt(0.15)] as const;
const RING_WEIGHTS = [5 / 18, 8 / 18, 5 / 18] as const;
const SPOKES = 16;

/**
 * The nodes over which a head or washer presses, about a bolt on the grid's lines: even pressure on a disc, brought to the corners of
 * its cells as the cells' own shapes have it. Parts sum to 1 with their middle on the bolt's axis. `there` says which cells a layer
 * has; where the disc hangs over an edge the opposite piece is left out too. A bolt on a node alone where nothing is left.
 */
export function headPatch(grid: Grid, at: Point, radius: number, there: (ix: number, iy: number) => boolean): NodePart[] {
  const { x, y } = grid;
  const nx = x.length;
  const centre = lineAt(x, at.x) + lineAt(y, at.y) * nx;
  const parts = new Map<number, number>();
  const cellAt = (px: number, py: number) => ({ ix: spaceAt(x, px), iy: spaceAt(y, py) });
  const isThere = (px: number, py: number) => {
    const { ix, iy } = cellAt(px, py);
    return ix >= 0 && iy >= 0 && there(ix, iy);
  };
  const add = (px: number, py: number, weight: number) => {
    const { ix, iy } = cellAt(px, py);
    const u = (px - x[ix]!) / (x[ix + 1]! - x[ix]!);
    const v = (py - y[iy]!) / (y[iy + 1]! - y[iy]!);
    const n = ix + iy * nx;
    for (const [node, part] of [
      [n, (1 - u) * (1 - v)],
      [n + 1, u * (1 - v)],
      [n + nx, (1 - u) * v],
      [n + nx + 1, u * v],
    ] as const)
      parts.set(node, (parts.get(node) ?? 0) + weight * part);
  };
  let all = 0;
  RINGS.forEach((area, k) => {
    const r = radius * Math.sqrt(area);
    for (let j = 0; j < SPOKES / 2; j++) {
      const angle = ((j + 0.5) * 2 * Math.PI) / SPOKES;
      const [dx, dy] = [r * Math.cos(angle), r * Math.sin(angle)];
      if (!isThere(at.x + dx, at.y + dy) || !isThere(at.x - dx, at.y - dy)) continue;
      const weight = RING_WEIGHTS[k]! / SPOKES;
      add(at.x + dx, at.y + dy, weight);
      add(at.x - dx, at.y - dy, weight);
      all += 2 * weight;
    }
  });
  if (all === 0) return [{ node: centre, part: 1 }];
  return [...parts].filter(([, p]) => p > 1e-12).map(([node, p]) => ({ node, part: p / all }));
}

/** The space between lines in which a place lies; −1 outside. */
function spaceAt(lines: Float64Array, v: number): number {
  const last = lines.length - 1;
  if (v < lines[0]! || v > lines[last]!) return -1;
  let [low, high] = [0, last];
  while (high - low > 1) {
    const mid = (low + high) >> 1;
    if (lines[mid]! <= v) low = mid;
    else high = mid;
  }
  return low;
}
