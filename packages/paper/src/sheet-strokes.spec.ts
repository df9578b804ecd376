import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { cutParts } from '@core/shop/cut-parts';
import { sheetWords } from '@core/shop/sheet-words';
import { MARGIN, OVERLAP, templateFor, type Template } from '@core/shop/template-pages';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { resolved } from '@core/testing/test-job';
import { RecordingPen } from './testing/recording-pen';
import { drawOverlaps } from './overlap-marks';
import { drawWindow } from './template-window';

/** Every stroke of a sheet by its place on the paper. The lopsided plate runs from −95, −75 to 140, 110 about the base's middle. */
const mm = (v: number) => fromSheet(v, `${v} mm`);
const near = (p: readonly number[]) => p.map((v) => expect.closeTo(v, 9));

function sheet(job: Job, k = 0, id = 'plate') {
  const r = resolved(job);
  const part = cutParts(r).find((p) => p.id === id)!;
  const template = templateFor(part.bounds, 'a4') as Template;
  const said = sheetWords(r, { version: 1, on: '2026-03-04' })(part);
  const pen = new RecordingPen();
  const on = template.sheets[k]!;
  drawWindow(pen, { job, part, base: id === 'plate' ? r.base : undefined, said }, template, on);
  const X = (x: number) => MARGIN + x - on.window.x0;
  const Y = (y: number) => MARGIN + on.window.y1 - y;
  const word = (start: string) => pen.written.filter((w) => w.text.startsWith(start));
  return { pen, template, X, Y, word };
}

const adapter = lopsidedJob((j) => ({
  ...j,
  base: { ...j.base, holes: [{ id: 'H1', x: 25, y: 15 }] },
  joint: { ...j.joint, head: 'countersunk' },
}));

it('a hole: its circle, a cross 5 mm past it each way, its name, size and what is done there beside it', () => {
  const { pen, X, Y, word } = sheet(adapter);
  const circles = pen.drawn.filter((d) => d.what === 'circle');
  expect(circles.map((c) => c.at)).toEqual(
    [
      [110, 80, 5.5],
      [95, -50, 5.5],
      [-70, 60, 5.5],
      [-65, -45, 5.5],
      [20, 85, 5.5],
      [25, 15, 4.5],
    ].map(([x, y, r]) => near([X(x!), Y(y!), r!])),
  );
  expect(new Set(circles.map((c) => c.by.lineWidth))).toEqual(new Set([0.25]));
  const [x, y] = [X(110), Y(80)];
  expect(pen.lines()).toContainEqual(near([x - 10.5, y, x + 10.5, y]));
  expect(pen.lines()).toContainEqual(near([x, y - 10.5, x, y + 10.5]));
  expect(word('B1')[0]).toMatchObject({ x: expect.closeTo(x + 7, 9), y: expect.closeTo(y - 5.2, 9), weight: 'bold', size: 3.4 });
  expect(word('ø 11 mm').map((w) => w.text)).toEqual(Array.from({ length: 5 }, () => 'ø 11 mm'));
  expect(word('ø 11 mm')[0]).toMatchObject({ x: expect.closeTo(x + 7, 9), y: expect.closeTo(y + 1, 9), size: 2.8 });
  expect(word('countersink')).toHaveLength(5);
  expect(word('countersink')[0]).toMatchObject({ y: expect.closeTo(y + 4.2, 9), size: 2.4 });
  expect(word('ø 9 mm').map((w) => w.text)).toEqual(['ø 9 mm, fitting']);
});

it('the base dashed, and an arrow from 6 to 20 mm ahead of its middle with two barbs', () => {
  const { pen, X, Y, word } = sheet(lopsidedJob());
  const base = pen.drawn.filter((d) => d.what === 'rect')[1]!;
  expect(base.at).toEqual(near([X(-35), Y(25), 70, 50]));
  expect(base.by).toEqual({ lineWidth: 0.2, dash: [3, 2] });
  expect(pen.drawn.filter((d) => d.by.lineWidth === 0.3).map((d) => d.at)).toEqual(
    [
      [6, 0],
      [20, 0],
      [17, 1.5],
      [20, 0],
      [17, -1.5],
    ].map(([x, y]) => near([X(x!), Y(y!)])),
  );
  expect(word('forward')[0]).toMatchObject({ x: expect.closeTo(X(6), 9), y: expect.closeTo(Y(0) + 1.5, 9), size: 3 });
});

it('without a base the arrow stands by the part’s own middle; in a small part by a third of it', () => {
  const far: Job['far'] = { kind: 'plate', metal: 'S275', thickness: mm(5) };
  const one = sheet(
    lopsidedJob((j) => ({ ...j, far })),
    0,
    'backing',
  );
  const tip = (s: typeof one) => s.pen.drawn.filter((d) => d.by.lineWidth === 0.3)[1]!.at;
  expect(tip(one)).toEqual(near([one.X(22.5 + 20), one.Y(17.5)]));
  const washer = { kind: 'plate washer', metal: 'S275', thickness: mm(5), outside: mm(30) } as unknown as Job['far'];
  const small = sheet(
    lopsidedJob((j) => ({ ...j, far: washer })),
    0,
    'plate-washer',
  );
  expect(tip(small)).toEqual(near([small.X(10), small.Y(0)]));
});

it.each([
  ['fore', true],
  ['starboard', false],
] as const)('a bent %s edge: starts and ends in short dashes, middle in long ones, words along the middle', (edge, upright) => {
  const fold = { edge, radius: mm(6), height: mm(40) };
  const { pen, X, Y, word } = sheet(lopsidedJob((j) => ({ ...j, plate: { ...j.plate, fold } })));
  const long = (d: number) => (upright ? [X(140 + d), Y(-75), X(140 + d), Y(110)] : [X(-95), Y(-75 - d), X(140), Y(-75 - d)]);
  // π/2·(6 + 0.4·6), K 0.4 at r = t (common practice).
  const a = (Math.PI / 2) * 8.4;
  const bends = pen.drawn.flatMap((d, i) =>
    d.what === 'moveTo' && d.by.dash.length > 0 ? [[d, pen.drawn[i + 1]!] as const] : [],
  );
  expect(bends.map(([from, to]) => [...from.at, ...to.at])).toEqual([long(0), long(a / 2), long(a)].map(near));
  expect(bends.map(([from]) => from.by)).toEqual([
    { lineWidth: 0.25, dash: [2, 1.5] },
    { lineWidth: 0.25, dash: [8, 1.5] },
    { lineWidth: 0.25, dash: [2, 1.5] },
  ]);
  const [cx, cy] = upright ? [X(140 + a / 2), Y(17.5)] : [X(22.5), Y(-75 - a / 2)];
  expect(word('bend: starts and ends (short dashes), middle (long dashes)')[0]).toMatchObject({
    x: expect.closeTo(cx - 34, 9),
    y: expect.closeTo(cy - 3.4, 9),
    size: 2.6,
  });
  expect(pen.drawn.filter((d) => d.what === 'rotate').map((d) => d.at)).toEqual(upright ? [[-90]] : []);
});

it('one sheet has no frame, several have one each', () => {
  const frames = (s: ReturnType<typeof sheet>) => s.pen.drawn.filter((d) => d.what === 'rect' && d.by.lineWidth === 0.1);
  const whole = frames(sheet(lopsidedJob(), 1));
  expect(whole).toHaveLength(1);
  const { x0, x1, y0, y1 } = sheet(lopsidedJob()).template.sheets[1]!.window;
  expect(whole[0]!.at).toEqual(near([MARGIN, MARGIN, x1 - x0, y1 - y0]));
  const small = lopsidedJob((j) => ({
    ...j,
    plate: { ...j.plate, x0: -60, x1: 60 },
    bolts: {
      ...j.bolts,
      items: [
        { id: 'B1', x: 20, y: 85 },
        { id: 'B2', x: 40, y: 85 },
      ],
    },
  }));
  expect(frames(sheet(small))).toEqual([]);
});

it('overlaps: three crosses on each line shared with a neighbour, half the overlap in, with the neighbour’s number', () => {
  const template = templateFor({ x0: -400, x1: 420, y0: -350, y1: 330 }, 'a4') as Template;
  expect(Math.min(template.columns, template.rows)).toBeGreaterThan(2);
  const inside = template.sheets.find((s) => s.column === 1 && s.row === 1)!;
  const marks = (s: (typeof template.sheets)[number]) => {
    const pen = new RecordingPen();
    drawOverlaps(pen, template, s);
    return pen;
  };
  const [w, h] = [inside.window.x1 - inside.window.x0, inside.window.y1 - inside.window.y0];
  const pen = marks(inside);
  const half = OVERLAP / 2;
  const centres = [
    ...[half, w - half].flatMap((x) => [0.2, 0.5, 0.8].map((k) => [MARGIN + x, MARGIN + k * h] as const)),
    ...[half, h - half].flatMap((y) => [0.2, 0.5, 0.8].map((k) => [MARGIN + k * w, MARGIN + y] as const)),
  ];
  expect(pen.lines()).toEqual(centres.flatMap(([x, y]) => [near([x - 3, y, x + 3, y]), near([x, y - 3, x, y + 3])]));
  expect(new Set(pen.drawn.map((d) => d.by.lineWidth))).toEqual(new Set([0.15]));
  expect(pen.written.map((t) => [t.text, t.x, t.y, t.size])).toEqual([
    ['overlaps column 1', MARGIN + half + 1, MARGIN + 6, 2.4],
    // Kept on the paper, where the line lies near its edge.
    ['overlaps column 3', MARGIN + w - 24, MARGIN + 6, 2.4],
    ['overlaps row 1', MARGIN + 1.5, MARGIN + half + 1, 2.4],
    ['overlaps row 3', MARGIN + 1.5, expect.closeTo(MARGIN + h - half + 1, 9), 2.4],
  ]);
  const corner = (s: (typeof template.sheets)[number]) => marks(s).written.map((t) => t.text);
  expect(corner(template.sheets[0]!)).toEqual(['overlaps column 2', 'overlaps row 2']);
  expect(corner(template.sheets.at(-1)!)).toEqual([
    `overlaps column ${template.columns - 1}`,
    `overlaps row ${template.rows - 1}`,
  ]);
});
