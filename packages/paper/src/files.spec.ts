import { oneFoot } from '@core/job/at-foot';
import { cutParts } from '@core/shop/cut-parts';
import { drillList } from '@core/shop/drill-list';
import { madeOf, type MadeOf } from '@core/shop/made-of';
import { sheetWords } from '@core/shop/sheet-words';
import { sheetsWanted } from '@core/shop/sheets-wanted';
import type { Block, Card } from '@core/shop/cards/card';
import { USUAL_SHOP } from '@core/stock/shop-settings';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { resolved } from '@core/testing/test-job';
import { columnWidths } from './card-table';
import { partFile, sheetFile } from './cut-files';
import { drillCsv } from './drill-csv';
import { recordHtml, type PageSays } from './record-html';
import { partsCsv } from './tables-csv';

const job = lopsidedJob();
const r = resolved(job);
const part = cutParts(r)[0]!;
const said = sheetWords(r, { version: 3, on: '2026-03-04' })(part);
const as = { ending: 'dxf', mirrored: false, kerf: 0, cutOnly: false } as const;

describe('a file for the cutter', () => {
  const file = (x: Partial<Record<keyof typeof as, unknown>> = {}) => partFile(part, said, { ...as, ...x } as never) as string;
  it('says of which part, version and verdict it is, and who takes the cut into account', () => {
    for (const words of [said.job, said.part, said.verdict]) expect(file()).toContain(words);
    expect(file()).toContain('As drawn: the cutter takes its own cut into account');
    expect(file({ kerf: 0.2 })).toContain('COMPENSATED for a cut of 0.2 mm');
    expect(file({ kerf: 0.2 })).not.toContain('As drawn: the cutter');
  });
  it('says so where it is the other hand, and only there', () => {
    expect(file({ mirrored: true })).toMatch(/mirror|other hand/i);
    expect(file()).not.toMatch(/OTHER HAND|mirrored/i);
  });
  it('a nested sheet is numbered, named as offcut where it is one, and refused past the last', () => {
    const nested = sheetsWanted(oneFoot(job), USUAL_SHOP.sheetCut);
    if ('refusals' in nested) throw new Error('refused');
    const wanted = nested.wanted[0]!;
    const sheet = (which: number, w = wanted) => sheetFile(w, which, ['Lopsided'], { ending: 'dxf', kerf: 0, cutOnly: true });
    const { plan } = wanted;
    if ('refused' in plan) throw new Error(plan.because);
    expect(sheet(1)).toContain(`${wanted.stock}, sheet 1 of ${plan.sheets.length}`);
    const offcut = { ...wanted, plan: { ...plan, sheets: plan.sheets.map((s) => ({ ...s, offcut: 'K1' })) } } as never;
    expect(sheet(1, offcut)).toContain(`${wanted.stock}, offcut 1 of`);
    expect(sheet(plan.sheets.length + 1)).toMatchObject({ allowed: `1 to ${plan.sheets.length}` });
    expect(sheet(0)).toMatchObject({ field: 'sheet' });
  });
});

describe('widths of columns', () => {
  it('what each needs where there is room, stretched to all of it', () => {
    expect(columnWidths([20, 30], [10, 10], 100)).toEqual([40, 60]);
    expect(columnWidths([40, 60], [10, 10], 100)).toEqual([40, 60]);
  });
  it('each its longest word, and the rest by what is still wanted', () => {
    // 100 less 40 is 60, shared 30 to 90.
    expect(columnWidths([50, 110], [20, 20], 100)).toEqual([35, 65]);
  });
  it('not even the longest words: shrunk alike', () => expect(columnWidths([300, 300], [150, 50], 100)).toEqual([75, 25]));
});

describe('the drill list as a table', () => {
  const rows = drillList(job, r);
  const lines = (units: 'mm' | 'inch', locale: 'point' | 'comma' = 'point') =>
    drillCsv({ ...job, units }, rows, said, locale)
      .slice(1)
      .trim()
      .split('\n')
      .map((l) => l.split(locale === 'comma' ? ';' : ','));
  const column = (name: string, units: 'mm' | 'inch' = 'mm') => {
    const [head, ...body] = lines(units);
    return body.map((l) => l[head!.indexOf(name)]!);
  };
  it('starts with the mark that tells spreadsheets its code page', () =>
    expect(drillCsv(job, rows, said, 'point').startsWith('\ufeff')).toBe(true));
  it('places in millimetres to a hundredth, in an inch job beside inches to four places', () => {
    expect(column('x_mm')).toEqual(rows.map((x) => String(Number(x.x!.toFixed(2)))));
    expect(lines('mm')[0]).not.toContain('x_in');
    expect(column('x_in', 'inch')).toEqual(rows.map((x) => String(Number((x.x! / 25.4).toFixed(4)))));
  });
  it('bits and speed for what is drilled through, none for what is scribed', () => {
    const bits = column('bits');
    rows.forEach((x, i) => expect(bits[i] !== '').toBe(x.diameter !== null && x.through !== undefined && x.through !== null));
    expect(bits.some((b) => b.length > 0)).toBe(true);
  });
  it('a decimal comma with semicolons', () => {
    const [head, ...body] = lines('mm', 'comma');
    const x = body.map((l) => l[head!.indexOf('diameter_mm')]);
    expect(x).toEqual(rows.map((d) => (d.diameter === null ? '' : String(Number(d.diameter.toFixed(2))).replace('.', ','))));
  });
});

it('the parts list: a row a part, and how it is said which job and verdict', () => {
  const of = madeOf(oneFoot(job)) as MadeOf;
  const rows = partsCsv(of, { job: 'Lopsided', issue: 'version 3', verdict: 'Checked' }).slice(1).trim().split('\n');
  expect(rows.length).toBe(1 + of.parts.length);
  for (const row of rows.slice(1)) expect(row.endsWith('Lopsided,version 3,Checked')).toBe(true);
});

describe('a page that opens from a file', () => {
  const says: PageSays = {
    job: 'Cradle <2>',
    issue: 'version 1',
    holds: true,
    verdict: 'Holds',
    notJudged: 'Not judged: x',
    caution: 'c',
  };
  const page = (blocks: readonly Block[], change: Partial<PageSays> = {}) =>
    recordHtml([{ id: 'a', title: 'Card', of: '', blocks } as Card], { ...says, ...change }, 'Record', () => undefined);
  it('says loudly where it does not hold, and quietly where it does', () => {
    expect(page([])).not.toContain('DOES NOT HOLD');
    expect(page([])).toContain('<footer><p>Holds</p>');
    const bad = page([], { holds: false, verdict: 'Does not hold' });
    expect(bad).toContain('<p class="loud">DOES NOT HOLD AS IT IS</p>');
    expect(bad).toContain('<footer><p class="loud">Does not hold</p>');
  });
  it('every kind of block, with nothing of it read as markup', () => {
    expect(page([])).toContain('Cradle &lt;2&gt;');
    const blocks: Block[] = [
      { kind: 'head', text: 'Head' },
      { kind: 'words', text: 'plain' },
      { kind: 'words', text: 'a & b', loud: true },
      { kind: 'list', items: ['one'], tick: true },
      { kind: 'list', items: ['two'] },
      { kind: 'sign', text: 'Keeper' },
      { kind: 'photo', sha256: 'f'.repeat(64), says: 'nut side' },
      { kind: 'table', head: ['A', 'B'], right: [1], rows: [['x', '"2"']], foot: ['sum', '2'] },
    ];
    const html = page(blocks);
    for (const part of [
      '<h3>Head</h3>',
      '<p>plain</p>',
      '<p class="loud">a &amp; b</p>',
      '<li><span class="tick"></span>one</li>',
      '<li>two</li>',
      '<p>Keeper: ____',
      '<p class="loud">nut side: the photograph’s file is missing or damaged</p>',
      '<th>A</th><th class="n">B</th>',
      '<td>x</td><td class="n">&quot;2&quot;</td>',
      '<tfoot><tr><td>sum</td><td class="n">2</td></tr></tfoot>',
    ])
      expect(html).toContain(part);
  });
  it('pictures with y up as it is drawn', () => {
    const picture = {
      bounds: { x0: 0, y0: 0, x1: 10, y1: 5 },
      shapes: [
        {
          line: [
            { x: 0, y: 1 },
            { x: 4, y: 3 },
          ],
          look: 'dash',
        },
        { hole: { x: 2, y: 4 }, d: 1 },
        { at: { x: 5, y: 2 }, text: '<a>', size: 2 },
      ],
    } as never;
    const html = page([{ kind: 'picture', picture, says: 'Load' }]);
    expect(html).toContain('viewBox="0 -5 10 5"');
    expect(html).toContain('d="M0 -1L4 -3" fill="none" stroke="#1d1b16" stroke-width="0.3" stroke-dasharray');
    expect(html).toContain('cx="2" cy="-4" r="0.5"');
    expect(html).toContain('&lt;a&gt;</text>');
  });
});
