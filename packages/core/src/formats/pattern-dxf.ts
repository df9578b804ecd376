import DxfParser from 'dxf-parser';
import { MAX_BOLTS } from '../job/schema';
import type { Pattern } from '../job/survey';
import { refuse, type Refusal } from '../units/refusal';

/** Holes of a drawing: every circle, with the diameter most of them have. mm. */
export interface DxfPattern {
  readonly holes: readonly Pattern['holes'][number][];
  readonly hole: number;
  /** What was left out or taken for granted, in words. */
  readonly said: readonly string[];
}

interface Circle {
  readonly type: string;
  readonly center?: { readonly x: number; readonly y: number };
  readonly radius?: number;
}

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

/** Circles of a DXF as a hole pattern, named in the order they are drawn. `plain` is millimetres to a unit the file does not name. */
export function readPatternDxf(text: string, plain: number): DxfPattern | Refusal {
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
  const per = known ?? plain;
  const entities = (drawing?.entities ?? []) as readonly Circle[];
  const circles = entities.filter((e) => e.type === 'CIRCLE' && e.center && e.radius);
  if (circles.length === 0)
    return refuse('file', `it has no circles among its ${entities.length} parts`, 'holes drawn as circles');
  if (circles.length > MAX_BOLTS) return refuse('file', `it has ${circles.length} circles`, `up to ${MAX_BOLTS} holes`);
  const diameters = circles.map((c) => Math.round(2 * c.radius! * per * 100) / 100);
  const count = (d: number) => diameters.filter((x) => x === d).length;
  const hole = diameters.reduce((a, d) => (count(d) > count(a) ? d : a));
  const others = diameters.filter((d) => d !== hole).length;
  const said: string[] = [];
  if (known === undefined) said.push(`The drawing names no unit; read as ${plain === 1 ? 'mm' : 'inches'}, the job’s own.`);
  if (others > 0) said.push(`${others} of ${circles.length} circles are not ${hole} mm wide; check them.`);
  if (entities.length > circles.length)
    said.push(`${entities.length - circles.length} other parts of the drawing were left out.`);
  return {
    holes: circles.map((c, i) => ({ id: `H${i + 1}`, x: c.center!.x * per, y: c.center!.y * per })),
    hole,
    said,
  };
}
