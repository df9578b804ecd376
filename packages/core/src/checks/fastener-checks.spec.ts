import { Working } from '../working/steps';
import { fromSheet } from '../job/values';
import { onSolidBed, resolved, testJob } from '../testing/test-job';
import { shearResistance, tensionResistance } from './bolt-strength';
import { edgeAISC } from '../stock/edge-distances';
import { evaluate } from '../chain/evaluate';

const w = new Working(false);
const limit = (size: string, grade: string) =>
  resolved(
    testJob({}, (j) => ({
      ...j,
      base: { ...j.base, holes: [], length: { ...j.base.length, v: 40 }, width: { ...j.base.width, v: 40 } },
      practice: { ...j.practice, school: 'limit', gammaQ: 1 },
      bolts: { ...j.bolts, size, class: grade },
    })),
  );

describe('EN 1993-1-8 Tab. 3.4, γ_M2 1.25, one shear plane through the thread, kN (values of the brief, from memory of the tables)', () => {
  it.each([
    ['M8', '8.8', 14.05, 21.08],
    ['M10', '8.8', 22.27, 33.41],
    ['M12', '8.8', 32.37, 48.56],
    ['M12', '10.9', 33.72, 60.7],
    ['M16', '8.8', 60.29, 90.43],
    ['M20', '8.8', 94.08, 141.1],
    ['M10', 'A4-70', 16.24, 29.23],
  ])('%s %s', (size, grade, Fv, Ft) => {
    // The tables start from the three-figure stress areas of ISO 898-1; so does this.
    const exact = limit(size, grade);
    const r = { ...exact, As: Number(exact.As.toPrecision(3)) };
    const figures = (kN: number, as: number) => Number((kN / 1000).toPrecision(String(as).replace('.', '').length));
    expect(figures(shearResistance(r, 0, w), Fv)).toBe(Fv);
    expect(figures(tensionResistance(r, w), Ft)).toBe(Ft);
  });
});

it('combined shear and tension, EN Tab. 3.4, worked by hand: M10 8.8, each bolt 4 kN shear and 8 kN pull', () => {
  // On a bed, through the base, and level with its face: nothing pries and nothing tips.
  const v = evaluate(
    testJob({ fx: 16_000, fz: 32_000, my: -16_000 * 8 }, (j) => ({
      ...onSolidBed(j),
      base: { ...j.base, length: fromSheet(220, '220'), width: fromSheet(200, '200'), holes: j.bolts.items },
      practice: { ...j.practice, school: 'limit', gammaQ: 1 },
    })),
  );
  const link = v.links.find((l) => l.id === 'bolt-combined')!;
  expect(link.utilisation).toBeCloseTo(4 / 22.27 + 8 / (1.4 * 33.41), 3);
  expect(v.links.find((l) => l.id === 'bolt-tension')!.demand).toBeCloseTo(8000, 3);
});

it('the school decides: safety factor 3 on break against γ_M2 1.25, load factor 1.5', () => {
  const working = evaluate(testJob()).links.find((l) => l.id === 'bolt-shear')!;
  const states = evaluate(testJob(undefined, (j) => ({ ...j, practice: { ...j.practice, school: 'limit' } }))).links.find(
    (l) => l.id === 'bolt-shear',
  )!;
  expect(states.utilisation / working.utilisation).toBeCloseTo((1.5 * 1.25) / 3, 9);
});

describe('edge and pitch', () => {
  const link = (rules: 'EN' | 'AISC') =>
    evaluate(testJob(undefined, (j) => ({ ...j, practice: { ...j.practice, rules } }))).links.find(
      (l) => l.id === 'edge-and-pitch',
    )!;
  it('EN 1993-1-8 Tab. 3.3: 1.2·11 = 13.2 mm to the edge', () => {
    expect(link('EN').demand).toBeCloseTo(13.2, 9);
    expect(link('EN').capacity).toBe(25);
  });
  it.each([
    [12.7, 'inch', 19.05],
    [15.875, 'inch', 22.225],
    [19.05, 'inch', 25.4],
    [22.225, 'inch', 28.575],
    [25.4, 'inch', 31.75],
    [16, 'metric', 22],
    [20, 'metric', 26],
    [24, 'metric', 30],
  ] as const)('AISC 360-16 Tab. J3.4 and J3.4M (memory): %d mm %s, %d mm', (d, family, edge) =>
    expect(edgeAISC(d, family)).toBeCloseTo(edge, 9),
  );
});

it('pull-through of sheet, EN Tab. 3.4 worked by hand: washer flat to 16 + 2·2·√(400/(3·117.5·2)) = 19.01 of 20, t 8, S235: 0.6·π·19.01·8·360/3', () => {
  const v = evaluate(testJob({ fz: 8000 }, (j) => ({ ...j, far: { kind: 'washer' } })));
  expect(v.links.find((l) => l.id === 'pull-through')!.capacity).toBeCloseTo(
    (0.6 * Math.PI * (16 + 4 * Math.sqrt(400 / 705)) * 8 * 360) / 3,
    0,
  );
});

it('a backing plate’s spread, EN 1993-1-8 §6.2.5(4) worked by hand: c = 5·√(275/(3·(0.9·3·5/4)·2)) = 18.43 mm on birch, short-term, at a safety factor of 4', () => {
  const v = evaluate(
    testJob({ fz: 8000 }, (j) => {
      const { kind: _k, ...rest } = j.skin;
      const { metal: _m, ...common } = rest as { metal?: string } & typeof rest;
      return {
        ...j,
        practice: { ...j.practice, onBreak: 4 },
        skin: { ...common, kind: 'plywood', grade: 'birch', thickness: { ...j.skin.thickness, v: 18 } },
        plate: { ...j.plate, x0: -140, x1: 140, y0: -130, y1: 130 },
      } as typeof j;
    }),
  );
  const d = 20 + 2 * 5 * Math.sqrt(275 / (3 * ((0.9 * 15) / 4) * 2));
  const crush = v.links.find((l) => l.id === 'washer-crush')!;
  expect(crush.capacity).toBeCloseTo((((0.9 * 15) / 4) * Math.PI * (d * d - 121)) / 4, 3);
});
