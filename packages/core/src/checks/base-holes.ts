import { roundedRect } from '../geometry/region';
import type { PlacedBolt, Resolved } from '../job/resolve';
import { baseBolts } from '../sharing/base-bolts';
import type { BoltShear } from '../sharing/in-plane';
import { headDepth, headKind } from '../stock/heads';
import { bearingOf, holeKind } from '../stock/hole-kinds';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { formula } from '../working/formula';
import { bearingBothWays } from './bearing';
import { everyBolt, layoutRule, notApplicable, outcome, worst, type Check, type CheckResult, type Outcome } from './check';
import type { Loaded } from './demand/demand';
import { brittle } from './metal-rules';
import { remembered } from './remembered';
import { plateHoleKind } from './wide-holes';
import { Working } from '../working/steps';

const SILENT = new Working(false);

/** The bolts that hold the base. */
const through = remembered((r: Resolved): readonly { readonly bolt: PlacedBolt; readonly i: number }[] =>
  baseBolts(r).map((i) => ({ bolt: r.bolts[i]!, i })),
);

/** What each bolt through the base gets of the load along the plate: all of it comes in by them. */
const sharesOfBase = (s: Loaded): readonly BoltShear[] => (s.ofBase?.inPlane ?? s.inPlane).shears;

const assumedMetal = (r: Resolved): string[] =>
  r.baseMetalSaid ? [] : [`the base is taken as ${r.baseMetal.name}: say what it is made of`];

/** A bolt in the fitting's own hole or slot, pressed sideways. */
export const baseHole: Check = {
  id: 'base-hole',
  name: 'Base hole',
  element: 'base',
  says: 'Sideways the fitting must bear on its bolts, not slide along its slots.',
  why: 'A bolt in a slot holds nothing along it: the fitting slides until the slot ends or friction stops it. Across a slot, or in a hole drilled wide, the metal behind the bolt folds sooner. Slots belong across the load, or the joint is clamped so that it cannot slip.',
  source:
    'EN 1993-1-8 Tab. 3.4 with its note 1 (oversize × 0.8, across a slot × 0.6, along it none) and note 3, or AISC 360-16 §J3.10; edges of the base as measured',
  range: 'Bolts through the base, fitting not welded; slip-resistant joints are in Slip',
  evaluate(r, s, w) {
    const all = through(r);
    if (all.length === 0) return notApplicable('no bolt goes through the base, or it is welded to the plate');
    const shares = sharesOfBase(s);
    if (shares.every((v) => v.total < 1e-9)) return notApplicable('no force along the plate in this case');
    const { slot, along } = r.baseHole;
    const slides = slot > 0 ? Math.max(...shares.map((v) => Math.abs(along === 'x' ? v.x : v.y) / Math.max(v.total, 1e-9))) : 0;
    if (slides > ALONG && r.joint.tightening !== 'slip resistant')
      return refuse(
        'base.slotAlong',
        `the base’s slots run ${along === 'x' ? 'fore and aft' : 'athwart'} and so does part of the load: along a slot a bolt bears on nothing`,
        'slots across the load, round holes, or a slip-resistant joint',
      );
    const no = brittle(r.baseMetal, 'base.metal', 'a bolt bearing on its hole');
    if (no) return no;
    const bolts = all.map((b) => b.bolt);
    const t = Math.max(0, r.baseThickness - headDepth(r.joint.head, r.size));
    const region = outline(r);
    const mine = all.map((_, k) => k).filter((k) => bolts[k]!.kind === r.kind);
    if (mine.length === 0) return notApplicable('no bolt of this kind goes through the base');
    return worst(mine, w, (k, _n, w) => {
      const bolt = bolts[k]!;
      const d = bolt.baseHole;
      const kind = holeKind(r.size, d, d + slot);
      const parts = { d: r.d, d0: d, t, fu: r.baseMetal.fu, fub: r.grade.fub, gamma: r.factors.onBreak, hole: bearingOf(kind) };
      w.found(
        'k_h',
        parts.hole,
        '–',
        `${kind}${slot > 0 ? ', across' : ' hole'}; the base’s own bolts share what comes in through it`,
      );
      const o = bearingBothWays({ rules: r.rules, bolts, bolt, force: shares[k]!, pressed: -1, region, parts }, w);
      return { ...o, cautions: assumedMetal(r) };
    });
  },
};
const outline = remembered((r: Resolved) => roundedRect(r.base, 0));
/** A force this much across a slot, or less, goes along it by nothing but rounding. */
const ALONG = 1e-6;

const A_RING = formula('A_b', 'π/4·(d_w² − d_h²)', 'mm²');
/** A slot takes a strip as wide as itself out of the washer. */
const A_SLOT = formula('A_b', 'π/4·d_w² − d_h·d_w', 'mm²');
const F_P = formula('F_p.Rd', 'A_b·f_y/γ', 'N');

/** What is under a head: its washer, or a carriage bolt’s own head, taken as wide as its nut (safe). mm. */
const underHead = (r: Resolved): { width: number; name: string } =>
  r.joint.head === 'carriage' ? { width: r.size.acrossFlats, name: 'head' } : { width: r.size.washer.outside, name: 'washer' };

/** Heads on the plate itself, over a hole drilled wide or slotted. */
function onPlate(r: Resolved, s: Loaded, w: Working): CheckResult {
  const wide = plateHoleKind(r) !== 'normal' && !headKind(r.joint.head).sunk;
  const mine = wide ? everyBolt(r).filter((i) => !r.bolts[i]!.throughBase) : [];
  if (mine.length === 0) return notApplicable('no bolt goes through the base, or it is welded to the plate');
  const { width, name } = underHead(r);
  const A_b = w.of(r.slot ? A_SLOT : A_RING, { d_w: width, d_h: r.d0 }, `${name} on the plate`);
  if (A_b <= 0)
    return refuse('bolts.items', `the ${name} spans nothing of the slot`, `slots narrower than ${(width / 1.3).toFixed(1)} mm`);
  return worst(mine, w, (i, _k, w) =>
    outcome(
      s.demand.pull(i, w),
      w.of(F_P, { A_b, f_y: r.plateMetal.fy, γ: r.factors.onYield }),
      'N',
      `${r.bolts[i]!.id} on the plate`,
    ),
  );
}

/** The head or its washer on the metal round the fitting's hole. */
export const headBearing: Check = {
  id: 'head-bearing',
  name: 'Head on base',
  element: 'base',
  says: 'The head with its washer must lie on metal, and not fall through the fitting’s hole.',
  why: 'A washer over a hole nearly as wide as itself touches only a thin ring. The ring is pressed flat, the washer dishes into the hole and in the end the head goes through. A thick plate washer over the hole, or a bush in it, gives it something to lie on.',
  source: 'Geometry of the ring; bearing pressure up to yield of the base (common practice)',
  range:
    'Plain washers of the bolt’s own size under the heads of bolts through the base, or over wide holes and slots of the plate',
  evaluate(r, s, w) {
    const all = through(r).filter((b) => b.bolt.kind === r.kind);
    if (all.length === 0) return onPlate(r, s, w);
    if (headKind(r.joint.head).sunk) return notApplicable('the heads are let into the base: see Countersink');
    // Bolts of the fitting's own do not take the others' heads off the plate.
    const beside = onPlate(r, s, SILENT);
    if (isRefusal(beside)) return beside;
    const onBase = underHeads(r, s, all, SILENT);
    if (isRefusal(onBase) || 'applies' in beside || onBase.utilisation >= beside.utilisation) return underHeads(r, s, all, w);
    return onPlate(r, s, w);
  },
};

/** Heads on the base, over its own holes. */
function underHeads(r: Resolved, s: Loaded, all: ReturnType<typeof through>, w: Working): Outcome | Refusal {
  const { width, name } = underHead(r);
  const { slot } = r.baseHole;
  const d = Math.max(...all.map((b) => b.bolt.baseHole));
  if (d >= width - 1e-6)
    return refuse(
      'base.hole',
      `the ${name} of ${width.toFixed(1)} mm falls through the base’s ${slot > 0 ? 'slot' : 'hole'} of ${d.toFixed(1)} mm`,
      `under ${width.toFixed(1)} mm, or plate washers over the holes`,
    );
  const A_b = w.of(slot > 0 ? A_SLOT : A_RING, { d_w: width, d_h: d }, `${name} on the base`);
  if (A_b <= 0)
    return refuse('base.hole', `the ${name} spans nothing of the slot`, `slots narrower than ${(width / 1.3).toFixed(1)} mm`);
  return worst(all, w, ({ bolt, i }, _k, w) =>
    outcome(s.demand.pull(i, w), w.of(F_P, { A_b, f_y: r.baseMetal.fy, γ: r.factors.onYield }), 'N', bolt.id, assumedMetal(r)),
  );
}

const DEPTH = formula('k', 'k_h', 'mm');

/** A countersunk head let into plate or base. */
export const countersink = layoutRule({
  id: 'countersink',
  name: 'Countersink',
  element: 'plate',
  says: 'A countersunk head must fit in the thickness it is let into.',
  why: 'A countersink deeper than the plate leaves a knife edge and a hole as wide as the head: the head pulls through, and the bolt bears on nothing. Metal must be left below the cone for the bolt to bear on.',
  source: 'ISO 10642 head height k, inch flat sockets ASME B18.3 (memory)',
  range: 'Countersunk heads; in each plate by itself',
  evaluate(r, w) {
    if (!headKind(r.joint.head).sunk) return notApplicable('the heads stand on the plate');
    const k_h = headDepth(r.joint.head, r.size);
    return worst(everyBolt(r), w, (i, _k, w) => {
      const b = r.bolts[i]!;
      const [t, what] = b.throughBase ? [r.baseThickness, 'base'] : [r.plateThickness, 'plate'];
      w.found('t', t, 'mm', `the ${what} the head of ${b.id} is let into`);
      return outcome(w.of(DEPTH, { k_h }, `head of ${r.size.id}`), t, 'mm', `${b.id} in the ${what}`);
    });
  },
});
