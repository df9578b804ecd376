import type { Point } from './points';

/** A bar seen on its edge: its legs in order, mm, and what it turns through after each but the last, rad, up positive. */
export interface BentBar {
  readonly legs: readonly number[];
  readonly turns: readonly number[];
}

/** Corners of the bar as it lies with its first leg along x. */
export function cornersOfBar({ legs, turns }: BentBar): Point[] {
  let [at, way] = [{ x: 0, y: 0 }, 0];
  return [
    at,
    ...legs.map((l, i) => {
      at = { x: at.x + l * Math.cos(way), y: at.y + l * Math.sin(way) };
      way += turns[i] ?? 0;
      return at;
    }),
  ];
}

/** Points along a broken line, no further apart than `step`, each with the leg it lies on. */
function along(corners: readonly Point[], step: number): { readonly leg: number; readonly p: Point }[] {
  return corners.slice(1).flatMap((b, leg) => {
    const a = corners[leg]!;
    const n = Math.max(1, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y) / step));
    return Array.from({ length: n + 1 }, (_, k) => ({
      leg,
      p: { x: a.x + ((b.x - a.x) * k) / n, y: a.y + ((b.y - a.y) * k) / n },
    }));
  });
}

function toPiece(p: Point, a: Point, b: Point): number {
  const [ux, uy] = [b.x - a.x, b.y - a.y];
  const L = ux * ux + uy * uy;
  const k = L === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * ux + (p.y - a.y) * uy) / L));
  return Math.hypot(p.x - a.x - k * ux, p.y - a.y - k * uy);
}

/** Whether legs that are no neighbours lie closer than the bar is thick: it would run through itself. */
export function runsThroughItself(bar: BentBar, t: number): boolean {
  const corners = cornersOfBar(bar);
  return along(corners, t / 2).some(({ leg, p }) =>
    corners.slice(1).some((b, other) => Math.abs(other - leg) > 1 && toPiece(p, corners[other]!, b) < t * (1 - 1e-9)),
  );
}

/** Punch of a press: half as wide as it is thick, and the ram over it from where it hangs (common practice). mm. */
const PUNCH = { half: 5, from: 8 } as const;
const RAM = { half: 30, from: 100 } as const;
/** Turned through so many steps while it is bent. */
const STEPS = 8;

/** Whether one side of the bar, away from the bend, comes to the punch or the ram. */
function sideFouls(legs: readonly number[], turns: readonly number[], rise: number): boolean {
  const corners = cornersOfBar({ legs, turns }).map(({ x, y }) => ({
    x: x * Math.cos(rise) - y * Math.sin(rise),
    y: x * Math.sin(rise) + y * Math.cos(rise),
  }));
  return along(corners, 2).some(
    ({ leg, p }) => leg > 0 && ((p.x < PUNCH.half && p.y > PUNCH.from) || (p.x < RAM.half && p.y > RAM.from)),
  );
}

/**
 * Whether a bend fouls the tool as it is pressed, with the bends made before it: both sides rise by half the angle at a time, and what is
 * bent of them already must stay clear of the punch, which stands on the inside, and of the ram over it.
 */
export function foulsPress({ legs, turns }: BentBar, bend: number, made: readonly boolean[]): boolean {
  const inside = Math.sign(turns[bend]!) || 1;
  const turn = (i: number) => (made[i] ? inside * turns[i]! : 0);
  const right = { legs: legs.slice(bend + 1), turns: turns.slice(bend + 1).map((_, k) => turn(bend + 1 + k)) };
  const left = {
    legs: legs.slice(0, bend + 1).reverse(),
    turns: turns
      .slice(0, bend)
      .map((_, k) => turn(k))
      .reverse(),
  };
  return Array.from({ length: STEPS }, (_, k) => (Math.abs(turns[bend]!) * (k + 1)) / STEPS / 2).some(
    (rise) => sideFouls(right.legs, right.turns, rise) || sideFouls(left.legs, left.turns, rise),
  );
}

/** The bends in the order wished for, as far as the tool allows it; undefined where no order clears the tool. */
export function clearOrder(bar: BentBar, wished: readonly number[], pressed: (bend: number) => boolean): number[] | undefined {
  const dead = new Set<number>();
  const next = (made: readonly boolean[], mask: number): number[] | undefined => {
    if (made.every(Boolean)) return [];
    if (dead.has(mask)) return undefined;
    for (const i of wished) {
      if (made[i] || (pressed(i) && foulsPress(bar, i, made))) continue;
      const rest = next(
        made.map((m, k) => m || k === i),
        mask | (1 << i),
      );
      if (rest) return [i, ...rest];
    }
    dead.add(mask);
    return undefined;
  };
  return next(
    bar.turns.map(() => false),
    0,
  );
}
