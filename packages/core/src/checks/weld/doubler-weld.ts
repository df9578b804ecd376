import { doublerRuns } from '../../sharing/doubler-runs';
import type { Resolved } from '../../job/resolve';
import { cornerWords } from '../../sharing/weld-group';
import { isRefusal, refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import { notApplicable, outcome, worst, type Check } from '../check';
import { heldThickness } from '../skin-parts';
import type { Loaded } from '../demand/demand';
import { judgeWeld, WELDABLE, weldable, weldForces, type Weld } from './judge-weld';

const Q_SKIN = formula('q_s.Rd', '0.6·f_u·t/γ', 'N/mm');
const Q = formula('q', 'sqrt(q_p² + q_h² + q_v²)', 'N/mm');
const F_PLUG = formula('F_w.Rd', 'f_vw·π·d_p²/4', 'N');
const F_VW = formula('f_vw', '0.6·F_EXX/γ', 'MPa');

/** The fillets between plate and skin under a case. */
export const doublerOf = (r: Resolved, s: Loaded, of: Weld['of']): Weld => ({
  runs: doublerRuns(r),
  load: s.onSkin,
  a: r.welds.doublerThroat,
  of,
  field: 'welds.doubler',
  around: r.plate,
  ...(r.welds.doubler === 'stitched' ? { stitch: r.welds.stitch } : {}),
});

/** The plate welded to a metal skin as a doubler. */
export const doublerWeld: Check = {
  id: 'doubler-weld',
  name: 'Doubler weld',
  element: 'weld',
  withoutBolts: true,
  says: 'A doubler’s weld to the skin must hold, and the skin beside it.',
  why: 'Welded all round or in stitches, a doubler hands its load to the skin along its edge. In a thin sheet the sheet beside the weld tears before the weld does. Weld in short runs from side to side, or the sheet pulls out of flat.',
  source:
    'Elastic line group; fillet by EN 1993-1-8 §4.5.3.2 or AISC §J2.4, in aluminium by EN 1999-1-1 §8.6.3 (memory); the skin beside it 0.6·f_u·t (AISC §J4.2); plug welds in shear only (EN §4.3.5)',
  range:
    'Metal skins; steel, stainless and four alloys of aluminium; a run or a stitch counts l − 2·a, and nothing under 30 mm or 6·a (EN 1993-1-8 §4.5.1); bolts are not counted with welds (EN 1993-1-8 §2.4(3))',
  evaluate(r, s, w) {
    const { doubler, plug, filler } = r.welds;
    if (doubler === 'none') return notApplicable('the plate is not welded to the skin');
    const of = weldable(r.plateMetal, r.skinMetal);
    if (!of)
      return refuse(
        'welds.doubler',
        `a plate of ${r.plateMetal.name.toLowerCase()} is not welded to ${r.skin.name.toLowerCase()}`,
        WELDABLE,
      );
    if (doubler === 'plugs') {
      if (of[0].welded)
        return refuse('welds.doubler', 'plug welds in aluminium are not known to this check', 'fillets along its edges');
      if (s.outOfPlane.tensions.some((t) => t > 1e-6))
        return refuse('welds.doubler', 'plug welds are pulled in this case', 'plugs in shear only: weld round the edge');
      return worst(r.bolts, w, (b, i, w) => {
        const f_vw = w.of(F_VW, { F_EXX: filler, γ: r.factors.onBreak });
        const V = w.found('V', s.shears[i]!.total, 'N', `shear at ${b.id}, a plug at each hole`);
        return outcome(V, w.of(F_PLUG, { f_vw, d_p: plug }), 'N', b.id);
      });
    }
    const weld = doublerOf(r, s, of);
    const found = weldForces(r, weld);
    if (isRefusal(found)) return found;
    const fillet = judgeWeld(r, weld, w);
    if (isRefusal(fillet)) return fillet;
    const sheet = worst(found.at, w, (q, _i, w) =>
      outcome(
        w.of(Q, { q_p: q.along, q_h: q.across, q_v: q.out }),
        w.of(Q_SKIN, { f_u: r.skin.fu, t: heldThickness(r), γ: r.factors.onBreak }, 'the sheet beside the weld'),
        'N/mm',
        `skin at the ${cornerWords(r.plate, q.at)}`,
      ),
    );
    return { ...(sheet.utilisation > fillet.utilisation ? sheet : fillet), cautions: [...found.cautions, ...WELD_CAUTIONS] };
  },
};

const WELD_CAUTIONS = [
  'heat takes zinc, sealant, laminate and cables with it: clear them first',
  'tack, check, then weld in short runs from side to side against distortion',
];
