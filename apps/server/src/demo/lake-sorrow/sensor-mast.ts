import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import { assumed, fromSheet } from '@core/job/values';
import { measured, degrees, mm, kg, kN, angle, ZERO, load, four, holes } from './shorthand';

export function mastFoot(): Job {
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
          shear: fromSheet(360, '360 N'),
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
      load('free', 'L2', 'Person steadying it', { fx: fromSheet(-200, '-200 N'), fz: ZERO, z: assumed(1200, '1200 mm') }),
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
    plate: { x0: -150, x1: 150, y0: -150, y1: 150, corner: 20, metal: '6082-T6', thickness: mm(8), layers: 1 },
    bolts: { size: 'M8', class: 'A4-70', nut: 'A4-70', fit: 'medium', items: four(125, 125) },
    far: { kind: 'plate', metal: '6082-T6', thickness: mm(6) },
  };
}

export function stayPlate(): Job {
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
        { wire: kN(2.1), height: measured(38), lean: angle(30), heading: angle(0) },
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
    plate: { x0: -105, x1: 105, y0: -80, y1: 80, corner: 15, metal: '6082-T6', thickness: mm(8), layers: 1 },
    bolts: { size: 'M8', class: 'A4-70', nut: 'A4-70', fit: 'medium', items: four(85, 60) },
    far: { kind: 'plate', metal: '6082-T6', thickness: mm(6) },
  };
}
