import { TIGHT, type Link, type Verdict } from './evaluate';

/** The crank turns the load from nothing to three times. */
export const MOST_CRANK = 3;

/** One link and the multiple of the load at which it lets go. */
export interface LettingGo {
  readonly id: string;
  readonly name: string;
  readonly at: number;
  readonly caseName: string;
}

const loaded = (l: Link) => !l.loadFree && l.state !== 'refused' && l.state !== 'not needed' && l.utilisation > 0;

/**
 * Links in the order in which they let go as the load is turned up. Each grows in proportion to the load, so each goes
 * at 1 over its utilisation; a refused link has no figure and is not in the list.
 */
export const lettingGo = (v: Verdict): LettingGo[] =>
  v.links
    .filter(loaded)
    .map((l) => ({ id: l.id, name: l.name, at: 1 / l.utilisation, caseName: l.caseName }))
    .sort((a, b) => a.at - b.at || a.name.localeCompare(b.name));

/** A link under `k` times the load; a rule of layout, a refused link and one not needed stay as they are. */
export function cranked(l: Link, k: number): Link {
  if (!loaded(l)) return l;
  const utilisation = l.utilisation * k;
  return { ...l, utilisation, demand: l.demand * k, state: utilisation > 1 ? 'fails' : utilisation > TIGHT ? 'tight' : 'sound' };
}
