import { heightOf, widthOf } from '../geometry/rects';
import type { Rect } from '../geometry/points';
import type { Printer } from '../stock/shop-settings';
import { refuse, type Refusal } from '../units/refusal';

/** A 1:1 drilling template cut into sheets of paper. Millimetres throughout. */
export const PAPERS = {
  a4: { name: 'A4', width: 210, height: 297 },
  a3: { name: 'A3', width: 297, height: 420 },
  letter: { name: 'US Letter', width: 215.9, height: 279.4 },
  tabloid: { name: 'Tabloid', width: 279.4, height: 431.8 },
  /** Off a roll, as long as is printed at once. */
  'roll 610': { name: 'roll 610 mm', width: 610, height: 1800 },
  'roll 914': { name: 'roll 36 in', width: 914.4, height: 1800 },
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

/** Further off than this a printer’s scale has to be said on the sheet’s face (0.2 %). */
export const SCALE_OFF = 0.002;

/** What a printer makes of a millimetre, across and up the paper. */
const errorOf = (p: Printer) => ({ x: p.across / CALIBRATION, y: p.up / CALIBRATION });

/** How a page is stretched so that this printer prints it true. */
export function stretchOf(p: Printer): { readonly x: number; readonly y: number } {
  const e = errorOf(p);
  return { x: 1 / e.x, y: 1 / e.y };
}

/** What a sheet says of its scale; loud where it is out and not corrected. */
export interface ScaleWords {
  readonly text: string;
  readonly loud: boolean;
}

/** Of the printer a template is for: corrected, near enough, or out and not corrected. */
export function printerWords(printer: { readonly of: Printer; readonly corrected: boolean } | undefined): ScaleWords {
  if (!printer) return { text: 'No printer’s error is taken out of this sheet: check the square.', loud: false };
  const { of, corrected } = printer;
  const e = errorOf(of);
  const part = (v: number) => `${v >= 1 ? '+' : '−'}${(Math.abs(v - 1) * 100).toFixed(2)} %`;
  const off = `${of.name}: ${part(e.x)} across, ${part(e.y)} up`;
  if (corrected)
    return { text: `Corrected for ${off}. Print on that printer alone; the square must then be 50 mm.`, loud: false };
  const out = Math.max(Math.abs(e.x - 1), Math.abs(e.y - 1)) > SCALE_OFF + 1e-9;
  return out
    ? { text: `NOT TO SCALE on ${off}, not corrected: do not mark out by this sheet.`, loud: true }
    : { text: `${off}: within 0.2 %, not corrected.`, loud: false };
}

const sheetsFor = (size: number, window: number) => Math.max(1, Math.ceil((size - OVERLAP) / (window - OVERLAP)));

function cut(plate: Rect, paper: PaperName, landscape: boolean): Template {
  const { width: w, height: most } = PAPERS[paper];
  // A roll is cut off where the part ends.
  const along = (landscape ? widthOf(plate) : heightOf(plate) + STRIP) + 2 * (MARGIN + ROUND_THE_PLATE);
  const h = paper.startsWith('roll') ? Math.min(most, Math.max(w / 2, along)) : most;
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
