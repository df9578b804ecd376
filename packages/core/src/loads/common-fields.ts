import { lengthRange, massRange, ratioRange } from '../units/field-range';
import type { Factor, Field } from './builder';

const degrees = Math.PI / 180;
export const rad = (deg: number): number => deg * degrees;
export const deg = (radians: number): number => radians / degrees;

export const field = (range: Field['range'], v: number, text: string, hint?: string): Field => ({
  range,
  assume: [v, text],
  ...(hint ? { hint } : {}),
});

export const height = (label: string, mm: number, usual?: readonly [number, number]): Field =>
  field(lengthRange(label, 10_000, '0', usual), mm, `${mm} mm`);

export const reach = (label: string, mm: number, usual?: readonly [number, number]): Field =>
  field(lengthRange(label, 20_000, '0', usual), mm, `${mm} mm`);

export const mass = (label: string, kg: number): Field => field(massRange(label), kg, `${kg} kg`);

/** Part of the whole that this plate takes, where the fitting stands on more than one. */
export const share: Field = field(ratioRange('Share taken by this plate', 0, 1, true), 1, '100 %');

export const factor = (
  symbol: string,
  label: string,
  usual: number,
  source = 'common practice',
  limits: readonly [number, number] = [0, 100],
): Factor => ({ symbol, label, usual, low: limits[0], high: limits[1], source });
