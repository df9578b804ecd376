import { oneFoot } from '../job/at-foot';
import { standingAs } from '../job/feet-edits';
import { fromSheet } from '../job/values';
import { testJob } from '../testing/test-job';
import { beside } from './compare-jobs';
import { evaluate } from './evaluate';

const job = testJob({ fx: 3000, fz: 2000, z: 120 });
const thick = { ...job, plate: { ...job.plate, thickness: fromSheet(12, '12 mm') } };

it('a job beside itself: nothing differs, and no link has moved', () => {
  const both = beside(oneFoot(job), oneFoot(job));
  expect(both.values).toEqual([]);
  for (const l of both.links) expect(l.a).toEqual(l.b);
  expect(both.a).toEqual(both.b);
});

it('a thicker plate: named once by its text, and every link is what each job says by itself', () => {
  const both = beside(oneFoot(job), oneFoot(thick));
  expect(both.values.map((v) => v.label)).toEqual(['Plate']);
  expect(both.values[0]).toMatchObject({ a: expect.stringContaining('8 mm'), b: expect.stringContaining('12 mm') });
  const own = (j: typeof job, id: string) => evaluate(j).links.find((l) => l.id === id)!.utilisation;
  for (const l of both.links.filter((x) => x.a!.state !== 'refused' && x.a!.state !== 'not needed')) {
    expect(l.a!.utilisation).toBe(own(job, l.id));
    expect(l.b!.utilisation).toBe(own(thick, l.id));
  }
  const gaps = both.links.map((l) => Math.abs((l.a?.utilisation ?? 0) - (l.b?.utilisation ?? 0)));
  expect(gaps[0]).toBe(Math.max(...gaps.filter(Number.isFinite)));
});

it('a typed value is compared by what it is, not by how it was written', () => {
  const inches = { ...job, base: { ...job.base, thickness: { ...job.base.thickness, text: 'the same, otherwise written' } } };
  expect(beside(oneFoot(job), oneFoot(inches)).values).toEqual([]);
});

it('a fitting on four feet beside one foot: each link from the foot where it is worked hardest', () => {
  const four = standingAs(oneFoot(job), 'F1', 'four feet', { along: 400, across: 300, count: 4 });
  const both = beside(oneFoot(job), four);
  expect(both.values.find((v) => v.label === 'Feet')).toMatchObject({ a: '1', b: '4' });
  expect(both.b.foot).not.toBe('');
  expect(both.links.every((l) => !l.b || l.b.foot !== '')).toBe(true);
});

it('what cannot be made says so, with its reason', () => {
  const off = { ...job, bolts: { ...job.bolts, items: [{ id: 'B1', x: 300, y: 0 }] } };
  const both = beside(oneFoot(job), oneFoot(off));
  expect(both.b).toMatchObject({ state: 'refused', because: expect.stringContaining('outside the plate') });
});
