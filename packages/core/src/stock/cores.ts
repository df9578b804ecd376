import { assumed, type Quantity } from '../units/quantity';

/**
 * Cores of sandwich, generic values in MPa (memory): replace by the maker's. Crush and shear strength, shear modulus.
 * Foams near 80 kg/m³ (dense: 130), balsa near 150, honeycomb aramid near 48 kg/m³.
 */
export interface CoreRow {
  readonly id: string;
  readonly crush: number;
  readonly shear: number;
  readonly G: number;
}

export const CORE_ROWS: readonly CoreRow[] = [
  { id: 'PVC foam', crush: 1.3, shear: 1.0, G: 25 },
  { id: 'PVC foam, dense', crush: 2.8, shear: 2.1, G: 45 },
  { id: 'SAN foam', crush: 1.1, shear: 1.1, G: 28 },
  { id: 'PET foam', crush: 1.4, shear: 0.8, G: 20 },
  { id: 'balsa', crush: 10, shear: 2.6, G: 150 },
  { id: 'plywood', crush: 5, shear: 1.2, G: 50 },
  { id: 'honeycomb', crush: 2.0, shear: 1.0, G: 30 },
];

/** An unknown core counts as the weakest of the list until somebody looks. */
const WEAKEST: CoreRow = {
  id: 'unknown',
  crush: Math.min(...CORE_ROWS.map((c) => c.crush)),
  shear: Math.min(...CORE_ROWS.map((c) => c.shear)),
  G: Math.min(...CORE_ROWS.map((c) => c.G)),
};

export const coreRow = (id: string): CoreRow => CORE_ROWS.find((c) => c.id === id) ?? WEAKEST;

/** The core's values as a job starts with them: assumed, whatever the core is called, until the maker's stand there. */
export const coreValues = (id: string): Record<'coreCrush' | 'coreShear' | 'coreModulus', Quantity> => {
  const c = coreRow(id);
  const put = (v: number) => assumed(v, `${v} MPa`);
  return { coreCrush: put(c.crush), coreShear: put(c.shear), coreModulus: put(c.G) };
};

/** Thickened epoxy of a plug, MPa: crush and shear (common practice, generic; memory). */
export const PLUG = { crush: 60, shear: 20 } as const;
export const plugSource = 'thickened epoxy, generic (common practice)';
