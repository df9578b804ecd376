import type { Resolved } from '../job/resolve';
import { refuse, type Refusal } from '../units/refusal';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { pullOn } from './bolt-strength';
import { everyBolt, isHeldByThread, notApplicable, outcome, worst, type Check } from './check';
import { heldThickness, metalSkin } from './skin-parts';

const MINOR = formula('D_1', 'd − 1.0825·P', 'mm');
const PITCH_D = formula('d_2', 'd − 0.6495·P', 'mm');
/** FED-STD-H28: shear areas of the bolt's and the hole's thread at basic size. */
const AS_S = formula('AS_s', 'π·L_e·D_1/P·(P/2 + 0.57735·(d_2 − D_1))', 'mm²');
const AS_N = formula('AS_n', 'π·L_e·d/P·(P/2 + 0.57735·(d − d_2))', 'mm²');
const F_S = formula('F_s.Rd', '0.577·f_ub·AS_s/γ', 'N');
const F_N = formula('F_n.Rd', '0.577·f_u·AS_n/γ', 'N');

/** Thread shear areas over L_e, mm². */
export function threadAreas(d: number, P: number, L_e: number, w: Working): { external: number; internal: number } {
  const D_1 = w.of(MINOR, { d, P });
  const d_2 = w.of(PITCH_D, { d, P });
  return { external: w.of(AS_S, { L_e, D_1, d_2, P }), internal: w.of(AS_N, { L_e, d, d_2, P }) };
}

/** What is tapped: the backing plate where there is one, else the skin's own metal. */
function tappedIn(r: Resolved): { readonly t: number; readonly fu: number } | Refusal {
  if (r.far.kind === 'plate') return { t: r.far.thickness, fu: r.far.metal.fu };
  if (metalSkin(r)) return { t: heldThickness(r), fu: r.skin.fu };
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
  source: 'FED-STD-H28 / Machinery’s Handbook: AS_s, AS_n at basic size, shear 0.577·f_u; rivet nuts by their maker',
  range: 'At least one diameter engaged in steel, two in aluminium, is preferred (common practice)',
  evaluate(r, s, w) {
    const { holding, engagement, insert } = r.job.joint;
    if (!isHeldByThread(r)) return notApplicable(`held by a ${holding}: see Nut thread`);
    if (holding === 'rivet nut')
      return worst(everyBolt(r), w, (i, _k, w) =>
        outcome(
          pullOn(r, s, i, w),
          w.of(F_INSERT, { F_i: insert.v, γ: r.factors.onBreak }, 'pull-out by the maker'),
          'N',
          r.bolts[i]!.id,
        ),
      );
    const tapped = tappedIn(r);
    if ('refused' in tapped) return tapped;
    if (engagement.v > tapped.t + 1e-6)
      return refuse(
        'joint.engagement',
        `${engagement.v.toFixed(1)} mm of thread does not go into ${tapped.t.toFixed(1)} mm of metal`,
        `up to ${tapped.t.toFixed(1)} mm`,
      );
    const P = r.size.pitch;
    const cautions = engagement.v < r.d ? ['less than one diameter of thread engaged (common practice)'] : [];
    return worst(everyBolt(r), w, (i, _k, w) => {
      const { external, internal } = threadAreas(r.d, P, engagement.v, w);
      const bolt = w.of(F_S, { f_ub: r.grade.fub, AS_s: external, γ: r.factors.onBreak });
      const plate = w.of(F_N, { f_u: tapped.fu, AS_n: internal, γ: r.factors.onBreak });
      return outcome(pullOn(r, s, i, w), Math.min(bolt, plate), 'N', r.bolts[i]!.id, cautions);
    });
  },
};

const F_INSERT = formula('F_i.Rd', 'F_i/γ', 'N');
