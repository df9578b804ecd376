import fc from 'fast-check';
import { evaluate } from '../chain/evaluate';
import { outlineFault, regionOf } from '../geometry/outline';
import { edgeDistance, regionArea } from '../geometry/region';
import { testJob } from '../testing/test-job';
import { isRefusal } from '../units/refusal';
import { reachedTo, reachedToOld } from './reach';
import type { Job } from './schema';
import { fromSheet } from './values';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const job = testJob();
const reached = (j: Job, to: { x: number; y: number }, margin: number): Job => {
  const next = reachedTo(j, to, margin);
  if ('refused' in next) throw new Error(next.because);
  return next;
};

it('grows an ear of a trapezium and a half circle: (1.5 + 1)·m·h + π·m²/2 more, h from the edge to the hole (geometry)', () => {
  const square: Job = { ...job, plate: { ...job.plate, corner: 0 } };
  const out = reached(square, { x: 155, y: 10 }, 20);
  const region = regionOf(out.plate.outline!);
  expect(regionArea(region) - 230 * 210).toBeCloseTo(2.5 * 20 * 40 + (Math.PI * 400) / 2, 3);
  expect(edgeDistance(region, { x: 155, y: 10 })).toBeCloseTo(20, 6);
  expect(out.plate.x1).toBeCloseTo(175, 6);
});

it('wherever the hole lies about the plate, it gets its margin and the outline can be cut, or it is refused with its reason', () => {
  let made = 0;
  fc.assert(
    fc.property(
      fc.double({ min: -3.1, max: 3.1, noNaN: true }),
      fc.double({ min: 120, max: 260, noNaN: true }),
      fc.integer({ min: 10, max: 30 }),
      (a, r, margin) => {
        const to = { x: r * Math.cos(a), y: r * Math.sin(a) };
        const next = reachedTo(job, to, margin);
        if ('refused' in next) return;
        made++;
        const region = regionOf((next.plate.outline ?? { corners: [], openings: [] }) as never);
        if (next !== job) {
          expect(outlineFault(next.plate.outline!)).toBe('');
          expect(edgeDistance(region, to)).toBeGreaterThan(margin - 1e-3);
        }
      },
    ),
    { numRuns: 200, seed: 12 },
  );
  expect(made).toBeGreaterThan(150);
});

it('where the hole has its margin already the plate stays as it is', () => {
  expect(reachedTo(job, { x: 0, y: 0 }, 20)).toBe(job);
});

it('to an old hole: a bolt on it, the hole used again and as wide in the skin as it is; and the job is judged', () => {
  const old: Job = {
    ...job,
    survey: { ...job.survey, existing: [{ id: 'E1', x: 145, y: 60, d: mm(12.5), use: 'stay clear' }] },
  };
  const next = reachedToOld(old, 'E1', 22);
  expect(isRefusal(next)).toBe(false);
  const made = next as Job;
  expect(made.survey.existing[0]!.use).toBe('re-use');
  expect(made.bolts.items.at(-1)).toMatchObject({ id: 'B5', x: 145, y: 60, holes: { skin: { v: 12.5 } } });
  expect(evaluate(made).refusals).toEqual([]);
  // Once more changes nothing.
  expect(reachedToOld(made, 'E1', 22)).toEqual(made);
  expect(reachedToOld(old, 'E9', 22)).toMatchObject({ because: 'there is no old hole E9', allowed: 'E1' });
});
