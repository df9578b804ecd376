import type { Resolved } from '../../job/resolve';
import type { Skin } from '../../job/schema';
import { heightOf, widthOf } from '../../geometry/rects';

/** A hollow section with the plate on its face: EN 1993-1-8 symbols. The section runs fore and aft. */
export interface Section {
  readonly b0: number;
  readonly h0: number;
  readonly t0: number;
  readonly fy: number;
  readonly skin: Extract<Skin, { kind: 'hollow' }>;
}

export function sectionOf(r: Resolved): Section | undefined {
  const s = r.job.skin;
  return s.kind === 'hollow' ? { b0: s.width.v, h0: s.thickness.v, t0: s.wall.v, fy: r.skin.bending, skin: s } : undefined;
}

/** β and η of the plate on the section's face: its width and length over b_0. */
export const plateOn = (r: Resolved, x: Section) => ({ β: heightOf(r.plate) / x.b0, η: widthOf(r.plate) / x.b0 });
