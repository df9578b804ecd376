import { leastLeg } from '../checks/weld/weld-size';
import { sharesAlongRow } from '../sharing/row';
import { bendAllowance, blankOf } from '../shop/bend-allowance';
import { proofOf, yieldOf } from '../stock/bolt-proof';
import { edgeAISC } from '../stock/edge-distances';
import { classIn, fastenerClass } from '../stock/fastener-classes';
import { fastenerSize } from '../stock/fasteners';
import { bearingOf, slipFactor, type HoleKind } from '../stock/hole-kinds';
import { C_D, C_M, DURATIONS, K_MOD } from '../stock/load-duration';
import { tapDrill } from '../stock/tap-drills';
import { gaugeThickness } from '../units/gauges';
import { parseQuantity } from '../units/parse-quantity';
import { isRefusal } from '../units/refusal';
import type { Dimension } from '../units/unit-table';
import type { ReferenceValue } from './jobs';

const KSI = 6.894757;
/** A row of a table: what, the figure in it, and what the program has. */
type Row = readonly [what: string, expected: number, got: () => number];
const table = (of: string, source: string, within: number, rows: readonly Row[]): ReferenceValue[] =>
  rows.map(([what, expected, got]) => ({ of, what, source, expected, within, got }));

const drill = (id: string) => tapDrill(fastenerSize(id)!).d;
const drills = table('tap drill', 'drill tables: ISO 2306, ASME B94.11M', 1e-6, [
  ['M8, mm', 6.8, () => drill('M8')],
  ['M10, mm', 8.5, () => drill('M10')],
  ['1/4-20, #7, in', 0.201, () => drill('1/4-20') / 25.4],
  ['1/2-13, 27/64, in', 0.421875, () => drill('1/2-13') / 25.4],
]);

const slip = table(
  'slip',
  'EN 1993-1-8 Tab. 3.6, k_s',
  1e-9,
  (
    [
      ['normal', false, 1],
      ['oversize', false, 0.85],
      ['short slot', false, 0.85],
      ['short slot', true, 0.76],
      ['long slot', false, 0.7],
      ['long slot', true, 0.63],
    ] as const
  ).map(([kind, along, k]): Row => [`${kind}${along ? ', force along it' : ''}`, k, () => slipFactor(kind as HoleKind, along)]),
);

const holes = table('base-hole', 'EN 1993-1-8 Tab. 3.4, note 1', 1e-9, [
  ['oversize hole: bearing × 0.8', 0.8, () => bearingOf('oversize')],
  ['slot across the force: bearing × 0.6', 0.6, () => bearingOf('long slot')],
]);

const lasts = [
  ...([2, 3] as const).flatMap((c) =>
    table(
      'timber-joint',
      'EN 1995-1-1 Tab. 3.1, k_mod',
      1e-9,
      DURATIONS.map((d, i): Row => {
        const k = { 2: [0.6, 0.7, 0.8, 0.9, 1.1], 3: [0.5, 0.55, 0.65, 0.7, 0.9] }[c][i]!;
        return [`service class ${c === 2 ? '1 and 2' : '3'}, ${d}`, k, () => K_MOD[c][d]];
      }),
    ),
  ),
  ...table('lag-withdrawal', 'NDS Tab. 2.3.2 and 11.3.3', 1e-9, [
    ['C_D, permanent', 0.9, () => C_D.permanent],
    ['C_D, ten years', 1, () => C_D.long],
    ['C_M, wet in service', 0.7, () => C_M[3]],
  ]),
];

const bends = [
  ...table('fold', 'bend allowance θ·(r + K·t), table of a press shop', 0.001, [
    ['t 3, r 3, K 0.42, square, mm', 6.69, () => bendAllowance(3, 3, 0.42)],
    // The flat of 362 from the far end to the bend, and what the leg of 50 adds to it.
    ['L 50 × 362 outside, t 3.175, r 5: flat, mm', 405.6, () => 362 - 5 - 3.175 + blankOf({ t: 3.175, r: 5, leg: 50 }).added],
  ]),
];

const legs = table(
  'weld-size',
  'AISC 360-16 Tab. J2.4, least leg by the thinner part',
  1e-6,
  (
    [
      ['1/4 in', 0.25, 1 / 8],
      ['1/2 in', 0.5, 3 / 16],
      ['3/4 in', 0.75, 1 / 4],
      ['over 3/4 in', 1, 5 / 16],
    ] as const
  ).map(([t, inches, leg]): Row => [`${t}: in`, leg, () => leastLeg(inches * 25.4) / 25.4]),
);

const inch = (d: number) => d * 25.4;
const strong = (id: string, d: number) => classIn(fastenerClass(id)!, inch(d));
const inchBolts = [
  ...table('bolt-tension', 'SAE J429 Tab. 1, Gr 2 over 3/4 in, ksi', 0.01, [
    ['break', 60, () => strong('Gr 2', 0.875).fub / KSI],
    ['yield', 36, () => yieldOf('Gr 2', inch(0.875)) / KSI],
    ['proof', 33, () => proofOf('Gr 2', inch(0.875)) / KSI],
  ]),
  ...table('bolt-tension', 'ASTM F593 at 3/4 in and over, ksi', 0.01, [
    ['break', 85, () => strong('F593', 0.75).fub / KSI],
    ['yield', 45, () => yieldOf('F593', inch(0.75)) / KSI],
  ]),
  ...table('edge-and-pitch', 'AISC 360-16 Tab. J3.4', 1e-6, [['1 in bolt: 1 1/4 in', 1.25, () => edgeAISC(25.4, 'inch') / 25.4]]),
];

const gauges = table('units', 'BS 3737, Imperial Standard Wire Gauge', 0.0005, [
  ['10 swg, mm', 3.251, () => gaugeThickness('British wire gauge', 10) ?? NaN],
]);

const read = (text: string, dimension: Dimension): number => {
  const q = parseQuantity(text, { field: '', dimension, bareUnit: '', allowed: '' });
  return isRefusal(q) ? NaN : q.value;
};
const units = table('units', 'NIST SP 811 App. B', 1e-6, [
  ['1 lbf, N', 4.448222, () => read('1 lbf', 'force')],
  ['1 lbf·ft, N·mm', 1355.818, () => read('1 lb·ft', 'moment')],
  ['1 lb, kg', 0.4535924, () => read('1 lb', 'mass')],
  ['1 ksi, MPa', 6.894757, () => read('1 ksi', 'stress')],
  ['1 ft, mm', 304.8, () => read('1 ft', 'length')],
  ['1 mi/h, m/s', 0.44704, () => read('1 mph', 'speed')],
]);

/** Huth 1986, b 3.0: eight bolts of 10 in steel 6 on 6, 40 wide and apart; shares in per cent. */
const STEEL = 210_000;
const HUTH = [21.9, 13.1, 8.5, 6.5, 6.5, 8.5, 13.1, 21.9];
function shareOf(i: number): number {
  const EA = 6 * 40 * STEEL;
  const C = (12 / 20) ** (2 / 3) * 3 * (2 / (6 * STEEL) + 2 / (2 * 6 * STEEL));
  const row = {
    pitches: Array<number>(7).fill(40),
    EA1: Array<number>(7).fill(EA),
    EA2: Array<number>(7).fill(EA),
    C: Array<number>(8).fill(C),
  };
  return 100 * sharesAlongRow(row)[i]!;
}
const row = table(
  'row-share',
  'Huth 1986, row of eight',
  0.008,
  HUTH.map((share, i): Row => [`bolt ${i + 1} of 8, %`, share, () => shareOf(i)]),
);

/** Rows of tables as they stand in their source. */
export const publishedTables: readonly ReferenceValue[] = [
  ...drills,
  ...slip,
  ...holes,
  ...lasts,
  ...bends,
  ...legs,
  ...inchBolts,
  ...gauges,
  ...units,
  ...row,
];
