import type { Resolved } from '../../job/resolve';
import type { Skin } from '../../job/schema';
import type { Plain } from '../../units/quantity';

/** A hollow section with the plate on its face: EN 1993-1-8 symbols. The section runs fore and aft. */
export interface Section {
  readonly b0: number;
  readonly h0: number;
  readonly t0: number;
  readonly fy: number;
  readonly skin: Extract<Plain<Skin>, { kind: 'hollow' }>;
}

export function sectionOf(r: Resolved): Section | undefined {
  const s = r.substrate;
  return s.kind === 'hollow' ? { b0: s.width, h0: s.thickness, t0: s.wall, fy: r.skin.bending, skin: s } : undefined;
}
