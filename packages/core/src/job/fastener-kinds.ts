import type { Job } from './schema';
import type { Zone } from './survey';
import { zoneAt } from './zones';

/** A bolt's own kind by its name; the joint's own where it names none. */
type Item = Job['bolts']['items'][number];

/**
 * The job as if all its bolts were of one kind: what that kind says of size, class, nut, hole, head and holding stands in the place of
 * what the joint says. `undefined` is the joint's own kind.
 */
export function jobOfKind(job: Job, kind: string | undefined): Job {
  const named = job.bolts.kinds?.find((k) => k.id === kind);
  if (!named) return job;
  const { id: _id, size, class: grade, nut, fit, ...said } = named;
  const joint = Object.fromEntries(Object.entries(said).filter(([, v]) => v !== undefined));
  return { ...job, bolts: { ...job.bolts, size, class: grade, nut, fit }, joint: { ...job.joint, ...joint } };
}

/** The kinds that some bolt is of, the joint's own first, then in the order they are written; the joint's own where there is no bolt. */
export function kindsUsed(job: Job): readonly (string | undefined)[] {
  const { items, kinds = [] } = job.bolts;
  const own = (b: Item) => kinds.every((k) => k.id !== b.kind);
  const used = kinds.filter((k) => items.some((b) => b.kind === k.id)).map((k) => k.id);
  return items.length === 0 || items.some(own) ? [undefined, ...used] : used;
}

/** One way a bolt of the joint is put through: its kind, holes of its own, and the zone of skin it stands in. */
export interface Through {
  readonly kind: string | undefined;
  readonly holes: Item['holes'];
  readonly zone: Zone | undefined;
}

/** Every way the joint's bolts are put through, each once in the order of the kinds, and which of them each bolt is. */
export function waysThrough(job: Job): { readonly ways: readonly Through[]; readonly at: readonly number[] } {
  const used = kindsUsed(job);
  const keyed = job.bolts.items.map((b) => {
    const kind = used[Math.max(0, used.indexOf(b.kind))];
    const { plate, slot, turn, skin, backing } = b.holes ?? {};
    const zone = zoneAt(job, b);
    const sizes = [plate?.v, slot?.v, slot ? (turn ?? 0) : 0, skin?.v, backing?.v];
    return {
      kind,
      holes: b.holes,
      zone,
      key: `${used.indexOf(kind)}|${sizes.map((v) => v ?? '').join('|')}|${zone?.id ?? ''}`,
      order: used.indexOf(kind),
    };
  });
  if (keyed.length === 0) return { ways: [{ kind: used[0], holes: undefined, zone: undefined }], at: [] };
  const once = keyed.filter((k, i) => keyed.findIndex((o) => o.key === k.key) === i).sort((a, b) => a.order - b.order);
  return {
    ways: once.map(({ kind, holes, zone }) => ({ kind, holes, zone })),
    at: keyed.map((k) => once.findIndex((o) => o.key === k.key)),
  };
}
