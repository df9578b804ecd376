import { assumed, fromSheet } from '@core/job/values';
import { newJob } from '@core/job/new-job';
import type { FreeLoad, Job, Quantity } from '@core/job/schema';

/**
 * The Lake Sorrow field station refits a small research launch and its support lorry. All invented.
 * Lengths in mm, forces in N.
 */
const SURVEYED = '2026-03-14T09:30:00.000Z';
const measured = (v: number, text = `${v} mm`): Quantity => ({ v, text, from: 'measured', at: SURVEYED });
const degrees = (v: number): number => (v * Math.PI) / 180;
const mm = (v: number) => fromSheet(v, `${v} mm`);

const ZERO = fromSheet(0, '0');
const free = (
  id: string,
  name: string,
  part: Partial<Record<'fx' | 'fy' | 'fz' | 'mx' | 'my' | 'mz' | 'x' | 'y' | 'z', Quantity>>,
): FreeLoad => ({
  kind: 'free',
  id,
  name,
  fx: ZERO,
  fy: ZERO,
  fz: ZERO,
  mx: ZERO,
  my: ZERO,
  mz: ZERO,
  x: ZERO,
  y: ZERO,
  z: ZERO,
  ...part,
});
const kN = (v: number): Quantity => fromSheet(v * 1000, `${v} kN`);

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
      {
        kind: 'winch',
        id: 'W1',
        name: 'Wire pull',
        pull: fromSheet(9500, '9.5 kN'),
        drumHeight: measured(140),
        sideAngle: assumed(degrees(30), '30°'),
        upAngle: fromSheet(degrees(20), '20°'),
        fan: 5,
      },
    ],
    base: {
      length: measured(160),
      width: measured(120),
      thickness: measured(8),
      hole: measured(11),
      slot: ZERO,
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
  };
}

function benchSeat(): Job {
  const job = newJob('fold-down-bench-left', 'Fold-down bench, left foot pair');
  return {
    ...job,
    family: 'seat',
    note: 'Ribbed lorry floor. The right-hand bench is its mirror image once this one is proved.',
    practice: { ...job.practice, school: 'limit', gammaF: 1 },
    loads: [
      free('L1', 'Braking, 20 g on the seat', { fx: kN(3.4), my: fromSheet(0, '0'), z: measured(140) }),
      free('L2', 'Side, 8 g', { fy: kN(1.4), z: measured(110) }),
      free('L3', 'Rebound, up', { fz: kN(2.1) }),
    ],
    base: {
      length: measured(70),
      width: measured(50),
      thickness: measured(5),
      hole: measured(9),
      slot: measured(12),
      holes: [
        { id: 'H1', x: 20, y: 0 },
        { id: 'H2', x: -20, y: 0 },
      ],
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
    plate: { x0: -85, x1: 85, y0: -65, y1: 65, corner: 10, metal: 'S235', thickness: mm(4) },
    bolts: { size: 'M8', class: '8.8', fit: 'medium', items: four(62, 44) },
    far: { kind: 'plate', metal: 'S275', thickness: mm(3) },
  };
}

function mastFoot(): Job {
  const job = newJob('sensor-mast-foot', 'Sensor-mast foot, wheelhouse roof', 'mm');
  return {
    ...job,
    family: 'mast',
    note: 'Plywood roof between beams; stays take the rest.',
    loads: [
      free('L1', 'Wind abeam', { fy: kN(0.55), fz: kN(-0.9), z: measured(900) }),
      free('L2', 'Wind ahead', { fx: kN(-0.45), fz: kN(-0.9), z: measured(900) }),
      free('L3', 'Stay slack, wind abeam', { fy: kN(0.7), fz: kN(0.2), z: assumed(820, '820 mm') }),
    ],
    base: {
      length: measured(110),
      width: measured(110),
      thickness: measured(6),
      hole: measured(9),
      slot: ZERO,
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
      free('L1', 'Two-leg lift, 60°', {
        fx: fromSheet(1157 * 4.4482216152605, '1157 lb'),
        fz: fromSheet(2004 * 4.4482216152605, '2004 lb'),
        z: measured(44.45, '1 3/4"'),
      }),
      free('L2', 'Swing 10° across', {
        fx: fromSheet(1157 * 4.4482216152605, '1157 lb'),
        fy: fromSheet(350 * 4.4482216152605, '350 lb'),
        fz: fromSheet(1980 * 4.4482216152605, '1980 lb'),
        z: measured(44.45, '1 3/4"'),
      }),
    ],
    base: {
      length: measured(101.6, '4"'),
      width: measured(50.8, '2"'),
      thickness: measured(12.7, '1/2"'),
      hole: measured(14.2875, '9/16"'),
      slot: ZERO,
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
      free('L1', 'Person on the outer step', { fz: kN(-1.5), my: fromSheet(390_000, '390 Nm') }),
      free('L2', 'Person swinging out', { fx: kN(1), fz: kN(-1), z: measured(260) }),
    ],
    base: {
      length: measured(140),
      width: measured(90),
      thickness: measured(8),
      hole: measured(11),
      slot: ZERO,
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

export const DEMO_JOBS: readonly Job[] = [coreSamplerWinch(), benchSeat(), mastFoot(), buoyLiftingEye(), diveLadder()];
