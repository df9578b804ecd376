import { dot, left, sub, type Point } from '../geometry/points';
import { alongTo, nearestPoint } from '../geometry/rects';
import type { PlacedBolt, Resolved } from '../job/resolve';
import type { Shared } from '../sharing/share';
import type { Solved } from '../sharing/solved';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { pullOn, tensionResistance } from './bolt-strength';
import { capacitiesOf, notApplicable, outcome, remembered, worstBolt, type BoltCheck, type Check, type Outcome } from './check';
import { tStubAISC, tStubEN, type TStub } from './prying';

/** Length of plate along the base edge that goes with the bolt: half way to its neighbours in the row, or to the plate edge. */
export function tributaryLength(r: Resolved, bolt: Point, along: Point, m: number): number {
  const row = r.bolts.filter((o) => o !== bolt).map((o) => sub(o, bolt));
  const inRow = row.filter((v) => Math.abs(dot(v, left(along))) <= m);
  const side = (u: Point) => {
    const ahead = inRow.map((v) => dot(v, u)).filter((x) => x > 1e-6);
    return Math.min(alongTo(r.plate, bolt, u), ...ahead.map((x) => x / 2));
  };
  return side(along) + side({ x: -along.x, y: -along.y });
}

function stubAt(r: Resolved, b: PlacedBolt, Ft: number): TStub {
  const { point, gap } = nearestPoint(r.base, b);
  const out = { x: (b.x - point.x) / gap, y: (b.y - point.y) / gap };
  return {
    m: gap,
    e: alongTo(r.plate, b, out),
    p: tributaryLength(r, b, left(out), gap),
    // Loose plates bend each for itself: Σt², as one of t·√n.
    t: r.plateThickness * Math.sqrt(r.plateLayers),
    fy: r.plateMetal.fy,
    fu: r.plateMetal.fu,
    d: r.d,
    d0: r.d0,
    Ft,
    gammaYield: r.factors.onYield,
    gammaBreak: r.factors.school === 'limit' ? 1 / 0.9 : r.factors.onYield,
  };
}

const outside = remembered((r) => r.bolts.flatMap((b, i) => (b.throughBase ? [] : [i])));

const bent: BoltCheck = {
  demand: pullOn,
  capacity(r, i, w) {
    const bolt = r.bolts[i]!;
    if (bolt.throughBase) return Infinity;
    const stub = stubAt(r, bolt, tensionResistance(r, w));
    const EN = r.rules === 'EN';
    const capacity = EN ? tStubEN(stub, w) : tStubAISC(stub, w);
    if (w.recording) {
      const silent = new Working(false);
      const by: Resolved = { ...r, rules: EN ? 'AISC' : 'EN' };
      const theirs = stubAt(by, bolt, tensionResistance(by, silent));
      const other = EN ? tStubAISC(theirs, silent) : tStubEN(theirs, silent);
      w.found(EN ? 'T_avail' : 'F_T.Rd', other, 'N', `for comparison, by ${EN ? 'AISC Part 9' : 'EN 1993-1-8 §6.2.4'}; not used`);
    }
    return capacity;
  },
};
const SIGMA = formula('σ', '6·F_t.Ed·m/(p·t²)', 'MPa');

/** The largest elastic stress of the hand's strips, MPa; nothing where no bolt bends the plate. */
export function handStrip(r: Resolved, s: Shared): number | undefined {
  const all = outside(r).map((i) => {
    const stub = stubAt(r, r.bolts[i]!, 1);
    return SIGMA.of({ 'F_t.Ed': s.outOfPlane.tensions[i]!, m: stub.m, p: stub.p, t: stub.t });
  });
  return all.length > 0 ? Math.max(...all) : undefined;
}

/** Hand cross-check: the strip that goes with the bolt as an elastic cantilever from the base edge; against yield it says where bending begins. */
function byHand(r: Resolved, s: Shared, at: string, w: Working): void {
  const i = r.bolts.findIndex((b) => b.id === at);
  const bolt = r.bolts[i];
  if (!w.recording || !bolt || bolt.throughBase) return;
  const stub = stubAt(r, bolt, 1);
  const σ = SIGMA.of({ 'F_t.Ed': s.outOfPlane.tensions[i]!, m: stub.m, p: stub.p, t: stub.t });
  w.found(
    'σ',
    σ,
    'MPa',
    `for comparison, strip of ${stub.p.toFixed(0)} mm as an elastic cantilever over ${stub.m.toFixed(0)} mm: yield begins at ${(r.plateMetal.fy / r.factors.onYield).toFixed(0)} MPa; not used`,
  );
}

const F_D = formula('f_d', 'f_y/γ', 'MPa');
/** A flat plate bent right through: plastic modulus 1.5 × elastic. */
const F_PL = formula('f_d', '1.5·f_y/γ', 'MPa');

/** The plate's own stress against its yield, where the load's way through it was solved. */
function asSolved(r: Resolved, solved: Solved, w: Working): Outcome {
  const { value, at } = solved.plateStress;
  const σ = w.found('σ', value, 'MPa', `von Mises, mean over a washer’s width, ${solved.mesh}`);
  const fd = w.of(r.factors.plastic > 1 ? F_PL : F_D, { f_y: r.plateMetal.fy, γ: r.factors.onYield });
  return outcome(σ, fd, 'MPa', `x ${at.x.toFixed(0)}, y ${at.y.toFixed(0)} mm`);
}

const capacities = capacitiesOf(bent);

/** Bending of the mounting plate between base edge and bolt, with prying. */
export const plateBending: Check = {
  id: 'plate-bending',
  name: 'Plate bending',
  element: 'plate',
  readsPlateThickness: true,
  says: 'Between the base edge and a pulled bolt the plate bends, and its edge pries on the bolt.',
  why: 'Between the fitting and the bolts the plate bends like a shelf. As it bends its edge levers against the skin and pulls the bolts harder still: prying. A thicker plate helps twice, as bending falls with the square of the thickness.',
  source: 'EN 1993-1-8 §6.2.4 Tab. 6.2 (T-stub modes 1–3), or AISC Manual Part 9 (prying); the job’s rules say which',
  range: 'Bolts outside the base; the base edge taken as rigid',
  evaluate(r, s, w) {
    const among = outside(r);
    if (s.solved) return asSolved(r, s.solved, w);
    if (among.length === 0) return notApplicable('every bolt clamps the base itself, so none bends the plate');
    const o = worstBolt(among, r, s, w, bent, capacities(r));
    byHand(r, s, o.at, w);
    return o;
  },
};
