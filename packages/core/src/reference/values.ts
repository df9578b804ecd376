import { evaluate } from '../chain/evaluate';
import { bearingAISC, bearingEN } from '../checks/bearing';
import { panelMoment, patchResponse } from '../checks/demand/panel-case';
import { rectAbout } from '../geometry/rects';
import { withClass } from '../job/bolt-class';
import { newJob } from '../job/new-job';
import type { Job } from '../job/schema';
import { casesOfLoad } from '../loads/cases';
import { workedLoad } from '../loads/new-load';
import { BUILDERS } from '../loads/registry';
import { byFriction, byNutFactor } from '../shop/tightening';
import { FASTENER_SIZES, fastenerSize, stressArea } from '../stock/fasteners';
import { Working } from '../working/steps';
import { fastenersAndPlates } from './fasteners-and-plates';
import { resolvedOf, type ReferenceValue } from './jobs';
import { onlyPutIn } from './kinds';
import { lugsAndWelds } from './lugs-and-welds';
import { publishedTables } from './published-tables';
import { parts } from './parts';
import { sections } from './sections';
import { skins } from './skins';
import { spreadValues } from './spread-values';
import { workedExamples } from './worked-examples';

export type { ReferenceValue };

const LBF = 4.4482216152605;
const LBFT = 1355.8179483314;
const silent = new Working(false);

/** The new job with one size and class, limit states by EN, pulled a little so that every link is asked. */
function bolted(size: string, grade: string, change: (j: Job) => Job = (j) => j): Job {
  const job = newJob('r', 'Reference');
  const load = workedLoad(
    'free',
    {
      title: 'pull',
      source: '',
      v: { fz: [100, '100 N'], fx: [50, '50 N'] },
      expect: { caseIndex: 0, symbol: '', value: 0, within: 0 },
    },
    'L1',
  );
  return change({
    ...job,
    practice: { ...job.practice, school: 'limit' },
    loads: [load],
    plate: { ...job.plate, x0: -200, x1: 200, y0: -200, y1: 200 },
    bolts: { ...withClass(job.bolts, grade), size, items: job.bolts.items.map((b) => ({ ...b, x: b.x * 1.5, y: b.y * 1.5 })) },
  });
}

function capacity(job: Job, link: string): number {
  return evaluate(job).links.find((l) => l.id === link)?.capacity ?? NaN;
}

type Row = readonly [size: string, grade: string, a: number, b: number];

// EN 1993-1-8 Tab. 3.4, γ_M2 1.25: kN in shear and in tension. The tables start from three-figure stress areas.
const EN_BOLTS: readonly Row[] = [
  ['M8', '8.8', 14.05, 21.08],
  ['M10', '8.8', 22.27, 33.41],
  ['M12', '8.8', 32.37, 48.56],
  ['M12', '10.9', 33.72, 60.7],
  ['M16', '8.8', 60.29, 90.43],
  ['M20', '8.8', 94.08, 141.1],
  ['M10', 'A4-70', 16.24, 29.23],
];

const enBolts = EN_BOLTS.flatMap(([size, grade, shear, tension]): ReferenceValue[] => {
  const one = (of: string, expected: number): ReferenceValue => ({
    of,
    what: `${size} ${grade}, kN`,
    source: 'EN 1993-1-8 Tab. 3.4',
    expected,
    within: 0.004,
    got: () => capacity(bolted(size, grade), of) / 1000,
  });
  return [one('bolt-shear', shear), one('bolt-tension', tension)];
});

const AREAS: readonly (readonly [string, number])[] = [
  ['M6', 20.1],
  ['M8', 36.6],
  ['M10', 58.0],
  ['M12', 84.3],
  ['M16', 157],
  ['M20', 245],
  ['1/4-20', 0.0318 * 645.16],
  ['5/16-18', 0.0524 * 645.16],
  ['3/8-16', 0.0775 * 645.16],
  ['1/2-13', 0.1419 * 645.16],
  ['5/8-11', 0.226 * 645.16],
  ['3/4-10', 0.334 * 645.16],
];

const areas = AREAS.map(([id, expected]): ReferenceValue => ({
  of: 'bolt-tension',
  what: `${id} stress area, mm²`,
  source: id.startsWith('M') ? 'ISO 898-1 Tab. 4' : 'ASME B1.1',
  expected,
  within: 0.004,
  got: () => stressArea(fastenerSize(id)!),
}));

// ISO 273: fine, medium, coarse.
const HOLES: Readonly<Record<string, readonly [number, number, number]>> = {
  M6: [6.4, 6.6, 7],
  M8: [8.4, 9, 10],
  M10: [10.5, 11, 12],
  M12: [13, 13.5, 14.5],
  M16: [17, 17.5, 18.5],
};

const holes = Object.entries(HOLES).flatMap(([id, row]) =>
  (['fine', 'medium', 'coarse'] as const).map((fit, i): ReferenceValue => ({
    of: 'edge-and-pitch',
    what: `${id} ${fit} hole, mm`,
    source: 'ISO 273',
    expected: row[i]!,
    within: 1e-9,
    got: () => FASTENER_SIZES.find((s) => s.id === id)!.hole[fit],
  })),
);

const proof = (j: Job): Job => ({ ...j, practice: { ...j.practice, school: 'ultimate' } });
const nuts = (
  [
    ['M8', '8.8', 31.3],
    ['M8', '10.9', 38.1],
    ['M12', '8.8', 73.3],
    ['M12', '10.9', 88.5],
  ] as const
).map(([size, grade, expected]): ReferenceValue => ({
  of: 'nut-thread',
  what: `${size}, nut of ${grade}, proof load kN`,
  source: 'ISO 898-2 (memory)',
  expected,
  within: 0.002,
  got: () => capacity(bolted(size, grade, proof), 'nut-thread') / 1000,
}));

// VDI 2230 Tab. A1: kN and N·m.
const VDI: readonly (readonly [string, string, number, number, number])[] = [
  ['M8', '8.8', 0.12, 18.6, 24.6],
  ['M8', '8.8', 0.14, 18.1, 27.3],
  ['M10', '8.8', 0.12, 29.6, 48],
  ['M10', '8.8', 0.14, 28.8, 54],
  ['M12', '8.8', 0.12, 43.1, 84],
  ['M12', '8.8', 0.14, 42, 93],
  ['M16', '8.8', 0.12, 81, 206],
  ['M16', '8.8', 0.14, 79, 230],
  ['M8', '10.9', 0.12, 27.4, 36],
  ['M8', '10.9', 0.14, 26.6, 40],
];

const tightening = [
  ...VDI.flatMap(([size, grade, mu, kN, Nm]): ReferenceValue[] => {
    const t = () => byFriction(resolvedOf(bolted(size, grade)), mu);
    const head = { of: 'tightening', source: 'VDI 2230 Tab. A1' };
    return [
      { ...head, what: `${size} ${grade} μ ${mu}, kN`, expected: kN, within: 0.006, got: () => t().preload / 1000 },
      { ...head, what: `${size} ${grade} μ ${mu}, N·m`, expected: Nm, within: 0.012, got: () => t().torque / 1000 },
    ];
  }),
  ...(
    [
      ['3/8-16', 'Gr 5', 30.9],
      ['1/2-13', 'Gr 8', 106],
      ['5/16-18', 'Gr 5', 17.4],
    ] as const
  ).map(([size, grade, expected]): ReferenceValue => ({
    of: 'tightening',
    what: `${size} ${grade}, K 0.2, lb·ft`,
    source: 'Machinery’s Handbook (memory)',
    expected,
    within: 0.006,
    got: () => byNutFactor(resolvedOf(bolted(size, grade))).torque / LBFT,
  })),
  {
    of: 'tightening',
    what: '3/8-16 Gr 5, 75 % of proof, lb',
    source: 'Machinery’s Handbook (memory)',
    expected: 4940,
    within: 0.001,
    got: () => byNutFactor(resolvedOf(bolted('3/8-16', 'Gr 5'))).preload / LBF,
  },
];

const FAR = { e1: Infinity, e2: Infinity, p1: Infinity, p2: Infinity };
const enPlate = { d: 20, d0: 22, t: 10, fu: 430, fub: 800, gamma: 1.25, hole: 1 };
const aiscPlate = { d: 0.75, d0: 0.8125, t: 1, fu: 58, fub: 120, gamma: 1 / 0.75, hole: 1 };
const bearing: ReferenceValue[] = [
  {
    of: 'plate-bearing',
    what: 'M20 in 10 mm S275, no near edge, kN',
    source: 'EN 1993-1-8 Tab. 3.4, 2.5·f_u·d·t',
    expected: 172,
    within: 1e-6,
    got: () => bearingEN(FAR, enPlate, silent) / 1000,
  },
  {
    of: 'plate-bearing',
    what: 'M20, e1 40, kN',
    source: 'EN 1993-1-8 Tab. 3.4, α_b 40/66',
    expected: 104.2,
    within: 0.001,
    got: () => bearingEN({ ...FAR, e1: 40 }, enPlate, silent) / 1000,
  },
  {
    of: 'plate-bearing',
    what: '3/4 in, A36, pitch 3 in, kip/in',
    source: 'AISC Manual Tab. 7-4',
    expected: 78.3,
    within: 0.001,
    got: () => bearingAISC({ ...FAR, p1: 3 }, aiscPlate, silent),
  },
  {
    of: 'plate-bearing',
    what: '3/4 in, A36, edge 1 1/4 in, kip/in',
    source: 'AISC Manual Tab. 7-5',
    expected: 44.0,
    within: 0.001,
    got: () => bearingAISC({ ...FAR, e1: 1.25 }, aiscPlate, silent),
  },
];

const square = rectAbout({ x: 0, y: 0 }, 1000, 1000);
const long = rectAbout({ x: 0, y: 0 }, 2000, 1000);
const plates: ReferenceValue[] = [
  {
    of: 'skin-bending',
    what: 'square, uniform load, w·D/(q·a⁴)',
    source: 'Timoshenko Tab. 8',
    expected: 0.00406,
    within: 0.002,
    got: () => panelMoment([{ response: patchResponse(square, square, 0.3), fz: 1e6, mx: 0, my: 0 }]).wD / 1e12,
  },
  {
    of: 'skin-bending',
    what: 'square, uniform load, M/(q·a²)',
    source: 'Timoshenko Tab. 8',
    expected: 0.0479,
    within: 0.002,
    got: () => panelMoment([{ response: patchResponse(square, square, 0.3), fz: 1e6, mx: 0, my: 0 }]).m / 1e6,
  },
  {
    of: 'skin-bending',
    what: '2:1, uniform load, M/(q·a²)',
    source: 'Timoshenko Tab. 8',
    expected: 0.1017,
    within: 0.003,
    got: () => panelMoment([{ response: patchResponse(long, long, 0.3), fz: 2e6, mx: 0, my: 0 }]).m / 1e6,
  },
  {
    of: 'skin-bending',
    what: 'square, central point load, w·D/(P·a²)',
    source: 'Timoshenko Tab. 23',
    expected: 0.0116,
    within: 0.004,
    got: () =>
      panelMoment([{ response: patchResponse(square, rectAbout({ x: 0, y: 0 }, 10, 10), 0.3), fz: 1, mx: 0, my: 0 }]).wD / 1e6,
  },
];

const builders = BUILDERS.flatMap((b) =>
  b.worked.map((w): ReferenceValue => ({
    of: `load: ${b.name}`,
    what: w.title,
    source: w.source,
    expected: w.expect.value,
    within: Math.max(1e-6, w.expect.within / Math.abs(w.expect.value)),
    got: () =>
      casesOfLoad(workedLoad(b.kind, w, 'L1'))[w.expect.caseIndex]?.steps.find((s) => s.symbol === w.expect.symbol)?.value ?? NaN,
  })),
);

const all: readonly ReferenceValue[] = [
  ...publishedTables,
  ...enBolts,
  ...areas,
  ...holes,
  ...nuts,
  ...tightening,
  ...bearing,
  ...plates,
  ...fastenersAndPlates,
  ...skins,
  ...sections,
  ...parts,
  ...lugsAndWelds,
  ...builders,
  ...spreadValues,
  ...workedExamples,
];

/** Every figure from outside the program that can be read off in one line; the specs hold it to more. */
export const REFERENCE_VALUES: readonly ReferenceValue[] = all.filter((v) => !onlyPutIn(v));
/** Numbers put into the program's own formulas: tested, and not counted as from outside. */
export const WORKED_FORMULAS: readonly ReferenceValue[] = all.filter(onlyPutIn);

export const relativeError = (v: ReferenceValue): number => Math.abs(v.got() / v.expected - 1);
