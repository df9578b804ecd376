import { heightOf, widthOf } from '../geometry/rects';
import { rowsOf } from '../geometry/rows';
import type { Resolved } from '../job/resolve';
import type { Lap } from '../sharing/row';
import { rowVariants, type LapRow } from '../sharing/row-variants';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { shearResistance } from './bolt-strength';
import { notApplicable, outcome, remembered, type Check } from './check';
import { bearingSkin } from './skin-parts';

const F_ROW = formula('F_row', 'F·n/N', 'N');
const F_END = formula('F_1', 's_1·F_row', 'N');

/** The longest straight row of bolts along an axis, and how it shares a load that comes in at one end. */
export interface LongRow extends LapRow {
  readonly axis: 'x' | 'y';
  readonly bolts: readonly string[];
  readonly shares: readonly number[];
  readonly swift: readonly number[];
  /** The bolts at either end of every row as long. */
  readonly ends: readonly number[];
}

const laminateRow = (r: Resolved) => r.skin.basis === 'break' || r.plateMetal.group === 'laminate';

/** The rows with most bolts along an axis, each with the load in at either end; the one whose end bolt carries most stands for all. */
function rowAlong(r: Resolved, axis: 'x' | 'y'): LongRow | undefined {
  const other = axis === 'x' ? 'y' : 'x';
  const rows = rowsOf(r.bolts, other, r.d / 2);
  const count = Math.max(...rows.map((row) => row.bolts.length));
  if (count < 3) return undefined;
  const width = (axis === 'x' ? heightOf(r.plate) : widthOf(r.plate)) / rows.length;
  const lap: Lap = {
    t1: r.plateThickness * r.plateLayers,
    t2: bearingSkin(r),
    E1: r.plateMetal.E,
    E2: r.skin.E,
    d: r.d,
    Ef: r.grade.E,
  };
  const along = (i: number) => r.bolts[i]![axis];
  const longest = rows
    .filter((row) => row.bolts.length === count)
    .map((row) => [...row.bolts].sort((a, b) => along(a) - along(b)));
  const ends = longest.flatMap((row) => [row[0]!, row.at(-1)!]);
  const eachWay = longest.map((row) => row.map((i) => r.bolts[i]!)).flatMap((row) => [row, [...row].reverse()]);
  return eachWay
    .map((row): LongRow => {
      const pitches = row.slice(1).map((b, i) => Math.abs(b[axis] - row[i]![axis]));
      const lapRow: LapRow = { pitches, lap, width, laminate: laminateRow(r) };
      const [byHuth, bySwift] = rowVariants(lapRow);
      return { ...lapRow, axis, bolts: row.map((b) => b.id), shares: byHuth!.shares, swift: bySwift!.shares, ends };
    })
    .reduce((a, b) => (most(b) > most(a) * (1 + 1e-9) ? b : a));
}

/** The rows of three bolts or more along each axis. */
export const longRows = remembered((r: Resolved): readonly LongRow[] =>
  (['x', 'y'] as const).flatMap((axis) => rowAlong(r, axis) ?? []),
);

/** The end bolt of a long row, where the straps cannot yield enough to even it out. */
export const rowShare: Check = {
  id: 'row-share',
  name: 'Uneven row',
  element: 'fastener',
  says: 'In a long row the end bolts carry more than their share, and must hold it.',
  why: 'Bolts in line do not pull like oarsmen: the straps stretch, so the end bolts are loaded first and the middle ones idle. Steel yields until they even out; laminate breaks first. Straps that thin out towards their free ends even the row; bolts further apart make it worse, fewer and fatter bolts make it better.',
  source:
    'Elastic shear lag with fastener flexibility by Huth 1986 (Swift beside it); steel: EN 1993-1-8 §3.8, β_Lf in Bolt shear',
  range: 'Three bolts or more in line; load in at one end of the row (safe for a base in its middle)',
  evaluate(r, s, w) {
    const rows = longRows(r);
    if (rows.length === 0) return notApplicable('no three bolts in line: each takes its share');
    if (!laminateRow(r))
      return notApplicable('metal yields before its end bolts shear: even shares up to 15·d, then β_Lf in Bolt shear');
    const f = { x: Math.abs(s.loadCase.fx), y: Math.abs(s.loadCase.fy) };
    const row = [...rows].sort((a, b) => most(b) * f[b.axis] * b.bolts.length - most(a) * f[a.axis] * a.bolts.length)[0]!;
    const F = w.found('F', f[row.axis], 'N', `in-plane force ${row.axis === 'x' ? 'fore and aft' : 'athwart'}`);
    const F_row = w.of(F_ROW, { F, n: row.bolts.length, N: r.bolts.length }, 'all rows alike');
    const s_1 = w.found('s_1', most(row), '–', `share of the end bolt by Huth: ${words(row.shares)}`);
    w.found('s_1', Math.max(...row.swift), '–', 'for comparison, by Swift; not used');
    const demand = w.of(F_END, { s_1, F_row });
    const soft = r.skin.bearing(r.d) * r.d * bearingSkin(r);
    const bearing = w.found('F_b.Rd', soft / r.factors.onSkin, 'N', 'bearing of one bolt in the skin');
    // The end bolt that holds least: what is packed under it makes it weaker.
    const holds = (i: number) => shearResistance(r, i, new Working(false));
    const end = row.ends.reduce((least, i) => (holds(i) < holds(least) ? i : least));
    const bolt = w.found('F_v.Rd', holds(end), 'N', `shear of ${r.bolts[end]!.id}`);
    return outcome(demand, soft > 0 ? Math.min(bearing, bolt) : bolt, 'N', r.bolts[end]!.id);
  },
};

const most = (row: LongRow) => Math.max(...row.shares);
const words = (shares: readonly number[]) => shares.map((x) => `${(100 * x).toFixed(1)} %`).join(', ');
