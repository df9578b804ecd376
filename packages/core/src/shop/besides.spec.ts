import { newLug } from '../job/plain-joint';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { RATES } from '../stock/rates';
import { resolved, testJob, withJoint, withWelds } from '../testing/test-job';
import { besides } from './besides';

const q = (v: number) => fromSheet(v, `${v} mm`);
const of = (change: (j: Job) => Job) => besides(resolved(testJob({ fz: 1000 }, change)));
/** kg of steel, by mm³; and of filled epoxy. */
const steel = (mm3: number) => mm3 * 7850e-9;
const epoxy = (mm3: number) => mm3 * 1200e-9;
const round = (d: number) => (Math.PI / 4) * d * d;

it('a plain joint has nothing besides', () => {
  expect(of((j) => j)).toEqual({ mass: 0, cost: 0, minutes: 0 });
});

describe('round each of four bolts', () => {
  it('sleeves by the piece; their tube is among the parts', () => {
    const a = of(withJoint({ sleeve: 'sleeve', tubeOutside: q(20), tubeWall: q(3) }));
    expect([a.cost, a.minutes]).toEqual([4 * RATES.perSleeve, 4 * RATES.minutesPerSleeve]);
  });
  it('plugs: epoxy about the bolt', () => {
    expect(of(withJoint({ sleeve: 'plug', tubeOutside: q(40) })).mass).toBeCloseTo(4 * epoxy((round(40) - round(10)) * 8), 9);
  });
  it('spacers by the piece', () => {
    const a = of(withJoint({ packing: 'spacers', packer: q(30), tubeOutside: q(25), tubeWall: q(4) }));
    expect([a.cost, a.minutes]).toEqual([4 * RATES.perSleeve, 4 * RATES.minutesPerSleeve]);
  });
});

describe('welds, by length and the square of the throat', () => {
  it('the fitting round its base of 120 × 100: a fillet of throat a has the section a²', () => {
    const a = of(withWelds({ fitting: 'all round', fittingThroat: q(4) }));
    expect(a.mass).toBeCloseTo(steel(440 * 16), 9);
    expect(a.cost).toBeCloseTo(0.44 * RATES.perMetreWeld, 9);
    expect(a.minutes).toBeCloseTo(0.44 * RATES.minutesPerMetreWeld, 9);
    expect(of(withWelds({ fitting: 'side edges', fittingThroat: q(4) })).mass).toBeCloseTo(steel(240 * 16), 9);
  });
  it('half as thick again is more than twice the work', () => {
    const at = (t: number) => of(withWelds({ fitting: 'all round', fittingThroat: q(t) })).minutes;
    expect(at(6) / at(4)).toBeCloseTo(2.25, 9);
  });
  it('the doubler round its edge of 230 × 210, or the stitched part of it', () => {
    const all = of(withWelds({ doubler: 'all round', doublerThroat: q(3) }));
    expect(all.mass).toBeCloseTo(steel(880 * 9), 9);
    const stitched = of(withWelds({ doubler: 'stitched', doublerThroat: q(3), stitch: q(30), gap: q(60) }));
    expect(stitched.mass / all.mass).toBeCloseTo(1 / 3, 9);
    expect(of(withWelds({ doubler: 'plugs' })).mass).toBe(0);
  });
});

describe('a lug with its pin', () => {
  const lugged =
    (x: Partial<NonNullable<Job['lug']>> = {}) =>
    (j: Job): Job => ({
      ...j,
      lug: {
        ...newLug(),
        metal: 'S275',
        width: q(50),
        end: q(25),
        hole: q(20),
        pin: q(19),
        thickness: q(12),
        fork: q(10),
        gap: q(1),
        cheek: q(0),
        shear: 'double',
        ...x,
      },
    });
  const face = 50 * (25 + 10 + 25);
  const pin = (long: number) => steel(round(19) * long);

  it('plate by its face, pin through lug, gaps and fork', () => {
    expect(of(lugged()).mass).toBeCloseTo(steel(face * 12) + pin(12 + 2 * 11), 6);
    expect(of(lugged()).minutes).toBe(0);
  });
  it('cheeks and a support tab are metal and work', () => {
    const cheeks = of(lugged({ cheek: q(5) }));
    expect(cheeks.mass - of(lugged()).mass).toBeCloseTo(steel(2 * 0.7 * face * 5) + pin(10), 6);
    expect(cheeks.minutes).toBe(2 * RATES.minutesPerTab);
    // Metal by weight, the pin twice as dear as its metal, and each piece that is put on.
    const metal = steel(face * 12 + 2 * 0.7 * face * 5) * RATES.perKg.steel;
    expect(cheeks.cost).toBeCloseTo(metal + pin(12 + 2 * 16) * 2 * RATES.perKg.steel + 2 * RATES.perTab, 6);
    const tab = of(lugged({ shear: 'single with support tab' }));
    expect(tab.mass - of(lugged({ shear: 'single' })).mass).toBeCloseTo(steel(face * 6), 6);
    expect(tab.minutes).toBe(RATES.minutesPerTab);
  });
});
