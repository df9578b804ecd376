import { blockAISC, blockEN } from '../checks/block-tearing';
import { chiC } from '../checks/spacers';
import { memberStiffness } from '../checks/preload/joint-opens';
import { tStubAISC, tStubEN } from '../checks/prying';
import { threadAreas } from '../checks/thread-engaged';
import { groupCoefficient } from '../sharing/instantaneous-centre';
import { huth, sharesAlongRow } from '../sharing/row';
import { fastenerSize } from '../stock/fasteners';
import { Working } from '../working/steps';
import { bolts, joint, level, linkValues, loaded, onBed, q, skin, throughBase, type Change, type ReferenceValue } from './jobs';

const silent = new Working(false);
const aisc: Change = (j) => ({ ...j, practice: { ...j.practice, rules: 'AISC' } });
const onBreak =
  (v: number): Change =>
  (j) => ({ ...j, practice: { ...j.practice, onBreak: v } });

const TWELVE = [-165, -55, 55, 165].flatMap((x) => [-120, 120].map((y) => [x, y] as const));

// EN 1993-1-8 row of the brief: eight bolts of 10 mm, steel 6 on 6, 40 wide, pitch 40, b 3.0.
const LAP = { t1: 6, t2: 6, E1: 210_000, E2: 210_000, d: 10, Ef: 210_000 };
const EA = 210_000 * 6 * 40;
const eight = () =>
  sharesAlongRow({
    pitches: Array<number>(7).fill(40),
    EA1: Array<number>(7).fill(EA),
    EA2: Array<number>(7).fill(EA),
    C: Array<number>(8).fill(huth(LAP, false)),
  });

// m 40, e 50, t 8, M10 8.8: by hand l_eff 222.5, M_pl 979 000 N·mm.
const SIDE = { to: 'neighbour', gap: 300 } as const;
const STUB = {
  m: 40,
  e: 50,
  sides: [SIDE, SIDE] as const,
  t: 8,
  fy: 275,
  fu: 430,
  d: 10,
  d0: 11,
  Ft: 41_759,
  gammaYield: 1,
  gammaBreak: 1,
};

const BLOCK = { w: 60, L: 70, e1: 40, n2: 2, n1: 2, d0: 18, t: 8 };
const S275 = { fy: 275, fu: 430, gammaY: 1, gamma: 1.25 };

/** One vertical row, 3 in apart, the force e inches beside it. */
const column = (n: number, e: number) => () =>
  groupCoefficient(
    Array.from({ length: n }, (_, i) => ({ x: 0, y: 3 * i })),
    0,
    1,
    e,
  ) ?? NaN;

export const fastenersAndPlates: readonly ReferenceValue[] = [
  {
    of: 'bolt-shear',
    what: 'one row of two, e 4 in: C',
    source: 'AISC Manual Tab. 7-6',
    expected: 0.69,
    within: 0.006,
    got: column(2, 4),
  },
  {
    of: 'bolt-shear',
    what: 'one row of three, e 4 in: C',
    source: 'AISC Manual Tab. 7-6',
    expected: 1.4,
    within: 0.004,
    got: column(3, 4),
  },
  ...linkValues([
    [
      'bolt-tension',
      '3/4 A325, φ 0.75, kip',
      'AISC Manual Tab. 7-2',
      29.8 * 4448.222,
      0.002,
      'capacity',
      bolts('3/4-10', 'A325'),
      aisc,
      onBreak(4 / 3),
    ],
    [
      'bolt-shear',
      '3/4 A325-N, φ 0.75, kip',
      'AISC Manual Tab. 7-1',
      17.9 * 4448.222,
      0.002,
      'capacity',
      bolts('3/4-10', 'A325'),
      aisc,
      onBreak(4 / 3),
    ],
    [
      'bolt-shear',
      'M10 8.8, packer 12 mm: β_p 90/(80 + 36)',
      'EN 1993-1-8 §3.6.1(12) by hand',
      0.6 * 800 * 57.99 * (90 / 116),
      0.001,
      'capacity',
      joint({ packing: 'packer', packer: q(12) }),
    ],
    [
      'bolt-shear',
      'M10 8.8, row of 330 mm: β_Lf 1 − 180/2000',
      'EN 1993-1-8 §3.8 by hand',
      0.6 * 800 * 57.99 * 0.91,
      0.001,
      'capacity',
      bolts('M10', '8.8', TWELVE),
    ],
    [
      'bolt-tension',
      'M10 8.8 countersunk, k_2 0.63',
      'EN 1993-1-8 Tab. 3.4 by hand',
      0.63 * 800 * 57.99,
      0.001,
      'capacity',
      joint({ head: 'countersunk' }),
    ],
    // Sum of both by hand: 4 bolts, each 8 kN pulled and 4 kN sheared.
    [
      'bolt-combined',
      'M10 8.8, 8 kN pull and 4 kN shear each',
      'EN 1993-1-8 Tab. 3.4 by hand',
      4000 / 27_835 + 8000 / (1.4 * 41_753),
      0.001,
      'utilisation',
      onBed,
      throughBase,
      level({ fx: 16_000, fz: 32_000 }),
    ],
    [
      'bolt-bending',
      'M12 8.8 on 60 mm spacers, 1 kN each: M 30 of 69.83 N·m, F_v 1 of 15.83 kN (β_p 0.391)',
      'statics; EN 1993-1-8 Tab. 3.4 and §3.6.1(12) by hand',
      30 / 69.8275 + 1 / 15.8275,
      0.001,
      'utilisation',
      bolts('M12', '8.8'),
      onBed,
      joint({ packing: 'spacers', packer: q(60) }),
      level({ fx: 4000, fz: 0 }, 68),
    ],
    [
      'spacer',
      'tube 25 × 3, 200 long: λ 0.326, χ 0.936',
      'EN 1993-1-1 §6.3.1 by hand',
      45_611,
      0.001,
      'capacity',
      joint({ packing: 'spacers', packer: q(200), tubeOutside: q(25), tubeWall: q(3) }),
    ],
    [
      'nut-class',
      'class 8 nut on a 10.9 bolt: 1000 against 800 MPa',
      'ISO 898-2 Tab. 1',
      1.25,
      1e-9,
      'utilisation',
      bolts('M10', '10.9'),
      (j) => ({ ...j, bolts: { ...j.bolts, nut: '8' } }),
    ],
    [
      'punching',
      'M12 head on 6 mm S275',
      'EN 1993-1-8 Tab. 3.4 by hand',
      75_447 * 1.25,
      0.001,
      'capacity',
      bolts('M12', '8.8'),
      (j) => ({ ...j, plate: { ...j.plate, thickness: q(6) } }),
    ],
    [
      'net-section',
      '400 × 8 S275, two holes of 11: 0.9·(400 − 22)·8·430',
      'EN 1993-1-1 §6.2.3 by hand',
      400 * 8 * 275,
      1e-6,
      'capacity',
      loaded({ fx: 4000 }),
    ],
    [
      'plate-section',
      '60 × 8 strap, 440 between its bolts, twisted by 1 kN·m: 2273 N at 180 mm, σ 85.2 and τ 4.7 MPa',
      'statics by hand',
      Math.hypot((((1e6 / 440) * 180) / (8 * 60 ** 2)) * 6, (Math.sqrt(3) * (1e6 / 440)) / 480),
      1e-4,
      'demand',
      bolts('M12', '8.8', [
        [220, 0],
        [-220, 0],
      ]),
      (j) => ({
        ...j,
        base: { ...j.base, length: q(80), width: q(50), holes: [] },
        plate: { ...j.plate, x0: -250, x1: 250, y0: -30, y1: 30 },
        far: { kind: 'washer' },
        skin: { ...j.skin, spanX: q(700), aft: q(350) } as typeof j.skin,
      }),
      loaded({ mz: 1e6 }),
    ],
    [
      'net-section',
      '100 wide, two holes of 13.5 in S355 10 mm: 0.9·73·10·470',
      'EN 1993-1-1 §6.2.3 by hand',
      308_790,
      0.001,
      'capacity',
      bolts('M12', '8.8', [
        [150, 30],
        [150, -30],
        [-150, 30],
        [-150, -30],
      ]),
      loaded({ fx: 4000 }),
      (j) => ({
        ...j,
        base: { ...j.base, width: q(90), holes: [] },
        plate: { ...j.plate, y0: -50, y1: 50, metal: 'S355', thickness: q(10) },
      }),
    ],
    [
      'fold',
      '4 mm 6082-T6: 3.5·4 against a radius of 10',
      'common practice',
      1.4,
      1e-6,
      'utilisation',
      (j) => ({
        ...j,
        plate: { ...j.plate, metal: '6082-T6', thickness: q(4), fold: { edge: 'fore', radius: q(10), height: q(40) } },
      }),
    ],
    [
      'base-hole',
      'M10 in 8 mm S235, e_1 15 and e_2 20: α_b 0.4545, k_1 2.5',
      'EN 1993-1-8 Tab. 3.4 by hand',
      2.5 * 0.45455 * 360 * 10 * 8,
      0.001,
      'capacity',
      throughBase,
      level({ fx: 4000, fz: 0 }),
    ],
    [
      'base-hole',
      'the same across slots 30 longer: × 0.6',
      'EN 1993-1-8 Tab. 3.4 note 1',
      0.6 * 2.5 * 0.45455 * 360 * 10 * 8,
      0.001,
      'capacity',
      throughBase,
      (j) => ({ ...j, base: { ...j.base, slot: q(30), slotAlong: 'y' } }),
      level({ fx: 4000, fz: 0 }),
    ],
    [
      'head-bearing',
      'washer of 20 over a hole of 11 on S235: π/4·(20² − 11²)·235',
      'geometry; bearing up to yield (common practice)',
      (Math.PI / 4) * 279 * 235,
      1e-6,
      'capacity',
      throughBase,
      loaded({ fz: 400 }),
    ],
    [
      'countersink',
      'M12 head 7.44 high in 8 mm',
      'ISO 10642 (memory)',
      7.44 / 8,
      1e-6,
      'utilisation',
      bolts('M12', '8.8'),
      joint({ head: 'countersunk' }),
    ],
    ['base-bearing', '12 kN straight down on 120 × 100: 1.0 MPa', 'statics', 1, 1e-6, 'demand', loaded({ fz: -12_000 })],
    [
      'slip',
      'M20 10.9, μ 0.5: 1 kN sideways and 0.5 kN pull need 2.4 kN of 152.4',
      'EN 1993-1-8 §3.9.2 by hand',
      (1000 / 0.5 + 0.8 * 500) / (0.75 * 830 * 244.79),
      0.001,
      'utilisation',
      bolts('M20', '10.9', [
        [150, 150],
        [-150, 150],
        [-150, -150],
        [150, -150],
      ]),
      joint({ tightening: 'slip resistant', friction: q(0.5) }),
      skin({ kind: 'sheet', metal: 'S235', thickness: q(60) }),
      throughBase,
      (j) => ({ ...j, base: { ...j.base, length: q(340), width: q(340), hole: q(22) } }),
      level({ fx: 4000, fz: 2000 }),
    ],
    [
      'thread-engaged',
      'M10 in 10 mm of S275, 6g in 6H: 0.577·430·215 mm²',
      'FED-STD-H28/2 with ISO 965-1 limits (memory) by hand',
      // D_s.min 9.732, E_n.max 9.206: π·10·9.732/1.5·(0.75 + 0.57735·0.526).
      0.577 * 430 * 214.77,
      0.001,
      'capacity',
      joint({ holding: 'tapped', engagement: q(10) }),
      (j) => ({ ...j, far: { kind: 'plate', metal: 'S275', thickness: q(10) } }),
    ],
  ]),
  {
    of: 'row-share',
    what: 'end bolt of eight, %',
    source: 'the brief’s row, Huth 1986: 21.9 13.1 8.5 6.5 | 6.5 8.5 13.1 21.9',
    expected: 21.9,
    within: 0.003,
    got: () => eight()[0]! * 100,
  },
  {
    of: 'row-share',
    what: 'third bolt of eight, %',
    source: 'the brief’s row, Huth 1986',
    expected: 8.5,
    within: 0.006,
    got: () => eight()[2]! * 100,
  },
  {
    of: 'joint-opens',
    what: 'two 1/2 in plates and a washer, 1/2 in bolt: k_m, Mlbf/in',
    source: 'Shigley, example 8-2 (memory)',
    expected: 15.97,
    within: 0.001,
    got: () => memberStiffness(30, 0.5, 1.095, silent),
  },
  {
    of: 'thread-engaged',
    what: 'AS_s of M12, 12 mm engaged, 6g in 6H, mm²',
    source: 'FED-STD-H28/2, independent review',
    expected: 228,
    within: 0.003,
    got: () => threadAreas(fastenerSize('M12')!, 12, silent).external,
  },
  {
    of: 'thread-engaged',
    what: 'AS_n of M12, 12 mm engaged, 6g in 6H, mm²',
    source: 'FED-STD-H28/2, independent review',
    expected: 313,
    within: 0.003,
    got: () => threadAreas(fastenerSize('M12')!, 12, silent).internal,
  },
  {
    of: 'spacer',
    what: 'χ of curve c at λ 1.0',
    source: 'EN 1993-1-1 Fig. 6.4 (0.54)',
    expected: 0.54,
    within: 0.001,
    got: () => chiC(1),
  },
  {
    of: 'plate-bending',
    what: 'T-stub m 40, e 50, t 8, S275, M10: mode 2, N',
    source: 'EN 1993-1-8 Tab. 6.2 by hand: (979 000 + 50·41 759)/90',
    expected: 34_077,
    within: 0.001,
    got: () => tStubEN(STUB, silent).holds,
  },
  {
    of: 'plate-bending',
    what: 'the same by t_c 13.04, α′ over 1, N',
    source: 'AISC Manual Part 9 by hand: 41 759·(8/13.04)²·1.8625',
    expected: 29_283,
    within: 0.001,
    got: () => tStubAISC(STUB, silent).holds,
  },
  {
    of: 'block-tearing',
    what: '60 × 70 in 8 mm S275, e1 40: V_eff.1, kN',
    source: 'EN 1993-1-8 §3.10.2 by hand',
    expected: 326.4,
    within: 0.001,
    got: () => blockEN(BLOCK, S275, false, silent) / 1000,
  },
  {
    of: 'block-tearing',
    what: 'the same by R_n, holes + 1/16 in, kN',
    source: 'AISC 360-16 §J4.3 and §B4.3b by hand: min(0.6·430·1289, 0.6·275·1760) + 430·323',
    // d_n 19.5875: A_nt (60 − 19.59)·8 = 323.3, A_nv 2·(110 − 1.5·19.59)·8 = 1289.9, A_gv 1760.
    expected: (290_400 + 430 * 323.3) / 1000,
    within: 0.001,
    got: () => blockAISC(BLOCK, { ...S275, gamma: 1 }, false, silent) / 1000,
  },
];
