import { countRange, forceRange, lengthRange, angleRange } from '../../units/field-range';
import { formula } from '../../working/formula';
import { builder, options, type CaseOf } from '../builder';
import { deg, factor, field, height, rad } from '../common-fields';
import { directionName, fanAngles } from '../load-case';
import { angleAt, box, circle, line } from '../sketch';

const R_N = formula('r_n', 'r_1 + (n − 1)·d_r', 'mm');
const P_N = formula('P', 'k·P_1·r_1/r_n', 'N');
const F_X = formula('F_x', 'P·cos(β)·cos(θ)', 'N');
const F_Y = formula('F_y', 'P·cos(β)·sin(θ)', 'N');
const F_Z = formula('F_z', 'P·sin(β)', 'N');

/** A winch: stall pull at the layer on the drum, each side angle level, and again at the up angle where there is one. */
export const winch = builder({
  kind: 'winch',
  name: 'Winch',
  family: 'winch',
  icon: 'cable',
  says: 'The pull at drum height, across the fan of side angles, level and lifted; the first layer pulls hardest.',
  source: 'Statics; pull on layer n = rated × r1/rn',
  decides:
    'Where people stand near the line or a load hangs on it, local lifting and winching rules and a licensed engineer decide.',
  cautions: ['The rated pull holds on the first layer; a full drum pulls less and stalls later.'],
  fields: {
    pull: field(forceRange('Rated pull, first layer'), 5000, '5 kN'),
    drumHeight: height('Line height above the base', 120, [30, 800]),
    drumRadius: field(lengthRange('Drum radius to first layer', 1000, 'over 0', [10, 400]), 32, '32 mm'),
    rope: field(lengthRange('Rope or wire diameter', 60), 6, '6 mm'),
    layer: field(countRange('Layer on the drum', 1, 12), 1, '1'),
    sideAngle: field(angleRange('Pull angle to each side', 0, 90), rad(20), '20°'),
    upAngle: field(angleRange('Pull angle up', 0, 80), 0, '0°'),
    brake: field(forceRange('Brake holding (0: none beyond the pull)', '0'), 0, '0 N'),
  },
  factors: { stall: factor('k', 'Stall pull over rated', 1, 'maker’s sheet; 1.0 where it says stall', [0.5, 3]) },
  picks: {
    fan: {
      label: 'Pulls in the fan',
      options: options(
        ['3', '3 across the fan'],
        ['1', 'ahead only'],
        ['5', '5 across the fan'],
        ['7', '7 across the fan'],
        ['9', '9 across the fan'],
      ),
    },
  },
  cases({ v, k, pick }) {
    const at = { x: 0, y: 0, z: v.drumHeight };
    const pulled = (name: string, theta: number, beta: number): CaseOf => ({
      name,
      action: 'variable',
      of(w) {
        const r_n = w.of(R_N, { r_1: v.drumRadius, n: v.layer, d_r: v.rope }, 'each layer one rope thicker, common practice');
        const P = w.of(P_N, { k: k.stall, P_1: v.pull, r_1: v.drumRadius, r_n }, 'statics: same torque on a larger radius');
        const put = { P, β: deg(beta), θ: deg(theta) };
        return { fx: w.of(F_X, put), fy: w.of(F_Y, put), fz: w.of(F_Z, put), at };
      },
    });
    const out = (v.upAngle > 0 ? [0, v.upAngle] : [0]).flatMap((beta) =>
      fanAngles(v.sideAngle, Number(pick.fan)).map((theta) => pulled(directionName(theta, beta), theta, beta)),
    );
    if (v.brake > 0)
      out.push({
        name: 'brake holds',
        action: 'variable',
        of: (w) => ({ fx: w.found('F_x', v.brake, 'N', 'brake holding load, ahead'), at }),
      });
    return out;
  },
  sketch({ v }) {
    const long = Math.max(220, v.drumHeight * 1.5);
    const full = v.drumRadius + (v.layer - 1) * v.rope;
    const tip = (angle: number): readonly [number, number] => [long * Math.cos(angle), long * Math.sin(angle)];
    const up = tip(v.upAngle);
    const side = tip(v.sideAngle);
    return [
      {
        from: 'side',
        shapes: [
          box('part', -v.drumRadius * 1.6, 0, v.drumRadius * 1.6, Math.max(10, v.drumHeight - full)),
          circle('fitting', [0, Math.max(full, v.drumHeight - full)], full * 1.25),
          circle('part', [0, Math.max(full, v.drumHeight - full)], v.drumRadius),
          line('rope', [0, v.drumHeight], [up[0], v.drumHeight + up[1]]),
        ],
        handles: [
          { label: 'line height', at: [0, v.drumHeight], drag: (_u, w) => ({ drumHeight: Math.max(0, w) }) },
          {
            label: 'angle up',
            at: [up[0], v.drumHeight + up[1]],
            drag: (u, w) => ({ upAngle: angleAt(u, w, [0, v.drumHeight], 0, rad(80)) }),
          },
        ],
      },
      {
        from: 'plan',
        shapes: [
          box('fitting', -full, -full * 2.4, full, full * 2.4),
          line('rope', [0, 0], [side[0], side[1]]),
          line('rope', [0, 0], [side[0], -side[1]]),
        ],
        handles: [
          { label: 'side angle', at: side, drag: (u, w) => ({ sideAngle: angleAt(u, Math.abs(w), [0, 0], 0, rad(90)) }) },
        ],
      },
    ];
  },
  worked: [
    {
      title: '9.5 kN rated, fourth layer of 6 mm on a 32 mm drum',
      source: 'Same torque by hand: 9.5 kN × 32 mm / (32 + 3 × 6) mm = 6.08 kN',
      v: { pull: [9500, '9.5 kN'], layer: [4, '4'] },
      expect: { caseIndex: 1, symbol: 'P', value: 6080, within: 0.5 },
    },
    {
      title: '10 kN, 30° to port',
      source: 'Trigonometric table: cos 30° = 0.8660, sin 30° = 0.5',
      v: { pull: [10_000, '10 kN'], sideAngle: [rad(30), '30°'] },
      expect: { caseIndex: 2, symbol: 'F_x', value: 8660, within: 0.5 },
    },
  ],
});
