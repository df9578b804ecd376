import { fromSheet } from '@core/job/values';
import { fastenerSize } from '@core/stock/fasteners';
import { testJob } from '@core/testing/test-job';
import { boltInSection, facesOf, labelsOf, layersOf, sectionOf } from './section-stack';

const job = testJob();
const b1 = job.bolts.items[0]!;
const m10 = fastenerSize('M10')!;
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

describe('the bolt in it, M10: head 6.4, washer 2, nut 8.4, two threads of 1.5', () => {
  it('clamps plate, skin and backing', () => {
    const b = boltInSection(job, b1, m10);
    expect([b.head, b.washerTop, b.under, b.far, b.nut, b.nutEnd, b.end].map((v) => Math.round(v * 10) / 10)).toEqual([
      -8.4, -2, 0, 21, 23, 31.4, 34.4,
    ]);
    expect(b.hole).toBe(11);
  });

  it('clamps the base too where it passes through it', () => {
    expect(boltInSection(job, { id: 'B9', x: 45, y: 35 }, m10).under).toBe(-8);
  });

  it('has the wide washer under the nut where one is fitted', () => {
    const b = boltInSection({ ...job, far: { kind: 'large washer' } }, b1, m10);
    expect(b.farWasher).toBe(30);
    expect(b.far).toBe(16);
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
