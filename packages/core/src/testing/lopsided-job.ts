import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { testJob } from './test-job';

const mm = (v: number) => fromSheet(v, `${v} mm`);

/** A job without any symmetry, so that nothing is right by chance: outline, holes and base all stand off their middles. */
export function lopsidedJob(change: (j: Job) => Job = (j) => j): Job {
  return testJob({ fx: 600, fy: 250, fz: 900, z: 60 }, (j) =>
    change({
      ...j,
      name: 'Lopsided',
      base: { ...j.base, length: mm(70), width: mm(50), holes: [], hole: mm(9), thickness: mm(8) },
      plate: { ...j.plate, x0: -95, x1: 140, y0: -75, y1: 110, corner: 8, thickness: mm(6) },
      bolts: {
        ...j.bolts,
        items: [
          { id: 'B1', x: 110, y: 80 },
          { id: 'B2', x: 95, y: -50 },
          { id: 'B3', x: -70, y: 60 },
          { id: 'B4', x: -65, y: -45 },
          { id: 'B5', x: 20, y: 85 },
        ],
      },
    }),
  );
}
