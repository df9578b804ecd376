import { clampOf } from '../checks/grip';
import { heldThickness } from '../checks/skin-parts';
import { leastLag, underHead } from '../job/lag';
import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { nextLength, type BoltLength } from '../stock/bolt-lengths';
import type { FastenerSize } from '../stock/fasteners';
import { headDepth } from '../stock/heads';
import { NUT_KINDS } from '../stock/nut-kinds';

/** What one bolt of the joint must be long enough for, mm. */
export interface BoltNeeds {
  /** From under the head to where the thread that holds begins: washers, base, plates, packing there, skin, backing. */
  readonly grip: number;
  /** Least length to ask for: under the head, or overall for a countersunk bolt and for studding. */
  readonly needed: number;
  /** Nuts turned on it: none in a thread of the structure, two on studding. */
  readonly nuts: 0 | 1 | 2;
  /** Thickness of a washer on the far side, 0 where none is laid under. */
  readonly farWasher: number;
  /** What the last of the thread comes out of, from under the head: nut, tapped metal, insert or timber. */
  readonly end: number;
}

/** Held where it ends, with nothing turned on it from the far side. */
const WITHOUT_WASHER = new Set(['weld nut', 'captive nut', 'nut plate']);

/** Height of what is turned on: by its kind, and with its thin nut where there are two (ISO 4035, about 0.5·d). */
export function nutHeightFor(id: string, size: Pick<FastenerSize, 'd' | 'nutHeight'>): number {
  const own = Math.max(size.nutHeight, (NUT_KINDS.find((k) => k.id === id)?.height ?? 0) * size.d);
  return id === 'jam' ? own + 0.5 * size.d : own;
}

/** What bolt i needs by the way it is held. */
export function boltNeeds(r: Resolved, i: number): BoltNeeds {
  const { holding, engagement, head } = r.joint;
  const two = 2 * r.size.pitch;
  // A head let into its part has no washer, and is counted in the length.
  const sunk = headDepth(head, r.size) > 0 ? r.size.washer.thickness : 0;
  if (holding === 'lag screw') {
    const grip = underHead(r, i, 0);
    return { grip, needed: leastLag(r, i).length, nuts: 0, farWasher: 0, end: grip + r.skinThickness };
  }
  if (holding === 'tapped' || holding === 'rivet nut') {
    const behind = holding === 'tapped' && r.far.kind === 'plate';
    const grip = underHead(r, i, behind ? r.skinThickness : 0);
    const metal = r.far.kind === 'plate' && behind ? r.far.thickness : heldThickness(r);
    const end = grip + (holding === 'tapped' ? metal : engagement);
    return { grip, needed: grip + engagement, nuts: 0, farWasher: 0, end };
  }
  const laid = WITHOUT_WASHER.has(holding) ? 0 : r.far.kind === 'plate' ? r.size.washer.thickness : r.far.thickness;
  const spare = WITHOUT_WASHER.has(holding) ? (r.far.kind === 'plate' ? r.size.washer.thickness : r.far.thickness) : 0;
  const grip = clampOf(r, i) - sunk - spare;
  const nut = nutHeightFor(r.joint.nutKind, r.size);
  if (head === 'studding') return { grip, needed: grip + 2 * nut + 2 * two, nuts: 2, farWasher: laid, end: grip + nut };
  return { grip, needed: grip + nut + two, nuts: 1, farWasher: laid, end: grip + nut };
}

export interface Length {
  /** The bolt that needs most. */
  readonly bolt: string;
  readonly grip: number;
  readonly needed: number;
  /** Undefined for studding, which is cut, and where none so long is stocked. */
  readonly stock: BoltLength | undefined;
  readonly cut: boolean;
  /** Thread past the nut, or past the metal it is tapped in, mm; negative where it ends inside. */
  readonly protrusion: number;
  /** Thread inside what holds it, where that is not a nut, mm. */
  readonly engaged: number | undefined;
}

/** Length of bolt i, and the next stocked one. */
export function lengthFor(joint: Resolved, i: number): Length {
  const r = atBolt(joint, i);
  const { grip, needed, nuts, end } = boltNeeds(r, i);
  const cut = nuts === 2;
  const stock = cut ? undefined : nextLength(needed, r.size.family);
  const long = stock?.length ?? needed;
  return {
    bolt: r.bolts[i]!.id,
    grip,
    needed,
    stock,
    cut,
    protrusion: cut ? 2 * r.size.pitch : long - end,
    engaged: nuts === 0 ? Math.min(long, end) - grip : undefined,
  };
}

/** One line of the bolt list: alike bolts together. */
export interface BoltRow {
  /** Place of its kind in the joint's. */
  readonly kind: number;
  readonly length: Length;
  readonly ids: readonly string[];
}

/** Every bolt of the job by its length, kind by kind, the longest first: packers and the base make them differ. */
export function boltRows(r: Resolved): BoltRow[] {
  const rows = new Map<string, BoltRow>();
  r.bolts.forEach((b, i) => {
    const length = lengthFor(r, i);
    const key = `${b.kind} ${length.stock?.text ?? length.needed.toFixed(1)}`;
    const row = rows.get(key);
    // Of bolts that take one stocked length, the one that needs most is told of.
    const most = row && row.length.needed >= length.needed ? row.length : length;
    rows.set(key, { kind: b.kind, length: most, ids: [...(row?.ids ?? []), b.id] });
  });
  return [...rows.values()].sort((a, b) => a.kind - b.kind || b.length.needed - a.length.needed);
}
