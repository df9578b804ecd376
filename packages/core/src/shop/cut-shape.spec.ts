import DxfParser from 'dxf-parser';
import { cutLength, regionArea } from '../geometry/region';
import { oneFoot } from '../job/at-foot';
import { standingAs } from '../job/feet-edits';
import { lopsidedJob } from '../testing/lopsided-job';
import { resolved } from '../testing/test-job';
import { isRefusal } from '../units/refusal';
import { cutParts } from './cut-parts';
import { compensated, laidShape, otherHand, type CutShape } from './cut-shape';
import { DXF_LAYERS, SHEET_LAYERS, sheetDxf } from './dxf';
import { laidOn, outlineOn } from './on-sheet';
import { sheetsWanted } from './sheets-wanted';
import type { SheetPlan } from './sheet-nesting';
import { cutSvg } from './svg';

const [plate] = cutParts(resolved(lopsidedJob()));

it('compensated for the cut: the outline out by half of it (Steiner), every hole in', () => {
  const wide = compensated(plate!, 1.6) as CutShape;
  const δ = 0.8;
  expect(regionArea(wide.region)).toBeCloseTo(regionArea(plate!.region) + cutLength(plate!.region) * δ + Math.PI * δ ** 2, 6);
  expect(wide.holes.map((h) => h.d)).toEqual(plate!.holes.map((h) => h.d - 1.6));
  expect(compensated(plate!, 0)).toEqual({ region: plate!.region, holes: plate!.holes });
});
it('refuses a cut wider than a hole, and one that is none', () => {
  const no = compensated({ ...plate!, holes: [{ id: 'B1', x: 0, y: 0, d: 3 }] }, 4);
  expect(isRefusal(no) && no.because).toBe('hole B1 is 3 mm wide, the cut 4 mm');
  expect(isRefusal(compensated(plate!, -1))).toBe(true);
  expect(isRefusal(compensated(plate!, NaN))).toBe(true);
});
it('the other hand has every hole on the other side, and twice turned over is itself', () => {
  const other = otherHand(plate!);
  expect(other.holes.map((h) => [h.id, h.x, h.y, h.d])).toEqual(plate!.holes.map((h) => [h.id, h.x, -h.y, h.d]));
  expect(regionArea(other.region)).toBeCloseTo(regionArea(plate!.region), 9);
  expect(otherHand(other).holes.map((h) => h.y)).toEqual(plate!.holes.map((h) => h.y));
});

describe('a nested sheet as one file', () => {
  const pair = standingAs(oneFoot(lopsidedJob()), 'F1', 'two rails', { along: 1, across: 500, count: 2 });
  const found = sheetsWanted(pair, { kerf: 3, margin: 10, along: false });
  if ('refusals' in found) throw new Error('refused');
  const s = found.wanted[0]!;
  const plan = s.plan as SheetPlan;
  const sheet = plan.sheets[0]!;
  const shapes = sheet.pieces.map((p) => {
    const { of, laid } = laidOn(s, p, plan.wide);
    return { ...laidShape(of.part, laid), mark: p.id };
  });
  const read = new DxfParser().parseSync(sheetDxf(plan, shapes, ['Test, version 1']))!;
  const on = (layer: string) =>
    (read.entities as unknown as { layer: string; vertices: { x: number; y: number }[]; text: string }[]).filter(
      (e) => e.layer === layer,
    );

  it('has every piece within the sheet’s margins and none over another (read by a general library)', () => {
    const outlines = on(DXF_LAYERS.outline);
    expect(outlines).toHaveLength(2);
    const boxes = outlines.map(({ vertices: v }) => ({
      x0: Math.min(...v.map((p) => p.x)),
      x1: Math.max(...v.map((p) => p.x)),
      y0: Math.min(...v.map((p) => p.y)),
      y1: Math.max(...v.map((p) => p.y)),
    }));
    for (const b of boxes) {
      expect(Math.min(b.x0, b.y0)).toBeGreaterThanOrEqual(10 - 1e-6);
      expect(b.x1).toBeLessThanOrEqual(plan.long - 10 + 1e-6);
      expect(b.y1).toBeLessThanOrEqual(plan.wide - 10 + 1e-6);
    }
    const [a, b] = boxes as [(typeof boxes)[0], (typeof boxes)[0]];
    expect(Math.max(b.x0 - a.x1, a.x0 - b.x1, b.y0 - a.y1, a.y0 - b.y1)).toBeGreaterThanOrEqual(3 - 1e-6);
  });
  it('has the holes of both hands in their own outlines, the marks beside, and the sheet’s edge apart', () => {
    expect(on(DXF_LAYERS.holes)).toHaveLength(10);
    expect(on(SHEET_LAYERS.text).map((e) => e.text)).toEqual(expect.arrayContaining(['1', '1′', 'Test, version 1']));
    expect(on(SHEET_LAYERS.sheet)).toHaveLength(1);
    sheet.pieces.forEach((p, i) => {
      const { x0, y0 } = { x0: p.x, y0: plan.wide - p.y };
      expect(Math.min(...outlineOn(s, p, plan.wide).outer.map((v) => v.x))).toBeCloseTo(x0, 6);
      expect(Math.max(...shapes[i]!.region.outer.map((v) => v.y))).toBeCloseTo(y0, 6);
    });
  });
});

it('a piece of the other hand lies on the sheet as the plate turned over: its holes from its own corner are the mirrored plate’s', () => {
  const pair = standingAs(oneFoot(lopsidedJob()), 'F1', 'two rails', { along: 1, across: 500, count: 2 });
  const found = sheetsWanted(pair, { kerf: 3, margin: 10, along: true });
  if ('refusals' in found) throw new Error('refused');
  const s = found.wanted[0]!;
  const plan = s.plan as SheetPlan;
  for (const p of plan.sheets[0]!.pieces) {
    const { of, laid } = laidOn(s, p, plan.wide);
    const [x, y] = [p.x, plan.wide - p.y - (of.part.bounds.y1 - of.part.bounds.y0)];
    const drawn = p.id.endsWith('′') ? otherHand(of.part) : of.part;
    const want = drawn.holes.map((h) => [h.x - drawn.bounds.x0, h.y - drawn.bounds.y0]);
    const have = laidShape(of.part, laid).holes.map((h) => [h.x - x, h.y - y]);
    have.flat().forEach((v, i) => expect(v).toBeCloseTo(want.flat()[i]!, 6));
  }
});

it('as SVG: its size in true millimetres, holes as circles, arcs as arcs, names escaped', () => {
  const svg = cutSvg([plate!], { lines: ['Łódź <&> "x"', 'DOES NOT HOLD'] });
  expect(svg).toContain('width="235mm" height="185mm" viewBox="0 0 235 185"');
  expect(svg.match(/<circle /g)).toHaveLength(5);
  expect(svg.match(/A8 8 0 0 /g)).toHaveLength(4);
  expect(svg).toContain('<title>Łódź &#60;&#38;&#62; &#34;x&#34;</title>');
  const [h] = plate!.holes;
  expect(svg).toContain(`<circle cx="${h!.x - plate!.bounds.x0}" cy="${plate!.bounds.y1 - h!.y}" r="${h!.d / 2}"/>`);
});
