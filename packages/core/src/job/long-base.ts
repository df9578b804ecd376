import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import type { Job } from './schema';

/** So many times as long as wide a base is a rail, and not stiff because nobody said otherwise (common practice). */
const MOST = 5;

export const isLongBase = ({ length, width }: Pick<Job['base'], 'length' | 'width'>): boolean =>
  Math.max(length.v, width.v) > MOST * Math.min(length.v, width.v);

/**
 * A long base bends between its bolts: one near the load takes most of it, and a base taken as stiff shares it out evenly. What comes to
 * each bolt is not shown unless somebody says that it is stiff, why, and over which length its load comes in.
 */
export function longBaseRefusals({ base, units }: Pick<Job, 'base' | 'units'>): Refusal[] {
  if (!isLongBase(base)) return [];
  const mm = (v: number) => formatQuantity(v, 'length', units);
  const long = Math.max(base.length.v, base.width.v);
  const short = Math.min(base.length.v, base.width.v);
  if ((base.stiff ?? '').trim() === '')
    return [
      refuse(
        'base.stiff',
        `a base ${mm(long)} long and ${mm(short)} wide is a rail: it bends, and what comes to each bolt is not shown`,
        `up to ${MOST} times as long as wide, or why it is stiff: what is welded or bolted along it`,
      ),
    ];
  if (!base.entry)
    return [refuse('base.entry', 'the load comes in over a length of the rail that nobody said', `over 0 to ${mm(long)}`)];
  return base.entry.v > long + 1e-6
    ? [refuse('base.entry', `${mm(base.entry.v)} is longer than the base`, `over 0 to ${mm(long)}`)]
    : [];
}

/** What is taken on somebody's word. */
export function stiffWords({ base, units }: Pick<Job, 'base' | 'units'>): string[] {
  if (!isLongBase(base) || !base.stiff || !base.entry) return [];
  const mm = (v: number) => formatQuantity(v, 'length', units);
  const long = Math.max(base.length.v, base.width.v);
  return [
    `how the base bends: its load comes in over ${mm(base.entry.v)} of ${mm(long)}, and it is taken as stiff (${base.stiff.trim()})`,
  ];
}
