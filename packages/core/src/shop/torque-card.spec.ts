import { resolved, testJob, withJoint } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { sequence, torqueCard } from './torque-card';
import { tightenTo } from './tightening';

const ring = (n: number) =>
  Array.from({ length: n }, (_, i) => ({
    id: `${i + 1}`,
    x: 100 * Math.cos((2 * Math.PI * i) / n),
    y: 100 * Math.sin((2 * Math.PI * i) / n),
  }));
const order = (bolts: { id: string; x: number; y: number }[]) =>
  sequence(bolts)
    .order.map((b) => b.id)
    .join('-');

describe('crosswise on a ring: ASME PCC-1 legacy pattern (from memory)', () => {
  it.each([
    [4, '1-3-2-4'],
    [8, '1-5-3-7-2-6-4-8'],
    [12, '1-7-4-10-2-8-5-11-3-9-6-12'],
    [16, '1-9-5-13-3-11-7-15-2-10-6-14-4-12-8-16'],
  ])('%s bolts', (n, expected) => expect(order(ring(n))).toBe(expected));
  it('turned, moved, or its bolts listed in another order, it is the same bolts opposite each other', () => {
    const moved = ring(8)
      .map(({ id, x, y }) => ({ id, x: 50 + 0.8 * x - 0.6 * y, y: -20 + 0.6 * x + 0.8 * y }))
      .reverse();
    const found = sequence(moved).order;
    for (let i = 0; i < 8; i += 2) {
      const [a, b] = [found[i]!, found[i + 1]!];
      expect(Math.hypot(a.x + b.x - 100, a.y + b.y + 40)).toBeCloseTo(0, 6);
    }
  });
});

it('a row goes from the middle out, one side and the other (common practice)', () => {
  const row = [-90, -45, 0, 45, 90].map((x, i) => ({ id: `B${i + 1}`, x, y: 0.5 * x }));
  expect(sequence(row)).toMatchObject({ pattern: 'from the middle out' });
  expect(order(row)).toBe('B3-B2-B4-B1-B5');
});

describe('the rounds', () => {
  it('30, 70 and 100 % of what the job tightens to, then once round at 100 %', () => {
    const r = resolved(testJob({ fz: 500 }));
    const card = torqueCard(r)!;
    const full = tightenTo(r).torque!.torque;
    [0.3, 0.7, 1, 1].forEach((part, i) => expect(card.passes[i]!.torque / full).toBeCloseTo(part, 12));
    expect(card.passes).toHaveLength(4);
    expect([...card.order].sort()).toEqual(r.bolts.map((b) => b.id).sort());
  });
  it('one bolt is drawn to its torque at once', () => {
    const r = resolved(testJob({ fz: 500 }, (j) => ({ ...j, bolts: { ...j.bolts, items: j.bolts.items.slice(0, 1) } })));
    expect(torqueCard(r)).toMatchObject({ pattern: 'one bolt', passes: [{ part: 1 }] });
  });
  it('a lag screw has none', () => {
    const timber = withJoint({ holding: 'lag screw', engagement: fromSheet(60, '60 mm') });
    const r = resolved(
      testJob({ fz: 500 }, (j) => ({
        ...timber(j),
        skin: { ...j.skin, kind: 'timber', grade: 'C24', grain: 'x', thickness: fromSheet(90, '90 mm') } as typeof j.skin,
        far: { kind: 'washer' },
      })),
    );
    expect(torqueCard(r)).toMatchObject({ passes: [], tighten: { by: 'lag' } });
  });
});
