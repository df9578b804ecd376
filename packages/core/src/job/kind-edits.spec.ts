import { testJob } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { jobOfKind, kindsUsed, waysThrough } from './fastener-kinds';
import { boltOfKind, boltOfNewKind, changedKind, packedAt } from './kind-edits';

const job = testJob();

it('a bolt gets a kind of its own, one size up, and the others stay', () => {
  const as = boltOfNewKind(job, 'B2');
  expect(as.bolts.kinds).toEqual([{ id: 'K2', size: 'M12', class: job.bolts.class, nut: job.bolts.nut, fit: job.bolts.fit }]);
  expect(kindsUsed(as)).toEqual([undefined, 'K2']);
  expect(waysThrough(as).at).toEqual([0, 1, 0, 0]);
  expect(jobOfKind(as, 'K2').bolts.size).toBe('M12');
  expect(boltOfNewKind(as, 'B3').bolts.kinds!.map((k) => k.id)).toEqual(['K2', 'K3']);
});
it('a kind that no bolt is of any more goes, and the job is as it was', () => {
  const as = boltOfKind(boltOfNewKind(job, 'B2'), 'B2', undefined);
  expect(as).toEqual(job);
  const both = boltOfKind(boltOfNewKind(job, 'B2'), 'B3', 'K2');
  expect(boltOfKind(both, 'B2', undefined).bolts.kinds).toHaveLength(1);
});
it('only what a kind says stands in the place of the joint’s', () => {
  const as = changedKind(boltOfNewKind(job, 'B1'), 'K2', { holding: 'stud', size: 'M8' });
  const of = jobOfKind(as, 'K2');
  expect([of.joint.holding, of.joint.head, of.bolts.size]).toEqual(['stud', job.joint.head, 'M8']);
  expect(jobOfKind(as, undefined).joint.holding).toBe(job.joint.holding);
  expect(kindsUsed({ ...as, bolts: { ...as.bolts, items: as.bolts.items.filter((b) => b.kind) } })).toEqual(['K2']);
});
it('a height of its own is written at the bolt, and taken away again', () => {
  const as = packedAt(job, 'B1', fromSheet(12, '12 mm'));
  expect(as.bolts.items[0]!.packed!.v).toBe(12);
  expect(packedAt(as, 'B1', undefined)).toEqual(job);
});
