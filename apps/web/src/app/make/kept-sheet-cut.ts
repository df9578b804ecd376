import type { SheetCut } from '@core/shop/sheet-nesting';
import { USUAL_SHEET_CUT } from '@core/stock/sheet-sizes';

const KEY = 'sheet cut';
const isLength = (v: unknown, most: number): v is number => typeof v === 'number' && v >= 0 && v <= most;

/** How the shop cuts sheets, kept in the browser: the reader’s and not the job’s. */
export const keptSheetCut = {
  read(): SheetCut {
    const usual = { ...USUAL_SHEET_CUT, along: false };
    try {
      const { kerf, margin, along } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<SheetCut>;
      return {
        kerf: isLength(kerf, 20) ? kerf : usual.kerf,
        margin: isLength(margin, 100) ? margin : usual.margin,
        along: along === true,
      };
    } catch {
      return usual;
    }
  },
  write(cut: SheetCut): void {
    localStorage.setItem(KEY, JSON.stringify(cut));
  },
};
