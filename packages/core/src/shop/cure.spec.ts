import { isRefusal } from '../units/refusal';
import { USUAL_PRODUCTS, type Product } from '../stock/products';
import { batchFor, type Batch } from './mixing';
import { cureTime, potLifeAt, type CureTime } from './cure';

const product = { ...USUAL_PRODUCTS.adhesive, from: 5, to: 40 } as Product;
const two = [
  { at: 15, hours: 24 },
  { at: 25, hours: 10 },
];
const hours = (points: typeof two, c: number) => (cureTime(product, points, c) as CureTime).hours;

describe('cure', () => {
  it('between two points by Arrhenius: 24 h at 15 °C and 10 h at 25 °C are 18.3 h at 18 °C (worked example of the engineering sheet)', () => {
    expect(hours(two, 18)).toBeCloseTo(18.3, 1);
    expect(hours(two, 15)).toBeCloseTo(24, 9);
    expect(hours(two, 25)).toBeCloseTo(10, 9);
  });
  it('is the same whichever point is named first, and by the textbook form with E/R', () => {
    const E = Math.log(24 / 10) / (1 / 288.15 - 1 / 298.15);
    for (const c of [8, 18, 21.5, 33]) {
      expect(hours([...two].reverse(), c)).toBeCloseTo(hours(two, c), 9);
      expect(hours(two, c)).toBeCloseTo(24 * Math.exp(E * (1 / (c + 273.15) - 1 / 288.15)), 9);
    }
  });
  it('from one point twice as long with every 10 °C less', () => {
    expect(hours([{ at: 20, hours: 72 }], 10)).toBeCloseTo(144, 9);
    expect(potLifeAt({ potLife: { at: 20, minutes: 40 } }, 30)).toBeCloseTo(20, 9);
  });
  it('refuses outside the product’s range and names it', () => {
    const no = cureTime(product, two, -3);
    expect(isRefusal(no) && `${no.because}; ${no.allowed}`).toBe('epoxy adhesive at −3 °C; 5 °C to 40 °C: warm it, or wait');
    expect(isRefusal(cureTime(product, two, NaN))).toBe(true);
    expect(isRefusal(cureTime(product, [], 20))).toBe(true);
  });
});

describe('what is weighed out', () => {
  const mixed = (by: 'weight' | 'volume', ρ: [number, number], volume: number, a = 100, b = 50) =>
    batchFor(
      { ...product, mix: { resin: a, hardener: b, by, resinDensity: ρ[0], hardenerDensity: ρ[1] } } as Product,
      volume,
      0,
    ) as Batch;
  it('four 44 mm holes through 26 mm and a bed of 600 × 120 × 2 mm: 302 cm³, 222 g and 111 g at 100 : 50 by weight (worked example)', () => {
    const volume = 4 * (Math.PI / 4) * 44 ** 2 * 26 + 600 * 120 * 2;
    expect(volume / 1000).toBeCloseTo(302.1, 1);
    const b = mixed('weight', [1.1, 1.1], volume);
    expect([Math.round(b.resin), Math.round(b.hardener)]).toEqual([222, 111]);
  });
  it('by weight the masses stand in the ratio, by volume the volumes; both fill the volume', () => {
    const w = mixed('weight', [1.15, 0.95], 1e5);
    expect(w.resin / w.hardener).toBeCloseTo(2, 9);
    expect(w.resin / 1.15 + w.hardener / 0.95).toBeCloseTo(100, 9);
    const v = mixed('volume', [1.15, 0.95], 1e5);
    expect(v.resin / 1.15 / (v.hardener / 0.95)).toBeCloseTo(2, 9);
    expect(v.resin / 1.15 + v.hardener / 0.95).toBeCloseTo(100, 9);
  });
  it('what stays in the pot is mixed too', () => {
    expect((batchFor(product, 85_000) as Batch).mixed).toBeCloseTo(100, 9);
  });
  it('cartridges are whole ones; a ratio of nothing is refused', () => {
    expect(batchFor(USUAL_PRODUCTS.sealant, 310_000, 0)).toMatchObject({ cartridges: 1 });
    expect(batchFor(USUAL_PRODUCTS.sealant, 310_001, 0)).toMatchObject({ cartridges: 2 });
    expect(isRefusal(mixed('weight', [1, 1], 1, 0, 50))).toBe(true);
  });
});
