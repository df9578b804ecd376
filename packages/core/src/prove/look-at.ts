import type { Link } from '../chain/link';
import type { Verdict } from '../chain/evaluate';
import { hasFigure } from '../chain/link';

/** Where to look on a round of inspection, and for what. */
export interface LookAt {
  readonly foot: string;
  readonly link: string;
  readonly at: string;
  readonly utilisation: number;
  readonly lookFor: string;
}

const LOOK_FOR: Readonly<Record<Link['element'], string>> = {
  base: 'cracks at the fitting’s foot and its welds, bent flanges',
  lug: 'a hole drawn long, cracks beside it, a worn or bent pin, a missing split pin',
  weld: 'a line in the paint or rust along the toe, cracks at the ends of runs',
  fastener: 'witness marks out of line, rust running from the thread, a loose or sunk nut',
  joint: 'shiny rubbing, holes drawn long, gaps that were not there',
  plate: 'a plate that dishes, cracks from the holes, paint that flakes',
  'far side': 'washers sunk in or dished, a backing plate that bends or rusts',
  skin: 'cracks or whitening round the plate, dents, soft or wet core, a skin that has come off its bearers',
};

/** How many of the hardest links are looked at on every round, besides those that are tight. */
const MOST = 5;
const TIGHT_FROM = 0.7;

/** The links that work hardest over all feet: those used by 70 % or more, five at least. */
export function lookAt(feet: readonly { readonly name: string; readonly verdict: Verdict }[]): LookAt[] {
  const all = feet
    .flatMap(({ name, verdict }) =>
      verdict.links
        .filter((l) => hasFigure(l) && !l.loadFree && l.utilisation > 0)
        .map((l) => ({ foot: name, link: l.name, at: l.at, utilisation: l.utilisation, lookFor: LOOK_FOR[l.element] })),
    )
    .sort((a, b) => b.utilisation - a.utilisation);
  return all.filter((l, i) => i < MOST || l.utilisation >= TIGHT_FROM);
}
