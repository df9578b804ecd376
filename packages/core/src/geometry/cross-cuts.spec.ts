import fc from 'fast-check';
import { crossCuts, metalOf, type Void } from './cross-cuts';
import type { Point } from './points';
import { roundedRect, type Region } from './region';

const bar = roundedRect({ x0: 0, x1: 200, y0: -20, y1: 20 }, 0);
const round = (x: number, y: number, d: number): Void => ({
  ends: [
    { x, y },
    { x, y },
  ],
  d,
});
const least = (part: Region, holes: readonly Void[], from: Point, to: Point): number =>
  Math.min(...crossCuts(part, holes, from, to)!.map(metalOf));
const ends: [Point, Point] = [
  { x: 20, y: 0 },
  { x: 180, y: 0 },
];

it('a bar is as wide as it is; a hole takes its diameter, wherever it stands across', () => {
  expect(least(bar, [], ...ends)).toBeCloseTo(40, 6);
  for (const y of [0, 7, -9]) expect(least(bar, [round(100, y, 11)], ...ends)).toBeCloseTo(29, 6);
  // Half out of the edge: only what is in it.
  expect(least(bar, [round(100, 20, 10)], ...ends)).toBeCloseTo(35, 6);
  // Past the ends it counts for nothing.
  expect(least(bar, [round(190, 0, 8)], ...ends)).toBeCloseTo(40, 6);
});
it('two holes beside each other count together, one after the other alone, in part over each other by both their chords', () => {
  expect(least(bar, [round(100, 8, 10), round(100, -8, 6)], ...ends)).toBeCloseTo(24, 6);
  expect(least(bar, [round(100, 8, 10), round(120, -8, 6)], ...ends)).toBeCloseTo(30, 6);
  // 6 apart along, of 10 each: between them both chords are 2·√(25 − 9).
  expect(Math.abs(least(bar, [round(97, 9, 10), round(103, -9, 10)], ...ends) - (40 - 16))).toBeLessThan(0.1);
});
it('a slot counts by what it reaches across, an opening by its own width', () => {
  const across = (turn: number): Void => {
    const [c, s] = [8 * Math.cos(turn), 8 * Math.sin(turn)];
    return {
      ends: [
        { x: 100 - c, y: -s },
        { x: 100 + c, y: s },
      ],
      d: 10,
    };
  };
  expect(least(bar, [across(0)], ...ends)).toBeCloseTo(30, 6);
  expect(least(bar, [across(Math.PI / 2)], ...ends)).toBeCloseTo(14, 6);
  const window = {
    ...bar,
    openings: [
      [
        { x: 90, y: -6, bulge: 0 },
        { x: 110, y: -6, bulge: 0 },
        { x: 110, y: 12, bulge: 0 },
        { x: 90, y: 12, bulge: 0 },
      ],
    ],
  };
  expect(least(window, [], ...ends)).toBeCloseTo(22, 6);
});
it('a waist counts, sharp or round, and what stands beside it past the edge does not', () => {
  const vee: Region = {
    outer: [
      [0, -20],
      [200, -20],
      [200, 20],
      [110, 20],
      [100, 5],
      [90, 20],
      [0, 20],
    ].map(([x, y]) => ({ x: x!, y: y!, bulge: 0 })),
    openings: [],
  };
  expect(least(vee, [], ...ends)).toBeCloseTo(25, 4);
  // A half round bay of radius 8 from one side.
  const bay: Region = {
    outer: [
      { x: 0, y: -20, bulge: 0 },
      { x: 200, y: -20, bulge: 0 },
      { x: 200, y: 20, bulge: 0 },
      { x: 108, y: 20, bulge: -1 },
      { x: 92, y: 20, bulge: 0 },
      { x: 0, y: 20, bulge: 0 },
    ],
    openings: [],
  };
  expect(least(bay, [], ...ends)).toBeCloseTo(32, 4);
  // An arm that stands beside the bar on the same plate, joined only past its end.
  const fork: Region = {
    outer: [
      [0, -20],
      [200, -20],
      [200, 80],
      [0, 80],
      [0, 60],
      [190, 60],
      [190, 20],
      [0, 20],
    ].map(([x, y]) => ({ x: x!, y: y!, bulge: 0 })),
    openings: [],
  };
  expect(least(fork, [], ...ends)).toBeCloseTo(40, 6);
});
it('a line that leaves the part is no strut', () => {
  const horseshoe: Region = {
    outer: [
      [0, 0],
      [100, 0],
      [100, 100],
      [80, 100],
      [80, 20],
      [20, 20],
      [20, 100],
      [0, 100],
    ].map(([x, y]) => ({ x: x!, y: y!, bulge: 0 })),
    openings: [],
  };
  expect(crossCuts(horseshoe, [], { x: 10, y: 90 }, { x: 90, y: 90 })).toBeUndefined();
});
it('turned to any angle, and from either end, the least width is the same', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -3.1, max: 3.1, noNaN: true }),
      fc.integer({ min: 30, max: 170 }),
      fc.integer({ min: -12, max: 12 }),
      fc.integer({ min: 3, max: 14 }),
      (turn, x, y, d) => {
        const [c, s] = [Math.cos(turn), Math.sin(turn)];
        const to = (p: Point): Point => ({ x: c * p.x - s * p.y + 31, y: s * p.x + c * p.y - 12 });
        const turned: Region = { outer: bar.outer.map((v) => ({ ...to(v), bulge: v.bulge })), openings: [] };
        const at = to({ x, y });
        const still = least(bar, [round(x, y, d)], ...ends);
        expect(least(turned, [round(at.x, at.y, d)], to(ends[0]), to(ends[1]))).toBeCloseTo(still, 4);
        expect(least(bar, [round(x, y, d)], ends[1], ends[0])).toBeCloseTo(still, 4);
      },
    ),
  );
});
