import { fromSheet } from '../units/quantity';
import DxfParser from 'dxf-parser';
import { cautionsFor } from '../chain/cautions';
import { resolved, testJob } from '../testing/test-job';
import { drillList } from './drill-list';
import { DXF_LAYERS, plateDxf } from './dxf';
import { gripOf } from './weight-and-cost';
import { isRefusal } from '../units/refusal';
import { MARGIN, OVERLAP, PAPERS, STRIP, templateFor, type PaperName, type Template } from './template-pages';

const sheetsFor = (plate: Parameters<typeof templateFor>[0], paper: PaperName) => templateFor(plate, paper) as Template;

interface Entity {
  type: string;
  layer: string;
  center?: { x: number; y: number };
  radius?: number;
  vertices?: { x: number; y: number; bulge?: number }[];
  text?: string;
}

it('DXF re-read by a general DXF library: holes, outline and layers', () => {
  const job = testJob();
  const read = new DxfParser().parseSync(plateDxf(job, resolved(job), cautionsFor(job)))!;
  const entities = read.entities as unknown as Entity[];
  const circles = entities.filter((e) => e.layer === DXF_LAYERS.holes);
  expect(circles.map((c) => [c.center!.x, c.center!.y, c.radius])).toEqual(job.bolts.items.map((b) => [b.x, b.y, 5.5]));
  const outline = entities.find((e) => e.layer === DXF_LAYERS.outline)!.vertices!;
  expect([
    Math.min(...outline.map((v) => v.x)),
    Math.max(...outline.map((v) => v.x)),
    Math.min(...outline.map((v) => v.y)),
    Math.max(...outline.map((v) => v.y)),
  ]).toEqual([-115, 115, -105, 105]);
  expect(
    entities
      .filter((e) => e.layer === DXF_LAYERS.caution)
      .map((e) => e.text)
      .join(' '),
  ).toContain('does not approve');
});

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

it('drill list measures from the aft starboard corner', () => {
  const job = testJob();
  expect(drillList(job, resolved(job))[0]).toEqual({
    hole: 'B1',
    x: 205,
    y: 185,
    diameter: 11,
    fastener: 'M10 8.8',
    note: 'stack-drill with backing plate',
  });
});

it('grip is the whole stack: washer 2 + plate 8 + skin 8 + backing 5 + washer 2', () =>
  expect(gripOf(resolved(testJob()), false)).toBe(25));

it('the drill list names the packer under each bolt that needs one, by the gaps read there', () => {
  const base = testJob();
  const gaps = [0, 0.6, 2.4, 1.9];
  const shims = base.bolts.items.map((b, i) => ({ id: `S${i + 1}`, x: b.x, y: b.y, gap: fromSheet(gaps[i]!, `${gaps[i]} mm`) }));
  const job = { ...base, survey: { ...base.survey, shims } };
  expect(drillList(job, resolved(job)).map((r) => r.note.replace('stack-drill with backing plate', 'stack'))).toEqual([
    'stack',
    'stack; packer 0.6 mm',
    'stack; packer 2.4 mm',
    'stack; packer 1.9 mm',
  ]);
});
