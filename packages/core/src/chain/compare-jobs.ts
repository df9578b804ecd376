import { atFoot } from '../job/at-foot';
import { namedValues } from '../job/values';
import type { WholeJob } from '../job/whole-job';
import { formatQuantity } from '../units/format-quantity';
import type { VerdictState } from './evaluate';
import { judgeFeet, worstFoot, type FootJudged } from './feet';
import { judge } from './judge';
import type { Link, LinkState } from './link';

/** One link of one job: at the foot where it is worked hardest. */
export interface LinkThere {
  readonly state: LinkState;
  readonly utilisation: number;
  /** Empty where the fitting stands on one foot. */
  readonly foot: string;
}

export interface LinkBeside {
  readonly id: string;
  readonly name: string;
  readonly a: LinkThere | undefined;
  readonly b: LinkThere | undefined;
}

/** A value that is not the same in both: as text, or empty where it is not there. */
export interface ValueBeside {
  readonly label: string;
  readonly a: string;
  readonly b: string;
}

export interface Beside {
  readonly a: { readonly state: VerdictState; readonly weakest: string; readonly foot: string; readonly because: string };
  readonly b: Beside['a'];
  /** Links that are needed in either, what moved most first. */
  readonly links: readonly LinkBeside[];
  readonly values: readonly ValueBeside[];
}

const weight = (l: LinkThere): number => (l.state === 'refused' ? Infinity : l.state === 'not needed' ? -1 : l.utilisation);

/** Every link at the foot where it is worked hardest. */
function linksOf(feet: readonly FootJudged[]): ReadonlyMap<string, LinkThere & { readonly name: string }> {
  const out = new Map<string, LinkThere & { readonly name: string }>();
  for (const f of feet)
    for (const l of f.judged.verdict.links as readonly Link[]) {
      const there = { state: l.state, utilisation: l.utilisation, foot: feet.length > 1 ? f.name : '', name: l.name };
      const before = out.get(l.id);
      if (!before || weight(there) > weight(before)) out.set(l.id, there);
    }
  return out;
}

function standing(feet: readonly FootJudged[]): Beside['a'] {
  const worst = worstFoot(feet.map((f) => ({ ...f, verdict: f.judged.verdict })));
  const v = worst.verdict;
  return {
    state: v.state,
    weakest: v.links.find((l) => l.id === v.weakest)?.name ?? '',
    foot: feet.length > 1 ? worst.name : '',
    because: v.refusals[0] ? `${v.refusals[0].field}: ${v.refusals[0].because}` : '',
  };
}

/** How far a link has moved, for the order; what is refused on one side or only on one side goes first. */
function moved({ a, b }: LinkBeside): number {
  if (!a || !b || a.state === 'refused' || b.state === 'refused') return a?.state === b?.state ? 0 : Infinity;
  const [x, y] = [a, b].map((l) => (l.state === 'not needed' ? 0 : l.utilisation));
  return Math.abs(x! - y!);
}

/** Choices of a job that are no numbers, by what people call them, at its first foot. */
function picks(whole: WholeJob): readonly (readonly [string, string])[] {
  const job = atFoot(whole, whole.feet[0]!.id);
  const { practice: p, bolts, plate, joint, far, skin } = job;
  const mm = (v: number) => formatQuantity(v, 'length', job.units);
  return [
    ['Feet', `${whole.feet.length}`],
    ['Factor school', p.school],
    ['Rules', p.rules],
    ['Fasteners', `${bolts.items.length} × ${bolts.size} ${bolts.class}, nut ${bolts.nut}`],
    ['Places of the bolts', bolts.items.map((b) => `${mm(b.x)}, ${mm(b.y)}`).join('; ')],
    ['Plate', `${mm(plate.x1 - plate.x0)} × ${mm(plate.y1 - plate.y0)}, ${plate.thickness.text} ${plate.metal}`],
    ['Outline', plate.outline ? `drawn, ${plate.outline.corners.length} corners` : 'rectangle'],
    ['Far side', 'metal' in far ? `${far.kind} ${far.thickness.text} ${far.metal}` : far.kind],
    ['Held by', joint.holding],
    ['Tightened', joint.tightening],
    ['Faces', joint.bedding],
    ['Between plate and skin', joint.packing],
    ['Skin', 'metal' in skin ? `${skin.kind} ${skin.metal}` : 'grade' in skin ? `${skin.kind} ${skin.grade}` : skin.kind],
    ['Parts made besides', (job.parts ?? []).map((x) => `${x.count} × ${x.name}`).join(', ') || 'none'],
  ];
}

/** Values and choices that differ, each once. */
function differing(a: WholeJob, b: WholeJob): ValueBeside[] {
  const of = (whole: WholeJob) => {
    const job = atFoot(whole, whole.feet[0]!.id);
    return new Map([
      ...picks(whole),
      ...namedValues(job).map((n) => [n.label, { v: n.value.v, text: n.value.text }] as const),
    ] as [string, string | { v: number; text: string }][]);
  };
  const [x, y] = [of(a), of(b)];
  const text = (v: string | { text: string } | undefined) => (v === undefined ? '' : typeof v === 'string' ? v : v.text);
  const same = (p: string | { v: number } | undefined, q: typeof p) =>
    typeof p === 'object' && typeof q === 'object' ? Math.abs(p.v - q.v) <= 1e-9 * Math.max(1, Math.abs(p.v)) : p === q;
  return [...new Set([...x.keys(), ...y.keys()])]
    .filter((label) => !same(x.get(label), y.get(label)))
    .map((label) => ({ label, a: text(x.get(label)), b: text(y.get(label)) }));
}

/** Any two jobs, or two versions of one, link by link and value by value; each judged as it says itself. */
export function beside(a: WholeJob, b: WholeJob): Beside {
  const [fa, fb] = [a, b].map((whole) => judgeFeet(whole, (job, resolved) => judge(job, { resolved })));
  const [la, lb] = [linksOf(fa!), linksOf(fb!)];
  const ids = [...new Set([...la.keys(), ...lb.keys()])];
  const links = ids
    .map((id): LinkBeside => ({ id, name: (la.get(id) ?? lb.get(id))!.name, a: la.get(id), b: lb.get(id) }))
    .filter((l) => [l.a, l.b].some((t) => t && t.state !== 'not needed'))
    .sort((p, q) => moved(q) - moved(p) || 0);
  return { a: standing(fa!), b: standing(fb!), links, values: differing(a, b) };
}
