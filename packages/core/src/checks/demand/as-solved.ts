import type { Resolved } from '../../job/resolve';
import type { Solved } from '../../sharing/solved';
import { tooThin } from '../too-thin';
import type { Demand, Found } from './demand';

/** A case as the spread solver found it. */
export function asSolved(r: Resolved, s: Solved): Demand {
  const place = ({ value, at }: Pick<Found, 'value' | 'at'>, where = ''): Found => ({
    value,
    at,
    where: `${where}x ${at.x.toFixed(0)}, y ${at.y.toFixed(0)} mm`,
  });
  return {
    pull: (i, w) => w.found('F_t.Ed', s.tensions[i]!, 'N', `pull in ${r.bolts[i]!.id}, with its prying, ${s.mesh}`),
    push: (i, w) => w.found('N_Ed', s.pushes[i]!, 'N', `push down what stands round ${r.bolts[i]!.id}, ${s.mesh}`),
    pressure(w) {
      const over = r.skinKind === 'bed' ? 'bed, mean over one plate thickness' : 'skin, mean over one skin thickness';
      w.found('p_max', s.pressure.value, 'MPa', `pressure of the plate on the ${over}, ${s.mesh}`);
      return place(s.pressure);
    },
    plateStress(w) {
      w.found('σ', s.plateStress.value, 'MPa', `von Mises, mean over a washer’s width, ${s.mesh}`);
      return place(s.plateStress);
    },
    farStress(w) {
      if (r.far.kind !== 'plate') return undefined;
      w.found('σ', s.farStress.value, 'MPa', `von Mises, mean over a washer’s width, ${s.mesh}`);
      return place(s.farStress);
    },
    skinStress(w) {
      const no = s.tooThin ? tooThin(s.overThickness) : undefined;
      if (no) return no;
      w.found('σ', s.edgeStress.value, 'MPa', `mean over one thickness beside the plate’s edge, ${s.mesh}`);
      return place(s.edgeStress, 'plate’s edge at ');
    },
    deflection(w) {
      w.found('w', s.deflection.value, 'mm', s.mesh);
      return { ...place(s.deflection), where: 'panel between bearers' };
    },
    edgeShear: (w) => w.found('v', s.skinShear.value, 'N/mm', `mean over one skin thickness, ${s.mesh}`),
  };
}
