import { RANGES } from '@core/job/ranges';
import { formatQuantity, otherSystem, type UnitSystem } from '@core/units/format-quantity';
import type { Dimension } from '@core/units/unit-table';
import type { Outcome } from '@core/checks/check';

/** A demand or capacity with its unit, in the job's system. */
export function showAmount(value: number, unit: Outcome['unit'], system: UnitSystem): string {
  if (unit === '–') return value.toFixed(2);
  const dimension: Dimension = unit === 'N' ? 'force' : unit === 'MPa' ? 'stress' : 'length';
  return Number.isFinite(value) ? formatQuantity(value, dimension, system) : 'no limit';
}

export { formatQuantity, otherSystem };

const PARTS: Readonly<Record<string, string>> = {
  loads: 'Load',
  plate: 'Plate',
  'plate.corner': RANGES.corner.label,
  'plate.metal': 'Plate metal',
  'bolts.items': 'Bolts',
  'bolts.size': 'Fastener size',
  'bolts.class': 'Fastener class',
  'bolts.nut': 'Nut class',
  'base.hole': RANGES.baseHole.label,
  'skin.aft': RANGES.aft.label,
  'skin.thickness': RANGES.skinThickness.label,
  'skin.metal': 'Skin metal',
  'skin.grade': 'Plywood grade',
  'far.metal': 'Backing plate metal',
};

/** The field of a refusal in trade words: `bolts.items.2 (B3)` is Bolt B3. A path nobody named stays as it is. */
export function fieldWords(field: string): string {
  const bolt = /^bolts\.items\.\d+ \((.+)\)$/.exec(field);
  return bolt ? `Bolt ${bolt[1]}` : (PARTS[field] ?? field);
}
