import { MAX_BOLTS } from '../job/schema';
import { RANGES } from '../job/ranges';
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

/** Circles of a DXF as a hole pattern, named in the order they are drawn. `plain` is millimetres to a unit the file does not name. */
export function readPatternDxf(text: string, plain: number): DxfPattern | Refusal {
  const drawing = readDxf(text, plain);
  if (isRefusal(drawing)) return drawing;
  const { entities, per } = drawing;
  const circles = entities.filter((e) => e.type === 'CIRCLE');
  if (circles.length === 0)
    return refuse('file', `it has no circles among its ${entities.length} parts`, 'holes drawn as circles');
  if (circles.length > MAX_BOLTS) return refuse('file', `it has ${circles.length} circles`, `up to ${MAX_BOLTS} holes`);
  const far = circles.find((c) => Math.max(Math.abs(c.center!.x), Math.abs(c.center!.y)) * per > RANGES.position.max!);
  if (far)
    return refuse(
      'file',
      `a circle is at ${(far.center!.x * per).toFixed(0)}, ${(far.center!.y * per).toFixed(0)} mm`,
      `holes within ${RANGES.position.allowed} of the drawing’s origin, which is the middle of the base`,
    );
  const diameters = circles.map((c) => Math.round(2 * c.radius! * per * 100) / 100);
  const count = (d: number) => diameters.filter((x) => x === d).length;
  const hole = diameters.reduce((a, d) => (count(d) > count(a) ? d : a));
  if (!(hole > 0 && hole <= RANGES.surveyHole.max!))
    return refuse('file', `its holes are ${hole} mm wide`, RANGES.surveyHole.allowed);
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
