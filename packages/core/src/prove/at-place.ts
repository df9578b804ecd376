import type { Point } from '../geometry/points';

/** A field on the lines of a grid at a place between them, by its four nearest nodes; of nodes that have no value by those that have. NaN where none has. */
export function bilinear(x: ArrayLike<number>, y: ArrayLike<number>, field: ArrayLike<number>, at: Point): number {
  const cell = (lines: ArrayLike<number>, v: number): readonly [number, number] => {
    let i = 0;
    while (i < lines.length - 2 && lines[i + 1]! < v) i++;
    const part = (v - lines[i]!) / (lines[i + 1]! - lines[i]!);
    return [i, Math.min(1, Math.max(0, part))];
  };
  const [ix, px] = cell(x, at.x);
  const [iy, py] = cell(y, at.y);
  const corners = [
    [0, 0, (1 - px) * (1 - py)],
    [1, 0, px * (1 - py)],
    [0, 1, (1 - px) * py],
    [1, 1, px * py],
  ] as const;
  let sum = 0;
  let weight = 0;
  for (const [dx, dy, w] of corners) {
    const v = field[ix + dx + (iy + dy) * x.length]!;
    if (Number.isNaN(v)) continue;
    sum += w * v;
    weight += w;
  }
  return sum / weight;
}
