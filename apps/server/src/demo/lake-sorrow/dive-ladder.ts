import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import { assumed, fromSheet } from '@core/job/values';
import { measured, mm, kN, ZERO, load, four, holes } from './shorthand';

export function diveLadder(): Job {
  const job = newJob('dive-ladder-top', 'Dive-ladder top bracket, pontoon');
  return {
    ...job,
    family: 'ladder',
    note: 'Through-bolted on its own holes.',
    practice: { ...job.practice, school: 'limit' },
    loads: [
      load('ladder', 'L1', 'Person', {
        person: kN(1.5),
        offset: measured(260),
        along: ZERO,
        spacing: measured(100),
        out: kN(1),
        height: ZERO,
        share: fromSheet(1, '100 %'),
      }),
    ],
    base: {
      length: measured(140),
      width: measured(90),
      thickness: measured(8),
      hole: measured(11),
      slot: ZERO,
      slotAlong: 'x',
      holes: holes(50, 28),
      holesFrom: 'measured',
    },
    skin: {
      kind: 'sheet',
      metal: '5083-H111',
      thickness: measured(6),
      spanX: measured(300),
      spanY: measured(260),
      aft: measured(150),
      starboard: measured(130),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: { x0: -100, x1: 100, y0: -75, y1: 75, corner: 12, metal: '5083-H111', thickness: mm(6), layers: 1 },
    bolts: { size: 'M10', class: 'A4-70', nut: 'A4-70', fit: 'medium', items: four(50, 28) },
    far: { kind: 'plate', metal: '5083-H111', thickness: mm(6) },
  };
}
