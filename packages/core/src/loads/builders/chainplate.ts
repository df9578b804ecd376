import { angleRange, forceRange, lengthRange, momentRange, ratioRange } from '../../units/field-range';
import { formula } from '../../working/formula';
import { builder, options } from '../builder';
import { deg, factor, field, height, rad } from '../common-fields';
import { angleAt, line, outline } from '../sketch';

const TOTAL = formula('P_t', 'k_s·M_30/b', 'N');
const SHARED = formula('P', 's·P_t', 'N');
const WIRE = formula('P', 'k_w·F_wire', 'N');
const F_Z = formula('F_z', 'P·cos(γ)', 'N');
const ACROSS = formula('F_h', 'P·sin(γ)', 'N');
const F_Y = formula('F_y', 'F_h·cos(ψ)', 'N');
const F_X = formula('F_x', 'F_h·sin(ψ)', 'N');

/** A chainplate: the shroud or stay pulls along its own line; by righting moment, or by the wire's breaking load. */
export const chainplate = builder({
  kind: 'chainplate',
  name: 'Shroud, stay, chainplate',
  family: 'rigging',
  icon: 'sailing',
  says: 'The boat’s righting moment taken by the shrouds over the half beam, or the fitting made stronger than its wire.',
  source: 'Skene / Kinney (memory): total shroud load 1.5 × RM30 / half beam; or 1.3 × wire breaking load, common practice',
  decides: 'Rigging with people aloft or below: the local code, the class or a licensed rigger and engineer decide.',
  cautions: [
    'The fitting is to be stronger than its wire (common practice).',
    'Pull off the wire’s own line bends a tang: line it up.',
  ],
  fields: {
    rm30: field(momentRange('Righting moment at 30°'), 12e6, '12 kNm'),
    halfBeam: field(lengthRange('Half beam at the chainplates', 10_000, 'over 0', [300, 4000]), 1200, '1200 mm'),
    share: field(ratioRange('Share of this shroud', 0, 1, true), 0.6, '60 %', 'cap 60 %, lowers share the rest'),
    wire: field(forceRange('Wire breaking load'), 18_000, '18 kN'),
    height: height('Pin height above the plate', 60, [0, 500]),
    lean: field(angleRange('Wire leans from the plate’s normal', 0, 80), rad(11), '11°'),
    heading: field(angleRange('Lean’s heading ahead of abeam', -90, 90), 0, '0°'),
  },
  factors: {
    skene: factor('k_s', 'On righting moment over half beam', 1.5, 'Skene / Kinney (memory)', [1, 5]),
    wire: factor('k_w', 'On the wire’s breaking load', 1.3, 'common practice', [1, 3]),
  },
  picks: { by: { label: 'Sized by', options: options(['moment', 'righting moment'], ['wire', 'wire breaking load']) } },
  unused: (pick) => (pick.by === 'wire' ? ['rm30', 'halfBeam', 'share'] : ['wire']),
  cases: ({ v, k, pick }) => [
    {
      name: pick.by === 'wire' ? 'wire breaks' : 'hard pressed at 30°',
      action: 'variable',
      of(w) {
        const P =
          pick.by === 'wire'
            ? w.of(WIRE, { k_w: k.wire, F_wire: v.wire }, 'common practice: fitting stronger than wire')
            : w.of(
                SHARED,
                { s: v.share, P_t: w.of(TOTAL, { k_s: k.skene, M_30: v.rm30, b: v.halfBeam }, 'Skene / Kinney (memory)') },
                'cap 60 %, lowers share the rest (memory)',
              );
        const fz = w.of(F_Z, { P, γ: deg(v.lean) });
        const across = { F_h: w.of(ACROSS, { P, γ: deg(v.lean) }), ψ: deg(v.heading) };
        return { fx: w.of(F_X, across), fy: w.of(F_Y, across), fz, at: { x: 0, y: 0, z: v.height } };
      },
    },
  ],
  sketch({ v }) {
    const long = Math.max(260, v.height * 3);
    const tip = [-long * Math.sin(v.lean), v.height + long * Math.cos(v.lean)] as const;
    return [
      {
        from: 'aft',
        shapes: [
          outline('fitting', [-18, 0], [18, 0], [16, v.height + 20], [-16, v.height + 20]),
          line('rope', [0, v.height], tip),
        ],
        handles: [
          { label: 'pin', at: [0, v.height], drag: (_u, w) => ({ height: Math.max(0, w) }) },
          { label: 'lean', at: tip, drag: (u, w) => ({ lean: angleAt(w - v.height, -u, [0, 0], 0, rad(80)) }) },
        ],
      },
    ];
  },
  worked: [
    {
      title: 'RM30 12 kN·m, half beam 1.2 m, cap 60 %',
      source: 'Skene’s rule worked by hand: 1.5 × 12/1.2 = 15 kN on all shrouds, 60 % of it 9 kN',
      expect: { caseIndex: 0, symbol: 'P', value: 9000, within: 0.5 },
    },
    {
      title: '18 kN wire',
      source: 'Common practice by hand: 1.3 × 18 = 23.4 kN',
      pick: { by: 'wire' },
      expect: { caseIndex: 0, symbol: 'P', value: 23_400, within: 0.5 },
    },
  ],
});
