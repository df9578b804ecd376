import { evaluate } from '../chain/evaluate';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { roundedRect } from '../geometry/region';
import { resolved, testJob, freeLoad } from '../testing/test-job';
import { Working } from '../working/steps';
import { bearingPlace } from './bearing';
import { outcome, worst } from './check';
import { betaOf } from './local-dishing';
import { rulesIn } from './whole/packs';

/** Checks on layouts without any symmetry, so that a swapped axis, side or neighbour shows. Every expectation worked out beside it. */
const mm = (v: number) => fromSheet(v, `${v} mm`);

/** Limit states with every factor 1, a plate wider than long, rows at uneven places. M10 8.8 in S275, holes 11. */
function lopsided(load: Parameters<typeof freeLoad>[0], change: (j: Job) => Job = (j) => j): Job {
  return testJob(load, (j) =>
    change({
      ...j,
      practice: { ...j.practice, school: 'limit', gammaG: 1, gammaQ: 1, gammaM0: 1, gammaM2: 1 },
      base: { ...j.base, length: mm(60), width: mm(50), holes: [] },
      plate: { ...j.plate, x0: -100, x1: 120, y0: -70, y1: 130, corner: 0, thickness: mm(6), metal: 'S275' },
      bolts: {
        ...j.bolts,
        items: [
          { id: 'B1', x: 70, y: 60 },
          { id: 'B2', x: -60, y: 60 },
          { id: 'B3', x: -60, y: -45 },
          { id: 'B4', x: 70, y: -45 },
        ],
      },
    }),
  );
}
const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;

it('bearing distances: along the force, the nearer side, and neighbours ahead and aside', () => {
  const bolts = [
    { id: 'A', x: 10, y: 5, throughBase: false, packed: 0 },
    { id: 'B', x: 50, y: 12, throughBase: false, packed: 0 },
    { id: 'C', x: -30, y: 0, throughBase: false, packed: 0 },
    { id: 'D', x: 4, y: 45, throughBase: false, packed: 0 },
  ];
  const region = roundedRect({ x0: -60, x1: 90, y0: -20, y1: 80 }, 0);
  const at = (x: number, y: number) => bearingPlace(bolts, bolts[0]!, { x, y }, region);
  // Forward: edge at 90, sides at 80 and −20; B lies ahead, C behind does not count, D aside.
  expect(at(1, 0)).toEqual({
    e1: 80,
    e2: 25,
    p1: expect.closeTo(Math.hypot(40, 7), 9),
    p2: expect.closeTo(Math.hypot(6, 40), 9),
  });
  expect(at(-1, 0)).toMatchObject({ e1: 70, e2: 25, p1: expect.closeTo(Math.hypot(40, 5), 9) });
  expect(at(0, 1)).toMatchObject({
    e1: 75,
    e2: 70,
    p1: expect.closeTo(Math.hypot(6, 40), 9),
    p2: expect.closeTo(Math.hypot(40, 5), 9),
  });
  expect(at(0, -1)).toMatchObject({ e1: 25, e2: 70, p1: Infinity });
});

describe('block tearing, EN 1993-1-8 eq. 3.9 on each edge it may leave by', () => {
  // Rows at −60 and 70, columns at −45 and 60: L 130 or 105, across 105 or 130; edges 40, 50, 25, 70 off.
  it.each([
    ['forward, out of the aft edge', { fx: 9000 }, 105, 130, 40],
    ['aft, out of the fore edge', { fx: -9000 }, 105, 130, 50],
    ['to port, out of the starboard edge', { fy: 9000 }, 130, 105, 25],
    ['to starboard, out of the port edge', { fy: -9000 }, 130, 105, 70],
  ] as const)('%s', (_what, load, across, L, e1) => {
    const A_nt = (across - 11) * 6;
    const A_nv = 2 * (e1 + L - 1.5 * 11) * 6;
    const centred = 430 * A_nt + (275 * A_nv) / Math.sqrt(3);
    const eccentric = 0.5 * 430 * A_nt + (275 * A_nv) / Math.sqrt(3);
    const got = link(lopsided({ ...load, fz: 1 }), 'block-tearing').capacity;
    expect([centred, eccentric].some((v) => Math.abs(got / v - 1) < 1e-6)).toBe(true);
  });
});

it('net section across the narrow way: 0.9·(width − holes)·t·f_u, EN 1993-1-1 §6.2.3', () => {
  // Pulled forward, torn across 200 through two holes; to port, across 220.
  expect(link(lopsided({ fx: 9000, fz: 1 }), 'net-section').capacity).toBeCloseTo(
    Math.min(0.9 * (200 - 22) * 6 * 430, 200 * 6 * 275),
    3,
  );
  expect(link(lopsided({ fy: 9000, fz: 1 }), 'net-section').capacity).toBeCloseTo(
    Math.min(0.9 * (220 - 22) * 6 * 430, 220 * 6 * 275),
    3,
  );
  const narrow = lopsided({ fy: 9000, fz: 1 }, (j) => ({
    ...j,
    plate: { ...j.plate, x0: -85, x1: 90, y0: -300, y1: 300 },
    far: { kind: 'washer' },
  }));
  expect(link(narrow, 'net-section').capacity).toBeCloseTo(Math.min(0.9 * (175 - 22) * 6 * 430, 175 * 6 * 275), 3);
});

it('the worst of a list is found wherever it stands, and written down once more', () => {
  for (const at of [0, 1, 2, 3]) {
    const w = new Working(true);
    const o = worst([0, 1, 2, 3], w, (k, i, w) => {
      if (w.recording) w.found('k', k, 'mm', '');
      return outcome(k === at ? 5 : 1 + i / 10, 10, 'mm', `item ${k}`);
    });
    expect([o.utilisation, w.steps.map((s) => s.value)]).toEqual([0.5, [at]]);
  }
});

it('β of Roark Tab. 11.4 1b (memory), row by row and between', () => {
  const rows = [1, 0.435, 1.2, 0.65, 1.4, 0.789, 1.6, 0.875, 1.8, 0.927, 2, 0.958];
  for (let i = 0; i < rows.length; i += 2) expect(betaOf(rows[i]!)).toBeCloseTo(rows[i + 1]!, 9);
  expect(betaOf(1.3)).toBeCloseTo((0.65 + 0.789) / 2, 9);
  expect([betaOf(0.5), betaOf(4)]).toEqual([0.435, 1]);
});

describe('rule packs: what each asks of M10 in holes of 11 (the sources named in the packs)', () => {
  const asked = (packs: Job['packs'], change: (j: Job) => Job = (j) => j) =>
    Object.fromEntries(
      rulesIn(resolved(lopsided({ fz: 100 }, (j) => change({ ...j, packs }))))
        .filter((s) => s.measured)
        .map((s) => [s.rule.id, Math.round(s.measured!.need * 1000) / 1000]),
    );
  const laminate = (j: Job): Job => ({
    ...j,
    skin: { ...j.skin, kind: 'laminate', glass: fromSheet(0.35, '35 %') } as Job['skin'],
  });
  const timber = (j: Job): Job => ({
    ...j,
    skin: { ...j.skin, kind: 'timber', grade: 'C24', grain: 'x', endGrain: mm(300), thickness: mm(90) } as Job['skin'],
    far: { kind: 'large washer' },
  });
  it('EN: 1.2·d0 and 2.2·d0, and 1.5·d', () => expect(asked(['EN'])).toEqual({ 'EN-e': 13.2, 'EN-p': 24.2, 'EN-e-good': 15 }));
  it('AISC: 2⅔·d, 3·d, 1.25·d', () => expect(asked(['AISC'])).toEqual({ 'AISC-s': 26.667, 'AISC-s-good': 30, 'AISC-e': 12.5 }));
  it('an inch shop: Grade 5 of 120 ksi, two diameters to the edge, three between', () =>
    expect(asked(['SAE'])).toEqual({ 'SAE-class': 827, 'SAE-e': 20, 'SAE-p': 30 }));
  it('laminate: 3·d to the edge, 4·d between; ten times the bolt’s area', () => {
    const got = asked(['marine'], (j) => laminate({ ...j, far: { kind: 'washer' } }));
    expect(got).toMatchObject({ 'MAR-e': 30, 'MAR-p': 40 });
    expect(Object.values(got)).toContain(785.398);
    expect(asked(['marine'])).not.toHaveProperty('MAR-e');
  });
  it('timber: washers of 3·d, lags 4·d into it', () => {
    expect(asked(['timber-EN'], timber)['TEN-washer']).toBe(30);
    const lag = asked(['timber-NDS'], (j) => timber({ ...j, joint: { ...j.joint, holding: 'lag screw', engagement: mm(60) } }));
    expect(lag).toMatchObject({ 'NDS-lag': 40, 'NDS-p': 40 });
  });
  it('what there is: the nearest hole to the edge, and the two nearest bolts', () => {
    const r = resolved(lopsided({ fz: 100 }, (j) => ({ ...j, packs: ['EN'] })));
    expect(rulesIn(r).map((s) => [s.rule.id, s.measured?.have, s.holds])).toEqual([
      ['EN-e', 25, true],
      ['EN-p', 105, true],
      ['EN-e-good', 25, true],
    ]);
  });
});

it('a head over a slot lies on its washer less a strip as wide as the slot: (π/4·20² − 11·20)·f_y', () => {
  const through = (slot: number) =>
    lopsided({ fz: 4000 }, (j) => ({
      ...j,
      base: {
        ...j.base,
        length: mm(180),
        width: mm(130),
        hole: mm(11),
        slot: mm(slot),
        slotAlong: 'x',
        metal: 'S235',
        holes: j.bolts.items.map((b) => ({ ...b })),
      },
    }));
  expect(link(through(0), 'head-bearing').capacity).toBeCloseTo((Math.PI / 4) * (20 ** 2 - 11 ** 2) * 235, 3);
  expect(link(through(12), 'head-bearing').capacity).toBeCloseTo(((Math.PI / 4) * 20 ** 2 - 11 * 20) * 235, 3);
});

it('a fitting with bolts of its own: heads over the plate’s slots are asked beside those on its base', () => {
  const own = [
    { id: 'N1', x: -30, y: 0 },
    { id: 'N2', x: 30, y: 0 },
  ];
  const pulled = (slot: boolean) =>
    link(
      testJob({ fz: 8000 }, (j) => ({
        ...j,
        base: { ...j.base, hole: mm(11), metal: 'S355', holes: own },
        // All of one kind: slots in the plate, round holes in the base.
        bolts: {
          ...j.bolts,
          items: [...j.bolts.items, ...own].map((b) => (slot ? { ...b, holes: { slot: mm(15), turn: 0 } } : b)),
        },
      })),
      'head-bearing',
    );
  expect(pulled(false).at).toMatch(/^N/);
  expect(pulled(true).at).toMatch(/^B\d on the plate$/);
  expect(pulled(true).utilisation).toBeGreaterThan(pulled(false).utilisation);
});
