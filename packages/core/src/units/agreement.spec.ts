import fc from 'fast-check';
import { RANGES } from '../job/ranges';
import { readJobData } from '../formats/read-job';
import { version3File } from '../testing/job-files';
import { testJob } from '../testing/test-job';
import { disagreement } from './agreement';
import { formatQuantity } from './format-quantity';

const thickness = RANGES.plateThickness;
const no = (v: number, text: string, readings?: number[]) =>
  disagreement({ v, text, ...(readings ? { readings } : {}) }, thickness)?.part;

it.each([
  [6, '6 mm'],
  [6, '6'],
  [6.35, '1/4'],
  [6.35, '1/4 in'],
  [6.35, '0.25'],
  [6, ''],
  [180.975, '7 1/8 in'],
  [2.588_26, '10 ga'],
  [3.2512, '10 swg'],
  // As shown: a tenth of a millimetre, a thousandth of an inch.
  [6.04, '6 mm'],
  [6.36, '0.25 in'],
])('%d and “%s” agree', (v, text) => expect(no(v, text)).toBeUndefined());

it.each([
  [6, '2 mm'],
  [6, '6 in'],
  [6, '1/4 in'],
  [6.1, '6 mm'],
  [-6, '6 mm'],
  [60, '6 mm'],
  [6, 'six'],
  [6, 'as drawn'],
])('%d and “%s” do not', (v, text) => expect(no(v, text)).toBe('text'));

it('the value is the median of its readings', () => {
  expect(no(6, '6 mm', [5.8, 6, 9])).toBeUndefined();
  expect(no(6, '6 mm', [5.8, 6.2])).toBeUndefined();
  expect(no(6, '6 mm', [5, 5, 6])).toBe('readings');
});

it('every value as the program shows it, in either system, reads back as itself', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('length', 'force', 'moment', 'mass', 'angle', 'stress', 'ratio', 'speed', 'area'),
      fc.constantFrom('mm' as const, 'inch' as const),
      fc.double({ min: 0.01, max: 900, noNaN: true }),
      (dimension, system, v) => {
        const text = formatQuantity(v, dimension, system);
        expect([text, disagreement({ v, text }, { ...thickness, dimension })]).toEqual([text, undefined]);
      },
    ),
  );
});

it('a file in which they differ is refused at its path, with both figures', () => {
  const data = JSON.parse(version3File(testJob()));
  data.plate.thickness = { v: 6, text: '2 mm', from: 'measured' };
  const read = readJobData(data);
  expect('refusals' in read && read.refusals).toMatchObject([
    {
      field: 'plate.thickness.text',
      because: 'Plate thickness: “2 mm” reads as 2 and v is 6',
      allowed: 'text, readings and v that agree',
    },
  ]);
});
