import type { LoadCase } from '@core/loads/load-case';
import { casesOf } from '@core/loads/cases';
import { putOf } from '@core/loads/put';
import { builderOf } from '@core/loads/registry';
import { testJob } from '@core/testing/test-job';
import { arrowOf, frameOf, largest, structureIn } from './load-frame';

const job = testJob({ fx: 3000, fz: -2000, x: 50, z: 400 });
const load = job.loads[0]!;
const cases = casesOf(job);
const views = builderOf(load.kind).sketch(putOf(load));

it('shows the plate by its own measures, and the skin below it and round it', () => {
  const side = views.find((v) => v.from === 'side') ?? views[0]!;
  const { plate, skin } = structureIn(side, job);
  const { x0, x1, thickness } = job.plate;
  expect(plate.u1 - plate.u0).toBeCloseTo(x1 - x0, 9);
  expect([plate.w0, plate.w1]).toEqual([-thickness.v, 0]);
  expect([skin.w0, skin.w1]).toEqual([-thickness.v - job.skin.thickness.v, -thickness.v]);
  expect(skin.u0).toBeLessThan(plate.u0);
  expect(skin.u1).toBeGreaterThan(plate.u1);
});

it.each(views.map((v) => [v.from, v] as const))(
  'from the %s, the frame holds structure, handles and every arrow whole',
  (_n, view) => {
    const f = frameOf(view, job, load, cases);
    const { skin } = structureIn(view, job);
    expect(f.u0).toBeLessThan(skin.u0);
    expect(f.u1).toBeGreaterThan(skin.u1);
    expect(f.w0).toBeLessThan(skin.w0);
    const within = (u: number, w: number) => u >= f.u0 && u <= f.u1 && w >= f.w0 && w <= f.w1;
    for (const h of view.handles) expect(within(...h.at)).toBe(true);
    const size = Math.hypot(f.u1 - f.u0, f.w1 - f.w0);
    for (const c of cases) {
      const a = arrowOf(view, c, (0.3 * size) / largest(cases), size / 38, true);
      for (const corner of a?.head.split(' ') ?? []) {
        const [u, y] = corner.split(',').map(Number) as [number, number];
        expect(within(u, -y)).toBe(true);
      }
    }
  },
);

const force = (fx: number, fy: number, fz: number): LoadCase => ({ ...cases[0]!, fx, fy, fz });

it('an arrow points the way the force does, as long as the force; its head is a triangle at the tip', () => {
  const a = arrowOf({ from: 'side' }, force(0, 0, 1000), 0.1, 5, false)!;
  const [from, to] = a.line
    .slice(1)
    .split('L')
    .map((s) => s.split(' ').map(Number)) as [number[], number[]];
  // Up on the picture is less y.
  expect(to[1]!).toBeLessThan(from[1]!);
  expect(to[0]).toBeCloseTo(from[0]!, 9);
  const tip = a.head.split(' ')[0]!.split(',').map(Number) as [number, number];
  expect(from[1]! - tip[1]).toBeCloseTo(100, 9);
  expect(a.head.split(' ')).toHaveLength(3);
  expect(a.open).toBe(false);
});

it('a force straight towards the eye has no arrow, nor one too small to see', () => {
  expect(arrowOf({ from: 'side' }, force(0, 5000, 0), 0.1, 5, true)).toBeUndefined();
  expect(arrowOf({ from: 'side' }, force(1, 0, 0), 0.1, 5, true)).toBeUndefined();
});

it('the largest force sets the scale; without any it is one newton, not none', () => {
  expect(largest([force(3, 4, 12), force(1, 0, 0)])).toBe(13);
  expect(largest([])).toBe(1);
});
