import { fromSheet } from '@core/job/values';
import type { Load, Quantity } from '@core/job/schema';
import { newLoad } from '@core/loads/new-load';
import type { Part } from '@core/loads/take-off';

/** Short ways to write the demo jobs. Lengths in mm, forces in N, masses in kg. */
const SURVEYED = '2026-03-14T09:30:00.000Z';
export const measured = (v: number, text = `${v} mm`): Quantity => ({ v, text, from: 'measured', at: SURVEYED, with: 'caliper' });
export const degrees = (v: number): number => (v * Math.PI) / 180;
export const mm = (v: number) => fromSheet(v, `${v} mm`);
export const kg = (v: number) => fromSheet(v, `${v} kg`);
export const kN = (v: number): Quantity => fromSheet(v * 1000, `${v} kN`);
export const angle = (v: number): Quantity => fromSheet(degrees(v), `${v}°`);
export const LB = 0.45359237;

export const ZERO = fromSheet(0, '0');
export const load = (
  kind: string,
  id: string,
  name: string,
  values: Readonly<Record<string, Quantity>>,
  more: { factors?: Record<string, number>; picks?: Record<string, string>; parts?: readonly Part[]; alone?: boolean } = {},
): Load => {
  const fresh = newLoad(kind, id, name);
  return {
    ...fresh,
    values: { ...fresh.values, ...values },
    factors: { ...fresh.factors, ...more.factors },
    picks: { ...fresh.picks, ...more.picks },
    parts: more.parts ?? [],
    alone: more.alone ?? true,
  };
};

export const at = (id: string, x: number, y: number) => ({ id, x, y });

export const four = (x: number, y: number) => [
  { id: 'B1', x, y },
  { id: 'B2', x: -x, y },
  { id: 'B3', x: -x, y: -y },
  { id: 'B4', x, y: -y },
];
export const holes = (x: number, y: number) => four(x, y).map((p, i) => ({ ...p, id: `H${i + 1}` }));
