import type { Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { notApplicable, onSkin, outcome } from './check';

const F_D = formula('f_d', 'f/γ', 'MPa');
/** A flat plate bent right through: plastic modulus 1.5 × elastic (bh²/4 over bh²/6). */
const F_PL = formula('f_d', '1.5·f/γ', 'MPa');
/** Hoff & Mautner: a face wrinkles into its core at 0.5·∛(E_f·E_c·G_c); E_c taken as 2.6·G_c (an isotropic core of ν 0.3). */
const WRINKLE = formula('f_w', '0.5·(E_f·2.6·G_c²)^(1/3)', 'MPa');

/** Bending of the skin panel between its bearers. */
export const skinBending = onSkin({
  id: 'skin-bending',
  name: 'Skin bending',
  element: 'skin',
  withoutBolts: true,
  says: 'Between its bearers the skin carries the load as a panel and bends.',
  why: 'The plate hands its load to the skin, and the skin hands it on to the bearers by bending, like a drumhead pushed in its middle. Nearer bearers, a larger plate or a thicker skin help; the stiff plate’s edge is where it hurts most.',
  source:
    'Navier’s series for a simply supported rectangular plate under a patch (Timoshenko & Woinowsky-Krieger §28–34); plywood as isotropic with its weaker direction (safe); sandwich faces m/(d·t_f), wrinkling by Hoff & Mautner (memory)',
  range:
    'Panel at least 10 times as wide as thick, by hand with a bearer on all four sides; plate clear of the bearers or over one of them; linear up to w/t 0.5',
  evaluate(r, s, w) {
    if (r.skinKind === 'timber') return notApplicable('a timber bends along its grain: see Timber bending');
    if (r.skinKind === 'hollow') return notApplicable('a section is judged by its walls: see Wall face');
    if (r.skinKind === 'flange') return notApplicable('a flange bends from its web: see Flange bending');
    const found = s.demand.skinStress(w);
    if ('refused' in found || 'applies' in found) return found;
    const fd = w.of(r.factors.plastic > 1 ? F_PL : F_D, { f: bendingStrength(r, w), γ: r.factors.onSkin });
    return outcome(found.value, fd, 'MPa', found.where, found.cautions);
  },
});

function bendingStrength(r: Resolved, w: Working): number {
  const s = r.substrate;
  if (s.kind !== 'sandwich') return r.skin.bending;
  return Math.min(r.skin.bending, w.of(WRINKLE, { E_f: r.skin.E, G_c: s.coreModulus }, 'wrinkling of a face'));
}
