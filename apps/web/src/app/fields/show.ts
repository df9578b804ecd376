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
