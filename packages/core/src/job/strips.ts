import type { Rect } from '../geometry/points';
import type { Job } from './schema';

/** Loose strips on the far side, one under each row of bolts, as long as the plate that way; empty where there are none. */
export function stripsOf(job: Job): Rect[] {
  const { far, plate, bolts } = job;
  if (far.kind !== 'strips') return [];
  const across = far.along === 'x' ? 'y' : 'x';
  const half = far.width.v / 2;
  // Rows nearer than a strip is wide lie under one strip.
  const rows: number[] = [];
  for (const at of bolts.items.map((b) => b[across]).sort((a, b) => a - b))
    if (rows.length === 0 || at - rows.at(-1)! > half) rows.push(at);
  return rows.map((at) =>
    far.along === 'x'
      ? { x0: plate.x0, x1: plate.x1, y0: at - half, y1: at + half }
      : { x0: at - half, x1: at + half, y0: plate.y0, y1: plate.y1 },
  );
}
