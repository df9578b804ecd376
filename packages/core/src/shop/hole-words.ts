import type { CutPart } from './cut-parts';

/** "ø 11 mm", or of a slot "11 mm × 30 mm, turned 45°". */
export const sizeWords = (h: Pick<CutPart['holes'][number], 'd' | 'slot'>, mm: (v: number) => string): string =>
  h.slot ? `slot ${mm(h.d)} × ${mm(h.slot.long)}${turnWords(h.slot.turn)}` : `ø ${mm(h.d)}`;

const turnWords = (turn: number): string => {
  const degrees = Math.round((turn * 1800) / Math.PI) / 10;
  return degrees % 180 === 0 ? ', fore and aft' : Math.abs(degrees) === 90 ? ', athwart' : `, turned ${degrees}°`;
};
