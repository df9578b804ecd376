import { roundedRect } from '../geometry/region';
import { slotLoop } from '../geometry/slots';
import { nestOn, type FlatPiece, type SheetPlan } from './sheet-nesting';
import { rectangleIn } from './nest-in-openings';

const frame: FlatPiece = {
  id: 'frame',
  name: 'Frame',
  length: 500,
  width: 300,
  count: 2,
  area: 500 * 300 - 380 * 180,
  openings: [{ x0: 60, x1: 440, y0: 40, y1: 220 }],
};
const small: FlatPiece = { id: 's', name: 'Small', length: 120, width: 80, count: 8, area: 9600 };
const cut = { kerf: 3, margin: 10, along: false };
const planned = (pieces: readonly FlatPiece[], sizes: readonly (readonly [number, number])[] = [[2000, 1000]], c = cut) =>
  nestOn(pieces, sizes, c) as SheetPlan;

it('small parts lie in the openings of large ones, a cut from their edges and from each other', () => {
  const { sheets } = planned([frame, small]);
  const size = { frame: [500, 300], s: [120, 80] } as const;
  const rect = (p: SheetPlan['sheets'][0]['pieces'][0]) => {
    const [l, w] = size[p.id as 's'];
    return { ...p, x1: p.x + (p.turned ? w : l), y1: p.y + (p.turned ? l : w) };
  };
  const all = sheets[0]!.pieces.map(rect);
  const frames = all.filter((p) => p.id === 'frame');
  const holes = frames.map((f) =>
    f.turned
      ? { x: f.x + 40, x1: f.x + 220, y: f.y + 500 - 440, y1: f.y + 500 - 60 }
      : { x: f.x + 60, x1: f.x + 440, y: f.y + 40, y1: f.y + 220 },
  );
  const in_ = all.filter(
    (p) =>
      p.id === 's' &&
      holes.some((h) => p.x >= h.x + 3 - 1e-6 && p.x1 <= h.x1 - 3 + 1e-6 && p.y >= h.y + 3 - 1e-6 && p.y1 <= h.y1 - 3 + 1e-6),
  );
  // 374 × 174 clear: three by two less their cuts is 366 × 163.
  expect(in_).toHaveLength(8);
  all
    .filter((p) => p.id === 's')
    .forEach((a, i, list) =>
      list
        .slice(i + 1)
        .forEach((b) => expect(Math.max(b.x - a.x1, a.x - b.x1, b.y - a.y1, a.y - b.y1)).toBeGreaterThanOrEqual(3 - 1e-6)),
    );
});
it('so fewer sheets do: fourteen pieces beside a frame need more sheets than with some of them in it', () => {
  const room: readonly [number, number][] = [[640, 540]];
  const beside = planned(
    [
      { ...frame, count: 1, openings: [] },
      { ...small, count: 14 },
    ],
    room,
  );
  const within = planned(
    [
      { ...frame, count: 1 },
      { ...small, count: 14 },
    ],
    room,
  );
  expect(within.sheets.length).toBeLessThan(beside.sheets.length);
  const count = (p: SheetPlan, id: string) => p.sheets.flatMap((s) => s.pieces).filter((x) => x.id === id).length;
  expect([count(within, 's'), count(within, 'frame')]).toEqual([14, 1]);
});
it('the rectangle in an opening: all of a sharp one, of a rounded one what its corners leave, of a circle the square of its proportions', () => {
  const r = { x0: 10, x1: 110, y0: 20, y1: 70 };
  expect(rectangleIn(roundedRect(r, 0).outer)).toEqual(r);
  // (50k − 40)² + (25k − 15)² = 10² at its corner: k 0.92.
  expect(rectangleIn(roundedRect(r, 10).outer)!.x0).toBeCloseTo(60 - 0.92 * 50, 1);
  const circle = rectangleIn(
    slotLoop(
      [
        { x: 0, y: 0 },
        { x: 0, y: 0 },
      ],
      100,
    ),
  )!;
  // Side of the square in a circle: d/√2, by the chords the arc is seen as a little less.
  expect(circle.x1 - circle.x0).toBeCloseTo(100 / Math.SQRT2, 0);
});
it('lengths kept along the sheet are kept in the openings too', () => {
  const { sheets } = planned([frame, { ...small, length: 80, width: 120 }], [[2000, 1000]], { ...cut, along: true });
  expect(sheets.flatMap((s) => s.pieces).every((p) => !p.turned)).toBe(true);
});
