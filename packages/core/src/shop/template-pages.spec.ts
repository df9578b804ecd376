import { isRefusal } from '../units/refusal';
import { MARGIN, OVERLAP, PAPERS, STRIP, templateFor, type PaperName, type Template } from './template-pages';

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
