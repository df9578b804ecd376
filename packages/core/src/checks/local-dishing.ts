import { heightOf, overlap, widthOf } from '../geometry/rects';
import { refuse } from '../units/refusal';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { farDiameter } from './far-bearing';
import { everyBolt, notApplicable, onSkin, outcome, worst } from './check';

const R_0 = formula("r_0'", 'sqrt(1.6·r_0² + t²) − 0.675·t', 'mm');
const R_WIDE = formula("r_0'", 'r_0', 'mm');
const SIGMA = formula('σ', '3·F/(2·π·t²)·((1 + ν)·λ + β)', 'MPa');
const F_D = formula('f_d', 'k·f/γ', 'MPa');

/** Roark Tab. 11.4 case 1b, β by long over short side (memory): simply supported rectangle, load on a small circle at its middle. */
const BETA: readonly (readonly [ratio: number, beta: number])[] = [
  [1, 0.435],
  [1.2, 0.65],
  [1.4, 0.789],
  [1.6, 0.875],
  [1.8, 0.927],
  [2, 0.958],
  [Infinity, 1],
];

/** Between the rows in a straight line; β of a strip beyond 2. */
export function betaOf(ratio: number): number {
  const i = BETA.findIndex(([x]) => x >= ratio);
  if (i <= 0) return BETA[0]![1];
  const [x0, b0] = BETA[i - 1]!;
  const [x1, b1] = BETA[i]!;
  return x1 === Infinity ? 1 : b0 + ((ratio - x0) / (x1 - x0)) * (b1 - b0);
}

const SILENT = new Working(false);

/** Stress of a sheet t thick, b by a wide (b the shorter), pulled by F on a small circle of radius r_0 in its middle, MPa. */
export function dishingStress(x: { F: number; t: number; r_0: number; a: number; b: number; nu: number }, w: Working): number {
  const r0 = w.of(x.r_0 < 0.5 * x.t ? R_0 : R_WIDE, { r_0: x.r_0, t: x.t });
  const λ = w.found('λ', Math.log((2 * x.b) / (Math.PI * r0)), '–', `ln(2·b/(π·r_0′)), b ${x.b.toFixed(0)} mm the short span`);
  return w.of(SIGMA, { F: x.F, t: x.t, ν: x.nu, λ, β: betaOf(x.a / x.b) });
}

/** Sheet dented round a washer, between ribs. */
export const localDishing = onSkin({
  id: 'local-dishing',
  name: 'Local dishing',
  element: 'skin',
  says: 'Round a washer a sheet floor must not dish.',
  why: 'A thin floor under a single washer is pulled up into a dimple long before the bolt or the whole panel lets go. A plate across the bolts, or a rib under them, takes the dimple away.',
  source:
    'Roark Tab. 11.4 case 1b (memory): load on a small circle at the middle of a simply supported panel; each bolt by itself',
  range: 'Metal sheet with washers only; bending up to its yield; dimples side by side are in Skin bending',
  evaluate(r, s, w) {
    if (r.skinKind !== 'sheet') return notApplicable('only a metal sheet dishes round a washer');
    if (r.far.kind === 'plate') return notApplicable('a backing plate lies under the nuts');
    const t = r.skinThickness;
    // Welded to the plate all round, the sheet dimples between the welds; what the whole panel bends besides is in Skin bending.
    const held = (r.welds.doubler === 'all round' && overlap(r.plate, r.panel)) || r.panel;
    const [b, a] = [widthOf(held), heightOf(held)].sort((p, q) => p - q) as [number, number];
    const r_0 = Math.min(...everyBolt(r).map((i, k) => farDiameter(r, r.bolts[i]!, w.recording && k === 0 ? w : SILENT))) / 2;
    if (r_0 > b / 4)
      return refuse(
        'bolts',
        'the washer is large against the panel it dents',
        'a washer under half the panel, or the welded plate',
      );
    return worst(everyBolt(r), w, (i, _k, w) => {
      const σ = dishingStress({ F: s.demand.pull(i, w), t, r_0, a, b, nu: r.skin.nu }, w);
      // A round dimple goes plastic at 1.5 × its elastic moment; yield in the skin's face is what working loads keep off.
      return outcome(σ, w.of(F_D, { k: r.factors.plastic, f: r.skin.bending, γ: r.factors.onSkin }), 'MPa', r.bolts[i]!.id);
    });
  },
});
