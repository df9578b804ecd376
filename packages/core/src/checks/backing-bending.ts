import { distance } from '../geometry/points';
import { edgeDistance } from '../geometry/region';
import type { Resolved } from '../job/resolve';
import { headKind } from '../stock/heads';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { everyBolt, notApplicable, outcome, remembered, worst, type Check, type Outcome } from './check';
import type { Loaded } from './demand/demand';
import { brittle } from './metal-rules';

const M_P = formula('m_p', 'n·t²·f_y/(4·γ)', 'N');
const M_0 = formula('M_0', 'm_p·min(1, ln(R/a))', 'N');
const F_RD = formula('F_Rd', '2·π·p', 'N');

/** A round plate that bridges a hole: it lies on the hole's rim, and is pulled on a ring inside it; mm. */
export interface Bridge {
  /** Radius of the rim, of the ring the pull comes in on, of the plate's own hole, and how far it reaches. */
  readonly a: number;
  readonly c: number;
  readonly b: number;
  readonly R: number;
  /** Thickness, loose plates of it, yield and its divisor. */
  readonly t: number;
  readonly n: number;
  readonly fy: number;
  readonly γ: number;
}

const ROUNDS = 60;

/**
 * The pull it holds, N: plastic limit of a round plate by Tresca's condition (Hopkins & Prager 1953, memory), lower bound. Inside the ring
 * and out to where its radial moment changes sign it yields round about, (r·M_r)′ = m_p − p; from there to the rim M_r = −(p − m_p)·ln(r/r_1),
 * up to what the plate outside the rim holds of it, m_p·ln(R/a). p = F/2π. Held on its rim alone it is p = m_p·(a − b)/(a − c).
 */
export function bridges(x: Bridge, w: Working): number {
  const m_p = w.of(M_P, { n: x.n, t: x.t, f_y: x.fy, γ: x.γ }, 'plastic moment of the plate that bridges, per mm');
  const M = w.of(M_0, { m_p, R: Math.max(x.R, x.a), a: x.a }, 'what it holds over the rim by what lies outside');
  const onRim = (x.a - x.b) / (x.a - x.c);
  // More is asked of the rim the larger p is: between what needs nothing there and what it has.
  const asks = (p: number) => (p - 1) * Math.log(x.a / (x.c + (x.c - x.b) / (p - 1)));
  let [low, high] = [onRim, 2 * onRim];
  while (asks(high) < M / m_p) high *= 2;
  for (let k = 0; k < ROUNDS; k++) {
    const mid = (low + high) / 2;
    if (asks(mid) < M / m_p) low = mid;
    else high = mid;
  }
  const p = w.found(
    'p',
    low * m_p,
    'N',
    `F/2π at which it folds: rim ${x.a.toFixed(1)}, pulled on ${x.c.toFixed(1)}, own hole ${x.b.toFixed(1)} mm`,
  );
  return w.of(F_RD, { p });
}

interface Place {
  readonly i: number;
  readonly at: string;
  readonly bridge: Bridge;
}

/** Plain steel washers, 200 HV (ISO 7089; yield about 2·HV: common practice), MPa. */
const WASHER_FY = 400;

/** Washers and plates that cover a hole wider than what pulls on them, each with its bolt. */
const covered = remembered((r: Resolved): readonly Place[] => everyBolt(r).flatMap((i) => [...headOver(r, i), ...farOver(r, i)]));

const washerOver = (r: Resolved, hole: number): Bridge => ({
  a: hole / 2,
  c: r.size.acrossFlats / 2,
  b: r.d0 / 2,
  R: r.washerOutside / 2,
  t: r.size.washer.thickness,
  n: 1,
  fy: WASHER_FY,
  γ: r.factors.onYield,
});

const spans = ({ a, c, b, R }: Bridge): boolean => a > c + 1e-6 && b < c && R > a;

/** The head's washer over a hole of the base or the plate drawn wide. */
function headOver(r: Resolved, i: number): Place[] {
  if (headKind(r.joint.head).sunk || r.joint.head === 'carriage') return [];
  const b = r.bolts[i]!;
  const hole = b.throughBase ? b.baseHole : r.d0;
  const bridge = { ...washerOver(r, hole), b: r.size.d / 2 };
  return spans(bridge) ? [{ i, at: `${b.id}, its washer under the head`, bridge }] : [];
}

/** Washer or backing plate over the hole in the skin, and the nut's washer over that in the backing. */
function farOver(r: Resolved, i: number): Place[] {
  const b = r.bolts[i]!;
  const { far } = r;
  if (far.kind === 'washer') {
    const own = { ...washerOver(r, r.skinHole), b: r.size.d / 2, R: far.outside / 2, t: far.thickness, fy: far.fy };
    return spans(own) ? [{ i, at: `${b.id}, its washer over the skin`, bridge: own }] : [];
  }
  const near = r.bolts.reduce((least, o, k) => (k === i ? least : Math.min(least, distance(o, b) / 2)), Infinity);
  const strip = far.strips ? far.strips.width / 2 : edgeDistance(far.region, b);
  const backing: Bridge = {
    a: r.skinHole / 2,
    c: r.washerOutside / 2,
    b: r.backingHole / 2,
    R: Math.min(near, strip),
    t: far.thickness,
    n: far.layers,
    fy: far.metal.fy,
    γ: r.factors.onYield,
  };
  const onBacking = { ...washerOver(r, r.backingHole), b: r.size.d / 2 };
  return [
    ...(backing.a > backing.c
      ? [{ i, at: `${b.id}, backing over the skin`, bridge: { ...backing, R: Math.max(backing.R, backing.a) } }]
      : []),
    ...(spans(onBacking) ? [{ i, at: `${b.id}, its washer over the backing`, bridge: onBacking }] : []),
  ];
}

const F_PL = formula('f_d', '1.5·f_y/γ', 'MPa');
const F_BREAK = formula('f_d', 'f/γ', 'MPa');

/** The backing's own stress as the solver finds it: metal bent right through at 1.5 × its elastic moment, laminate no further than to its break. */
function byStress(r: Resolved, s: Loaded, w: Working): Outcome | undefined {
  const found = s.demand.farStress(w);
  if (!found || r.far.kind !== 'plate') return undefined;
  const { group, fy, fu } = r.far.metal;
  const f_d =
    group === 'laminate'
      ? w.of(F_BREAK, { f: Math.min(fy, fu), γ: r.factors.onBreak })
      : w.of(F_PL, { f_y: fy, γ: r.factors.onYield });
  return outcome(found.value, f_d, 'MPa', found.where);
}

/** What lies under the nuts, and the washers, folded by what pulls on them where nothing is under it. */
export const backingBending: Check = {
  id: 'backing-bending',
  name: 'Backing bends',
  element: 'far side',
  says: 'A washer or a backing plate must bridge the hole it covers, and not fold under the nut on it.',
  why: 'Over an old hole or one drilled wide nothing is under the nut: its washer or the backing plate bridges the hole like a lid, carried on the rim alone. A thin one is drawn into the hole long before the bolt or the skin lets go. A thicker plate, a plug in the hole or a stiff disc under the nut carries it across.',
  source:
    'Plastic limit of a round plate on its rim under a ring of pull, Tresca: Hopkins & Prager 1953 (memory), lower bound, with what the plate outside the rim holds of it; as solved the backing’s own stress too, bent right through at 1.5 × its elastic moment',
  range:
    'Round holes wider than the nut’s flats, or than the washer on a backing plate; skin and rim taken as stiff; by hand a backing on whole skin spreads no further than it stays flat: see Pull-through and Washer crush',
  evaluate(r, s, w) {
    const all = covered(r);
    const silent = new Working(false);
    const stress = byStress(r, s, silent);
    if (all.length === 0 && !stress) return notApplicable('no washer or backing plate spans a hole wider than what pulls on it');
    const no = all.length > 0 && r.far.kind === 'plate' ? brittle(r.far.metal, 'far.metal', 'a hole it bridges') : undefined;
    if (no) return no;
    const bridged = (w: Working) =>
      worst(all, w, ({ i, at, bridge }, _k, w) => outcome(s.demand.pull(i, w), bridges(bridge, w), 'N', at));
    if (all.length === 0) return byStress(r, s, w)!;
    const spanned = bridged(silent);
    if (stress && stress.utilisation > spanned.utilisation) return byStress(r, s, w)!;
    return w.recording ? bridged(w) : spanned;
  },
};
