import { angleRange, forceRange, lengthRange } from '../../units/field-range';
import { formula } from '../../working/formula';
import { builder, options, type CaseOf } from '../builder';
import { deg, factor, field, height, rad, reach } from '../common-fields';
import { angleAt, circle, line, outline } from '../sketch';

const BRAKE = formula('B', 'μ·N', 'N');
const ARM = formula('F_a', 'B·r/l', 'N');
const BUMP = formula('F', 'a_b·N', 'N');
const SIDE = formula('F', 'a_s·N', 'N');
const LINK = formula('P', 'a_b·N·i', 'N');
const L_X = formula('F_x', 'P·cos(α)', 'N');
const L_Z = formula('F_z', 'P·sin(α)', 'N');

/** Suspension bracket, steering arm, damper or shackle link: what the tyre does, at the bracket. */
export const suspension = builder({
  kind: 'suspension',
  name: 'Suspension, steering, damper, link',
  family: 'suspension',
  icon: 'tire_repair',
  says: 'Braking at the tyre, a bump and a corner brought to the bracket; a damper or link pulls and pushes along its own line.',
  source: 'Common practice: bump 3 g, corner 1 g, braking μ·N at the tyre patch; the arm by statics',
  decides: 'Steering and suspension parts on roads: the local vehicle inspection and a licensed engineer decide.',
  cautions: ['These loads come back millions of times: a static check does not cover fatigue; keep welds off the bends.'],
  fields: {
    wheel: field(forceRange('Wheel load'), 4500, '4.5 kN'),
    radius: field(lengthRange('Tyre radius, loaded', 1000, 'over 0', [150, 700]), 300, '300 mm'),
    arm: field(lengthRange('Arm: bracket to the axle line', 2000, 'over 0', [50, 1500]), 400, '400 mm'),
    height: height('Pin height above the plate', 60, [0, 500]),
    ahead: reach('Pin ahead of the plate centre', 0),
    angle: field(angleRange('Link or damper above level', 0, 90), rad(70), '70°'),
  },
  factors: {
    mu: factor('μ', 'Grip of the tyre', 1, 'common practice', [0.2, 1.6]),
    bump: factor('a_b', 'Bump, × wheel load', 3, 'common practice', [1, 8]),
    side: factor('a_s', 'Corner, × wheel load', 1, 'common practice', [0.2, 3]),
    ratio: factor('i', 'Link force over wheel force', 1, 'from the lever of the link; statics', [0.2, 5]),
  },
  picks: {
    what: {
      label: 'It is a',
      options: options(['bracket', 'spring, arm or axle bracket'], ['link', 'damper, shackle or steering link']),
    },
  },
  unused: (pick) => (pick.what === 'link' ? ['radius', 'arm'] : ['angle']),
  cases({ v, k, pick }) {
    const at = { x: v.ahead, y: 0, z: v.height };
    if (pick.what === 'link') {
      const along = (name: string, way: 1 | -1): CaseOf => ({
        name,
        action: 'variable',
        of(w) {
          const P = way * w.of(LINK, { a_b: k.bump, N: v.wheel, i: k.ratio }, 'common practice');
          const put = { P, α: deg(v.angle) };
          return { fx: w.of(L_X, put), fz: w.of(L_Z, put), at };
        },
      });
      return [along('link pulls', 1), along('link pushes', -1)];
    }
    const sideways = (name: string, way: 1 | -1): CaseOf => ({
      name,
      action: 'variable',
      of: (w) => ({
        fy: way * w.of(SIDE, { a_s: k.side, N: v.wheel }, 'common practice'),
        fz: -w.found('N', v.wheel, 'N', 'wheel load, at the same time'),
        at,
        weight: { fz: -v.wheel },
      }),
    });
    return [
      {
        name: 'braking',
        action: 'variable',
        of(w) {
          const B = w.of(BRAKE, { μ: k.mu, N: v.wheel }, 'common practice');
          const fa = w.of(ARM, { B, r: v.radius, l: v.arm }, 'statics: brake torque held by the arm');
          return {
            fx: -w.found('F_x', B, 'N', 'braking force, aft'),
            fz: -w.found('F_z', fa + v.wheel, 'N', 'brake torque at the arm and the wheel load'),
            at,
            weight: { fz: -v.wheel },
          };
        },
      },
      { name: 'bump', action: 'variable', of: (w) => ({ fz: -w.of(BUMP, { a_b: k.bump, N: v.wheel }, 'common practice'), at }) },
      {
        name: 'rebound',
        action: 'variable',
        of: (w) => ({ fz: w.found('F_z', v.wheel, 'N', 'hanging wheel and damper, 1 × wheel load, common practice'), at }),
      },
      sideways('corner to port', 1),
      sideways('corner to starboard', -1),
    ];
  },
  sketch({ v, pick }) {
    const long = 260;
    const tip = [v.ahead + long * Math.cos(v.angle), v.height + long * Math.sin(v.angle)] as const;
    const eye = circle('part', [v.ahead, v.height], 14);
    const tab = outline(
      'fitting',
      [v.ahead - 45, 0],
      [v.ahead + 45, 0],
      [v.ahead + 22, v.height + 22],
      [v.ahead - 22, v.height + 22],
    );
    return [
      {
        from: 'side',
        shapes:
          pick.what === 'link'
            ? [tab, eye, line('rope', [v.ahead, v.height], tip)]
            : [
                tab,
                eye,
                line('part', [v.ahead, v.height], [v.ahead - v.arm, v.height]),
                circle('ground', [v.ahead - v.arm, v.height], v.radius),
              ],
        handles: [
          { label: 'pin', at: [v.ahead, v.height], drag: (u, w) => ({ ahead: Math.max(0, u), height: Math.max(0, w) }) },
          pick.what === 'link'
            ? { label: 'link angle', at: tip, drag: (u, w) => ({ angle: angleAt(u, w, [v.ahead, v.height], 0, rad(90)) }) }
            : { label: 'axle', at: [v.ahead - v.arm, v.height], drag: (u) => ({ arm: Math.max(1, v.ahead - u) }) },
        ],
      },
    ];
  },
  worked: [
    {
      title: '4.5 kN wheel, tyre 300 mm, arm 400 mm, μ 1',
      source: 'Lever by hand: 4.5 kN × 300/400 = 3.375 kN',
      expect: { caseIndex: 0, symbol: 'F_a', value: 3375, within: 0.5 },
    },
  ],
});
