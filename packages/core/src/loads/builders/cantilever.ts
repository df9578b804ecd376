import { angleRange } from '../../units/field-range';
import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, options } from '../builder';
import { deg, factor, field, height, mass, rad, reach } from '../common-fields';
import { directionName, fanAngles } from '../load-case';
import { angleAt, box, line } from '../sketch';

const F = formula('F', 'φ·m·g_0', 'N');
const LEAD = formula('F_lead', 'F·sin(λ)', 'N');
const X = formula('x', 'R·cos(θ)', 'mm');
const Y = formula('y', 'R·sin(θ)', 'mm');
const M = formula('M', 'F·R', 'N·mm');

/** Arch, davit, crane or any arm with a mass at its end, swung through its arc. */
export const cantilever = builder({
  kind: 'cantilever',
  name: 'Arch, davit, crane',
  family: 'davit',
  icon: 'precision_manufacturing',
  says: 'A hung mass at its reach, with a dynamic factor, at each side of its swing; the moment is mass times reach.',
  source: 'Common practice: M = φ·m·g·reach, dynamic factor 2',
  decides:
    'Lifting and davits: local lifting rules decide, likely EN 13852 or the flag’s davit rules, with a proof load before service.',
  cautions: [
    'A boat hung in davits collects rain and sea: take it full.',
    'Side lead (the load not plumb) twists the foot: keep that case.',
  ],
  fields: {
    mass: mass('Hung mass', 90),
    reach: reach('Reach', 900, [50, 6000]),
    height: height('Height of the head', 1200, [50, 6000]),
    swing: field(angleRange('Swing to each side', 0, 90), rad(90), '90°'),
    lead: field(angleRange('Load out of plumb', 0, 30), rad(5), '5°'),
  },
  factors: { dynamic: factor('φ', 'Dynamic factor', 2, 'common practice', [1, 5]) },
  picks: {
    mount: { label: 'Plate stands on', options: options(['deck', 'a deck or roof'], ['wall', 'a wall or transom (x up)']) },
  },
  takeOff: { mass: 'mass' },
  cases({ v, k, pick }) {
    const wall = pick.mount === 'wall';
    return fanAngles(v.swing, 3).flatMap((theta) =>
      (v.lead > 0 ? [0, 1] : [0]).map((lead) => ({
        name: `${directionName(theta)}${lead ? ', out of plumb' : ''}`,
        action: 'variable' as const,
        of(w) {
          const f = w.of(F, { φ: k.dynamic, m: v.mass, g_0: G0 }, 'common practice');
          w.of(M, { F: f, R: v.reach }, 'overturning, by hand');
          const side = lead ? w.of(LEAD, { F: f, λ: deg(v.lead) }, 'the load swings across the arm, common practice') : 0;
          const put = { R: v.reach, θ: deg(theta) };
          const x = w.of(X, put);
          const y = w.of(Y, put);
          // Across the arm: at right angles to where it points.
          const across = { a: -Math.sin(theta) * side, b: Math.cos(theta) * side };
          return wall
            ? { fx: -f, fy: across.b, fz: across.a, at: { x: v.height, y, z: x } }
            : { fx: across.a, fy: across.b, fz: -f, at: { x, y, z: v.height } };
        },
      })),
    );
  },
  sketch({ v, pick }) {
    const wall = pick.mount === 'wall';
    const tip = [v.reach * Math.cos(v.swing), v.reach * Math.sin(v.swing)] as const;
    return [
      {
        from: wall ? 'wall' : 'side',
        shapes: [
          ...(wall
            ? [line('fitting', [0, 0], [v.reach, v.height])]
            : [box('fitting', -35, 0, 35, v.height), line('fitting', [0, v.height], [v.reach, v.height])]),
          line('rope', [v.reach, v.height], [v.reach, v.height * 0.45]),
          box('part', v.reach - 110, v.height * 0.45 - 150, v.reach + 110, v.height * 0.45),
        ],
        handles: [
          { label: 'head', at: [v.reach, v.height], drag: (u, w) => ({ reach: Math.max(0, u), height: Math.max(0, w) }) },
        ],
      },
      {
        from: wall ? 'wall plan' : 'plan',
        shapes: [line('fitting', [0, 0], tip), line('fitting', [0, 0], [v.reach, 0]), line('fitting', [0, 0], [tip[0], -tip[1]])],
        handles: [{ label: 'swing', at: tip, drag: (u, w) => ({ swing: angleAt(u, Math.abs(w), [0, 0], 0, rad(90)) }) }],
      },
    ];
  },
  worked: [
    {
      title: '90 kg at 900 mm, dynamic factor 2',
      source: 'By hand: 2 × 90 kg × 9.80665 m/s² × 0.9 m = 1589 N·m',
      expect: { caseIndex: 2, symbol: 'M', value: 1_588_677, within: 100 },
    },
  ],
});
