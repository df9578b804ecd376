import { INCH } from './unit-table';

/**
 * Sheet gauges in decimal inches. The same number is a different thickness in each metal,
 * so a gauge is only read where the metal is known.
 * British wire gauge (SWG) is said as such and is one thickness in any metal. Copper and its alloys go by Brown & Sharpe, as aluminium.
 * Sources: Manufacturers' Standard Gauge for uncoated sheet (41.82 lb/ft² per inch); galvanised sheet gauge
 * (uncoated + zinc, 0.0037 in); Brown & Sharpe for aluminium, d = 0.005·92^((36−n)/39) in. Machinery's Handbook,
 * "Sheet metal gauges"; steel and galvanised rows from memory; Imperial Standard Wire Gauge, BS 3737 (from memory).
 */
export type GaugeTable = 'steel' | 'galvanised' | 'aluminium' | 'British wire gauge';

export const GAUGE_INCH: Readonly<Record<GaugeTable, Readonly<Record<number, number>>>> = {
  steel: {
    7: 0.1793,
    8: 0.1644,
    9: 0.1495,
    10: 0.1345,
    11: 0.1196,
    12: 0.1046,
    13: 0.0897,
    14: 0.0747,
    15: 0.0673,
    16: 0.0598,
    17: 0.0538,
    18: 0.0478,
    19: 0.0418,
    20: 0.0359,
    21: 0.0329,
    22: 0.0299,
    24: 0.0239,
    26: 0.0179,
  },
  galvanised: {
    8: 0.1681,
    9: 0.1532,
    10: 0.1382,
    11: 0.1233,
    12: 0.1084,
    13: 0.0934,
    14: 0.0785,
    15: 0.071,
    16: 0.0635,
    17: 0.0575,
    18: 0.0516,
    19: 0.0456,
    20: 0.0396,
    22: 0.0336,
    24: 0.0276,
    26: 0.0217,
  },
  aluminium: {
    6: 0.162,
    7: 0.1443,
    8: 0.1285,
    9: 0.1144,
    10: 0.1019,
    11: 0.0907,
    12: 0.0808,
    13: 0.072,
    14: 0.0641,
    15: 0.0571,
    16: 0.0508,
    17: 0.0453,
    18: 0.0403,
    19: 0.0359,
    20: 0.032,
    22: 0.0253,
    24: 0.0201,
    26: 0.0159,
  },
  'British wire gauge': {
    7: 0.176,
    8: 0.16,
    9: 0.144,
    10: 0.128,
    11: 0.116,
    12: 0.104,
    13: 0.092,
    14: 0.08,
    15: 0.072,
    16: 0.064,
    17: 0.056,
    18: 0.048,
    19: 0.04,
    20: 0.036,
    22: 0.028,
    24: 0.022,
    26: 0.018,
  },
};

/** Thickness in mm, or undefined where the table has no such gauge. */
export function gaugeThickness(table: GaugeTable, gauge: number): number | undefined {
  const inch = GAUGE_INCH[table][gauge];
  return inch === undefined ? undefined : inch * INCH;
}

export function gaugeRange(table: GaugeTable): string {
  const n = Object.keys(GAUGE_INCH[table]).map(Number);
  return `${Math.min(...n)} to ${Math.max(...n)} ga in ${table}`;
}
