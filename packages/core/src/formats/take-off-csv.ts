import { PART_KINDS, PART_RANGES, type Part, type PartKind } from '../loads/take-off';
import type { UnitSystem } from '../units/format-quantity';
import { fromSheet } from '../units/quantity';
import { isRefusal, type Refusal } from '../units/refusal';
import { readTable, type LineError } from './read-table';

const COLUMNS = [
  { key: 'name', headings: ['name', 'item', 'part', 'what', 'description'] },
  { key: 'kind', headings: ['kind', 'type', 'group'], optional: true },
  { key: 'mass', headings: ['mass', 'weight', 'm', 'kg'], range: PART_RANGES.mass },
  { key: 'x', headings: ['x', 'forward', 'fore', 'lcg'], range: PART_RANGES.x, optional: true },
  { key: 'y', headings: ['y', 'port', 'to port', 'tcg'], range: PART_RANGES.y, optional: true },
  { key: 'z', headings: ['z', 'height', 'up', 'vcg'], range: PART_RANGES.z, optional: true },
] as const;

/** A weight take-off from CSV: name and mass, with kind and position where they are given (0 where not). */
export function readTakeOff(
  text: string,
  system: UnitSystem,
): { readonly parts: readonly Part[]; readonly errors: readonly LineError[] } | Refusal {
  const table = readTable(text, COLUMNS, system, 'sheet');
  if (isRefusal(table)) return table;
  const errors = [...table.errors];
  const parts: Part[] = [];
  for (const { line, values, words } of table.rows) {
    const kind = (words['kind']?.toLowerCase() || 'equipment') as PartKind;
    if (!PART_KINDS.includes(kind))
      errors.push({ line, says: `kind: "${words['kind']}" is not known — allowed: ${PART_KINDS.join(', ')}` });
    else if (!words['name']) errors.push({ line, says: 'name: nothing was typed — allowed: 1 to 80 characters' });
    else
      parts.push({
        id: `P${parts.length + 1}`,
        name: words['name'],
        kind,
        mass: values['mass']!,
        x: values['x'] ?? fromSheet(0, '0'),
        y: values['y'] ?? fromSheet(0, '0'),
        z: values['z'] ?? fromSheet(0, '0'),
      });
  }
  return { parts, errors: errors.sort((a, b) => a.line - b.line) };
}
