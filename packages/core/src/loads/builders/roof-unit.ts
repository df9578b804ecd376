import { areaRange, speedRange } from '../../units/field-range';
import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, type CaseOf } from '../builder';
import { factor, field, height, mass, reach, share } from '../common-fields';
import { box } from '../sketch';

const Q = formula('q', '0.613·V²', 'N/m²');
const DRAG = formula('F', 'q·C_f·A_f·s/1000000', 'N');
const LIFT = formula('U', 'q·C_up·A_t·s/1000000', 'N');
const DEAD = formula('G', 'k_G·m·g_0·s', 'N');
const F_Z = formula('F_z', 'U − G', 'N');

/** A unit on a roof or tower: wind on its face and over its top, with part of its weight holding it down. */
export const roofUnit = builder({
  kind: 'roof-unit',
  name: 'Roof or tower unit in wind',
  family: 'roof',
  icon: 'air',
  says: 'Wind on the face overturns, wind over the top lifts, and only six tenths of the weight may be counted against it.',
  source: 'ASCE 7: q = 0.613 V², 0.6 D against wind (memory)',
  decides:
    'Building equipment: the local wind code decides, likely EN 1991-1-4 or ASCE 7, with its own exposure and gust factors.',
  cautions: ['V and the shape factors here are the unit’s own: exposure, height and gust of the site come from the code.'],
  fields: {
    mass: mass('Unit mass, dry', 60),
    face: field(areaRange('Face the wind meets'), 0.8e6, '0.8 m²'),
    top: field(areaRange('Top the wind lifts', '0'), 0.6e6, '0.6 m²'),
    wind: field(speedRange('Design wind speed'), 40, '40 m/s'),
    height: height('Centre of the face above the plate', 450, [20, 5000]),
    depth: reach('Its depth, for the picture', 700),
    share,
  },
  factors: {
    force: factor('C_f', 'Force coefficient of the face', 1.9, 'ASCE 7 rooftop equipment, (GC_r) (memory)', [0.3, 3]),
    lift: factor('C_up', 'Uplift coefficient of the top', 1.5, 'ASCE 7 rooftop equipment, (GC_r) (memory)', [0, 3]),
    dead: factor('k_G', 'Part of the weight counted', 0.6, 'ASCE 7 load combination 0.6 D + 0.6 W (memory)', [0, 1]),
  },
  picks: {},
  takeOff: { mass: 'mass', z: 'height' },
  cases({ v, k }) {
    const at = { x: 0, y: 0, z: v.height };
    const one = (name: string, x: number, y: number): CaseOf => ({
      name,
      action: 'variable',
      wind: true,
      of(w) {
        const q = w.of(Q, { V: v.wind }, 'ASCE 7, V in m/s');
        const f = w.of(DRAG, { q, C_f: k.force, A_f: v.face, s: v.share }, 'areas in mm²');
        const U = w.of(LIFT, { q, C_up: k.lift, A_t: v.top, s: v.share });
        const G = w.of(DEAD, { k_G: k.dead, m: v.mass, g_0: G0, s: v.share }, 'ASCE 7 (memory)');
        return { fx: f * x, fy: f * y, fz: w.of(F_Z, { U, G }), at };
      },
    });
    return [
      one('wind from aft', 1, 0),
      one('wind from ahead', -1, 0),
      one('wind from starboard', 0, 1),
      one('wind from port', 0, -1),
    ];
  },
  sketch: ({ v }) => {
    const half = Math.max(80, v.depth / 2);
    const low = Math.max(0, v.height - half * 0.7);
    return [
      {
        from: 'side',
        shapes: [
          box('fitting', -half, low, half, v.height + half * 0.7),
          box('part', -half * 0.8, 0, -half * 0.6, low),
          box('part', half * 0.6, 0, half * 0.8, low),
        ],
        handles: [{ label: 'centre of the face', at: [0, v.height], drag: (_u, w) => ({ height: Math.max(0, w) }) }],
      },
    ];
  },
  worked: [
    {
      title: 'Wind of 100 mph on the unit',
      source: 'ASCE 7 imperial form: 0.00256 × 100² = 25.6 psf = 1226 N/m²',
      v: { wind: [44.704, '100 mph'] },
      expect: { caseIndex: 0, symbol: 'q', value: 1226, within: 2 },
    },
  ],
});
