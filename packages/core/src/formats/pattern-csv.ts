import { RANGES } from '../job/ranges';
import type { Pattern } from '../job/survey';
import type { UnitSystem } from '../units/format-quantity';
import { isRefusal, type Refusal } from '../units/refusal';
import { readTable, type LineError } from './read-table';

type Hole = Pattern['holes'][number];

const COLUMNS = [
  { key: 'name', headings: ['name', 'hole', 'id', 'no', 'nr', '#'], optional: true },
  { key: 'x', headings: ['x', 'forward', 'fore'], range: RANGES.position },
  { key: 'y', headings: ['y', 'port', 'to port'], range: RANGES.position },
] as const;

const NAME = /^[A-Za-z0-9_-]{1,40}$/;

/** A hole pattern from CSV: x and y, with a name where there is one (H1, H2 … where not). */
export function readPatternCsv(
  text: string,
  system: UnitSystem,
): { readonly holes: readonly Hole[]; readonly errors: readonly LineError[] } | Refusal {
  const table = readTable(text, COLUMNS, system, 'sheet');
  if (isRefusal(table)) return table;
  const errors = [...table.errors];
  const holes: Hole[] = [];
  const taken = new Set<string>();
  for (const { line, values, words } of table.rows) {
    const id = words['name'] || `H${holes.length + 1}`;
    if (!NAME.test(id)) errors.push({ line, says: `name: "${id}" — allowed: 1 to 40 letters, digits, - or _` });
    else if (taken.has(id)) errors.push({ line, says: `name: "${id}" stands twice — allowed: each hole its own name` });
    else {
      taken.add(id);
      holes.push({ id, x: values['x']!.v, y: values['y']!.v });
    }
  }
  return { holes, errors: errors.sort((a, b) => a.line - b.line) };
}
