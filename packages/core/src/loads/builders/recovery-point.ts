import { angleRange, massRange } from '../../units/field-range';
import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, options } from '../builder';
import { deg, factor, field, height, rad, reach } from '../common-fields';
import { directionName, fanAngles } from '../load-case';
import { angleAt, circle, line, outline, type Shape, type Spot, type View } from '../sketch';

/** Pull over weight for how stuck it is (common practice). */
const STUCK: Readonly<Record<string, number>> = { rolling: 0.5, wheels: 1, body: 1.5, bog: 2 };

const P = formula('P', 'c·k·m·g_0', 'N');
const F_X = formula('F_x', 'P·cos(θ)', 'N');
const F_Y = formula('F_y', 'P·sin(θ)', 'N');
const F_Z = formula('F_z', 'P·cos(θ)', 'N');

type Seen = Readonly<Record<'height' | 'ahead' | 'offAxis', number>>;

/** The rope to each side as it is pulled, u along the pull. */
const ropes = (from: Spot, off: number): Shape[] =>
  [-1, 1].map((side) => line('rope', from, [from[0] + 260 * Math.cos(off), from[1] + side * 260 * Math.sin(off)]));

function along(v: Seen): View<'height' | 'ahead' | 'offAxis'>[] {
  const tip = [v.ahead + 260 * Math.cos(v.offAxis), 260 * Math.sin(v.offAxis)] as const;
  return [
    {
      from: 'side',
      shapes: [
        outline('fitting', [-40, 0], [40, 0], [v.ahead + 28, v.height + 28], [v.ahead - 28, v.height + 28]),
        circle('part', [v.ahead, v.height], 12),
      ],
      handles: [{ label: 'eye', at: [v.ahead, v.height], drag: (u, w) => ({ ahead: Math.max(0, u), height: Math.max(0, w) }) }],
    },
    {
      from: 'plan',
      shapes: [circle('fitting', [v.ahead, 0], 26), ...ropes([v.ahead, 0], v.offAxis)],
      handles: [{ label: 'off axis', at: tip, drag: (u, w) => ({ offAxis: angleAt(u, Math.abs(w), [v.ahead, 0], 0, rad(45)) }) }],
    },
  ];
}

function offFace(v: Seen): View<'height' | 'ahead' | 'offAxis'>[] {
  const tip = [v.height + 260 * Math.cos(v.offAxis), 260 * Math.sin(v.offAxis)] as const;
  return [
    {
      from: 'wall',
      shapes: [
        outline('fitting', [0, -40], [0, 40], [v.height + 28, v.ahead + 28], [v.height + 28, v.ahead - 28]),
        circle('part', [v.height, v.ahead], 12),
        line('rope', [v.height, v.ahead], [v.height + 260, v.ahead]),
      ],
      handles: [{ label: 'eye', at: [v.height, v.ahead], drag: (u, w) => ({ height: Math.max(0, u), ahead: Math.max(0, w) }) }],
    },
    {
      from: 'wall plan',
      shapes: [circle('fitting', [v.height, 0], 26), ...ropes([v.height, 0], v.offAxis)],
      handles: [
        { label: 'off axis', at: tip, drag: (u, w) => ({ offAxis: angleAt(u, Math.abs(w), [v.height, 0], 0, rad(45)) }) },
      ],
    },
  ];
}

/** A recovery point: a multiple of the vehicle's weight, up to 45° off its axis. */
export const recoveryPoint = builder({
  kind: 'recovery-point',
  name: 'Recovery point',
  family: 'recovery',
  icon: 'swap_driving_apps_wheel',
  says: 'A stuck vehicle pulled out by a multiple of its weight, ahead and off axis.',
  source: 'Common practice: 0.5 to 2 × weight by how stuck it is, up to 45° off axis',
  decides: 'Recovery: the rope’s and shackle’s own limits and local winching rules decide; nobody stands in the line.',
  cautions: [
    'A shackle’s working load limit is not what holds the plate: the plate must outlast the shackle and the strap.',
    'A kinetic strap can pull well over 2 × weight; use its maker’s figure.',
  ],
  fields: {
    mass: field(massRange('Vehicle mass, loaded'), 2800, '2800 kg'),
    height: height('Eye height above the plate', 40, [0, 400]),
    ahead: reach('Eye ahead of the plate centre, along x', 60),
    offAxis: field(angleRange('Off axis to each side', 0, 45), rad(30), '30°'),
  },
  factors: { snatch: factor('k', 'On the stuck pull', 1, 'common practice', [0.5, 3]) },
  picks: {
    stuck: {
      label: 'How stuck',
      options: options(
        ['wheels', 'to the wheels: 1 × weight'],
        ['rolling', 'rolling, soft ground: 0.5 ×'],
        ['body', 'to the body: 1.5 ×'],
        ['bog', 'in the bog: 2 ×'],
      ),
    },
    mount: {
      label: 'Plate stands on',
      options: options(
        ['along', 'a rail or floor that lies along the pull'],
        ['face', 'a face that the pull comes off: a bumper (x up)'],
      ),
      before: 'along',
    },
  },
  cases: ({ v, k, pick }) =>
    fanAngles(v.offAxis, 3).map((theta) => ({
      name: directionName(theta),
      action: 'variable',
      of(w) {
        const p = w.of(P, { c: STUCK[pick.stuck]!, k: k.snatch, m: v.mass, g_0: G0 }, 'common practice');
        const put = { P: p, θ: deg(theta) };
        const at = { x: v.ahead, y: 0, z: v.height };
        if (pick.mount === 'face') return { fz: w.of(F_Z, put), fy: w.of(F_Y, put), at };
        return { fx: w.of(F_X, put), fy: w.of(F_Y, put), at };
      },
    })),
  sketch: ({ v, pick }) => (pick.mount === 'face' ? offFace(v) : along(v)),
  worked: [
    {
      title: '2800 kg to the body',
      source: 'By hand: 1.5 × 2800 kg × 9.80665 m/s² = 41.19 kN',
      pick: { stuck: 'body' },
      expect: { caseIndex: 1, symbol: 'P', value: 41_188, within: 1 },
    },
    {
      title: 'Off a bumper’s face, 30° to the side',
      source: 'By hand: 2800 kg × 9.80665 m/s² × cos 30° = 23.78 kN off the face, and half of 27.46 kN along it',
      pick: { mount: 'face' },
      expect: { caseIndex: 2, symbol: 'F_z', value: 23_780, within: 1 },
    },
  ],
});
