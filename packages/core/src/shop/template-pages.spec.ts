import { isRefusal } from '../units/refusal';
import {
  MARGIN,
  OVERLAP,
  PAPERS,
  printerWords,
  STRIP,
  stretchOf,
  templateFor,
  type PaperName,
  type Template,
} from './template-pages';

const sheetsFor = (plate: Parameters<typeof templateFor>[0], paper: PaperName) => templateFor(plate, paper) as Template;

describe('template sheets', () => {
  it.each(['a4', 'letter'] as const)('%s: windows cover the plate, overlap by 15 mm and fit the paper', (paper) => {
    const plate = { x0: -300, x1: 310, y0: -120, y1: 260 };
    const t = sheetsFor(plate, paper);
    const { width, height } = PAPERS[paper];
    expect([t.width, t.height].sort()).toEqual([width, height].sort());
    expect(t.sheets).toHaveLength(t.rows * t.columns);
    for (const s of t.sheets) {
      expect(s.window.x1 - s.window.x0).toBeCloseTo(t.width - 2 * MARGIN, 9);
      expect(s.window.y1 - s.window.y0).toBeCloseTo(t.height - 2 * MARGIN - STRIP, 9);
      const right = t.sheets.find((o) => o.row === s.row && o.column === s.column + 1);
      if (right) expect(s.window.x1 - right.window.x0).toBeCloseTo(OVERLAP, 9);
    }
    expect(Math.min(...t.sheets.map((s) => s.window.x0))).toBeLessThan(plate.x0);
    expect(Math.max(...t.sheets.map((s) => s.window.x1))).toBeGreaterThan(plate.x1);
    expect(Math.min(...t.sheets.map((s) => s.window.y0))).toBeLessThan(plate.y0);
    expect(Math.max(...t.sheets.map((s) => s.window.y1))).toBeGreaterThan(plate.y1);
  });
  it('a small plate takes one sheet', () => expect(sheetsFor({ x0: 0, x1: 150, y0: 0, y1: 180 }, 'a4').sheets).toHaveLength(1));
});

it('a plate of ten metres is refused as a template, and says what to do instead', () => {
  const t = templateFor({ x0: -5000, x1: 5000, y0: -5000, y1: 5000 }, 'a4');
  expect(isRefusal(t) && t.because).toMatch(/would take \d{4} sheets of A4/);
  expect(isRefusal(t) && t.allowed).toContain('DXF');
});

it('paper as it is sold: A4 210 × 297 mm (ISO 216), US Letter 8½ × 11 in (ANSI/ASME Y14.1)', () => {
  expect(PAPERS.a4).toMatchObject({ width: 210, height: 297 });
  expect(PAPERS.letter).toMatchObject({ width: expect.closeTo(8.5 * 25.4, 9), height: expect.closeTo(11 * 25.4, 9) });
  expect(PAPERS['roll 914'].width).toBeCloseTo(36 * 25.4, 9);
  expect(PAPERS.a3).toMatchObject({ width: 297, height: 420 });
  expect(PAPERS.tabloid).toMatchObject({ width: expect.closeTo(11 * 25.4, 9), height: expect.closeTo(17 * 25.4, 9) });
});

/** Room on an upright A4: 210 − 2·10 wide, 297 − 2·10 − 62 high; each sheet after the first adds that less the overlap of 15. */
it.each([
  [180, 205, 1, 1, false],
  [180.01, 205, 1, 2, false],
  [180.01, 118, 1, 1, true],
  [100, 205.01, 2, 1, false],
  [355, 205, 1, 2, false],
  [267, 118, 1, 1, true],
  [267, 118.01, 1, 2, false],
  [600, 700, 4, 4, false],
] as const)('a part of %d × %d takes %d rows of %d sheets, landscape %s (by hand)', (x, y, rows, columns, landscape) => {
  const t = sheetsFor({ x0: -20, x1: x - 20, y0: 5, y1: y + 5 }, 'a4');
  expect([t.rows, t.columns, t.landscape, t.sheets.length]).toEqual([rows, columns, landscape, rows * columns]);
  // The part lies in the middle of its sheets, as much paper on either side.
  const w = t.sheets.map((s) => s.window);
  const [x0, x1] = [Math.min(...w.map((s) => s.x0)), Math.max(...w.map((s) => s.x1))];
  const [y0, y1] = [Math.min(...w.map((s) => s.y0)), Math.max(...w.map((s) => s.y1))];
  expect((x0 + x1) / 2).toBeCloseTo(x / 2 - 20, 9);
  expect((y0 + y1) / 2).toBeCloseTo(y / 2 + 5, 9);
  expect(Math.min(x1 - x0 - x, y1 - y0 - y)).toBeGreaterThanOrEqual(10 - 1e-9);
  // The first sheet is aft and to port; each next one is forward or to starboard.
  expect(w[0]).toMatchObject({ x0: expect.closeTo(x0, 9), y1: expect.closeTo(y1, 9) });
  const right = t.sheets.find((s) => s.column === 1 && s.row === 0);
  const below = t.sheets.find((s) => s.column === 0 && s.row === 1);
  if (right) expect(w[0]!.x1 - right.window.x0).toBeCloseTo(15, 9);
  if (below) expect(below.window.y1 - w[0]!.y0).toBeCloseTo(15, 9);
});

it('sixty sheets are the most', () => {
  const n = (width: number) => {
    const t = templateFor({ x0: 0, x1: width, y0: 0, y1: 100 }, 'a4');
    return isRefusal(t) ? t.because : t.sheets.length;
  };
  // Landscape: 277 wide, 262 for each after the first; 60 sheets hold 15 + 60·262 less the border.
  expect(n(15 + 60 * 262 - 10)).toBe(60);
  expect(n(15 + 60 * 262 - 9.9)).toBe('the template would take 61 sheets of A4');
});

describe('off a roll', () => {
  it('one length holds a part up to the roll’s width, cut off where it ends', () => {
    const t = sheetsFor({ x0: 0, x1: 500, y0: 0, y1: 900 }, 'roll 610');
    expect(t.sheets).toHaveLength(1);
    expect(Math.min(t.width, t.height)).toBe(610);
    expect(Math.max(t.width, t.height)).toBeLessThanOrEqual(900 + STRIP + 2 * (MARGIN + 5));
  });
});

describe('a printer’s error', () => {
  const printer = (across: number, up: number) => ({ name: 'Office', across, up });
  it('is its measured side over 50 mm, taken out each way', () => {
    expect(stretchOf(printer(49.8, 50.1))).toEqual({ x: 50 / 49.8, y: 50 / 50.1 });
  });
  it('past 0.2 % and not corrected the sheet says so on its face; corrected or within it does not', () => {
    expect(printerWords({ of: printer(49.8, 50), corrected: false })).toEqual({
      text: 'NOT TO SCALE on Office: −0.40 % across, +0.00 % up, not corrected: do not mark out by this sheet.',
      loud: true,
    });
    expect(printerWords({ of: printer(49.9, 50.1), corrected: false }).loud).toBe(false);
    expect(printerWords({ of: printer(49.8, 50), corrected: true })).toMatchObject({
      loud: false,
      text: expect.stringContaining('Corrected for Office'),
    });
    expect(printerWords(undefined).text).toContain('check the square');
  });
});
