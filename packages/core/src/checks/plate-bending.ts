import { eachKind } from '../job/of-kind';
import { weldedOnly, type Resolved } from '../job/resolve';
import { standsAtBolts } from '../job/stands-at-bolts';
import { formula } from '../working/formula';
import { doublerOf } from './weld/doubler-weld';
import { weldable, weldForces } from './weld/judge-weld';
import { Working } from '../working/steps';
import { tensionResistance } from './bolt-strength';
import {
  capacitiesOf,
  notApplicable,
  outcome,
  worst,
  worstBolt,
  type BoltCheck,
  type Check,
  type NotApplicable,
  type Outcome,
} from './check';
import { cornerWords } from '../sharing/weld-group';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import type { Found, Loaded } from './demand/demand';
import { heldGap } from '../sharing/held-edges';
import { stubPlace, tributary } from '../sharing/t-stub';
import { brittle } from './metal-rules';
import { stubAt } from './plate-strip';
import { tStubAISC, tStubEN, withoutPryingAISC, withoutPryingEN } from './prying';
import { remembered } from './remembered';

const outside = remembered((r) => r.bolts.flatMap((b, i) => (b.throughBase || b.kind !== r.kind ? [] : [i])));

const bent: BoltCheck = {
  // The plate is bent by what the load pulls, or presses where it stands at its bolts; what it pries besides is its own doing.
  demand(r, s, i, w) {
    const [pull, push] = [s.outOfPlane.tensions[i]!, s.outOfPlane.pushes[i]!];
    if (push > pull) return s.demand.push(i, w);
    return w.found('T_Ed', pull, 'N', `pull in ${r.bolts[i]!.id} before prying`);
  },
  capacity(r, i, w) {
    if (r.bolts[i]!.throughBase) return Infinity;
    const EN = r.rules === 'EN';
    if (standsAtBolts(r)) return (EN ? withoutPryingEN : withoutPryingAISC)(stubAt(r, i, tensionResistance(r, SILENT)), w);
    const { holds } = (EN ? tStubEN : tStubAISC)(stubAt(r, i, tensionResistance(r, w)), w);
    if (w.recording) {
      const by: Resolved = { ...r, rules: EN ? 'AISC' : 'EN' };
      const other = (EN ? tStubAISC : tStubEN)(stubAt(by, i, tensionResistance(by, SILENT)), SILENT).holds;
      w.found(EN ? 'T_avail' : 'F_T.Rd', other, 'N', `for comparison, by ${EN ? 'AISC Part 9' : 'EN 1993-1-8 §6.2.4'}; not used`);
    }
    return holds;
  },
};
const SILENT = new Working(false);
const SIGMA = formula('σ', '6·F_t.Ed·m/(p·t²)', 'MPa');

const stripStress = (r: Resolved, s: Pick<Loaded, 'outOfPlane'>, i: number) => {
  const stub = stubAt(r, i, 1);
  const [one, two] = tributary(stub);
  return {
    stub,
    p: one + two,
    σ: SIGMA.of({ 'F_t.Ed': Math.max(s.outOfPlane.tensions[i]!, s.outOfPlane.pushes[i]!), m: stub.m, p: one + two, t: stub.t }),
  };
};

/** The largest elastic stress of the hand's strips, MPa; nothing where no bolt bends the plate, or an opening breaks a strip. */
export function handStrip(r: Resolved, s: Pick<Loaded, 'outOfPlane'>): number | undefined {
  if (eachKind(r).some((k) => outside(k).some((i) => stubPlace(k, i).broken))) return undefined;
  const all = eachKind(r).flatMap((k) => outside(k).map((i) => stripStress(k, s, i).σ));
  return all.length > 0 ? Math.max(...all) : undefined;
}

/** Hand cross-check: the strip that goes with the bolt as an elastic cantilever from the base edge; against yield it says where bending begins. */
function beside(r: Resolved, s: Loaded, at: string, w: Working): void {
  const i = r.bolts.findIndex((b) => b.id === at);
  if (!w.recording || i < 0 || r.bolts[i]!.throughBase) return;
  const { stub, p, σ } = stripStress(r, s, i);
  w.found(
    'σ',
    σ,
    'MPa',
    `for comparison, strip of ${p.toFixed(0)} mm as an elastic cantilever over ${stub.m.toFixed(0)} mm: yield begins at ${(r.plateMetal.fy / r.factors.onYield).toFixed(0)} MPa; not used`,
  );
}

const F_PL = formula('f_d', '1.5·f_y/γ', 'MPa');

/** The plate's own stress against bending right through: plastic modulus 1.5 × elastic, as the T-stub counts it too. */
function byStress(r: Resolved, found: Found, w: Working): Outcome {
  return outcome(found.value, w.of(F_PL, { f_y: r.plateMetal.fy, γ: r.factors.onYield }), 'MPa', found.where);
}

/** By hand the plate is bent strip by strip, and a strip with an opening in it is none. */
const noStrip = (between: string): Refusal =>
  refuse(
    'plate.outline',
    `an opening or an edge stands between ${between}: there is no strip that bends`,
    'judged as solved, or the opening clear of the way from the bolt to the base',
  );

const OVERHANG = formula('σ', '6·q_v·m/t²', 'MPa');

/** A plate held by its welds alone: a strip from the base edge to the weld line, as a cantilever under what the weld takes there. */
function toItsWelds(r: Resolved, s: Loaded, w: Working): Outcome | NotApplicable | Refusal {
  const of = weldable(r.plateMetal, r.skinMetal);
  if (!of) return notApplicable('its weld is not known: see Doubler weld');
  const found = weldForces(r, doublerOf(r, s, of));
  if (isRefusal(found)) return found;
  const at = found.at.map((q) => ({ q, m: heldGap(r, q.at) })).filter(({ m }) => m > 1e-6);
  if (r.region.openings.length > 0) return noStrip('the base and the plate’s welds');
  if (at.length === 0) return notApplicable('the base reaches to the welds of its plate: nothing spans between them');
  // Loose plates bend each for itself; the weld holds the lowest, so they are not welded as one.
  const t = r.plateThickness * Math.sqrt(r.plateLayers);
  return worst(at, w, ({ q, m }, _k, w) => {
    w.found('q_v', Math.abs(q.out), 'N/mm', `out of the plane at the ${cornerWords(r.plate, q.at)}, see Doubler weld`);
    const σ = w.of(OVERHANG, { q_v: Math.abs(q.out), m, t }, 'strip from the base’s edge to the weld, statics');
    return outcome(σ, w.of(F_PL, { f_y: r.plateMetal.fy, γ: r.factors.onYield }), 'MPa', `${cornerWords(r.plate, q.at)}`);
  });
}

const capacities = capacitiesOf(bent);

/** Bending of the mounting plate between base edge and bolt, with prying. */
export const plateBending: Check = {
  id: 'plate-bending',
  name: 'Plate bending',
  element: 'plate',
  withoutBolts: true,
  says: 'Between the base edge and a pulled bolt the plate bends, and its edge pries on the bolt; on spacers it bends where it is pressed too.',
  why: 'Between the fitting and the bolts the plate bends like a shelf. As it bends its edge levers against the skin and pulls the bolts harder still: prying. A thicker plate helps twice, as bending falls with the square of the thickness.',
  source:
    'EN 1993-1-8 §6.2.4 Tab. 6.2 and 6.4 (T-stub modes 1–3, inner and end rows; without prying forces on spacers and packers at the bolts), or AISC Manual Part 9 (prying); the job’s rules say which',
  range:
    'Bolts outside the base, by hand with no opening or edge between; beside an opening or a waist the strip ends there; bent from the edge that is welded, else from the base’s own, taken as rigid; metals that yield',
  evaluate(r, s, w) {
    const no = brittle(r.plateMetal, 'plate.metal', 'a plate bent past its elastic limit');
    if (no) return no;
    const found = s.demand.plateStress(w);
    if (found) return byStress(r, found, w);
    if (weldedOnly(r)) return toItsWelds(r, s, w);
    const among = outside(r);
    if (among.length === 0) return notApplicable('every bolt clamps the base itself, so none bends the plate');
    const broken = among.find((i) => stubPlace(r, i).broken);
    if (broken !== undefined) return noStrip(`${r.bolts[broken]!.id} and the base`);
    const o = worstBolt(among, r, s, w, bent, capacities(r));
    beside(r, s, o.at, w);
    return o;
  },
};
