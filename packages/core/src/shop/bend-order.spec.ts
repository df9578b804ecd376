import { evaluate } from '../chain/evaluate';
import { fromSheet } from '../job/values';
import type { FreePart } from '../job/free-part';
import { resolved, testJob } from '../testing/test-job';
import { Working } from '../working/steps';
import { bendOrder, springback } from './bend-order';

const q = (v: number) => fromSheet(v, `${v} mm`);
const INCH = 25.4;
const PSI = 6.894757e-3;

describe('springback', () => {
  it('20 gauge steel, R 0.5 in, 40 ksi: R_f 0.531 in (Kalpakjian & Schmid, worked example 16.4, from memory)', () => {
    const w = new Working(true);
    springback(Math.PI / 2, 0.5 * INCH, 0.0359 * INCH, { fy: 40_000 * PSI, E: 29e6 * PSI }, w);
    expect(w.steps[0]!.value).toBeCloseTo(0.0192, 4);
    expect(w.steps[1]!.value / INCH).toBeCloseTo(0.531, 3);
  });
  it('is over the angle, more for a strong metal and a wide radius, and nothing for one that does not yield', () => {
    const to = (r: number, fy: number) => springback(Math.PI / 2, r, 6, { fy, E: 210_000 }, new Working(false)) * (180 / Math.PI);
    expect(to(6, 1e-9)).toBeCloseTo(90, 6);
    expect(to(6, 355)).toBeGreaterThan(90);
    expect(to(6, 690)).toBeGreaterThan(to(6, 355));
    expect(to(24, 355)).toBeGreaterThan(to(6, 355));
  });
});

const degrees = (d: number) => fromSheet((d * Math.PI) / 180, `${d}°`);
const bar = (made: 'press' | 'kerf'): FreePart => ({
  id: 'P1',
  name: 'Rail',
  use: 'rail',
  metal: 'S275',
  count: 1,
  holes: [],
  stock: {
    form: 'flat bar',
    width: q(50),
    thickness: q(6),
    legs: [q(80), q(300), q(60)],
    bends: [
      { angle: degrees(90), radius: q(6), up: true, made, ...(made === 'kerf' ? { throat: q(4) } : {}) },
      { angle: degrees(45), radius: q(6), up: false },
    ],
  },
});
const withPart = (made: 'press' | 'kerf') => resolved(testJob(undefined, (j) => ({ ...j, parts: [bar(made)] })));

it('lists every bend from both ends in, the shorter end first, with where it starts on the flat (by hand)', () => {
  const rows = bendOrder(withPart('press'));
  expect(rows.map((b) => [b.turn, b.bend, b.up])).toEqual([
    [1, 2, false],
    [2, 1, true],
  ]);
  // Outside 80 less the setback tan 45°·(6 + 6); K 0.4 at r = t: allowance π/2·(6 + 2.4).
  const first = rows[1]!;
  expect(first.from).toBeCloseTo(80 - 12, 9);
  expect(first.to - first.from).toBeCloseTo((Math.PI / 2) * 8.4, 9);
  expect(first.leastLeg).toBeCloseTo(4 * 6 + 12, 9);
});
describe('a bar that cannot be bent as it is drawn', () => {
  const bent = (legs: number[], made: 'press' | 'vise' = 'press'): FreePart => ({
    ...bar('press'),
    stock: {
      ...bar('press').stock,
      legs: legs.map(q),
      bends: legs.slice(1).map(() => ({ angle: degrees(90), radius: q(6), up: true, made })),
    } as FreePart['stock'],
  });
  const job = (part: FreePart) => testJob(undefined, (j) => ({ ...j, parts: [part] }));
  it('100, 50, 60 and 120, a quarter each: through itself, refused', () => {
    expect(evaluate(job(bent([100, 50, 60, 120]))).refusals.map((no) => no.because)).toContain('bent so it runs through itself');
    expect(evaluate(job(bent([100, 50, 60, 40]))).refusals.map((no) => no.because)).not.toContain(
      'bent so it runs through itself',
    );
  });
  it('a U of 120, 40 and 120 fouls the punch in every order, and says so; in a vise, and where it is shallow, it does not', () => {
    const says = (part: FreePart) => bendOrder(resolved(job(part))).map((b) => b.says.includes('FOULS'));
    expect(says(bent([120, 40, 120]))).toEqual([false, true]);
    expect(says(bent([120, 40, 120], 'vise'))).toEqual([false, false]);
    expect(says(bent([60, 120, 60]))).toEqual([false, false]);
  });
});
it('a kerf is sawn to a fifth of the thickness, as wide as closes it, and welded back', () => {
  const kerf = bendOrder(withPart('kerf')).find((b) => b.made === 'kerf')!;
  // 6 − 1.2 = 4.8 mm deep; π/2·4.8 = 7.5 mm wide.
  expect(kerf.says).toBe(
    'up; saw from the inside 4.8 mm deep, cuts 7.5 mm wide together; close; weld back, throat 4 mm: the weld holds it',
  );
  expect(kerf.turnTo).toBe(kerf.angle);
});
it('the mounting plate’s own bend stands where its drawing has it', () => {
  const r = resolved(
    testJob(undefined, (j) => ({ ...j, plate: { ...j.plate, fold: { edge: 'fore', radius: q(6), height: q(40) } } })),
  );
  const [b] = bendOrder(r);
  expect(b).toMatchObject({
    part: 'mounting plate',
    from: r.plate.x1 - r.plate.x0,
    says: 'fore edge up; middle line under the punch',
  });
  expect(bendOrder(resolved(testJob()))).toEqual([]);
});
