import { edgeDistance, type Region } from '../geometry/region';
import { between } from '../geometry/slots';
import { refuse, type Refusal } from '../units/refusal';
import { endsOf, type HoleCut } from './made-hole';

/** Holes that cannot be made in a part: off its metal, over one another, two of one name, slots shorter than wide. */
export function madeHoleRefusals(
  holes: readonly HoleCut[],
  metal: Region,
  field: string,
  mm: (v: number) => string,
  what = 'the part',
): Refusal[] {
  return holes.flatMap((h, i) => {
    const at = `${field}, hole ${h.id}`;
    const no: Refusal[] = [];
    if (holes.findIndex((o) => o.id === h.id) < i) no.push(refuse(at, 'two holes have this name', 'each hole its own'));
    if (h.slot && h.slot.long < h.d - 1e-6)
      no.push(refuse(at, `a slot ${mm(h.slot.long)} long is no longer than it is wide`, `at least ${mm(h.d)}`));
    const edge = Math.min(...endsOf(h).map((p) => edgeDistance(metal, p)));
    if (edge < h.d / 2)
      no.push(
        refuse(
          at,
          edge < 0 ? `lies ${mm(-edge)} outside ${what}` : `breaks through the edge (${mm(edge)} from centre to edge)`,
          `at least ${mm(h.d / 2)} from every edge`,
        ),
      );
    for (const o of holes.slice(i + 1)) {
      const gap = between(endsOf(h), endsOf(o));
      if (gap < (h.d + o.d) / 2)
        no.push(refuse(at, `overlaps hole ${o.id} (${mm(gap)} between centres)`, `over ${mm((h.d + o.d) / 2)}`));
    }
    return no;
  });
}
