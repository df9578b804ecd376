import type { WholeJob } from '../job/whole-job';
import { madeOf } from '../shop/made-of';
import type { ShopSettings } from '../stock/shop-settings';
import type { Line } from './log-entry';
import { lookAt, type LookAt } from './look-at';
import { holdPoints, openPoints, sideBySide, type HoldPoint, type OpenPoint, type StandsAs } from './stamp';
import { tasksOf, type Task } from './tasks';

/** Where a job stands after it was begun to be made, as plain data: what takes a moment is worked out away from the page. */
export interface ProveState {
  readonly design: StandsAs;
  readonly built: StandsAs;
  readonly open: readonly OpenPoint[];
  readonly holds: readonly HoldPoint[];
  /** What works hardest as built. */
  readonly look: readonly LookAt[];
  readonly tasks: readonly Task[];
}

export function proveState(whole: WholeJob, lines: readonly Line[], shop: Pick<ShopSettings, 'rates'>): ProveState {
  const side = sideBySide(whole, lines);
  const feet = side.feet.map((f) => ({ name: whole.feet.length > 1 ? f.name : '', verdict: f.judged.verdict }));
  const of = madeOf(whole);
  return {
    design: side.design,
    built: side.built,
    open: openPoints(whole, shop, lines, side),
    holds: holdPoints(whole, shop, lines),
    look: lookAt(feet),
    tasks:
      'refusals' in of
        ? []
        : tasksOf(
            of,
            feet.map((f) => f.verdict),
          ),
  };
}
