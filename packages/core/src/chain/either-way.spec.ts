import fc from 'fast-check';
import type { Job } from '../job/schema';
import { randomJob } from '../testing/random-job';
import { reordered, turned } from '../testing/turned';
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
] as const)('%s, no figure of any link moves, for 50 random jobs (symmetry)', (_what, change) =>
  fc.assert(
    fc.property(randomJob, (job) => sameFigures(job, change(job))),
    { numRuns: 50, seed: 21 },
  ),
);
