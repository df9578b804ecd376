import { heightOf, widthOf } from '../geometry/rects';
import type { Rect } from '../geometry/points';
import { refuse, type Refusal } from '../units/refusal';

/** A 1:1 drilling template cut into sheets of paper. Millimetres throughout. */
export const PAPERS = {
  a4: { name: 'A4', width: 210, height: 297 },
  letter: { name: 'US Letter', width: 215.9, height: 279.4 },
} as const;
export type PaperName = keyof typeof PAPERS;

export const MARGIN = 10;
/** Neighbouring sheets repeat this much, with marks to lay over each other. */
export const OVERLAP = 15;
/** Strip at the foot of each sheet: calibration square, words, caution. Folds under the plate edge. */
export const STRIP = 62;
/** Side of the square to check with a ruler. */
export const CALIBRATION = 50;
/** More than this is no template any more: cut from the DXF. */
export const MOST_SHEETS = 60;
/** Paper shown round the plate so that its outline is whole. */
const ROUND_THE_PLATE = 5;

export interface TemplateSheet {
  readonly column: number;
  readonly row: number;
  /** Part of the plate, in plan coordinates, that this sheet shows. */
  readonly window: Rect;
}

export interface Template {
  readonly paper: PaperName;
  readonly landscape: boolean;
  readonly width: number;
  readonly height: number;
  readonly columns: number;
  readonly rows: number;
  readonly sheets: readonly TemplateSheet[];
}

/** The way round that takes fewer sheets; upright when equal. Rows from port to starboard, columns from aft forward. Refuses over 60 sheets. */
export function templateFor(plate: Rect, paper: PaperName): Template | Refusal {
  const upright = cut(plate, paper, false);
  const across = cut(plate, paper, true);
  const fewer = across.sheets.length < upright.sheets.length ? across : upright;
  const n = fewer.sheets.length;
  return n > MOST_SHEETS
    ? refuse(
        'plate',
        `the template would take ${n} sheets of ${PAPERS[paper].name}`,
        `up to ${MOST_SHEETS} sheets; cut a plate this large from the DXF`,
      )
    : fewer;
}

const sheetsFor = (size: number, window: number) => Math.max(1, Math.ceil((size - OVERLAP) / (window - OVERLAP)));

function cut(plate: Rect, paper: PaperName, landscape: boolean): Template {
  const { width: w, height: h } = PAPERS[paper];
  const [width, height] = landscape ? [h, w] : [w, h];
  const windowX = width - 2 * MARGIN;
  const windowY = height - 2 * MARGIN - STRIP;
  const columns = sheetsFor(widthOf(plate) + 2 * ROUND_THE_PLATE, windowX);
  const rows = sheetsFor(heightOf(plate) + 2 * ROUND_THE_PLATE, windowY);
  const cx = (plate.x0 + plate.x1) / 2;
  const cy = (plate.y0 + plate.y1) / 2;
  const left = cx - (columns * windowX - (columns - 1) * OVERLAP) / 2;
  const top = cy + (rows * windowY - (rows - 1) * OVERLAP) / 2;
  const sheets: TemplateSheet[] = [];
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const x0 = left + column * (windowX - OVERLAP);
      const y1 = top - row * (windowY - OVERLAP);
      sheets.push({ column, row, window: { x0, x1: x0 + windowX, y0: y1 - windowY, y1 } });
    }
  }
  return { paper, landscape, width, height, columns, rows, sheets };
}
