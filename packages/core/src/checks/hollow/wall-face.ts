import { boundsOf, heightOf, widthOf } from '../../geometry/rects';
import { atBolt } from '../../job/of-kind';
import type { Resolved } from '../../job/resolve';
import { refuse, type Refusal } from '../../units/refusal';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { isHeldByThread, notApplicable, outcome, worst, type Check, type Outcome } from '../check';
import type { Loaded } from '../demand/demand';
import { resistances } from './face-resistance';
import { sectionOf, type Section } from './section';

const SUM = formula('η', 'abs(F_z)/N_1.Rd + abs(M_y)/M_ip.Rd + abs(M_x)/M_op.Rd', '–');

/** What presses on or pulls at one side of a nut inside the section, mm: its washer, or the thread alone. */
const pulledWidth = (r: Resolved): number => {
  if (isHeldByThread(r)) return r.d;
  if (r.joint.holding === 'weld nut' || r.joint.holding === 'captive nut') return r.size.acrossFlats;
  return r.far.kind === 'washer' ? r.far.outside : r.washerOutside + 2 * r.far.thickness;
};

/** The face under the whole plate, with all of the case: what presses, and bolts through both walls. */
function underPlate(r: Resolved, s: Loaded, x: Section, w: Working): Outcome {
  const res = resistances(r, x, r.plate, w);
  const c = s.onSkin;
  const η = w.of(SUM, { F_z: c.fz, M_x: c.mx, M_y: c.my, 'N_1.Rd': res.N, 'M_ip.Rd': res.Mip, 'M_op.Rd': res.Mop });
  return outcome(η, 1, '–', 'face under the plate', cautionsOf(x));
}

/** The face where bolts through one wall pull it out: round all that pull together, and round each by itself. */
function pulledOut(r: Resolved, s: Loaded, x: Section, w: Working): Outcome | undefined {
  // Bolts of every kind pull on one wall.
  const pulling = r.bolts.flatMap((_, i) => (s.demand.pull(i, SILENT) > 1e-9 ? [i] : []));
  if (pulling.length === 0) return undefined;
  const patches = [pulling, ...pulling.map((i) => [i])].map((among) => ({
    among,
    patch: boundsOf(
      among.map((i) => r.bolts[i]!),
      Math.min(...among.map((i) => pulledWidth(atBolt(r, i)))) / 2,
    ),
  }));
  return worst(patches, w, ({ among, patch }, _k, w) => {
    // What a plate pries it presses on the same wall: together the bolts pull no more than the load does.
    const own = (i: number) => (among.length > 1 ? s.outOfPlane.tensions[i]! : s.demand.pull(i, SILENT));
    const F = among.reduce((sum, i) => sum + own(i), 0);
    const words = among.length > 1 ? `${among.length} bolts that pull` : r.bolts[among[0]!]!.id;
    w.found('F', F, 'N', `pull of ${words}, on ${widthOf(patch).toFixed(0)} × ${heightOf(patch).toFixed(0)} mm of face`);
    const { N } = resistances(r, x, patch, w);
    return outcome(w.of(PART, { F, 'N_1.Rd': N }), 1, '–', `face round ${words}`, cautionsOf(x));
  });
}

const PART = formula('η', 'F/N_1.Rd', '–');
const SILENT = new Working(false);
const CAUTIONS = ['load in the section itself (k_n) is not known here: taken as 1'];
const ROUND_CAUTION = 'the plate is taken as shaped to the tube or on a saddle: a flat one touches it along a line only';
const cautionsOf = (x: Section) => (x.round ? [...CAUTIONS, ROUND_CAUTION] : CAUTIONS);

/** Walls outside the tables' range. */
function tooThin(x: Section): Refusal | undefined {
  const ratio = Math.max(x.b0, x.h0) / x.t0;
  if (x.round)
    return ratio > 50 || ratio < 10
      ? refuse('skin.wall', `outside over wall is ${ratio.toFixed(0)}: outside Tab. 7.1`, 'd_0/t_0 from 10 to 50')
      : undefined;
  return ratio > 35
    ? refuse('skin.wall', `width over wall is ${ratio.toFixed(0)}: too thin for Tab. 7.8`, 'b_0/t_0 and h_0/t_0 up to 35')
    : undefined;
}

/** The face of a hollow section under the plate, pushed in or pulled out. */
export const wallFace: Check = {
  id: 'wall-face',
  name: 'Wall face',
  element: 'skin',
  withoutBolts: true,
  says: 'Under the plate the face of the section must not be pushed in or pulled out.',
  why: 'A box section is strong at its corners and weak in the middle of its faces. A narrow plate in the middle pushes the face in like a drum; one that reaches both side walls hands its load straight to them. Bolts through one wall pull only where their washers are, however large the plate.',
  source:
    'EN 1993-1-8 Tab. 7.11 and 7.14 (face plastification; side walls from β 0.85), k_n 1; patches under a quarter of the face by a fan of yield lines (Gomes, Jaspart & Maquoi 1996, memory); round tubes Tab. 7.3 (memory), X joints; moments added. Bolts through one wall: the same on the patch round those that pull, and round each',
  range:
    'Section running fore and aft, plate no wider than its face; b_0/t_0 up to 35; round tubes d_0/t_0 10 to 50, what is longer than 4·d_0 counts as that long, what is narrower than 0.4·d_0 as a plate set along it',
  evaluate(r, s, w) {
    const x = sectionOf(r);
    if (!x) return notApplicable('the skin is not a hollow section');
    if (r.shaped) return refuse('plate.outline', 'a section’s face under a plate that is no rectangle', 'a rectangle');
    if (heightOf(r.plate) > x.b0 + 1e-6)
      return refuse(
        'plate',
        `the plate is ${heightOf(r.plate).toFixed(0)} mm wide on a ${x.b0.toFixed(0)} mm face`,
        'a plate within the face',
      );
    const no = tooThin(x);
    if (no) return no;
    const whole = underPlate(r, s, x, SILENT);
    const pulled = x.skin.through === 'one wall' ? pulledOut(r, s, x, SILENT) : undefined;
    if (pulled && pulled.utilisation > whole.utilisation) return w.recording ? pulledOut(r, s, x, w)! : pulled;
    return w.recording ? underPlate(r, s, x, w) : whole;
  },
};
