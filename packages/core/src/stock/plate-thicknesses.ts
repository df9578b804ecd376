import { INCH } from '../units/unit-table';

/** Plate thicknesses a stockholder keeps (common practice): millimetre plate and inch-fraction plate, in mm with the name said aloud. */
export interface PlateThickness {
  readonly thickness: number;
  readonly text: string;
}

export const MM_PLATE: readonly PlateThickness[] = [2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30].map((t) => ({
  thickness: t,
  text: `${t} mm`,
}));

export const INCH_PLATE: readonly PlateThickness[] = [
  ['1/8', 0.125],
  ['3/16', 0.1875],
  ['1/4', 0.25],
  ['5/16', 0.3125],
  ['3/8', 0.375],
  ['1/2', 0.5],
  ['5/8', 0.625],
  ['3/4', 0.75],
  ['1', 1],
].map(([name, inch]) => ({ thickness: (inch as number) * INCH, text: `${name} in` }));

/** The stock next thinner (−1) or thicker (+1) than `from`; undefined at the end of the list. */
export function nextThickness(from: number, direction: 1 | -1, stock: readonly PlateThickness[]): PlateThickness | undefined {
  return direction > 0
    ? stock.find((p) => p.thickness > from + 1e-6)
    : [...stock].reverse().find((p) => p.thickness < from - 1e-6);
}
