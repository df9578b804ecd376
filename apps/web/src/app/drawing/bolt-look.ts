import { pathData } from '@core/geometry/region';
import { slotLoop } from '@core/geometry/slots';
import { holesAt, slotRun } from '@core/job/bolt-holes';
import { jobOfKind } from '@core/job/fastener-kinds';
import type { Bolt, Job } from '@core/job/schema';
import { fastenerSize } from '@core/stock/fasteners';

/** A bolt from above: its hole or slot, its washer, its head's corners and the cross of its centre, mm; y grows downwards. */
export function lookOf(job: Job, bolt: Bolt) {
  const { bolts } = jobOfKind(job, bolt.kind);
  const size = fastenerSize(bolts.size);
  const r = (size?.acrossFlats ?? 16) / Math.sqrt(3);
  const hexagon = [0, 1, 2, 3, 4, 5]
    .map((i) => `${(r * Math.cos((i * Math.PI) / 3)).toFixed(2)},${(r * Math.sin((i * Math.PI) / 3)).toFixed(2)}`)
    .join(' ');
  const holes = holesAt(job, bolt);
  const run = slotRun(holes);
  const arm = holes.plate / 2.4;
  return {
    /** Width of the hole, and its middle line. */
    hole: holes.plate,
    run: `M${-run.x} ${run.y}L${run.x} ${-run.y}`,
    /** A slot's outline, to be seen over the washer that covers it. */
    slot: holes.slot ? slotPath(holes.plate, run) : '',
    washer: size?.washer.outside ?? 20,
    hexagon,
    cross: `M${-arm} 0H${arm}M0 ${-arm}V${arm}`,
  };
}

const slotPath = (d: number, run: { readonly x: number; readonly y: number }): string =>
  pathData({ outer: slotLoop([run, { x: -run.x, y: -run.y }], d), openings: [] }, (p) => ({ x: p.x, y: -p.y }), true);
