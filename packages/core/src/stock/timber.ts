/**
 * Timber strength classes, characteristic values in MPa and kg/m³: EN 338:2016 Tab. 1 (C16–C30) and Tab. 3 (D30–D50), from memory.
 * f_m bending, f_t0 tension along the grain, f_c0 and f_c90 compression, f_v shear, E_05 modulus (5 %), rho_k density, rho_mean mean density.
 */
export interface TimberRow {
  readonly id: string;
  readonly fm: number;
  readonly ft0: number;
  readonly fc0: number;
  readonly fc90: number;
  readonly fv: number;
  readonly E05: number;
  readonly rhoK: number;
  readonly rhoMean: number;
  readonly hardwood: boolean;
}

type Row = readonly [
  id: string,
  fm: number,
  ft0: number,
  fc0: number,
  fc90: number,
  fv: number,
  E05: number,
  rhoK: number,
  rhoMean: number,
];

const ROWS: readonly Row[] = [
  ['C16', 16, 8.5, 17, 2.2, 3.2, 5400, 310, 370],
  ['C24', 24, 14.5, 21, 2.5, 4, 7400, 350, 420],
  ['C30', 30, 19, 24, 2.7, 4, 8000, 380, 460],
  ['D30', 30, 18, 24, 5.3, 3.9, 9200, 530, 640],
  ['D40', 40, 24, 27, 5.5, 4.2, 10_900, 550, 660],
  ['D50', 50, 30, 30, 6.2, 4.5, 11_800, 620, 740],
];

export const TIMBERS: readonly TimberRow[] = ROWS.map(([id, fm, ft0, fc0, fc90, fv, E05, rhoK, rhoMean]) => ({
  id,
  fm,
  ft0,
  fc0,
  fc90,
  fv,
  E05,
  rhoK,
  rhoMean,
  hardwood: id.startsWith('D'),
}));

export const TIMBER_CLASSES = ROWS.map(([id]) => id);
export const timberRow = (id: string): TimberRow | undefined => TIMBERS.find((t) => t.id === id);

/** γ_M of solid timber (EN 1995-1-1 Tab. 2.3). */
export const TIMBER_GAMMA = 1.3;

/**
 * Specific gravity G that NDS counts by, oven-dry mass and volume, from the density at 12 % moisture, kg/m³:
 * ρ = 1000·G/(1 + 0.009·12·G)·1.12 (NDS Supplement §3.1.3) turned round.
 */
export const ovenDryG = (rho12: number): number => rho12 / (1120 - 0.108 * rho12);
