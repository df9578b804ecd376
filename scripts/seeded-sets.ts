// npm run sets: seeded sets of random jobs. Hand against solved, invariance, exact multiples; counts and worst cases. [set] [number] [mesh]
import fc from 'fast-check';
import { evaluate } from '@core/chain/evaluate';
import { judge, meaningOf, multiplesOf } from '@core/chain/judge';
import { goodFor } from '@core/chain/multiple';
import { mirrored } from '@core/job/mirrored';
import type { Job } from '@core/job/schema';
import { USUAL_SPREAD } from '@core/job/spread-rules';
import { anyJob, runsAnyWay } from '@core/testing/any-job';
import { timesLoaded } from '@core/testing/random-job';
import { inTwoKinds, reordered, turned } from '@core/testing/turned';

const [set = 'all', given, mesh = 'fine'] = process.argv.slice(2);
const SEED = 11;
const jobs = (n: number): Job[] => fc.sample(anyJob, { numRuns: Number(given ?? n), seed: SEED });
const wanted = (name: string) => set === 'all' || set === name;
const percent = (n: number, of: number) => `${((100 * n) / Math.max(1, of)).toFixed(1)} %`;

/** A job that holds by hand at 1.15, and what the solver says it is good for. */
function handAgainstSolved(): void {
  const all = jobs(2000);
  const ratios: number[] = [];
  const over: { ratio: number; words: string; said: boolean }[] = [];
  let safest = { ratio: Infinity, words: '' };
  for (const [i, job] of all.entries()) {
    if (i > 0 && i % 100 === 0) console.error(`hand against solved: ${i} of ${all.length}, ${over.length} over 1.1`);
    const first = goodFor(job, evaluate(job));
    if (!first.known) continue;
    const j = timesLoaded(job, first.at / 1.15);
    const solvedJob: Job = { ...j, spread: { ...USUAL_SPREAD, checks: 'solver' } };
    const solved = multiplesOf(solvedJob, judge(solvedJob, { mesh: mesh as 'fine' }), mesh as 'fine').goodFor;
    const hand = goodFor(j, evaluate(j));
    if (!solved.known || !hand.known) continue;
    const ratio = hand.at / solved.at;
    ratios.push(ratio);
    const words = `job ${i}: ${job.skin.kind}, ${job.far.kind}, ${job.bolts.items.length} bolts: by hand ${hand.link}, as solved ${solved.link}`;
    if (ratio < safest.ratio) safest = { ratio, words };
    if (ratio > 1.1)
      over.push({
        ratio,
        words,
        said: meaningOf(j, judge(j)).solveIt !== undefined,
      });
  }
  ratios.sort((a, b) => a - b);
  const at = (p: number) => ratios[Math.floor(p * (ratios.length - 1))]!.toFixed(2);
  console.log(`  hand safest: ${safest.ratio.toFixed(2)} ${safest.words}`);
  const silent = over.filter((o) => !o.said);
  console.log(`hand against solved (${mesh} mesh), ${all.length} jobs, ${ratios.length} answered both ways:`);
  console.log(`  by hand over as solved: median ${at(0.5)}, 95 % under ${at(0.95)}, largest ${at(1)}`);
  console.log(
    `  over 1.1: ${over.length} (${percent(over.length, ratios.length)}), of which the verdict says "solve it" in ${over.length - silent.length}`,
  );
  for (const o of over.sort((a, b) => b.ratio - a.ratio).slice(0, 5))
    console.log(`  ${o.ratio.toFixed(2)} ${o.words}${o.said ? '' : ', NOT SAID'}`);
}

function invariance(): void {
  const all = jobs(2000);
  const renamed = (j: Job): Job => ({
    ...j,
    bolts: { ...j.bolts, items: j.bolts.items.map((b, i) => ({ ...b, id: `Z${90 - i}` })) },
  });
  const ways = { mirrored, turned, reordered, renamed, inTwoKinds, inches: (j: Job): Job => ({ ...j, units: 'inch' }) };
  for (const [name, change] of Object.entries(ways)) {
    let moved = 0;
    let worst = { off: 0, words: 'none' };
    const may = all.map((job, i) => [i, job] as const).filter(([, job]) => name !== 'turned' || runsAnyWay(job));
    for (const [i, job] of may) {
      const [a, b] = [evaluate(job), evaluate(change(job))];
      const of = new Map(b.links.map((l) => [l.id, l]));
      let off = a.refusals.length === b.refusals.length ? 0 : Infinity;
      for (const l of a.links) {
        const o = of.get(l.id)!;
        const d = o.state === l.state ? Math.abs(o.utilisation - l.utilisation) / (1 + l.utilisation) : Infinity;
        if (Number.isFinite(l.utilisation) && d > off) off = d;
        if (d > worst.off && Number.isFinite(l.utilisation)) worst = { off: d, words: `job ${i}, ${l.name}` };
      }
      if (off > 1e-6) moved++;
    }
    console.log(
      `invariance, ${name}: ${may.length} jobs, ${moved} with a figure moved; largest ${worst.off.toExponential(1)} (${worst.words})`,
    );
  }
}

/** At the multiple it is good for a job holds, and a hundredth over it does not. */
function exactMultiple(): void {
  const all = jobs(2000);
  let known = 0;
  let wrong = 0;
  let worst = { off: 0, job: 0 };
  for (const [i, job] of all.entries()) {
    const m = goodFor(job, evaluate(job));
    if (!m.known) continue;
    known++;
    const used = (k: number) => {
      const links = evaluate(timesLoaded(job, k)).links.filter((l) => !l.loadFree);
      return links.some((l) => l.state === 'refused')
        ? Infinity
        : Math.max(...links.map((l) => (Number.isFinite(l.utilisation) ? l.utilisation : 0)));
    };
    const [held, over] = [used(m.at), used(1.01 * m.at)];
    const off = held > 1 ? held - 1 : over <= 1 ? 1 - over : 0;
    if (off > worst.off) worst = { off, job: i };
    if (held > 1.001 || over <= 1) wrong++;
  }
  console.log(
    `exact multiple: ${all.length} jobs, ${known} with a multiple, ${wrong} where it does not hold there or holds a hundredth over it; largest ${worst.off.toExponential(1)} (job ${worst.job})`,
  );
}

if (wanted('invariance')) invariance();
if (wanted('multiple')) exactMultiple();
if (wanted('hand')) handAgainstSolved();
