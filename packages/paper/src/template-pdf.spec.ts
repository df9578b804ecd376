import { paperDoc } from './paper-doc';
import { inflateSync } from 'node:zlib';
import { sheetWords } from '@core/shop/sheet-words';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { cutParts } from '@core/shop/cut-parts';
import { MARGIN, STRIP, templateFor, type PaperName, type Template } from '@core/shop/template-pages';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { resolved } from '@core/testing/test-job';
import { templatePdf } from './template-pdf';

const mm = (v: number) => fromSheet(v, `${v} mm`);

/** What is drawn on one page, in mm from the page's top left corner: the paths by their corners, and where each text starts. */
interface Page {
  readonly size: readonly number[];
  readonly paths: { x: number; y: number; curve: boolean }[][];
  readonly texts: { x: number; y: number; size: number }[];
}

/** Content streams as they stand in the file: PDF 32000-1 operators m, l, c, re, cm, q, Q, Tf, Tm; nothing of the maker's is used. */
function pagesOf(pdf: Buffer): Page[] {
  const raw = pdf.toString('latin1');
  const sizes = [...raw.matchAll(/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map((m) => [Number(m[1]), Number(m[2])]);
  const streams: string[] = [];
  for (const m of raw.matchAll(/stream\r?\n/g)) {
    const from = m.index + m[0].length;
    try {
      const text = inflateSync(pdf.subarray(from, raw.indexOf('endstream', from))).toString('latin1');
      if (/ cm\n/.test(text) && /\bBT\b/.test(text)) streams.push(text);
    } catch {
      // Not deflated: no content stream.
    }
  }
  return streams.map((text, i) => read(text, sizes[i]!));
}

type Matrix = readonly [number, number, number, number, number, number];
const times = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[1] * n[2],
  m[0] * n[1] + m[1] * n[3],
  m[2] * n[0] + m[3] * n[2],
  m[2] * n[1] + m[3] * n[3],
  m[4] * n[0] + m[5] * n[2] + n[4],
  m[4] * n[1] + m[5] * n[3] + n[5],
];

function read(text: string, size: readonly number[]): Page {
  const height = size[1]!;
  let now: Matrix = [1, 0, 0, 1, 0, 0];
  const kept: Matrix[] = [];
  const paths: Page['paths'] = [];
  const texts: Page['texts'] = [];
  let letter = 0;
  const at = (x: number, y: number, m = now) => ({
    x: ((m[0] * x + m[2] * y + m[4]) * 25.4) / 72,
    y: ((height - (m[1] * x + m[3] * y + m[5])) * 25.4) / 72,
  });
  let n: number[] = [];
  for (const word of text.replace(/<[0-9a-f]*>/gi, ' ').split(/\s+/)) {
    if (/^-?[\d.]+$/.test(word)) {
      n.push(Number(word));
      continue;
    }
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = n;
    if (word === 'q') kept.push(now);
    if (word === 'Q') now = kept.pop() ?? now;
    if (word === 'cm') now = times([a, b, c, d, e, f], now);
    if (word === 'm') paths.push([{ ...at(a, b), curve: false }]);
    if (word === 'l') paths.at(-1)!.push({ ...at(a, b), curve: false });
    if (word === 'c') paths.at(-1)!.push({ ...at(e, f), curve: true });
    if (word === 're') paths.push([at(a, b), at(a + c, b), at(a + c, b + d), at(a, b + d)].map((p) => ({ ...p, curve: false })));
    if (word === 'Tf') letter = a;
    if (word === 'Tm') texts.push({ ...at(0, 0, times([a, b, c, d, e, f], now)), size: letter });
    n = [];
  }
  return { size, paths, texts };
}

const box = (p: readonly { x: number; y: number }[]) => ({
  x0: Math.min(...p.map((q) => q.x)),
  x1: Math.max(...p.map((q) => q.x)),
  y0: Math.min(...p.map((q) => q.y)),
  y1: Math.max(...p.map((q) => q.y)),
});

async function printed(job: Job, paper: PaperName, id = 'plate') {
  const r = resolved(job);
  const part = cutParts(r).find((p) => p.id === id)!;
  const template = templateFor(part.bounds, paper) as Template;
  const said = sheetWords(r, { version: 12, on: '2026-03-04' })(part);
  const base = id === 'plate' ? r.base : undefined;
  return { template, pages: pagesOf(await templatePdf({ job, part, base, said }, template)) };
}

/** Round paths: all curves, as wide as high. */
const circles = (page: Page) =>
  page.paths
    .filter((p) => p.length >= 5 && p.slice(1).every((q) => q.curve))
    .map(box)
    .map((b) => ({ x: (b.x0 + b.x1) / 2, y: (b.y0 + b.y1) / 2, d: b.x1 - b.x0, high: b.y1 - b.y0 }));

it.each(['a4', 'letter'] as const)(
  '%s: outline, holes and the 50 mm square are to size on every sheet, 1 mm is 1 mm',
  async (paper) => {
    const job = lopsidedJob();
    const { template, pages } = await printed(job, paper);
    expect(pages).toHaveLength(template.sheets.length + 1);
    template.sheets.forEach((sheet, i) => {
      const { paths, size } = pages[i]!;
      expect([...size].map((v) => Math.round((v * 254) / 72) / 10).sort()).toEqual(paper === 'a4' ? [210, 297] : [215.9, 279.4]);
      const squares = paths.map(box).filter((b) => Math.abs(b.x1 - b.x0 - 50) < 0.01 && Math.abs(b.y1 - b.y0 - 50) < 0.01);
      // The base of 70 × 50 is none of them.
      expect(squares).toHaveLength(1);
      const outline = paths.map(box).find((b) => Math.abs(b.x1 - b.x0 - 235) < 0.02)!;
      expect(outline.y1 - outline.y0).toBeCloseTo(185, 2);
      // Where the plan's origin lies on this page.
      const [ox, oy] = [MARGIN - sheet.window.x0, MARGIN + sheet.window.y1];
      expect(outline.x0).toBeCloseTo(ox - 95, 2);
      expect(outline.y1).toBeCloseTo(oy + 75, 2);
      const drawn = circles(pages[i]!);
      for (const b of job.bolts.items) {
        const hole = drawn.find((c) => Math.hypot(c.x - (ox + b.x), c.y - (oy - b.y)) < 0.02)!;
        expect(hole.d).toBeCloseTo(11, 2);
        expect(hole.high).toBeCloseTo(11, 2);
      }
    });
  },
);

it('crosses of neighbouring sheets lie on each other, each sheet has its frame, and the arrow points forward', async () => {
  const far: Job['far'] = { kind: 'plate', metal: 'S275', thickness: mm(5), past: 60 };
  const job = lopsidedJob((j) => ({ ...j, far }));
  const { template, pages } = await printed(job, 'a4', 'backing');
  expect([template.columns, template.rows]).toEqual([2, 2]);
  const plan = (k: number, x: number, y: number) => [
    template.sheets[k]!.window.x0 + x - MARGIN,
    template.sheets[k]!.window.y1 - y + MARGIN,
  ];
  const crosses = (k: number) =>
    pages[k]!.paths.filter(
      (p) => p.length === 2 && Math.abs(Math.abs(p[1]!.x - p[0]!.x) - 6) < 0.01 && Math.abs(p[1]!.y - p[0]!.y) < 0.01,
    ).map((p) =>
      plan(k, (p[0]!.x + p[1]!.x) / 2, p[0]!.y)
        .map((v) => v.toFixed(1))
        .join(' '),
    );
  const upright = (k: number) =>
    pages[k]!.paths.filter(
      (p) => p.length === 2 && Math.abs(Math.abs(p[1]!.y - p[0]!.y) - 6) < 0.01 && Math.abs(p[1]!.x - p[0]!.x) < 0.01,
    );
  for (let k = 0; k < 4; k++) {
    // Three towards the sheet beside it, three towards the one above or below, each upright and across.
    expect([crosses(k).length, upright(k).length]).toEqual([6, 6]);
    const w = template.sheets[k]!.window;
    const frame = pages[k]!.paths.map(box).filter(
      (b) =>
        Math.abs(b.x0 - MARGIN) < 0.01 &&
        Math.abs(b.x1 - b.x0 - (w.x1 - w.x0)) < 0.01 &&
        Math.abs(b.y1 - b.y0 - (w.y1 - w.y0)) < 0.01,
    );
    expect(frame.length).toBeGreaterThan(1);
  }
  const shared = (a: number, b: number) => crosses(a).filter((c) => crosses(b).includes(c)).length;
  expect([shared(0, 1), shared(2, 3), shared(0, 2), shared(1, 3), shared(0, 3)]).toEqual([3, 3, 3, 3, 0]);
});

it('the arrow stands in the base and points forward', async () => {
  const { template, pages } = await printed(lopsidedJob(), 'a4');
  const w = template.sheets[0]!.window;
  const arrow = pages[0]!.paths.find((p) => p.length === 3 && Math.abs(p[1]!.x - p[0]!.x - 14) < 0.01)!;
  const at = arrow.map((q) => [Math.round((w.x0 + q.x - MARGIN) * 10) / 10, Math.round((w.y1 - q.y + MARGIN) * 10) / 10 || 0]);
  expect(at).toEqual([
    [6, 0],
    [20, 0],
    [17, 1.5],
  ]);
});

it('a bent plate: the sheets show its flat blank and where it is bent', async () => {
  const fold = { edge: 'port', radius: mm(6), height: mm(40) } as const;
  const { template, pages } = await printed(
    lopsidedJob((j) => ({ ...j, plate: { ...j.plate, fold } })),
    'a4',
  );
  const { paths } = pages[0]!;
  const outline = paths.map(box).find((b) => Math.abs(b.x1 - b.x0 - 235) < 0.02 && b.y1 - b.y0 > 185)!;
  // π/2·(6 + 0.4·6) + 40 − 12 past the edge.
  expect(outline.y1 - outline.y0).toBeCloseTo(185 + 13.195 + 28, 2);
  const oy = MARGIN + template.sheets[0]!.window.y1;
  const lines = paths.filter(
    (p) => p.length === 2 && Math.abs(p[0]!.y - p[1]!.y) < 1e-6 && Math.abs(p[1]!.x - p[0]!.x - 235) < 0.02,
  );
  expect(lines.map((l) => l[0]!.y)).toEqual([
    expect.closeTo(oy - 110, 2),
    expect.closeTo(oy - 110 - 13.195 / 2, 2),
    expect.closeTo(oy - 110 - 13.195, 2),
  ]);
});

it('a backing plate has a template of its own', async () => {
  const far: Job['far'] = { kind: 'plate', metal: 'S275', thickness: mm(5), past: 10 };
  const { pages } = await printed(
    lopsidedJob((j) => ({ ...j, far })),
    'a4',
    'backing',
  );
  expect(pages[0]!.paths.map(box).some((b) => Math.abs(b.x1 - b.x0 - 255) < 0.02 && Math.abs(b.y1 - b.y0 - 205) < 0.02)).toBe(
    true,
  );
});

it.each(['a4', 'letter'] as const)(
  '%s: the words of the foot strip lie under each other and on the paper, however much there is to say',
  async (paper) => {
    const job = lopsidedJob((j) => ({
      ...j,
      name: 'Πλάκα '.repeat(30),
      loads: j.loads.map((l) => ({ ...l, values: { ...l.values, fz: fromSheet(90_000, '90 kN') } })),
      joint: { ...j.joint, head: 'countersunk' },
    }));
    const { template, pages } = await printed(job, paper);
    for (const page of pages.slice(0, -1)) {
      const words = page.texts.filter((t) => t.x > MARGIN + 55 && t.y > template.height - MARGIN - STRIP + 7);
      expect(words.length).toBeGreaterThan(5);
      const ys = words.map((t) => t.y).sort((a, b) => a - b);
      expect(ys.at(-1)).toBeLessThanOrEqual(template.height - MARGIN);
      ys.slice(1).forEach((y, i) => expect(y - ys[i]!).toBeGreaterThan(1.9));
    }
    // The notes stay on their page too.
    expect(Math.max(...pages.at(-1)!.texts.map((t) => t.y))).toBeLessThanOrEqual(template.height - MARGIN + 1);
  },
);

it('no printer is to fit it to its paper, and it says which language it is in', async () => {
  const { doc, done } = paperDoc('Template');
  doc.addPage();
  doc.end();
  const raw = (await done).toString('latin1');
  expect(raw).toContain('/PrintScaling /None');
  expect(raw).toContain('/Lang (en)');
});
it('a stencil leaves bridges: each hole of 11 is cut in two lines of π·11/2 less a twelfth of its edge, the outline whole', async () => {
  const r = resolved(lopsidedJob());
  const part = cutParts(r)[0]!;
  const said = sheetWords(r, { version: 1, on: '2026-03-04' })(part);
  const t = templateFor(part.bounds, 'a3') as Template;
  const streams = async (stencil: boolean) => {
    const pdf = await templatePdf({ job: lopsidedJob(), part, base: undefined, said, stencil }, t);
    const raw = pdf.toString('latin1');
    return [...raw.matchAll(/stream\r?\n/g)]
      .map((m) => {
        try {
          return inflateSync(pdf.subarray(m.index + m[0].length, raw.indexOf('endstream', m.index))).toString('latin1');
        } catch {
          return '';
        }
      })
      .join('\n');
  };
  const dashes = (text: string) => [...text.matchAll(/\[([\d.]+) ([\d.]+)\] 0 d/g)].map((m) => [Number(m[1]), Number(m[2])]);
  const edge = Math.PI * 11;
  const bridge = edge / 12;
  const cut = dashes(await streams(true)).filter(([a]) => Math.abs(a! - (edge / 2 - bridge)) < 0.01);
  expect(cut).toHaveLength(part.holes.length);
  for (const [, gap] of cut) expect(gap).toBeCloseTo(bridge, 2);
  expect(dashes(await streams(false)).filter(([a]) => Math.abs(a! - (edge / 2 - bridge)) < 0.01)).toEqual([]);
});
