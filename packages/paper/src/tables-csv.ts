import { stringify } from 'csv-stringify/sync';
import type { BuyList } from '@core/shop/buy-list';
import { placeWords } from '@core/shop/cards/parts';
import type { MadeOf } from '@core/shop/made-of';
import { LOCALES, type CsvLocale } from './drill-csv';

/** What stands in every row, so that a row that is copied out still says what it is of. */
export interface RowSays {
  readonly job: string;
  readonly issue: string;
  readonly verdict: string;
}

/** A byte order mark, or spreadsheets read UTF-8 as their own code page. */
function csv(rows: readonly Record<string, string | number>[], locale: CsvLocale): string {
  const { delimiter, decimal } = LOCALES[locale];
  const shown = rows.map((r) =>
    Object.fromEntries(Object.entries(r).map(([k, v]) => [k, typeof v === 'number' ? String(v).replace('.', decimal) : v])),
  );
  return `\ufeff${stringify(shown, { header: true, delimiter, escape_formulas: true })}`;
}

const to = (v: number, digits: number): number => Number(v.toFixed(digits));

/** The parts list: a row a part, pieces of either hand, blank and mass. */
export const partsCsv = (of: MadeOf, says: RowSays, locale: CsvLocale = 'point'): string =>
  csv(
    of.parts.map((p) => ({
      mark: p.mark,
      part: p.name,
      as_drawn: p.count,
      mirrored: p.mirrored,
      stock: p.stock,
      blank_length_mm: to(p.length, 1),
      blank_width_mm: to(p.width, 1),
      mass_each_kg: to(p.mass, 3),
      holes: p.holes.length,
      where: placeWords(of, p),
      ...says,
    })),
    locale,
  );

/** The buy list: a row a line, and the sum at the end. */
export const buyCsv = (list: BuyList, currency: string, says: RowSays, locale: CsvLocale = 'point'): string =>
  csv(
    [
      ...list.lines.map((l) => ({
        group: l.group,
        what: l.what,
        count: l.count,
        unit: l.unit,
        sum: to(l.sum, 2),
        currency,
        note: l.note,
      })),
      ...list.missing.map((m) => ({
        group: 'not counted',
        what: m.because,
        count: 0,
        unit: '',
        sum: 0,
        currency,
        note: m.allowed,
      })),
      { group: 'in all', what: '', count: 0, unit: '', sum: to(list.total, 2), currency, note: '' },
    ].map((r) => ({ ...r, ...says })),
    locale,
  );
