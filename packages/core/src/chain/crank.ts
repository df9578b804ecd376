import type { Verdict } from './evaluate';
import { hasFigure, type Link } from './link';

/** The crank turns the load from nothing to three times. */
export const MOST_CRANK = 3;

/**
 * Links in the order in which they are used up under the load as turned, those gone first; a rule of layout is not among them, and a
 * refused link has no figure. Not by proportion from the load itself: contact, friction and the ranges of methods change with it.
 */
export const usedUp = (turned: Verdict): Link[] =>
  turned.links
    .filter((l) => hasFigure(l) && !l.loadFree && l.utilisation > 0)
    .sort((a, b) => b.utilisation - a.utilisation || a.name.localeCompare(b.name));
