import { fileOf } from '@core/testing/job-files';
import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { spread } from './spread';

const job = fileOf(testJob({ fx: 1000, fz: 800, z: 100 }));

it('prints bolts, bearers, deflection, the edge and the balance of each case', () => {
  const { exit, text } = spread(job, false, 'draft');
  expect(exit).toBe(0);
  expect(text).toMatch(/draft mesh: \d+ unknowns, cells up to \d+\.\d mm/);
  expect(text).toMatch(/bolts +B1 \d+, B2 \d+, B3 \d+, B4 \d+ N/);
  expect(text).toMatch(/bearers +aft -?\d+, fore -?\d+, starboard -?\d+, port -?\d+ N/);
  expect(text).toMatch(/balance +0\.0\d % of the load/);
});

it('as data: the same numbers, without the fields', () => {
  const data = JSON.parse(spread(job, true, 'draft').text);
  expect(data.mesh).toMatchObject({ name: 'draft' });
  expect(data.cases[0].bolts).toHaveLength(4);
  expect(data.cases[0].balance).toBeLessThan(1e-6);
  expect(data.cases[0].result).toBeUndefined();
});

it('a stack that is no plate on a panel is refused, and so is a bad file', () => {
  const { spanX, spanY, aft, starboard, bedModulus } = testJob().skin;
  const q = (v: number) => fromSheet(v, String(v));
  const section = testJob({ fz: 500 }, (j) => ({
    ...j,
    skin: {
      kind: 'hollow',
      metal: 'S355',
      wall: q(6),
      width: q(300),
      through: 'both walls',
      thickness: q(100),
      spanX,
      spanY,
      aft,
      starboard,
      bedModulus,
    },
  }));
  expect(spread(fileOf(section), false, 'draft')).toMatchObject({ exit: 2, text: expect.stringContaining('skin.kind') });
  expect(spread('{', true, 'draft').exit).toBe(2);
});
