import { newJob } from '@core/job/new-job';
import { sharp } from '@core/geometry/outline';
import type { Job } from '@core/job/schema';
import { assumed, fromSheet } from '@core/job/values';
import { damperTab } from './damper-tab';
import { bareBase, four, kN, load, measured, mm, partHole, pinOf, sheetFloor } from './shorthand';

/** Two links hold the roller arm: each takes half, and is judged for push as for pull. */
export function rollerLinks(): Job {
  const job = newJob('roller-arm-links', 'Roller-arm links, boat trailer', 'mm');
  return {
    ...job,
    family: 'suspension',
    note: 'A pair of straps with half-round ends on one pin.',
    loads: [
      load('free', 'L1', 'Launch rolls on', {
        fx: kN(2.6),
        fz: kN(3.4),
        z: assumed(40, '40 mm'),
      }),
    ],
    base: bareBase(80, 60, 10),
    skin: sheetFloor('S355', 8, 240, 220),
    plate: { x0: -85, x1: 85, y0: -65, y1: 65, corner: 10, metal: 'S355', thickness: mm(10), layers: 1 },
    bolts: { ...job.bolts, size: 'M12', class: '8.8', nut: '8', items: four(63, 45) },
    far: { kind: 'plate', metal: 'S275', thickness: mm(6) },
    welds: { ...job.welds, fitting: 'all round' },
    parts: [
      {
        id: 'link',
        name: 'Roller-arm link',
        use: 'link',
        metal: 'S355',
        count: 2,
        on: 'the pin of bracket and arm',
        stock: { form: 'flat bar', width: mm(50), thickness: mm(10), legs: [mm(210)], bends: [], rounded: true },
        holes: [partHole('E1', -80, 0, 20.5, 'eye'), partHole('E2', 80, 0, 20.5, 'eye'), partHole('G', 0, 0, 6, 'drain')],
        eye: { ...pinOf('E1', 0.5, 20), fork: mm(10) },
      },
    ],
  };
}

/** The damper tab with its cure made: a support tab on the pin's far end, a part with a weld of its own. */
export function damperTabSupported(): Job {
  const job = damperTab();
  return {
    ...job,
    id: 'damper-tab-supported',
    name: 'Damper tab with support tab, sample trailer',
    note: 'The pin is held on both sides: half of it comes to the support tab, which is judged by its hole, its foot and its weld.',
    lug: { ...job.lug!, shear: 'single with support tab' },
    parts: [
      {
        id: 'tab',
        name: 'Support tab',
        use: 'tab',
        metal: 'S355',
        count: 1,
        on: 'the base, beside the damper',
        stock: {
          form: 'plate',
          thickness: mm(8),
          outline: { corners: [sharp(-36, -22), sharp(14, -22, 1), sharp(14, 22), sharp(-36, 22)], openings: [] },
        },
        holes: [partHole('E1', 14, 0, 12.5, 'eye')],
        eye: { ...pinOf('E1', 0.5, 12), fork: mm(18), height: mm(50), throat: mm(5), along: 'x' },
      },
    ],
  };
}

/** Six lugs sawn off one bar, all alike; each is judged for the whole pull of a line. */
export function mooringLugs(): Job {
  const job = newJob('mooring-lugs-one-bar', 'Mooring lugs, six off one bar', 'mm');
  return {
    ...job,
    family: 'mooring',
    note: 'One bar of 65 × 20, six lugs and five saw cuts; each on a plate like this one.',
    loads: [load('free', 'L1', 'Line at its working pull', { fx: kN(7), fz: kN(2.5), z: assumed(38, '38 mm') })],
    base: bareBase(90, 40, 12),
    skin: sheetFloor('S355', 8, 300, 280),
    plate: { x0: -95, x1: 95, y0: -60, y1: 60, corner: 10, metal: 'S355', thickness: mm(12), layers: 1 },
    bolts: { ...job.bolts, size: 'M12', class: '8.8', nut: '8', items: four(72, 40) },
    far: { kind: 'plate', metal: 'S275', thickness: mm(8) },
    welds: { ...job.welds, fitting: 'all round' },
    parts: [
      {
        id: 'lug',
        name: 'Mooring lug',
        use: 'tab',
        metal: 'S355',
        count: 6,
        on: 'its plate, fillets both sides',
        stock: {
          form: 'plate',
          thickness: mm(20),
          outline: {
            corners: [sharp(-45, -32.5), sharp(12.5, -32.5, 1), sharp(12.5, 32.5), sharp(-45, 32.5)],
            openings: [],
          },
        },
        holes: [partHole('E1', 12.5, 0, 26, 'eye')],
        eye: { ...pinOf('E1', 1, 25), fork: mm(12), height: mm(58), throat: mm(7), along: 'x' },
      },
    ],
  };
}

/** A post brace of round tube, with a bar inside it where the through bolt would squeeze it flat. */
export function postBrace(): Job {
  const job = newJob('radar-post-brace', 'Radar post brace, inner bar', 'mm');
  return {
    ...job,
    family: 'mast',
    note: 'On a round post: a bar inside is the washer of both bolts. Another inside the brace spreads the clamping of its through bolt and keeps it round.',
    loads: [
      load('free', 'L1', 'Post shakes in a sea', { fx: kN(3.2), fy: fromSheet(300, '300 N'), fz: kN(6.5), z: measured(25) }),
    ],
    base: bareBase(70, 30, 8),
    skin: {
      kind: 'hollow',
      form: 'round',
      metal: 'S355',
      wall: measured(5),
      width: measured(88.9),
      through: 'one wall',
      thickness: measured(88.9),
      spanX: mm(1100),
      spanY: mm(400),
      aft: mm(450),
      starboard: mm(200),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: { x0: -75, x1: 75, y0: -25, y1: 25, corner: 6, metal: 'S275', thickness: mm(10), layers: 1 },
    bolts: {
      ...job.bolts,
      size: 'M10',
      class: '8.8',
      nut: '8',
      items: [
        { id: 'B1', x: 55, y: 0 },
        { id: 'B2', x: -55, y: 0 },
      ],
    },
    far: { kind: 'strips', metal: 'S355', thickness: mm(12), width: mm(30), along: 'x' },
    welds: { ...job.welds, fitting: 'all round' },
    parts: [
      {
        id: 'brace',
        name: 'Brace',
        use: 'brace',
        metal: 'S355',
        count: 1,
        on: 'post and foot, through bolted at both ends',
        stock: { form: 'round tube', outside: mm(48.3), wall: mm(3.2), length: mm(780) },
        holes: [partHole('T1', -365, 0, 12.5), partHole('T2', 365, 0, 12.5), partHole('V', 0, 0, 5, 'drain')],
        works: { as: 'brace', carries: assumed(1, '1'), from: 'T1', to: 'T2' },
      },
      {
        id: 'bar',
        name: 'Bar inside the brace',
        use: 'inner bar',
        metal: 'S355',
        count: 2,
        on: 'inside the brace’s ends',
        stock: { form: 'round bar', diameter: mm(40), length: mm(70) },
        holes: [partHole('T', 0, 0, 12.5)],
      },
    ],
  };
}
