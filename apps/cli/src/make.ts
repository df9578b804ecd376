import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readJob } from '@core/formats/read-job';
import { barsCut } from '@core/shop/bars-cut';
import { buyList } from '@core/shop/buy-list';
import { planOf } from '@core/shop/cards/packet';
import { otherHand } from '@core/shop/cut-shape';
import { labelsOf } from '@core/shop/labels';
import { madeOf, type MadeFoot, type MadeOf } from '@core/shop/made-of';
import { ofOtherHand, sheetWords } from '@core/shop/sheet-words';
import { type SheetsWanted } from '@core/shop/on-sheet';
import { sheetsWanted } from '@core/shop/sheets-wanted';
import { solveProgramme } from '@core/shop/solve-programme';
import { templateFor } from '@core/shop/template-pages';
import { USUAL_SHOP } from '@core/stock/shop-settings';
import { isRefusal, refusalText } from '@core/units/refusal';
import { partFile, sheetFile } from '@paper/cut-files';
import { fileName } from '@paper/file-name';
import { jobPacket, jobReport, verdictWords } from '@paper/job-packet';
import { labelsPdf } from '@paper/labels-pdf';
import { routeIcs } from '@paper/route-ics';
import { buyCsv, partsCsv } from '@paper/tables-csv';
import { templatePdf } from '@paper/template-pdf';
import { refused, type CliResult } from './refused';

/** A file of one job has no version: it is the one that is given. */
const VERSION = 1;

/** Everything a job leaves for the bench, as files in a folder; what one of them refuses is said, and the others are made. */
export async function make(
  file: string,
  json: boolean,
  out: string,
  today = new Date().toISOString().slice(0, 10),
): Promise<CliResult> {
  const read = readJob(file);
  if ('refusals' in read) return refused(read.refusals, json);
  const whole = read.job;
  const of = madeOf(whole);
  if ('refusals' in of) return refused(of.refusals, json);
  const shop = USUAL_SHOP;
  const written: string[] = [];
  const notMade: string[] = [];
  const put = (name: string, content: string | Buffer) => {
    writeFileSync(join(out, name), content);
    written.push(name);
  };
  for (const folder of ['cut', 'templates']) mkdirSync(join(out, folder), { recursive: true });
  const issue = `version ${VERSION}, ${today}`;
  const verdict = verdictWords(whole);
  const says = { job: whole.name, issue, verdict };
  const as = { shop, version: VERSION, today, paper: whole.units === 'inch' ? ('letter' as const) : ('a4' as const) };

  const packet = await jobPacket(whole, as);
  if (packet && 'refusals' in packet) return refused(packet.refusals, json);
  put('packet.pdf', packet!);
  put('report.pdf', await jobReport(whole, as));
  put(
    'labels.pdf',
    await labelsPdf(
      whole.name,
      issue,
      labelsOf(of, (j) => j.id),
      as.paper,
    ),
  );
  put('parts.csv', partsCsv(of, says));
  const cut = await barsCut(whole, shop, solveProgramme);
  const found = sheetsWanted(whole, shop.sheetCut);
  const bars = 'bars' in cut ? cut.bars : [];
  const sheets = 'wanted' in found ? found.wanted : [];
  const list = buyList({ of, sheets, bars, shop });
  put('buy.csv', buyCsv(list, shop.currency, says));
  const route = planOf(of, shop, today);
  if (isRefusal(route)) notMade.push(`route.ics: ${refusalText(route)}`);
  else put('route.ics', routeIcs(route, { id: whole.id, name: whole.name, issue }));
  await partFiles(of, as.paper, today, put, notMade);
  sheetFiles(sheets, [`${whole.name}, ${issue}`, verdict], put, notMade);
  put('plan.json', `${JSON.stringify({ job: whole.id, sheets: sheets.map(planData), bars, route, buy: list }, null, 2)}\n`);
  const holds = !/DOES NOT HOLD|NOT SHOWN/.test(verdict);
  const text = json
    ? JSON.stringify({ job: whole.id, holds, files: written, notMade }, null, 2)
    : [verdict, ...written, ...notMade.map((n) => `not made: ${n}`)].join('\n');
  return { exit: holds ? 0 : 1, text };
}

type Put = (name: string, content: string | Buffer) => void;

/** Parts of a packet’s sheets, without their drawings. */
const planData = ({ stock, parts, plan }: SheetsWanted) => ({ stock, parts: parts.map((p) => p.mark), plan });

/** The foot whose own design a part is of: another may be its mirror image, and stand before it. */
const drawnAt = (of: MadeOf, p: MadeOf['parts'][number]): MadeFoot =>
  of.feet.find((f) => p.feet.includes(f.id) && of.whole.feet.some((w) => w.id === f.id && w.design))!;

async function partFiles(of: MadeOf, paper: 'a4' | 'letter', today: string, put: Put, notMade: string[]): Promise<void> {
  for (const listed of of.parts) {
    const { part } = listed;
    const foot = drawnAt(of, listed);
    const said = sheetWords(foot.r, { version: VERSION, on: today }, () => listed.mark)(part);
    for (const mirrored of [...(listed.count > 0 ? [false] : []), ...(listed.mirrored > 0 ? [true] : [])]) {
      const what = `${listed.mark} ${part.name}${mirrored ? ', other hand' : ''}${said.holds ? '' : ', DOES NOT HOLD'}`;
      const name = fileName(what, '', VERSION, '').replace(/\.$/, '');
      for (const ending of ['dxf', 'svg'] as const) {
        const text = partFile(
          part,
          said,
          { ending, mirrored, kerf: 0, cutOnly: true },
          part.id === 'plate' ? foot.r.base : undefined,
        );
        if (isRefusal(text)) notMade.push(`${name}.${ending}: ${refusalText(text)}`);
        else put(`cut/${name}.${ending}`, text);
      }
      const drawn = mirrored ? { ...otherHand(part), name: `${part.name}, other hand` } : part;
      const template = templateFor(drawn.bounds, paper);
      if (isRefusal(template)) notMade.push(`templates/${name}.pdf: ${refusalText(template)}`);
      else
        put(
          `templates/${name}.pdf`,
          await templatePdf(
            {
              job: foot.job,
              part: drawn,
              base: part.id === 'plate' && !mirrored ? foot.r.base : undefined,
              said: mirrored ? ofOtherHand(said) : said,
            },
            template,
          ),
        );
    }
  }
}

function sheetFiles(sheets: readonly SheetsWanted[], says: readonly string[], put: Put, notMade: string[]): void {
  for (const s of sheets) {
    if (isRefusal(s.plan)) {
      notMade.push(`sheets of ${s.stock}: ${refusalText(s.plan)}`);
      continue;
    }
    s.plan.sheets.forEach((_x, i) => {
      for (const ending of ['dxf', 'svg'] as const) {
        const text = sheetFile(s, i + 1, says, { ending, kerf: 0, cutOnly: true });
        if (isRefusal(text)) notMade.push(`${s.stock}, sheet ${i + 1}: ${refusalText(text)}`);
        else put(`cut/${fileName(`sheet ${s.stock} ${i + 1}`, '', VERSION, ending)}`, text);
      }
    });
  }
}
