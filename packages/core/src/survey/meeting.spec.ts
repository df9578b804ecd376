import fc from 'fast-check';
import { isRefusal } from '../units/refusal';
import type { NamedPoint } from './fit-pattern';
import { meetingOf, type HolePattern, type Meeting } from './meeting';

const round = (holes: NamedPoint[], hole: number, slot = 0, along: 'x' | 'y' = 'x'): HolePattern => ({
  holes,
  hole,
  slot,
  along,
});
const at = (...xy: [number, number][]): NamedPoint[] => xy.map(([x, y], i) => ({ id: `H${i + 1}`, x, y }));
const meet = (...args: Parameters<typeof meetingOf>): Meeting => {
  const m = meetingOf(...args);
  if (isRefusal(m)) throw new Error(m.because);
  return m;
};
const rect = (a: number, b: number) => at([a, b], [-a, b], [-a, -b], [a, -b]);

describe('two holes, pitch off by δ: best is half each, so play = clearances − δ/2 (by hand)', () => {
  it.each([
    [1, 9, 9, 8, 0.5],
    [2, 9, 9, 8, 0],
    [6, 9, 9, 8, -2],
    [0, 11, 9, 8, 2],
  ])('δ %d mm, holes %d and %d, bolt %d: %d mm', (delta, hf, hs, d, margin) => {
    const m = meet(round(at([50 + delta / 2, 0], [-50 - delta / 2, 0]), hf), round(at([50, 0], [-50, 0]), hs), d);
    expect(m.margin).toBeCloseTo(margin, 2);
    expect(m.meets).toBe(margin >= 0);
    for (const b of m.bolts) expect(b.play - b.miss).toBeCloseTo(margin, 2);
  });
  it('a slot of length s along the row takes s/2 more at each end', () => {
    const m = meet(round(at([53, 0], [-53, 0]), 9, 4), round(at([50, 0], [-50, 0]), 9), 8);
    expect(m.margin).toBeCloseTo(1 + 2 - 3, 2);
    const across = meet(round(at([53, 0], [-53, 0]), 9, 4, 'y'), round(at([50, 0], [-50, 0]), 9), 8);
    expect(across.margin).toBeCloseTo(1 - 3, 2);
  });
});

it('four holes, one 4 mm off along its diagonal: no setting does better than the minimax over a fine grid', () => {
  const fitting = rect(100, 60);
  const bad = fitting.map((p, i) => (i === 0 ? { ...p, x: p.x + 3.2, y: p.y + 2.4 } : p));
  const m = meet(round(bad, 9), round(fitting, 9), 8);
  // Brute force, independent of the solver: moves to 0.1 mm and turns to 0.5 mrad.
  let best = Infinity;
  for (let x = -3; x <= 1; x += 0.1)
    for (let y = -3; y <= 1; y += 0.1)
      for (let t = -0.02; t <= 0.02; t += 0.0005) {
        let worst = 0;
        bad.forEach((p, i) => {
          const [c, s] = [Math.cos(t), Math.sin(t)];
          worst = Math.max(worst, Math.hypot(c * p.x - s * p.y + x - fitting[i]!.x, s * p.x + c * p.y + y - fitting[i]!.y));
        });
        best = Math.min(best, worst);
      }
  expect(1 - m.margin).toBeLessThanOrEqual(best + 1e-3);
  expect(1 - m.margin).toBeGreaterThan(best - 0.1);
});

it('turned by a quarter, the fitting’s slots run the other way', () => {
  const structure = rect(100, 60);
  const fitting = structure.map((p) => ({ id: p.id, x: p.y, y: -p.x })).map((p) => ({ ...p, x: p.x * 1.05 }));
  const withSlot = (along: 'x' | 'y') => meet(round(fitting, 9, 8, along), round(structure, 9), 8).margin;
  expect(withSlot('x')).toBeGreaterThan(withSlot('y') + 1);
});

it('where it says a bolt passes, the bolt is inside both holes; where it misses, by that much outside (geometry)', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -2.5, max: 2.5, noNaN: true }), { minLength: 8, maxLength: 8 }),
      fc.constantFrom(0, 6),
      fc.constantFrom('x' as const, 'y' as const),
      (noise, slot, along) => {
        const s = rect(120, 70);
        const f = s.map((p, i) => ({ ...p, x: p.x + noise[2 * i]!, y: p.y + noise[2 * i + 1]! }));
        const m = meet(round(f, 10, slot, along), round(s, 9), 8);
        const hole = (p: { x: number; y: number }, run: number, way: 'x' | 'y') =>
          Math.hypot(Math.max(0, Math.abs(p.x) - (way === 'x' ? run : 0)), Math.max(0, Math.abs(p.y) - (way === 'y' ? run : 0)));
        for (const b of m.bolts) {
          if (b.miss > 0) continue;
          expect(hole(b.inStructure, 0, 'x')).toBeLessThan(0.5 + 1e-9);
          expect(hole(b.inFitting, slot / 2, along)).toBeLessThan(1 + 1e-9);
          expect(b.inFitting.x).toBeCloseTo(b.inStructure.x - b.dx, 9);
        }
        expect(m.meets).toBe(m.bolts.every((b) => b.miss < 1.1e-3));
      },
    ),
    { numRuns: 60 },
  );
});

describe('refusals', () => {
  it('a hole narrower than the bolt', () =>
    expect(meetingOf(round(rect(10, 10), 7), round(rect(10, 10), 9), 8)).toMatchObject({
      because: expect.stringContaining('7.0 mm and the bolt 8.0 mm'),
    }));
  it('a different number of holes', () =>
    expect(meetingOf(round(rect(10, 10), 9), round(rect(10, 10).slice(1), 9), 8)).toMatchObject({ refused: true }));
});
