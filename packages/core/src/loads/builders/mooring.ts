import { angleRange, areaRange, forceRange, speedRange } from '../../units/field-range';
import { formula } from '../../working/formula';
import { builder, options } from '../builder';
import { deg, factor, field, height, rad } from '../common-fields';
import { directionName, fanAngles } from '../load-case';
import { angleAt, box, line, outline } from '../sketch';

const Q = formula('q', '0.613·V²', 'N/m²');
const WIND = formula('P', 'k_w·C_d·q·A/1000000', 'N');
const LINE = formula('P', 'k_l·F_line', 'N');
const F_X = formula('F_x', 'P·cos(β)·cos(θ)', 'N');
const F_Y = formula('F_y', 'P·cos(β)·sin(θ)', 'N');
const F_Z = formula('F_z', 'P·sin(β)', 'N');

/** Cleat, bollard or windlass: the line's breaking load, or the wind on the boat. */
export const mooring = builder({
  kind: 'mooring',
  name: 'Cleat, bollard, windlass',
  family: 'mooring',
  icon: 'anchor',
  says: 'The fitting takes its line to breaking, or a stated part of it; or the wind’s push on all that stands up.',
  source: 'q = 0.613 V², ASCE 7 (0.00256 V² in psf and mph); fitting outlasts its line: common practice',
  decides: 'Mooring and anchoring: the class or flag rules decide, likely ISO 15084 for small craft.',
  cautions: ['A cleat is to stay when the line goes (common practice); say so where it takes a part only.'],
  fields: {
    breaking: field(forceRange('Line breaking load'), 20_000, '20 kN'),
    windage: field(areaRange('Area the wind meets'), 8e6, '8 m²'),
    wind: field(speedRange('Wind speed'), 25, '25 m/s'),
    height: height('Line height above the plate', 50, [0, 500]),
    sideAngle: field(angleRange('Lead to each side', 0, 90), rad(45), '45°'),
    upAngle: field(angleRange('Lead up', 0, 80), rad(15), '15°'),
  },
  factors: {
    line: factor('k_l', 'Part of the line’s breaking load', 1, 'common practice', [0.2, 2]),
    drag: factor('C_d', 'Drag of what stands in the wind', 1.2, 'common practice for bluff shapes', [0.3, 3]),
    gust: factor('k_w', 'Gust and snatch', 1.5, 'common practice', [1, 4]),
  },
  picks: { by: { label: 'Sized by', options: options(['line', 'the line’s breaking load'], ['wind', 'wind on the boat']) } },
  unused: (pick) => (pick.by === 'wind' ? ['breaking'] : ['windage', 'wind']),
  cases({ v, k, pick }) {
    const ups = v.upAngle > 0 ? [0, v.upAngle] : [0];
    return ups.flatMap((beta) =>
      fanAngles(v.sideAngle, 3).map((theta) => ({
        name: directionName(theta, beta),
        action: 'variable' as const,
        ...(pick.by === 'wind' ? { wind: true as const } : {}),
        of(w) {
          const P =
            pick.by === 'wind'
              ? w.of(WIND, { k_w: k.gust, C_d: k.drag, q: w.of(Q, { V: v.wind }, 'ASCE 7, V in m/s'), A: v.windage }, 'A in mm²')
              : w.of(LINE, { k_l: k.line, F_line: v.breaking }, 'common practice');
          const put = { P, β: deg(beta), θ: deg(theta) };
          return { fx: w.of(F_X, put), fy: w.of(F_Y, put), fz: w.of(F_Z, put), at: { x: 0, y: 0, z: v.height } };
        },
      })),
    );
  },
  sketch({ v }) {
    const long = Math.max(200, v.height * 3);
    const up = [long * Math.cos(v.upAngle), v.height + long * Math.sin(v.upAngle)] as const;
    const side = [long * Math.cos(v.sideAngle), long * Math.sin(v.sideAngle)] as const;
    const top = Math.max(v.height, 20);
    return [
      {
        from: 'side',
        shapes: [
          box('part', -45, 0, -25, top),
          box('part', 25, 0, 45, top),
          outline('fitting', [-115, top + 14], [-50, top - 8], [50, top - 8], [115, top + 14], [50, top + 8], [-50, top + 8]),
          line('rope', [0, v.height], up),
        ],
        handles: [
          { label: 'line height', at: [0, v.height], drag: (_u, w) => ({ height: Math.max(0, w) }) },
          { label: 'lead up', at: up, drag: (u, w) => ({ upAngle: angleAt(u, w, [0, v.height], 0, rad(80)) }) },
        ],
      },
      {
        from: 'plan',
        shapes: [
          outline('fitting', [-115, 0], [-50, -14], [50, -14], [115, 0], [50, 14], [-50, 14]),
          line('rope', [0, 0], side),
          line('rope', [0, 0], [side[0], -side[1]]),
        ],
        handles: [
          { label: 'lead to the side', at: side, drag: (u, w) => ({ sideAngle: angleAt(u, Math.abs(w), [0, 0], 0, rad(90)) }) },
        ],
      },
    ];
  },
  worked: [
    {
      title: 'Wind of 44.7 m/s (100 mph)',
      source: 'ASCE 7 imperial form: 0.00256 × 100² = 25.6 psf = 1226 N/m²',
      v: { wind: [44.704, '100 mph'] },
      pick: { by: 'wind' },
      expect: { caseIndex: 0, symbol: 'q', value: 1226, within: 2 },
    },
  ],
});
