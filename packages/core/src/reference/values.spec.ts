import { CHECKS } from '../checks/registry';
import { REFERENCE_VALUES, relativeError } from './values';

it.each(REFERENCE_VALUES.map((v) => [`${v.of}: ${v.what} is ${v.expected} (${v.source})`, v] as const))('%s', (_t, v) => {
  expect(v.got()).not.toBeNaN();
  expect(relativeError(v)).toBeLessThanOrEqual(v.within);
});

it('every value is of a check in the registry, a load builder, or the tightening', () => {
  const known = new Set([...CHECKS.map((c) => c.id), 'tightening']);
  for (const v of REFERENCE_VALUES) expect([v.of, known.has(v.of) || v.of.startsWith('load: ')]).toEqual([v.of, true]);
});
