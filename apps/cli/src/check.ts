import { cautionsFor, factorsText, SCHOOLS } from '@core/chain/cautions';
import type { Link, Verdict } from '@core/chain/evaluate';
import { judge } from '@core/chain/judge';
import { readJob } from '@core/formats/read-job';
import type { Job } from '@core/job/schema';
import { refusalText } from '@core/units/refusal';

export interface CliResult {
  readonly exit: 0 | 1 | 2;
  readonly text: string;
}

/** The links and the verdict of a job file. Exit 0 sound (or tight), 1 something lets go or is outside a method's range, 2 the file is refused. */
export function check(file: string, json: boolean): CliResult {
  const read = readJob(file);
  if ('refusals' in read)
    return {
      exit: 2,
      text: json ? JSON.stringify({ refused: read.refusals }, null, 2) : read.refusals.map(refusalText).join('\n'),
    };
  const v = judge(read.job).verdict;
  if (v.refusals.length > 0)
    return { exit: 2, text: json ? JSON.stringify({ refused: v.refusals }, null, 2) : v.refusals.map(refusalText).join('\n') };
  const exit = v.state === 'sound' || v.state === 'tight' ? 0 : 1;
  return { exit, text: json ? JSON.stringify(asData(read.job, v), null, 2) : asText(read.job, v) };
}

function asData(job: Job, v: Verdict) {
  const links = v.links.map(({ perCase, ...l }) => ({ ...l, perCase: perCase.map((u) => (Number.isNaN(u) ? null : u)) }));
  return {
    job: job.id,
    state: v.state,
    weakest: v.weakest,
    letsGoAt: v.letsGoAt,
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

function asText(job: Job, v: Verdict): string {
  const row = (l: Link) => {
    const used = l.state === 'refused' || l.state === 'not needed' ? '   –' : l.utilisation.toFixed(2).padStart(4);
    return `${l.name.padEnd(16)} ${used}  ${WORD[l.state].padEnd(10)} ${l.at ? `${l.at}, ${l.caseName}` : l.because}`;
  };
  const weakest = v.links.find((l) => l.id === v.weakest);
  const verdict = weakest
    ? `weakest: ${weakest.name} (${weakest.utilisation.toFixed(2)}), lets go at ${v.letsGoAt.toFixed(2)} × this load, ${weakest.caseName}`
    : 'no link is loaded';
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
    `${v.state.toUpperCase()} – ${verdict}`,
    '',
    ...cautionsFor(job),
  ].join('\n');
}
