import { lengthRange } from '../../units/field-range';
import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, type CaseOf } from '../builder';
import { factor, field, height, mass, reach, share } from '../common-fields';
import { box } from '../sketch';

const F = formula('F', 'a·m·g_0·s', 'N');

/** Cradle, locker, raft or tank: what stands on it, shaken each way. */
export const cradle = builder({
  kind: 'cradle',
  name: 'Cradle, locker, raft, tank',
  family: 'stowage',
  icon: 'inventory_2',
  says: 'The mass at its centre, thrown down, up, sideways, forward and aft by the sea or the road.',
  source: 'Common practice: 3 g down, 1.5 g sideways, forward and aft; 1 g net up',
  decides: 'Stowage: the class, flag or load-securing rules decide, likely EN 12195-1 on roads.',
  cautions: ['A part-filled tank surges: baffle it, or take the fore and side figures up.'],
  fields: {
    mass: mass('Mass, full', 120),
    height: height('Centre of mass above the plate', 300, [10, 2000]),
    ahead: field(lengthRange('Centre of mass ahead of the plate', 5000, 'minus'), 0, '0 mm'),
    toPort: field(lengthRange('Centre of mass to port', 5000, 'minus'), 0, '0 mm'),
    size: reach('Its width, for the picture', 500),
    share,
  },
  factors: {
    down: factor('a_down', 'Down, × g', 3, 'common practice', [1, 20]),
    side: factor('a_side', 'Sideways, × g', 1.5, 'common practice', [0.1, 20]),
    fore: factor('a_fore', 'Forward and aft, × g', 1.5, 'common practice', [0.1, 20]),
    up: factor('a_up', 'Up, net, × g', 1, 'common practice', [0, 20]),
  },
  picks: {},
  takeOff: { mass: 'mass', x: 'ahead', y: 'toPort', z: 'height' },
  cases({ v, k }) {
    const at = { x: v.ahead, y: v.toPort, z: v.height };
    const one = (name: string, a: number, x: number, y: number, z: number): CaseOf => ({
      name,
      action: 'variable',
      of(w) {
        const f = w.of(F, { a, m: v.mass, g_0: G0, s: v.share }, 'common practice');
        // It weighs 1 g all the while it is thrown sideways or forward.
        const weight = z === 0 ? w.of(F, { a: 1, m: v.mass, g_0: G0, s: v.share }, 'its weight, at the same time') : 0;
        return { fx: f * x, fy: f * y, fz: f * z - weight, at, ...(weight > 0 ? { weight: { fz: -weight } } : {}) };
      },
    });
    return [
      one('down', k.down, 0, 0, -1),
      one('to port', k.side, 0, 1, 0),
      one('to starboard', k.side, 0, -1, 0),
      one('forward', k.fore, 1, 0, 0),
      one('aft', k.fore, -1, 0, 0),
      ...(k.up > 0 ? [one('up', k.up, 0, 0, 1)] : []),
    ];
  },
  sketch: ({ v }) => {
    const half = Math.max(40, v.size / 2);
    return [
      {
        from: 'side',
        shapes: [
          box('fitting', v.ahead - half, Math.max(0, v.height - half * 0.8), v.ahead + half, v.height + half * 0.8),
          box('part', -half * 0.6, 0, half * 0.6, Math.max(12, v.height - half * 0.8)),
        ],
        handles: [{ label: 'centre of mass', at: [v.ahead, v.height], drag: (u, w) => ({ ahead: u, height: Math.max(0, w) }) }],
      },
      {
        from: 'plan',
        shapes: [box('fitting', v.ahead - half, v.toPort - half * 0.7, v.ahead + half, v.toPort + half * 0.7)],
        handles: [{ label: 'centre of mass, from above', at: [v.ahead, v.toPort], drag: (u, w) => ({ ahead: u, toPort: w }) }],
      },
    ];
  },
  worked: [
    {
      title: '120 kg, 3 g down',
      source: 'By hand: 3 × 120 kg × 9.80665 m/s² = 3530 N',
      expect: { caseIndex: 0, symbol: 'F', value: 3530.4, within: 0.1 },
    },
  ],
});
