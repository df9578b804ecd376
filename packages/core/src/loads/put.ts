import { formatQuantity } from '../units/format-quantity';
import type { Put } from './builder';
import { share } from './common-fields';
import { builderOf } from './registry';
import type { Load } from './schema';
import { takeOff } from './take-off';

/** What the builder computes with: its fields, or the take-off's total and centroid where there is one. */
export function putOf(load: Load): Put {
  const b = builderOf(load.kind);
  const v: Record<string, number> = {};
  for (const key in load.values) v[key] = load.values[key]!.v;
  for (const [key, value] of Object.entries(fromTakeOff(load))) v[key] = value;
  // Fields the picks leave out keep their values; the builder does not read them.
  return { v, k: load.factors, pick: pickedOf(b.picks, load) };
}

const pickedOf = (picks: Readonly<Record<string, { options: readonly { value: string }[] }>>, load: Load) =>
  Object.keys(picks).length === 0 ? {} : load.picks;

/** Whether a load says which part of it this plate takes, where the fitting stands on more. */
export const takesPart = (load: Load): boolean => builderOf(load.kind).fields['share']?.range === share.range;

/** The fields the take-off fills, with what it puts there. */
export function fromTakeOff(load: Load): Readonly<Record<string, number>> {
  const names = builderOf(load.kind).takeOff;
  const total = names && load.parts.length > 0 ? takeOff(load.parts) : undefined;
  if (!names || !total) return {};
  return {
    [names.mass]: total.mass,
    ...(names.x ? { [names.x]: total.centroid.x } : {}),
    ...(names.y ? { [names.y]: total.centroid.y } : {}),
    ...(names.z ? { [names.z]: total.centroid.z } : {}),
  };
}

/**
 * Values that look like a mixed-up unit: outside what is usual, but usual if read in the other of mm and inch.
 * Said as a question; the value is never changed.
 */
export function unitDoubts(load: Load): { readonly key: string; readonly says: string }[] {
  const out: { key: string; says: string }[] = [];
  for (const [key, f] of Object.entries(builderOf(load.kind).fields)) {
    const { usual, label } = f.range;
    const q = load.values[key];
    if (!usual || !q || q.v === 0) continue;
    const usually = (v: number) => v >= usual[0] && v <= usual[1];
    if (usually(q.v)) continue;
    const [asInch, asMm] = [q.v * 25.4, q.v / 25.4];
    const low = q.v < usual[0];
    const other = low ? asInch : asMm;
    if (!usually(other)) continue;
    const [was, meant] = low ? ['mm', 'inches'] : ['inches', 'mm'];
    out.push({
      key,
      says: `${label}: ${q.text} is ${formatQuantity(q.v, 'length', 'mm')}. Was that ${meant}, read as ${was}? Then it is ${formatQuantity(other, 'length', 'mm')}.`,
    });
  }
  return out;
}
