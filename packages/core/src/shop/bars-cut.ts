import type { WholeJob } from '../job/whole-job';
import type { ShopSettings } from '../stock/shop-settings';
import type { Refusal } from '../units/refusal';
import { barPlan, type SolveProgramme } from './bar-cutting';
import { barsWanted } from './bars-wanted';
import type { BarsCut } from './buy-list';

/** The cut plan of every kind of bar of a job, offcuts on hand first. */
export async function barsCut(
  whole: WholeJob,
  { saw, offcuts }: Pick<ShopSettings, 'saw' | 'offcuts'>,
  solve: SolveProgramme,
): Promise<{ readonly bars: readonly BarsCut[] } | { readonly refusals: readonly Refusal[] }> {
  const found = barsWanted(whole, offcuts);
  if ('refusals' in found) return found;
  const bars = await Promise.all(
    found.wanted.map(async ({ stock, pieces, bars: sold }) => ({ stock, plan: await barPlan(pieces, sold, saw, solve) })),
  );
  return { bars };
}
