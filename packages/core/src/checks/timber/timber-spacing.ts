import type { Resolved } from '../../job/resolve';
import { formula } from '../../working/formula';
import { layoutRule, notApplicable, outcome, worst, type Outcome } from '../check';

const A_1 = formula('a_1', '5·d', 'mm');
const A_2 = formula('a_2', '4·d', 'mm');
const A_3T = formula('a_3.t', 'max(7·d, 80)', 'mm');

interface Gap {
  readonly of: 'along' | 'across' | 'end';
  readonly have: number;
  readonly at: string;
}

/** Gaps between bolts in one line along or across the grain, and to the end grain. */
function gaps(r: Resolved, grain: 'x' | 'y', end: number): Gap[] {
  const across = grain === 'x' ? 'y' : 'x';
  const between = r.bolts.flatMap((a, i) =>
    r.bolts.slice(i + 1).flatMap((b): Gap[] => {
      const along = Math.abs(a[grain] - b[grain]);
      const side = Math.abs(a[across] - b[across]);
      const at = `${a.id}–${b.id}`;
      if (side < r.d / 2) return [{ of: 'along', have: along, at }];
      return along < r.d * 2.5 ? [{ of: 'across', have: Math.hypot(along, side), at }] : [];
    }),
  );
  return [...between, { of: 'end', have: end, at: 'end grain' }];
}

/** Least distances of bolts in timber. */
export const timberSpacing = layoutRule({
  id: 'timber-spacing',
  name: 'Timber spacing',
  element: 'skin',
  says: 'Bolts in timber need wood between them and before the end grain, or it splits.',
  why: 'Wood splits along the grain. Bolts in one line along it open one crack between them, and near the end grain the crack runs right out. So distances along the grain are the longest.',
  source: 'EN 1995-1-1 Tab. 8.4: a_1 5·d along the grain, a_2 4·d across, a_3,t max(7·d, 80 mm) to a loaded end',
  range:
    'Bolts and lag screws; the force taken along the grain and the end as loaded (safe); side edges of the member are not known here',
  evaluate(r, w) {
    const skin = r.substrate;
    if (skin.kind !== 'timber') return notApplicable('the skin is not timber');
    return worst(gaps(r, skin.grain, skin.endGrain), w, (g, _i, w): Outcome => {
      const need = w.of({ along: A_1, across: A_2, end: A_3T }[g.of], { d: r.d });
      w.found('a', g.have, 'mm', g.at);
      return outcome(need, Math.max(g.have, 0), 'mm', g.at, ['side edges of the timber at least 4·d from the bolts: measure']);
    });
  },
});
