import { fromSheet } from '../job/values';
import type { WinchLoad } from '../job/schema';
import { casesOfLoad, factored, fanAngles, freeCase } from './cases';
import { freeLoad } from '../testing/test-job';

const winch = (more: Partial<WinchLoad> = {}): WinchLoad => ({
  kind: 'winch',
  id: 'W1',
  name: 'Pull',
  pull: fromSheet(10_000, '10 kN'),
  drumHeight: fromSheet(150, '150 mm'),
  sideAngle: fromSheet(Math.PI / 6, '30°'),
  upAngle: fromSheet(0, '0'),
  fan: 3,
  ...more,
});

it('a fan of three, 30° each side, level: trigonometric table 0.866, 0.5; moments are force × drum height (statics)', () => {
  const [starboard, ahead, port] = casesOfLoad(winch());
  expect(ahead!.fx).toBeCloseTo(10_000, 9);
  expect(ahead!.my).toBeCloseTo(1_500_000, 6);
  expect(port!.fx).toBeCloseTo(8660.254, 3);
  expect(port!.fy).toBeCloseTo(5000, 9);
  expect(port!.mx).toBeCloseTo(-750_000, 6);
  expect(starboard!.fy).toBeCloseTo(-5000, 9);
  expect(port!.name).toBe('Pull: 30° port');
});

it('an up angle adds the same fan lifted: 30° up lifts with half the pull', () => {
  const cases = casesOfLoad(winch({ upAngle: fromSheet(Math.PI / 6, '30°') }));
  expect(cases).toHaveLength(6);
  expect(cases[4]!.fz).toBeCloseTo(5000, 9);
  expect(cases[4]!.fx).toBeCloseTo(8660.254, 3);
});

it('shows its arithmetic', () => {
  const ahead = casesOfLoad(winch({ fan: 1 }))[0]!;
  expect(ahead.steps.map((s) => s.symbol)).toEqual(['F_x', 'F_y', 'F_z', 'M_x', 'M_y', 'M_z']);
});

it('a free force at a point turns into r × F at the datum', () => {
  const c = freeCase({
    ...freeLoad({ fx: 100, fy: 200, fz: 300, mx: 7 }),
    x: fromSheet(1, '1'),
    y: fromSheet(2, '2'),
    z: fromSheet(3, '3'),
  });
  // (1,2,3) × (100,200,300) = (2·300 − 3·200, 3·100 − 1·300, 1·200 − 2·100) = (0, 0, 0)
  expect([c.mx, c.my, c.mz]).toEqual([7, 0, 0]);
});

it('the fan is even, and the load factor multiplies everything', () => {
  expect(fanAngles(0.6, 4)).toEqual([-0.6, expect.closeTo(-0.2), expect.closeTo(0.2), 0.6]);
  expect(fanAngles(0.6, 1)).toEqual([0]);
  const c = freeCase(freeLoad({ fx: 10, mz: 4 }));
  expect(factored(c, 1.5)).toMatchObject({ fx: 15, mz: 6 });
});
