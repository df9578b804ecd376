import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import { assumed, fromSheet } from '@core/job/values';
import { kN, load, measured, mm, ZERO } from './shorthand';

/** Nothing is bolted: the saddle of the socket is welded below the cross tube, and left bare where the cable runs through. */
export function mastSocket(): Job {
  const job = newJob('mast-socket-welded', 'Mast socket below the cross tube', 'mm');
  return {
    ...job,
    family: 'mast',
    note: 'Welded only: aft edge and both sides; 45 mm of the fore edge stay bare for the cable gland, no heat there.',
    practice: { ...job.practice, school: 'limit' },
    loads: [
      load('free', 'L1', 'Mast leans, gust', {
        fx: kN(3.2),
        fy: fromSheet(600, '600 N'),
        fz: kN(-3),
        mx: fromSheet(340_000, '340 N·m'),
        my: fromSheet(820_000, '820 N·m'),
      }),
    ],
    base: {
      length: measured(120),
      width: measured(76),
      thickness: measured(8),
      hole: measured(9),
      slot: ZERO,
      slotAlong: 'x',
      metal: 'S355',
      holes: [],
      holesFrom: 'measured',
    },
    skin: {
      kind: 'hollow',
      metal: 'S355',
      wall: measured(6),
      width: measured(100),
      through: 'one wall',
      thickness: measured(100),
      spanX: measured(1600),
      spanY: measured(600),
      aft: measured(700),
      starboard: measured(300),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: { x0: -80, x1: 80, y0: -48, y1: 48, corner: 8, metal: 'S355', thickness: mm(8), layers: 1 },
    bolts: { ...job.bolts, items: [] },
    far: { kind: 'washer' },
    welds: {
      ...job.welds,
      fitting: 'all round',
      fittingThroat: mm(4),
      doubler: 'lines',
      doublerThroat: mm(4),
      lines: [
        { edge: 0, start: 0, end: 0 },
        { edge: 1, start: 0, end: 45 },
        { edge: 2, start: 0, end: 0 },
        { edge: 3, start: 0, end: 0 },
      ],
    },
  };
}
