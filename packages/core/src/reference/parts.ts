import type { FreePart } from '../job/free-part';
import { fromSheet } from '../job/values';
import { joint, linkValues, loaded, q, throughBase, type Change, type ReferenceValue } from './jobs';

const degrees = (v: number) => fromSheet((v * Math.PI) / 180, `${v}°`);
const made =
  (stock: FreePart['stock'], at: readonly number[], works: FreePart['works'], metal = 'S275'): Change =>
  (j) => ({
    ...j,
    parts: [
      {
        id: 'P1',
        name: 'Part',
        use: 'other',
        metal,
        count: 1,
        stock,
        holes: at.map((x, i) => ({ id: `H${i + 1}`, x, y: 0, d: q(11), purpose: 'fastener' as const })),
        ...(works ? { works } : {}),
      },
    ],
  });
const bar = (width: number, thickness: number, long: number): FreePart['stock'] => ({
  form: 'flat bar',
  width: q(width),
  thickness: q(thickness),
  legs: [q(long)],
  bends: [],
});
const whole = q(1);
const eyeBolt: Change = (j) => ({
  ...j,
  rated: [{ id: 'R1', name: 'Eye bolt M12', kind: 'eye bolt', wll: q(3400), axis: 'z', carries: whole }],
});

/** Figures of what the shop makes or buys besides the plate. */
export const parts: readonly ReferenceValue[] = linkValues([
  [
    'bracket',
    'flat bar 50 × 10, 1 kN at 100 mm from its bolt of 11: 6·10⁵/(39·100) + 1000/390',
    'statics by hand',
    600_000 / 3900 + 1000 / 390,
    0.001,
    'demand',
    made(bar(50, 10, 200), [-50, 50], { as: 'arm', carries: whole, from: 'H1', to: 'H2' }),
    loaded({ fz: 1000 }),
  ],
  [
    'brace',
    'flat bar 50 × 10, 600 mm, S275: λ 2.394, Φ 3.903, χ 0.1433',
    'EN 1993-1-1 §6.3.1 curve c by hand',
    0.1433 * 500 * 275,
    0.002,
    'capacity',
    made(bar(50, 10, 700), [-300, 300], { as: 'brace', carries: whole, from: 'H1', to: 'H2' }),
    loaded({ fz: 1000 }),
  ],
  [
    'block',
    'chock 60 × 40 without holes, 12 kN: 5 MPa',
    'statics',
    5,
    0.001,
    'demand',
    made(bar(40, 10, 60), [], { as: 'block', carries: whole }),
    loaded({ fz: -12_000 }),
  ],
  [
    'block',
    'wedge of 14° on μ 0.2: tan 14° over it',
    'statics',
    0.249328 / 0.2,
    0.001,
    'utilisation',
    (j) => {
      const wedge = { as: 'block' as const, carries: whole, angle: degrees(14) };
      return joint({ friction: q(0.2) })(made(bar(40, 10, 60), [], wedge)(j));
    },
    loaded({ fz: -100 }),
  ],
  ['rated-fitting', 'eye bolt M12 straight: 3.4 kN', 'DIN 580 (memory)', 3400, 1e-6, 'capacity', eyeBolt, loaded({ fz: 1000 })],
  [
    'rated-fitting',
    'eye bolt M12 at 45°: 2.4 kN',
    'DIN 580 (memory)',
    2400,
    0.01,
    'capacity',
    eyeBolt,
    loaded({ fz: 1000, fx: 1000 }),
  ],
  ['rated-fitting', 'eye bolt M12 across: 1.7 kN', 'DIN 580 (memory)', 1700, 1e-6, 'capacity', eyeBolt, loaded({ fx: 1000 })],
  [
    'stud-weld',
    'M10 8.8 on S275 of 3: 0.6·π·12·3·430',
    'EN 1993-1-8 Tab. 3.4 on the collar by hand',
    0.6 * Math.PI * 12 * 3 * 430,
    0.001,
    'capacity',
    joint({ holding: 'stud' }),
    (j) => ({ ...j, far: { kind: 'plate', metal: 'S275', thickness: q(3) } }),
    throughBase,
    loaded({ fz: 4000 }),
  ],
  [
    'glued-head',
    'M10 8.8 to 75 % of proof, K 0.2, disc of 40, 10 MPa: T 50.5 N·m (proof 580) over π·(40⁴ − 10⁴)/(16·40)·10',
    'statics by hand',
    (0.2 * 10 * 0.75 * 580 * 57.99) / ((10 * Math.PI * (40 ** 4 - 10 ** 4)) / 640),
    0.002,
    'utilisation',
    joint({ tightening: 'to torque', gluedHead: q(40), bondShear: q(10), preload: q(0.75) }),
    loaded({ fz: 400 }),
  ],
]);
