import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import { assumed, fromSheet } from '@core/job/values';
import { measured, mm, kg, ZERO, load, four, holes } from './shorthand';

export function towReceiver(): Job {
  const job = newJob('tow-receiver-lorry', 'Tow receiver, lorry cross rail');
  return {
    ...job,
    family: 'towing',
    note: 'Bolts go right through the hollow cross rail, tightened to torque: without sleeves the clamping crushes it.',
    practice: { ...job.practice, school: 'limit' },
    loads: [
      load('tow-point', 'L1', 'Sample trailer', {
        vehicle: kg(3500),
        trailer: kg(1400),
        nose: fromSheet(75 * 9.80665, '75 kg'),
        height: measured(60),
        overhang: assumed(180, '180 mm'),
      }),
    ],
    base: {
      length: measured(120),
      width: measured(110),
      thickness: measured(10),
      hole: measured(13),
      slot: ZERO,
      slotAlong: 'x',
      holes: holes(40, 38),
      holesFrom: 'measured',
    },
    skin: {
      kind: 'hollow',
      metal: 'S355',
      wall: measured(6),
      width: measured(200),
      through: 'both walls',
      thickness: measured(120),
      spanX: measured(900),
      spanY: measured(780),
      aft: measured(450),
      starboard: measured(390),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: { x0: -150, x1: 150, y0: -95, y1: 95, corner: 20, metal: 'S355', thickness: mm(12), layers: 1 },
    bolts: { size: 'M12', class: '8.8', nut: '8', fit: 'medium', items: four(115, 70) },
    far: { kind: 'plate', metal: 'S355', thickness: mm(8) },
    joint: { ...job.joint, tightening: 'to torque', place: 'weather' },
  };
}
