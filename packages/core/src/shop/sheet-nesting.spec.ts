import fc from 'fast-check';
import { oneFoot } from '../job/at-foot';
import { standingAs } from '../job/feet-edits';
import { lopsidedJob } from '../testing/lopsided-job';
import { testJob } from '../testing/test-job';
import { isRefusal } from '../units/refusal';
import { nestOn, type FlatPiece, type SheetCut, type SheetPlan } from './sheet-nesting';
import { sheetsWanted } from './sheets-wanted';

const FREE: SheetCut = { kerf: 0, margin: 0, along: false };
const piece = (id: string, length: number, width: number, count = 1): FlatPiece => ({
  id,
  name: `Part ${id}`,
  length,
  width,
  count,
  area: length * width,
});
function planned(pieces: readonly FlatPiece[], sizes: readonly (readonly [number, number])[], cut = FREE): SheetPlan {
  const p = nestOn(pieces, sizes, cut);
  if (isRefusal(p)) throw new Error(p.because);
  return p;
}

/** A sheet cut into pieces guillotine-wise at random, so that one sheet is the known least: how Hopper & Turton (2001) make their sets. */
function cutUp(n: number, random: () => number): FlatPiece[] {
  const rects = [{ w: 2000, h: 1000 }];
  while (rects.length < n) {
    rects.sort((a, b) => b.w * b.h - a.w * a.h);
    const { w, h } = rects.shift()!;
    const part = 0.3 + 0.4 * random();
    if (w > h) rects.push({ w: Math.round(w * part), h }, { w: w - Math.round(w * part), h });
    else rects.push({ w, h: Math.round(h * part) }, { w, h: h - Math.round(h * part) });
  }
  return rects.map((r, i) => piece(`${i}`, Math.max(r.w, r.h), Math.min(r.w, r.h)));
}

describe('known least', () => {
  it('eight squares of 500 fill 2000 × 1000 without kerf; with one only three go on each, and the next size holds all', () => {
    const eight = [piece('a', 500, 500, 8)];
    expect(planned(eight, [[2000, 1000]]).sheets).toHaveLength(1);
    expect(planned(eight, [[2000, 1000]], { ...FREE, kerf: 3 }).sheets).toHaveLength(3);
    expect(
      planned(
        eight,
        [
          [2000, 1000],
          [2500, 1250],
        ],
        { ...FREE, kerf: 3 },
      ),
    ).toMatchObject({ long: 2500, sheets: [{}] });
  });
  it('two strips lie side by side across the sheet, so that most of it is left in one piece', () => {
    const strips = planned([piece('a', 600, 64, 2)], [[2000, 1000]], { kerf: 3, margin: 10, along: false });
    expect(strips.sheets[0]!.pieces.every((p) => p.turned)).toBe(true);
    expect(strips.sheets[0]!.remnant).toBe(2000 - 10 - 64 - 3 - 64 - 3);
  });
  it('sheets cut up at random into 17: never more than two for the one they came from, one in most', () => {
    let seed = 7;
    const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
    const used = Array.from({ length: 20 }, () => planned(cutUp(17, random), [[2000, 1000]]).sheets.length);
    expect(Math.max(...used)).toBe(2);
    expect(planned(cutUp(17, random), [[2000, 1000]]).atLeast).toBe(1);
  });
});

describe('every plan', () => {
  const pieces = fc.array(
    fc.record({
      length: fc.integer({ min: 40, max: 900 }),
      width: fc.integer({ min: 30, max: 900 }),
      count: fc.integer({ min: 1, max: 6 }),
    }),
    { minLength: 1, maxLength: 6 },
  );
  it('has every piece once, clear of the edges and of each other by the kerf, turned only where it may be', () => {
    fc.assert(
      fc.property(
        pieces,
        fc.integer({ min: 0, max: 8 }),
        fc.integer({ min: 0, max: 30 }),
        fc.boolean(),
        (list, kerf, margin, along) => {
          const all = list.map((p, i) => piece(`${i}`, p.length, p.width, p.count));
          const found = planned(all, [[2000, 1000]], { kerf, margin, along });
          const boxes = found.sheets.map((s) =>
            s.pieces.map((p) => {
              const { length, width } = all.find((a) => a.id === p.id)!;
              if (along) expect(p.turned).toBe(false);
              const [w, h] = p.turned ? [width, length] : [length, width];
              return { id: p.id, x0: p.x, x1: p.x + w, y0: p.y, y1: p.y + h };
            }),
          );
          for (const a of all) expect(boxes.flat().filter((b) => b.id === a.id)).toHaveLength(a.count);
          for (const sheet of boxes)
            sheet.forEach((a, i) => {
              expect(Math.min(a.x0, a.y0)).toBeGreaterThanOrEqual(margin);
              expect(a.x1).toBeLessThanOrEqual(2000 - margin);
              expect(a.y1).toBeLessThanOrEqual(1000 - margin);
              for (const b of sheet.slice(i + 1))
                expect(Math.max(a.x0 - b.x1, b.x0 - a.x1, a.y0 - b.y1, b.y0 - a.y1)).toBeGreaterThanOrEqual(kerf);
            });
          expect(found.sheets.length).toBeGreaterThanOrEqual(found.atLeast);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('of a job', () => {
  it('its flat parts by metal and thickness, pieces of both hands together', () => {
    const four = standingAs(oneFoot(lopsidedJob()), 'F1', 'four feet', { along: 600, across: 400, count: 4 });
    const found = sheetsWanted(four, { kerf: 3, margin: 10, along: false });
    if ('refusals' in found) throw new Error('refused');
    for (const w of found.wanted) {
      if (isRefusal(w.plan)) throw new Error(w.plan.because);
      const placed = w.plan.sheets.flatMap((s) => s.pieces);
      expect(placed).toHaveLength(w.parts.reduce((n, p) => n + p.count + p.mirrored, 0));
      expect(w.plan.waste).toBeLessThan(1);
    }
  });
  it('a job that cannot be made says why; a part larger than every sheet, a kerf or margin past all sense are refused by name', () => {
    const none = { ...testJob(), bolts: { ...testJob().bolts, items: [] } };
    expect(sheetsWanted(oneFoot(none), FREE)).toHaveProperty('refusals');
    const no = (p: FlatPiece, cut: SheetCut) => {
      const r = nestOn([p], [[2000, 1000]], cut);
      return isRefusal(r) ? `${r.field}: ${r.because}` : 'planned';
    };
    expect(no(piece('a', 2100, 500), FREE)).toBe('sheets: Part a is 2100 × 500 mm: larger than every sheet');
    expect(no(piece('a', 900, 1500), { ...FREE, along: true })).toContain('larger than every sheet with its length along');
    expect(no(piece('a', 900, 1500), FREE)).toBe('planned');
    expect(no(piece('a', 90, 50), { ...FREE, kerf: -1 })).toContain('cut.kerf');
    expect(no(piece('a', 90, 50), { ...FREE, margin: 200 })).toContain('cut.margin');
  });
});

describe('offcuts', () => {
  const offcuts = [
    { long: 900, wide: 600 },
    { long: 600, wide: 500 },
  ];
  it('the smallest that takes a piece is used up first; what is too large for it goes on', () => {
    const on = (p: FlatPiece) =>
      (nestOn([p], [[2000, 1000]], FREE, offcuts) as SheetPlan).sheets.map((s) => s.offcut?.long ?? 2000);
    expect(on(piece('a', 400, 400))).toEqual([600]);
    expect(on(piece('a', 700, 400))).toEqual([900]);
    expect(on(piece('a', 1200, 400))).toEqual([2000]);
    expect(on(piece('a', 400, 400, 4))).toEqual([600, 900, 2000]);
  });
  it('waste counts what the offcuts took; nothing is bought where they do', () => {
    const p = nestOn([piece('a', 600, 500)], [[2000, 1000]], FREE, offcuts) as SheetPlan;
    expect(p).toMatchObject({ bought: 0, waste: 0 });
  });
});

it('no fewer sheets than the metal fills within the margins: 2 × 900 × 460 on 1000 × 1000 with 50 all round are two', () => {
  expect(planned([piece('a', 900, 460, 2)], [[1000, 1000]], { kerf: 0, margin: 50, along: false })).toMatchObject({ atLeast: 2 });
  expect(planned([piece('a', 900, 440, 2)], [[1000, 1000]], { kerf: 0, margin: 50, along: false })).toMatchObject({ atLeast: 1 });
});
