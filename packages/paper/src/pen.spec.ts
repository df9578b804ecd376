import PDFDocument from 'pdfkit';
import { assumedValues, fromSheet } from '@core/job/values';
import { cutParts } from '@core/shop/cut-parts';
import { sheetWords } from '@core/shop/sheet-words';
import { MARGIN, STRIP, templateFor, type Template } from '@core/shop/template-pages';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { resolved } from '@core/testing/test-job';
import { RecordingPen } from './testing/recording-pen';
import { FACES, type Face } from './fonts';
import { footStrip } from './foot-strip';
import { notesPage } from './notes-page';
import { Pen } from './pen';

/** A pen on a real document; what the document is asked for is kept. */
function pen() {
  const doc = new PDFDocument({ autoFirstPage: true });
  for (const face of Object.keys(FACES) as Face[]) doc.registerFont(face, FACES[face]);
  const asked: { text: string; x: number; y: number; how: Record<string, unknown> }[] = [];
  const text = doc.text.bind(doc) as (...a: unknown[]) => unknown;
  Object.assign(doc, {
    text: (t: string, x: number, y: number, how: Record<string, unknown>) => {
      asked.push({ text: t, x, y, how });
      return text(t, x, y, how);
    },
  });
  return { pen: new Pen(doc), asked, doc };
}

describe('a pen in millimetres', () => {
  it('a line is never broken; with a width it is one line high, cut short with an ellipsis', () => {
    const { pen: p, asked } = pen();
    p.line('B1', 10, 20, { size: 3 });
    p.line('a long name', 10, 30, { size: 5, width: 40, right: true });
    expect(asked).toEqual([
      { text: 'B1', x: 10, y: 20, how: { lineBreak: false } },
      { text: 'a long name', x: 10, y: 30, how: { width: 40, height: 6, ellipsis: true, lineBreak: true, align: 'right' } },
    ]);
  });
  it('paragraphs stand under each other half a millimetre apart, as high as was foretold; letters no font has are counted once', () => {
    const { pen: p, asked, doc } = pen();
    const said = [
      ['one line', { size: 3 }],
      ['words that go on and on and take several lines of a narrow column', { size: 4 }],
      ['last 字', { size: 3 }],
    ] as const;
    const high = p.heightOf(said, 30);
    expect(p.missing).toBe(0);
    expect(p.column(said, 12, 50, 30)).toBeCloseTo(50 + high, 9);
    expect(p.missing).toBe(1);
    doc.font('plain').fontSize(3);
    const first = doc.heightOfString('one line', { width: 30, lineGap: 0.3 });
    expect(asked.map((a) => [a.x, a.how])).toEqual([1, 2, 3].map(() => [12, { width: 30, lineGap: 0.3 }]));
    expect(asked[0]!.y).toBe(50);
    expect(asked[1]!.y).toBeCloseTo(50 + first + 0.5, 1);
    expect(asked[2]!.y - asked[1]!.y).toBeGreaterThan(3 * 4);
  });
});

/** A pen whose words stand so many times as high as they are. */
class TallPen extends RecordingPen {
  constructor(readonly times: number) {
    super();
  }
  override heightOf(paragraphs: readonly (readonly [string, { size: number }])[]): number {
    return this.times * super.heightOf(paragraphs);
  }
}

const job = lopsidedJob();
const r = resolved(job);
const part = cutParts(r)[0]!;
const template = templateFor(part.bounds, 'a4') as Template;
const said = sheetWords(r, { version: 12, on: '2026-03-04' })(part);

describe('words shrink until they fit, and never run over each other', () => {
  const foot = (times: number) => {
    const p = new TallPen(times);
    footStrip(p, said, template, template.sheets[0]!, 1);
    return p.written.filter((w) => w.x > MARGIN + 50 && w.y > template.height - MARGIN - STRIP + 9);
  };
  it('the foot strip: from 3.1 down to 2.1 mm, then the last go to the notes but never the pointer to them', () => {
    expect(new Set(foot(1).map((w) => w.size))).toEqual(new Set([3.1]));
    const room = STRIP - 8 - 1 - 6.5;
    const n = foot(1).length;
    const between = foot(room / (n * 2.65));
    expect(between[0]!.size).toBeLessThan(2.7);
    expect(between[0]!.size).toBeGreaterThan(2.5);
    expect(between).toHaveLength(n);
    const least = foot(room / (4 * 2.1));
    expect(least[0]!.size).toBeCloseTo(2.1, 6);
    expect(least.map((w) => w.text)).toEqual([
      ...foot(1)
        .slice(0, 3)
        .map((w) => w.text),
      'Read the notes at the end with every sheet.',
    ]);
    expect(foot(1000)).toHaveLength(2);
  });
  const notes = (times: number, of = job) => {
    const p = new TallPen(times);
    notesPage(p, { job: of, part, base: r.base, said }, template);
    return p.written;
  };
  it('the notes: down to six tenths, from 9 mm under their title', () => {
    const [title, first] = notes(1);
    expect(title).toMatchObject({ x: MARGIN, y: MARGIN, size: 5.5, weight: 'bold' });
    expect(first).toMatchObject({ x: MARGIN, y: MARGIN + 9, size: 3.2 });
    const room = template.height - 2 * MARGIN - 9;
    const high = notes(1)
      .slice(1)
      .reduce((sum, w) => sum + w.size, 0);
    expect(notes(room / high - 1e-9)[1]!.size).toBeCloseTo(3.2, 9);
    expect(notes(room / (high * 0.78))[1]!.size).toBeCloseTo(3.2 * 0.75, 9);
    expect(notes(1000)[1]!.size).toBeCloseTo(3.2 * 0.6, 6);
    expect(notes(1).find((w) => w.text === 'Bolts')).toMatchObject({ weight: 'bold', size: 3.8 });
  });
  it('list the first 24 values not measured and count the rest', () => {
    const text = notes(1).map((w) => w.text);
    const list = text[text.indexOf(said.assumed) + 1]!;
    const n = assumedValues(job).length;
    expect(list.split('; ')).toHaveLength(Math.min(n, 24));
    expect(n).toBeLessThanOrEqual(24);
    expect(list).not.toContain('more');
    const fresh = lopsidedJob((j) => ({ ...j, loads: [...j.loads, ...many(30 - n)] }));
    const more = notes(1, fresh).map((w) => w.text);
    expect(more[more.indexOf(said.assumed) + 1]).toMatch(/, and 6 more$/);
    expect(more[more.indexOf(said.assumed) + 1]!.split('; ')).toHaveLength(24);
  });
});

/** Free loads that bring so many assumed values. */
const many = (n: number) =>
  Array.from({ length: n }, (_, i) => {
    const [load] = job.loads;
    return { ...load!, id: `A${i}`, values: { ...load!.values, fx: { ...fromSheet(1, '1 N'), from: 'assumed' as const } } };
  });
