import { cautionsFor, factorsText, SCHOOLS } from '../../chain/cautions';
import { notJudged } from '../../chain/ways-to-fail';
import { workingOf } from '../../chain/evaluate';
import { judgedWhole, type JudgedWhole } from '../../chain/on-paper';
import { atEachFoot } from '../../job/at-foot';
import type { Job } from '../../job/schema';
import { headline } from '../../chain/headline';
import type { Link } from '../../chain/link';
import { namedValues } from '../../job/values';
import { isResolved, resolve } from '../../job/resolve';
import type { WholeJob } from '../../job/whole-job';
import { casesOf } from '../../loads/cases';
import { plainNumber, substituted, type Step } from '../../working/steps';
import { cutParts } from '../cut-parts';
import { head, loud, words, type Block, type Card } from './card';
import { partPicture } from './plate-picture';

interface FootJudged extends JudgedWhole {
  readonly id: string;
  readonly name: string;
  readonly job: Job;
}

const PROVENANCE = { assumed: 'ASSUMED', measured: 'measured', sheet: 'drawing or sheet' } as const;
const STATE: Readonly<Record<Link['state'], string>> = {
  sound: 'holds',
  tight: 'holds, tight',
  fails: 'LETS GO',
  refused: 'not shown',
  'not needed': 'not needed',
};

/** "F_t,Rd = 0.9·f_ub·A_s/γ_M2 = 0.9·800·58/1.25 = 33408 N". */
export function stepWords(s: Step): string {
  const put = substituted(s);
  const value = `${plainNumber(s.value)}${s.unit === '–' ? '' : ` ${s.unit}`}`;
  if (Object.keys(s.inputs).length === 0) return `${s.symbol} = ${value} (${s.text})${s.note ? `; ${s.note}` : ''}`;
  return `${s.symbol} = ${s.text}${put && put !== s.text ? ` = ${put}` : ''} = ${value}${s.note ? ` (${s.note})` : ''}`;
}

/** The calculation report: inputs with where they come from, loads, what comes to each foot, and the working of every link. */
export function reportCards(whole: WholeJob): Card[] {
  const feet = atEachFoot(whole).map(({ foot, job }): FootJudged => ({ id: foot.id, name: foot.name, job, ...judgedWhole(job) }));
  return [...feet.map((f) => footCard(f, feet.length > 1)), cautionCard(feet)];
}

function footCard({ name, job, judged, meaning }: FootJudged, several: boolean): Card {
  const { verdict } = judged;
  const h = headline(job, verdict, meaning);
  const r = resolve(job);
  const shown = verdict.links.filter((l) => l.state !== 'not needed');
  const idle = verdict.links.filter((l) => l.state === 'not needed').map((l) => l.name);
  const n = (v: number) => plainNumber(v);
  const blocks: Block[] = [
    verdict.state === 'sound' || verdict.state === 'tight' ? head(h.says) : loud(h.says),
    ...h.kept.map((k) => words(`${k}.`)),
    words(
      `${SCHOOLS[job.practice.school].name}: ${factorsText(job)}; rules ${job.practice.rules}; judged ${judged.solved ? 'as solved' : 'by hand'}.`,
    ),
    loud(`Not judged: ${notJudged(job).join('; ')}.`),
    ...(isResolved(r)
      ? [{ kind: 'picture' as const, picture: partPicture(cutParts(r)[0]!), says: 'The mounting plate, x forward, y to port' }]
      : []),
    head('Inputs'),
    {
      kind: 'table',
      head: ['Value', 'As said', 'Where from'],
      rows: namedValues(job).map((v) => [
        v.label,
        v.value.text,
        `${PROVENANCE[v.value.from]}${v.value.with ? `, ${v.value.with}` : ''}`,
      ]),
    },
    head('Loads at the base, without factors'),
    {
      kind: 'table',
      head: ['Case', 'F_x N', 'F_y N', 'F_z N', 'M_x N·mm', 'M_y N·mm', 'M_z N·mm'],
      right: [1, 2, 3, 4, 5, 6],
      rows: verdict.cases.map((c) => [c.name, n(c.fx), n(c.fy), n(c.fz), n(c.mx), n(c.my), n(c.mz)]),
    },
    ...loadSteps(job),
    head('Links'),
    {
      kind: 'table',
      head: ['Link', 'Used', 'State', 'Worst at', 'Case'],
      right: [1],
      rows: shown.map((l) => [
        l.name,
        l.state === 'refused' ? '–' : Number.isFinite(l.utilisation) ? l.utilisation.toFixed(2) : 'none',
        STATE[l.state],
        l.at,
        l.state === 'refused' ? (l.refusal?.because ?? l.because) : l.caseName,
      ]),
    },
    words(`Not needed here: ${idle.join(', ')}.`),
    ...shown.flatMap((l) => workingBlocks(job, l, judged)),
  ];
  return { id: 'report', title: 'Calculation report', of: several ? name : '', blocks };
}

/** How the loads of each builder come about, and the way they come to this foot. */
function loadSteps(job: FootJudged['job']): Block[] {
  return casesOf(job, true).flatMap((c): Block[] =>
    c.steps.length > 0 ? [words(`${c.name}:`), { kind: 'list', items: c.steps.map(stepWords) }] : [],
  );
}

function workingBlocks(job: FootJudged['job'], l: Link, judged: FootJudged['judged']): Block[] {
  const c = judged.verdict.cases.find((x) => x.id === l.caseId) ?? judged.verdict.cases[0];
  const w = c && workingOf(job, l.id, c.id, judged.solved);
  if (!w) return [];
  return [
    head(
      `${l.name}: ${l.state === 'refused' ? 'not shown to hold' : Number.isFinite(l.utilisation) ? l.utilisation.toFixed(2) : 'nothing to hold with'}`,
    ),
    words(`${w.check.says} ${w.check.source}. Range: ${w.check.range}.`),
    ...(l.refusal ? [loud(`${l.refusal.because}; allowed: ${l.refusal.allowed}`)] : []),
    { kind: 'list', items: w.steps.map(stepWords) },
  ];
}

function cautionCard(feet: readonly FootJudged[]): Card {
  const all = [...new Set(feet.flatMap((f) => cautionsFor(f.job)))];
  return {
    id: 'report',
    title: 'Cautions',
    of: '',
    blocks: [
      { kind: 'list', items: all },
      { kind: 'sign', text: 'Calculated by' },
      { kind: 'sign', text: 'Checked by' },
    ],
  };
}
