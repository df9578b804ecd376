import type { SolveProgramme } from './bar-cutting';

/** Seconds an integer programme may take; what is found by then is used, and said not to be proven. */
const SECONDS = 10;

/** Integer programmes by HiGHS, loaded once it is asked for: 3.5 MB that only cut plans want. */
export const solveProgramme: SolveProgramme = async (text) => {
  const { default: load } = await import('highs');
  const highs = await load();
  const found = highs.solve(text, { output_flag: false, time_limit: SECONDS, mip_rel_gap: 0 });
  if (found.Status !== 'Optimal' && found.Status !== 'Time limit reached') return undefined;
  const values = Object.entries(found.Columns).flatMap(([name, c]) =>
    'Primal' in c && typeof c.Primal === 'number' ? [[name, c.Primal] as const] : [],
  );
  return values.length === 0 ? undefined : { values: new Map(values), optimal: found.Status === 'Optimal' };
};
