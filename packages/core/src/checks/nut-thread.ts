import type { Resolved } from '../job/resolve';
import { NUT_KINDS } from '../stock/nut-kinds';
import { proofStress } from '../stock/nuts';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { type BoltCheck, capacitiesOf, everyBolt, isHeldByThread, isLag, notApplicable, worstBolt, type Check } from './check';

const F_N = formula('F_n.Rd', 'S_p·A_s/γ', 'N');

/** Resistance of a nut’s thread, N. */
function nutResistance(r: Resolved, w: Working): number {
  return w.of(
    F_N,
    { S_p: proofStress(r.nut, r.d), A_s: r.As, γ: r.factors.onBreak },
    `proof stress of a class ${r.nut.id} nut; ${r.nut.source}`,
  );
}

const held: BoltCheck = { demand: (_r, s, i, w) => s.demand.pull(i, w), capacity: (r, _i, w) => nutResistance(r, w) };
const capacities = capacitiesOf(held);

/** The nut’s thread against stripping, by its proof load. */
export const nutThread: Check = {
  id: 'nut-thread',
  name: 'Nut thread',
  element: 'fastener',
  says: 'The nut on the hardest-pulled bolt must not strip.',
  why: 'The first turns of the nut carry most of the pull. A full-height nut of the right class holds more than the bolt; a thin or soft one strips.',
  source: 'ISO 898-2 proof load, ISO 3506-2, SAE J995; tension from equilibrium of a rigid base with tension-only bolts',
  range: 'Hexagon nuts of full height, M5–M24, 1/4–3/4 in, coarse thread',
  evaluate(r, s, w) {
    if (isLag(r) || isHeldByThread(r)) return notApplicable(`held by a ${r.joint.holding}, without a nut`);
    const o = worstBolt(everyBolt(r), r, s, w, held, capacities(r));
    const mixed = r.nut.stainless !== r.grade.stainless;
    const galls = r.nut.stainless && r.grade.stainless;
    const kind = NUT_KINDS.find((k) => k.id === r.joint.nutKind)!;
    const cautions = [
      ...(kind.id === 'plain' ? [] : [`${kind.name}: up to ${kind.upTo} °C, used again ${kind.again} (common practice)`]),
      ...(mixed ? ['stainless and plain steel in one thread corrode where it is wet'] : []),
      ...(galls ? ['stainless on stainless galls: grease the thread, run the nut down by hand'] : []),
    ];
    return cautions.length > 0 ? { ...o, cautions } : o;
  },
};
