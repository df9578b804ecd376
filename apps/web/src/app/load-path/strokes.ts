/** What a stroke of a small drawing stands for. */
export type Stuff = 'plate' | 'skin' | 'bolt' | 'force' | 'break' | 'before';

export interface Stroke {
  readonly of: Stuff;
  readonly d: string;
}

export const s = (of: Stuff, d: string): Stroke => ({ of, d });
export const box = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}Z`;
export const arrow = (x: number, y: number, dx: number, dy: number): Stroke => {
  const l = Math.hypot(dx, dy);
  const [u, v] = [dx / l, dy / l];
  const [bx, by] = [x + dx - u * 6, y + dy - v * 6];
  return s(
    'force',
    `M${x} ${y}L${bx} ${by}M${bx - v * 3.5} ${by + u * 3.5}L${x + dx} ${y + dy}L${bx + v * 3.5} ${by - u * 3.5}Z`,
  );
};
/** A bolt through the stack in section: head up, nut down. */
export const bolt = (x: number, top: number, bottom: number, grown = 0): Stroke[] => [
  s('bolt', box(x - 4, top, 8, bottom - top)),
  s('bolt', box(x - 9, top - 7, 18, 7)),
  s('bolt', box(x - 9 - grown, bottom - 3, 18 + 2 * grown, 3)),
  s('bolt', box(x - 8, bottom, 16, 7)),
];
export const plate = (x = 14, w = 132, y = 30, h = 9) => s('plate', box(x, y, w, h));
export const skin = (y = 39, h = 12) => s('skin', box(4, y, 152, h));

/** A round hole or pin, as a path. */
export const ring = (x: number, y: number, r: number) => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
