import type { Resolved } from './resolved';
import { spreadRulesOf } from './spread-rules';

/**
 * Why no preload can be counted on in this joint; undefined where it lasts. One rule for the checks and for the solver: laminate,
 * core, plywood and timber creep under the clamping, and an open section is squeezed by it (common practice).
 */
export function preloadFades(r: Pick<Resolved, 'skinKind' | 'joint' | 'plateMetal' | 'far'>): string | undefined {
  if (r.skinKind !== 'sheet' && r.skinKind !== 'hollow' && r.skinKind !== 'flange')
    return 'a soft skin creeps under the clamping';
  if (r.skinKind === 'hollow' && r.joint.sleeve !== 'sleeve') return 'clamping squeezes an open section';
  const soft = [r.plateMetal, r.far.metal].find((m) => m?.group === 'laminate');
  return soft && `${soft.name} creeps under the clamping`;
}

/** Whether the solver tightens the bolts before the load: the job says so, and the preload lasts. */
export const preloadCounts = (r: Pick<Resolved, 'skinKind' | 'joint' | 'plateMetal' | 'far' | 'job'>): boolean =>
  spreadRulesOf(r.job).preload === 'as tightened' && r.joint.tightening !== 'snug' && preloadFades(r) === undefined;
