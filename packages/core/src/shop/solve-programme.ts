import type { SolveProgramme } from './bar-cutting';

/** Integer programmes by HiGHS, loaded once it is asked for: 3.5 MB that only cut plans want. What is found in the time is used, and not called proven. */
export const solveWithin =
  (seconds: number): SolveProgramme =>
  async (text) => {
    const { default: load } = await import('highs');
    const highs = await load();
    const found = highs.solve(text, { output_flag: false, time_limit: seconds, mip_rel_gap: 0 });
    if (found.Status !== 'Optimal' && found.Status !== 'Time limit reached') return undefined;
    const values = Object.entries(found.Columns).flatMap(([name, c]) =>
      'Primal' in c && typeof c.Primal === 'number' ? [[name, c.Primal] as const] : [],
    );
    return values.length === 0 ? undefined : { values: new Map(values), optimal: found.Status === 'Optimal' };
  };

/** As short as the server may leave others unanswered. */
export const solveProgramme: SolveProgramme = solveWithin(2);
