import { forceRange, massRange } from '../../units/field-range';
import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, options, type CaseOf } from '../builder';
import { factor, field, height, reach } from '../common-fields';
import { box, circle, outline } from '../sketch';

const D = formula('D', 'g_0·T·R/(T + R)', 'N');
const F_X = formula('F_x', 'k_D·D', 'N');
const F_Z = formula('F_z', '−k_S·S', 'N');
const CHAIN = formula('F_x', '−k_c·R·g_0', 'N');

/** Hitch receiver or tow point: the D-value along the drawbar with the nose load, and one chain holding the trailer. */
export const towPoint = builder({
  kind: 'tow-point',
  name: 'Hitch receiver, tow point',
  family: 'towing',
  icon: 'rv_hookup',
  says: 'The drawbar pushes and pulls by its D-value while the nose presses down; each chain holds the trailer alone.',
  source: 'UN R55 Annex 5–6: D = g·T·R/(T + R), test ±0.6 D (memory)',
  decides: 'Towing on roads: type approval decides, likely UN R55 or the local equivalent.',
  cautions: [
    'UN R55 tests for fatigue over two million cycles; a static check does not stand in for it.',
    'Two chains, each able to hold the trailer alone (common practice).',
  ],
  fields: {
    vehicle: field(massRange('Towing vehicle, T'), 3500, '3500 kg'),
    trailer: field(massRange('Trailer, R'), 2000, '2000 kg'),
    nose: field(forceRange('Nose load, S', '0'), 100 * G0, '100 kg'),
    height: height('Ball height above the plate', 90, [0, 800]),
    overhang: reach('Ball aft of the plate', 250, [0, 2000]),
  },
  factors: {
    test: factor('k_D', 'Part of D along the drawbar', 0.6, 'UN R55 Annex 6, class A and B (memory)', [0.1, 3]),
    nose: factor('k_S', 'On the nose load', 1, 'UN R55 (memory)', [0.5, 5]),
    chain: factor('k_c', 'On the trailer held by one chain', 1, 'common practice', [0.5, 5]),
  },
  picks: { chains: { label: 'Safety chains on this plate', options: options(['yes', 'yes'], ['no', 'elsewhere']) } },
  cases({ v, k, pick }) {
    const at = { x: -v.overhang, y: 0, z: v.height };
    const drawbar = (name: string, way: 1 | -1): CaseOf => ({
      name,
      action: 'variable',
      of(w) {
        const d = w.of(D, { g_0: G0, T: v.vehicle, R: v.trailer }, 'UN R55 Annex 5 (memory); masses in kg');
        const fx = way * w.of(F_X, { k_D: k.test, D: d }, 'UN R55 Annex 6 (memory)');
        const fz = w.of(F_Z, { k_S: k.nose, S: v.nose }, 'UN R55 (memory)');
        return { fx, fz, at, weight: { fz } };
      },
    });
    const out = [drawbar('trailer pushes', 1), drawbar('trailer pulls', -1)];
    if (pick.chains === 'yes')
      out.push({
        name: 'one chain holds the trailer',
        action: 'accidental',
        of: (w) => ({ fx: w.of(CHAIN, { k_c: k.chain, R: v.trailer, g_0: G0 }, 'common practice'), at }),
      });
    return out;
  },
  sketch: ({ v }) => [
    {
      from: 'side',
      shapes: [
        outline('fitting', [-v.overhang - 30, v.height - 30], [-v.overhang + 30, v.height - 30], [40, 0], [-40, 0]),
        circle('part', [-v.overhang, v.height], 25),
        box('rope', -v.overhang - 420, v.height - 25, -v.overhang - 20, v.height + 35),
      ],
      handles: [
        { label: 'ball', at: [-v.overhang, v.height], drag: (u, w) => ({ overhang: Math.max(0, -u), height: Math.max(0, w) }) },
      ],
    },
  ],
  worked: [
    {
      title: 'T 3.5 t, R 2.0 t',
      source: 'UN R55 Annex 5 formula by hand: 9.80665 × 3.5 × 2.0/5.5 = 12.48 kN',
      expect: { caseIndex: 0, symbol: 'D', value: 12_481, within: 1 },
    },
  ],
});
