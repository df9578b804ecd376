import { cautionsFor, factorsText, notJudged, SCHOOLS } from '@core/chain/cautions';
import type { Link, Verdict } from '@core/chain/evaluate';
import { headline } from '@core/chain/headline';
import { judge, meaningOf, type Meaning } from '@core/chain/judge';
import type { Multiple } from '@core/chain/multiple';
import { readJob } from '@core/formats/read-job';
import type { Job } from '@core/job/schema';
import { refusalText, type Refusal } from '@core/units/refusal';

export interface CliResult {
  readonly exit: 0 | 1 | 2;
  readonly text: string;
}

/** The links and the verdict of a job file. Exit 0 sound (or tight), 1 something lets go or is outside a method's range, 2 the file is refused. */
export function check(file: string, json: boolean): CliResult {
  const read = readJob(file);
  if ('refusals' in read) return refused(read.refusals, json);
  const judged = judge(read.job);
  const v = judged.verdict;
  if (v.refusals.length > 0) return refused(v.refusals, json);
  const meaning = meaningOf(read.job, judged);
  const exit = v.state === 'sound' || v.state === 'tight' ? 0 : 1;
  return { exit, text: json ? JSON.stringify(asData(read.job, v, meaning), null, 2) : asText(read.job, v, meaning) };
}

const refused = (refusals: readonly Refusal[], json: boolean): CliResult => ({
  exit: 2,
  text: json ? JSON.stringify({ refused: refusals }, null, 2) : refusals.map(refusalText).join('\n'),
});

/** A figure that JSON can carry: a link with nothing to hold with has none. */
const figure = (v: number): number | null => (Number.isFinite(v) ? v : null);

function asData(job: Job, v: Verdict, m: Meaning) {
  const links = v.links.map(({ perCase, ...l }) => ({
    ...l,
    utilisation: figure(l.utilisation),
    capacity: figure(l.capacity),
    perCase: perCase.map(figure),
  }));
  const at = (x: Multiple) => (x.known ? x.at : null);
  const why = (x: Multiple) => (x.known ? `${x.link}, ${x.caseName}` : x.because);
  return {
    job: job.id,
    state: v.state,
    weakest: v.weakest,
    headline: headline(job, v, m),
    goodFor: at(m.goodFor),
    goodForBecause: why(m.goodFor),
    letsGoNear: at(m.letsGoNear),
    letsGoNearBecause: why(m.letsGoNear),
    solveIt: m.solveIt ?? null,
    notJudged: notJudged(job),
    cases: v.cases.map((c) => ({ id: c.id, name: c.name })),
    links,
    cautions: cautionsFor(job),
  };
}

const WORD: Readonly<Record<Link['state'], string>> = {
  sound: 'sound',
  tight: 'tight',
  fails: 'LETS GO',
  refused: 'refused',
  'not needed': 'not needed',
};

/** A utilisation in four places; a link with nothing to hold with says so. */
const used = (l: Link): string =>
  l.state === 'refused' || l.state === 'not needed'
    ? '   –'
    : Number.isFinite(l.utilisation)
      ? l.utilisation.toFixed(2).padStart(4)
      : 'none';

function asText(job: Job, v: Verdict, m: Meaning): string {
  const row = (l: Link) => {
    return `${l.name.padEnd(16)} ${used(l)}  ${WORD[l.state].padEnd(10)} ${l.at ? `${l.at}, ${l.caseName}` : l.because}`;
  };
  const h = headline(job, v, m);
  return [
    job.name,
    `${SCHOOLS[job.practice.school].name}: ${factorsText(job)}; rules ${job.practice.rules}`,
    '',
    ...v.links.filter((l) => l.state !== 'not needed').map(row),
    '',
    `not needed: ${v.links
      .filter((l) => l.state === 'not needed')
      .map((l) => l.name)
      .join(', ')}`,
    '',
    `${v.state.toUpperCase()} – ${h.says}`,
    ...h.kept,
    '',
    ...cautionsFor(job),
  ].join('\n');
}
