import { CHECKS } from '../checks/registry';
import { REFERENCE_VALUES, relativeError } from './values';

it.each(REFERENCE_VALUES.map((v) => [`${v.of}: ${v.what} is ${v.expected} (${v.source})`, v] as const))('%s', (_n, v) =>
  expect(relativeError(v)).toBeLessThanOrEqual(v.within),
);

it('every value is of a check in the registry, a load builder, the tightening, or the spread solver', () => {
  const known = new Set([...CHECKS.map((c) => c.id), 'tightening', 'spread']);
  for (const v of REFERENCE_VALUES) expect([v.of, known.has(v.of) || v.of.startsWith('load: ')]).toEqual([v.of, true]);
});

/** Links that name no figure: they refuse, or ask only whether a thing is there. */
const WITHOUT = ['bed-anchors', 'access'];

it('every check that yields a figure is held to at least one from outside the program', () => {
  const held = new Set(REFERENCE_VALUES.map((v) => v.of));
  expect(CHECKS.filter((c) => !held.has(c.id)).map((c) => c.id)).toEqual(WITHOUT);
});
