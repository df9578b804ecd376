import fc from 'fast-check';
import { mirrored } from '../job/mirrored';
import type { Job } from '../job/schema';
import { anyJob, runsAnyWay } from '../testing/any-job';
import { randomJob } from '../testing/random-job';
import { inTwoKinds, reordered, turned } from '../testing/turned';
import { evaluate, type Verdict } from './evaluate';

/** Links by name: the order cases are written in decides nothing. */
const figures = (v: Verdict) => new Map(v.links.map((l) => [l.id, l] as const));

function sameFigures(one: Job, other: Job): void {
  const [a, b] = [evaluate(one), evaluate(other)];
  expect(b.refusals.length).toBe(a.refusals.length);
  const of = figures(b);
  for (const l of a.links) {
    const o = of.get(l.id)!;
    expect([l.id, o.state]).toEqual([l.id, l.state]);
    if (Number.isFinite(l.utilisation))
      expect([l.id, Math.abs(o.utilisation - l.utilisation) < 1e-6 * (1 + l.utilisation)]).toEqual([l.id, true]);
  }
}

it.each([
  ['turned a quarter round', turned],
  ['with bolts, holes and loads in another order', reordered],
  ['read in inches', (j: Job): Job => ({ ...j, units: 'inch' })],
] as const)('%s, no figure of any link moves, for 30 random jobs (symmetry)', (_what, change) =>
  fc.assert(
    fc.property(randomJob, (job) => sameFigures(job, change(job))),
    { numRuns: 30, seed: 21 },
  ),
);

const half = (job: Job): Job => turned(turned(job));
/** A drawn plate whose ring begins at another corner. */
const begunElsewhere = (job: Job): Job => {
  const { outline } = job.plate;
  if (!outline) return reordered(job);
  const corners = [...outline.corners.slice(2), ...outline.corners.slice(0, 2)];
  return { ...reordered(job), plate: { ...job.plate, outline: { ...outline, corners } } };
};
const renamed = (job: Job): Job => ({
  ...job,
  bolts: { ...job.bolts, items: job.bolts.items.map((b, i) => ({ ...b, id: `Z${90 - i}` })) },
});

it.each([
  ['turned a quarter round', turned, runsAnyWay],
  ['turned half round', half, (j: Job) => j.skin.kind !== 'flange'],
  ['seen in the mirror', mirrored, () => true],
  ['with bolts, holes, loads and corners in another order', begunElsewhere, () => true],
  ['with its bolts called otherwise', renamed, () => true],
  ['with every other bolt said to be of another kind, alike in all', inTwoKinds, () => true],
] as const)(
  '%s, no figure moves, for 40 joints of any skin, drawn plate, spacers, slots and bolts of the base’s own',
  (_w, change, may) =>
    fc.assert(
      fc.property(anyJob, (job) => {
        fc.pre(may(job));
        sameFigures(job, change(job));
      }),
      { numRuns: 40, seed: 31 },
    ),
);
