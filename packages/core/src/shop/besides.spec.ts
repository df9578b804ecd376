import { bolts, joint, plainJob, q, resolvedOf, skin, welds, type Change } from '../reference/jobs';
import { newLug } from '../job/plain-joint';
import { besides } from './besides';
import { blankOf } from './bend-allowance';

const of = (...changes: readonly Change[]) => besides(resolvedOf(plainJob(...changes)));

it('a plain joint has nothing besides plates and bolts', () => expect(of()).toEqual({ mass: 0, cost: 0, minutes: 0 }));

it('four sleeves 25 × 3 through 120 mm, by hand: 4·π·22·3·120 mm³ of steel', () => {
  const section = skin({ kind: 'hollow', metal: 'S355', wall: q(6), width: q(500), thickness: q(120), through: 'both walls' });
  const x = of(section, joint({ sleeve: 'sleeve', tubeOutside: q(25), tubeWall: q(3) }));
  expect(x.mass).toBeCloseTo(4 * Math.PI * 22 * 3 * 120 * 7850e-9, 9);
  expect(x.minutes).toBeGreaterThan(0);
});

it('a weld costs by its length and the square of its throat', () => {
  const at = (a: number) => of(welds({ fitting: 'all round', fittingThroat: q(a) }));
  expect(at(6).minutes / at(3).minutes).toBeCloseTo(4, 9);
  // 440 mm round a base of 120 × 100, a 4: fillet of a² over its length.
  expect(at(4).mass).toBeCloseTo(440 * 16 * 7850e-9, 9);
});

it('stitches cost their own length only', () => {
  const at = (gap: number) => of(welds({ doubler: 'stitched', stitch: q(30), gap: q(gap) }));
  expect(at(60).cost / at(30).cost).toBeCloseTo(30 / 90 / (30 / 60), 9);
});

it('a support tab and cheek plates weigh and take time', () => {
  const lug = (x: object) => of((j) => ({ ...j, lug: { ...newLug(), ...x } }));
  const bare = lug({ shear: 'single' });
  expect(lug({ shear: 'single with support tab' }).minutes).toBeGreaterThan(bare.minutes);
  expect(lug({ shear: 'single', cheek: q(6) }).mass).toBeGreaterThan(bare.mass);
});

it('plugs of epoxy weigh less than the bolts in them', () => {
  const deck = skin({
    kind: 'sandwich',
    nearFace: q(4),
    farFace: q(3),
    thickness: q(30),
    glass: q(0.35),
    core: 'balsa',
    coreCrush: q(10),
    coreShear: q(2.6),
    coreModulus: q(150),
  });
  const x = of(deck, bolts('M10', '8.8'), joint({ sleeve: 'plug', tubeOutside: q(40) }));
  expect(x.mass).toBeCloseTo(4 * (Math.PI / 4) * (1600 - 100) * 30 * 1200e-9, 9);
});

it('bend allowance of a square bend, t 4, r 6: K 0.40, π/2·(6 + 1.6) = 11.94 mm, leg of 40 adds 30 flat', () => {
  const b = blankOf({ t: 4, r: 6, leg: 40 });
  expect([b.K, Number(b.allowance.toFixed(2)), Number((b.added - b.allowance).toFixed(6))]).toEqual([0.4, 11.94, 30]);
});
