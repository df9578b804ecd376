import { slotRun } from '../job/bolt-holes';
import type { Resolved } from '../job/resolve';
import { holeKind, MOST_OVER } from '../stock/hole-kinds';
import { refuse, type Refusal } from '../units/refusal';
import type { Loaded } from './demand/demand';
import { everyBolt } from './check';

/** A force this much along a slot, or less, goes along it by nothing but rounding. */
const ALONG = 1e-6;

/** A bolt that cannot bear on its hole: the force runs along its slot, or the hole is wider than any rule of bearing knows. */
export function bearsNot(r: Resolved, s: Loaded, where: 'plate' | 'skin'): Refusal | undefined {
  if (r.joint.tightening === 'slip resistant') return undefined;
  const pressed = everyBolt(r).filter((i) => s.shears[i]!.total > 1e-9);
  const [first] = pressed;
  if (first === undefined) return undefined;
  const at = `bolts.items.${first} (${r.bolts[first]!.id})`;
  const wide = where === 'plate' ? r.d0 : r.skinHole;
  const most = r.size.d + MOST_OVER(r.size.d);
  if (wide > Math.max(most, r.size.hole.coarse) + 1e-6)
    return refuse(
      at,
      `its hole in the ${where} is ${wide.toFixed(1)} mm wide for a ${r.size.d.toFixed(1)} mm bolt: it slides before it bears`,
      `up to ${most.toFixed(1)} mm, or a slip-resistant joint`,
    );
  if (where === 'skin' || !r.slot) return undefined;
  const run = slotRun({ plate: r.d0, slot: r.slot });
  const long = Math.hypot(run.x, run.y);
  const slides = pressed.find((i) => {
    const v = s.shears[i]!;
    return long > 0 && Math.abs(v.x * run.x + v.y * run.y) / long > ALONG * v.total;
  });
  if (slides === undefined) return undefined;
  return refuse(
    `bolts.items.${slides} (${r.bolts[slides]!.id})`,
    'its slot runs along part of its load: along a slot a bolt bears on nothing',
    'slots across the load, round holes, or a slip-resistant joint',
  );
}

/** What the hole in the plate is for its bolt. */
export const plateHoleKind = (r: Resolved) => holeKind(r.size, r.d0, r.slot?.long);
