import { atEachFoot, drawnBy } from './at-foot';
import { DESIGN, OF_PLACE } from './schema';
import { assumedValues } from './values';
import type { WholeJob } from './whole-job';

/** How many values of a fitting on all its feet are assumed: what is drawn once counts once, what was found at a foot at each. */
export function assumedOnAll(whole: WholeJob): number {
  const all = new Set<string>();
  for (const { foot, job } of atEachFoot(whole))
    for (const { path } of assumedValues(job)) {
      const field = path.split('.')[0]!;
      const owner = field in OF_PLACE ? foot.id : field in DESIGN ? drawnBy(whole, foot).id : '';
      all.add(`${owner} ${path}`);
    }
  return all.size;
}
