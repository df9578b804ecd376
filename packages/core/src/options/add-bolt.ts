import { contains, rectAbout } from '../geometry/rects';
import type { Job } from '../job/schema';

const tenth = (v: number) => Math.round(v * 10) / 10;

export function freeBoltId(job: Job): string {
  const used = new Set(job.bolts.items.map((b) => b.id));
  let n = job.bolts.items.length + 1;
  while (used.has(`B${n}`)) n++;
  return `B${n}`;
}

/** A bolt in the widest free place: half way along the longest gap of the ring of bolts round the base, else beside the base. */
export function addBolt(job: Job): { job: Job; id: string } {
  const id = freeBoltId(job);
  const items = job.bolts.items;
  const base = rectAbout({ x: 0, y: 0 }, job.base.length.v, job.base.width.v);
  const round = [...items].sort((a, b) => Math.atan2(a.y, a.x) - Math.atan2(b.y, b.x));
  let place = { x: (job.base.length.v / 2 + job.plate.x1) / 2, y: 0 };
  let widest = 0;
  round.forEach((a, i) => {
    const b = round[(i + 1) % round.length]!;
    const gap = Math.hypot(a.x - b.x, a.y - b.y);
    const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
    if (round.length > 1 && gap > widest + 1e-6 && !contains(base, middle)) [widest, place] = [gap, middle];
  });
  return { id, job: { ...job, bolts: { ...job.bolts, items: [...items, { id, x: tenth(place.x), y: tenth(place.y) }] } } };
}
