import { refuse } from '../../units/refusal';
import { notApplicable, type Check } from '../check';

/** Bolts that end in a solid bed. */
export const bedAnchors: Check = {
  id: 'bed-anchors',
  name: 'Anchors in the bed',
  element: 'skin',
  says: 'Bolts pulled or sheared in a solid bed are held by their anchors.',
  why: 'Concrete or a casting does not let go at the bolt but in a cone round it, and each make of anchor has its own tables for that. They need the anchor’s approval, its depth and the distance to the edge.',
  source: 'EN 1992-4 and the anchor’s own approval: not computed here',
  range: 'Refused wherever a bolt in a bed is pulled or sheared',
  evaluate(r, s) {
    if (r.skinKind !== 'bed') return notApplicable('the bolts go through a skin');
    const loaded = s.outOfPlane.tensions.some((t) => t > 1e-6) || s.shears.some((v) => v.total > 1e-6);
    if (!loaded) return notApplicable('no bolt is pulled or sheared in this case: the bed only bears');
    return refuse('skin.kind', 'anchors in a bed are not judged here', 'the anchor maker’s approved tables (EN 1992-4)');
  },
};
