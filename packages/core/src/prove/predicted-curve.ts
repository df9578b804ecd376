import { bilinear } from './at-place';
import { isResolved, resolve } from '../job/resolve';
import type { Job } from '../job/schema';
import { EDGES, spreadRulesOf } from '../job/spread-rules';
import { assumedValues, withQuantity, type NamedValue } from '../job/values';
import { factored } from '../loads/load-case';
import type { Mesh } from '../spread/from-job';
import { PLATE } from '../spread/from-job';
import { spreadOf } from '../spread/spread';
import { viewOf } from '../spread/view';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import type { ProofPlan } from './proof-plan';

/** At a load: what the dial should show, and the band it may show, mm. */
export interface CurvePoint {
  readonly load: number;
  readonly expected: number;
  readonly least: number;
  readonly most: number;
}

/** What widens the band. */
export interface Widens {
  readonly what: string;
  /** mm at the full load, least and most against what is expected. */
  readonly low: number;
  readonly high: number;
}

export interface PredictedCurve {
  readonly points: readonly CurvePoint[];
  readonly widens: readonly Widens[];
  readonly mesh: Mesh;
  /** mm for 1000 N at the full load. */
  readonly perKilonewton: number;
}

export interface CurveProgress {
  readonly done: number;
  readonly of: number;
}

/** What the solver itself is taken to be off by (its own mesh and its idealised bearers; common practice), and a dial’s step. */
const SOLVER = 0.1;
export const DIAL = 0.02;
/** What moves less than this cannot be told from a dial that stands (common practice: some steps of the dial). */
const MOVES = 2.5 * DIAL;
const PART_OFF = 0.1;
/** One thing by itself leaves at least so much of the movement (common practice). */
const LEAST = 0.1;
const STEPS = [0, 0.25, 0.5, 0.75, 1] as const;

/** The plate’s movement at the dial under the load of a plan times each part, mm, toward the way it goes at full load. */
function movements(
  job: Job,
  plan: ProofPlan,
  dial: { x: number; y: number },
  parts: readonly number[],
  mesh: Mesh,
): number[] | Refusal {
  const r = resolve(job);
  if (!isResolved(r)) return r[0]!;
  const times = plan.load / plan.once;
  const { weight: _w, onWeight: _o, ...plain } = plan.loadCase;
  const cases = parts.map((p, i) => ({ ...factored(plain, Math.max(p * times, 1e-9)), id: `p${i}`, name: `${p}` }));
  const spread = spreadOf(r, cases, mesh);
  if (isRefusal(spread)) return spread;
  const bad = spread.cases.find((c) => 'refused' in c);
  if (bad && 'refused' in bad) return bad;
  return cases.map((c) => {
    const view = viewOf(r, spread, c.id)!;
    return bilinear(view.x, view.y, view.layers[PLATE]!.lift, dial);
  });
}

/** Values of stiffness that nobody has measured: those are what the band is made of. */
const STIFFENS = /^(skin\..+|plate\.thickness|far\.thickness|base\.(thickness|length|width))$/;

/**
 * The curve a dial should follow, by the spread solver on the job as it is, with a band from what is assumed: every assumed value of
 * skin, plate and base a tenth off either way, bearers as simple and as clamped, and the solver’s own tenth; added up toward soft, so
 * that none of it is hoped to cancel, and multiplied toward stiff, where each leaves a part of what it comes to: never nothing. One
 * step at a time; a second or two on most jobs.
 */
export function* predictedCurve(
  job: Job,
  plan: ProofPlan,
  dial: { readonly x: number; readonly y: number },
  mesh: Mesh = 'draft',
): Generator<CurveProgress, PredictedCurve | Refusal> {
  const off = dialRefusal(job, dial);
  if (off) return off;
  const values = assumedValues(job).filter((n) => STIFFENS.test(n.path) && n.value.v !== 0 && n.range.dimension !== 'count');
  const others = otherEdges(job);
  const of = 1 + 2 * values.length + others.length;
  let done = 0;
  yield { done, of };
  const now = movements(job, plan, dial, STEPS, mesh);
  if (isRefusal(now)) return now;
  const idle = now[0]!;
  const way = Math.sign(now.at(-1)! - idle) || 1;
  const seen = now.map((v) => way * (v - idle));
  const full = seen.at(-1)!;
  if (full < MOVES)
    return refuse(
      'dial',
      `it moves ${full.toFixed(3)} mm there under this load, which a dial does not tell from nothing`,
      `a place that moves ${MOVES} mm, away from the bearers, or a larger load`,
    );
  const widens: Widens[] = [];
  const ask = (what: string, jobs: readonly Job[]): void => {
    const found = jobs.flatMap((j) => {
      const m = movements(j, plan, dial, [0, 1], mesh);
      return isRefusal(m) ? [] : [way * (m[1]! - m[0]!) - full];
    });
    if (found.length === 0) widens.push({ what: `${what}: could not be asked`, low: 0, high: 0 });
    else if (found.some((v) => Math.abs(v) > 1e-6))
      widens.push({ what, low: Math.min(0, ...found), high: Math.max(0, ...found) });
  };
  for (const n of values) {
    ask(
      `${n.label}, assumed, ± ${PART_OFF * 100} %`,
      [1 - PART_OFF, 1 + PART_OFF].flatMap((k) => within(job, n, n.value.v * k)),
    );
    done += 2;
    yield { done: 1 + done, of };
  }
  for (const o of others) {
    ask(o.what, [o.job]);
    done++;
    yield { done: 1 + done, of };
  }
  widens.push({ what: `the solver itself, ± ${SOLVER * 100} %`, low: -SOLVER * full, high: SOLVER * full });
  const stiffest = widens.reduce((part, w) => part * Math.max(LEAST, 1 + w.low / full), 1);
  const high = widens.reduce((s, w) => s + w.high, 0);
  const points = STEPS.map((part, i): CurvePoint => {
    const expected = seen[i]!;
    const share = full === 0 ? part : expected / full;
    return {
      load: part * plan.load,
      expected,
      least: expected * stiffest - DIAL,
      most: expected + high * share + DIAL,
    };
  });
  return {
    points,
    widens: [...widens].sort((a, b) => b.high - b.low - (a.high - a.low)),
    mesh,
    perKilonewton: (1000 * full) / plan.load,
  };
}

const within = (job: Job, n: NamedValue, v: number): Job[] => {
  const { min = -Infinity, max, above } = n.range;
  return v <= max && v >= min && (above === undefined || v > above) ? [withQuantity(job, n.path, { ...n.value, v })] : [];
};

/** Bearers the other way: how they hold is never known. */
function otherEdges(job: Job): { what: string; job: Job }[] {
  if (job.skin.kind === 'bed') return [];
  const rules = spreadRulesOf(job);
  const turned = (to: 'simple' | 'clamped') => ({
    what: `bearers ${to}`,
    job: {
      ...job,
      spread: {
        ...rules,
        edges: Object.fromEntries(EDGES.map((e) => [e, rules.edges[e] === 'free' ? 'free' : to])) as typeof rules.edges,
      },
    },
  });
  return (['simple', 'clamped'] as const)
    .filter((to) => EDGES.some((e) => rules.edges[e] !== 'free' && rules.edges[e] !== to))
    .map(turned);
}

function dialRefusal(job: Job, { x, y }: { readonly x: number; readonly y: number }): Refusal | undefined {
  const { x0, x1, y0, y1 } = job.plate;
  if (x >= x0 && x <= x1 && y >= y0 && y <= y1) return undefined;
  return refuse('dial', `x ${x}, y ${y} is off the plate`, `x ${x0} to ${x1} mm, y ${y0} to ${y1} mm`);
}

/** The band at any load, between the points of a curve; beyond its end as steep as its last part. */
export function bandAt(points: readonly CurvePoint[], load: number): Omit<CurvePoint, 'load'> {
  const i = Math.max(
    1,
    points.findIndex((p) => p.load >= load) === -1 ? points.length - 1 : points.findIndex((p) => p.load >= load),
  );
  const [a, b] = [points[i - 1]!, points[i]!];
  const part = (load - a.load) / (b.load - a.load);
  const at = (k: 'expected' | 'least' | 'most') => a[k] + part * (b[k] - a[k]);
  return { expected: at('expected'), least: at('least'), most: at('most') };
}
