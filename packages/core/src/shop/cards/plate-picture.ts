import { heightOf, widthOf } from '../../geometry/rects';
import type { CutPart } from '../cut-parts';
import type { Picture, Shape } from './card';

/** A part flat, with its holes and bends; `more` over it. */
export function partPicture(
  part: Pick<CutPart, 'region' | 'bounds' | 'holes' | 'bends'>,
  more: readonly Shape[] = [],
  named = true,
): Picture {
  const { bounds: b } = part;
  const size = Math.max(widthOf(b), heightOf(b));
  const room = size * 0.05 + 4;
  const letters = size / 34 + 1;
  return {
    bounds: { x0: b.x0 - room, x1: b.x1 + room, y0: b.y0 - room, y1: b.y1 + room },
    shapes: [
      { region: part.region, look: 'metal' },
      ...part.bends.map((l): Shape => ({ line: [l.from, l.to], look: l.what === 'middle' ? 'line' : 'dash' })),
      ...part.holes.map((h): Shape => ({ hole: h, d: h.d })),
      ...(named
        ? part.holes.map((h): Shape => ({ at: { x: h.x, y: h.y + h.d / 2 + letters * 0.9 }, text: h.id, size: letters }))
        : []),
      ...more,
    ],
  };
}
