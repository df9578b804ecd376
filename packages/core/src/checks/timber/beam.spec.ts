import { mirrored } from '../../job/mirrored';
import type { Job } from '../../job/schema';
import { fromSheet } from '../../job/values';
import { asSolved, caseFile, linkOf } from '../../testing/case-file';
import { turned } from '../../testing/turned';

const q = (v: number) => fromSheet(v, `${v} mm`);
const CASE = 'timber-beside-its-bearer-shear';
const LAGS = 'lag-sideways-by-its-full-diameter';
const ways = { 'as drawn': (j: Job) => j, turned, mirrored };
const put = (job: Job, v: Record<string, number>): Job => ({
  ...job,
  loads: job.loads.map((l) => ({
    ...l,
    values: {
      ...l.values,
      fx: q(0),
      fy: q(0),
      fz: q(0),
      mx: q(0),
      my: q(0),
      ...Object.fromEntries(Object.entries(v).map(([k, n]) => [k, q(n)])),
    },
  })),
});

describe('29 kN on C24 of 90, 95 from the bearer of a span of 600', () => {
  it.each(Object.entries(ways))(
    '%s: shears it, by hand and as solved: V 24.4 kN, k_cr 0.67 (EN 1995-1-1 §6.1.7)',
    (_way, change) => {
      for (const job of [change(caseFile(CASE)), asSolved(change(caseFile(CASE)))]) {
        const l = linkOf(job, 'timber-shear');
        // As wide as four bolts 98 apart and their large washers of 30.
        const τ = (1.5 * 29_000 * (505 / 600)) / (0.67 * 128 * 90);
        expect(l.demand).toBeCloseTo(τ, 3);
        expect(l.capacity).toBeCloseTo((4 * 0.9) / 1.3, 6);
        expect(l.utilisation).toBeGreaterThan(1.6);
      }
    },
  );
  it('in the middle of its span half of it goes each way; a moment goes as a couple over the span', () => {
    const middle: Job = { ...caseFile(CASE), skin: { ...caseFile(CASE).skin, aft: q(300) } as Job['skin'] };
    expect(linkOf(middle, 'timber-shear').demand).toBeCloseTo((1.5 * 14_500) / (0.67 * 128 * 90), 3);
    expect(linkOf(put(middle, { my: 3e6 }), 'timber-shear').demand).toBeCloseTo((1.5 * (3e6 / 600)) / (0.67 * 128 * 90), 3);
  });
});

describe('what pulls across the grain (EN 1995-1-1 §8.1.4)', () => {
  it('nothing does where it is pressed, or pushed along the grain', () => {
    expect(linkOf(caseFile(CASE), 'timber-splitting').state).toBe('not needed');
    expect(linkOf(put(caseFile(CASE), { fx: 5000 }), 'timber-splitting').state).toBe('not needed');
  });
  it.each(Object.entries(ways))('%s: bolts pushed across it split 90 of wood with the edge 4·d past them', (_way, change) => {
    const l = linkOf(change(put(caseFile(CASE), { fy: 6000 })), 'timber-splitting');
    // 98 between the outer bolts, M10: h_e 138. The larger side takes 505/600 of it.
    expect(l.capacity).toBeCloseTo((14 * 90 * Math.sqrt(138) * 0.9) / 1.3, 1);
    expect(l.demand).toBeCloseTo((6000 * 505) / 600, 3);
  });
  it('screws drawn out of the face split the wood at their points, and the deeper they go the less', () => {
    const drawn = (thread: number) => {
      const job = put(caseFile(LAGS), { fz: 4000 });
      return linkOf(
        { ...job, joint: { ...job.joint, engagement: q(thread) }, skin: { ...job.skin, thickness: q(140) } as Job['skin'] },
        'timber-splitting',
      );
    };
    // 60 of thread is a screw of 100, 93 deep in 140; 100 + 20 wide through its bolts' washers.
    const l = drawn(60);
    const wide = l.capacity / ((14 * Math.sqrt(93 / (1 - 93 / 140)) * 0.9) / 1.3);
    expect(wide).toBeGreaterThan(100);
    expect(wide).toBeLessThan(165);
    expect(l.demand).toBeCloseTo(2000, 0);
    expect(drawn(80).capacity).toBeGreaterThan(l.capacity);
  });
});
