import type { Saw } from '@core/shop/bar-cutting';
import type { SheetCut } from '@core/shop/sheet-nesting';
import { USUAL_SAW } from '@core/stock/bar-lengths';
import { USUAL_SHEET_CUT } from '@core/stock/sheet-sizes';

/** How the shop cuts, kept in the browser: the reader’s and not the job’s. What does not read there is as usual. */
function kept<T extends object>(key: string, usual: T, reads: (v: Partial<T>) => boolean) {
  return {
    read(): T {
      try {
        const found = JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<T> | null;
        return found && reads(found) ? { ...usual, ...found } : usual;
      } catch {
        return usual;
      }
    },
    write: (now: T): void => localStorage.setItem(key, JSON.stringify(now)),
  };
}
const within = (v: unknown, most: number): boolean => v === undefined || (typeof v === 'number' && v >= 0 && v <= most);

export const keptSaw = kept<Saw>('saw', USUAL_SAW, (s) => within(s.kerf, 20) && within(s.endWaste, 500));
export const keptSheetCut = kept<SheetCut>(
  'sheet cut',
  { ...USUAL_SHEET_CUT, along: false },
  (c) => within(c.kerf, 20) && within(c.margin, 100),
);
