import { webFaces } from '../../job/flange';
import type { Resolved } from '../../job/resolve';

/** A flange with the plate on it, running fore and aft: the web's place across it, and its own measures. mm, MPa. */
export interface Flange {
  readonly b: number;
  readonly tf: number;
  readonly tw: number;
  readonly h: number;
  readonly fy: number;
  /** Both faces of the web, y. */
  readonly web: readonly [starboard: number, port: number];
}

export function flangeOf(r: Resolved): Flange | undefined {
  const s = r.substrate;
  if (s.kind !== 'flange') return undefined;
  return { b: s.width, tf: s.thickness, tw: s.web, h: s.depth, fy: r.skin.bending, web: webFaces(s) };
}

/** From a place across the flange to the nearer face of the web; under 0 in it. */
export const toWeb = ({ web }: Pick<Flange, 'web'>, y: number): number => Math.max(web[0] - y, y - web[1]);
