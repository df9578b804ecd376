import { formatQuantity, shownStep, shownUnit, type UnitSystem } from './format-quantity';
import { parseQuantity } from './parse-quantity';
import { isRefusal } from './refusal';
import type { Dimension } from './unit-table';

/** A value as the job's system reads it: as it was typed where that is in this system's units, else turned into them. */
export function textIn(system: UnitSystem, q: { readonly v: number; readonly text: string }, dimension: Dimension): string {
  const shown = formatQuantity(q.v, dimension, system);
  if (q.text.trim() === '') return shown;
  const bareUnit = shownUnit(dimension, system);
  const read = parseQuantity(q.text, { field: '', dimension, bareUnit, allowed: '' });
  // What cannot be read without its metal is a gauge: known in both.
  if (isRefusal(read)) return q.text;
  const own = read.unit === '' || !(FOREIGN[system][dimension] ?? []).includes(read.unit);
  return own && Math.abs(read.value - q.v) <= 1e-6 * Math.max(1, Math.abs(q.v)) + shownStep(dimension) / 2 ? q.text : shown;
}

/** Units that belong to the other system. */
const FOREIGN: Readonly<Record<UnitSystem, Partial<Record<Dimension, readonly string[]>>>> = {
  mm: {
    length: ['in', 'ft'],
    force: ['lb', 'kip'],
    moment: ['lb·ft', 'lb·in'],
    mass: ['lb'],
    stress: ['psi', 'ksi'],
    speed: ['mph'],
    area: ['ft²', 'in²'],
  },
  inch: {
    length: ['mm', 'cm', 'm'],
    force: ['N', 'kN', 'kgf', 'tf'],
    moment: ['N·m', 'kN·m', 'N·mm'],
    mass: ['kg', 'g', 't'],
    stress: ['MPa', 'GPa'],
    speed: ['m/s', 'km/h'],
    area: ['m²', 'cm²', 'mm²'],
  },
};
