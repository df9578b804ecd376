import { newJob } from '@core/job/new-job';
import { newLug } from '@core/job/plain-joint';
import type { Job } from '@core/job/schema';
import { assumed, fromSheet } from '@core/job/values';
import { measured, degrees, mm, ZERO, load, four } from './shorthand';

export function damperTab(): Job {
  const job = newJob('damper-tab-trailer', 'Damper tab, sample trailer axle');
  return {
    ...job,
    family: 'suspension',
    note: 'Single shear today: the pin bends first. A support tab on its far end is the cure.',
    loads: [
      load(
        'suspension',
        'L1',
        'Left wheel',
        {
          wheel: fromSheet(3400, '3.4 kN'),
          radius: measured(290),
          arm: assumed(340, '340 mm'),
          height: measured(42),
          ahead: ZERO,
          angle: assumed(degrees(65), '65°'),
        },
        { picks: { what: 'link' } },
      ),
    ],
    base: {
      length: measured(60),
      width: measured(50),
      thickness: measured(8),
      hole: measured(11),
      slot: ZERO,
      slotAlong: 'x',
      holes: [],
      holesFrom: 'measured',
    },
    skin: {
      kind: 'sheet',
      metal: 'S355',
      thickness: measured(8),
      spanX: measured(180),
      spanY: measured(160),
      aft: measured(90),
      starboard: measured(80),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: { x0: -70, x1: 70, y0: -60, y1: 60, corner: 12, metal: 'S355', thickness: mm(8), layers: 1 },
    bolts: { size: 'M10', class: '8.8', nut: '8', fit: 'medium', items: four(50, 42) },
    far: { kind: 'washer' },
    lug: {
      ...newLug(),
      rules: 'EN',
      along: 'x',
      metal: 'S355',
      thickness: measured(8),
      width: measured(40),
      hole: measured(12.5),
      end: measured(16),
      pin: fromSheet(12, '12 mm'),
      pinClass: '8.8',
      shear: 'single',
      fork: measured(18),
      gap: measured(1),
    },
    welds: { ...job.welds, fitting: 'all round', fittingThroat: assumed(4, '4 mm') },
  };
}
