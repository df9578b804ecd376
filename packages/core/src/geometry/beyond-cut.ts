import { crossings, pairs, type AlongLine, type Ring, type Stretch } from './cross-cuts';

/** A piece of a part beyond a cut across it: where it is joined on, and whether a point is in it. */
export interface Piece {
  readonly joins: readonly Stretch[];
  has(p: AlongLine): boolean;
}

/** Stretches of a ring that lie beyond the cut: where each comes out over it, its corners, and where it goes back. */
interface Excursion {
  readonly out: number;
  readonly back: number;
  readonly points: readonly AlongLine[];
}

function excursions(ring: Ring, s: number): Excursion[] {
  const n = ring.length;
  const cross = (a: AlongLine, b: AlongLine) => a.y + ((s - a.s) / (b.s - a.s)) * (b.y - a.y);
  const found: Excursion[] = [];
  for (let k = 0; k < n; k++) {
    const [a, b] = [ring[k]!, ring[(k + 1) % n]!];
    if (!(a.s < s && b.s >= s)) continue;
    const points: AlongLine[] = [];
    let at = (k + 1) % n;
    while (ring[at]!.s >= s) {
      points.push(ring[at]!);
      at = (at + 1) % n;
    }
    found.push({ out: cross(a, b), back: cross(ring[(at + n - 1) % n]!, ring[at]!), points });
  }
  return found;
}

function inRing(ring: Ring, p: AlongLine): boolean {
  let odd = false;
  ring.forEach((a, k) => {
    const b = ring[(k + 1) % ring.length]!;
    if (a.y > p.y !== b.y > p.y && p.s < a.s + ((p.y - a.y) / (b.y - a.y)) * (b.s - a.s)) odd = !odd;
  });
  return odd;
}

/**
 * What a part falls into beyond a cut across it at s: a plate with two arms has a piece for each, joined on over its own stretch of the
 * cut alone. Openings are not looked at: round one a piece hangs together.
 */
export function piecesBeyond(outer: Ring, s: number): Piece[] {
  const left = excursions(outer, s);
  const stretches = pairs(crossings(outer, s));
  // Each stretch of the cut has an excursion that starts, or ends, at each of its two ends.
  const mate = (y: number): number => {
    const near = (a: number) => Math.abs(a - y);
    const [a, b] = stretches.reduce((best, x) => (Math.min(...x.map(near)) < Math.min(...best.map(near)) ? x : best));
    return near(a) < near(b) ? b : a;
  };
  const pieces: Piece[] = [];
  for (let first = left.pop(); first; first = left.pop()) {
    const ring: AlongLine[] = [];
    const joins: Stretch[] = [];
    let now = first;
    for (;;) {
      ring.push({ s, y: now.out }, ...now.points, { s, y: now.back });
      const y = mate(now.back);
      joins.push([Math.min(y, now.back), Math.max(y, now.back)]);
      const next = left.findIndex((x) => Math.abs(x.out - y) < 1e-6);
      if (next < 0) break;
      now = left.splice(next, 1)[0]!;
    }
    pieces.push({ joins: joins.sort((a, b) => a[0] - b[0]), has: (p) => inRing(ring, p) });
  }
  return pieces;
}
