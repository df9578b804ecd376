import { evaluate } from '../chain/evaluate';
import { testJob } from '../testing/test-job';
import { carryStock } from './carry-stock';
import { ownId, type OwnMetal } from './own-stock';
import { Job } from './schema';

const row = (fy: number): OwnMetal => ({
  id: 'own-plate',
  name: 'Plate',
  group: 'steel',
  fy,
  fu: fy + 100,
  E: 210_000,
  density: 7850,
  source: 'mill sheet',
});
const made = (j: Job): Job => ({ ...j, plate: { ...j.plate, metal: 'own-plate' } });

it('a job carries just the rows it uses, and its file is whole by itself', () => {
  const job = carryStock(made(testJob()), [row(400), { ...row(300), id: 'own-other' }]);
  expect(job.ownStock.metals).toEqual([row(400)]);
  expect(Job.safeParse(job).success).toBe(true);
  expect(evaluate(job).refusals).toEqual([]);
});

it('a change in the stock room never moves a job unseen; a row used no more is left behind', () => {
  const job = carryStock(made(testJob()), [row(400)]);
  expect(carryStock(job, [row(200)])).toBe(job);
  const back = carryStock({ ...job, plate: { ...job.plate, metal: 'S275' } }, [row(400)]);
  expect(back.ownStock.metals).toEqual([]);
});

it('a row that is nowhere is refused by name', () => {
  expect(evaluate(made(testJob())).refusals[0]).toMatchObject({ field: 'plate.metal' });
});

it('counts by its own strength: twice the yield, twice the yield-governed strength', () => {
  const at = (fy: number) =>
    evaluate(carryStock(made(testJob({ fz: 4000 })), [row(fy)])).links.find((l) => l.id === 'plate-bending')!.capacity;
  expect(at(500)).toBeGreaterThan(at(250));
});

it.each([
  ['S355, heat 4411', 'own-s355-heat-4411'],
  ['Blech Größe 3', 'own-blech-gro-e-3'],
  ['???', 'own-metal'],
])('%s is kept as %s', (name, id) => expect(ownId(name)).toBe(id));
