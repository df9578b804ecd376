import type { GaugeTable } from '../units/gauges';

/**
 * Plate and sheet metals, and laminates used as plate: f_y, f_u, E in MPa, density in kg/m³, ν 0.3. Thickness rows of the
 * standards are taken at the plate thicknesses of this trade (up to 16 mm for steels over S355).
 * A laminate has no yield: its f_y is its bending strength, its f_u its tensile strength.
 * `gauges` says which gauge table belongs to the metal.
 */
export interface Metal {
  readonly id: string;
  readonly name: string;
  readonly group: 'steel' | 'stainless' | 'aluminium' | 'titanium' | 'bronze' | 'laminate';
  readonly fy: number;
  readonly fu: number;
  readonly E: number;
  readonly density: number;
  readonly gauges: GaugeTable;
  readonly source: string;
  /** What welding leaves of it beside the weld, and the strength of weld metal on it; of alloys that soften. MPa. */
  readonly welded?: WeldedStrength;
}

/** EN 1999-1-1 Tab. 3.2b, f_o,haz and f_u,haz up to 5 mm, and Tab. 8.8, f_w with filler 5356 (memory). */
export interface WeldedStrength {
  readonly fy: number;
  readonly fu: number;
  readonly fw: number;
}

const WELDED: Readonly<Record<string, WeldedStrength>> = {
  '5052-H32': { fy: 80, fu: 170, fw: 170 },
  // Annealed or hardly strained: welding takes nothing.
  '5083-H111': { fy: 125, fu: 275, fw: 240 },
  '6061-T6': { fy: 115, fu: 175, fw: 190 },
  '6082-T6': { fy: 125, fu: 185, fw: 210 },
};

/** The metal as welding leaves it: softened right through, as a welded plate is nowhere far from its welds (safe). */
export const asWelded = (m: Metal): Metal =>
  m.welded && m.welded.fu < m.fu ? { ...m, name: `${m.name}, softened by welding`, fy: m.welded.fy, fu: m.welded.fu } : m;

type Row = readonly [id: string, name: string, fy: number, fu: number, source: string, E?: number, density?: number];

const GROUPS: Readonly<Record<Metal['group'], { E: number; density: number; gauges: GaugeTable; rows: readonly Row[] }>> = {
  steel: {
    E: 210_000,
    density: 7850,
    gauges: 'steel',
    rows: [
      ['S235', 'Steel S235', 235, 360, 'EN 10025-2'],
      ['S275', 'Steel S275', 275, 430, 'EN 1993-1-1 Tab. 3.1'],
      ['S355', 'Steel S355', 355, 470, 'EN 10025-2'],
      ['S420', 'Steel S420', 420, 520, 'EN 10025-3 (memory)'],
      ['S460', 'Steel S460', 460, 540, 'EN 10025-3 (memory)'],
      ['S690', 'Steel S690', 690, 770, 'EN 10025-6 (memory)'],
      ['A36', 'Steel A36', 248, 400, 'ASTM A36: 36 and 58 ksi'],
      ['A572-50', 'Steel A572 grade 50', 345, 448, 'ASTM A572: 50 and 65 ksi'],
    ],
  },
  stainless: {
    E: 200_000,
    density: 8000,
    gauges: 'steel',
    rows: [
      ['304', 'Stainless 304 (1.4301)', 210, 520, 'EN 1993-1-4 Tab. 2.1 (memory)', 200_000, 7900],
      ['316', 'Stainless 316 (1.4401)', 220, 530, 'EN 1993-1-4 Tab. 2.1 (memory)'],
    ],
  },
  aluminium: {
    E: 70_000,
    density: 2700,
    gauges: 'aluminium',
    rows: [
      ['5052-H32', 'Aluminium 5052-H32', 160, 215, 'ASTM B209: 23 and 31 ksi (memory)', 70_000, 2680],
      ['5083-H111', 'Aluminium 5083-H111', 125, 275, 'EN 1999-1-1 Tab. 3.2b (memory)', 70_000, 2660],
      ['6061-T6', 'Aluminium 6061-T6', 240, 290, 'ASTM B209: 35 and 42 ksi'],
      ['6082-T6', 'Aluminium 6082-T6', 255, 300, 'EN 1999-1-1 Tab. 3.2b (memory)'],
    ],
  },
  titanium: {
    E: 105_000,
    density: 4510,
    gauges: 'steel',
    rows: [
      ['Ti-2', 'Titanium grade 2', 275, 345, 'ASTM B265: 40 and 50 ksi'],
      ['Ti-5', 'Titanium grade 5 (6Al-4V)', 828, 895, 'ASTM B265: 120 and 130 ksi', 114_000, 4430],
    ],
  },
  bronze: {
    E: 110_000,
    density: 8530,
    gauges: 'aluminium',
    rows: [
      ['C655', 'Silicon bronze C65500', 145, 380, 'half-way annealed plate, handbook (memory)', 105_000],
      ['C954', 'Aluminium bronze C95400', 205, 515, 'ASTM B148: 30 and 75 ksi', 107_000, 7450],
    ],
  },
  laminate: {
    E: 20_000,
    density: 1850,
    gauges: 'steel',
    rows: [
      ['G-10', 'Glass-epoxy plate G-10', 380, 260, 'NEMA LI 1, weaker direction (memory); replace by the maker’s', 16_500, 1850],
      ['CFRP', 'Carbon plate, quasi-isotropic', 400, 450, 'generic data (memory); replace by the maker’s', 45_000, 1550],
    ],
  },
};

const rowsOf = (group: Metal['group']): readonly Metal[] => {
  const g = GROUPS[group];
  return g.rows.map(([id, name, fy, fu, source, E = g.E, density = g.density]) => ({
    id,
    name,
    group,
    fy,
    fu,
    E,
    density,
    gauges: g.gauges,
    source,
    ...(WELDED[id] ? { welded: WELDED[id] } : {}),
  }));
};

export const METALS: readonly Metal[] = (Object.keys(GROUPS) as Metal['group'][]).flatMap(rowsOf);

/** A row the shop wrote itself is looked up first; its ids start with "own-", so it never stands for a built-in one. */
export function metal(id: string, own: readonly Omit<Metal, 'gauges'>[] = []): Metal | undefined {
  const mine = own.find((m) => m.id === id);
  if (mine) return { ...mine, gauges: GROUPS[mine.group].gauges };
  return METALS.find((m) => m.id === id);
}
