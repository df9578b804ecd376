import { INCH } from '../units/unit-table';

/**
 * Hexagon bolts with nut and washers. Lengths in mm.
 * Metric coarse and fine (M8×1 to M24×2): pitch ISO 261, head s, k ISO 4014, nut m ISO 4032, washers ISO 7089 (normal) and ISO 7093 (large),
 * clearance holes ISO 273 fine / medium / coarse.
 * Unified coarse and fine (UNC, UNF): ASME B1.1, head and nut ASME B18.2.1/B18.2.2, washers ASME B18.21.1 type A (normal: narrow, large: wide),
 * clearance holes ASME B18.2.8 close / normal / loose. Head, nut and washer rows from memory.
 */
export type ThreadFamily = 'metric' | 'inch';
export type HoleFit = 'fine' | 'medium' | 'coarse';

export interface WasherSize {
  readonly outside: number;
  readonly thickness: number;
}

export interface FastenerSize {
  readonly id: string;
  readonly family: ThreadFamily;
  /** On any shop's shelf: coarse thread, ISO 261 first choice. The others are picked on purpose, never offered as the next size. */
  readonly common: boolean;
  /** Nominal diameter d. */
  readonly d: number;
  /** Thread pitch P. */
  readonly pitch: number;
  /** Width across flats s. */
  readonly acrossFlats: number;
  readonly headHeight: number;
  readonly nutHeight: number;
  readonly washer: WasherSize;
  readonly largeWasher: WasherSize;
  readonly hole: Readonly<Record<HoleFit, number>>;
}

type MetricRow = [
  d: number,
  P: number,
  s: number,
  k: number,
  m: number,
  w: number,
  wt: number,
  l: number,
  lt: number,
  fine: number,
  medium: number,
  coarse: number,
];

const METRIC: readonly MetricRow[] = [
  [5, 0.8, 8, 3.5, 4.7, 10, 1, 15, 1.2, 5.3, 5.5, 5.8],
  [6, 1, 10, 4, 5.2, 12, 1.6, 18, 1.6, 6.4, 6.6, 7],
  [8, 1.25, 13, 5.3, 6.8, 16, 1.6, 24, 2, 8.4, 9, 10],
  [10, 1.5, 16, 6.4, 8.4, 20, 2, 30, 2.5, 10.5, 11, 12],
  [12, 1.75, 18, 7.5, 10.8, 24, 2.5, 37, 3, 13, 13.5, 14.5],
  [14, 2, 21, 8.8, 12.8, 28, 2.5, 44, 3, 15, 15.5, 16.5],
  [16, 2, 24, 10, 14.8, 30, 3, 50, 3, 17, 17.5, 18.5],
  [20, 2.5, 30, 12.5, 18, 37, 3, 60, 4, 21, 22, 24],
  [22, 2.5, 34, 14, 19.4, 39, 3, 66, 5, 23, 24, 26],
  [24, 3, 36, 15, 21.5, 44, 4, 72, 5, 25, 26, 28],
];

type InchRow = [
  id: string,
  d: number,
  tpi: number,
  s: number,
  k: number,
  m: number,
  w: number,
  wt: number,
  l: number,
  lt: number,
  close: number,
  normal: number,
  loose: number,
];

const UNIFIED: readonly InchRow[] = [
  ['1/4-20', 0.25, 20, 0.4375, 0.163, 0.226, 0.625, 0.065, 0.734, 0.065, 0.266, 0.281, 0.297],
  ['5/16-18', 0.3125, 18, 0.5, 0.211, 0.273, 0.688, 0.065, 0.875, 0.083, 0.328, 0.344, 0.359],
  ['3/8-16', 0.375, 16, 0.5625, 0.243, 0.337, 0.812, 0.065, 1, 0.083, 0.391, 0.406, 0.422],
  ['1/2-13', 0.5, 13, 0.75, 0.323, 0.448, 1.062, 0.095, 1.375, 0.109, 0.531, 0.562, 0.609],
  ['5/8-11', 0.625, 11, 0.9375, 0.403, 0.559, 1.312, 0.095, 1.75, 0.134, 0.656, 0.688, 0.734],
  ['7/16-14', 0.4375, 14, 0.625, 0.283, 0.385, 0.922, 0.065, 1.25, 0.083, 0.453, 0.469, 0.484],
  ['9/16-12', 0.5625, 12, 0.8125, 0.365, 0.504, 1.156, 0.095, 1.469, 0.109, 0.594, 0.625, 0.672],
  ['3/4-10', 0.75, 10, 1.125, 0.483, 0.665, 1.469, 0.134, 2, 0.148, 0.781, 0.812, 0.906],
  ['7/8-9', 0.875, 9, 1.3125, 0.563, 0.776, 1.75, 0.134, 2.25, 0.165, 0.906, 0.938, 1.031],
  ['1-8', 1, 8, 1.5, 0.627, 0.887, 2, 0.134, 2.5, 0.165, 1.031, 1.094, 1.156],
];

/** Fine threads of the sizes above: ISO 261 first choice, and UNF. */
const FINE_PITCH: Readonly<Record<number, number>> = { 8: 1, 10: 1.25, 12: 1.25, 14: 1.5, 16: 1.5, 20: 1.5, 22: 1.5, 24: 2 };
const FINE_TPI: Readonly<Record<string, readonly [id: string, tpi: number]>> = {
  '1/4-20': ['1/4-28', 28],
  '5/16-18': ['5/16-24', 24],
  '3/8-16': ['3/8-24', 24],
  '7/16-14': ['7/16-20', 20],
  '1/2-13': ['1/2-20', 20],
  '9/16-12': ['9/16-18', 18],
  '5/8-11': ['5/8-18', 18],
  '3/4-10': ['3/4-16', 16],
  '7/8-9': ['7/8-14', 14],
  '1-8': ['1-12', 12],
};

/** Second choice of their standards. */
const SELDOM = new Set(['M14', 'M22', '7/16-14', '9/16-12', '7/8-9', '1-8']);

const COARSE: readonly FastenerSize[] = [
  ...METRIC.map(([d, pitch, s, k, m, w, wt, l, lt, fine, medium, coarse]): FastenerSize => ({
    id: `M${d}`,
    family: 'metric',
    common: !SELDOM.has(`M${d}`),
    d,
    pitch,
    acrossFlats: s,
    headHeight: k,
    nutHeight: m,
    washer: { outside: w, thickness: wt },
    largeWasher: { outside: l, thickness: lt },
    hole: { fine, medium, coarse },
  })),
  ...UNIFIED.map(([id, d, tpi, s, k, m, w, wt, l, lt, close, normal, loose]): FastenerSize => ({
    id,
    family: 'inch',
    common: !SELDOM.has(id),
    d: d * INCH,
    pitch: INCH / tpi,
    acrossFlats: s * INCH,
    headHeight: k * INCH,
    nutHeight: m * INCH,
    washer: { outside: w * INCH, thickness: wt * INCH },
    largeWasher: { outside: l * INCH, thickness: lt * INCH },
    hole: { fine: close * INCH, medium: normal * INCH, coarse: loose * INCH },
  })),
].sort((a, b) => (a.family === b.family ? a.d - b.d : a.family === 'metric' ? -1 : 1));

/** The fine thread of a size, its head, nut, washer and hole being the same. */
function fineOf(s: FastenerSize): FastenerSize[] {
  if (s.family === 'metric') {
    const pitch = FINE_PITCH[s.d];
    return pitch ? [{ ...s, id: `${s.id}×${pitch}`, pitch, common: false }] : [];
  }
  const row = FINE_TPI[s.id];
  return row ? [{ ...s, id: row[0], pitch: INCH / row[1], common: false }] : [];
}

/** The sizes any shop has of a family, in rising size. */
export const commonSizes = (family: ThreadFamily): readonly FastenerSize[] =>
  FASTENER_SIZES.filter((s) => s.common && s.family === family);

/** Coarse threads of a family in rising size, then its fine ones. */
export const FASTENER_SIZES: readonly FastenerSize[] = (['metric', 'inch'] as const).flatMap((family) => {
  const coarse = COARSE.filter((s) => s.family === family);
  return [...coarse, ...coarse.flatMap(fineOf)];
});

export function fastenerSize(id: string): FastenerSize | undefined {
  return FASTENER_SIZES.find((f) => f.id === id);
}

/**
 * Tensile stress area A_s in mm²: metric π/4·(d − 0.9382·P)² (ISO 898-1 §9.1.6.1), Unified π/4·(d − 0.9743·P)² (ASME B1.1 App. B).
 */
export function stressArea(size: Pick<FastenerSize, 'family' | 'd' | 'pitch'>): number {
  const c = size.family === 'metric' ? 0.9382 : 0.9743;
  return (Math.PI / 4) * (size.d - c * size.pitch) ** 2;
}
