import type { Resolved } from '../job/resolve';
import { SKIN } from './from-job';
import { momentsOf } from './plate-results';
import type { Solver, StackResult } from './solve-stack';
import type { Peak } from './spread';

/**
 * The skin's stress where a stiff plate stops: the mean over one skin thickness outside the plate's edge. The edge itself is a
 * singular line, whose element peak grows with every finer mesh; this mean does not.
 */
export function edgePeak(r: Resolved, solver: Solver, result: StackResult): Peak {
  const { x, y } = solver.assembly.stack.grid;
  const { plate, skinThickness: t } = r;
  const sums = new Map<string, { stress: number; width: number; x: number; y: number }>();
  const put = (key: string, stress: number, width: number, px: number, py: number) => {
    const s = sums.get(key) ?? { stress: 0, width: 0, x: px, y: py };
    s.stress += stress * width;
    s.width += width;
    sums.set(key, s);
  };
  for (const { cell, vonMises } of momentsOf(solver.assembly, result, SKIN)) {
    const [cx, cy] = [x[cell.ix]! + cell.a / 2, y[cell.iy]! + cell.b / 2];
    const besideX = cy > plate.y0 && cy < plate.y1;
    const besideY = cx > plate.x0 && cx < plate.x1;
    if (besideX && cx > plate.x1 && cx < plate.x1 + t) put(`fore ${cell.iy}`, vonMises, cell.a, plate.x1 + t / 2, cy);
    if (besideX && cx < plate.x0 && cx > plate.x0 - t) put(`aft ${cell.iy}`, vonMises, cell.a, plate.x0 - t / 2, cy);
    if (besideY && cy > plate.y1 && cy < plate.y1 + t) put(`port ${cell.ix}`, vonMises, cell.b, cx, plate.y1 + t / 2);
    if (besideY && cy < plate.y0 && cy > plate.y0 - t) put(`starboard ${cell.ix}`, vonMises, cell.b, cx, plate.y0 - t / 2);
  }
  let best: Peak = { value: 0, at: { x: 0, y: 0 } };
  for (const s of sums.values())
    if (s.stress / s.width > best.value) best = { value: s.stress / s.width, at: { x: s.x, y: s.y } };
  return best;
}
