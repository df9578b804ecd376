import { MAX_BOLTS } from '../job/schema';
import type { Pattern } from '../job/survey';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { readDxf } from './read-dxf';

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

/** Circles of a DXF as a hole pattern, named in the order they are drawn. `plain` is millimetres to a unit the file does not name. */
export function readPatternDxf(text: string, plain: number): DxfPattern | Refusal {
  const drawing = readDxf<Circle>(text, plain);
  if (isRefusal(drawing)) return drawing;
  const { entities, per } = drawing;
  const circles = entities.filter((e) => e.type === 'CIRCLE' && e.center && e.radius);
  if (circles.length === 0)
    return refuse('file', `it has no circles among its ${entities.length} parts`, 'holes drawn as circles');
  if (circles.length > MAX_BOLTS) return refuse('file', `it has ${circles.length} circles`, `up to ${MAX_BOLTS} holes`);
  const diameters = circles.map((c) => Math.round(2 * c.radius! * per * 100) / 100);
  const count = (d: number) => diameters.filter((x) => x === d).length;
  const hole = diameters.reduce((a, d) => (count(d) > count(a) ? d : a));
  const others = diameters.filter((d) => d !== hole).length;
  const said = [...drawing.said];
  if (others > 0) said.push(`${others} of ${circles.length} circles are not ${hole} mm wide; check them.`);
  if (entities.length > circles.length)
    said.push(`${entities.length - circles.length} other parts of the drawing were left out.`);
  return {
    holes: circles.map((c, i) => ({ id: `H${i + 1}`, x: c.center!.x * per, y: c.center!.y * per })),
    hole,
    said,
  };
}
