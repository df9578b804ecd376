import { areaOf, MAKING_VALUES, PACKING } from './making';
import { relativeError } from './values';

it.each(MAKING_VALUES.map((v) => [`${v.of}: ${v.what} is ${v.expected} (${v.source})`, v] as const))('%s', (_n, v) =>
  expect(relativeError(v)).toBeLessThanOrEqual(v.within + 1e-12),
);
it('published packing instances fill their square: areas of 400', () => expect(PACKING.map(areaOf)).toEqual([400, 400, 400]));
