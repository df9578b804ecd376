import type { Resolved } from '../job/resolve';
import { refuse, type Refusal } from '../units/refusal';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import type { FastenerSize } from '../stock/fasteners';
import { threadLimits } from '../stock/thread-limits';
import { brittle } from './metal-rules';
import { everyBolt, isHeldByThread, notApplicable, outcome, worst, type Check } from './check';
import { heldThickness, metalSkin } from './skin-parts';

/** FED-STD-H28/2: shear areas of the bolt's and the hole's thread, bolt at its smallest and hole at its largest. */
const AS_S = formula('AS_s', 'π·L_e·D_1.max/P·(P/2 + 0.57735·(d_2.min − D_1.max))', 'mm²');
const AS_N = formula('AS_n', 'π·L_e·d_min/P·(P/2 + 0.57735·(d_min − D_2.max))', 'mm²');
const F_S = formula('F_s.Rd', '0.577·f_ub·AS_s/γ', 'N');
const F_N = formula('F_n.Rd', '0.577·f_u·AS_n/γ', 'N');

/** Thread shear areas over L_e, mm²: 6g in 6H, or 2A in 2B. */
export function threadAreas(
  size: Pick<FastenerSize, 'family' | 'd' | 'pitch'>,
  L_e: number,
  w: Working,
): { external: number; internal: number } {
  const x = threadLimits(size);
  const put = { L_e, P: size.pitch, 'D_1.max': x.D1Max, 'd_2.min': x.d2Min, d_min: x.dMin, 'D_2.max': x.D2Max };
  const limits = size.family === 'metric' ? 'limits of 6g/6H, ISO 965-1 (memory)' : 'limits of 2A/2B, ASME B1.1';
  return { external: w.of(AS_S, put, limits), internal: w.of(AS_N, put, limits) };
}

/** What is tapped: the backing plate where there is one, else the skin's own metal. */
export function tappedIn(r: Resolved): { readonly t: number; readonly fy: number; readonly fu: number } | Refusal {
  if (r.far.kind === 'plate')
    return (
      brittle(r.far.metal, 'far.metal', 'a thread cut in it') ?? { t: r.far.thickness, fy: r.far.metal.fy, fu: r.far.metal.fu }
    );
  if (metalSkin(r)) return { t: heldThickness(r), fy: r.skin.bending, fu: r.skin.fu };
  return refuse(
    'joint.holding',
    `a thread cut in ${r.skin.name.toLowerCase()} holds nothing that lasts`,
    'a tapped backing plate, or nuts',
  );
}

/** The thread of a tapped plate, a tube wall or a rivet nut, pulled out. */
export const threadEngaged: Check = {
  id: 'thread-engaged',
  name: 'Thread engaged',
  element: 'fastener',
  says: 'A bolt in a tapped hole or an insert must not pull its thread out.',
  why: 'A nut is made as strong as its bolt; a tapped hole is not. Soft or thin metal shears off round the bolt like a corkscrew out of cork. Twice the thread engaged holds twice as much.',
  source:
    'FED-STD-H28/2: AS_s, AS_n with the bolt at its smallest and the hole at its largest (6g/6H, 2A/2B), shear 0.577·f_u; rivet nuts by their maker',
  range: 'At least one diameter engaged in steel, two in aluminium, is preferred (common practice)',
  evaluate(r, s, w) {
    const { holding, engagement, insert } = r.joint;
    if (!isHeldByThread(r)) return notApplicable(`held by a ${holding}: see Nut thread`);
    if (holding === 'rivet nut')
      return worst(everyBolt(r), w, (i, _k, w) =>
        outcome(
          s.demand.pull(i, w),
          w.of(F_INSERT, { F_i: insert, γ: r.factors.onBreak }, 'pull-out by the maker'),
          'N',
          r.bolts[i]!.id,
        ),
      );
    const tapped = tappedIn(r);
    if ('refused' in tapped) return tapped;
    if (engagement > tapped.t + 1e-6)
      return refuse(
        'joint.engagement',
        `${engagement.toFixed(1)} mm of thread does not go into ${tapped.t.toFixed(1)} mm of metal`,
        `up to ${tapped.t.toFixed(1)} mm`,
      );
    const cautions = engagement < r.d ? ['less than one diameter of thread engaged (common practice)'] : [];
    return worst(everyBolt(r), w, (i, _k, w) => {
      const { external, internal } = threadAreas(r.size, engagement, w);
      const bolt = w.of(F_S, { f_ub: r.grade.fub, AS_s: external, γ: r.factors.onBreak });
      const plate = w.of(F_N, { f_u: tapped.fu, AS_n: internal, γ: r.factors.onBreak });
      return outcome(s.demand.pull(i, w), Math.min(bolt, plate), 'N', r.bolts[i]!.id, cautions);
    });
  },
};

const F_INSERT = formula('F_i.Rd', 'F_i/γ', 'N');
