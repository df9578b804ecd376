/**
 * Units people use at the bench, as factors to the units used inside: mm, N, N·mm, kg, rad, MPa; speed in m/s, area in mm².
 * Exact by definition: inch 25.4 mm, pound 0.45359237 kg, g0 9.80665 m/s² (BIPM SI Brochure; NIST SP 811 App. B).
 */
export type Dimension = 'length' | 'force' | 'moment' | 'mass' | 'angle' | 'stress' | 'ratio' | 'speed' | 'area' | 'count';

export const INCH = 25.4;
export const POUND = 0.45359237;
export const G0 = 9.80665;
export const POUND_FORCE = POUND * G0;

export interface UnitRow {
  /** How it is written back. */
  readonly show: string;
  /** Everything people write for it, lower case. */
  readonly spellings: readonly string[];
  readonly factor: number;
}

/** A pound times an arm, either way round, as it is written with a hyphen, a dot, a space or nothing between. */
const spelt = (arm: string): string[] =>
  ['lb', 'lbs', 'lbf'].flatMap((pound) =>
    ['-', '·', '.', ' ', '*', ''].flatMap((between) => [`${arm}${between}${pound}`, `${pound}${between}${arm}`]),
  );

export const UNITS: Readonly<Record<Dimension, readonly UnitRow[]>> = {
  length: [
    { show: 'mm', spellings: ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'], factor: 1 },
    { show: 'cm', spellings: ['cm'], factor: 10 },
    { show: 'm', spellings: ['m', 'metre', 'metres', 'meter', 'meters'], factor: 1000 },
    { show: 'in', spellings: ['in', 'in.', 'inch', 'inches', '"', '″', '”', "''"], factor: INCH },
    { show: 'ft', spellings: ['ft', 'ft.', 'foot', 'feet', "'", '′', '’'], factor: 12 * INCH },
  ],
  force: [
    { show: 'N', spellings: ['n'], factor: 1 },
    { show: 'kN', spellings: ['kn'], factor: 1000 },
    { show: 'kgf', spellings: ['kgf', 'kg', 'kp'], factor: G0 },
    { show: 'tf', spellings: ['t', 'tf', 'tonne', 'tonnes'], factor: 1000 * G0 },
    { show: 'lb', spellings: ['lb', 'lbs', 'lbf', 'pound', 'pounds'], factor: POUND_FORCE },
    { show: 'kip', spellings: ['kip', 'kips'], factor: 1000 * POUND_FORCE },
  ],
  moment: [
    { show: 'N·m', spellings: ['nm', 'n·m', 'n.m', 'n-m', 'n m'], factor: 1000 },
    { show: 'kN·m', spellings: ['knm', 'kn·m', 'kn.m', 'kn-m', 'kn m'], factor: 1e6 },
    { show: 'N·mm', spellings: ['nmm', 'n·mm', 'n.mm'], factor: 1 },
    {
      show: 'lb·ft',
      spellings: spelt('ft'),
      factor: POUND_FORCE * 12 * INCH,
    },
    { show: 'lb·in', spellings: spelt('in'), factor: POUND_FORCE * INCH },
  ],
  mass: [
    { show: 'kg', spellings: ['kg', 'kilo', 'kilos'], factor: 1 },
    { show: 'g', spellings: ['g'], factor: 0.001 },
    { show: 't', spellings: ['t', 'tonne', 'tonnes'], factor: 1000 },
    { show: 'lb', spellings: ['lb', 'lbs', 'pound', 'pounds'], factor: POUND },
  ],
  angle: [
    { show: '°', spellings: ['°', 'deg', 'degree', 'degrees'], factor: Math.PI / 180 },
    { show: 'rad', spellings: ['rad'], factor: 1 },
  ],
  stress: [
    { show: 'MPa', spellings: ['mpa', 'n/mm2', 'n/mm²'], factor: 1 },
    { show: 'GPa', spellings: ['gpa'], factor: 1000 },
    { show: 'psi', spellings: ['psi'], factor: POUND_FORCE / (INCH * INCH) },
    { show: 'ksi', spellings: ['ksi'], factor: (1000 * POUND_FORCE) / (INCH * INCH) },
  ],
  ratio: [
    { show: '', spellings: [''], factor: 1 },
    { show: '%', spellings: ['%'], factor: 0.01 },
    { show: 'g', spellings: ['g'], factor: 1 },
  ],
  speed: [
    { show: 'm/s', spellings: ['m/s', 'mps'], factor: 1 },
    { show: 'km/h', spellings: ['km/h', 'kmh', 'kph'], factor: 1 / 3.6 },
    { show: 'mph', spellings: ['mph'], factor: (63_360 * INCH) / 3_600_000 },
    { show: 'kn', spellings: ['kn', 'kt', 'kts', 'knot', 'knots'], factor: 1852 / 3600 },
  ],
  area: [
    { show: 'm²', spellings: ['m²', 'm2', 'sq m'], factor: 1e6 },
    { show: 'cm²', spellings: ['cm²', 'cm2'], factor: 100 },
    { show: 'mm²', spellings: ['mm²', 'mm2'], factor: 1 },
    { show: 'ft²', spellings: ['ft²', 'ft2', 'sq ft', 'sqft'], factor: 144 * INCH * INCH },
    { show: 'in²', spellings: ['in²', 'in2', 'sq in', 'sqin'], factor: INCH * INCH },
  ],
  count: [{ show: '', spellings: [''], factor: 1 }],
};

export function unitOf(dimension: Dimension, spelling: string): UnitRow | undefined {
  const s = spelling.trim().toLowerCase().replace(/\s+/g, ' ');
  return UNITS[dimension].find((u) => u.spellings.includes(s));
}
