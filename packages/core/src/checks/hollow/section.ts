import type { Resolved } from '../../job/resolve';
import type { Skin } from '../../job/schema';
import type { Plain } from '../../units/quantity';

/** A hollow section with the plate on its face: EN 1993-1-8 symbols, b_0 = h_0 = d_0 of a round tube. It runs fore and aft. */
export interface Section {
  readonly b0: number;
  readonly h0: number;
  readonly t0: number;
  readonly fy: number;
  readonly round: boolean;
  readonly skin: Extract<Plain<Skin>, { kind: 'hollow' }>;
}

export function sectionOf(r: Resolved): Section | undefined {
  const s = r.substrate;
  if (s.kind !== 'hollow') return undefined;
  return { b0: s.width, h0: s.thickness, t0: s.wall, fy: r.skin.bending, round: s.form === 'round', skin: s };
}
