import type { Saw } from '@core/shop/bar-cutting';
import { USUAL_SAW } from '@core/stock/bar-lengths';

const KEY = 'saw';
const isLength = (v: unknown, most: number): v is number => typeof v === 'number' && v >= 0 && v <= most;

/** The shop’s saw, kept in the browser: the reader’s and not the job’s. */
export const keptSaw = {
  read(): Saw {
    try {
      const { kerf, endWaste } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Saw>;
      return {
        kerf: isLength(kerf, 20) ? kerf : USUAL_SAW.kerf,
        endWaste: isLength(endWaste, 500) ? endWaste : USUAL_SAW.endWaste,
      };
    } catch {
      return USUAL_SAW;
    }
  },
  write(saw: Saw): void {
    localStorage.setItem(KEY, JSON.stringify(saw));
  },
};
