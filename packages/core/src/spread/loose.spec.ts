import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { solvedCase } from '../testing/solved-case';
import { testJob } from '../testing/test-job';
import { assemble } from './assemble';
import { linesThrough } from './grid';
import { linkLists } from './link-lists';
import { isotropic } from './plate-element';

/** On a stiff skin, turned about one edge, so that bolts there are slack and their washers hang; the first bolt shifted by so many mm. */
const shifted = (by: number): Job =>
  testJob({ fx: 3000, fy: 1500, z: 200 }, (j) => {
    const [first, ...rest] = j.bolts.items;
    const items = [{ ...first!, x: first!.x + by }, ...rest, { id: 'B9', x: first!.x, y: 0 }];
    return {
      ...j,
      skin: { ...j.skin, thickness: fromSheet(20, '20 mm') },
      plate: { ...j.plate, thickness: fromSheet(8, '8 mm') },
      far: { kind: 'washer' },
      bolts: { ...j.bolts, items },
    };
  });

// Lines that all but meet leave slivers, whose stiffness grows with the cube. Holes measured by hand are off by tenths as a matter
// of course.
it.each([0.02, 0.09, 0.3, 0.9])('a bolt %p mm off its row is solved as one in it, slack washers beside it and all', (by) => {
  const [row, off] = [solvedCase(shifted(0)), solvedCase(shifted(by))];
  expect(row.bolts.filter((b) => b.tension === 0).length).toBeGreaterThan(0);
  const most = Math.max(...row.bolts.map((b) => b.tension));
  row.bolts.forEach((b, i) => expect(Math.abs(off.bolts[i]!.tension - b.tension)).toBeLessThan(0.01 * most));
  expect(off.deflection.value / row.deflection.value).toBeCloseTo(1, 2);
  expect(off.balance).toBeLessThan(1e-6);
});

it('what hangs loose of a layer can be held harder twice, from 1e-11 to 1e-5 of its stiffness; tied and other layers stay', () => {
  const grid = { x: linesThrough([-50, 0, 50], 25), y: linesThrough([-50, 0, 50], 25) };
  const layer = (name: string) => ({
    name,
    outline: { x0: -50, x1: 50, y0: -50, y1: 50 },
    stiffness: isotropic(210_000, 0.3, 5),
    thickness: 5,
  });
  const a = assemble({
    grid,
    layers: ['base', 'plate', 'skin', 'washers'].map(layer),
    contacts: [
      { upper: 0, lower: 1, modulus: 100, tied: true, gap: 0 },
      { upper: 1, lower: 2, modulus: 100, tied: false, gap: 0 },
      { upper: 2, lower: 3, modulus: 100, tied: false, gap: 0 },
    ],
    bolts: [{ id: 'B1', node: 12, upper: 0, lower: 3, stiffness: 1e5, preload: 0 }],
    supports: [],
    springs: [],
  });
  const links = linkLists(a);
  const partsOf = (of: number) =>
    new Set(a.links.flatMap((l, i) => (l.kind === 'contact' && l.of === of ? [links.loose[i]!] : [])));
  const bolt = () => links.loose[a.links.findIndex((l) => l.kind === 'bolt')];
  expect(links.hold(3)).toBe(true);
  expect([...partsOf(0), ...partsOf(1)]).toEqual([1e-11, 1e-11]);
  expect([...partsOf(2)].map((v) => v.toExponential(0))).toEqual(['1e-8']);
  expect(bolt()!.toExponential(0)).toBe('1e-8');
  expect(links.hold(3)).toBe(true);
  expect([...partsOf(2)]).toEqual([1e-5]);
  expect(links.hold(3)).toBe(false);
  expect(links.hold(2)).toBe(true);
  // A contact that acts is as stiff as ever; one that does not as said.
  const x = new Float64Array(a.unknowns);
  const out = new Float64Array(a.unknowns);
  const node = a.links.findIndex((l) => l.kind === 'contact' && l.of === 2 && l.node === 6);
  const { places, stiffness } = a.links[node]!;
  const [upper, lower] = [places[0]!, places[1]!];
  x[upper] = 0.1;
  links.addForces(x, out);
  // Pulled up from the washer below, it hangs on a hundred-thousandth.
  expect(out[lower]).toBeCloseTo(-stiffness * 1e-5 * 0.1, 12);
});
