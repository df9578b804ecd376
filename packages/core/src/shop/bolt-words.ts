import { eachKind, ofKind } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { formatQuantity } from '../units/format-quantity';
import { boltRows, type Length } from './bolt-length';
import { tightenTo } from './tightening';

/** One line of the bolt list, as it is asked for at the counter. */
export interface BoltLine {
  readonly words: string;
  readonly ids: readonly string[];
}

/** "M8 × 50 mm, 6.3 mm out", "M10 × 70 mm lag screw, 60 mm in the timber", "M10 studding cut to 48 mm, two nuts". */
export function boltLines(r: Resolved): BoltLine[] {
  return boltRows(r).map(({ kind, length, ids }) => ({ ids, words: lineOf(ofKind(r, kind), length) }));
}

function lineOf(r: Resolved, l: Length): string {
  const mm = (v: number) => formatQuantity(v, 'length', r.job.units);
  const { holding } = r.joint;
  if (l.cut) return `${r.size.id} studding cut to ${mm(l.needed)}, two nuts`;
  if (!l.stock) return `none so long as ${mm(l.needed)}: studding`;
  const size = `${r.size.id} × ${l.stock.text}`;
  if (holding === 'lag screw') return `${size} lag screw, ${mm(l.engaged!)} in the timber`;
  if (holding === 'tapped') {
    const out = l.protrusion > 0 ? `, ${mm(l.protrusion)} out` : '';
    return `${size}, ${mm(l.engaged!)} in the thread${out}`;
  }
  if (holding === 'rivet nut') return `${size}, ${mm(l.engaged!)} in the insert`;
  return `${size}, ${mm(l.protrusion)} out`;
}

/** "38 N·m", "12 N·m, or the skin crushes", and for a lag what is done instead; each kind of fastener by its size. */
export const tightenWords = (r: Resolved): string =>
  r.kinds.length === 1
    ? torqueWords(r)
    : eachKind(r)
        .map((k) => `${k.size.id}: ${torqueWords(k)}`)
        .join('; ');

/** What one kind of fastener is tightened to, and what sets it. */
export function torqueWords(r: Resolved): string {
  const { torque, by } = tightenTo(r);
  if (!torque) return 'turned home by feel: no torque for a lag';
  const set = formatQuantity(torque.torque, 'moment', r.job.units);
  if (by === 'skin') return `${set}, or the skin crushes`;
  if (by === 'thread') return `${set}, or its thread gives`;
  if (by === 'glue') return `${set}, or its glue lets the head turn`;
  return set;
}
