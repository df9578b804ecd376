import { fromSheet } from '../units/quantity';
import { freeLoad } from '../testing/test-job';
import { newLoad } from './new-load';
import { Combination, Load, MAX_PARTS } from './schema';
import { takeOff, type Part } from './take-off';

const q = (v: number) => fromSheet(v, String(v));
const line = (i: number): Part => ({ id: `p${i}`, name: `p${i}`, kind: 'water', mass: q(2), x: q(-i), y: q(i), z: q(0) });
const lines = (n: number) => Array.from({ length: n }, (_, i) => line(i));
const said = (
  schema: { safeParse: (x: unknown) => { error?: { issues: { path: PropertyKey[]; message: string }[] } } },
  x: unknown,
) => schema.safeParse(x).error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`) ?? [];

it('a take-off may be empty and has up to 60 lines', () => {
  const load = newLoad('cradle', 'K');
  expect(MAX_PARTS).toBe(60);
  for (const n of [0, 1, 60]) expect(said(Load, { ...load, parts: lines(n) })).toEqual([]);
  expect(said(Load, { ...load, parts: lines(61) })).toEqual(['parts: allowed: up to 60 lines']);
});

it('up to 8 loads act together, each by −3 to 3 times or the job’s own factor', () => {
  const c = (n: number, factor: number | null) => ({
    id: 'C',
    name: 'C',
    parts: Array.from({ length: n }, () => ({ load: 'L1', factor })),
  });
  for (const ok of [c(0, 1), c(8, null), c(1, -3), c(1, 3)]) expect(said(Combination, ok)).toEqual([]);
  expect(said(Combination, c(9, 1))).toEqual(['parts: allowed: up to 8 loads together']);
  for (const out of [-3.01, 3.01]) expect(said(Combination, c(1, out))).toEqual(['parts.0.factor: allowed: −3 to 3']);
});

it('a mass of nothing has no centre; a light one has', () => {
  expect(takeOff([{ ...line(1), mass: q(0) }])).toBeUndefined();
  expect(takeOff([{ ...line(3), mass: q(0.4) }])).toEqual({
    mass: 0.4,
    centroid: { x: expect.closeTo(-3, 9), y: expect.closeTo(3, 9), z: 0 },
    shares: [1],
  });
});

it('a fresh load is assumed in every value that is not nought, first of each choice, alone and as it stands', () => {
  const w = newLoad('winch', 'W');
  expect(w).toMatchObject({ name: 'Winch', mirrored: false, alone: true, parts: [] });
  const from = Object.fromEntries(Object.entries(w.values).map(([k, v]) => [k, v.from]));
  expect(from).toMatchObject({ pull: 'assumed', drumHeight: 'assumed', layer: 'assumed', upAngle: 'sheet', brake: 'sheet' });
  expect(newLoad('lifting', 'L').picks).toEqual({ four: 'two' });
  expect(newLoad('free', 'F', 'mine').name).toBe('mine');
  expect(said(Load, freeLoad({ fx: 1 }))).toEqual([]);
});
