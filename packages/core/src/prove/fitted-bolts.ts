import { withClass } from '../job/bolt-class';
import { eachKind } from '../job/of-kind';
import type { Resolved } from '../job/resolved';
import type { Job } from '../job/schema';
import { FASTENER_CLASSES } from '../stock/fastener-classes';
import { FASTENER_SIZES } from '../stock/fasteners';

/** What was fitted against what is drawn: the same, other bolts of the stock list, or words that name no size and class of it. */
export type Fitted =
  { readonly as: 'drawn' } | { readonly as: 'other'; readonly size: string; readonly class: string } | { readonly as: 'unread' };

/** Names of a list that stand in a text by themselves, the longest first, so that M10 is not read in M10×1.25. */
function namedIn(text: string, ids: readonly string[]): string[] {
  let left = ` ${text.toUpperCase().replace(/\s+/g, ' ')} `;
  const found: string[] = [];
  for (const id of [...ids].sort((a, b) => b.length - a.length)) {
    const name = id.toUpperCase().replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
    const alone = new RegExp(`(?<![A-Z0-9./×-])${name}(?![A-Z0-9./×-])`);
    if (!alone.test(left)) continue;
    found.push(id);
    left = left.replace(new RegExp(alone, 'g'), ' ');
  }
  return found;
}

const same = (a: readonly string[], b: readonly string[]): boolean =>
  new Set([...a, ...b]).size === a.length && a.length === b.length;

/** Bolts as they were written down, "M8 8.8", of a joint; of several kinds each with its size and class. */
export function fittedAs(r: Resolved, is: string): Fitted {
  const drawn = eachKind(r).filter((k) => r.bolts.some((b) => b.kind === k.kind));
  const sizes = namedIn(
    is,
    FASTENER_SIZES.map((s) => s.id),
  );
  const classes = namedIn(
    is,
    FASTENER_CLASSES.map((c) => c.id),
  );
  const each = (of: (k: Resolved) => string) => [...new Set(drawn.map(of))];
  if (
    same(
      sizes,
      each((k) => k.size.id),
    ) &&
    same(
      classes,
      each((k) => k.grade.id),
    )
  )
    return { as: 'drawn' };
  if (sizes.length !== 1 || classes.length !== 1 || drawn.length !== 1) return { as: 'unread' };
  return { as: 'other', size: sizes[0]!, class: classes[0]! };
}

/** Size and class as they are drawn, as they are to be written. */
export const drawnBolts = (r: Resolved): string =>
  eachKind(r)
    .filter((k) => r.bolts.some((b) => b.kind === k.kind))
    .map((k) => `${k.size.id} ${k.grade.id}`)
    .join(', ');

/** The job with other bolts in it, and the nut that is sold with them. */
export const withBolts = (job: Job, fitted: Fitted): Job =>
  fitted.as === 'other' ? { ...job, bolts: { ...withClass(job.bolts, fitted.class), size: fitted.size } } : job;
