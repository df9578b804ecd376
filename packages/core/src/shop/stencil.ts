/** A closed line cut with bridges left: so much cut, so much left, again and again round it; mm. */
export interface Bridged {
  readonly cut: number;
  readonly bridge: number;
  readonly count: number;
}

/** Widest bridge, and the part of a small hole’s edge that one takes at most (common practice). */
const WIDEST = 4;
const PART = 1 / 12;
/** An edge up to this long has two bridges, a longer one four and one more for every so much; mm. */
const SHORT = 90;
const EVERY = 200;

/** Bridges that hold the middle of an opening in a stencil: opposite each other, so that it neither drops nor turns. */
export function bridged(edge: number): Bridged {
  const count = edge <= SHORT ? 2 : 4 + Math.floor(edge / EVERY);
  const bridge = Math.min(WIDEST, edge * PART);
  return { cut: edge / count - bridge, bridge, count };
}
