import { leastDegree } from './least-degree';

/** What is to be ordered: groups of unknowns that stand at one node of the grid, on one layer. */
export interface Groups {
  /** Node of the grid of each group, and how many unknowns it has. */
  readonly node: Int32Array;
  readonly weight: Int32Array;
  /** Neighbours of each group. */
  readonly beside: readonly (readonly number[])[];
}

/** Unknowns below which a block is left to the least degree. */
const LEAF = 1000;
/** Each side of a cut keeps at least this part of the unknowns. */
const SIDE = 0.3;

/**
 * Order of elimination of groups on an nx × ny grid. The grid is cut along the lines with the fewest unknowns for what they part
 * (nested dissection, George 1973, weighed by layers: where plates lie on the skin a line costs several times as much); within
 * the parts the group with the fewest neighbours goes first, the cuts counted as neighbours and kept for last.
 */
export function eliminationOrder(g: Groups, nx: number, ny: number): Int32Array {
  const load = new Int32Array(nx * ny);
  const at: number[][] = Array.from({ length: nx * ny }, () => []);
  g.node.forEach((n, i) => {
    load[n]! += g.weight[i]!;
    at[n]!.push(i);
  });
  const late = new Uint8Array(g.node.length);
  const cuts: number[] = [];
  const cut = (x0: number, x1: number, y0: number, y1: number): void => {
    const best = bestCut(load, nx, x0, x1, y0, y1);
    if (!best) return;
    if (best.across === 'x') {
      cut(x0, best.at, y0, y1);
      cut(best.at + 1, x1, y0, y1);
      for (let y = y0; y < y1; y++) cuts.push(...at[best.at + y * nx]!);
    } else {
      cut(x0, x1, y0, best.at);
      cut(x0, x1, best.at + 1, y1);
      for (let x = x0; x < x1; x++) cuts.push(...at[x + best.at * nx]!);
    }
  };
  cut(0, nx, 0, ny);
  for (const i of cuts) late[i] = 1;
  return Int32Array.from([...leastDegree(g.beside, g.weight, late), ...cuts]);
}

interface Cut {
  readonly across: 'x' | 'y';
  readonly at: number;
}

/** The line with the least unknowns for the root of what lies on its lighter side; none where the block is small enough. */
function bestCut(load: Int32Array, nx: number, x0: number, x1: number, y0: number, y1: number): Cut | undefined {
  const columns = new Float64Array(Math.max(0, x1 - x0));
  const rows = new Float64Array(Math.max(0, y1 - y0));
  let total = 0;
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      const n = load[x + y * nx]!;
      total += n;
      columns[x - x0]! += n;
      rows[y - y0]! += n;
    }
  if (total < LEAF) return undefined;
  let found: Cut | undefined;
  let least = Infinity;
  const scan = (sums: Float64Array, across: 'x' | 'y', from: number) => {
    let before = 0;
    sums.forEach((own, k) => {
      const lighter = Math.min(before, total - before - own);
      if (lighter >= SIDE * total && own / Math.sqrt(lighter) < least) {
        least = own / Math.sqrt(lighter);
        found = { across, at: from + k };
      }
      before += own;
    });
  };
  scan(columns, 'x', x0);
  scan(rows, 'y', y0);
  return found;
}
