import { distance } from '../geometry/points';
import { nearestEdge } from '../geometry/rects';
import type { PlacedBolt, Resolved } from '../job/resolve';
import { formula, type Formula } from '../working/formula';
import { Working } from '../working/steps';
import { outcome, remembered, type Check, type Outcome } from './check';

const E_MIN = formula('e_min', '1.2·d_0', 'mm');
const P_MIN = formula('p_min', '2.2·d_0', 'mm');
const S_MIN = formula('s_min', '(8/3)·d', 'mm');

/**
 * AISC 360-16 Tab. J3.4 (edge to centre of a standard hole, inch) and J3.4M (mm), from memory; between rows the next larger bolt.
 */
const J3_4: readonly (readonly [d: number, edge: number])[] = [
  [12.7, 19.05],
  [15.875, 22.225],
  [16, 22],
  [19.05, 25.4],
  [20, 26],
  [22, 28],
  [24, 30],
];

export function edgeAISC(d: number): number {
  // Bolts under 1/2 in are outside the table: its own smallest ratio, 1.5·d, is used for them (common practice).
  return d < 12.7 ? 1.5 * d : J3_4.find(([row]) => row >= d - 1e-6)![1];
}

/** Holes too near an edge or each other. Utilisation is least allowed over actual, so 1.00 is just enough. */
export const edgeAndPitch: Check = {
  id: 'edge-and-pitch',
  name: 'Edge and pitch',
  element: 'plate',
  loadFree: true,
  says: 'Holes need metal round them: enough to the edge and enough between them.',
  why: 'Too near an edge a bolt tears out the strip in front of it; too near each other, two holes become one slot. These are least distances whatever the load, so that the drill and the metal have room.',
  source: 'EN 1993-1-8 Tab. 3.3 (e ≥ 1.2·d_0, p ≥ 2.2·d_0), or AISC 360-16 §J3.3 (s ≥ 2⅔·d) and Tab. J3.4 (memory)',
  range: 'Round holes; does not depend on the load',
  evaluate: (r, _s, w) => (w.recording ? judged(r, w) : silently(r)),
};

function judged(r: Resolved, w: Working): Outcome {
  const edge = nearestToEdge(r);
  const pair = closestPair(r);
  const least: (f: Formula) => number = (f) => f.of({ d: r.d, d_0: r.d0 });
  const eMin = r.rules === 'EN' ? least(E_MIN) : edgeAISC(r.d);
  const pMin = r.rules === 'EN' ? least(P_MIN) : least(S_MIN);
  const byPitch = pair !== undefined && pMin / pair.gap > eMin / edge.gap;
  const cautions =
    r.skinKind === 'laminate' && pair && pair.gap < 4 * r.d
      ? [`pitch ${pair.gap.toFixed(1)} mm is under 4·d in the laminate (common practice)`]
      : [];
  return byPitch ? pitchOutcome(r, pair, w, cautions) : edgeOutcome(r, edge, eMin, w, cautions);
}

/** The same in every case. */
const silently = remembered((r) => judged(r, new Working(false)));

function pitchOutcome(r: Resolved, pair: { gap: number; at: string }, w: Working, cautions: string[]): Outcome {
  const need = w.of(r.rules === 'EN' ? P_MIN : S_MIN, { d: r.d, d_0: r.d0 });
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
  if (r.rules === 'EN') w.of(E_MIN, { d_0: r.d0 });
  else w.found('e_min', eMin, 'mm', r.d < 12.7 ? '1.5·d, bolt under the table of J3.4 (common practice)' : 'AISC Tab. J3.4');
  w.found('e', edge.gap, 'mm', `${edge.bolt.id} to the nearest edge`);
  return outcome(eMin, edge.gap, 'mm', `${edge.bolt.id} to edge`, cautions);
}

function nearestToEdge(r: Resolved): { gap: number; bolt: PlacedBolt } {
  return r.bolts.map((bolt) => ({ bolt, gap: nearestEdge(r.plate, bolt) })).reduce((a, b) => (b.gap < a.gap ? b : a));
}

function closestPair(r: Resolved): { gap: number; at: string } | undefined {
  let best: { gap: number; at: string } | undefined;
  r.bolts.forEach((a, i) => {
    for (const b of r.bolts.slice(i + 1)) {
      const gap = distance(a, b);
      if (!best || gap < best.gap) best = { gap, at: `${a.id}–${b.id}` };
    }
  });
  return best;
}
