import type { Resolved } from '../../job/resolve';
import type { Metal } from '../../stock/metals';
import { ALLOWED, boltPotential, conducts, potentialOf } from '../../stock/potentials';
import { formula } from '../../working/formula';
import { layoutRule, notApplicable, outcome } from '../check';

const DELTA = formula('ΔV', 'abs(V_1 − V_2)', 'V');

interface Piece {
  readonly name: string;
  readonly V: number;
}

function pieces(r: Resolved): Piece[] {
  const put = (what: string, m: Pick<Metal, 'id' | 'group' | 'name'>): Piece[] =>
    conducts(m) ? [{ name: `${what} (${m.name})`, V: potentialOf(m) }] : [];
  return [
    { name: `bolts (${r.grade.id})`, V: boltPotential(r.grade.stainless) },
    ...put('plate', r.plateMetal),
    ...(r.far.metal ? put(r.far.kind === 'plate' ? 'backing plate' : 'plate washers', r.far.metal) : []),
    ...(r.skinMetal ? put('skin', r.skinMetal) : []),
  ];
}

/** Two metals that eat each other where it is wet. */
export const galvanic = layoutRule({
  id: 'galvanic',
  name: 'Metal pairs',
  element: 'joint',
  says: 'Metals that touch must not eat each other where the joint lives.',
  why: 'Two metals in salt water make a battery, and the less noble one is eaten: aluminium round a stainless bolt, steel beside bronze or carbon. Keep them apart with sleeves and washers that do not conduct, and keep the water out with bedding.',
  source: 'Anodic index, allowed difference 0.15 V in salt, 0.25 V in weather, 0.50 V dry: MIL-STD-889 (memory)',
  range:
    'Pairs in metal contact; the size of the two areas is not counted: a small bolt in a large plate fares better than the reverse',
  evaluate(r, w) {
    const { place, isolated } = r.joint;
    if (place === 'not said') return notApplicable('where the joint lives is not said');
    if (isolated) return notApplicable('the metals are kept apart by sleeves and washers that do not conduct');
    const all = pieces(r).sort((a, b) => a.V - b.V);
    const [low, high] = [all[0]!, all.at(-1)!];
    const need = w.of(DELTA, { V_1: high.V, V_2: low.V }, `${high.name} against ${low.name}`);
    const allowed = w.found('ΔV_max', ALLOWED[place], 'V', `where the joint lives: ${place}`);
    return outcome(
      need,
      allowed,
      'V',
      `${high.name} against ${low.name}`,
      need > allowed ? ['isolate, or choose metals nearer each other'] : [],
    );
  },
});
