import type { Rect } from '../geometry/points';
import type { Job } from './schema';

/** Bolts that lie under one strip, by where they stand across it. */
export interface StripRow {
  readonly from: number;
  readonly to: number;
}

/** Rows nearer than half a strip's width lie under one strip, which is centred on them: the same from either side. */
export function stripRows(job: Pick<Job, 'far' | 'bolts'>): StripRow[] {
  const { far, bolts } = job;
  if (far.kind !== 'strips') return [];
  const across = far.along === 'x' ? 'y' : 'x';
  const rows: { from: number; to: number }[] = [];
  for (const at of bolts.items.map((b) => b[across]).sort((a, b) => a - b)) {
    const last = rows.at(-1);
    if (last && at - last.to <= far.width.v / 2) last.to = at;
    else rows.push({ from: at, to: at });
  }
  return rows;
}

/** Loose strips on the far side, one under each row of bolts, as long as the plate that way; empty where there are none. */
export function stripsOf(job: Job): Rect[] {
  const { far, plate } = job;
  if (far.kind !== 'strips') return [];
  const half = far.width.v / 2;
  return stripRows(job).map(({ from, to }) => {
    const at = (from + to) / 2;
    return far.along === 'x'
      ? { x0: plate.x0, x1: plate.x1, y0: at - half, y1: at + half }
      : { x0: at - half, x1: at + half, y0: plate.y0, y1: plate.y1 };
  });
}
