import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { facesOf, labelsOf, layersOf, sectionOf } from './section-stack';

const job = testJob();
const b1 = job.bolts.items[0]!;
const parts = (bolt = b1, left = b1.x - 62, right = b1.x + 62) => layersOf(job, bolt, left, right).map((l) => l.part);

describe('the stack, plate 8 / skin 8 / backing 5 mm', () => {
  it('lies plate, skin, backing from the near face down', () => {
    const layers = layersOf(job, b1, 28, 152);
    expect(layers.map((l) => [l.part, l.top, l.bottom])).toEqual([
      ['plate', 0, 8],
      ['skin', 8, 16],
      ['backing', 16, 21],
    ]);
    expect(layers[0]!.x1).toBe(115);
    expect(layers[1]!.x1).toBe(152);
  });

  it('shows the base only where the bolt’s row cuts it', () => {
    expect(parts()).not.toContain('base');
    expect(parts({ id: 'B9', x: 90, y: 0 })).toContain('base');
  });

  it('shows a bearer where the cut reaches it', () => {
    expect(parts(b1, 200, 300)).toContain('bearer');
    expect(parts()).not.toContain('bearer');
  });
});

it('faces that drag: the plate’s near face, and the backing plate’s far face where there is one', () => {
  expect(facesOf(job).map((f) => [f.part, f.y, f.sense])).toEqual([
    ['plate', 0, 1],
    ['backing', 21, -1],
  ]);
  expect(facesOf({ ...job, far: { kind: 'washer' } })).toHaveLength(1);
});

it('labels never cover each other, however thin the parts', () => {
  const thin = {
    ...job,
    plate: { ...job.plate, thickness: fromSheet(2, '2 mm') },
    skin: { ...job.skin, thickness: fromSheet(1.5, '1.5 mm') },
  };
  const labels = labelsOf(layersOf(thin, b1, 28, 152), 5);
  labels.slice(1).forEach((l, i) => expect(l.y - labels[i]!.y).toBeGreaterThanOrEqual(6.25 - 1e-9));
  expect(labels.map((l) => l.part)).toEqual(['plate', 'skin', 'backing']);
});

it('the whole section stays in its frame, and stands without a bolt', () => {
  const s = sectionOf(job, b1, 28, 152, 5);
  expect(s.top).toBeLessThan(-8.4);
  expect(s.bottom).toBeGreaterThan(34.4);
  expect(sectionOf(job, undefined, -62, 62, 5).bolt).toBeUndefined();
});

describe('a bent edge', () => {
  const bent = (edge: 'fore' | 'aft' | 'port') => ({
    ...job,
    plate: { ...job.plate, fold: { edge, radius: fromSheet(6, '6 mm'), height: fromSheet(40, '40 mm') } },
  });
  it('fore: the leg stands 40 from the far face up, its inside 6 past where the bend starts', () => {
    const leg = layersOf(bent('fore'), b1, 28, 152).find((l) => l.words.includes('bent up'))!;
    expect([leg.x0, leg.x1, leg.top, leg.bottom]).toEqual([121, 129, -32, 8]);
  });
  it('aft: the same, mirrored; port: seen behind', () => {
    const aft = layersOf(bent('aft'), { id: 'B9', x: -90, y: 60 }, -152, -28).find((l) => l.words.includes('bent up'))!;
    expect([aft.x0, aft.x1, aft.top, aft.bottom]).toEqual([-129, -121, -32, 8]);
    expect(layersOf(bent('port'), b1, 28, 152).find((l) => l.part === 'leg')).toMatchObject({ top: -32, bottom: 0 });
  });
});

it('a packer that was measured at a bolt lies under the plate there', () => {
  const gaps = [0, 0.5, 2.5, 1];
  const shims = job.bolts.items.map((b, i) => ({ id: `S${i}`, x: b.x, y: b.y, gap: fromSheet(gaps[i]!, `${gaps[i]} mm`) }));
  const packed = { ...job, survey: { ...job.survey, shims } };
  const b3 = job.bolts.items[2]!;
  const layers = layersOf(packed, b3, b3.x - 62, b3.x + 62);
  expect(layers.find((l) => l.part === 'packer')).toMatchObject({ top: 8, bottom: 10.5, words: 'packer 2.5 mm, measured' });
  expect(layers.find((l) => l.part === 'skin')).toMatchObject({ top: 10.5 });
});
