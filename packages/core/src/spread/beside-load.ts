import { centreOf, heightOf, widthOf } from '../geometry/rects';
import type { Resolved } from '../job/resolve';
import { onPatch, patchOn, type Beside } from '../loads/beside';
import type { Assembly } from './assemble';
import { SKIN } from './from-job';
import type { StackLoad } from './stack';
import { inStraightLine } from './straight-line';

/** Samples a side by which another foot's plate presses on the panel. */
const SIDE = 16;

/** Cell of the lines that a place lies in, and how far into it, 0 to 1. */
function cellAt(lines: ArrayLike<number>, v: number): { i: number; part: number } {
  let i = 0;
  while (i < lines.length - 2 && lines[i + 1]! <= v) i++;
  return { i, part: (v - lines[i]!) / (lines[i + 1]! - lines[i]!) };
}

/**
 * What another foot brings, on the nodes of the skin: a pressure in a straight line under that part of its plate that lies on this
 * panel. Its own plate is not counted as stiff (safe). Force and moments are kept exactly, as each sample goes to the corners of its
 * cell by its place in it.
 */
export function besideOnSkin(r: Resolved, a: Assembly, b: Beside): StackLoad['forces'] {
  const patch = patchOn(r.panel, b);
  if (!patch) return [];
  const { x: cx, y: cy } = centreOf(patch);
  const [dx, dy] = [widthOf(patch) / SIDE, heightOf(patch) / SIDE];
  const X = (k: number) => patch.x0 + ((k % SIDE) + 0.5) * dx;
  const Y = (k: number) => patch.y0 + (Math.floor(k / SIDE) + 0.5) * dy;
  const { fz, mx, my } = onPatch(b, patch, r.skinThickness);
  // About the datum, as the pressure is found.
  const load = { fz, mx: mx + cy * fz, my: my - cx * fz };
  const { x, y } = a.stack.grid;
  const on = new Map<number, number>();
  inStraightLine({ count: SIDE * SIDE, x: X, y: Y, weight: () => 1 }, load).forEach((f, k) => {
    const [p, q] = [cellAt(x, X(k)), cellAt(y, Y(k))];
    for (const [ix, wx] of [
      [p.i, 1 - p.part],
      [p.i + 1, p.part],
    ] as const)
      for (const [iy, wy] of [
        [q.i, 1 - q.part],
        [q.i + 1, q.part],
      ] as const) {
        const node = ix + iy * x.length;
        on.set(node, (on.get(node) ?? 0) + f * wx * wy);
      }
  });
  return [...on].map(([node, force]) => ({ layer: SKIN, node, fz: force }));
}
