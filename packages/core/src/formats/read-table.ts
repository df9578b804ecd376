import Papa from 'papaparse';
import { readValue } from '../job/values';
import type { FieldRange } from '../units/field-range';
import type { UnitSystem } from '../units/format-quantity';
import type { Provenance, Quantity } from '../units/quantity';
import { isRefusal, refuse, refusalText, type Refusal } from '../units/refusal';

/** A column of a table as people head it; without a range it is text. */
export interface Column {
  readonly key: string;
  /** Headings read as this column, lower case, units in brackets left out. */
  readonly headings: readonly string[];
  readonly range?: FieldRange;
  readonly optional?: true;
}

export interface TableRow {
  /** Line of the file, from 1. */
  readonly line: number;
  readonly values: Readonly<Record<string, Quantity>>;
  readonly words: Readonly<Record<string, string>>;
}

export interface LineError {
  readonly line: number;
  readonly says: string;
}

/** Rows that read well, and what is wrong with the others by line: the good ones are kept only when the person says so. */
export interface Table {
  readonly rows: readonly TableRow[];
  readonly errors: readonly LineError[];
}

export const MAX_ROWS = 500;

/** Longest table that is read, characters. */
export const MAX_TABLE = 500_000;
const shortly = (text: string): string => (text.length > 200 ? `${text.slice(0, 200)}…` : text);

/** A heading with the unit in brackets at its end. */
function headingOf(cell: string): { readonly name: string; readonly unit: string } {
  const text = cell.trim();
  const opens = /[)\]]$/.test(text) ? Math.max(text.lastIndexOf('('), text.lastIndexOf('[')) : -1;
  if (opens < 0) return { name: text.toLowerCase(), unit: '' };
  return { name: text.slice(0, opens).trim().toLowerCase(), unit: text.slice(opens + 1, -1).trim() };
}

/**
 * Reads a CSV table: comma, semicolon or tab, BOM, CRLF, decimal comma, a unit in the cell ("12,5 kg", 3/4") or in
 * the heading ("mass (kg)"). A cell that can be read two ways is an error, not a guess.
 */
export function readTable(text: string, columns: readonly Column[], system: UnitSystem, from: Provenance): Table | Refusal {
  if (text.length > MAX_TABLE)
    return refuse('table', `it is ${(text.length / 1000).toFixed(0)} kB`, `up to ${MAX_TABLE / 1000} kB`);
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: [';', '\t', ',', '|'],
    skipEmptyLines: false,
  });
  const lines = parsed.data;
  const headAt = lines.findIndex((cells) => cells.some((c) => c.trim() !== ''));
  if (headAt < 0) return refuse('table', 'there is nothing in it', 'a heading line and at least one row');
  const head = lines[headAt]!.map(headingOf);
  const at = new Map(columns.map((c) => [c.key, head.findIndex((h) => c.headings.includes(h.name))]));
  const missing = columns.filter((c) => !c.optional && at.get(c.key) === -1);
  if (missing.length > 0)
    return refuse(
      `line ${headAt + 1}`,
      `no column for ${missing.map((c) => c.key).join(', ')} among "${shortly(head.map((h) => h.name).join('", "'))}"`,
      missing.map((c) => `${c.key}: ${c.headings.join(' or ')}`).join('; '),
    );
  const body = lines.slice(headAt + 1).map((cells, i) => ({ cells, line: headAt + 2 + i }));
  const filled = body.filter(({ cells }) => cells.some((c) => c.trim() !== ''));
  if (filled.length === 0) return refuse('table', 'there is no row under the headings', 'at least one row');
  if (filled.length > MAX_ROWS) return refuse('table', `it has ${filled.length} rows`, `up to ${MAX_ROWS}`);
  const rows: TableRow[] = [];
  const errors: LineError[] = [];
  for (const { cells, line } of filled) {
    const values: Record<string, Quantity> = {};
    const words: Record<string, string> = {};
    const wrong: string[] = [];
    for (const c of columns) {
      const i = at.get(c.key)!;
      const cell = (i < 0 ? '' : (cells[i] ?? '')).trim();
      if (c.optional && cell === '') continue;
      if (!c.range) {
        words[c.key] = cell.slice(0, 80);
        continue;
      }
      const bare = /^[-+−]?[\d.,\s/]+$/.test(cell);
      const read = readValue(
        bare && head[i]!.unit ? `${cell} ${head[i]!.unit}` : cell,
        { ...c.range, label: c.range.label },
        system,
        from,
      );
      if (isRefusal(read)) wrong.push(refusalText(read));
      else values[c.key] = read;
    }
    if (wrong.length > 0) errors.push({ line, says: wrong.join('; ') });
    else rows.push({ line, values, words });
  }
  return { rows, errors };
}
