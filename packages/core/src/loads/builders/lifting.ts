import { angleRange, countRange } from '../../units/field-range';
import { refuse } from '../../units/refusal';
import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, options } from '../builder';
import { deg, factor, field, height, mass, rad } from '../common-fields';
import { angleAt, circle, line, outline } from '../sketch';

const W = formula('W', 'φ·m·g_0', 'N');
const T = formula('T', 'W/(n·sin(θ))', 'N');
const F_Z = formula('F_z', 'T·sin(θ)', 'N');
const F_H = formula('F_h', 'T·cos(θ)', 'N');
const OUT = formula('F_y', 'T·sin(ψ)', 'N');

/** A lifting eye under one leg of a sling. */
export const lifting = builder({
  kind: 'lifting',
  name: 'Lifting eye, slings',
  family: 'lifting',
  icon: 'phishing',
  says: 'The load over the legs that really carry, along the leg; and again with the leg swung out of the eye’s plane.',
  source: 'Statics: T = W/(n·sin θ). Four legs on a rigid load count as two: common practice; EN 13414-1 counts 2.1 to 45°',
  decides: 'Lifting: local lifting rules decide, likely EN 13155 or ASME BTH-1, with a proof load before service.',
  cautions: ['An eye loaded out of its plane loses most of its strength: line it up with the leg.'],
  fields: {
    mass: mass('Load lifted', 900),
    legs: field(countRange('Sling legs', 1, 4), 2, '2'),
    angle: field(angleRange('Sling angle from level, θ', 0, 90, true), rad(60), '60°'),
    height: height('Eye height above the plate', 45, [5, 500]),
    swing: field(angleRange('Swing out of the eye’s plane', 0, 45), rad(10), '10°'),
  },
  factors: { dynamic: factor('φ', 'Dynamic factor', 1.2, 'common practice; take the crane’s own', [1, 4]) },
  picks: {
    four: {
      label: 'Of three or four legs',
      options: options(
        ['two', 'two carry (rigid load)'],
        ['all', 'all carry (proved equal)'],
        ['en', '2.1 × one leg (EN 13414-1)'],
      ),
    },
  },
  takeOff: { mass: 'mass' },
  refuses: ({ v, pick }) =>
    pick.four === 'en' && v.legs >= 3 && v.angle < rad(45) - 1e-9
      ? refuse(
          'Sling angle from level, θ',
          `${deg(v.angle).toFixed(1)}° with 2.1 × one leg`,
          '45° to 90° for EN 13414-1’s 2.1; or let two legs carry',
        )
      : undefined,
  cases({ v, k, pick }) {
    const carrying = v.legs <= 2 ? v.legs : pick.four === 'two' ? 2 : pick.four === 'all' ? v.legs : 2.1;
    const theta = v.legs === 1 ? Math.PI / 2 : v.angle;
    const why =
      v.legs <= 2
        ? 'statics'
        : pick.four === 'two'
          ? 'only two of the legs count, common practice'
          : pick.four === 'en'
            ? 'EN 13414-1: the load is 2.1 × one leg’s, whatever the angle to 45°; n·sin θ stands for it'
            : 'all legs counted: the job says they are proved equal';
    const swings = v.swing > 0 ? [0, v.swing, -v.swing] : [0];
    return swings.map((psi) => ({
      name: psi === 0 ? 'along the leg' : `swung ${Math.abs(deg(psi)).toFixed(0)}° to ${psi > 0 ? 'port' : 'starboard'}`,
      action: 'variable',
      of(w) {
        const load = w.of(W, { φ: k.dynamic, m: v.mass, g_0: G0 }, 'dynamic factor: common practice');
        const n = v.legs > 2 && pick.four === 'en' ? carrying / Math.sin(theta) : carrying;
        const put = { W: load, n, θ: deg(theta) };
        const tension = w.of(T, put, why);
        const fy = psi === 0 ? 0 : w.of(OUT, { T: tension, ψ: deg(psi) }, 'common practice');
        return {
          fx: w.of(F_H, { T: tension, θ: deg(theta) }),
          fy,
          fz: w.of(F_Z, { T: tension, θ: deg(theta) }),
          at: { x: 0, y: 0, z: v.height },
        };
      },
    }));
  },
  sketch({ v }) {
    const long = Math.max(320, v.height * 4);
    const theta = v.legs === 1 ? Math.PI / 2 : v.angle;
    const tip = [long * Math.cos(theta), v.height + long * Math.sin(theta)] as const;
    return [
      {
        from: 'side',
        shapes: [
          outline(
            'fitting',
            [-v.height * 1.1 - 10, 0],
            [v.height * 1.1 + 10, 0],
            [v.height * 0.5, v.height * 1.5],
            [-v.height * 0.5, v.height * 1.5],
          ),
          circle('part', [0, v.height], Math.max(6, v.height * 0.22)),
          line('rope', [0, v.height], tip),
        ],
        handles: [
          { label: 'eye', at: [0, v.height], drag: (_u, w) => ({ height: Math.max(0, w) }) },
          ...(v.legs === 1
            ? []
            : [
                {
                  label: 'sling angle',
                  at: tip,
                  drag: (u: number, w: number) => ({ angle: angleAt(u, w, [0, v.height], rad(1), rad(90)) }),
                },
              ]),
        ],
      },
    ];
  },
  worked: [
    {
      title: 'Two legs at 60°: 0.577 W each',
      source: 'Trigonometric table: 1/(2·sin 60°) = 0.577; W = 1000 kg × 9.80665, no dynamic factor',
      v: { mass: [1000, '1000 kg'] },
      k: { dynamic: 1 },
      expect: { caseIndex: 0, symbol: 'T', value: 0.577 * 9806.65, within: 5 },
    },
    {
      title: 'Two legs at 45°: 0.707 W each',
      source: 'Trigonometric table: 1/(2·sin 45°) = 0.707',
      v: { mass: [1000, '1000 kg'], angle: [rad(45), '45°'] },
      k: { dynamic: 1 },
      expect: { caseIndex: 0, symbol: 'T', value: 0.707 * 9806.65, within: 5 },
    },
  ],
});
