import type { Rect } from '../../geometry/points';
import type { Vector } from '../../geometry/vector';
import type { Resolved } from '../../job/resolve';
import type { Metal } from '../../stock/metals';
import { effectiveRuns, isLinear, shortRuns } from '../../sharing/effective-runs';
import { cornerWords, lineForces, type LineForce, type Run } from '../../sharing/weld-group';
import { isRefusal, type Refusal } from '../../units/refusal';
import { Working } from '../../working/steps';
import { outcome, worst, type Outcome } from '../check';
import { filletAISC, filletAluminium, filletDirectional, filletSimplified } from './fillet';

const steel = (m: Metal | undefined): m is Metal => m?.group === 'steel' || m?.group === 'stainless';

/** Steel or stainless on the same, or alloys of which it is known what welding leaves. */
export function weldable(a: Metal | undefined, b: Metal | undefined): readonly [Metal, Metal] | undefined {
  const both = (steel(a) && steel(b)) || (a?.welded !== undefined && b?.welded !== undefined);
  return both ? [a!, b!] : undefined;
}

/** What is allowed of two parts that are welded. */
export const WELDABLE = 'steel or stainless on the same, or 5052-H32, 5083-H111, 6061-T6, 6082-T6 on each other';

/** A fillet: its throat, mm, and the two metals it joins; the weaker counts (EN 1993-1-8 §4.5.3.2(6), EN 1999-1-1 §8.6.2). */
export interface Fillet {
  readonly a: number;
  readonly of: readonly [Metal, Metal];
}

/** The weld judged at one point by the job's rules, the other school's figure beside it. `straight`: AISC §J2.4 lets the way of the force count. */
function judged(r: Resolved, q: LineForce, { a, of }: Fillet, straight: boolean, at: string, w: Working): Outcome {
  const γ = r.factors.onBreak;
  const fu = Math.min(of[0].fu, of[1].fu);
  const filler = r.welds.filler;
  w.found('q_p', q.along, 'N/mm', `along the run, at the ${at}`);
  w.found('q_h', q.across, 'N/mm', 'across it in the plane');
  w.found('q_v', q.out, 'N/mm', 'out of the plane');
  const [one, two] = [of[0].welded, of[1].welded];
  if (one && two) {
    const x = { a, fw: Math.min(one.fw, two.fw), fuHaz: Math.min(one.fu, two.fu), γ };
    const o = filletAluminium(q, x, w);
    return outcome(o.demand, o.capacity, 'MPa', at, ['filler 5356 is taken; heat softens the metal 20 to 30 mm each way']);
  }
  const silent = new Working(false);
  const EN = r.rules === 'EN';
  const en = filletDirectional(q, { a, fu, γ }, EN ? w : silent);
  const us = filletAISC(q, { a, filler, γ, straight }, EN ? silent : w);
  const o = EN ? outcome(en.demand, en.capacity, 'MPa', at) : outcome(us.demand, us.capacity, 'N/mm', at);
  const other = EN ? us : en;
  w.found('q_Rd', filletSimplified({ a, fu, γ }, silent), 'N/mm', 'for comparison, EN §4.5.3.3 simplified; not used');
  w.found('η', other.demand / other.capacity, '–', `for comparison, by ${EN ? 'AISC §J2.4' : 'EN 1993-1-8 §4.5.3.2'}; not used`);
  return o;
}

/** Alike at every point: a group pulled straight through its middle. Runs drawn the other way round count backwards in the plane. */
const even = (at: readonly LineForce[]): boolean => {
  const first = at[0]!;
  const near = 1e-6 * Math.hypot(first.along, first.across, first.out);
  const off = (q: LineForce, sign: 1 | -1) =>
    Math.max(Math.abs(q.along - sign * first.along), Math.abs(q.across - sign * first.across), Math.abs(q.out - first.out));
  return at.every((q) => Math.min(off(q, 1), off(q, -1)) <= near);
};

/** A weld and what it lies on: its physical runs, the load about the plan's datum, what its refusals name, and what its corners are told by. */
export interface Weld extends Fillet {
  readonly runs: readonly Run[];
  readonly load: Vector;
  readonly field: string;
  readonly around: Rect;
  readonly stitch?: number;
}

/** What each point of a weld takes, by the runs that count and as long as they count. */
export interface WeldForces {
  readonly at: readonly LineForce[];
  readonly straight: boolean;
  readonly cautions: readonly string[];
}

export function weldForces(r: Resolved, x: Weld): WeldForces | Refusal {
  const { a, of, stitch } = x;
  const aluminium = of.every((m) => m.welded !== undefined);
  const counted = effectiveRuns(x.runs, { a, rules: r.rules, aluminium, ...(stitch === undefined ? {} : { stitch }) }, x.field);
  if (isRefusal(counted)) return counted;
  const at = lineForces(counted.runs, x.load);
  return isRefusal(at) ? at : { at, straight: isLinear(counted.runs) && even(at), cautions: shortRuns(counted) };
}

/** Judges a weld at every end of every run that counts. */
export function judgeWeld(r: Resolved, x: Weld, w: Working): Outcome | Refusal {
  const found = weldForces(r, x);
  if (isRefusal(found)) return found;
  const o = worst(found.at, w, (q, _i, w) => judged(r, q, x, found.straight, cornerWords(x.around, q.at), w));
  return { ...o, cautions: [...o.cautions, ...found.cautions] };
}
