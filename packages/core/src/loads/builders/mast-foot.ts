import { angleRange, countRange, forceRange, massRange, momentRange } from '../../units/field-range';
import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, type CaseOf } from '../builder';
import { deg, factor, field, height, rad } from '../common-fields';
import { box, line } from '../sketch';

const STAYS = formula('C_s', 'n_s·P·cos(γ)', 'N');
const HAL = formula('C_h', 'k_h·P_h', 'N');
const C = formula('C', 'C_s + C_h + m·g_0', 'N');
const F_Z = formula('F_z', '−C·cos(φ)', 'N');
const F_H = formula('F_h', 'C·sin(φ) + S', 'N');

/** Mast foot or tabernacle: what stays and halyards press down, and what the heel shears and bends. */
export const mastFoot = builder({
  kind: 'mast-foot',
  name: 'Mast foot, tabernacle',
  family: 'mast',
  icon: 'flag',
  says: 'Stays and halyards pull the mast down on its foot; heel or wind shears the foot, and a tabernacle takes a moment too.',
  source: 'Statics',
  decides: 'Masts with people aloft or below: the local code and a licensed engineer decide.',
  cautions: ['With a stay slack the foot can lift or turn: keep that case.'],
  fields: {
    stay: field(forceRange('Pull in each loaded stay', '0'), 6000, '6 kN'),
    stays: field(countRange('Loaded stays', 0, 12), 2, '2'),
    lean: field(angleRange('Stays lean from the mast', 0, 80), rad(12), '12°'),
    halyard: field(forceRange('Halyard pull', '0'), 1500, '1.5 kN'),
    mass: field(massRange('Mast and gear', '0'), 40, '40 kg'),
    tilt: field(angleRange('Mast out of upright', 0, 45), rad(5), '5°'),
    shear: field(forceRange('Side force at the foot (wind, sail)', '0'), 500, '500 N'),
    moment: field(momentRange('Moment held by the foot', '0'), 0, '0 Nm'),
    height: height('Side force acts above the plate', 100, [0, 5000]),
  },
  factors: {
    halyard: factor('k_h', 'Parts of halyard pressing down', 2, 'statics: led back to the deck, it presses twice', [1, 4]),
  },
  picks: {},
  takeOff: { mass: 'mass' },
  cases({ v, k }) {
    const one = (name: string, x: number, y: number): CaseOf => ({
      name,
      action: 'variable',
      of(w) {
        const C_s = w.of(STAYS, { n_s: v.stays, P: v.stay, γ: deg(v.lean) }, 'statics');
        const C_h = w.of(HAL, { k_h: k.halyard, P_h: v.halyard }, 'statics');
        const put = { C: w.of(C, { C_s, C_h, m: v.mass, g_0: G0 }, 'statics'), φ: deg(v.tilt), S: v.shear };
        const fz = w.of(F_Z, put);
        const f = w.of(F_H, put, 'statics');
        // The mast leans with its weight: what of it shears is no help, and stays with the load.
        const weight = { fz: -v.mass * G0 * Math.cos(v.tilt) };
        return { fx: f * x, fy: f * y, fz, mx: -v.moment * y || 0, my: v.moment * x, at: { x: 0, y: 0, z: v.height }, weight };
      },
    });
    return [
      one('heeled to port', 0, 1),
      one('heeled to starboard', 0, -1),
      one('leaning ahead', 1, 0),
      one('leaning aft', -1, 0),
      {
        name: 'stays slack, side force only',
        action: 'variable',
        of: (w) => ({
          fy: w.found('F_y', v.shear, 'N', 'side force with nothing pressing but the mast’s weight'),
          fz: w.found('F_z', -v.mass * G0, 'N', 'weight of mast and gear'),
          mx: -v.moment || 0,
          at: { x: 0, y: 0, z: v.height },
          weight: { fz: -v.mass * G0 },
        }),
      },
    ];
  },
  sketch({ v }) {
    const tall = Math.max(700, v.height * 1.2);
    const foot = Math.tan(v.lean) * tall;
    return [
      {
        from: 'aft',
        shapes: [
          box('fitting', -45, 0, 45, 60),
          box('part', -28, 60, 28, tall),
          line('rope', [0, tall], [-foot, 0]),
          line('rope', [0, tall], [foot, 0]),
        ],
        handles: [
          { label: 'side force height', at: [0, v.height], drag: (_u, w) => ({ height: Math.max(0, w) }) },
          { label: 'stay lean', at: [foot, 0], drag: (u) => ({ lean: Math.min(rad(80), Math.max(0, Math.atan2(u, tall))) }) },
        ],
      },
    ];
  },
  worked: [
    {
      title: 'Two stays of 6 kN at 12°, halyard 1.5 kN twice, 40 kg',
      source: 'Statics by hand: 2 × 6 × 0.9781 + 2 × 1.5 + 0.392 = 15.13 kN',
      expect: { caseIndex: 0, symbol: 'C', value: 15_130, within: 5 },
    },
  ],
});
