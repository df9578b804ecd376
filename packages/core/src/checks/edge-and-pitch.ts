import { apart, edgeOf } from '../job/placed-holes';
import type { PlacedBolt, Resolved } from '../job/resolve';
import { edgeAISC, inTableJ34 } from '../stock/edge-distances';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { everyBolt, outcome, remembered, type Check, type Outcome } from './check';
import type { Loaded } from './demand/demand';

const E_MIN = formula('e_min', '1.2·d_0', 'mm');
/** From a slot, from the middle line of its ends on (e_3, e_4). */
const E_SLOT = formula('e_min', '1.5·d_0', 'mm');
const leastEdge = (r: Resolved) => (r.slot ? E_SLOT : E_MIN);
const P_ALONG = formula('p_1.min', '2.2·d_0', 'mm');
const P_ACROSS = formula('p_2.min', '2.4·d_0', 'mm');
const S_MIN = formula('s_min', '(8/3)·d', 'mm');

/** Holes too near an edge or each other. Utilisation is least allowed over actual, so 1.00 is just enough. */
export const edgeAndPitch: Check = {
  id: 'edge-and-pitch',
  name: 'Edge and pitch',
  element: 'plate',
  loadFree: true,
  says: 'Holes need metal round them: enough to the edge and enough between them.',
  why: 'Too near an edge a bolt tears out the strip in front of it; too near each other, two holes become one slot. These are least distances whatever the load, so that the drill and the metal have room.',
  source:
    'EN 1993-1-8 Tab. 3.3 (e ≥ 1.2·d_0, p_1 ≥ 2.2·d_0 along the force, p_2 ≥ 2.4·d_0 across it; e_3, e_4 ≥ 1.5·d_0 of slots, from the middle line of their ends), or AISC 360-16 §J3.3 (s ≥ 2⅔·d) and Tab. J3.4 (memory)',
  range: 'Holes and slots, to the outline as it is cut; only which way the force runs enters, not how large it is',
  evaluate(r, s, w) {
    const edge = nearestToEdge(r);
    const pair = closestPair(r, s);
    const eMin = r.rules === 'EN' ? leastEdge(r).of({ d_0: r.d0 }) : edgeAISC(r.d, r.size.family);
    const cautions =
      r.skinKind === 'laminate' && pair && pair.gap < 4 * r.d
        ? [`pitch ${pair.gap.toFixed(1)} mm is under 4·d in the laminate (common practice)`]
        : [];
    const byPitch = pair !== undefined && pair.need / pair.gap > eMin / edge.gap;
    return byPitch ? pitchOutcome(r, pair, w, cautions) : edgeOutcome(r, edge, eMin, w, cautions);
  },
};

interface Pair {
  readonly gap: number;
  readonly need: number;
  /** The force runs across the line between them, or is not known to run along it. */
  readonly across: boolean;
  readonly at: string;
}

function pitchOutcome(r: Resolved, pair: Pair, w: Working, cautions: string[]): Outcome {
  const rule = r.rules === 'AISC' ? S_MIN : pair.across ? P_ACROSS : P_ALONG;
  const need = w.of(rule, { d: r.d, d_0: r.d0 }, r.rules === 'EN' ? `force ${pair.across ? 'across' : 'along'} ${pair.at}` : '');
  w.found('p', pair.gap, 'mm', `centre to centre, ${pair.at}`);
  return outcome(need, pair.gap, 'mm', pair.at, cautions);
}

function edgeOutcome(
  r: Resolved,
  edge: { gap: number; bolt: PlacedBolt },
  eMin: number,
  w: Working,
  cautions: string[],
): Outcome {
  if (r.rules === 'EN') w.of(leastEdge(r), { d_0: r.d0 });
  else
    w.found('e_min', eMin, 'mm', inTableJ34(r.d, r.size.family) ? 'AISC Tab. J3.4' : 'bolt outside Tab. J3.4 (common practice)');
  w.found('e', edge.gap, 'mm', `${edge.bolt.id} to the nearest edge`);
  return outcome(eMin, edge.gap, 'mm', `${edge.bolt.id} to edge`, cautions);
}

const nearestToEdge = remembered((r: Resolved): { gap: number; bolt: PlacedBolt } =>
  everyBolt(r)
    .map((i) => ({ bolt: r.bolts[i]!, gap: edgeOf(r, i) }))
    .reduce((a, b) => (b.gap < a.gap ? b : a)),
);

/** A pair is judged by the wider hole of the two, among the bolts of that kind. */
const judgedHere = (r: Resolved, a: PlacedBolt, b: PlacedBolt): boolean => {
  const wider = r.kinds[a.kind]!.d0 >= r.kinds[b.kind]!.d0 ? a : b;
  return wider.kind === r.kind || (r.kinds[wider.kind]!.d0 === r.d0 && (a.kind === r.kind || b.kind === r.kind));
};

/** The two bolts with least between them for what they need: across the force 2.4·d_0, along it 2.2·d_0. */
function closestPair(r: Resolved, s: Loaded): Pair | undefined {
  const { fx, fy } = s.loadCase;
  const [along, across] = [P_ALONG.of({ d_0: r.d0 }), P_ACROSS.of({ d_0: r.d0 })];
  const same = S_MIN.of({ d: r.d });
  let best: Pair | undefined;
  r.bolts.forEach((a, i) => {
    for (const [k, b] of r.bolts.slice(i + 1).entries()) {
      if (!judgedHere(r, a, b)) continue;
      const gap = apart(r, i, i + 1 + k);
      const lengthwise = Math.abs((b.x - a.x) * fx + (b.y - a.y) * fy);
      const crosswise = Math.abs((b.x - a.x) * fy - (b.y - a.y) * fx);
      const isAcross = !(lengthwise > crosswise);
      const need = r.rules === 'AISC' ? same : isAcross ? across : along;
      if (!best || need / gap > best.need / best.gap) best = { gap, need, across: isAcross, at: `${a.id}–${b.id}` };
    }
  });
  return best;
}
