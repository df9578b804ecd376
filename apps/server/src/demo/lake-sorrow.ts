import { assumed, fromSheet } from '@core/job/values';
import { newJob } from '@core/job/new-job';
import type { Job, Load, Quantity } from '@core/job/schema';
import type { Survey } from '@core/job/survey';
import { newLoad } from '@core/loads/new-load';
import type { Part } from '@core/loads/take-off';

/**
 * The Lake Sorrow field station refits a small research launch and its support lorry. All invented.
 * Lengths in mm, forces in N, masses in kg.
 */
const SURVEYED = '2026-03-14T09:30:00.000Z';
const measured = (v: number, text = `${v} mm`): Quantity => ({ v, text, from: 'measured', at: SURVEYED, with: 'caliper' });
const degrees = (v: number): number => (v * Math.PI) / 180;
const mm = (v: number) => fromSheet(v, `${v} mm`);
const kg = (v: number) => fromSheet(v, `${v} kg`);
const kN = (v: number): Quantity => fromSheet(v * 1000, `${v} kN`);
const angle = (v: number): Quantity => fromSheet(degrees(v), `${v}°`);
const LB = 0.45359237;

const ZERO = fromSheet(0, '0');
const load = (
  kind: string,
  id: string,
  name: string,
  values: Readonly<Record<string, Quantity>>,
  more: { factors?: Record<string, number>; picks?: Record<string, string>; parts?: readonly Part[]; alone?: boolean } = {},
): Load => {
  const fresh = newLoad(kind, id, name);
  return {
    ...fresh,
    values: { ...fresh.values, ...values },
    factors: { ...fresh.factors, ...more.factors },
    picks: { ...fresh.picks, ...more.picks },
    parts: more.parts ?? [],
    alone: more.alone ?? true,
  };
};

const at = (id: string, x: number, y: number) => ({ id, x, y });

const four = (x: number, y: number) => [
  { id: 'B1', x, y },
  { id: 'B2', x: -x, y },
  { id: 'B3', x: -x, y: -y },
  { id: 'B4', x, y: -y },
];
const holes = (x: number, y: number) => four(x, y).map((p, i) => ({ ...p, id: `H${i + 1}` }));

function coreSamplerWinch(): Job {
  const job = newJob('core-sampler-winch', 'Core-sampler winch, foredeck');
  return {
    ...job,
    family: 'winch',
    note: 'Washers only under the deck: the laminate lets go first. Try a backing plate.',
    loads: [
      load(
        'winch',
        'W1',
        'Wire pull',
        {
          pull: kN(9.5),
          drumHeight: measured(140),
          drumRadius: fromSheet(38, '38 mm'),
          rope: fromSheet(6, '6 mm'),
          layer: fromSheet(1, '1'),
          sideAngle: assumed(degrees(30), '30°'),
          upAngle: angle(20),
        },
        { picks: { fan: '5' } },
      ),
    ],
    base: {
      length: measured(160),
      width: measured(120),
      thickness: measured(8),
      hole: measured(11),
      slot: ZERO,
      slotAlong: 'x',
      holes: holes(60, 42),
      holesFrom: 'measured',
    },
    skin: {
      kind: 'laminate',
      glass: assumed(0.35, '35 %'),
      thickness: measured(16),
      spanX: measured(460),
      spanY: measured(380),
      aft: measured(228),
      starboard: measured(186),
      bedModulus: assumed(8000, '8000 MPa'),
    },
    plate: { x0: -140, x1: 140, y0: -120, y1: 120, corner: 15, metal: '6082-T6', thickness: mm(12) },
    bolts: { size: 'M8', class: '8.8', fit: 'medium', items: four(112, 92) },
    far: { kind: 'washer' },
    survey: {
      ...job.survey,
      shims: [
        { ...at('S1', 112, 92), gap: measured(0, '0') },
        { ...at('S2', -112, 92), gap: measured(0.6) },
        { ...at('S3', -112, -92), gap: measured(2.4) },
        { ...at('S4', 112, -92), gap: measured(1.9) },
      ],
      hidden: [
        { id: 'D1', what: 'cable', note: 'bow light', x0: -175, x1: -160, y0: -190, y1: 190, clear: fromSheet(10, '10 mm') },
      ],
      existing: [{ ...at('E1', 20, -105), d: measured(7), use: 'fill' }],
      access: { near: 'socket', far: 'hand only' },
      bearers: [
        { id: 'R1', edge: 'aft', section: 'deck beam 45 × 60', connection: 'bonded' },
        { id: 'R2', edge: 'fore', section: 'deck beam 45 × 60', connection: 'bonded' },
      ],
    },
  };
}

function benchSeat(): Job {
  const job = newJob('fold-down-bench-left', 'Fold-down bench, left foot pair');
  return {
    ...job,
    family: 'seat',
    note: 'Ribbed lorry floor. The right-hand bench is its mirror image, if both sides measure alike.',
    practice: { ...job.practice, school: 'proof' },
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
      thickness: measured(1.5),
      spanX: measured(130),
      spanY: measured(620),
      aft: measured(64),
      starboard: assumed(310, '310 mm'),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: { x0: -110, x1: 110, y0: -85, y1: 85, corner: 10, metal: 'S235', thickness: mm(4) },
    bolts: { size: 'M8', class: '8.8', fit: 'medium', items: four(88, 62) },
    far: { kind: 'plate', metal: 'S275', thickness: mm(3) },
    survey: benchSurvey(job.survey),
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

function mastFoot(): Job {
  const job = newJob('sensor-mast-foot', 'Sensor-mast foot, wheelhouse roof', 'mm');
  return {
    ...job,
    family: 'mast',
    note: 'Plywood roof between beams; stays take the rest.',
    loads: [
      load(
        'mast-foot',
        'L1',
        'Wind on the mast',
        {
          stay: fromSheet(350, '350 N'),
          stays: fromSheet(2, '2'),
          lean: angle(30),
          halyard: ZERO,
          tilt: fromSheet(degrees(2), '2°'),
          shear: fromSheet(420, '420 N'),
          moment: ZERO,
          height: assumed(900, '900 mm'),
        },
        {
          parts: [
            { id: 'P1', name: 'Mast tube', kind: 'structure', mass: kg(9.5), x: ZERO, y: ZERO, z: mm(1100) },
            { id: 'P2', name: 'Wind and rain sensors', kind: 'equipment', mass: kg(4.2), x: mm(60), y: ZERO, z: mm(2150) },
            { id: 'P3', name: 'Cable in the tube', kind: 'equipment', mass: kg(1.6), x: ZERO, y: ZERO, z: mm(900) },
            { id: 'P4', name: 'Wet snow', kind: 'snow', mass: assumed(3, '3 kg'), x: ZERO, y: ZERO, z: mm(1500) },
          ],
        },
      ),
      load('free', 'L2', 'Person steadying it', { fx: fromSheet(-200, '-200 N'), z: assumed(1200, '1200 mm') }),
    ],
    combinations: [
      {
        id: 'C1',
        name: 'Wind with a person',
        parts: [
          { load: 'L1', factor: null },
          { load: 'L2', factor: null },
        ],
      },
    ],
    base: {
      length: measured(110),
      width: measured(110),
      thickness: measured(6),
      hole: measured(9),
      slot: ZERO,
      slotAlong: 'x',
      holes: holes(40, 40),
      holesFrom: 'measured',
    },
    skin: {
      kind: 'plywood',
      grade: 'birch',
      thickness: measured(18),
      spanX: measured(600),
      spanY: assumed(480, '480 mm'),
      aft: measured(300),
      starboard: measured(236),
      bedModulus: assumed(500, '500 MPa'),
    },
    plate: { x0: -130, x1: 130, y0: -130, y1: 130, corner: 20, metal: '6082-T6', thickness: mm(8) },
    bolts: { size: 'M8', class: 'A4-70', fit: 'medium', items: four(105, 105) },
    far: { kind: 'plate', metal: '6082-T6', thickness: mm(6) },
  };
}

function buoyLiftingEye(): Job {
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
    plate: { x0: -101.6, x1: 101.6, y0: -76.2, y1: 76.2, corner: 12.7, metal: 'S275', thickness: fromSheet(12.7, '1/2 in') },
    bolts: { size: '1/2-13', class: 'Gr 5', fit: 'medium', items: four(76.2, 50.8) },
    far: { kind: 'plate', metal: 'S275', thickness: fromSheet(9.525, '3/8 in') },
  };
}

function diveLadder(): Job {
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
    plate: { x0: -100, x1: 100, y0: -75, y1: 75, corner: 12, metal: '5083-H111', thickness: mm(6) },
    bolts: { size: 'M10', class: 'A4-70', fit: 'medium', items: four(50, 28) },
    far: { kind: 'plate', metal: '5083-H111', thickness: mm(6) },
  };
}

function stayPlate(): Job {
  const job = newJob('stay-plate-port', 'Mast stay plate, port');
  return {
    ...job,
    family: 'rigging',
    note: 'One of three under the stays of the sensor mast; the wire breaks before the fitting does.',
    loads: [
      load(
        'chainplate',
        'L1',
        'Stay',
        { wire: kN(2.4), height: measured(38), lean: angle(30), heading: angle(0) },
        { picks: { by: 'wire' } },
      ),
    ],
    base: {
      length: measured(70),
      width: measured(40),
      thickness: measured(6),
      hole: measured(9),
      slot: ZERO,
      slotAlong: 'x',
      holes: [
        { id: 'H1', x: 22, y: 0 },
        { id: 'H2', x: -22, y: 0 },
      ],
      holesFrom: 'measured',
    },
    skin: {
      kind: 'plywood',
      grade: 'birch',
      thickness: measured(18),
      spanX: measured(600),
      spanY: assumed(480, '480 mm'),
      aft: measured(300),
      starboard: measured(210),
      bedModulus: assumed(500, '500 MPa'),
    },
    plate: { x0: -90, x1: 90, y0: -70, y1: 70, corner: 15, metal: '6082-T6', thickness: mm(8) },
    bolts: { size: 'M8', class: 'A4-70', fit: 'medium', items: four(70, 50) },
    far: { kind: 'plate', metal: '6082-T6', thickness: mm(6) },
  };
}

function towReceiver(): Job {
  const job = newJob('tow-receiver-lorry', 'Tow receiver, lorry chassis rails');
  return {
    ...job,
    family: 'towing',
    note: 'Bolts go right through the hollow rails: sleeves, or the clamping crushes them.',
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
      thickness: measured(120),
      spanX: measured(900),
      spanY: measured(780),
      aft: measured(450),
      starboard: measured(390),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: { x0: -150, x1: 150, y0: -140, y1: 140, corner: 20, metal: 'S355', thickness: mm(12) },
    bolts: { size: 'M12', class: '8.8', fit: 'medium', items: four(115, 105) },
    far: { kind: 'plate', metal: 'S355', thickness: mm(8) },
  };
}

function damperTab(): Job {
  const job = newJob('damper-tab-trailer', 'Damper tab, sample trailer axle');
  return {
    ...job,
    family: 'suspension',
    note: 'Single shear today; a support tab on the far end of the pin comes next.',
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
    plate: { x0: -70, x1: 70, y0: -60, y1: 60, corner: 12, metal: 'S355', thickness: mm(8) },
    bolts: { size: 'M10', class: '8.8', fit: 'medium', items: four(50, 42) },
    far: { kind: 'washer' },
  };
}

export const DEMO_JOBS: readonly Job[] = [
  coreSamplerWinch(),
  benchSeat(),
  mastFoot(),
  stayPlate(),
  towReceiver(),
  damperTab(),
  buoyLiftingEye(),
  diveLadder(),
];
