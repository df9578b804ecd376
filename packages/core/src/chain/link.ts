import { applies, notApplicable, type Check, type CheckResult, type Outcome } from '../checks/check';
import { sharedOn, type UnderLoad } from '../checks/demand/loaded';
import { eachKind } from '../job/of-kind';
import { weldedOnly } from '../job/resolve';
import { factored } from '../loads/load-case';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { Working } from '../working/steps';

/** Tight above this utilisation, failing above 1.00. */
export const TIGHT = 0.9;

export type LinkState = 'sound' | 'tight' | 'fails' | 'refused' | 'not needed';

/** One link of the load path with the case that governs it. Forces in N, stresses in MPa. */
export interface Link {
  readonly id: string;
  readonly name: string;
  readonly element: Check['element'];
  /** A rule of layout that the load does not enter. */
  readonly loadFree: boolean;
  readonly state: LinkState;
  readonly utilisation: number;
  readonly demand: number;
  readonly capacity: number;
  readonly unit: Outcome['unit'];
  /** Governing case and place. */
  readonly caseId: string;
  readonly caseName: string;
  readonly at: string;
  readonly cautions: readonly string[];
  /** Why it is refused or not needed. */
  readonly because: string;
  /** Of a refused link: what was wrong, and what would make it answerable. */
  readonly refusal?: Refusal;
  /** Utilisation of each case, in case order; NaN where the link does not apply in it, or is refused. */
  readonly perCase: readonly number[];
  /** Cases in which it is refused. */
  readonly refusedIn: readonly string[];
}

const SILENT = new Working(false);

/** A check asked in one case. One that breaks down is refused by its name, and takes nothing else with it. */
export function asked(check: Check, { r, s }: UnderLoad, w: Working = SILENT): CheckResult {
  try {
    return byEye(check, r, s, w);
  } catch (e) {
    return refuse(check.id, `this check broke down (${(e as Error).message})`, 'nothing of yours: say so to the makers');
  }
}

const NO_BOLTS = notApplicable('held by its welds alone: there is no bolt');

/** A lug check of the fitting's own lug and of every link and tab, each with the part of the load it takes: the worst stands. */
function byEye(check: Check, r: UnderLoad['r'], s: UnderLoad['s'], w: Working): CheckResult {
  if (check.element !== 'lug' || r.eyes.length === 0) return byKind(check, r, s, w);
  const views = r.eyes.map((eye) => ({
    name: eye.name,
    r: { ...r, eye, lug: eye.lug, lugMetal: eye.metal, pinGrade: eye.pinGrade },
    s: { ...s, loadCase: factored(s.loadCase, eye.carries) },
  }));
  const all = [...(r.lug ? [{ name: '', r, s }] : []), ...views];
  const found = all.map((v) => check.evaluate(v.r, v.s, SILENT));
  const worst = found.reduce((at, o, k) => (weighs(o) > weighs(found[at]!) ? k : at), 0);
  const { name, ...view } = all[worst]!;
  const o = w.recording ? check.evaluate(view.r, view.s, w) : found[worst]!;
  return name !== '' && applies(o) && !isRefusal(o) ? { ...o, at: `${name}: ${o.at}` } : o;
}

/**
 * A joint of several kinds of fastener is judged as each of them sees it, and the worst stands: refused by one is refused, and what
 * concerns only one is judged for that one.
 */
function byKind(check: Check, r: UnderLoad['r'], s: UnderLoad['s'], w: Working): CheckResult {
  if (weldedOnly(r) && !check.withoutBolts) return NO_BOLTS;
  if (r.kinds.length === 1) return check.evaluate(r, s, w);
  const views = eachKind(r);
  const all = views.map((view) => check.evaluate(view, onItsSkin(r, view, s), SILENT));
  const worst = all.reduce((at, o, k) => (weighs(o) > weighs(all[at]!) ? k : at), 0);
  if (!w.recording) return all[worst]!;
  const { kindName, size } = views[worst]!;
  w.found('d', size.d, 'mm', `${kindName || size.id}: the kind of fastener that governs of ${views.length}`);
  return check.evaluate(views[worst]!, onItsSkin(r, views[worst]!, s), w);
}

const onSkins = new WeakMap<UnderLoad['s'], Map<number, UnderLoad['s']>>();

/** What the case puts on the links where a bolt stands on another skin: as if all of the panel were of it. */
function onItsSkin(r: UnderLoad['r'], view: UnderLoad['r'], s: UnderLoad['s']): UnderLoad['s'] {
  if (view.skin === r.skin && view.skinThickness === r.skinThickness) return s;
  let known = onSkins.get(s);
  if (!known) onSkins.set(s, (known = new Map()));
  let there = known.get(view.kind);
  if (!there) known.set(view.kind, (there = sharedOn(view, s)));
  return there;
}

/** Refused weighs over any figure, and any figure over what does not concern the kind. */
const weighs = (o: CheckResult): number => (!applies(o) ? -1 : isRefusal(o) ? Infinity : Math.min(o.utilisation, 1e300));

/** What a check said over all cases. */
interface Said {
  readonly perCase: readonly number[];
  readonly refusedIn: readonly string[];
  readonly governing: { readonly s: UnderLoad['s']; readonly o: Outcome } | undefined;
  readonly refusal: { readonly s: UnderLoad['s']; readonly r: Refusal } | undefined;
  /** Why it does not apply, where it does not. */
  readonly because: string;
}

function saidOver(check: Check, cases: readonly UnderLoad[]): Said {
  const perCase: number[] = [];
  const refusedIn: string[] = [];
  let governing: Said['governing'];
  let refusal: Said['refusal'];
  let because = '';
  for (const one of cases) {
    const result = asked(check, one);
    const { s } = one;
    if (!applies(result)) {
      perCase.push(NaN);
      because = result.because;
    } else if (isRefusal(result)) {
      perCase.push(NaN);
      refusedIn.push(s.loadCase.id);
      refusal ??= { s, r: result };
    } else {
      perCase.push(result.utilisation);
      if (!governing || result.utilisation > governing.o.utilisation) governing = { s, o: result };
    }
  }
  return { perCase, refusedIn, governing, refusal, because };
}

const NOTHING: Outcome = { utilisation: 0, demand: 0, capacity: 0, unit: '–', at: '', cautions: [] };

/** A check over all cases. */
export function linkOf(check: Check, cases: readonly UnderLoad[]): Link {
  const { perCase, refusedIn, governing, refusal, because } = saidOver(check, cases);
  // A link that already fails in one case is failing, whatever is refused in another.
  const refused = refusal && !(governing && governing.o.utilisation > 1) ? refusal : undefined;
  const figure = refused ? undefined : governing;
  const o = figure?.o ?? NOTHING;
  const loadCase = (refused ?? figure)?.s.loadCase;
  const words = refused ? `${refused.r.because}; allowed: ${refused.r.allowed}` : because;
  // Written out, not spread together: thousands are made in the time of a frame.
  const link: Link = {
    id: check.id,
    name: check.name,
    element: check.element,
    loadFree: check.loadFree === true || o.loadFree === true,
    state: refused ? 'refused' : figure ? stateAt(o.utilisation) : 'not needed',
    utilisation: o.utilisation,
    demand: o.demand,
    capacity: o.capacity,
    unit: o.unit,
    caseId: loadCase?.id ?? '',
    caseName: loadCase?.name ?? '',
    at: o.at,
    cautions: o.cautions,
    because: figure ? '' : words,
    perCase,
    refusedIn,
  };
  return refused ? { ...link, refusal: refused.r } : link;
}

export const stateAt = (utilisation: number): 'sound' | 'tight' | 'fails' =>
  utilisation > 1 ? 'fails' : utilisation > TIGHT ? 'tight' : 'sound';

/** Links that have a figure. */
export const hasFigure = (l: Link): boolean => l.state !== 'refused' && l.state !== 'not needed';

export const worstOf = (links: readonly Link[]): Link | undefined =>
  links.filter(hasFigure).reduce<Link | undefined>((w, l) => (!w || l.utilisation > w.utilisation ? l : w), undefined);
