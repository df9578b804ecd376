import fc from 'fast-check';
import { sharp } from '../geometry/outline';
import { distance } from '../geometry/points';
import { testJob } from '../testing/test-job';
import { isRefusal } from '../units/refusal';
import { evenlySpaced, placesOf, rowOf, withBoltsAt, type Pattern } from './arrays';
import type { Job } from './schema';
import { shapedPlate } from './shaped';

const job = testJob();
const at = (p: Pattern, j: Job = job) => {
  const found = placesOf(j, p);
  if (isRefusal(found)) throw new Error(found.because);
  return found;
};

it('a row and a grid lie about their middle, each a pitch from the next', () => {
  expect(at({ of: 'row', n: 3, pitch: 40, along: 'y', middle: { x: 10, y: 5 } })).toEqual([
    { x: 10, y: -35 },
    { x: 10, y: 5 },
    { x: 10, y: 45 },
  ]);
  const grid = at({ of: 'grid', nx: 2, ny: 3, px: 100, py: 30, middle: { x: 0, y: 0 } });
  expect(grid).toHaveLength(6);
  expect([Math.min(...grid.map((p) => p.x)), Math.max(...grid.map((p) => p.y))]).toEqual([-50, 30]);
});

it('a ring of n is a regular polygon on its circle (geometry): sides d·sin(π/n)', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 3, max: 24 }),
      fc.double({ min: 20, max: 400, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      (n, diameter, from) => {
        const ring = at({ of: 'ring', n, diameter, from, middle: { x: 7, y: -3 } });
        ring.forEach((p, i) => {
          expect(distance(p, { x: 7, y: -3 })).toBeCloseTo(diameter / 2, 6);
          expect(distance(p, ring[(i + 1) % n]!)).toBeCloseTo(diameter * Math.sin(Math.PI / n), 6);
        });
      },
    ),
  );
});

it('along an edge they stand evenly, all as far inside; on an arc too', () => {
  // The test plate: x −115 to 115, y −105 to 105; its starboard edge runs forward.
  const square: Job = { ...job, plate: { ...job.plate, corner: 0 } };
  expect(at({ of: 'edge', n: 3, edge: 0, inside: 20, ends: 15 }, square)).toEqual([
    { x: -100, y: -85 },
    { x: 0, y: -85 },
    { x: 100, y: -85 },
  ]);
  const round: Job = {
    ...job,
    plate: shapedPlate(job.plate, { corners: [sharp(-100, 0, 1), sharp(100, 0, 1)], openings: [] }),
  };
  for (const p of at({ of: 'edge', n: 5, edge: 0, inside: 18, ends: 20 }, round)) {
    expect(distance(p, { x: 0, y: 0 })).toBeCloseTo(82, 0);
    expect(p.y).toBeLessThan(0);
  }
});

it('what cannot be is refused by its reason', () => {
  const because = (p: Pattern) => {
    const found = placesOf(job, p);
    return isRefusal(found) ? `${found.because}; ${found.allowed}` : '';
  };
  expect(because({ of: 'grid', nx: 10, ny: 7, px: 5, py: 5, middle: { x: 0, y: 0 } })).toBe('70 holes; 1 to 60 holes');
  expect(because({ of: 'edge', n: 2, edge: 4, inside: 10, ends: 10 })).toContain('no edge 5');
  expect(because({ of: 'edge', n: 2, edge: 0, inside: 10, ends: 200 })).toContain('leaves nothing');
});

it('in place of the bolts, or besides them under names of their own', () => {
  const places = [
    { x: 1, y: 2 },
    { x: 3, y: 4 },
  ];
  expect(withBoltsAt(job, places, 'instead').bolts.items.map((b) => b.id)).toEqual(['B1', 'B2']);
  expect(withBoltsAt(job, places, 'besides').bolts.items.map((b) => b.id)).toEqual(['B1', 'B2', 'B3', 'B4', 'B5', 'B6']);
});

it('a row is spaced evenly between its ends, which stay; others do not move', () => {
  const row = withBoltsAt(
    job,
    [-90, -70, 10, 90].map((x) => ({ x, y: -80 })),
    'instead',
  );
  const more = withBoltsAt(row, [{ x: 5, y: 80 }], 'besides');
  const even = evenlySpaced(more, 'B2', 'x', 5);
  expect(even.bolts.items.map((b) => [b.x, b.y])).toEqual([
    [-90, -80],
    [-30, -80],
    [30, -80],
    [90, -80],
    [5, 80],
  ]);
  expect(rowOf(more, 'B5', 'x', 5)).toHaveLength(1);
  expect(evenlySpaced(more, 'B5', 'x', 5)).toEqual(more);
});
