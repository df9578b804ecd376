import { inStraightLine } from './straight-line';

it('over an L of cells it adds up to force and moments (statics), though its axes are not its principal ones', () => {
  const cells = Array.from({ length: 100 }, (_, k) => ({ x: 5 + 10 * (k % 10), y: 5 + 10 * Math.floor(k / 10) })).filter(
    ({ x, y }) => x < 30 || y < 40,
  );
  const load = { fz: 700, mx: 4e4, my: -9e4 };
  const f = inStraightLine({ count: cells.length, x: (i) => cells[i]!.x, y: (i) => cells[i]!.y, weight: () => 100 }, load);
  const sum = (of: (c: { x: number; y: number }) => number) => f.reduce((s, v, i) => s + v * of(cells[i]!), 0);
  expect(sum(() => 1)).toBeCloseTo(700, 6);
  expect(sum(({ y }) => y)).toBeCloseTo(4e4, 4);
  expect(sum(({ x }) => -x)).toBeCloseTo(-9e4, 4);
});
