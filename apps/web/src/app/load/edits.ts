import type { Job, Load } from '@core/job/schema';
import type { Combination } from '@core/loads/schema';
import type { FieldRange } from '@core/units/field-range';
import { formatQuantity, type UnitSystem } from '@core/units/format-quantity';
import { assumed, type Quantity } from '@core/units/quantity';

/** Changes to a job's loads; each is pure and leaves the rest of the document as it was. */
type Edit = (job: Job) => Job;

export const freeId = (taken: readonly { readonly id: string }[], letter: string): string => {
  const used = new Set(taken.map((x) => x.id));
  let n = taken.length + 1;
  while (used.has(`${letter}${n}`)) n++;
  return `${letter}${n}`;
};

export const addLoad =
  (load: Load): Edit =>
  (job) => ({ ...job, loads: [...job.loads, load] });

export const changeLoad =
  (id: string, f: (l: Load) => Load): Edit =>
  (job) => ({ ...job, loads: job.loads.map((l) => (l.id === id ? f(l) : l)) });

/** Takes the load out, and out of every combination; a combination left empty goes too. */
export const removeLoad =
  (id: string): Edit =>
  (job) => ({
    ...job,
    loads: job.loads.filter((l) => l.id !== id),
    combinations: job.combinations
      .map((c) => ({ ...c, parts: c.parts.filter((p) => p.load !== id) }))
      .filter((c, i) => c.parts.length > 0 || job.combinations[i]!.parts.length === 0),
  });

export const setValue = (id: string, key: string, q: Quantity): Edit =>
  changeLoad(id, (l) => ({ ...l, values: { ...l.values, [key]: q } }));

export const changeCombination =
  (id: string, f: (c: Combination) => Combination): Edit =>
  (job) => ({ ...job, combinations: job.combinations.map((c) => (c.id === id ? f(c) : c)) });

/** The nearest whole millimetre, sixteenth or degree a field may hold. */
export function dragged(value: number, range: FieldRange, system: UnitSystem): Quantity {
  const step = range.dimension === 'angle' ? Math.PI / 180 : system === 'inch' ? 25.4 / 16 : 1;
  const low = range.above !== undefined ? range.above + step : range.min!;
  const v = Math.min(range.max, Math.max(low, Math.round(value / step) * step));
  return assumed(v, formatQuantity(v, range.dimension, system));
}
