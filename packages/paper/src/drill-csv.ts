import { stringify } from 'csv-stringify/sync';
import type { SheetWords } from '@core/shop/sheet-words';
import type { Job } from '@core/job/schema';
import type { DrillRow } from '@core/shop/drill-list';
import { drilling } from '@core/shop/drilling';
import { inchFraction } from '@core/units/format-quantity';
import { INCH } from '@core/units/unit-table';

/** How the reader's own spreadsheet reads numbers: point and comma, or decimal comma and semicolon. */
export const LOCALES = { point: { delimiter: ',', decimal: '.' }, comma: { delimiter: ';', decimal: ',' } } as const;
export type CsvLocale = keyof typeof LOCALES;

/** The nearest drill of the 64ths index, with ≈ where it is not exact; empty where none is within 0.1 mm. */
function drillText(mm: number): string {
  const exact = inchFraction(mm, 0.002);
  const near = inchFraction(mm);
  return exact ?? (near ? `≈ ${near}` : '');
}

/** The bits in their order and the speed of the last, 1/min; empty for a line to scribe and in a bed. */
function toolsFor({ diameter, through }: DrillRow, units: Job['units']): { bits: string; rpm: string } {
  if (diameter === null || !through) return { bits: '', rpm: '' };
  const { bits } = drilling(diameter, through.t, through.what, units);
  return { bits: bits.map((b) => b.text).join(', then '), rpm: String(bits.at(-1)!.rpm) };
}

/** Millimetres, and in an inch job inches with the drill's fraction beside; each row says which job, version and verdict. */
export function drillCsv(job: Job, rows: readonly DrillRow[], said: SheetWords, locale: CsvLocale): string {
  const { delimiter, decimal } = LOCALES[locale];
  const number = (v: number | null, digits: number): string =>
    v === null ? '' : String(Number(v.toFixed(digits))).replace('.', decimal);
  const inches = (v: number | null): string => number(v === null ? null : v / INCH, 4);
  const inch = job.units === 'inch';
  const made = rows.map((r) => ({
    part: r.part,
    hole: r.hole,
    ...(inch
      ? {
          x_in: inches(r.x),
          y_in: inches(r.y),
          diameter_in: inches(r.diameter),
          drill: r.diameter === null ? '' : drillText(r.diameter),
        }
      : {}),
    x_mm: number(r.x, 2),
    y_mm: number(r.y, 2),
    diameter_mm: number(r.diameter, 2),
    fastener: r.fastener,
    note: r.note,
    ...toolsFor(r, job.units),
    job: said.job,
    issue: said.issue,
    verdict: said.verdict,
  }));
  // A byte order mark, or spreadsheets read UTF-8 as their own code page.
  return `\ufeff${stringify(made, { header: true, delimiter, escape_formulas: true })}`;
}
