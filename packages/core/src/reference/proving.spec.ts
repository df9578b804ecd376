import { relativeError } from './values';
import { PROVING_VALUES } from './proving';

it.each(PROVING_VALUES.map((v) => [`${v.of}: ${v.what}`, v] as const))('%s', (_name, v) => {
  expect(relativeError(v)).toBeLessThanOrEqual(v.within);
});
