import { fanResistance } from '../checks/hollow/face-resistance';
import { insideOfBend } from '../checks/parts/bracket';
import { tStubEN } from '../checks/prying';
import { eachWay } from '../geometry/vector';
import type { Job } from '../job/schema';
import { newLug } from '../job/plain-joint';
import { toFeet } from '../standing/to-feet';
import type { FootPlace } from '../standing/stands';
import { isRefusal } from '../units/refusal';
import { Working } from '../working/steps';
import { bolts, linkValues, level, loaded, onBed, q, throughBase, type Change, type ReferenceValue } from './jobs';

const silent = new Working(false);
const KIP = 4448.2216;

const aisc: Change = (j) => ({ ...j, practice: { ...j.practice, rules: 'AISC', school: 'limit', gammaG: 1, gammaQ: 1 } });
const bar = (long: number): Change => {
  const hole = (id: string, x: number) => ({ id, x, y: 0, d: q(11), purpose: 'fastener' as const });
  return (j): Job => ({
    ...j,
    parts: [
      {
        id: 'P1',
        name: 'Brace',
        use: 'other',
        metal: 'S275',
        count: 1,
        stock: { form: 'flat bar', width: q(50), thickness: q(12), legs: [q(long + 100)], bends: [] },
        holes: [hole('H1', -long / 2), hole('H2', long / 2)],
        works: { as: 'brace', carries: q(1), from: 'H1', to: 'H2' },
      },
    ],
  });
};
/** Length of a bar 12 thick of S275 at which λ is as said: i = 12/√12, λ_1 = π·√(E/f_y). */
const longAt = (λ: number) => λ * (12 / Math.sqrt(12)) * Math.PI * Math.sqrt(210_000 / 275);

/** A square table of side a on four like legs, P at e from its middle along a diagonal: parts of P in the legs. */
function table(e: number, a: number): number[] {
  const leg = (x: number, y: number): FootPlace => ({
    id: `${x},${y}`,
    name: `${x},${y}`,
    x: (x * a) / 2,
    y: (y * a) / 2,
    z: 0,
    turn: 0,
    restsOnly: false,
    takes: { mx: false, my: false, mz: false },
    stiffness: { x: 1, y: 1, z: 1 },
    part: 0,
    length: 10,
    width: 10,
    plate: { x0: -5, x1: 5, y0: -5, y1: 5 },
    height: 0,
    bolts: 4,
  });
  const feet = [leg(1, 1), leg(1, -1), leg(-1, 1), leg(-1, -1)];
  const at = e / Math.SQRT2;
  const P = 1000;
  const load = { ...eachWay(() => 0), fz: -P, mx: -P * at, my: P * at };
  const found = toFeet({ rule: 'force only', legHeight: 0, count: 1, feet, foot: feet[0]!.id }, load);
  if (isRefusal(found)) throw new Error(found.because);
  return [...found[0]!.values()].map((f) => -f.load.fz / P);
}
const FAN = 'Johansen, Yield-line Formulae for Slabs, fan round a point (memory)';
const TABLE = 'Timoshenko, Strength of Materials I, square table on four legs: P·(1/4 ± e/(a·√2)), P/4 (memory)';

/** Worked examples and tables as they stand in their books, none at hand: from memory. */
export const workedExamples: readonly ReferenceValue[] = [
  ...linkValues([
    [
      'bolt-combined',
      '3/4 in Group A, thread in the plane, 25.4 kip beside 8.00 kip',
      'AISC Design Examples, J.3 (memory)',
      // η adds up what F′_nt takes off: at its strength it is 1.
      1,
      0.004,
      'utilisation',
      bolts('3/4-10', 'Gr 5'),
      aisc,
      onBed,
      throughBase,
      (j) => ({ ...j, base: { ...j.base, hole: q(20.6) } }),
      level({ fz: 4 * 25.4 * KIP, fx: 4 * 8 * KIP }),
    ],
    [
      'brace',
      'curve c at λ 1.0: χ 0.5399',
      'ENV 1993-1-1 Tab. 5.5.2 (memory)',
      0.5399 * 600 * 275,
      0.001,
      'capacity',
      bar(longAt(1)),
    ],
    [
      'brace',
      'curve c at λ 2.0: χ 0.1962',
      'ENV 1993-1-1 Tab. 5.5.2 (memory)',
      0.1962 * 600 * 275,
      0.001,
      'capacity',
      bar(longAt(2)),
    ],
    [
      'lug-foot',
      '15 kN on the edge of 100 × 40: 3.75 + 11.25 MPa',
      'Hibbeler, Mechanics of Materials, example 8.2 (memory)',
      15,
      0.001,
      'demand',
      (j) => ({
        ...j,
        lug: { ...newLug(), thickness: q(40), width: q(100), hole: q(30), pin: q(28), end: q(50), fork: q(10), gap: q(2) },
      }),
      loaded({ fz: 15_000, my: 750_000 }),
    ],
  ]),
  {
    of: 'bracket',
    what: 'curved bar 0.75 × 4 in, inside radius 2 in, 5 kip at its middle: 16.9 ksi inside',
    source: 'Shigley, crane hook of example 3-15 (memory)',
    expected: 16.9,
    within: 0.002,
    // F/A + k_i·M/W in kip and inches: 5/3 + k_i·20/2.
    got: () => 5 / 3 + insideOfBend({ r: 2, t: 4 }, silent) * (20 / 2),
  },
  {
    of: 'plate-bending',
    what: 'a bolt far from every edge pulls a fan of yield lines: 4·π of m_pl',
    source: FAN,
    expected: 4 * Math.PI,
    within: 1e-6,
    got: () => {
      const far = { to: 'end', gap: 1000 } as const;
      const place = { m: 40, e: 1000, sides: [far, far] as const };
      // f_y·t²/4 is 1.
      return tStubEN({ ...place, t: 2, fy: 1, fu: 2, d: 10, d0: 11, Ft: 1e6, gammaYield: 1, gammaBreak: 1 }, silent).holds;
    },
  },
  {
    of: 'wall-face',
    what: 'a point on a plate between clamped sides: 4·π of m_pl',
    source: FAN,
    expected: 4 * Math.PI,
    within: 0.001,
    got: () => fanResistance({ fy: 4, t0: 1, β: 1e-4, η: 1e-4, γ: 1 }, 1, silent),
  },
  ...(['near', 'far'] as const).map((leg, i): ReferenceValue => ({
    of: 'standing',
    what: `load at a·√2/8 along a diagonal, ${leg} leg: ${i === 0 ? '3/8' : '1/8'} of it`,
    source: TABLE,
    expected: [3 / 8, 1 / 8][i]!,
    within: 1e-6,
    got: () => table((Math.SQRT2 * 400) / 8, 400)[3 * i]!,
  })),
];
