import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import type { Survey } from '@core/job/survey';
import { assumed, fromSheet } from '@core/job/values';
import { measured, mm, kg, ZERO, load, at, four, holes } from './shorthand';

export function benchSeat(): Job {
  const job = newJob('fold-down-bench-left', 'Fold-down bench, left foot pair');
  return {
    ...job,
    family: 'seat',
    note: 'Lorry floor, 4 mm chequer plate here: plate and backing lie between two ribs. The right-hand bench is its mirror image, if both sides measure alike.',
    practice: { ...job.practice, school: 'ultimate' },
    loads: [
      load('seat', 'L1', 'Bench, empty', {
        seatMass: kg(26),
        person: kg(85),
        height: measured(140),
        ahead: ZERO,
        share: fromSheet(0.5, '50 %'),
      }),
    ],
    base: {
      length: measured(120),
      width: measured(80),
      thickness: measured(5),
      hole: measured(9),
      slot: measured(12),
      slotAlong: 'x',
      holes: holes(45, 25),
      holesFrom: 'measured',
    },
    skin: {
      kind: 'sheet',
      metal: 'S235',
      thickness: measured(4),
      spanX: measured(226),
      spanY: measured(620),
      aft: measured(112),
      starboard: assumed(310, '310 mm'),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: { x0: -110, x1: 110, y0: -85, y1: 85, corner: 10, metal: 'S235', thickness: mm(4), layers: 1 },
    bolts: { size: 'M8', class: '8.8', nut: '8', fit: 'medium', items: four(88, 62) },
    far: { kind: 'plate', metal: 'S275', thickness: mm(3) },
    survey: benchSurvey(job.survey),
  };
}

/** The bench behind it: thin sheet, and no rib near its feet, so its plate floats on the sheet. */
export function rearBench(): Job {
  const front = benchSeat();
  const blank = newJob('fold-down-bench-rear', 'Fold-down bench, rear foot pair');
  return {
    ...front,
    id: blank.id,
    name: blank.name,
    note: 'Behind the axle the floor is 1.5 mm sheet, its ribs stand wide apart, and the sheet alone carries the feet. It gives over half its thickness, where bending theory ends: by hand it is refused. Spread solves it with the sheet pulling like a cloth; set its checks to “as solved”.',
    skin: {
      ...front.skin,
      thickness: measured(1.5),
      spanX: measured(440),
      aft: measured(220),
    },
    plate: { ...front.plate, x0: -130, x1: 130, y0: -105, y1: 105 },
    bolts: { ...front.bolts, items: four(105, 80) },
    survey: { ...blank.survey, access: { near: 'socket', far: 'spanner' } },
  };
}

/** Feet and rails of the pair: the left meets in its slots, the right stands on an older bench’s holes. */
function benchSurvey(empty: Survey): Survey {
  const pattern = (
    id: string,
    of: 'fitting' | 'structure',
    side: 'left' | 'right',
    holes: Survey['patterns'][number]['holes'],
  ) => ({
    id,
    of,
    side,
    hole: measured(9),
    slot: of === 'fitting' ? measured(12) : ZERO,
    along: 'x' as const,
    holes,
    from: 'measured' as const,
    readings: [],
  });
  return {
    ...empty,
    sides: 'pair',
    patterns: [
      pattern('P1', 'fitting', 'left', [at('H1', 45, 25), at('H2', -45, 25), at('H3', -45, -25), at('H4', 45, -25)]),
      pattern('P2', 'structure', 'left', [
        at('H1', 46.8, 25.3),
        at('H2', -47, 24.8),
        at('H3', -46.6, -25.2),
        at('H4', 46.9, -25),
      ]),
      pattern('P3', 'fitting', 'right', [at('H1', 45, -25), at('H2', -45, -25), at('H3', -45, 25), at('H4', 45, 25)]),
      pattern('P4', 'structure', 'right', [at('H1', 86.4, -60), at('H2', -86, -60.3), at('H3', -85.8, 60.2), at('H4', 86, 60)]),
    ],
    log: [
      {
        id: 'C1',
        name: 'Rail to door sill',
        nominal: mm(412),
        tolerance: mm(2),
        left: measured(412.5),
        right: measured(406),
      },
      { id: 'C2', name: 'Rail to rail', nominal: mm(180), tolerance: mm(1), fore: measured(180.2), aft: measured(179.6) },
      { id: 'C3', name: 'Foot to wheel arch', nominal: mm(95), tolerance: mm(3), left: measured(96) },
    ],
    diagonals: { rising: measured(106.2), falling: measured(105.6) },
    shims: [
      { ...at('S1', 88, 62), gap: measured(0, '0') },
      { ...at('S2', -88, 62), gap: measured(0.4) },
      { ...at('S3', -88, -62), gap: measured(1.5) },
      { ...at('S4', 88, -62), gap: measured(0.9) },
    ],
    access: { near: 'socket', far: 'spanner' },
  };
}
