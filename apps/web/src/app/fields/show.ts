import { RANGES } from '@core/job/ranges';
import { formatQuantity, otherSystem, type UnitSystem } from '@core/units/format-quantity';
import type { Dimension } from '@core/units/unit-table';
import type { Outcome } from '@core/checks/check';

/** A demand or capacity with its unit, in the job's system. */
export function showAmount(value: number, unit: Outcome['unit'], system: UnitSystem): string {
  if (unit === '–') return value.toFixed(2);
  if (!Number.isFinite(value)) return 'no limit';
  if (unit === 'V') return `${value.toFixed(2)} V`;
  if (unit === 'mm²') return system === 'inch' ? `${(value / 645.16).toFixed(2)} in²` : `${(value / 100).toFixed(1)} cm²`;
  if (unit === 'N/mm') return system === 'inch' ? `${(value / 0.17512684).toFixed(0)} lb/in` : `${value.toFixed(1)} N/mm`;
  const dimension: Dimension = unit === 'N' ? 'force' : unit === 'MPa' ? 'stress' : 'length';
  return formatQuantity(value, dimension, system);
}

/** A utilisation at honest precision; nothing to hold with (null over the wire) is no figure. */
export const showUse = (u: number | null): string => (u !== null && Number.isFinite(u) ? u.toFixed(2) : 'no hold');

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
