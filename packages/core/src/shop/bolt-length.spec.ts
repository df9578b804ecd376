import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { nextLength } from '../stock/bolt-lengths';
import { resolved, testJob, withJoint } from '../testing/test-job';
import { boltNeeds, boltRows, lengthFor } from './bolt-length';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const of = (change: (j: Job) => Job = (j) => j) => resolved(testJob({ fz: 900 }, change));
const bare = (j: Job): Job => ({ ...j, far: { kind: 'washer' } });

// M10: washer 2, nut 8.4, pitch 1.5; plate 8, skin 8, backing 5 with a washer of 2 (by hand, each).
it('nut: the whole stack, the nut and two threads', () => {
  const l = lengthFor(of(), 0);
  expect(l.grip).toBe(2 + 8 + 8 + 5 + 2);
  expect(l.needed).toBeCloseTo(25 + 8.4 + 3, 9);
  expect(l.stock).toEqual({ length: 40, text: '40 mm' });
  expect(l.protrusion).toBeCloseTo(40 - 33.4, 9);
  expect(l.engaged).toBeUndefined();
});
it.each([
  ['weld nut', 25 - 2 + 8.4 + 3],
  ['captive nut', 25 - 2 + 8.4 + 3],
  ['stud', 25 + 8.4 + 3],
] as const)('%s: %d', (holding, needed) => expect(boltNeeds(of(withJoint({ holding })), 0).needed).toBeCloseTo(needed, 9));
it.each([
  ['nylon', 12.5],
  ['flange', 10],
  ['jam', 8.4 + 5],
] as const)('a %s nut is %d high', (nutKind, high) =>
  expect(boltNeeds(of(withJoint({ nutKind })), 0).needed).toBeCloseTo(25 + high + 3, 9),
);
it('studding has two nuts and two threads at both ends, and is cut', () => {
  const l = lengthFor(of(withJoint({ head: 'studding' })), 0);
  expect(l.needed).toBeCloseTo(25 + 2 * 8.4 + 6, 9);
  expect([l.cut, l.stock]).toEqual([true, undefined]);
});
it('a countersunk head is let in: no washer, and counted in the length', () =>
  expect(boltNeeds(of(withJoint({ head: 'countersunk' })), 0).needed).toBeCloseTo(23 + 8.4 + 3, 9));
it('tapped in the backing: through skin and plate, and its thread; no nut', () => {
  const l = lengthFor(of(withJoint({ holding: 'tapped', engagement: mm(5) })), 0);
  expect(l.needed).toBeCloseTo(2 + 8 + 8 + 5, 9);
  expect(l.stock!.length).toBe(25);
  expect([l.engaged, l.protrusion]).toEqual([5, 2]);
});
it('tapped in the sheet itself', () =>
  expect(
    lengthFor(
      of((j) => bare(withJoint({ holding: 'tapped', engagement: mm(8) })(j))),
      0,
    ).needed,
  ).toBeCloseTo(18, 9));
it('a lag: long enough for 60 of thread, 0.6 of its length (DIN 571), where the wood is as deep; else washer, plate and thread', () => {
  const lag = (deep: number) =>
    lengthFor(
      of((j) => ({
        ...bare(withJoint({ holding: 'lag screw', engagement: mm(60) })(j)),
        skin: { ...j.skin, kind: 'timber', grade: 'C24', grain: 'x', endGrain: mm(300), thickness: mm(deep) } as Job['skin'],
      })),
      0,
    );
  expect([lag(120).needed, lag(120).engaged]).toEqual([100, 90]);
  expect([lag(80).needed, lag(80).engaged]).toEqual([70, 60]);
});
it('through the base it is longer by the base, and packers make each bolt its own length', () => {
  const through = of((j) => ({
    ...j,
    base: { ...j.base, length: mm(120), width: mm(100), thickness: mm(8), hole: mm(11), holes: [{ id: 'H1', x: 40, y: 30 }] },
    bolts: { ...j.bolts, items: [{ id: 'B1', x: 40, y: 30 }, ...j.bolts.items.slice(1)] },
  }));
  expect(boltNeeds(through, 0).needed - boltNeeds(through, 1).needed).toBeCloseTo(8, 9);
  expect(boltRows(through).map((r) => [r.length.stock?.text, r.ids])).toEqual([
    ['45 mm', ['B1']],
    ['40 mm', ['B2', 'B3', 'B4']],
  ]);
  const gaps = [0, 0.6, 12.4, 1.9];
  const packed = of((j) => ({
    ...j,
    survey: { ...j.survey, shims: j.bolts.items.map((b, i) => ({ id: `S${i}`, x: b.x, y: b.y, gap: mm(gaps[i]!) })) },
  }));
  expect(boltNeeds(packed, 2).needed - boltNeeds(packed, 0).needed).toBeCloseTo(12.4, 9);
});
it('inch bolts by quarters; none longer than is stocked', () => {
  expect(nextLength(30, 'inch')).toEqual({ length: 31.75, text: '1 1/4 in' });
  expect(nextLength(12, 'inch')!.text).toBe('1/2 in');
  expect(nextLength(5000, 'metric')).toBeUndefined();
});
