import fc from 'fast-check';
import { evaluate } from '../chain/evaluate';
import type { Job } from '../job/schema';
import { USUAL_SPREAD } from '../job/spread-rules';
import { fromSheet } from '../job/values';
import { testJob } from '../testing/test-job';

type Change = (j: Job) => Job;
const on = (id: string, load: Parameters<typeof testJob>[0], change: Change = (j) => j) =>
  evaluate(testJob(load, change)).links.find((l) => l.id === id)!;

const laminate: Change = (j) => {
  const { thickness, spanX, spanY, aft, starboard, bedModulus } = j.skin;
  return {
    ...j,
    skin: { kind: 'laminate', glass: fromSheet(0.35, '35 %'), thickness, spanX, spanY, aft, starboard, bedModulus },
  };
};
const plywood: Change = (j) => {
  const { spanX, spanY, aft, starboard, bedModulus } = j.skin;
  return {
    ...j,
    skin: { kind: 'plywood', grade: 'birch', thickness: fromSheet(18, '18 mm'), spanX, spanY, aft, starboard, bedModulus },
  };
};
const washers: Change = (j) => ({ ...j, far: { kind: 'washer' } });
/** Held by welds alone: a plate that may lie over a bearer, with nothing behind it. */
const welded: Change = (j) => ({
  ...j,
  bolts: { ...j.bolts, items: [] },
  far: { kind: 'washer' },
  welds: { ...j.welds, fitting: 'all round', doubler: 'all round', doublerThroat: fromSheet(4, '4 mm') },
});
const both =
  (...changes: Change[]): Change =>
  (j) =>
    changes.reduce((a, f) => f(a), j);

describe('skin bearing', () => {
  it('steel, EN Tab. 3.4 by hand: pitch 160 and 180 give α_b 1, k_1 2.5: 2.5·360·10·8/3 = 24.0 kN', () => {
    expect(on('skin-bearing', { fx: 4000 }).capacity).toBeCloseTo(24_000, 6);
  });
  it('laminate ψ 0.35: (150·0.35 + 72)·d·t/3 = 124.5·80/3 = 3.32 kN (common practice)', () => {
    expect(on('skin-bearing', { fx: 4000 }, laminate).capacity).toBeCloseTo(3320, 6);
  });
  it('plywood, EN 1995-1-1 eq. 8.36, short-term k_mod 0.9: 0.9·0.11·(1 − 0.1)·630·10·18/3 = 3.368 kN', () => {
    expect(on('skin-bearing', { fx: 4000 }, plywood).capacity).toBeCloseTo(3367.98, 1);
  });
  it('steel by AISC §J3.10: 2.4·d·t·F_u/3 = 23.04 kN', () => {
    const aisc: Change = (j) => ({ ...j, practice: { ...j.practice, rules: 'AISC' } });
    expect(on('skin-bearing', { fx: 4000 }, aisc).capacity).toBeCloseTo(23_040, 6);
  });
});

describe('pull-through', () => {
  it('laminate under plain washers: π·20·8·16.375/3 = 2.74 kN (statics, interlaminar shear of ISO 12215-5 Annex C from memory)', () => {
    expect(on('pull-through', { fz: 4000 }, both(laminate, washers)).capacity).toBeCloseTo((Math.PI * 20 * 8 * 16.375) / 3, 3);
  });
  it('large washers hold in proportion to how far they stay flat: 16 + 2·2.5·√(400/(3·124.5/3·2)) = 22.3 of 30 mm, and 20', () => {
    const large: Change = (j) => ({ ...j, far: { kind: 'large washer' } });
    const ratio =
      on('pull-through', { fz: 4000 }, both(laminate, large)).capacity /
      on('pull-through', { fz: 4000 }, both(laminate, washers)).capacity;
    expect(ratio).toBeCloseTo((16 + 5 * Math.sqrt(400 / (124.5 * 2))) / 20, 9);
  });
  it('a backing plate never holds less than its washers', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 20 }), (t) => {
        const plate: Change = (j) => ({ ...j, far: { kind: 'plate', metal: 'S275', thickness: fromSheet(t, `${t}`) } });
        expect(on('pull-through', { fz: 4000 }, both(laminate, plate)).capacity).toBeGreaterThanOrEqual(
          on('pull-through', { fz: 4000 }, both(laminate, washers)).capacity,
        );
      }),
      { numRuns: 12 },
    );
  });
  it('its spread stops at the backing plate’s edge: 25 mm from the bolt makes at most 50 mm', () => {
    const thick: Change = (j) => ({ ...j, far: { kind: 'plate', metal: 'S355', thickness: fromSheet(30, '30') } });
    expect(on('pull-through', { fz: 4000 }, both(plywood, thick)).capacity).toBeCloseTo((0.9 * Math.PI * 50 * 18 * 9.5) / 3, 3);
  });
});

describe('washer crush', () => {
  it('plywood, EN 1995-1-1 §8.5.2(2): 3·f_c,90·0.9 on the washer’s ring: 13.5·π/4·(20² − 11²)/3 = 0.986 kN', () => {
    expect(on('washer-crush', { fz: 4000 }, both(plywood, washers)).capacity).toBeCloseTo(
      (13.5 * (Math.PI / 4) * (400 - 121)) / 3,
      3,
    );
  });
  it('is not asked of metal sheet', () => expect(on('washer-crush', { fz: 4000 }).state).toBe('not needed'));
});

describe('skin bending', () => {
  it('a thicker skin bends by the square: 8 against 16 mm, same load', () => {
    const t =
      (v: number): Change =>
      (j) => ({ ...j, skin: { ...j.skin, thickness: fromSheet(v, `${v}`) } });
    expect(on('skin-bending', { fz: 3000 }, t(8)).demand / on('skin-bending', { fz: 3000 }, t(16)).demand).toBeCloseTo(4, 9);
  });
  it('is near Roark’s small circle on a square panel (Tab. 11.4 case 1b, memory) for a small plate: within 5 %', () => {
    const small: Change = (j) => ({
      ...j,
      base: { ...j.base, length: fromSheet(30, '30'), width: fromSheet(30, '30'), holes: [] },
      plate: { ...j.plate, x0: -45, x1: 45, y0: -45, y1: 45, corner: 0 },
      bolts: {
        ...j.bolts,
        size: 'M6',
        items: [28, -28].flatMap((x, i) => [28, -28].map((y, k) => ({ id: `B${2 * i + k}`, x, y }))),
      },
      skin: {
        ...j.skin,
        spanX: fromSheet(600, '600'),
        spanY: fromSheet(600, '600'),
        aft: fromSheet(300, '300'),
        starboard: fromSheet(300, '300'),
      },
    });
    const l = on('skin-bending', { fz: 2000 }, small);
    const r = 90 / Math.sqrt(Math.PI);
    const sigma = ((3 * 2000) / (2 * Math.PI * 64)) * (1.3 * Math.log((2 * 600) / (Math.PI * r)) + 0.435);
    expect(l.demand / sigma).toBeGreaterThan(0.95);
    expect(l.demand / sigma).toBeLessThan(1.05);
  });
  it('a plate that reaches a bearer is carried by it', () => {
    const short: Change = (j) => ({ ...j, skin: { ...j.skin, spanX: fromSheet(200, '200'), aft: fromSheet(100, '100') } });
    expect(on('skin-bending', { fz: 3000 }, both(short, welded))).toMatchObject({
      state: 'not needed',
      because: expect.stringContaining('bearer'),
    });
  });
  it('with no bearer on one side it is no panel held on four: refused by hand, by the side', () => {
    const free: Change = (j) => ({ ...j, spread: { ...USUAL_SPREAD, edges: { ...USUAL_SPREAD.edges, port: 'free' } } });
    expect(on('skin-bending', { fz: 3000 }, free)).toMatchObject({
      state: 'refused',
      because: expect.stringContaining('no bearer is on its port side'),
    });
  });
  it('a slab is no thin plate: refused with its range', () => {
    const slab: Change = (j) => ({ ...j, skin: { ...j.skin, thickness: fromSheet(60, '60') } });
    expect(on('skin-bending', { fz: 3000 }, slab)).toMatchObject({
      state: 'refused',
      because: expect.stringContaining('at most 40.0 mm'),
    });
  });
  it('says what it does not show', () => expect(on('skin-bending', { fz: 3000 }).cautions.join()).toContain('stress riser'));
});

describe('plate bearing', () => {
  it('tears towards the edge behind the bolt: moving the bolt from that edge never lowers it', () => {
    const at =
      (x: number): Change =>
      (j) => ({ ...j, bolts: { ...j.bolts, items: j.bolts.items.map((b) => (b.x < 0 ? { ...b, x } : b)) } });
    expect(on('plate-bearing', { fx: 9000 }, at(-90)).capacity).toBeGreaterThan(
      on('plate-bearing', { fx: 9000 }, at(-100)).capacity,
    );
  });
  it('EN Tab. 3.4 by hand: e1 25, e2 25, d0 11, t 8, S275: α_b 0.758, k_1 2.5 → 21.7 kN at a factor of 3', () => {
    expect(on('plate-bearing', { fx: 9000 }).capacity).toBeCloseTo((2.5 * (25 / 33) * 430 * 10 * 8) / 3, 3);
  });
});

describe('skin bending under a plate that is not in the middle', () => {
  const shift: (by: number) => Change = (by) => (j) => ({
    ...j,
    plate: { ...j.plate, x0: j.plate.x0 + by, x1: j.plate.x1 + by },
    bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, x: b.x + by })) },
    skin: { ...j.skin, aft: fromSheet(j.skin.aft.v - by, '') },
  });
  it('moved as a whole, plate, bolts, load and bearers, nothing changes (statics: M − r × F)', () => {
    const still = on('skin-bending', { fz: 3000, my: 1e5 });
    const moved = on('skin-bending', { fz: 3000, my: 1e5, x: 14 }, shift(14));
    expect(moved.utilisation).toBeCloseTo(still.utilisation, 9);
  });
  it('over both of two opposite bearers it is not a panel; over one only it still bends, and its help is not counted', () => {
    const bearers =
      (aft: number, spanX: number): Change =>
      (j) => ({
        ...j,
        skin: { ...j.skin, aft: fromSheet(aft, ''), spanX: fromSheet(spanX, '') },
      });
    expect(on('skin-bending', { fz: 3000 }, both(bearers(100, 200), welded)).state).toBe('not needed');
    const one = on('skin-bending', { fz: 3000 }, both(bearers(100, 420), welded));
    expect(one.utilisation).toBeGreaterThan(0);
    expect(one.cautions.join()).toContain('reaches over one bearer');
    // The same strip of panel under the same load, with the plate cut at the bearer: no less.
    const cut = on(
      'skin-bending',
      { fz: 3000, x: 7.5 },
      both(bearers(100, 420), welded, (j) => ({ ...j, plate: { ...j.plate, x0: -100 } })),
    );
    expect(one.utilisation).toBeGreaterThan(0.9 * cut.utilisation);
  });
});
