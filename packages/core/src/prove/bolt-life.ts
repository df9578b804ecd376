import type { Verdict } from '../chain/evaluate';
import type { Resolved } from '../job/resolve';
import { atBolt } from '../job/of-kind';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';

// EN 1993-1-9:2005 §7.1: bolt in tension, category 50 (Tab. 8.1 detail 14), with γ_Mf = 1.35 (safe life, high consequence). From memory.
const CATEGORY = 50;
const GAMMA_MF = 1.35;
const RANGE = formula('Δσ', 'F_t/A_s', 'MPa');
const N_3 = formula('N', '2000000·(Δσ_C/(γ_Mf·Δσ))^3', '–');
const N_5 = formula('N', '5000000·(0.737·Δσ_C/(γ_Mf·Δσ))^5', '–');
const D_LIMIT = 5e6;
const CUT_OFF = 1e8;

export interface BoltLife {
  readonly bolt: string;
  readonly caseName: string;
  /** Loads of that size it is good for; Infinity under the cut-off. */
  readonly times: number;
  readonly steps: readonly Step[];
}

/**
 * How often the bolt that is pulled hardest may be pulled so, with the prying of the plate on it (EN 1993-1-9 Tab. 8.1 detail 14: prying
 * is to be taken into account; from memory): its pull taken as coming and going whole, preload or not (safe), and nothing but bolts in tension looked at.
 * Undefined where no bolt is pulled.
 */
export function boltLife(r: Resolved, verdict: Pick<Verdict, 'shared'>): BoltLife | undefined {
  let most: { stress: number; pull: number; i: number; caseName: string } | undefined;
  for (const s of verdict.shared)
    s.pulls.forEach((pull, i) => {
      const stress = pull / atBolt(r, i).As;
      if (stress > (most?.stress ?? 0)) most = { stress, pull, i, caseName: s.loadCase.name };
    });
  if (!most) return undefined;
  const w = new Working(true);
  const range = w.of(
    RANGE,
    { F_t: most.pull, A_s: atBolt(r, most.i).As },
    'with its prying; all of it comes and goes: preload is not counted on',
  );
  const put = { Δσ_C: CATEGORY, γ_Mf: GAMMA_MF, Δσ: range };
  const n3 = w.of(N_3, put, 'EN 1993-1-9 category 50, m = 3; from memory');
  const times = n3 <= D_LIMIT ? n3 : w.of(N_5, put, 'past 5·10⁶ m = 5');
  return { bolt: r.bolts[most.i]!.id, caseName: most.caseName, times: times > CUT_OFF ? Infinity : times, steps: w.steps };
}
