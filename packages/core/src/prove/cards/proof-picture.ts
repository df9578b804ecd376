import type { Picture, Shape } from '../../shop/cards/card';
import { formatQuantity, type UnitSystem } from '../../units/format-quantity';
import type { Sample } from '../log-entry';
import { fine } from '../words';

/** Load upward over movement to the right, on paper of this size, mm. */
const WIDE = 120;
const HIGH = 66;
const EDGE = { left: 14, below: 9, right: 6, above: 6 };

/** A proof’s curve: the band, what was expected, and what the dial showed. N and mm. */
export function proofPicture(
  curve: readonly (readonly [load: number, expected: number, least: number, most: number])[],
  samples: readonly Sample[],
  units: UnitSystem,
): Picture {
  const zero = samples[0]?.dials[0] ?? 0;
  const seen = samples.map((s) => ({ load: s.load, moved: (s.dials[0] ?? 0) - zero }));
  const mostLoad = Math.max(1, ...curve.map((c) => c[0]), ...seen.map((s) => s.load)) * 1.05;
  const mostMoved = Math.max(1e-3, ...curve.map((c) => c[3]), ...seen.map((s) => s.moved)) * 1.05;
  const at = (load: number, moved: number) => ({
    x: EDGE.left + (Math.max(0, moved) / mostMoved) * (WIDE - EDGE.left - EDGE.right),
    y: EDGE.below + (load / mostLoad) * (HIGH - EDGE.below - EDGE.above),
  });
  const line = (k: 1 | 2 | 3) => curve.map((c) => at(c[0], c[k]));
  const shapes: Shape[] = [
    { line: [at(mostLoad, 0), at(0, 0), at(0, mostMoved)], look: 'line' },
    ...(curve.length > 1
      ? [
          { line: line(2), look: 'dash' } as const,
          { line: line(3), look: 'dash' } as const,
          { line: line(1), look: 'line' } as const,
        ]
      : []),
    ...(seen.length > 1 ? [{ line: seen.map((s) => at(s.load, s.moved)), look: 'weld' } as Shape] : []),
    { at: { x: EDGE.left - 7, y: HIGH - EDGE.above }, text: formatQuantity(mostLoad, 'force', units), size: 3, dark: true },
    { at: { x: WIDE - EDGE.right - 6, y: EDGE.below - 5 }, text: fine(mostMoved, units), size: 3, dark: true },
    { at: { x: EDGE.left - 3, y: EDGE.below - 5 }, text: '0', size: 3, dark: true },
  ];
  return { bounds: { x0: 0, x1: WIDE, y0: 0, y1: HIGH }, shapes };
}
