/**
 * Units people use at the bench, as factors to the units used inside: mm, N, N·mm, kg, rad, MPa.
 * Exact by definition: inch 25.4 mm, pound 0.45359237 kg, g0 9.80665 m/s² (BIPM SI Brochure; NIST SP 811 App. B).
 */
export type Dimension = 'length' | 'force' | 'moment' | 'mass' | 'angle' | 'stress' | 'ratio';

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
      spellings: ['ft-lb', 'ft-lbs', 'ft lb', 'ft·lb', 'lb-ft', 'lb ft', 'lb·ft', 'ftlb', 'lbft', 'ft-lbf'],
      factor: POUND_FORCE * 12 * INCH,
    },
    { show: 'lb·in', spellings: ['in-lb', 'in-lbs', 'in lb', 'in·lb', 'lb-in', 'lb in', 'lb·in'], factor: POUND_FORCE * INCH },
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
  ],
};

export function unitOf(dimension: Dimension, spelling: string): UnitRow | undefined {
  const s = spelling.trim().toLowerCase().replace(/\s+/g, ' ');
  return UNITS[dimension].find((u) => u.spellings.includes(s));
}
