import type { Link } from '@core/chain/evaluate';

/** Width of a link drawn whole, and of one drawn edge on, px; the latter as wide as a finger needs (WCAG 2.5.8). */
export const WHOLE = 92;
export const EDGE_ON = 24;

const RANK: Readonly<Record<Link['state'], number>> = { refused: 0, fails: 0, tight: 1, sound: 2, 'not needed': 3 };

/** Worse first: what lets go or cannot be shown, then what is used most. */
export const worse = (a: Link, b: Link): number =>
  RANK[a.state] - RANK[b.state] || (a.state === 'not needed' ? 0 : b.utilisation - a.utilisation);

/**
 * Which links are drawn whole in a width, px: the worst of each part of the stack and those named always, then the next worst as
 * long as there is room; the others stand edge on, so that the whole chain is in view.
 */
export function wholeLinks(links: readonly Link[], width: number, always: readonly string[]): ReadonlySet<string> {
  const room = Math.floor((width - links.length * EDGE_ON) / (WHOLE - EDGE_ON));
  if (room >= links.length) return new Set(links.map((l) => l.id));
  const byWorst = [...links].sort(worse);
  const whole = new Set(links.filter((l) => always.includes(l.id)).map((l) => l.id));
  const parts = new Set<Link['element']>();
  for (const l of byWorst) {
    if (parts.has(l.element)) continue;
    parts.add(l.element);
    whole.add(l.id);
  }
  for (const l of byWorst) if (whole.size < room) whole.add(l.id);
  return whole;
}
