import { mirrored } from '../job/mirrored';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { asSolved, caseFile, linkOf } from '../testing/case-file';
import { turned } from '../testing/turned';
import { Working } from '../working/steps';
import { bridges, type Bridge } from './backing-bending';

const silent = new Working(false);
const plate: Bridge = { a: 40, c: 15, b: 9, R: 110, t: 3, n: 1, fy: 235, γ: 1 };
const m_p = (9 * 235) / 4;

/** The same by marching out from the plate's own hole in small steps: Tresca in each, the pull at which the rim asks all it has. */
function marched({ a, c, b, R }: Bridge): number {
  const most = Math.min(1, Math.log(R / a));
  const left = (p: number): number => {
    const steps = 20_000;
    let rM = 0;
    for (let k = 0; k < steps; k++) {
      const r = b + ((k + 0.5) * (a - b)) / steps;
      const M = rM / r;
      const round = M >= 0 ? 1 : 1 + M;
      rM += (round - (r > c ? p : 0)) * ((a - b) / steps);
    }
    return rM / a + most;
  };
  let [low, high] = [1, 20];
  for (let k = 0; k < 50; k++) {
    const mid = (low + high) / 2;
    if (left(mid) > 0) low = mid;
    else high = mid;
  }
  return 2 * Math.PI * m_p * low;
}

describe('a round plate that bridges a hole, pulled on a ring', () => {
  it('on its rim alone: 2π·m_p·(a − b)/(a − c), the cone of its folding by virtual work', () => {
    const alone = { ...plate, R: plate.a };
    // Turning δ/(a − c): round about ∫m_p·δ/(r(a − c))·2πr dr from c to a, and at the ring what the inner part holds, m_p(1 − b/c).
    const work = 2 * Math.PI * m_p * (1 + ((1 - plate.b / plate.c) * plate.c) / (plate.a - plate.c));
    expect(bridges(alone, silent)).toBeCloseTo(work, 6);
  });
  it('pulled in its middle, held on its rim or clamped: 2π·m_p (Hopkins & Prager 1953, memory)', () => {
    for (const R of [40, 1000]) {
      const point = bridges({ ...plate, b: 0, c: 1e-9, R }, silent);
      expect(point / (2 * Math.PI * m_p)).toBeGreaterThan(1);
      expect(point / (2 * Math.PI * m_p)).toBeLessThan(1.06);
    }
  });
  it.each([110, 60, 45, 41])('with a plate that reaches %d mm: as marched out step by step', (R) =>
    expect(bridges({ ...plate, R }, silent) / marched({ ...plate, R })).toBeCloseTo(1, 3),
  );
  it('two loose plates hold twice one, twice the thickness four times, half the yield half', () => {
    const one = bridges(plate, silent);
    expect(bridges({ ...plate, n: 2 }, silent) / one).toBeCloseTo(2, 9);
    expect(bridges({ ...plate, t: 6 }, silent) / one).toBeCloseTo(4, 9);
    expect(bridges({ ...plate, γ: 2 }, silent) / one).toBeCloseTo(0.5, 9);
  });
});

describe('where it is asked', () => {
  const wide = caseFile('skin-hole-of-80-under-a-3-mm-backing');
  const filled: Job = { ...wide, bolts: { ...wide.bolts, items: wide.bolts.items.map(({ holes: _, ...b }) => b) } };
  const ways = { 'as drawn': (j: Job) => j, turned, mirrored };
  it.each(Object.entries(ways))('%s: 3 mm of backing over a hole of 80, by hand and as solved', (_way, change) => {
    for (const job of [change(wide), asSolved(change(wide))]) {
      const link = linkOf(job, 'backing-bending');
      expect(link.utilisation).toBeGreaterThan(4);
      expect(link.at).toContain('backing over the skin');
      // Its edge is as far as the hole's: nothing holds it but the rim.
      expect(link.capacity).toBeCloseTo((2 * Math.PI * m_p * (40 - 17.5 / 2)) / (40 - 15), 3);
    }
  });
  it('on whole skin there is nothing to bridge, and the solved stress of the backing stands alone', () => {
    expect(linkOf(filled, 'backing-bending').state).toBe('not needed');
    expect(linkOf(asSolved(filled), 'backing-bending')).toMatchObject({ state: 'sound', unit: 'MPa' });
  });
  it('the skin is pressed on the rim of the hole, and not where nothing is', () => {
    // 80 wide and the spread past it, no further than twice the 40 to the backing's edge.
    const π = Math.PI;
    expect(linkOf(wide, 'pull-through').capacity).toBeCloseTo((0.6 * π * 80 * 20 * 430) / 1.25, 0);
  });
  it('a washer over a hole wider than the nut’s flats, and the head’s over a wide hole of the base', () => {
    const washers: Job = { ...filled, far: { kind: 'washer' } };
    const hole = (mm: number): Job => ({
      ...washers,
      bolts: { ...washers.bolts, items: washers.bolts.items.map((b) => ({ ...b, holes: { skin: fromSheet(mm, `${mm} mm`) } })) },
    });
    // M16: 24 across flats, washer 30 × 3.
    expect(linkOf(hole(23), 'backing-bending').state).toBe('not needed');
    expect(linkOf(hole(28), 'backing-bending').capacity).toBeGreaterThan(linkOf(hole(29), 'backing-bending').capacity);
    expect(linkOf(hole(28), 'backing-bending').at).toContain('over the skin');
  });
});
