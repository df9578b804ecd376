import { cautionsFor, factorsText, SCHOOLS } from '@core/chain/cautions';
import { notJudged } from '@core/chain/ways-to-fail';
import type { Link, Verdict } from '@core/chain/evaluate';
import { judgeFeet, multiplesOfFeet, worstFoot, type FootJudged } from '@core/chain/feet';
import { headline } from '@core/chain/headline';
import { meaningOf, type Meaning, type Multiples } from '@core/chain/judge';
import type { Multiple } from '@core/chain/multiple';
import { readJob } from '@core/formats/read-job';
import { refused, type CliResult } from './refused';

/** A foot with its verdict and what that means. */
interface Told extends FootJudged {
  readonly verdict: Verdict;
  readonly meaning: Meaning;
}

/** The links and the verdict of a job file, foot by foot. Exit 0 sound (or tight), 1 something lets go or is outside a method's range, 2 the file is refused. */
export function check(file: string, json: boolean): CliResult {
  const read = readJob(file);
  if ('refusals' in read) return refused(read.refusals, json);
  const judged = judgeFeet(read.job);
  const several = judged.length > 1;
  const no = judged.flatMap((f) =>
    f.judged.verdict.refusals.map((x) => (several ? { ...x, field: `${f.name}: ${x.field}` } : x)),
  );
  if (no.length > 0) return refused(no, json);
  const feet = judged.map((f): Told => ({ ...f, verdict: f.judged.verdict, meaning: meaningOf(f.job, f.judged) }));
  const worst = worstFoot(feet);
  const exit = worst.verdict.state === 'sound' || worst.verdict.state === 'tight' ? 0 : 1;
  return { exit, text: json ? JSON.stringify(asWhole(feet, worst), null, 2) : feet.map(asText).join('\n\n') };
}

/** The foot that decides in full, as a job on one foot has it, and every foot by itself where there are several. */
function asWhole(feet: readonly Told[], worst: Told) {
  if (feet.length === 1) return asData(worst);
  const least = multiplesOfFeet(feet.map((f) => ({ name: f.name, multiples: f.meaning })));
  return {
    ...asData(worst),
    foot: worst.id,
    ...multiplesData(least),
    feet: feet.map((f) => ({ id: f.id, name: f.name, ...asData(f) })),
  };
}

function multiplesData({ goodFor, letsGoNear }: Multiples) {
  const at = (x: Multiple) => (x.known ? x.at : null);
  const why = (x: Multiple) => (x.known ? `${x.link}, ${x.caseName}` : x.because);
  return {
    goodFor: at(goodFor),
    goodForBecause: why(goodFor),
    letsGoNear: at(letsGoNear),
    letsGoNearBecause: why(letsGoNear),
  };
}

/** A figure that JSON can carry: a link with nothing to hold with has none. */
const figure = (v: number): number | null => (Number.isFinite(v) ? v : null);

function asData({ job, verdict: v, meaning: m }: Told) {
  const links = v.links.map(({ perCase, ...l }) => ({
    ...l,
    utilisation: figure(l.utilisation),
    capacity: figure(l.capacity),
    perCase: perCase.map(figure),
  }));
  return {
    job: job.id,
    state: v.state,
    weakest: v.weakest,
    headline: headline(job, v, m),
    ...multiplesData(m),
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

function asText({ job, name, verdict: v, meaning: m }: Told): string {
  const row = (l: Link) => {
    return `${l.name.padEnd(16)} ${used(l)}  ${WORD[l.state].padEnd(10)} ${l.at ? `${l.at}, ${l.caseName}` : l.because}`;
  };
  const h = headline(job, v, m);
  return [
    job.stands ? `${job.name}, ${name}` : job.name,
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
