import { create, type Font } from 'fontkit';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const find = createRequire(import.meta.url);
const barlow = (weight: 400 | 600) => find.resolve(`@fontsource/barlow/files/barlow-latin-${weight}-normal.woff`);
const dejavu = (face: string) => find.resolve(`dejavu-fonts-ttf/ttf/${face}.ttf`);

/** Faces of the sheets: the shop's own, and one with Latin Extended, Greek and Cyrillic for what that has not. */
export const FACES = {
  plain: barlow(400),
  bold: barlow(600),
  'plain wide': dejavu('DejaVuSansCondensed'),
  'bold wide': dejavu('DejaVuSansCondensed-Bold'),
} as const;
export type Weight = 'plain' | 'bold';
export type Face = keyof typeof FACES;

const opened = new Map<Face, Font>();
function open(face: Face): Font {
  let font = opened.get(face);
  if (!font) opened.set(face, (font = create(readFileSync(FACES[face])) as Font));
  return font;
}

const has = (face: Face, letter: string): boolean => /\s/.test(letter) || open(face).hasGlyphForCodePoint(letter.codePointAt(0)!);
const hasAll = (face: Face, text: string): boolean => [...text].every((c) => has(face, c));

/** Stands where no face has the letter. */
export const MISSING = '▯';

export interface Set {
  readonly face: Face;
  readonly text: string;
  /** Letters that no face has. */
  readonly missing: number;
}

/** The face a text is set in, whole; what neither has becomes ▯ and is counted, so that the sheet can say so. */
export function setIn(weight: Weight, text: string): Set {
  if (hasAll(weight, text)) return { face: weight, text, missing: 0 };
  const face: Face = `${weight} wide`;
  let missing = 0;
  const shown = [...text].map((c) => (has(face, c) ? c : (missing++, MISSING))).join('');
  return { face, text: shown, missing };
}
