import { casesOf, loadRefusals } from '../loads/cases';
import type { LoadCase } from '../loads/load-case';
import { STANDING_RULES, type StandingRule } from '../standing/stands';
import type { Refusal } from '../units/refusal';
import { atEachFoot } from './at-foot';
import type { WholeJob } from './whole-job';

/** What comes to one foot in every case. */
export interface Comes {
  readonly id: string;
  readonly name: string;
  readonly cases: readonly LoadCase[];
}

/** What comes to each foot of a fitting, in its own axes, before factors. */
export const whatComes = (whole: WholeJob, recording = false): Comes[] =>
  atEachFoot(whole).map(({ foot, job }) => ({ id: foot.id, name: foot.name, cases: casesOf(job, recording) }));

/** The hardest pull on any foot under a rule, or why it cannot stand so. */
export interface UnderRule {
  readonly rule: StandingRule;
  readonly pull?: { readonly foot: string; readonly caseName: string; readonly fz: number };
  readonly refusal?: Refusal;
}

/** Whether a rule can be asked of a fitting as it is drawn: legs want a height, given shares want shares. */
const askable = (whole: WholeJob, rule: StandingRule): boolean =>
  rule === 'legs'
    ? whole.standing.legHeight > 0
    : rule === 'given'
      ? whole.feet.some((f) => (f.holds?.part ?? 0) > 0)
      : rule === 'some count'
        ? whole.feet.length > 2
        : true;

/** What every rule would give for the foot that is pulled hardest: the one in use first. */
export function underEachRule(whole: WholeJob): UnderRule[] {
  const { rule: used } = whole.standing;
  const rules = [used, ...STANDING_RULES.filter((r) => r !== used && askable(whole, r))];
  return rules.map((rule) => {
    // One foot idle, unless the job says how many count.
    const count = rule === 'some count' && used !== rule ? whole.feet.length - 1 : whole.standing.count;
    const as: WholeJob = { ...whole, standing: { ...whole.standing, rule, count } };
    const [refusal] = loadRefusals(atEachFoot(as)[0]!.job);
    if (refusal) return { rule, refusal };
    const all = whatComes(as).flatMap((f) => f.cases.map((c) => ({ foot: f.name, caseName: c.name, fz: c.fz })));
    return all.length === 0 ? { rule } : { rule, pull: all.reduce((a, b) => (b.fz > a.fz ? b : a)) };
  });
}
