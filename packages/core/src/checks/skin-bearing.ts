import { roundedRect, type Region } from '../geometry/region';
import type { Resolved } from '../job/resolve';
import { bearingOf, holeKind } from '../stock/hole-kinds';
import { formula } from '../working/formula';
import { bearingBothWays } from './bearing';
import { shearOn } from './bolt-shear';
import { everyBolt, notApplicable, onSkin, outcome, worst } from './check';
import { remembered } from './remembered';
import { bearingSkin, metalSkin } from './skin-parts';
import { bearsNot } from './wide-holes';

const F_B = formula('F_b.Rd', 'f_h·d·t/γ', 'N');

/** The bolt against its hole in the skin. */
export const skinBearing = onSkin({
  id: 'skin-bearing',
  name: 'Skin bearing',
  element: 'skin',
  says: 'The bolt must not wear its hole long in the skin.',
  why: 'The bolt presses sideways on its hole in the skin. In a thin or soft skin the hole wears long and the fitting starts to move; a doubler or more bolts share the press.',
  source:
    'Metal: EN 1993-1-8 Tab. 3.4 with its notes 1 and 3, or AISC 360-16 §J3.10. Plywood: embedment, EN 1995-1-1 eq. 8.36. Laminate and faces of a sandwich: compressive strength on d·t (common practice)',
  range:
    'Skin edges further than 3·d_0 from every bolt, but the toes of a flange, which are counted; bedding and friction not counted',
  evaluate(r, s, w) {
    if (r.skinKind === 'timber') return notApplicable('a bolt in timber bends as it beds in: see Timber joint');
    const t = bearingSkin(r);
    const no = r.joint.sleeve === 'none' ? bearsNot(r, s, 'skin') : undefined;
    if (no) return no;
    if (!metalSkin(r))
      return worst(everyBolt(r), w, (i, _k, w) =>
        outcome(
          shearOn(r, s, i, w),
          w.of(F_B, { f_h: r.skin.bearing(r.d), d: r.d, t, γ: r.factors.onSkin }),
          'N',
          r.bolts[i]!.id,
        ),
      );
    const hole = bearingOf(holeKind(r.size, r.skinHole));
    const parts = { d: r.d, d0: r.skinHole, t, fu: r.skin.fu, fub: r.grade.fub, gamma: r.factors.onBreak, hole };
    const { rules, bolts } = r;
    const edges = flangeRegion(r);
    return worst(everyBolt(r), w, (i, _k, w) =>
      bearingBothWays({ rules, bolts, bolt: bolts[i]!, force: s.shears[i]!, pressed: 1, parts, ...edges }, w),
    );
  },
});

/** The toes of a flange; no near edges of any other skin are known. */
const flangeRegion = remembered((r: Resolved): { readonly region?: Region } => {
  const s = r.substrate;
  if (s.kind !== 'flange') return {};
  return { region: roundedRect({ x0: -LONG, x1: LONG, y0: -s.width / 2, y1: s.width / 2 }, 0) };
});
/** A flange goes on past every end distance that counts, mm. */
const LONG = 1e6;
