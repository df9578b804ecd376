import { oneFoot } from '../job/at-foot';
import { addFoot, madeItsOwn, standingAs } from '../job/feet-edits';
import type { Job } from '../job/schema';
import type { WholeJob } from '../job/whole-job';
import { sharp } from '../geometry/outline';
import { regionCentroid, roundedRect } from '../geometry/region';
import { fromSheet } from '../job/values';
import { lopsidedJob } from '../testing/lopsided-job';
import { testJob } from '../testing/test-job';
import { USUAL_SHOP } from '../stock/shop-settings';
import { barsWanted } from './bars-wanted';
import { buyList } from './buy-list';
import { offWords, pieceWords } from './cards/parts';
import { madeOf, type MadeOf } from './made-of';
import { markOf, partList, type ListedPart } from './part-list';
import { routeOf, workOf } from './route';

const listed = (w: WholeJob): readonly ListedPart[] => {
  const found = partList(w);
  if ('refusals' in found) throw new Error(found.refusals.map((r) => r.because).join());
  return found.parts;
};
const ring = (points: readonly (readonly [number, number])[], bulges: readonly number[] = []) =>
  points.map(([x, y], i) => sharp(x, y, bulges[i] ?? 0));
const backed = lopsidedJob((j) => ({ ...j, far: { kind: 'plate', metal: 'S355', thickness: fromSheet(5, '5 mm'), layers: 2 } }));

it('one foot: each part once, with its flat size, area, edge and mass (by hand)', () => {
  const [plate, backing] = listed(oneFoot(backed));
  const hole = (Math.PI / 4) * 121;
  const face = 235 * 185 - (4 - Math.PI) * 64;
  expect(plate).toMatchObject({
    mark: '1',
    name: 'mounting plate',
    count: 1,
    mirrored: 0,
    length: 235,
    width: 185,
    feet: ['F1'],
  });
  expect(plate!.area).toBeCloseTo(face - 5 * hole, 6);
  expect(plate!.perimeter).toBeCloseTo(2 * (235 + 185) - 8 * 8 + 2 * Math.PI * 8, 6);
  expect(plate!.mass).toBeCloseTo((face - 5 * hole) * 6 * 7850e-9, 9);
  expect(plate!.stock).toBe('Steel S275, 6 mm');
  // The middle of the rectangle, less five holes at their places.
  const sum = (k: 'x' | 'y') => lopsidedJob().bolts.items.reduce((s, b) => s + b[k], 0);
  expect(plate!.centroid.x).toBeCloseTo((face * 22.5 - hole * sum('x')) / (face - 5 * hole), 9);
  expect(plate!.centroid.y).toBeCloseTo((face * 17.5 - hole * sum('y')) / (face - 5 * hole), 9);
  expect(backing).toMatchObject({ mark: '2', count: 2, stock: 'Steel S355, 5 mm' });
});

it('four feet made alike: two of each hand; a part that is its own mirror image has none', () => {
  const four = (job: typeof backed) => listed(standingAs(oneFoot(job), 'F1', 'four feet', { along: 400, across: 300, count: 4 }));
  expect(four(backed).map((p) => [p.name, p.count, p.mirrored])).toEqual([
    ['mounting plate', 2, 2],
    ['backing plate', 4, 4],
  ]);
  expect(four(testJob()).map((p) => [p.name, p.count, p.mirrored])).toEqual([
    ['mounting plate', 4, 0],
    ['backing plate', 4, 0],
  ]);
  const fold = { edge: 'port', radius: fromSheet(6, '6 mm'), height: fromSheet(40, '40 mm') } as const;
  const bent = testJob({}, (j) => ({ ...j, plate: { ...j.plate, fold } }));
  expect(four(bent)[0]).toMatchObject({ count: 2, mirrored: 2 });
});

it('an opening, an arc or a countersink on one side alone gives a plate a hand', () => {
  const four = (change: (j: Job) => Job) =>
    listed(standingAs(oneFoot(testJob({}, change)), 'F1', 'four feet', { along: 400, across: 300, count: 4 }))[0]!;
  const hand = (change: (j: Job) => Job) => [four(change).count, four(change).mirrored];
  const { x0, x1, y0, y1 } = testJob().plate;
  const opening = (y: number) =>
    ring([
      [75, y - 5],
      [85, y - 5],
      [85, y + 5],
      [75, y + 5],
    ]);
  const drawn =
    (bulges: readonly number[], openings: readonly ReturnType<typeof ring>[] = []) =>
    (j: Job) =>
      ({
        ...j,
        plate: {
          ...j.plate,
          corner: 0,
          outline: {
            corners: ring(
              [
                [x0, y0],
                [x1, y0],
                [x1, y1],
                [x0, y1],
              ],
              bulges,
            ),
            openings,
          },
        },
      }) as Job;
  expect(hand(drawn([0, 0, 0, 0]))).toEqual([4, 0]);
  expect(hand(drawn([0, 0, 0, 0], [opening(0)]))).toEqual([4, 0]);
  expect(hand(drawn([0, 0, 0, 0], [opening(15)]))).toEqual([2, 2]);
  expect(hand(drawn([0, 0, 0, 0], [opening(15), opening(-15)]))).toEqual([4, 0]);
  // Bowed out on one long side; on both.
  expect(hand(drawn([0.1, 0, 0, 0]))).toEqual([2, 2]);
  expect(hand(drawn([0.1, 0, 0.1, 0]))).toEqual([4, 0]);
  expect(hand(drawn([0, 0.1, 0, 0]))).toEqual([4, 0]);
});

it('a foot made its own has parts of its own, marked on', () => {
  const pair = addFoot(oneFoot(testJob()), 'F1', { x: 0, y: 400, z: 0 });
  expect(listed(madeItsOwn(pair, 'F2')).map((p) => [p.mark, p.count, p.feet])).toEqual([
    ['1', 1, ['F1']],
    ['2', 1, ['F1']],
    ['3', 1, ['F2']],
    ['4', 1, ['F2']],
  ]);
  const none = testJob({}, (j) => ({ ...j, bolts: { ...j.bolts, items: [] } }));
  expect(partList(addFoot(oneFoot(none), 'F1', { x: 9, y: 0, z: 0 }))).toMatchObject({
    refusals: [expect.objectContaining({ field: expect.stringMatching(/^Foot: bolts/) })],
  });
});

describe('where a part balances', () => {
  it('a half disc: 4r/3π from its flat side (any table of centroids)', () => {
    const half = {
      outer: [
        { x: -30, y: 0, bulge: 0 },
        { x: 30, y: 0, bulge: 1 },
      ],
      openings: [],
    };
    const c = regionCentroid(half);
    expect(c.x).toBeCloseTo(0, 9);
    expect(c.y).toBeCloseTo((4 * 30) / (3 * Math.PI), 9);
  });
  it('a rounded square off the origin is its middle; an opening pulls it the other way', () => {
    const square = roundedRect({ x0: 10, x1: 110, y0: -40, y1: 60 }, 25);
    expect(regionCentroid(square)).toEqual({ x: expect.closeTo(60, 9), y: expect.closeTo(10, 9) });
    const plain = roundedRect({ x0: 0, x1: 100, y0: 0, y1: 100 }, 0);
    const opening = roundedRect({ x0: 60, x1: 80, y0: 40, y1: 60 }, 0).outer;
    const x = (10_000 * 50 - 400 * 70) / 9600;
    expect(regionCentroid({ ...plain, openings: [opening] })).toEqual({ x: expect.closeTo(x, 9), y: expect.closeTo(50, 9) });
    expect(regionCentroid({ ...plain, openings: [[...opening].reverse()] }).x).toBeCloseTo(x, 9);
  });
});

it('a plate whose holes have partners across its middle at another x has a hand', () => {
  const at = (items: { id: string; x: number; y: number }[]) =>
    lopsidedJob((j) => ({ ...j, plate: { ...j.plate, y0: -80, y1: 80 }, bolts: { ...j.bolts, items } }));
  const count = (job: ReturnType<typeof lopsidedJob>) => {
    const [plate] = listed(standingAs(oneFoot(job), 'F1', 'two rails', { along: 1, across: 500, count: 2 }));
    return [plate!.count, plate!.mirrored];
  };
  const b = (id: string, x: number, y: number) => ({ id, x, y });
  expect(count(at([b('B1', 60, 50), b('B2', 60, -50), b('B3', -50, 50), b('B4', -50, -50)]))).toEqual([2, 0]);
  expect(count(at([b('B1', 60, 50), b('B2', 40, -50), b('B3', -50, 50), b('B4', -30, -50)]))).toEqual([1, 1]);
});

it('what is stamped at a mirrored foot has a stroke, and none where the part has no hand', () => {
  const pair = standingAs(oneFoot(lopsidedJob()), 'F1', 'two rails', { along: 1, across: 500, count: 2 });
  expect(pair.feet.map((f) => markOf(listed(pair), f, 'plate'))).toEqual(['1', '1′']);
  const alike = standingAs(oneFoot(testJob()), 'F1', 'two rails', { along: 1, across: 500, count: 2 });
  expect(alike.feet.map((f) => markOf(listed(alike), f, 'plate'))).toEqual(['1', '1']);
});

it('plate is told in the unit of the job: 3/16 in, and never 4.762499 mm', () => {
  const inch = (j: Job): Job => ({ ...j, units: 'inch', plate: { ...j.plate, thickness: fromSheet(4.762499, '3/16 in') } });
  expect(listed(oneFoot(testJob({}, inch)))[0]!.stock).toBe('Steel S275, 3/16 in');
});

describe('a left and right pair on one foot', () => {
  const pair = (job: Job): WholeJob => oneFoot({ ...job, survey: { ...job.survey, sides: 'pair' } });
  it('makes one plate of each hand, or two of one that has none', () => {
    expect(listed(pair(backed)).map((p) => [p.name, p.count, p.mirrored])).toEqual([
      ['mounting plate', 1, 1],
      ['backing plate', 2, 2],
    ]);
    expect(listed(pair(testJob())).map((p) => [p.count, p.mirrored])).toEqual([
      [2, 0],
      [2, 0],
    ]);
  });
  it('takes twice the bolts, the welding and the fitting', () => {
    const welded = testJob({ fz: 900 }, (j) => ({
      ...j,
      welds: { ...j.welds, fitting: 'all round' },
      joint: { ...j.joint, head: 'studding' },
    }));
    const made = (w: WholeJob) => madeOf(w) as MadeOf;
    const [one, two] = [made(oneFoot(welded)), made(pair(welded))];
    const work = (of: MadeOf) => workOf(of, USUAL_SHOP);
    for (const key of ['drill', 'weld', 'bolts', 'welded', 'bolted', 'cut', 'tack'] as const)
      expect([key, work(two)[key]]).toEqual([key, expect.closeTo(2 * work(one)[key], 9)]);
    const fit = (of: MadeOf) => routeOf(of, USUAL_SHOP).find((o) => o.id === 'fit')!.minutes;
    expect(fit(two)).toBe(2 * fit(one));
    const studs = (w: WholeJob) => {
      const found = barsWanted(w);
      return 'wanted' in found ? found.wanted.flatMap((b) => b.pieces).reduce((n, p) => n + p.count, 0) : NaN;
    };
    expect([studs(oneFoot(welded)), studs(pair(welded))]).toEqual([4, 8]);
    const bolts = (of: MadeOf) =>
      buyList({ of, sheets: [], bars: [], shop: USUAL_SHOP }).lines.find((l) => l.group === 'fasteners')!.note;
    expect([bolts(one), bolts(two)]).toEqual([expect.stringMatching(/^8 needed/), expect.stringMatching(/^16 needed/)]);
  });
  it('on several feet it is the feet that say how many there are', () => {
    const four = standingAs(pair(backed), 'F1', 'four feet', { along: 400, across: 300, count: 4 });
    expect(listed(four).map((p) => [p.count, p.mirrored])).toEqual([
      [2, 2],
      [4, 4],
    ]);
  });
});

it('pieces in words: on several feet what each foot takes, and how many that makes', () => {
  const said = (count: number, mirrored: number, feet: number) =>
    pieceWords({ count, mirrored, feet: Array.from({ length: feet }, (_, i) => `F${i}`) });
  expect([said(3, 0, 1), said(1, 1, 1), said(0, 2, 1)]).toEqual(['3', '1 + 1 mirrored', '2 mirrored']);
  expect([said(8, 0, 4), said(4, 4, 4)]).toEqual(['2 a foot, 8 in all', '2 a foot, 8 in all: 4 + 4 mirrored']);
  expect(offWords({ count: 3, mirrored: 0, feet: ['F1'] })).toBe('3 off');
  expect(offWords({ count: 4, mirrored: 0, feet: ['F1', 'F2'] })).toBe('2 a foot, 4 in all');
});
