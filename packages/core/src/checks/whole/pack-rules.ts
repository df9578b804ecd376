import { formula } from '../../working/formula';
import { layoutRule, notApplicable, outcome, remembered, worst } from '../check';
import { rulesIn, type RuleState } from './packs';

const NEED = formula('least', 'n', '');

const states = remembered(rulesIn);
const measured = (s: RuleState) => s.measured !== undefined;

/** The layout against the rules of the packs the job is held to. */
export const packRules = layoutRule({
  id: 'pack-rules',
  name: 'Rule packs',
  element: 'joint',
  withoutBolts: true,
  says: 'The layout must keep the rules of the packs the job is held to.',
  why: 'Codes and trades keep short lists of least sizes, learnt from what went wrong before. They hold whatever the load. Rules of the trade without a published source are only reminded of, never failed.',
  source: 'The packs named by the job; each rule with its own source',
  range: 'Rules of layout only; what a pack asks besides is listed with it as a gap',
  evaluate(r, w) {
    const all = states(r).filter(measured);
    const code = all.filter((s) => s.rule.kind === 'code');
    const missed = all.filter((s) => s.rule.kind === 'common practice' && !s.holds);
    const reminders = missed.map((s) => `${s.pack.name}: ${s.rule.says.toLowerCase()} (${s.rule.source})`);
    if (code.length === 0)
      return notApplicable(
        r.packs.length === 0
          ? 'the job names no rule pack'
          : ['no code rule of the packs concerns this layout', ...reminders].join('; '),
      );
    return worst(code, w, ({ rule, measured }, _i, w) => {
      const { need, have, at } = measured!;
      w.of(NEED, { n: need }, `${rule.id}: ${rule.says}; ${rule.source}`);
      w.found('have', have, rule.unit, at);
      return outcome(need, Math.max(have, 0), rule.unit, `${rule.id}, ${at}`, reminders);
    });
  },
});
