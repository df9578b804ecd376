import { CHECKS } from '../checks/registry';
import { kindOf } from './kinds';
import { REFERENCE_VALUES, relativeError, WORKED_FORMULAS } from './values';

const ALL = [...REFERENCE_VALUES, ...WORKED_FORMULAS];

it.each(ALL.map((v) => [`${v.of}: ${v.what} is ${v.expected} (${v.source})`, v] as const))('%s', (_n, v) =>
  expect(relativeError(v)).toBeLessThanOrEqual(v.within),
);

it('every value is of a check in the registry, a load builder, the tightening, or the spread solver', () => {
  const known = new Set([...CHECKS.map((c) => c.id), 'tightening', 'spread', 'standing', 'tap drill', 'units']);
  for (const v of ALL) expect([v.of, known.has(v.of) || v.of.startsWith('load: ')]).toEqual([v.of, true]);
});

/** Links that name no figure: they refuse, or ask only whether a thing is there. */
const WITHOUT = ['bed-anchors', 'access'];

it('every check that yields a figure is held to at least one worked outside the program', () => {
  const held = new Set(ALL.map((v) => v.of));
  expect(CHECKS.filter((c) => !held.has(c.id)).map((c) => c.id)).toEqual(WITHOUT);
});

it('three in four come from a publication, and three in five were read off it: what was written down from memory says so', () => {
  const of = (kind: string) => REFERENCE_VALUES.filter((v) => kindOf(v) === kind).length / REFERENCE_VALUES.length;
  expect(of('published')).toBeGreaterThanOrEqual(3 / 5);
  expect(of('published') + of('from memory')).toBeGreaterThanOrEqual(3 / 4);
});
