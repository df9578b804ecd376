import { newJob } from '@core/job/new-job';
import { newLug } from '@core/job/plain-joint';
import type { Job } from '@core/job/schema';
import { assumed, fromSheet } from '@core/job/values';
import { measured, angle, LB, ZERO, load, four } from './shorthand';

export function buoyLiftingEye(): Job {
  const job = newJob('buoy-lifting-eye', 'Weather-buoy lifting eye, fore', 'inch');
  return {
    ...job,
    family: 'lifting',
    note: 'One of a pair, two-leg sling at 60°.',
    practice: { ...job.practice, onBreak: 5, onYield: 3, rules: 'AISC' },
    loads: [
      load(
        'lifting',
        'L1',
        'Two-leg lift',
        {
          mass: fromSheet(3340 * LB, '3340 lb'),
          legs: fromSheet(2, '2'),
          angle: angle(60),
          height: measured(44.45, '1 3/4"'),
          swing: angle(10),
        },
        { factors: { dynamic: 1.2 } },
      ),
    ],
    base: {
      length: measured(101.6, '4"'),
      width: measured(50.8, '2"'),
      thickness: measured(12.7, '1/2"'),
      hole: measured(14.2875, '9/16"'),
      slot: ZERO,
      slotAlong: 'x',
      holes: [
        { id: 'H1', x: 31.75, y: 0 },
        { id: 'H2', x: -31.75, y: 0 },
      ],
      holesFrom: 'measured',
    },
    skin: {
      kind: 'sheet',
      metal: 'S235',
      thickness: measured(9.525, '3/8"'),
      spanX: measured(355.6, '14"'),
      spanY: measured(304.8, '12"'),
      aft: measured(177.8, '7"'),
      starboard: measured(152.4, '6"'),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: {
      x0: -101.6,
      x1: 101.6,
      y0: -76.2,
      y1: 76.2,
      corner: 12.7,
      metal: 'S275',
      thickness: fromSheet(12.7, '1/2 in'),
      layers: 1,
    },
    bolts: { size: '1/2-13', class: 'Gr 5', nut: 'Gr 5', fit: 'medium', items: four(76.2, 50.8) },
    far: { kind: 'plate', metal: 'S275', thickness: fromSheet(9.525, '3/8 in') },
    lug: {
      ...newLug(),
      rules: 'BTH-1',
      along: 'x',
      metal: 'A36',
      thickness: measured(19.05, '3/4"'),
      width: measured(76.2, '3"'),
      hole: measured(26.9875, '1 1/16"'),
      end: measured(25.4, '1"'),
      pin: fromSheet(25.4, '1"'),
      pinClass: 'Gr 5',
      fork: measured(12.7, '1/2"'),
      gap: measured(3.175, '1/8"'),
    },
    welds: { ...job.welds, fitting: 'all round', fittingThroat: assumed(5.6, '7/32"') },
    packs: ['AISC', 'SAE'],
  };
}
