import { isRefusal } from '../units/refusal';
import { newJob } from '../job/new-job';
import { oneFoot } from '../job/at-foot';
import { WholeJob } from '../job/whole-job';
import { fileOf } from '../testing/job-files';
import { readPatternDxf } from './pattern-dxf';

/** A drawing of circles, each x, y and diameter in its own unit; codes and values as the DXF reference has them. */
function drawing(unit: number | undefined, circles: readonly (readonly [number, number, number])[]): string {
  const header = unit === undefined ? [] : ['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', String(unit), '0', 'ENDSEC'];
  const body = circles.flatMap(([x, y, d]) => [
    '0',
    'CIRCLE',
    '8',
    '0',
    '10',
    String(x),
    '20',
    String(y),
    '30',
    '0',
    '40',
    String(d / 2),
  ]);
  return [...header, '0', 'SECTION', '2', 'ENTITIES', ...body, '0', 'ENDSEC', '0', 'EOF'].join('\n');
}

const CIRCLES = [
  [1, 2, 0.15],
  [-3, 4, 0.15],
  [4, -4.5, 0.05],
] as const;

it.each([
  ['inches', 1, 25.4],
  ['feet', 2, 304.8],
  ['millimetres', 4, 1],
  ['centimetres', 5, 10],
  ['metres', 6, 1000],
] as const)('$INSUNITS %s: every place and the most common hole in millimetres', (_name, unit, per) => {
  const read = readPatternDxf(drawing(unit, CIRCLES), 7);
  if (isRefusal(read)) throw new Error(read.because);
  expect(read.holes.map((h) => [h.x, h.y])).toEqual([
    [per, 2 * per],
    [-3 * per, 4 * per],
    [4 * per, -4.5 * per],
  ]);
  expect(read.hole).toBeCloseTo(0.15 * per, 2);
  expect(read.said).toEqual([expect.stringContaining('1 of 3 circles')]);
});

it('no unit named: the job’s own, and said so; a unit nobody knows is refused by name', () => {
  const read = readPatternDxf(drawing(undefined, CIRCLES), 25.4);
  expect(!isRefusal(read) && [read.holes[0]!.x, read.said[0]]).toEqual([25.4, expect.stringContaining('read as inches')]);
  expect(readPatternDxf(drawing(17, CIRCLES), 1)).toMatchObject({ field: '$INSUNITS', because: 'unit 17 is not read here' });
});

it('a drawing too large, empty or without circles says so with the limit', () => {
  expect(readPatternDxf('0\nX\n'.repeat(600_000), 1)).toMatchObject({ because: 'it is 2.4 MB', allowed: 'up to 2 MB' });
  expect(readPatternDxf('  \n', 1)).toMatchObject({ because: 'there is nothing in it' });
  expect(readPatternDxf(drawing(4, []), 1)).toMatchObject({ allowed: 'holes drawn as circles' });
});

it('a job file is two-space JSON with a line end, in the order of the schema', () => {
  const text = fileOf(newJob('a', 'A'));
  expect(text.startsWith('{\n  "format": "mast-shoe/job",\n  "version": 4,\n')).toBe(true);
  expect(text.endsWith('}\n')).toBe(true);
  expect(Object.keys(JSON.parse(text))).toEqual(Object.keys(WholeJob.parse(oneFoot(newJob('a', 'A')))));
});
