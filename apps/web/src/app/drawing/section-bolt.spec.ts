import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { fastenerSize } from '@core/stock/fasteners';
import { testJob, withJoint } from '@core/testing/test-job';
import { boltInSection, type Shape } from './section-bolt';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const m10 = fastenerSize('M10')!;
const b1 = testJob().bolts.items[0]!;

/** Extents of a shape made of straight moves, read off its path. */
function extent(s: Shape): { x0: number; x1: number; top: number; bottom: number } {
  let [x, y] = [0, 0];
  const xs: number[] = [];
  const ys: number[] = [];
  for (const [, c, rest] of s.d.matchAll(/([MHVLhlQ])([^MHVLhlQZ]*)/g)) {
    const n = rest!.trim().split(/[ ,]+/).map(Number);
    if (c === 'M' || c === 'L') [x, y] = [n[0]!, n[1]!];
    if (c === 'H') x = n[0]!;
    if (c === 'V') y = n[0]!;
    if (c === 'h') x += n[0]!;
    if (c === 'l') [x, y] = [x + n[0]!, y + n[1]!];
    if (c === 'Q') [x, y] = [n[2]!, n[3]!];
    xs.push(x);
    ys.push(y);
  }
  return { x0: Math.min(...xs), x1: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

const drawn = (change: (j: Job) => Job = (j) => j, bolt = b1) => boltInSection(testJob({}, change), bolt, m10);
const only = (of: Shape['of'], change?: (j: Job) => Job) =>
  drawn(change)
    .shapes.filter((s) => s.of === of)
    .map(extent);
const bare = (j: Job): Job => ({ ...j, far: { kind: 'washer' } });

// M10: head 6.4, washer 2, nut 8.4, two threads of 1.5; plate 8, skin 8, backing 5 (by hand).
describe('a nut', () => {
  it('head, washers and nut stand where the stack ends', () => {
    const b = drawn();
    expect([b.top, b.end]).toEqual([-8.4, expect.closeTo(21 + 2 + 8.4 + 3, 9)]);
    expect(only('head')).toEqual([expect.objectContaining({ top: -8.4, bottom: -2 })]);
    expect(only('washer').map((w) => [w.top, w.bottom])).toEqual([
      [-2, 0],
      [21, 23],
    ]);
    expect(only('nut')[0]).toMatchObject({ top: 23, bottom: 31.4 });
    expect(only('hole')[0]).toMatchObject({ x0: b1.x - 5.5, x1: b1.x + 5.5, top: 0, bottom: 21 });
  });
  it('each layer is drawn with its own hole', () => {
    const own = { ...b1, holes: { plate: mm(22), skin: mm(14), backing: mm(12) } };
    expect(
      drawn(undefined, own)
        .shapes.filter((x) => x.of === 'hole')
        .map((x) => x.d),
    ).toEqual([
      `M${b1.x - 11} 0H${b1.x + 11}V8H${b1.x - 11}Z`,
      `M${b1.x - 7} 8H${b1.x + 7}V16H${b1.x - 7}Z`,
      `M${b1.x - 6} 16H${b1.x + 6}V21H${b1.x - 6}Z`,
    ]);
    const slot = { ...b1, holes: { slot: mm(31), turn: 0 } };
    expect(drawn(undefined, slot).shapes.find((x) => x.of === 'hole')!.d).toBe(
      `M${b1.x - 15.5} 0H${b1.x + 15.5}V8H${b1.x - 15.5}Z`,
    );
  });
  it('clamps the base too where it passes through it', () =>
    expect(drawn(undefined, { id: 'B9', x: 45, y: 35 }).top).toBe(-16.4));
  it('has the wide washer where one is fitted, and two nuts of a pair', () => {
    expect(only('washer', (j) => ({ ...j, far: { kind: 'large washer' } }))[1]).toMatchObject({ x0: b1.x - 15, top: 16 });
    expect(only('nut', withJoint({ nutKind: 'jam' }))).toHaveLength(2);
  });
  it('welded on it has no washer, and two fillets', () => {
    const welded = withJoint({ holding: 'weld nut' });
    expect(only('washer', welded)).toHaveLength(1);
    expect(only('nut', welded)[0]).toMatchObject({ top: 21 });
    expect(only('weld', welded)[0]!.x0).toBeLessThan(b1.x - 8);
  });
});

describe('heads', () => {
  it('countersunk lies in the plate, without a washer', () => {
    expect(only('head', withJoint({ head: 'countersunk' }))[0]).toMatchObject({ top: 0, bottom: 6.2 });
    expect(only('washer', withJoint({ head: 'countersunk' }))).toHaveLength(1);
  });
  it('a socket head is as high as the bolt is thick', () =>
    expect(only('head', withJoint({ head: 'socket' }))[0]).toMatchObject({ top: -12, bottom: -2 }));
  it('studding has a nut at both ends', () => {
    expect(only('nut', withJoint({ head: 'studding' }))).toHaveLength(2);
    expect(only('head', withJoint({ head: 'studding' }))).toHaveLength(0);
  });
  it('a carriage head is round and low', () =>
    expect(only('head', withJoint({ head: 'carriage' }))[0]).toMatchObject({ x0: b1.x - 10, x1: b1.x + 10 }));
});

describe('held without a nut', () => {
  it('a lag: no nut, no through hole, its point in the timber at its stocked length, its thread from the shank on', () => {
    const lag = (j: Job): Job => ({
      ...bare(withJoint({ holding: 'lag screw', engagement: mm(60) })(j)),
      skin: { ...j.skin, kind: 'timber', grade: 'C24', grain: 'x', endGrain: mm(300), thickness: mm(120) } as Job['skin'],
    });
    expect(only('nut', lag)).toEqual([]);
    expect(only('washer', lag)).toHaveLength(1);
    const [clear, pilot] = only('hole', lag);
    expect(clear!.bottom).toBe(8);
    // 60 of thread asks for a screw of 100 (0.6 of it): less washer and plate, 2 and 8, it goes 90 deep.
    expect(pilot).toMatchObject({ top: 8, bottom: 98, x0: b1.x - 3.5 });
    expect(drawn(lag).end).toBe(98);
  });
  it('tapped in the backing: the thread ends in it, past it as the stocked bolt is longer', () => {
    const tapped = withJoint({ holding: 'tapped', engagement: mm(5) });
    expect(only('nut', tapped)).toEqual([]);
    // 2 + 8 + 8 + 5 asks for 23: a bolt of 25 stands out 2 past 21.
    expect(drawn(tapped).end).toBeCloseTo(23, 9);
    expect(only('hole', tapped)[1]).toMatchObject({ x0: b1.x - 4.25, bottom: 21 });
  });
  it('a rivet nut sits in the skin', () => {
    const insert = (j: Job) => bare(withJoint({ holding: 'rivet nut', engagement: mm(12) })(j));
    expect(only('insert', insert)).toHaveLength(3);
    expect(only('nut', insert)).toEqual([]);
  });
  it('through one wall of a section the nut is inside it', () => {
    const wall = (through: 'one wall' | 'both walls') => (j: Job) =>
      bare({
        ...j,
        skin: { ...j.skin, kind: 'hollow', metal: 'S235', wall: mm(4), width: mm(60), through, thickness: mm(50) } as Job['skin'],
      });
    expect(only('nut', wall('one wall'))[0]).toMatchObject({ top: 8 + 4 + 2 });
    expect(only('nut', wall('both walls'))[0]).toMatchObject({ top: 8 + 50 + 2 });
  });
});
