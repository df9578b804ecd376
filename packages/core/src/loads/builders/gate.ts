import { forceRange, lengthRange } from '../../units/field-range';
import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, options, type CaseOf } from '../builder';
import { factor, field, height, mass } from '../common-fields';
import { box, line } from '../sketch';

const WEIGHT = formula('W', 'm·g_0', 'N');
const COUPLE = formula('H', 'φ·(W·w/2 + P·w)/s', 'N');
const DOWN = formula('V', 'φ·(W + P)', 'N');

/** Gate, door or swing-out carrier on two hinges; the plate of one of them. */
export const gate = builder({
  kind: 'gate',
  name: 'Gate, door, swing-out carrier',
  family: 'gate',
  icon: 'door_open',
  says: 'Its weight at half its width and a person hanging on its end: the hinges hold it as a couple over their spacing.',
  source: 'Statics: couple = (W·w/2 + P·w)/s',
  decides: 'Where people pass or hang on it, the local building or vehicle rules decide.',
  cautions: ['One hinge mostly carries all the weight: both plates are sized for it.'],
  fields: {
    mass: mass('Mass with what it carries', 60),
    width: field(lengthRange('Width', 6000, 'over 0', [200, 4000]), 1100, '1100 mm'),
    spacing: field(lengthRange('Hinge spacing', 4000, 'over 0', [50, 2500]), 400, '400 mm'),
    person: field(forceRange('Person hanging on its end', '0'), 1000, '1 kN'),
    pin: height('Hinge pin off the plate', 45, [0, 300]),
  },
  factors: { dynamic: factor('φ', 'Slam and road, on all', 1, 'common practice; 2 to 3 on a driven vehicle', [1, 5]) },
  picks: { hinge: { label: 'This plate is the', options: options(['top', 'top hinge'], ['bottom', 'bottom hinge']) } },
  takeOff: { mass: 'mass' },
  cases({ v, k, pick }) {
    // A top hinge is pulled off the wall, a bottom one pressed on. The plate is on a wall: x up, z out.
    const way = pick.hinge === 'top' ? 1 : -1;
    const one = (name: string, P: number, out: number, along: number): CaseOf => ({
      name,
      action: 'variable',
      of(w) {
        const W = w.of(WEIGHT, { m: v.mass, g_0: G0 }, 'statics');
        const put = { φ: k.dynamic, W, w: v.width, P, s: v.spacing };
        const H = w.of(COUPLE, put, 'statics');
        return {
          fx: -w.of(DOWN, put, 'one hinge carries it all, common practice'),
          fy: along * H,
          fz: out * H,
          at: { x: 0, y: 0, z: v.pin },
        };
      },
    });
    return [
      one('open, straight out', 0, way, 0),
      one('open, person on its end', v.person, way, 0),
      one('shut', 0, 0, way),
      one('shut, person on its end', v.person, 0, way),
    ];
  },
  sketch({ v, pick }) {
    const other = pick.hinge === 'top' ? -v.spacing : v.spacing;
    const [low, high] = pick.hinge === 'top' ? [-v.spacing, 0] : [0, v.spacing];
    return [
      {
        from: 'wall',
        shapes: [
          box('fitting', v.pin, low - 80, v.pin + v.width, high + 80),
          line('part', [0, 0], [v.pin, 0]),
          line('part', [0, other], [v.pin, other]),
          box('ground', -40, low - 200, 0, high + 200),
        ],
        handles: [
          { label: 'far edge', at: [v.pin + v.width, (low + high) / 2], drag: (u) => ({ width: Math.max(1, u - v.pin) }) },
          { label: 'other hinge', at: [v.pin, other], drag: (_u, w) => ({ spacing: Math.max(1, Math.abs(w)) }) },
        ],
      },
    ];
  },
  worked: [
    {
      title: '60 kg, 1100 mm wide, hinges 400 mm, 1 kN on its end',
      source: 'Moments by hand: (588.4 × 0.55 + 1000 × 1.1)/0.4 = 3559 N',
      expect: { caseIndex: 1, symbol: 'H', value: 3559, within: 1 },
    },
  ],
});
