import { Working } from '../../working/steps';
import { bolts, joint, linkIn, loaded, plainJob, q, skin, throughBase, type Change } from '../../reference/jobs';
import { faceResistance } from './face-resistance';

const silent = new Working(false);
const face = (β: number, η: number) => faceResistance({ fy: 235, t0: 5, β, η, γ: 1 }, silent);
/** Tab. 7.11 by hand, in m_pl = f_y·t²/4. */
const table = (β: number, η: number) => (4 / (1 - β)) * (2 * η + 4 * Math.sqrt(1 - β));
const M_PL = (235 * 25) / 4;

describe('a patch narrower than a quarter of the face (Tab. 7.8 has none: Gomes, Jaspart & Maquoi, memory)', () => {
  it('from a quarter on stands as the table has it', () => expect(face(0.25, 0.3) / M_PL).toBeCloseTo(table(0.25, 0.3), 6));
  it('under it holds less than the table would say, and more of a wider patch', () => {
    const all = [0.02, 0.05, 0.1, 0.15, 0.2, 0.24, 0.26].map((β) => face(β, β) / M_PL);
    expect(all.every((v, i) => i === 0 || v > all[i - 1]!)).toBe(true);
    // A washer a tenth of the face wide: 0.82 of 4π·(√0.9 + 0.2/π)/0.9.
    expect(all[2]).toBeCloseTo((0.82 * 4 * Math.PI * (Math.sqrt(0.9) + 0.2 / Math.PI)) / 0.9, 4);
    expect(all[2]! / table(0.1, 0.1)).toBeLessThan(0.66);
  });
  it('a point is never more than the fan of Johansen, 4π·m_pl', () => expect(face(1e-6, 1e-6) / M_PL).toBeLessThan(4 * Math.PI));
});

const section = (through: string) =>
  skin({ kind: 'hollow', metal: 'S355', wall: q(12), width: q(400), thickness: q(200), through });
const wide =
  (b: number): Change =>
  (j) => ({ ...j, plate: { ...j.plate, y0: -b / 2, y1: b / 2 } });
const narrowBase: Change = (j) => ({ ...j, base: { ...j.base, length: q(60), width: q(60) } });
const inLine = bolts('M10', '8.8', [
  [-170, 0],
  [-60, 0],
  [60, 0],
  [170, 0],
]);

it('moments on a plate narrower than a quarter of the face are taken down as the push is', () => {
  const link = (v: object) =>
    linkIn(plainJob(section('both walls'), narrowBase, inLine, wide(80), loaded({ fz: 0, ...v })), 'wall-face').utilisation;
  const β = 0.2;
  // h_1 400: η 1.0; k 1 from β + η 0.5 on.
  const [mp, fan] = [(355 * 144) / 4, ((4 * Math.PI) / (1 - β)) * (Math.sqrt(1 - β) + 2 / Math.PI)];
  expect(link({ fz: -10_000 })).toBeCloseTo(10_000 / (mp * fan), 5);
  const inPlane = 355 * 144 * 400 * (0.5 + 2 / Math.sqrt(1 - β) + 1 / (1 - β));
  expect(link({ my: 1e6 })).toBeCloseTo(1e6 / ((inPlane * fan) / table(β, 1)), 5);
});

it('a moment across the section, on half its width: Tab. 7.14 by hand', () => {
  const link = linkIn(plainJob(section('both walls'), narrowBase, inLine, wide(200), loaded({ fz: 0, mx: 1e6 })), 'wall-face');
  const [β, h_1] = [0.5, 400];
  const M = 355 * 144 * ((h_1 * (1 + β)) / (2 * (1 - β)) + Math.sqrt((2 * 400 * 200 * (1 + β)) / (1 - β)));
  expect(link.utilisation).toBeCloseTo(1e6 / M, 6);
});

it('bolts through one wall: the one that pulls most, on its own washer, by the fan', () => {
  const job = plainJob(section('one wall'), throughBase, joint({ holding: 'weld nut' }), wide(280), loaded({ fz: 40_000 }));
  const link = linkIn(job, 'wall-face');
  // M10 weld nut, 16 across flats on 400: β and η 0.04, k 0.748; against ten kilonewtons.
  const N = 0.748 * Math.PI * 355 * 144 * (1 / 0.96) * (Math.sqrt(0.96) + (2 * 0.04) / Math.PI);
  expect(link.utilisation).toBeCloseTo(10_000 / N, 2);
});
