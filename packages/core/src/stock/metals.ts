/**
 * Plate and sheet metals: f_y, f_u, E in MPa, density in kg/m³, ν 0.3.
 * Sources: EN 10025-2 (S235–S355, t ≤ 40 mm; f_u of S355 is the standard's lower bound 470), EN 1993-1-4 Tab. 2.1
 * (hot-rolled strip, from memory), EN 1999-1-1 Tab. 3.2 (5083-H111; 6082-T6 at its 6 < t ≤ 12.5 mm row, from memory).
 * `gauges` says which gauge table belongs to the metal.
 */
import type { GaugeTable } from '../units/gauges';

export interface Metal {
  readonly id: string;
  readonly name: string;
  readonly group: 'steel' | 'stainless' | 'aluminium';
  readonly fy: number;
  readonly fu: number;
  readonly E: number;
  readonly density: number;
  readonly gauges: GaugeTable;
  readonly source: string;
}

export const METALS: readonly Metal[] = [
  {
    id: 'S235',
    name: 'Steel S235',
    group: 'steel',
    fy: 235,
    fu: 360,
    E: 210_000,
    density: 7850,
    gauges: 'steel',
    source: 'EN 10025-2',
  },
  {
    id: 'S275',
    name: 'Steel S275',
    group: 'steel',
    fy: 275,
    fu: 430,
    E: 210_000,
    density: 7850,
    gauges: 'steel',
    source: 'EN 1993-1-1 Tab. 3.1',
  },
  {
    id: 'S355',
    name: 'Steel S355',
    group: 'steel',
    fy: 355,
    fu: 470,
    E: 210_000,
    density: 7850,
    gauges: 'steel',
    source: 'EN 10025-2',
  },
  {
    id: '304',
    name: 'Stainless 304 (1.4301)',
    group: 'stainless',
    fy: 210,
    fu: 520,
    E: 200_000,
    density: 7900,
    gauges: 'steel',
    source: 'EN 1993-1-4 Tab. 2.1 (memory)',
  },
  {
    id: '316',
    name: 'Stainless 316 (1.4401)',
    group: 'stainless',
    fy: 220,
    fu: 530,
    E: 200_000,
    density: 8000,
    gauges: 'steel',
    source: 'EN 1993-1-4 Tab. 2.1 (memory)',
  },
  {
    id: '5083-H111',
    name: 'Aluminium 5083-H111',
    group: 'aluminium',
    fy: 125,
    fu: 275,
    E: 70_000,
    density: 2660,
    gauges: 'aluminium',
    source: 'EN 1999-1-1 Tab. 3.2b (memory)',
  },
  {
    id: '6082-T6',
    name: 'Aluminium 6082-T6',
    group: 'aluminium',
    fy: 255,
    fu: 300,
    E: 70_000,
    density: 2700,
    gauges: 'aluminium',
    source: 'EN 1999-1-1 Tab. 3.2b (memory)',
  },
];

export function metal(id: string): Metal | undefined {
  return METALS.find((m) => m.id === id);
}
