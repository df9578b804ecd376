import type { Job } from '@core/job/schema';
import { fastenerSize } from '@core/stock/fasteners';

/** A bolt from above: its hole, its washer, its head's corners and the cross of its centre, mm. */
export function lookOf({ bolts }: Job) {
  const size = fastenerSize(bolts.size);
  const r = (size?.acrossFlats ?? 16) / Math.sqrt(3);
  const hexagon = [0, 1, 2, 3, 4, 5]
    .map((i) => `${(r * Math.cos((i * Math.PI) / 3)).toFixed(2)},${(r * Math.sin((i * Math.PI) / 3)).toFixed(2)}`)
    .join(' ');
  const d0 = size?.hole[bolts.fit] ?? 10;
  const arm = d0 / 2.4;
  return { d0, washer: size?.washer.outside ?? 20, hexagon, cross: `M${-arm} 0H${arm}M0 ${-arm}V${arm}` };
}
