import type { Job } from '../job/schema';
import { withClass } from '../job/bolt-class';
import { nextLength } from '../stock/bolt-lengths';
import { BOLT_PROOF } from '../stock/bolt-proof';
import { FASTENER_CLASSES } from '../stock/fastener-classes';
import { resolved, testJob } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { byFriction, byNutFactor, crushTorque, lengthFor } from './tightening';

const bolted = (size: string, grade: string, change: (j: Job) => Job = (j) => j) =>
  resolved(testJob({}, (j) => change({ ...j, bolts: { ...withClass(j.bolts, grade), size } })));
const LBF = 4.4482216152605;
const LBFT = 1355.8179483314;

describe('VDI 2230 Tab. A1, class 8.8 and 10.9 (memory): preload kN and torque N·m', () => {
  it.each([
    ['M8', '8.8', 0.12, 18.6, 24.6],
    ['M8', '8.8', 0.14, 18.1, 27.3],
    ['M10', '8.8', 0.12, 29.6, 48],
    ['M10', '8.8', 0.14, 28.8, 54],
    ['M12', '8.8', 0.12, 43.1, 84],
    ['M12', '8.8', 0.14, 42.0, 93],
    ['M16', '8.8', 0.12, 81, 206],
    ['M16', '8.8', 0.14, 79, 230],
    ['M8', '10.9', 0.12, 27.4, 36],
    ['M8', '10.9', 0.14, 26.6, 40],
  ])('%s %s μ %d: %d, %d', (size, grade, mu, kN, Nm) => {
    const t = byFriction(bolted(size, grade), mu);
    // To the table's last figure, and half a per cent where it is rounded to three.
    expect(Math.abs(t.preload / 1000 / kN - 1)).toBeLessThan(0.005);
    expect(Math.abs(t.torque / 1000 / Nm - 1)).toBeLessThan(0.012);
    expect(t.steps.at(-1)!.value).toBe(t.torque);
  });
});

describe('T = K·d·F, K 0.2, 75 % proof (Machinery’s Handbook, memory)', () => {
  it.each([
    ['3/8-16', 'Gr 5', 4940, 30.9],
    ['1/2-13', 'Gr 8', 12_770, 106],
    ['5/16-18', 'Gr 5', 3340, 17.4],
  ])('%s %s: %d lb, %d lb·ft', (size, grade, lb, lbft) => {
    const t = byNutFactor(bolted(size, grade));
    expect(Math.abs(t.preload / LBF / lb - 1)).toBeLessThan(0.003);
    expect(t.torque / LBFT).toBeCloseTo(lbft, lbft > 100 ? 0 : 1);
  });
});

it('every class in stock has its proof, none over its yield', () => {
  for (const c of FASTENER_CLASSES) {
    const p = BOLT_PROOF[c.id]!;
    expect([c.id, p.proof[0] <= p.yield[0] && p.proof[1] <= p.yield[1]]).toEqual([c.id, true]);
  }
});

describe('a soft grip', () => {
  const laminate = (far: Job['far']) =>
    bolted('M8', '8.8', (j) => ({
      ...j,
      skin: { ...j.skin, kind: 'laminate', glass: fromSheet(0.35, '35 %') } as Job['skin'],
      far,
    }));
  it('limits the torque by the washer: 150ψ + 72 on π/4·(16² − 9²), over 3 (by hand)', () => {
    const t = crushTorque(laminate({ kind: 'washer' }))!;
    // Working loads divide by the factor on break, 3.
    expect(t.preload).toBeCloseTo(((150 * 0.35 + 72) * (Math.PI / 4) * (256 - 81)) / 3, 6);
    expect(t.torque).toBeCloseTo(0.2 * 8 * t.preload, 6);
    expect(t.torque).toBeLessThan(byNutFactor(laminate({ kind: 'washer' })).torque);
  });
  it('a large washer lets it be tightened more, and a metal sheet has no such limit', () => {
    expect(crushTorque(laminate({ kind: 'large washer' }))!.torque).toBeGreaterThan(
      crushTorque(laminate({ kind: 'washer' }))!.torque,
    );
    expect(crushTorque(bolted('M8', '8.8'))).toBeUndefined();
  });
});

describe('length', () => {
  it('grip, nut and two threads, to the next stocked (by hand)', () => {
    // M10: washers 2 + 2, plate 8, skin 8, backing 5; nut 8.4; two threads of 1.5.
    const l = lengthFor(bolted('M10', '8.8'), false);
    expect(l.needed).toBeCloseTo(25 + 8.4 + 3, 9);
    expect(l.stock).toEqual({ length: 40, text: '40 mm' });
    expect(l.protrusion).toBeCloseTo(40 - 33.4, 9);
  });
  it('through the base it is longer by the base; inch bolts by quarters', () => {
    const r = bolted('M10', '8.8');
    expect(lengthFor(r, true).needed - lengthFor(r, false).needed).toBeCloseTo(8, 9);
    expect(nextLength(30, 'inch')).toEqual({ length: 31.75, text: '1 1/4 in' });
    expect(nextLength(12, 'inch')!.text).toBe('1/2 in');
    expect(nextLength(5000, 'metric')).toBeUndefined();
  });
});
