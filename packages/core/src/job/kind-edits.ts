import { commonSizes, fastenerSize } from '../stock/fasteners';
import type { FastenerKind } from './joint';
import type { Bolt, Job } from './schema';

/** Edits of a joint's kinds of fastener: each a job in and a job out. `undefined` is the joint's own kind. */

const items = (job: Job, f: (b: Bolt) => Bolt): Job => ({ ...job, bolts: { ...job.bolts, items: job.bolts.items.map(f) } });

/** Without the kinds no bolt is of any more. */
function swept(job: Job): Job {
  const { kinds: all = [], ...rest } = job.bolts;
  const kinds = all.filter((k) => job.bolts.items.some((b) => b.kind === k.id));
  return { ...job, bolts: kinds.length > 0 ? { ...rest, kinds } : rest };
}

/** The bolt made of another kind of the joint. */
export const boltOfKind = (job: Job, boltId: string, kind: string | undefined): Job =>
  swept(
    items(job, (b) => {
      if (b.id !== boltId) return b;
      const { kind: _was, ...plain } = b;
      return kind === undefined ? plain : { ...plain, kind };
    }),
  );

/** The bolt made of a kind of its own: the next larger common size of the same class, or the next smaller where there is none. */
export function boltOfNewKind(job: Job, boltId: string): Job {
  const { bolts } = job;
  const used = new Set((bolts.kinds ?? []).map((k) => k.id));
  let n = 2;
  while (used.has(`K${n}`)) n++;
  const size = fastenerSize(bolts.size);
  const list = commonSizes(size?.family ?? 'metric');
  const at = list.findIndex((s) => s.id === bolts.size);
  const next = list[at + 1] ?? list[at - 1] ?? list[0]!;
  const kind: FastenerKind = { id: `K${n}`, size: next.id, class: bolts.class, nut: bolts.nut, fit: bolts.fit };
  return boltOfKind({ ...job, bolts: { ...bolts, kinds: [...(bolts.kinds ?? []), kind] } }, boltId, kind.id);
}

/** One kind changed; the joint's own is in the joint and is changed there. */
export const changedKind = (job: Job, kind: string, change: Partial<FastenerKind>): Job => ({
  ...job,
  bolts: { ...job.bolts, kinds: (job.bolts.kinds ?? []).map((k) => (k.id === kind ? { ...k, ...change } : k)) },
});

/** What stands under the plate at one bolt: its own height, or the joint's where nothing is given. */
export const packedAt = (job: Job, boltId: string, packed: Bolt['packed']): Job =>
  items(job, (b) => {
    if (b.id !== boltId) return b;
    const { packed: _was, ...plain } = b;
    return packed === undefined ? plain : { ...plain, packed };
  });

/** One bolt's own holes changed; what becomes undefined is as its fit says again. A slot that goes takes its turn with it. */
export const holesChanged = (job: Job, boltId: string, change: Partial<NonNullable<Bolt['holes']>>): Job =>
  items(job, (b) => {
    if (b.id !== boltId) return b;
    const { holes: was, ...plain } = b;
    const both = { ...was, ...change };
    const kept = Object.entries(both).filter(([key, v]) => v !== undefined && !(key === 'turn' && both.slot === undefined));
    return kept.length === 0 ? plain : { ...plain, holes: Object.fromEntries(kept) as NonNullable<Bolt['holes']> };
  });
