import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { cutParts } from '@core/shop/cut-parts';
import { sheetWords } from '@core/shop/sheet-words';
import { CALIBRATION, MARGIN, STRIP, templateFor, type Template } from '@core/shop/template-pages';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { resolved } from '@core/testing/test-job';
import { footStrip } from './foot-strip';
import { notesPage } from './notes-page';
import { RecordingPen } from './testing/recording-pen';

const mm = (v: number) => fromSheet(v, `${v} mm`);

function asked(job: Job, cover = 1) {
  const r = resolved(job);
  const part = cutParts(r)[0]!;
  const { x0, x1, y0, y1 } = part.bounds;
  const template = templateFor({ x0, x1: x0 + cover * (x1 - x0), y0, y1: y0 + cover * (y1 - y0) }, 'a4') as Template;
  return { part, template, said: sheetWords(r, { version: 12, on: '2026-03-04' })(part), base: r.base, job };
}

function strip(job: Job, page = 1, cover = 1) {
  const { template, said } = asked(job, cover);
  const pen = new RecordingPen();
  footStrip(pen, said, template, template.sheets[page - 1]!, page);
  return { pen, template, words: pen.written.map((w) => w.text) };
}

describe('the foot strip', () => {
  it('says what the sheet is of, where it belongs, which version and date, and whether the job holds', () => {
    const { words, template } = strip(lopsidedJob(), 2);
    expect([template.columns, template.rows]).toEqual([2, 1]);
    expect(words).toContain('Lopsided');
    expect(words).toContain('Drilling template 1:1, A4, sheet 2 of 2 (row 1, column 2); version 12, 2026-03-04');
    expect(words.find((w) => w.startsWith('mounting plate'))).toBe(
      'mounting plate 235 mm × 185 mm, 6 mm Steel S275, corners R 8 mm',
    );
    expect(words).toContain('5 holes ø 11 mm');
    expect(words.some((w) => /^(Checked|DOES NOT HOLD|NOT SHOWN TO HOLD) \(by hand\)/.test(w))).toBe(true);
    expect(words.at(-1)).toBe('Read the notes at the end with every sheet.');
  });
  it('one sheet has no row and no column', () =>
    expect(strip(lopsidedJob(), 1, 0.4).words).toContain('Drilling template 1:1, A4, sheet 1 of 1; version 12, 2026-03-04'));
  it('what does not hold stands in bold', () => {
    const heavy = lopsidedJob((j) => ({
      ...j,
      loads: j.loads.map((l) => ({ ...l, values: { ...l.values, fz: fromSheet(90_000, '90 kN') } })),
    }));
    const weights = (job: Job) =>
      strip(job)
        .pen.written.filter((w) => w.text.includes('(by hand)'))
        .map((w) => w.weight);
    expect(weights(heavy)).toEqual(['bold']);
    expect(weights(lopsidedJob())).toEqual(['plain']);
  });
  it('stands where it does: fold line, a square of 50 with ticks each 10, words beside it', () => {
    const { pen, template } = strip(lopsidedJob());
    const top = template.height - MARGIN - STRIP;
    expect(pen.drawn.slice(0, 2)).toEqual([
      expect.objectContaining({ what: 'moveTo', at: [MARGIN, top + 2], by: { lineWidth: 0.2, dash: [4, 2] } }),
      expect.objectContaining({ what: 'lineTo', at: [template.width - MARGIN, top + 2] }),
    ]);
    expect(pen.drawn).toContainEqual({ what: 'rect', at: [MARGIN, top + 8, 50, 50], by: { lineWidth: 0.25, dash: [] } });
    const ticks = pen.drawn
      .filter((d) => d.what === 'moveTo')
      .slice(1)
      .map((d) => d.at);
    expect(ticks).toEqual(
      [10, 20, 30, 40].flatMap((k) => [
        [MARGIN + k, top + 8],
        [MARGIN, top + 8 + k],
      ]),
    );
    const ends = pen.drawn
      .filter((d) => d.what === 'lineTo')
      .slice(1)
      .map((d) => d.at);
    expect(ends).toEqual(
      [10, 20, 30, 40].flatMap((k) => [
        [MARGIN + k, top + 10],
        [MARGIN + 2, top + 8 + k],
      ]),
    );
    const at = (text: string) => pen.written.find((w) => w.text.startsWith(text))!;
    expect(at('fold under here')).toMatchObject({ x: template.width - MARGIN - 24, y: top + 3 });
    expect(at('50 × 50 mm')).toMatchObject({ x: MARGIN + 4, y: top + 8 + 18 });
    expect(at('Check both ways')).toMatchObject({ x: MARGIN + 4, y: top + 8 + 23 });
    expect(at('Lopsided')).toMatchObject({ x: MARGIN + CALIBRATION + 6, y: top + 8, weight: 'bold' });
    expect(at('Drilling template')).toMatchObject({ x: MARGIN + CALIBRATION + 6, y: top + 8 + 6.5, size: 3.1 });
  });
});

describe('the notes', () => {
  const notes = (job: Job, missing = 0) => {
    const { part, template, said, base } = asked(job);
    const pen = new RecordingPen();
    pen.missing = missing;
    notesPage(pen, { job, part, base, said }, template);
    return pen.written;
  };
  it('list every hole from the corner a square is laid on, bolts and torque, what is assumed, and the cautions', () => {
    const words = notes(lopsidedJob()).map((w) => w.text);
    expect(words[0]).toBe('Lopsided: notes');
    expect(words).toContainEqual(
      'B1: 205 mm, 155 mm, ø 11 mm; B2: 190 mm, 25 mm, ø 11 mm; B3: 25 mm, 135 mm, ø 11 mm; B4: 30 mm, 30 mm, ø 11 mm; B5: 115 mm, 160 mm, ø 11 mm',
    );
    expect(words.find((w) => w.includes('Tighten to'))).toMatch(
      /^5 M10 × \d+ mm, .* out \(B1, B2, B3, B4, B5\)\. Tighten to 50 N·m\.$/,
    );
    expect(words.some((w) => /^\d+ values are ASSUMED/.test(w))).toBe(true);
    expect(words.join(' ')).toContain('does not approve');
    expect(words.join(' ')).toContain('Not judged');
    expect(words.join(' ')).not.toContain('stands for');
  });
  it('say what letters are missing, and never run off the page however many holes there are', () => {
    expect(
      notes(lopsidedJob(), 3)
        .map((w) => w.text)
        .join(' '),
    ).toContain('▯ stands for 3 letters');
    const last = notes(lopsidedJob()).at(-1)!;
    expect(last.y).toBeLessThan(297 - MARGIN);
  });
});

it('a bent plate says how: edge, inside radius and leg; tapped and fitting holes by themselves', () => {
  const { said } = asked(
    lopsidedJob((j) => ({
      ...j,
      base: { ...j.base, holes: [{ id: 'H1', x: 25, y: 15 }] },
      plate: { ...j.plate, fold: { edge: 'aft', radius: mm(7), height: mm(45) } },
      joint: { ...j.joint, head: 'countersunk' },
    })),
  );
  expect(said.part).toContain('flat blank; bend the aft edge square, inside radius 7 mm, leg 45 mm outside');
  expect(said.holes).toBe('5 holes ø 11 mm, countersink 90° for the head; 1 hole ø 9 mm for the fitting’s own bolts');
  expect(asked(lopsidedJob()).said.part).not.toContain('bend');
});
