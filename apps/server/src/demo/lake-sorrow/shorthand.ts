import { fromSheet } from '@core/job/values';
import type { FreePart } from '@core/job/free-part';
import type { Job, Load, Quantity } from '@core/job/schema';
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

/** A base as measured, without holes of its own. */
export const bareBase = (length: number, width: number, thickness: number): Job['base'] => ({
  length: measured(length),
  width: measured(width),
  thickness: measured(thickness),
  hole: measured(11),
  slot: ZERO,
  slotAlong: 'x',
  holes: [],
  holesFrom: 'measured',
});

/** A metal sheet between bearers, the foot in the middle of its bay. */
export const sheetFloor = (metal: string, t: number, spanX: number, spanY: number): Job['skin'] => ({
  kind: 'sheet',
  metal,
  thickness: measured(t),
  spanX: measured(spanX),
  spanY: measured(spanY),
  aft: measured(spanX / 2),
  starboard: measured(spanY / 2),
  bedModulus: { v: 30_000, text: '30000 MPa', from: 'assumed' },
});

export const partHole = (
  id: string,
  x: number,
  y: number,
  d: number,
  purpose: FreePart['holes'][number]['purpose'] = 'fastener',
  leg?: number,
): FreePart['holes'][number] => ({ id, x, y, d: mm(d), purpose, ...(leg === undefined ? {} : { leg }) });

/** The pin of a link or a tab, of which one takes so much of the load. */
export const pinOf = (hole: string, carries: number, pin: number): NonNullable<FreePart['eye']> => ({
  rules: 'EN',
  hole,
  carries: fromSheet(carries, String(carries)),
  pin: mm(pin),
  pinClass: '8.8',
  shear: 'double',
  fork: mm(8),
  gap: mm(1),
  Nd: 3,
});
