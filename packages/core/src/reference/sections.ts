import { faceResistance } from '../checks/hollow/face-resistance';
import { Working } from '../working/steps';
import { joint, linkValues, loaded, q, skin, throughBase, type Change, type ReferenceValue } from './jobs';

const silent = new Working(false);
const section = skin({ kind: 'hollow', metal: 'S355', wall: q(6), width: q(400), thickness: q(200), through: 'both walls' });
/** A heavy beam's flange 400 × 19, web 11, 390 deep. */
const beam = skin({
  kind: 'flange',
  of: 'beam',
  metal: 'S355',
  width: q(400),
  web: q(11),
  depth: q(390),
  webAt: 'port',
  thickness: q(19),
});
const narrow: Change = (j) => ({ ...j, plate: { ...j.plate, y0: -140, y1: 140 } });

/** Figures of hollow sections and flanges. */
export const sections: readonly ReferenceValue[] = [
  ...linkValues([
    [
      'member',
      '120 × 120 × 8, 500 mm, 40 kN in the middle: M 5 kN·m on I 7,530,112 less two rows of 11 mm through both walls',
      'statics by hand',
      // (120⁴ − 104⁴)/12 − 2·2·11·8·56² over 60.
      (40_000 * 500) / 4 / ((7_531_179 - 1_103_872) / 60),
      0.001,
      'demand',
      skin({ kind: 'hollow', metal: 'S355', wall: q(8), width: q(120), thickness: q(120), through: 'both walls' }),
      loaded({ fz: -40_000 }),
    ],
    [
      'section-crush',
      'sleeve 25 × 3 of S235: π·22·3·235',
      'statics by hand',
      48_726,
      0.001,
      'capacity',
      section,
      narrow,
      joint({ sleeve: 'sleeve', tubeOutside: q(25), tubeWall: q(3) }),
      loaded({ fz: 400 }),
    ],
    // b0 400, plate 400 long, 280 wide: β 0.7, η 1.0.
    [
      'wall-face',
      'b0 400, t0 12, β 0.7, η 1.0: 10 kN of 355·144/0.3·(2 + 4·√0.3)',
      'EN 1993-1-8 Tab. 7.11 by hand',
      10_000 / (((355 * 144) / 0.3) * (2 + 4 * Math.sqrt(0.3))),
      0.001,
      'utilisation',
      section,
      narrow,
      (j) => ({ ...j, skin: { ...j.skin, wall: q(12) } as never }),
      loaded({ fz: 10_000 }),
    ],
    [
      'member',
      'round tube 114.3 × 6.3, 500 mm, 10 kN in the middle: I 3,127,000 less a row of 11 mm at its top and bottom',
      'EN 10219-2 section table by hand',
      (10_000 * 500) / 4 / ((3_127_000 - 2 * 2 * 11 * 6.3 * 54 ** 2) / 57.15),
      0.002,
      'demand',
      skin({
        kind: 'hollow',
        form: 'round',
        metal: 'S355',
        wall: q(6.3),
        width: q(114.3),
        thickness: q(114.3),
        through: 'both walls',
      }),
      loaded({ fz: -10_000 }),
    ],
    [
      'wall-face',
      'round tube 500 × 20 under 400 × 280: β 0.56, η 0.8, 50 kN of 355·400·(4 + 20·0.3136)·1.2',
      'EN 1993-1-8 Tab. 7.3 by hand (memory)',
      50_000 / (355 * 400 * (4 + 20 * 0.56 ** 2) * 1.2),
      0.001,
      'utilisation',
      skin({
        kind: 'hollow',
        form: 'round',
        metal: 'S355',
        wall: q(20),
        width: q(500),
        thickness: q(500),
        through: 'both walls',
      }),
      narrow,
      loaded({ fz: -50_000 }),
    ],
    [
      'flange-bending',
      'M10 at 114.5 from the web, pitch 270 under 4·m + 1.25·e: 270·19²·355/(4·114.5)',
      'EN 1993-1-8 Tab. 6.4 by hand',
      (270 * 361 * 355) / (4 * 114.5),
      0.001,
      'capacity',
      beam,
      throughBase,
      loaded({ fz: 4000 }),
    ],
    [
      'flange-web',
      'web 11 under 400 mm, flange 19, 390 deep: crippled at its end, 0.4·t_w²·(1 + 3·0.2·(11/19)^1.5)·√(E·f_y·t_f/t_w)',
      'AISC 360-16 §J10.3 by hand',
      0.75 * 0.4 * 121 * (1 + 0.6 * (11 / 19) ** 1.5) * Math.sqrt((210_000 * 355 * 19) / 11),
      0.001,
      'capacity',
      beam,
      loaded({ fz: -40_000 }),
    ],
    ['flange-edge', 'hole 11 in a flange: 1.2·d_0', 'EN 1993-1-8 Tab. 3.3', 13.2, 1e-6, 'demand', beam, loaded({ fz: 400 })],
  ]),
  {
    of: 'wall-face',
    what: 'face 100 × 5 S355, β 0.5, η 0.6, kN',
    source: 'EN 1993-1-8 Tab. 7.11 by hand',
    expected: 71.5,
    within: 0.001,
    got: () => faceResistance({ fy: 355, t0: 5, β: 0.5, η: 0.6, γ: 1 }, silent) / 1000,
  },
];
