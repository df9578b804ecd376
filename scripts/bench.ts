import { jobPacket } from '@paper/job-packet';
import { sheetsWanted } from '@core/shop/sheets-wanted';
import { USUAL_SHOP } from '@core/stock/shop-settings';
import { eightFeet } from '@core/testing/eight-feet';
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { evaluate } from '@core/chain/evaluate';
import { whatToMeasure } from '@core/chain/sensitivity';
import { footVerdicts } from '@core/chain/feet';
import { wrap } from '@core/geometry/shapes';
import { atFoot, oneFoot, putAtFoot } from '@core/job/at-foot';
import { standingAs } from '@core/job/feet-edits';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { fromSheet } from '@core/job/values';
import { casesOf } from '@core/loads/cases';
import { axesFor, totalOf, tryStock } from '@core/options/choose';
import { remediesFor } from '@core/options/remedies';
import { everyLinkJob } from '@core/testing/every-link';
import { studySide } from '@core/survey/patterns';
import { DEMO_JOBS } from '../apps/server/src/demo/lake-sorrow';
import { benchSpread, draggable } from './bench-spread';

export { benchSpread, draggable };

/** Twelve bolts, six cases: the size the hand recheck is held to. */
function twelveBolts(): Job {
  const job = DEMO_JOBS[0]!;
  const ring = [-105, -35, 35, 105]
    .flatMap((x) => [92, -92].map((y) => ({ x, y })))
    .concat(
      [-30, 30].flatMap((y) => [
        { x: -112, y },
        { x: 112, y },
      ]),
    );
  return {
    ...job,
    loads: [{ ...job.loads[0]!, picks: { fan: '3' } }],
    bolts: { ...job.bolts, items: ring.map((p, i) => ({ id: `B${i + 1}`, ...p })) },
    far: { kind: 'plate', metal: '6082-T6', thickness: fromSheet(6, '6 mm') },
  };
}

const quantile = (sorted: readonly number[], q: number) => sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))]!;

/** The demo job with the most bolts times cases. */
export function largestDemo(): Job {
  const size = (j: Job) => j.bolts.items.length * casesOf(j).length;
  return DEMO_JOBS.reduce((a, b) => (size(b) > size(a) ? b : a));
}

function recheck(job: Job): void {
  // Every run moves a bolt, as a drag does, so nothing is remembered from the run before.
  const moved = (k: number): Job => ({
    ...job,
    bolts: { ...job.bolts, items: job.bolts.items.map((b, i) => (i === 0 ? { ...b, x: b.x + 0.01 * (k % 97) } : b)) },
  });
  const first = evaluate(moved(0));
  for (let k = 0; k < 200; k++) evaluate(moved(k));
  const times: number[] = [];
  for (let k = 0; k < 1000; k++) {
    const j = moved(k);
    const started = performance.now();
    evaluate(j);
    times.push(performance.now() - started);
  }
  times.sort((a, b) => a - b);
  console.log(
    `recheck, ${job.name}: ${job.bolts.items.length} bolts, ${first.cases.length} cases: median ${quantile(times, 0.5).toFixed(2)} ms, 95 % ${quantile(times, 0.95).toFixed(2)} ms, worst ${times.at(-1)!.toFixed(2)} ms (goal: median 16 ms)`,
  );
}

/** Every foot of a fitting on eight, judged again as one bolt of their design is dragged. */
function recheckFeet(): void {
  const winch = DEMO_JOBS[0]!;
  const fan: Job = { ...winch, loads: [{ ...winch.loads[0]!, picks: { fan: '3' } }] };
  const whole = standingAs(oneFoot(fan), 'F1', 'row', { along: 300, across: 0, count: 8 });
  const at = atFoot(whole, 'F1');
  const moved = (k: number): WholeJob =>
    putAtFoot(whole, 'F1', {
      ...at,
      bolts: { ...at.bolts, items: at.bolts.items.map((b, i) => (i === 0 ? { ...b, x: b.x + 0.01 * ((k % 97) + 1) } : b)) },
    });
  for (let k = 0; k < 60; k++) footVerdicts(moved(k));
  const times = Array.from({ length: 200 }, (_, k) => {
    const w = moved(k);
    const started = performance.now();
    footVerdicts(w);
    return performance.now() - started;
  }).sort((a, b) => a - b);
  console.log(
    `recheck, eight feet, ${casesOf(at).length} cases each: median ${quantile(times, 0.5).toFixed(1)} ms, 95 % ${quantile(times, 0.95).toFixed(1)} ms (goal: median 16 ms)`,
  );
}

/** What a fitting on eight feet takes to put on paper, and its sheets alone. */
async function packets(): Promise<void> {
  const whole = eightFeet();
  const started = performance.now();
  const pdf = await jobPacket(whole, { shop: USUAL_SHOP, version: 1, today: '2026-03-04', paper: 'a4' });
  const all = performance.now() - started;
  const again = performance.now();
  sheetsWanted(eightFeet(), USUAL_SHOP.sheetCut);
  const nested = performance.now() - again;
  const size = Buffer.isBuffer(pdf) ? `${(pdf.length / 1000).toFixed(0)} kB` : 'refused';
  console.log(
    `packet, eight feet: ${(all / 1000).toFixed(1)} s, ${size} (goal: 5 s); its sheets nested: ${nested.toFixed(0)} ms (goal: 3 s)`,
  );
}

/** The hull round twelve holes. */
function wrapping(): void {
  const holes = Array.from({ length: 12 }, (_, i) => ({ x: 90 * Math.cos(i * 2.4) + i, y: 70 * Math.sin(i * 1.7) }));
  for (let k = 0; k < 500; k++) wrap(holes, 18 + k * 1e-3);
  const started = performance.now();
  for (let k = 0; k < 1000; k++) wrap(holes, 18 + k * 1e-3);
  console.log(`wrap round 12 holes: ${(performance.now() - started).toFixed(0)} µs each (goal: 2 ms)`);
}

function choose(): void {
  for (const job of DEMO_JOBS) {
    const axes = axesFor(job);
    const started = performance.now();
    const all = tryStock(job, axes);
    let next = all.next();
    while (!next.done) next = all.next();
    const seconds = (performance.now() - started) / 1000;
    console.log(
      `choose, ${job.name}: ${totalOf(axes)} tried, ${next.value.sound.length} hold, ${Math.round(totalOf(axes) / seconds)} a second (goal: 2000)`,
    );
  }
}

function bundle(root: string): void {
  const web = join(root, 'dist/web/browser');
  if (!existsSync(join(web, 'index.html'))) {
    console.log('initial bundle: not built yet (npm run build)');
    return;
  }
  const page = readFileSync(join(web, 'index.html'), 'utf8');
  const files = new Set([...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((m) => m[1]!));
  const size = [...files].reduce((sum, f) => sum + gzipSync(readFileSync(join(web, f))).length, 0);
  console.log(
    `initial bundle: ${files.size} files, ${(size / 1000).toFixed(1)} kB compressed (limit: 350 kB); ${readdirSync(web).length} files in all`,
  );
}

/** Non-blank lines of tests against all, over what git tracks. */
function testShare(root: string): void {
  const files = execFileSync('git', ['ls-files', '*.ts', '*.html', '*.scss', '*.sql', '*.mjs'], { cwd: root, encoding: 'utf8' })
    .trim()
    .split('\n');
  const lines = (list: string[]) =>
    list.reduce(
      (n, f) =>
        n +
        readFileSync(join(root, f), 'utf8')
          .split('\n')
          .filter((l) => l.trim()).length,
      0,
    );
  // Figures from outside the program and the stand-ins of tests are tests too.
  const isTest = (f: string) => /\.spec\.ts$|\/(reference|testing)\//.test(f) || f.startsWith('e2e/');
  const tests = lines(files.filter(isTest));
  const code = lines(files.filter((f) => !isTest(f)));
  console.log(`tests: ${tests} of ${tests + code} lines, ${((100 * tests) / (tests + code)).toFixed(0)} %`);
}

/** What the Measure stage works out beside the keystrokes, in its worker. */
function survey(): void {
  for (const job of DEMO_JOBS.filter((j) => j.survey.patterns.length > 1 || j === largestDemo())) {
    const study = studySide(job, 'right');
    const runs = (f: () => void) => {
      const times = Array.from({ length: 30 }, () => {
        const started = performance.now();
        f();
        return performance.now() - started;
      }).sort((a, b) => a - b);
      return quantile(times, 0.5).toFixed(1);
    };
    console.log(
      `survey, ${job.name}: patterns ${runs(() => studySide(job, 'right'))} ms, remedies ${runs(() => remediesFor(job, study))} ms, what to measure next ${runs(() => whatToMeasure(job))} ms (medians, in a worker)`,
    );
  }
}

export async function bench(root: string): Promise<void> {
  recheck(twelveBolts());
  recheck(largestDemo());
  recheck({ ...everyLinkJob(6), name: 'a joint with every kind of part' });
  recheckFeet();
  wrapping();
  await packets();
  survey();
  choose();
  benchSpread([]);
  bundle(root);
  testShare(root);
}
