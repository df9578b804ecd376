import { newLug } from '../job/plain-joint';
import type { Lug } from '../job/joint';
import { filletAISC, filletSimplified } from '../checks/weld/fillet';
import { endsEN } from '../checks/lug/lug-strength';
import { Working } from '../working/steps';
import { linkValues, loaded, q, welds, type Change, type ReferenceValue } from './jobs';
import { strap } from './pinned-parts';

const silent = new Working(false);
/** 20 thick, 80 wide, hole 30, pin 28, end 25, S355, N_d 3. */
const lug =
  (x: Partial<Lug> = {}): Change =>
  (j) => ({
    ...j,
    lug: { ...newLug(), thickness: q(20), width: q(80), hole: q(30), pin: q(28), end: q(25), fork: q(10), gap: q(2), ...x },
  });
const strapped =
  (...as: Parameters<typeof strap>): Change =>
  (j) => ({ ...j, parts: [strap(...as)] });
const pull = loaded({ fz: 10_000 });
const S355: Change = (j) => ({ ...j, plate: { ...j.plate, metal: 'S355' } });
/** Base 120 × 100: 440 mm of line, I_x = 100³/6 + 120·100²/2 about the middle. */
const I_X = 100 ** 3 / 6 + (120 * 100 ** 2) / 2;

export const lugsAndWelds: readonly ReferenceValue[] = [
  ...linkValues([
    ['lug-tension', 'P_t: C_r 0.901, b_eff 21.75, kN', 'ASME BTH-1 §3-3.3.1 by hand', 102_391, 0.001, 'capacity', lug(), pull],
    ['lug-fracture', 'P_b', 'ASME BTH-1 §3-3.3.1 by hand', 96_005, 0.001, 'capacity', lug(), pull],
    ['lug-shear', 'P_v: φ 51.3°', 'ASME BTH-1 §3-3.3.1 by hand', 110_591, 0.001, 'capacity', lug(), pull],
    ['lug-bearing', '1.25·355/3·28·20', 'ASME BTH-1 §3-3.3.4 by hand', 82_833, 0.001, 'capacity', lug(), pull],
    [
      'lug-bearing',
      '1.5·20·28·355 by EN',
      'EN 1993-1-8 Tab. 3.10 by hand',
      298_200,
      0.001,
      'capacity',
      lug({ rules: 'EN' }),
      pull,
    ],
    [
      'lug-end',
      '2·20·355·(25 − 20) in front of the hole',
      'EN 1993-1-8 Tab. 3.9 by hand',
      71_000,
      0.001,
      'capacity',
      lug({ rules: 'EN' }),
      pull,
    ],
    [
      'lug-foot',
      '20 kN at 300 over a foot of 60 × 12: 6·6000/(12·60²) 833.3 MPa, shear 27.8',
      'independent review: 0.43 of S355; statics by hand',
      Math.hypot(833.33, Math.sqrt(3) * 27.78) / 355,
      0.001,
      'utilisation',
      lug({ width: q(60), thickness: q(12), metal: 'S355', rules: 'EN' }),
      loaded({ fx: 20_000, my: 6_000_000 }),
    ],
    [
      'lug-foot',
      '100 N·m over the weak side of 80 × 20, and 10 kN of pull: 18.75 + 6.25 MPa',
      'statics by hand',
      25,
      1e-6,
      'demand',
      lug(),
      loaded({ fz: 10_000, mx: 100_000 }),
    ],
    ['pin-shear', 'two planes: half the load', 'statics', 5000, 1e-9, 'demand', lug(), pull],
    [
      'pin-shear',
      '16 mm 8.8: 0.6·201.06·800',
      'EN 1993-1-8 Tab. 3.10 by hand',
      96_510,
      0.001,
      'capacity',
      lug({ rules: 'EN', pin: q(16) }),
      pull,
    ],
    [
      'pin-bending',
      '16 mm, P 10 kN, 10 + 12 + 10, gaps 2: 50 of 386 N·m, with shear',
      'EN 1993-1-8 Tab. 3.10 by hand',
      Math.hypot(50 / 386.04, 5000 / 96_510),
      0.001,
      'utilisation',
      lug({ rules: 'EN', pin: q(16), thickness: q(12) }),
      pull,
    ],
    [
      'pin-bending',
      'the same in single shear: 130 of 386 N·m',
      'statics by hand',
      Math.hypot(130 / 386.04, 10_000 / 96_510),
      0.001,
      'utilisation',
      lug({ rules: 'EN', pin: q(16), thickness: q(12), shear: 'single' }),
      pull,
    ],
    [
      'link-body',
      'two flat bars 50 × 6 of S275, pins 200 apart: λ 1.330, Φ 1.661, χ 0.3765: 31.06 kN',
      'EN 1993-1-1 §6.3.1.2 by hand',
      31_062,
      0.005,
      'capacity',
      strapped(),
      loaded({ fz: 10_000 }),
    ],
    [
      'tab-foot',
      '8 kN edge on, half of it at 35 on a tab 50 × 8 of S275: 6·140 000/(8·50²) = 42 MPa, with 10 of shear, of 275',
      'statics by hand',
      Math.hypot(42, 10 * Math.sqrt(3)) / 275,
      0.001,
      'utilisation',
      strapped({ height: q(35), throat: q(5), along: 'x' }, 8),
      loaded({ fx: 8000 }),
    ],
    [
      'fitting-weld',
      '44 kN straight up on 440 mm, a 4: σ = 100/(√2·4)·2',
      'EN 1993-1-8 §4.5.3.2 by hand',
      (100 / (Math.SQRT2 * 4)) * 2,
      0.001,
      'demand',
      welds({ fitting: 'all round', fittingThroat: q(4) }),
      loaded({ fz: 44_000 }),
      S355,
    ],
    [
      'fitting-weld',
      '1 kN·m on 120 × 100 all round: q = M·50/I_x',
      'Blodgett, line group, by hand',
      ((1_000_000 * 50) / I_X / (Math.SQRT2 * 4)) * 2,
      0.001,
      'demand',
      welds({ fitting: 'all round', fittingThroat: q(4) }),
      loaded({ mx: 1_000_000 }),
      S355,
    ],
    [
      'doubler-weld',
      '16 kN on 1600 mm, stitches a third: 30 N/mm, skin 4 mm S235 0.6·360·4',
      'AISC 360-16 §J4.2 by hand',
      864,
      0.001,
      'capacity',
      welds({ doubler: 'stitched', doublerThroat: q(8), stitch: q(80), gap: q(160) }),
      loaded({ fx: 16_000 }),
    ],
    [
      'weld-size',
      'leg 4.24 on 8 mm plate: least 3/16 in',
      'AISC 360-16 Tab. J2.4',
      4.7625 / (3 * Math.SQRT2),
      0.001,
      'utilisation',
      welds({ fitting: 'all round', fittingThroat: q(3) }),
    ],
  ]),
  {
    of: 'fitting-weld',
    what: 'a 4 in S355, kN/mm',
    source: 'EN 1993-1-8 §4.5.3.3',
    expected: 0.96,
    within: 0.006,
    got: () => filletSimplified({ a: 4, fu: 470, γ: 1.25 }, silent) / 1000,
  },
  {
    of: 'fitting-weld',
    what: 'S275, β_w 0.85: f_vw.d, MPa',
    source: 'EN 1993-1-8 §4.5.3.3',
    expected: 234,
    within: 0.003,
    got: () => filletSimplified({ a: 1, fu: 430, γ: 1.25 }, silent),
  },
  {
    of: 'fitting-weld',
    what: 'fillet 1/16 in leg, E70, LRFD, kip/in',
    source: 'AISC Manual Part 8',
    expected: 1.392,
    within: 0.001,
    got: () =>
      filletAISC(
        { along: 1, across: 0, out: 0, at: { x: 0, y: 0 } },
        { a: Math.SQRT1_2 / 16, filler: 70, γ: 1 / 0.75, straight: true },
        silent,
      ).capacity,
  },
  {
    of: 'fitting-weld',
    what: 'the same, ASD, kip/in',
    source: 'AISC Manual Part 8',
    expected: 0.928,
    within: 0.001,
    got: () =>
      filletAISC(
        { along: 1, across: 0, out: 0, at: { x: 0, y: 0 } },
        { a: Math.SQRT1_2 / 16, filler: 70, γ: 2, straight: true },
        silent,
      ).capacity,
  },
  {
    of: 'lug-end',
    what: 'F 100 kN, t 20, S355, d0 30: a, mm',
    source: 'EN 1993-1-8 Tab. 3.9 by hand',
    expected: 27.04,
    within: 0.001,
    got: () => endsEN({ F: 100_000, γ: 1, t: 20, fy: 355, d0: 30 }, silent).a,
  },
];
