import { rowsOf } from '../../geometry/rows';
import type { Resolved } from '../../job/resolve';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { remembered } from '../remembered';

const N_EF = formula('n_ef', 'min(n, n^0.9·(a_1/(13·d))^0.25)', '–');

/** A row of bolts in line along the grain, and the least distance between two of them; mm. */
interface GrainRow {
  readonly n: number;
  readonly a1: number;
}

/** n_ef of n bolts in line a_1 apart, EN 1995-1-1 eq. 8.34. */
export const inRow = (x: GrainRow & { readonly d: number }, w: Working): number =>
  w.of(N_EF, { n: x.n, a_1: x.a1, d: x.d }, 'in line along the grain, EN 1995-1-1 eq. 8.34');

const SILENT = new Working(false);

const rowsAlongGrain = remembered((r: Resolved): readonly GrainRow[] => {
  const grain = r.substrate.kind === 'timber' ? r.substrate.grain : 'x';
  const across = grain === 'x' ? 'y' : 'x';
  return rowsOf(r.bolts, across, r.d / 2).map((row) => {
    const at = row.bolts.map((i) => r.bolts[i]![grain]).sort((a, b) => a - b);
    const gaps = at.slice(1).map((v, k) => v - at[k]!);
    return { n: at.length, a1: Math.min(...gaps) };
  });
});

/**
 * Part of a bolt's own strength along the grain that is left to it in its row: n_ef/n of the row that loses most,
 * EN 1995-1-1 eq. 8.34.
 */
export function leftInRow(r: Resolved, w: Working): number {
  const worst = rowsAlongGrain(r).reduce(
    (a, row) => {
      const part = row.n > 1 ? inRow({ ...row, d: r.d }, SILENT) / row.n : 1;
      return part < a.part ? { part, row } : a;
    },
    { part: 1, row: undefined as GrainRow | undefined },
  );
  if (!worst.row) return 1;
  return inRow({ ...worst.row, d: r.d }, w) / worst.row.n;
}
