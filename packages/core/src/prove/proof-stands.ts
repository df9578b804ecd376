import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';
import canonicalize from 'canonicalize';
import { atFoot, designOf, footOf } from '../job/at-foot';
import type { WholeJob } from '../job/whole-job';
import { casesOf } from '../loads/cases';
import { formatQuantity } from '../units/format-quantity';
import { isOf, standing, type BodyOf, type Line, type LineOf } from './log-entry';
import type { ProofPlan } from './proof-plan';

/** A load cell reads within so much of what it was asked for (common practice). */
const SHORT = 0.02;
/** The way of a pull that is another one: cosine of 3° (common practice). */
const ASIDE = Math.cos((3 * Math.PI) / 180);
/** What a thing is called, and what is written beside it: none of it changes what stands there. */
const WORDS: ReadonlySet<string> = new Set(['note', 'name', 'stiff']);

/** Numbers and choices alone, to a thousandth. */
function bare(v: unknown): unknown {
  if (typeof v === 'number') return Math.round(v * 1000);
  if (Array.isArray(v)) return v.map(bare);
  if (typeof v !== 'object' || v === null) return v;
  // Of a quantity its value: how it was written and who measured it is words too.
  if ('v' in v && 'text' in v) return bare(v.v);
  const kept = Object.entries(v).filter(([k, x]) => !WORDS.has(k) && x !== undefined);
  return Object.fromEntries(kept.map(([k, x]) => [k, bare(x)]));
}

/** The print of a foot as it is drawn: fitting, plate, bolts, welds and structure (SHA-256 over canonical JSON). */
export function printOf(whole: WholeJob, foot: string): string {
  const f = footOf(whole, foot);
  const drawn = { design: designOf(whole, f), skin: f.skin, holds: f.holds, rule: whole.standing };
  return bytesToHex(sha256(utf8ToBytes(canonicalize(bare(drawn))!)));
}

/** What a proof of a foot is compared by later. */
export const provedAs = (
  whole: WholeJob,
  foot: string,
  { loadCase }: Pick<ProofPlan, 'loadCase'>,
): BodyOf<'proof'>['proved'] => ({
  caseId: loadCase.id,
  force: [loadCase.fx, loadCase.fy, loadCase.fz],
  of: printOf(whole, foot),
});

/** What was done at a foot since, after which it is another joint; empty where nothing was. */
function changedSince(lines: readonly Line[], { seq }: Line, foot: string): string {
  for (const l of standing(lines)) {
    if (l.seq <= seq || l.entry.about.foot !== foot) continue;
    const at = l.entry.about.bolt ?? '';
    if (isOf('decision')(l) && l.entry.body.decide !== 'accept') return `${l.entry.body.decide}${at ? ` at ${at}` : ''} after it`;
    if (isOf('bolt missing')(l)) return `${at} is missing since`;
  }
  return '';
}

/**
 * Why a proof that passed does not count any more, in words; empty where it counts. Its case must be in the job and pull no harder
 * and no other way than it was pulled, and what was pulled must be what is drawn now.
 */
export function staleProof(whole: WholeJob, foot: string, line: LineOf<'proof'>, lines: readonly Line[]): string {
  const { load, proved } = line.entry.body;
  if (!proved) return 'was written before what it pulled was kept with it: prove again';
  const job = atFoot(whole, foot);
  const now = casesOf(job).find((c) => c.id === proved.caseId);
  if (!now) return `was by ${line.entry.body.caseName}, which is no case of the job any more`;
  const once = Math.hypot(now.fx, now.fy, now.fz);
  const newtons = (v: number) => formatQuantity(v, 'force', whole.units);
  if (load < (1 - SHORT) * once) return `reached ${newtons(load)}, and ${now.name} is ${newtons(once)}: prove again`;
  const [fx, fy, fz] = proved.force;
  const along = (fx * now.fx + fy * now.fy + fz * now.fz) / (Math.hypot(fx, fy, fz) * once);
  if (!(along >= ASIDE)) return `pulled another way than ${now.name} does now: prove again`;
  if (proved.of !== printOf(whole, foot)) return `was of version ${line.entry.version}, drawn otherwise since: prove again`;
  const since = changedSince(lines, line, foot);
  return since && `${since}: prove again`;
}

/** What is open of the proof of a foot, in words; empty where the last one passed and counts. */
export function openProof(whole: WholeJob, foot: string, lines: readonly Line[]): string {
  const mine = standing(lines)
    .filter(isOf('proof'))
    .filter((l) => (l.entry.about.foot ?? whole.feet[0]!.id) === foot);
  const last = mine.at(-1);
  if (!last) return 'no proof is written down';
  const { result, because } = last.entry.body;
  if (result !== 'passed') return `the last proof ${result}: ${because}`;
  const stale = staleProof(whole, foot, last, lines);
  return stale && `the last proof ${stale}`;
}
