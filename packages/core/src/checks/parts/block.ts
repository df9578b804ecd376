import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import { notApplicable, outcome, worst, type Check } from '../check';
import { onPart } from './on-part';

const P = formula('p', 'F/A', 'MPa');
const F_D = formula('f_d', 'min(f_y/γ_y, f_c/γ)', 'MPa');
const SLIDES = formula('η', 'tan(α)/μ', '–');

/** A wedge, a chock or a packer pressed on its face. */
export const block: Check = {
  id: 'block',
  name: 'Wedge and chock',
  element: 'plate',
  withoutBolts: true,
  says: 'A wedge or chock must not be crushed, crush what it stands on, nor be squeezed out.',
  why: 'A small chock puts all of its load on a small face. A wedge steeper than its friction is pushed out like a wet soap by the very load it should hold.',
  source: 'Statics: pressure up to yield of the block, or to crushing of the skin; a wedge holds itself up to tan α = μ',
  range: 'Parts said to be a block, of plate or flat bar, pressed on their flat; the slip factor of the joint',
  evaluate(r, s, w) {
    const blocks = r.working.filter((p) => p.works.as === 'block');
    if (blocks.length === 0) return notApplicable('no part is said to be a block');
    const nothing = blocks.find((p) => p.face <= 0);
    if (nothing) return refuse('parts', `${nothing.name} has no flat face to be pressed on`, 'plate or flat bar');
    return worst(blocks, w, (p, _k, w) => {
      const { F } = onPart(p, s, w);
      const f = w.of(F_D, { f_y: p.metal.fy, γ_y: r.factors.onYield, f_c: r.skin.crush, γ: r.factors.onSkin });
      const pressed = outcome(w.of(P, { F, A: p.face }), f, 'MPa', `${p.name}: pressed on its face`);
      const angle = p.works.as === 'block' ? ((p.works.angle ?? 0) * 180) / Math.PI : 0;
      if (angle <= 0) return pressed;
      const η = w.of(SLIDES, { α: angle, μ: r.joint.friction });
      const slides = { ...outcome(η, 1, '–', `${p.name}: squeezed out`, HELD), loadFree: true as const };
      return slides.utilisation > pressed.utilisation ? slides : pressed;
    });
  },
};
const HELD = ['a wedge over its friction must be held by bolts, tacks or a stop'];
