import { edgeDistance } from '../../geometry/region';
import type { Resolved } from '../../job/resolve';
import { baseRuns } from '../../sharing/held-edges';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { heldThickness } from '../skin-parts';
import { layoutRule, notApplicable, outcome, worst, type Outcome } from '../check';

const LEG = formula('z', 'sqrt(2)·a', 'mm');
const Z_MAX = formula('z_max', 't − 1.6', 'mm');
const LEAST = formula('z_min', 'min(z_tab, t)', 'mm');

/** AISC 360-16 Tab. J2.4, least leg by the thinner part joined, mm (1/8, 3/16, 1/4, 5/16 in). */
export const leastLeg = (t: number): number => (t <= 6.35 ? 3.175 : t <= 12.7 ? 4.7625 : t <= 19.05 ? 6.35 : 7.9375);

/** EN 1993-1-8 §4.5.2(2), and from what thickness on that part holds (§4.1(1)); mm. */
const EN_LEAST = 3;
const EN_FROM = 4;
const FITTING = 'fitting weld';

interface Seam {
  readonly name: string;
  readonly a: number;
  /** The thinner of the two, and the plate whose edge the fillet runs along; mm. */
  readonly thin: number;
  readonly edge: number;
}

function seams(r: Resolved): Seam[] {
  const { fitting, fittingThroat, doubler, doublerThroat } = r.welds;
  const t = r.plateThickness;
  return [
    ...(fitting === 'none'
      ? []
      : [{ name: FITTING, a: fittingThroat, thin: Math.min(t, r.baseThickness), edge: r.baseThickness }]),
    ...(doubler === 'none' || doubler === 'plugs'
      ? []
      : [{ name: 'doubler weld', a: doublerThroat, thin: Math.min(t, heldThickness(r)), edge: t }]),
  ];
}

function most(edge: number, w: Working): number {
  return edge < 6.35 ? w.found('z_max', edge, 'mm', 'along an edge under 1/4 in: its thickness') : w.of(Z_MAX, { t: edge });
}

const STEPS = 32;

/** From the fitting's weld to the plate's edge where they are nearest, mm. */
const ledgeBeside = (r: Resolved): number =>
  Math.min(
    ...baseRuns(r).flatMap(({ from, to }) =>
      Array.from({ length: STEPS + 1 }, (_, k) => {
        const part = k / STEPS;
        return edgeDistance(r.region, { x: from.x + (to.x - from.x) * part, y: from.y + (to.y - from.y) * part });
      }),
    ),
  );

/** What is wanted of plate beside a bead, mm: common practice. */
const LEDGE = 3;

/** Fillets neither too small to fuse nor too large for the edge they run on. */
export const weldSize = layoutRule({
  id: 'weld-size',
  name: 'Weld size',
  element: 'weld',
  withoutBolts: true,
  says: 'A fillet must be large enough to fuse with the metal and leave the plate’s edge to be seen.',
  why: 'On thick metal a small bead chills before it fuses. On an edge a fillet as tall as the plate melts the corner away, and nobody can measure it any more. So there is a least and a most.',
  source:
    'AISC 360-16 Tab. J2.4 (least leg by the thinner part, and no more than it is thick: AWS D1.1 Tab. 5.7, memory) and §J2.2b (most: t − 1/16 in along an edge); EN 1993-1-8 §4.5.2: a ≥ 3 mm on parts from 4 mm; a ledge of 3 mm past the leg is common practice and only reminded of',
  range: 'Fillets of equal legs along straight edges',
  evaluate(r, w) {
    const all = seams(r);
    if (all.length === 0) return notApplicable('nothing is fillet-welded');
    const o = worst(all, w, (s, _i, w) => worst(asked(r, s), w, (ask, _k, w) => ask(w)));
    return { ...o, cautions: all.flatMap((s) => reminders(r, s)) };
  },
});

type Ask = (w: Working) => Outcome;

/** What one fillet is asked. */
function asked(r: Resolved, s: Seam): Ask[] {
  const leg = (w: Working) => w.of(LEG, { a: s.a });
  const all: Ask[] = [
    (w) => {
      const z = leg(w);
      const least = w.of(LEAST, { z_tab: leastLeg(s.thin), t: s.thin }, 'AISC Tab. J2.4, no more than the thinner part');
      return outcome(least, z, 'mm', `${s.name}: too small to fuse below its least leg`);
    },
    (w) => outcome(leg(w), most(s.edge, w), 'mm', `${s.name}: too big for its edge past its most leg`),
  ];
  if (r.rules === 'EN' && s.thin >= EN_FROM)
    all.push((w) =>
      outcome(w.found('a_min', EN_LEAST, 'mm', 'EN 1993-1-8 §4.5.2(2)'), s.a, 'mm', `${s.name}: under the least throat`),
    );
  if (s.name === FITTING)
    all.push((w) =>
      outcome(
        leg(w),
        Math.max(0, w.found('e', ledgeBeside(r), 'mm', 'plate beside it')),
        'mm',
        `${s.name}: no plate under all of its leg`,
      ),
    );
  return all;
}

function reminders(r: Resolved, s: Seam): string[] {
  const room = s.name === FITTING ? ledgeBeside(r) : Infinity;
  const wants = LEDGE + Math.SQRT2 * s.a;
  return room < wants
    ? [
        `${room.toFixed(1)} mm of plate is beside the fitting weld; ${wants.toFixed(1)} is usual, its leg and 3 mm (common practice)`,
      ]
    : [];
}
