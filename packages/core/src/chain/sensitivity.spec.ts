import type { Job } from '../job/schema';
import { assumed, fromSheet } from '../job/values';
import { newLoad } from '../loads/new-load';
import { testJob } from '../testing/test-job';
import { evaluate } from './evaluate';
import { whatToMeasure } from './sensitivity';

/** Everything measured but what is named. */
function surveyed(change: (j: Job) => Job): Job {
  const job = testJob({ fx: 2500, fz: 1500, z: 100 });
  const m = <T extends object>(o: T): T =>
    Object.fromEntries(
      Object.entries(o).map(([k, v]) => [k, typeof v === 'object' && v && 'from' in v ? { ...v, from: 'measured' } : v]),
    ) as T;
  return change({ ...job, base: { ...m(job.base), holesFrom: 'measured' }, skin: m(job.skin) });
}
const top = (j: Job) => evaluate(j).links.reduce((w, l) => (l.loadFree ? w : Math.max(w, l.utilisation)), 0);

it('ranks assumed values by how far each moves the weakest link, against changing them by hand', () => {
  const job = surveyed((j) => ({
    ...j,
    skin: { ...j.skin, thickness: assumed(8, '8 mm'), bedModulus: assumed(30_000, '30000 MPa') },
  }));
  const list = whatToMeasure(job);
  expect(list.map((s) => s.path)).toEqual(['skin.thickness', 'skin.bedModulus']);
  const by = (t: number) => top({ ...job, skin: { ...job.skin, thickness: fromSheet(t, '') } });
  expect(list[0]).toMatchObject({ lower: by(7.2), higher: by(8.8), by: '± 10 %' });
  expect(list[0]!.moves).toBeCloseTo(Math.max(Math.abs(by(7.2) - top(job)), Math.abs(by(8.8) - top(job))), 12);
});

it('a value that can make the job refuse comes first', () => {
  // Half of 220 is inside the plate’s 115; a tenth more, 121, hangs over it.
  const job = surveyed((j) => ({
    ...j,
    base: { ...j.base, length: assumed(220, '220 mm') },
    skin: { ...j.skin, thickness: assumed(8, '8 mm') },
  }));
  expect(whatToMeasure(job)[0]).toMatchObject({ path: 'base.length', moves: Infinity });
});

it('angles five degrees, counts one; a layer of rope is not moved below the first', () => {
  const job = surveyed((j) => ({ ...j, loads: [newLoad('winch', 'L1')] }));
  const list = whatToMeasure(job);
  const find = (end: string) => list.find((s) => s.path.endsWith(end))!;
  expect(find('sideAngle').by).toBe('± 5°');
  expect(find('layer').by).toBe('± 1');
  expect(find('layer').lower).toBe(top(job));
  expect(find('pull').moves).toBeGreaterThan(0);
});

it('nothing assumed, nothing to measure; a job that refuses has none either', () => {
  expect(whatToMeasure(surveyed((j) => j))).toEqual([]);
  expect(whatToMeasure(surveyed((j) => ({ ...j, loads: [], skin: { ...j.skin, thickness: assumed(8, '8') } })))).toEqual([]);
});
