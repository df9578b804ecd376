import { outlineFault, regionOf, sharp } from '../geometry/outline';
import { regionArea } from '../geometry/region';
import { lopsidedJob } from '../testing/lopsided-job';
import { isResolved, resolve } from './resolve';
import {
  addedCorner,
  asRectangle,
  cornerAt,
  drawnAs,
  drawnByCorners,
  outlineOff,
  rectanglePlate,
  shapedPlate,
  withCorner,
  withOpening,
  withoutCorner,
  wrappedRound,
} from './shaped';

const job = lopsidedJob();
const drawn = drawnByCorners(job);
const area = (j: typeof job) => regionArea(regionOf(j.plate.outline!));
const FACE = 235 * 185 - (4 - Math.PI) * 64;
const outer = (index: number) => ({ ring: -1, index });

it('corner by corner: the rectangle as it was, its four corners round as they were', () => {
  expect(area(drawn)).toBeCloseTo(FACE, 9);
  expect(drawn.plate.outline!.corners.map((c) => [c.x, c.y, c.make, c.size])).toEqual([
    [-95, -75, 'round', 8],
    [140, -75, 'round', 8],
    [140, 110, 'round', 8],
    [-95, 110, 'round', 8],
  ]);
  expect(drawnByCorners(drawn)).toEqual(drawn);
  const square = drawnByCorners(lopsidedJob((j) => ({ ...j, plate: { ...j.plate, corner: 0 } })));
  expect(square.plate.outline!.corners.every((c) => c.make === 'sharp')).toBe(true);
});

it('a corner moved takes what the plate reaches to with it; made otherwise it is that corner alone', () => {
  const moved = withCorner(drawn, outer(2), { x: 160, y: 95 });
  expect(moved.plate).toMatchObject({ x0: -95, y0: -75 });
  // The round in the corner takes a little off its tip.
  expect(moved.plate.x1).toBeLessThan(160);
  expect(outlineOff(moved.plate)).toBeUndefined();
  const clipped = withCorner(drawn, outer(1), { make: 'clip', size: 20 });
  expect(area(clipped)).toBeCloseTo(FACE + (1 - Math.PI / 4) * 64 - 200, 9);
  expect(cornerAt(clipped.plate, outer(9))).toBeUndefined();
  expect(withCorner(job, outer(0), { x: 0 })).toBe(job);
});

it('a corner more stands half way and changes nothing; one less leaves three at least', () => {
  const more = addedCorner(drawn, outer(1));
  expect(more.plate.outline!.corners[2]).toEqual(sharp(140, 17.5));
  expect(area(more)).toBeCloseTo(FACE, 9);
  const three = withoutCorner(drawn, outer(0));
  expect(three.plate.outline!.corners).toHaveLength(3);
  expect(withoutCorner(three, outer(0))).toBe(three);
  expect(withoutCorner(job, outer(0))).toBe(job);
  const arched = withCorner(drawnByCorners(lopsidedJob((j) => ({ ...j, plate: { ...j.plate, corner: 0 } }))), outer(1), {
    bulge: 0.4,
  });
  expect(addedCorner(arched, outer(1)).plate.outline!.corners[1]!.bulge).toBe(0);
});

it('openings come and go; one left with two corners goes', () => {
  const open = withOpening(job, { x: 100, y: 20 }, 30, 5);
  expect(open.plate.outline!.openings).toHaveLength(1);
  expect(area(open)).toBeCloseTo(FACE - (900 - (4 - Math.PI) * 25), 9);
  const inner = (index: number) => ({ ring: 0, index });
  const shifted = withCorner(open, inner(0), { x: 80 });
  expect(cornerAt(shifted.plate, inner(0))).toMatchObject({ x: 80, y: 5 });
  const two = withoutCorner(withoutCorner(open, inner(0)), inner(0));
  expect(two.plate.outline!.openings).toHaveLength(0);
});

it('ready shapes and the hull are drawn about the base, and a rectangle again reaches as far', () => {
  const tee = drawnAs(job, 'T', { length: 240, width: 180, part: 60 });
  expect(tee.plate).toMatchObject({ x0: -120, x1: 120, y0: -90, y1: 90 });
  const wrapped = wrappedRound(job, 22);
  const r = resolve(wrapped);
  expect(isResolved(r) && outlineFault(wrapped.plate.outline!)).toBe('');
  const back = asRectangle(wrapped);
  expect(back.plate.outline).toBeUndefined();
  expect(back.plate).toMatchObject({ x0: wrapped.plate.x0, x1: wrapped.plate.x1 });
  expect(rectanglePlate(tee.plate, { x0: -1, x1: 2, y0: -3, y1: 4 })).toMatchObject({ x0: -1, x1: 2, y0: -3, y1: 4, corner: 8 });
});

it('a ring drawn clockwise is turned round; a bent edge goes with the rectangle', () => {
  const fold = { edge: 'aft', radius: { v: 6, text: '6', from: 'sheet' }, height: { v: 40, text: '40', from: 'sheet' } } as const;
  const plate = shapedPlate({ ...job.plate, fold }, { corners: [sharp(0, 0), sharp(0, 50), sharp(60, 0)], openings: [] });
  expect(plate.fold).toBeUndefined();
  expect(outlineFault(plate.outline!)).toBe('');
});
