import fc from 'fast-check';
import { seeded } from '../testing/seeded';
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
          // In the fitting's own axes, as it lies.
          const [c, n] = [Math.cos(m.move.theta), Math.sin(m.move.theta)];
          const own = { x: c * b.inFitting.x + n * b.inFitting.y, y: -n * b.inFitting.x + c * b.inFitting.y };
          expect(hole(own, slot / 2, along)).toBeLessThan(1 + 1e-9);
          expect(b.inFitting.x).toBeCloseTo(b.inStructure.x - b.dx, 9);
        }
        expect(m.meets).toBe(m.bolts.every((b) => b.miss < 1.1e-3));
      },
    ),
    { numRuns: 60 },
  );
});

/** Between two straight pieces about their middles, by their ends and whether they cross (school geometry). */
function between(e: Spot, f: Spot, s: Spot): number {
  const ends = (m: Spot, h: Spot): readonly [Spot, Spot] => [
    { x: m.x - h.x, y: m.y - h.y },
    { x: m.x + h.x, y: m.y + h.y },
  ];
  const [a, b] = ends(e, f);
  const [c, d] = ends({ x: 0, y: 0 }, s);
  const side = (p: Spot, q: Spot, r: Spot) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return 0;
  const toPiece = (p: Spot, q: Spot, r: Spot) => {
    const [ux, uy] = [r.x - q.x, r.y - q.y];
    const L = ux * ux + uy * uy;
    const t = L === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - q.x) * ux + (p.y - q.y) * uy) / L));
    return Math.hypot(p.x - q.x - t * ux, p.y - q.y - t * uy);
  };
  return Math.min(toPiece(a, c, d), toPiece(b, c, d), toPiece(c, a, b), toPiece(d, a, b));
}
interface Spot {
  readonly x: number;
  readonly y: number;
}

/** The least miss there is: every move and turn about a first one, over a grid drawn in eight times. */
function leastMiss(f: HolePattern, s: HolePattern, d: number, turn: number): number {
  const slotOf = (p: HolePattern, t: number): Spot => {
    const way = t + (p.along === 'x' ? 0 : Math.PI / 2);
    return { x: (p.slot / 2) * Math.cos(way), y: (p.slot / 2) * Math.sin(way) };
  };
  const structure = slotOf(s, 0);
  const clear = (f.hole + s.hole) / 2 - d;
  const miss = (x: number, y: number, t: number) => {
    const [c, n] = [Math.cos(t), Math.sin(t)];
    const own = slotOf(f, t);
    return Math.max(
      ...f.holes.map((p, i) =>
        between({ x: c * p.x - n * p.y + x - s.holes[i]!.x, y: n * p.x + c * p.y + y - s.holes[i]!.y }, own, structure),
      ),
    );
  };
  let best = { x: 0, y: 0, t: turn, v: Infinity };
  let [dx, dt] = [8, 0.12];
  for (let level = 0; level < 9; level++) {
    const about = best;
    for (let i = -4; i <= 4; i++)
      for (let j = -4; j <= 4; j++)
        for (let k = -4; k <= 4; k++) {
          const [x, y, t] = [about.x + (i * dx) / 4, about.y + (j * dx) / 4, about.t + (k * dt) / 4];
          const v = miss(x, y, t);
          if (v < best.v) best = { x, y, t, v };
        }
    [dx, dt] = [dx * 0.45, dt * 0.45];
  }
  return Math.max(0, best.v - clear);
}

describe('a fitting that lies at any angle, its slots with it', () => {
  const turned = (list: NamedPoint[], t: number): NamedPoint[] =>
    list.map((p) => ({ ...p, x: Math.cos(t) * p.x + Math.sin(t) * p.y, y: -Math.sin(t) * p.x + Math.cos(t) * p.y }));
  it('at 40° its slots let the holes pass along 40° and not along 0° or 90°: two holes 4 mm too far apart along, or across (by hand)', () => {
    const t = (40 * Math.PI) / 180;
    const structure = turned(at([50, 0], [-50, 0]), -t);
    const fitting = at([52, 0], [-52, 0]);
    // Each hole 2 mm off along the row: the slot of 4 takes it all, and its clearances of 0.5 each are left.
    expect(meet(round(fitting, 9, 4, 'x'), round(structure, 9), 8).margin).toBeCloseTo(1, 2);
    // Across the row a slot is no help along it.
    expect(meet(round(fitting, 9, 4, 'y'), round(structure, 9), 8).margin).toBeCloseTo(1 - 2, 2);
  });
  it('500 at random against every move and turn there is: the same miss within 0.03 mm', () => {
    const random = seeded(40);
    const spread = (by: number) => (random() - 0.5) * 2 * by;
    const off: unknown[] = [];
    for (let n = 0; n < 500; n++) {
      const turn = random() * 2 * Math.PI;
      const s = random() < 0.5 ? rect(60 + spread(30), 40 + spread(15)) : at([-90, 10], [-20, -35], [30, 42], [95, -8]);
      const f = turned(s, turn).map((p) => ({ ...p, x: p.x + spread(3), y: p.y + spread(3) }));
      const way = () => (random() < 0.5 ? ('x' as const) : ('y' as const));
      const fitting = round(f, 9 + random(), random() < 0.8 ? 3 + 6 * random() : 0, way());
      const structure = round(s, 9, random() < 0.4 ? 4 * random() : 0, way());
      const m = meet(fitting, structure, 8);
      const exact = leastMiss(fitting, structure, 8, turn);
      if (Math.abs(Math.max(0, -m.margin) - exact) > 0.03) off.push([n, (turn * 180) / Math.PI, m.margin, -exact]);
    }
    expect(off).toEqual([]);
  });
});

describe('refusals', () => {
  it('a hole narrower than the bolt', () =>
    expect(meetingOf(round(rect(10, 10), 7), round(rect(10, 10), 9), 8)).toMatchObject({
      because: expect.stringContaining('7.0 mm and the bolt 8.0 mm'),
    }));
  it('a different number of holes', () =>
    expect(meetingOf(round(rect(10, 10), 9), round(rect(10, 10).slice(1), 9), 8)).toMatchObject({ refused: true }));
});
