import DxfParser from 'dxf-parser';
import { refuse, type Refusal } from '../units/refusal';

export const MAX_DXF = 2_000_000;

/** Millimetres to a drawing unit, by $INSUNITS (DXF reference: 1 inch, 2 foot, 4 mm, 5 cm, 6 m). */
const UNITS: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };

/** The first line that breaks the file: group codes and values take turns, and EOF ends them. */
function brokenLine(text: string): Refusal | undefined {
  const lines = text.replace(/\r\n?/g, '\n').replace(/\n+$/, '').split('\n');
  for (let i = 0; i < lines.length; i += 2)
    if (!/^\s*-?\d+\s*$/.test(lines[i]!))
      return refuse(
        `line ${i + 1}`,
        `"${lines[i]!.slice(0, 30)}" is not a group code`,
        'a DXF in text form, codes and values in turn',
      );
  if (lines.at(-1)!.trim() !== 'EOF')
    return refuse(`line ${lines.length}`, 'it ends without EOF, as if cut off', 'a whole DXF in text form');
  return undefined;
}

/** A drawing that was read: its parts, millimetres to its unit, and what was taken for granted. */
export interface Drawing<E> {
  readonly entities: readonly E[];
  readonly per: number;
  readonly said: readonly string[];
}

/** Opens a DXF in text form. `plain` is millimetres to a unit the file does not name. */
export function readDxf<E>(text: string, plain: number): Drawing<E> | Refusal {
  if (text.length > MAX_DXF) return refuse('file', `it is ${(text.length / 1e6).toFixed(1)} MB`, `up to ${MAX_DXF / 1e6} MB`);
  if (text.trim() === '') return refuse('file', 'there is nothing in it', 'a DXF in text form');
  const broken = brokenLine(text);
  if (broken) return broken;
  let drawing: ReturnType<DxfParser['parseSync']>;
  try {
    drawing = new DxfParser().parseSync(text);
  } catch (e) {
    return refuse('file', (e as Error).message, 'a DXF in text form');
  }
  const code = Number(drawing?.header?.['$INSUNITS'] ?? 0);
  const known = UNITS[code];
  if (code !== 0 && known === undefined) return refuse('$INSUNITS', `unit ${code} is not read here`, 'inches, feet, mm, cm or m');
  const said = known === undefined ? [`The drawing names no unit; read as ${plain === 1 ? 'mm' : 'inches'}, the job’s own.`] : [];
  return { entities: (drawing?.entities ?? []) as unknown as readonly E[], per: known ?? plain, said };
}
