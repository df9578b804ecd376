import { roundedRect, type Region } from '../geometry/region';
import { oneFoot } from '../job/at-foot';
import { standingAs } from '../job/feet-edits';
import type { LaidByHand } from '../job/making';
import type { WholeJob } from '../job/whole-job';
import { lopsidedJob } from '../testing/lopsided-job';
import { apart } from './laid-by-hand';
import type { SheetPlan } from './sheet-nesting';
import { sheetsWanted } from './sheets-wanted';

const cut = { kerf: 3, margin: 10, along: false };
const pair = standingAs(oneFoot(lopsidedJob()), 'F1', 'two rails', { along: 1, across: 500, count: 2 });
const stock = 'Steel S275, 6 mm';
const planned = (laid: LaidByHand[], whole: WholeJob = pair) => {
  const found = sheetsWanted(laid.length > 0 ? { ...whole, making: { laid } } : whole, cut);
  if ('refusals' in found) throw new Error('refused');
  return { dropped: found.dropped, sheet: (found.wanted[0]!.plan as SheetPlan).sheets[0]! };
};
const put = (piece: string, x: number, y: number, turned = false): LaidByHand => ({
  stock,
  sheet: 0,
  piece,
  nth: 0,
  x,
  y,
  turned,
});

describe('a piece put by hand', () => {
  it('lies where it was put, and less is left over', () => {
    const before = planned([]).sheet;
    const { sheet, dropped } = planned([put('1', 1200, 300)]);
    expect(dropped).toBe(0);
    expect(sheet.pieces.find((p) => p.id === '1')).toEqual({ id: '1', x: 1200, y: 300, turned: false });
    // Plate 235 long: 2000 − 1435 − 3.
    expect(sheet.remnant).toBeCloseTo(562, 6);
    expect(sheet.remnant).toBeLessThan(before.remnant);
  });
  it('over the margin, off the sheet, or on another it stays as planned and is counted', () => {
    const as = planned([]).sheet;
    for (const h of [
      put('1', 5, 300),
      put('1', 1900, 300),
      put('9', 500, 500),
      { ...put('1', 500, 500), sheet: 4 },
      put('1', as.pieces[1]!.x + 20, as.pieces[1]!.y),
    ]) {
      const { sheet, dropped } = planned([h]);
      expect(dropped).toBe(1);
      expect(sheet.pieces).toEqual(as.pieces);
    }
  });
  it('two change places, whichever was put first', () => {
    const [a, b] = planned([]).sheet.pieces;
    const swap = [put(a!.id, b!.x, b!.y, b!.turned), put(b!.id, a!.x, a!.y, a!.turned)];
    for (const order of [swap, [...swap].reverse()]) {
      const { sheet, dropped } = planned(order);
      expect(dropped).toBe(0);
      expect(sheet.pieces.map((p) => [p.x, p.y])).toEqual([
        [b!.x, b!.y],
        [a!.x, a!.y],
      ]);
    }
  });
});

describe('parts a cut apart', () => {
  const box = (x0: number, x1: number, y0: number, y1: number, openings: Region['openings'] = []): Region => ({
    ...roundedRect({ x0, x1, y0, y1 }, 0),
    openings,
  });
  const frame = box(0, 100, 0, 100, [roundedRect({ x0: 20, x1: 80, y0: 20, y1: 80 }, 0).outer]);
  it('beside each other by the cut; within an opening; never in metal nor across an edge', () => {
    expect(apart(box(0, 10, 0, 10), box(13, 20, 0, 10), 3)).toBe(true);
    expect(apart(box(0, 10, 0, 10), box(12.9, 20, 0, 10), 3)).toBe(false);
    expect(apart(frame, box(25, 60, 25, 60), 3)).toBe(true);
    expect(apart(frame, box(22, 60, 25, 60), 3)).toBe(false);
    expect(apart(box(0, 100, 0, 100), box(25, 60, 25, 60), 3)).toBe(false);
    expect(apart(box(25, 60, 25, 60), box(0, 100, 0, 100), 3)).toBe(false);
    expect(apart(box(0, 100, 40, 50), box(40, 50, 0, 100), 0)).toBe(false);
  });
});
