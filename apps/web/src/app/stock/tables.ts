import { CORE_ROWS } from '@core/stock/cores';
import { FASTENER_CLASSES } from '@core/stock/fastener-classes';
import { FASTENER_SIZES, stressArea } from '@core/stock/fasteners';
import { BOLT_PROOF } from '@core/stock/bolt-proof';
import { METALS } from '@core/stock/metals';
import { leastBend } from '@core/stock/bends';
import { NUT_CLASSES } from '@core/stock/nuts';
import { NUT_KINDS, WASHER_KINDS } from '@core/stock/nut-kinds';
import { INCH_PLATE, MM_PLATE } from '@core/stock/plate-thicknesses';
import { ANGLES, BEAMS, CHANNELS, FLAT_BARS, HOLLOW_SECTIONS, ROUND_TUBES, sectionWords } from '@core/stock/sections';
import { PLYWOODS } from '@core/stock/skins';
import { TIMBERS } from '@core/stock/timber';
import { GAUGE_INCH, type GaugeTable } from '@core/units/gauges';

/** A built-in table as it is shown: heads, rows of words, and where it comes from. */
export interface StockTable {
  readonly id: string;
  readonly name: string;
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly source: string;
}

const n = (v: number, digits = 0) => v.toFixed(digits);
const gaugeNumbers = [...new Set(Object.values(GAUGE_INCH).flatMap((t) => Object.keys(t).map(Number)))].sort((a, b) => a - b);
const gauge = (t: GaugeTable, g: number) => {
  const inch = GAUGE_INCH[t][g];
  return inch === undefined ? '–' : `${inch.toFixed(4)} in, ${n(inch * 25.4, 2)} mm`;
};

export const STOCK_TABLES: readonly StockTable[] = [
  {
    id: 'metals',
    name: 'Metals',
    heads: ['Metal', 'Yield MPa', 'Break MPa', 'Modulus GPa', 'kg/m³', 'Least bend × t', 'Source'],
    rows: METALS.map((m) => [
      m.name,
      n(m.fy),
      n(m.fu),
      n(m.E / 1000),
      n(m.density),
      m.group === 'laminate' ? '–' : n(leastBend(m), 1),
      m.source,
    ]),
    source: 'Each row names its own. Bend radii: common practice.',
  },
  {
    id: 'bolts',
    name: 'Bolt sizes',
    heads: [
      'Size',
      'Stress area mm²',
      'Pitch mm',
      'Flats mm',
      'Head mm',
      'Nut mm',
      'Washer mm',
      'Large washer mm',
      'Hole fine / medium / coarse mm',
    ],
    rows: FASTENER_SIZES.map((s) => [
      s.id,
      n(stressArea(s), 1),
      n(s.pitch, 2),
      n(s.acrossFlats, 1),
      n(s.headHeight, 1),
      n(s.nutHeight, 1),
      `${n(s.washer.outside, 1)} × ${n(s.washer.thickness, 1)}`,
      `${n(s.largeWasher.outside, 1)} × ${n(s.largeWasher.thickness, 1)}`,
      `${n(s.hole.fine, 1)} / ${n(s.hole.medium, 1)} / ${n(s.hole.coarse, 1)}`,
    ]),
    source:
      'ISO 261, 273, 4014, 4032, 7089, 7093; ASME B1.1, B18.2.1, B18.2.2, B18.2.8, B18.21.1. Head, nut and washer rows from memory.',
  },
  {
    id: 'classes',
    name: 'Bolt classes',
    heads: ['Class', 'Break MPa', 'Yield MPa', 'Proof MPa', 'Shear factor', 'Source'],
    rows: FASTENER_CLASSES.map((c) => [c.id, n(c.fub), n(c.fyb), n(BOLT_PROOF[c.id]!.proof[0]), n(c.alphaV, 1), c.source]),
    source: 'ISO 898-1, ISO 3506-1, SAE J429, ASTM F3125 and F593. Proof up to 16 mm.',
  },
  {
    id: 'nuts',
    name: 'Nuts and washers',
    heads: ['Kind', 'Strongest bolt, or hottest', 'Proof MPa, or used again', 'Source, or what it is for'],
    rows: [
      ...NUT_CLASSES.map((x) => [`Nut class ${x.id}`, `${x.fub} MPa`, x.proof.join(' / '), x.source]),
      ...NUT_KINDS.map((k) => [`Nut, ${k.name}`, `${k.upTo} °C`, k.again, `${k.says} Common practice.`]),
      ...WASHER_KINDS.map((k) => [`Washer, ${k.name}`, `${k.upTo} °C`, k.again, `${k.says} Common practice.`]),
    ],
    source: 'ISO 898-2, ISO 3506-2, SAE J995, ASTM A563; kinds: common practice.',
  },
  {
    id: 'plate',
    name: 'Plate and gauges',
    heads: ['Plate, or gauge', 'Steel', 'Galvanised', 'Aluminium'],
    rows: [
      ...MM_PLATE.map((p) => [p.text, 'plate', 'plate', 'plate']),
      ...INCH_PLATE.map((p) => [p.text, `${n(p.thickness, 2)} mm`, `${n(p.thickness, 2)} mm`, `${n(p.thickness, 2)} mm`]),
      ...gaugeNumbers.map((g) => [`${g} ga`, gauge('steel', g), gauge('galvanised', g), gauge('aluminium', g)]),
    ],
    source:
      'Manufacturers’ Standard Gauge, galvanised sheet gauge, Brown & Sharpe: the same number is a different thickness in each metal.',
  },
  {
    id: 'sections',
    name: 'Bars and sections',
    heads: ['Section', 'Sizes mm'],
    rows: [
      ['Hollow, width × depth × wall', HOLLOW_SECTIONS.map(sectionWords).join(', ')],
      ['Round tube and pipe, outside × wall', ROUND_TUBES.map(([d, t]) => sectionWords([d, t])).join(', ')],
      [
        'Beam and channel, depth × width × web × flange',
        [...BEAMS, ...CHANNELS].map(([c, ...x]) => `${c}: ${sectionWords(x)}`).join('; '),
      ],
      ['Equal angle, leg × thickness', ANGLES.map(sectionWords).join(', ')],
      ...FLAT_BARS.map(([w, ts]) => [`Flat bar ${w}`, ts.map((t) => `× ${t}`).join(', ')]),
    ],
    source: 'EN 10219, EN 10056, EN 10365, ASME B36.10, flat bar: common practice (memory).',
  },
  {
    id: 'timber',
    name: 'Timber and plywood',
    heads: ['Class', 'Bending MPa', 'Tension along MPa', 'Crush across MPa', 'Shear MPa', 'Modulus MPa', 'Density kg/m³'],
    rows: [
      ...TIMBERS.map((t) => [t.id, n(t.fm), n(t.ft0, 1), n(t.fc90, 1), n(t.fv, 1), n(t.E05), n(t.rhoK)]),
      ...PLYWOODS.map((p) => [p.name, n(p.bending, 1), '–', n(p.fc90, 1), n(p.panelShear, 1), n(p.E), n(p.density)]),
    ],
    source: 'EN 338 (memory); plywood generic (memory), replace by the maker’s.',
  },
  {
    id: 'cores',
    name: 'Cores',
    heads: ['Core', 'Crush MPa', 'Shear MPa', 'Shear modulus MPa'],
    rows: CORE_ROWS.map((c) => [c.id, n(c.crush, 1), n(c.shear, 1), n(c.G)]),
    source: 'Generic (memory): replace by the maker’s in Measure.',
  },
];
