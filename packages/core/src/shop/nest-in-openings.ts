import type { Rect } from '../geometry/points';
import { isInside, loopBounds, loopPoints, type Loop } from '../geometry/region';
import type { FlatPiece, NestedSheet, PlacedPiece } from './sheet-nesting';

/** How pieces are laid in one rectangle: those that go in, the others left. */
export type FillRect = (pieces: readonly FlatPiece[], long: number, wide: number) => readonly PlacedPiece[];

/** Pieces in the openings of one copy of a part, from its near corner as it lies unturned; mm. */
type Inside = readonly PlacedPiece[];

export interface InOpenings {
  readonly left: readonly FlatPiece[];
  /** Of each copy of a part, as many as have something in them. */
  readonly inside: ReadonlyMap<string, readonly Inside[]>;
}

/** The largest rectangle of a ring’s own proportions about the middle of what it reaches to that lies in it, mm; nothing of a ring that curls round its middle. */
export function rectangleIn(ring: Loop): Rect | undefined {
  const b = loopBounds(ring);
  const points = loopPoints(ring);
  const [cx, cy] = [(b.x0 + b.x1) / 2, (b.y0 + b.y1) / 2];
  const at = (k: number): Rect => ({
    x0: cx - (k * (b.x1 - b.x0)) / 2,
    x1: cx + (k * (b.x1 - b.x0)) / 2,
    y0: cy - (k * (b.y1 - b.y0)) / 2,
    y1: cy + (k * (b.y1 - b.y0)) / 2,
  });
  const lies = (r: Rect): boolean =>
    [
      { x: r.x0, y: r.y0 },
      { x: r.x1, y: r.y0 },
      { x: r.x1, y: r.y1 },
      { x: r.x0, y: r.y1 },
    ].every((p) => isInside({ outer: ring, openings: [] }, p)) &&
    !points.some((p) => p.x > r.x0 && p.x < r.x1 && p.y > r.y0 && p.y < r.y1);
  let [low, high] = [0, 1];
  if (lies(at(1 - 1e-9))) return at(1);
  if (!lies(at(1e-3))) return undefined;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (lies(at(middle))) low = middle;
    else high = middle;
  }
  return at(low);
}

/** Puts what is small into the openings of what is large, a cut from their edges, before anything is laid on a sheet. */
export function intoOpenings(pieces: readonly FlatPiece[], kerf: number, fill: FillRect): InOpenings {
  let left = pieces;
  const inside = new Map<string, Inside[]>();
  for (const parent of [...pieces].sort((a, b) => b.length * b.width - a.length * a.width)) {
    if (!parent.openings?.length) continue;
    for (let copy = 0; copy < (left.find((p) => p.id === parent.id)?.count ?? 0); copy++) {
      const placed: PlacedPiece[] = [];
      for (const o of parent.openings) {
        const [long, wide] = [o.x1 - o.x0 - 2 * kerf, o.y1 - o.y0 - 2 * kerf];
        // Parts with openings of their own are left on the sheet: nothing lies in what lies in something.
        const small = left.filter((p) => p.id !== parent.id && !p.openings?.length);
        const laid = long > 0 && wide > 0 ? fill(small, long, wide) : [];
        placed.push(...laid.map((x) => ({ ...x, x: x.x + o.x0 + kerf, y: x.y + o.y0 + kerf })));
        left = left.map((p) => ({ ...p, count: p.count - laid.filter((x) => x.id === p.id).length })).filter((p) => p.count > 0);
      }
      if (placed.length > 0) inside.set(parent.id, [...(inside.get(parent.id) ?? []), placed]);
    }
  }
  return { left, inside };
}

/** The sheets with what lies in openings where the parts round it came to lie. */
export function withInsides(
  sheets: readonly NestedSheet[],
  pieces: readonly FlatPiece[],
  inside: ReadonlyMap<string, readonly Inside[]>,
): readonly NestedSheet[] {
  if (inside.size === 0) return sheets;
  const waiting = new Map([...inside].map(([id, all]) => [id, [...all]]));
  const sizeOf = new Map(pieces.map((p) => [p.id, p]));
  return sheets.map((sheet) => ({
    ...sheet,
    pieces: sheet.pieces.flatMap((parent) => {
      const mine = waiting.get(parent.id)?.shift() ?? [];
      return [parent, ...mine.map((child) => turnedWith(child, sizeOf.get(child.id)!, parent, sizeOf.get(parent.id)!))];
    }),
  }));
}

/** A piece in an opening where its part lies: a part turned a quarter takes it along. */
function turnedWith(child: PlacedPiece, c: FlatPiece, parent: PlacedPiece, p: FlatPiece): PlacedPiece {
  if (!parent.turned) return { ...child, x: parent.x + child.x, y: parent.y + child.y };
  const along = child.turned ? c.width : c.length;
  return { id: child.id, x: parent.x + child.y, y: parent.y + p.length - child.x - along, turned: !child.turned };
}
