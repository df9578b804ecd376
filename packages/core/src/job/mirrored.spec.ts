import fc from 'fast-check';
import { evaluate } from '../chain/evaluate';
import { randomJob } from '../testing/random-job';
import { testJob } from '../testing/test-job';
import { EDGES } from './joint';
import { mirrored } from './mirrored';
import type { Job } from './schema';
import { USUAL_SPREAD } from './spread-rules';
import { fromSheet } from './values';

const job = testJob();
const mm = (v: number) => fromSheet(v, `${v} mm`);

describe('mirroring', () => {
  it('turns a left part into its right one', () => {
    const left = { ...job, plate: { ...job.plate, y1: 120 }, bolts: { ...job.bolts, items: [{ id: 'B1', x: 90, y: 70 }] } };
    const right = mirrored(left);
    expect(right.bolts.items[0]).toEqual({ id: 'B1', x: 90, y: -70 });
    expect([right.plate.y0, right.plate.y1]).toEqual([-120, 105]);
    expect(right.skin.starboard.v).toBe(200);
  });

  it('takes loads and survey with it: every link stands as before (reflection), and twice is nothing', () => {
    const survey: Job['survey'] = {
      ...job.survey,
      sides: 'pair',
      hidden: [{ id: 'D1', what: 'cable', note: '', x0: 130, x1: 140, y0: 20, y1: 60, clear: fromSheet(5, '5 mm') }],
      existing: [{ id: 'E1', x: 0, y: 95, d: fromSheet(6, '6 mm'), use: 'stay clear' }],
      shims: [{ id: 'S1', x: 90, y: 80, gap: fromSheet(1, '1 mm') }],
      log: [{ id: 'C1', name: 'Sill', nominal: fromSheet(400, ''), tolerance: fromSheet(1, ''), left: fromSheet(401, '') }],
      diagonals: { rising: fromSheet(240, '') },
      bearers: [{ id: 'R', edge: 'port', section: 'angle', connection: 'welded' }],
    };
    const one = { ...testJob({ fx: 900, fy: 700, fz: 800, mz: 5e4, z: 90 }), survey };
    const other = mirrored(one);
    expect(other.survey).toMatchObject({
      hidden: [{ y0: -60, y1: -20 }],
      existing: [{ y: -95 }],
      shims: [{ y: -80 }],
      log: [{ right: { v: 401 } }],
      diagonals: { falling: { v: 240 } },
      bearers: [{ edge: 'starboard' }],
    });
    const [a, b] = [evaluate(one), evaluate(other)];
    a.links.forEach((l, i) => expect(b.links[i]!.utilisation).toBeCloseTo(l.utilisation, 9));
    expect(mirrored(other).survey).toEqual(survey);
    expect(mirrored(other).loads).toEqual(one.loads);
  });
});

/** Whatever names a side, on a random job: a bent edge, bearers held each in its own way, packers, things in the way. */
const sided = fc
  .record({
    job: randomJob,
    edge: fc.constantFrom(undefined, ...EDGES),
    held: fc.tuple(fc.constantFrom('simple', 'clamped'), fc.constantFrom('simple', 'free')),
    gaps: fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 6, maxLength: 6 }),
    slotAlong: fc.constantFrom('x', 'y'),
  })
  .map(({ job, edge, held: [port, starboard], gaps, slotAlong }): Job => ({
    ...job,
    base: { ...job.base, slotAlong: slotAlong as 'x' | 'y' },
    plate: { ...job.plate, ...(edge ? { fold: { edge, radius: mm(12), height: mm(45) } } : {}) },
    spread: {
      ...USUAL_SPREAD,
      edges: { aft: 'simple', fore: 'clamped', port: port as 'simple', starboard: starboard as 'simple' },
    },
    survey: {
      ...job.survey,
      shims: job.bolts.items.map((b, i) => ({ id: `S${i}`, x: b.x, y: b.y, gap: mm(gaps[i % 6]! / 10) })),
      hidden: [{ id: 'D1', what: 'pipe', note: '', x0: 400, x1: 420, y0: -500, y1: 380, clear: mm(5) }],
    },
  }));

it('twice is the job itself, for 200 random jobs', () =>
  fc.assert(
    fc.property(sided, (j) => expect(mirrored(mirrored(j))).toEqual(j)),
    { numRuns: 200, seed: 11 },
  ));

it('moves no figure of any link, for 60 random jobs (reflection)', () =>
  fc.assert(
    fc.property(sided, (j) => {
      const [a, b] = [evaluate(j), evaluate(mirrored(j))];
      expect(b.refusals.length).toBe(a.refusals.length);
      a.links.forEach((l, i) => {
        const other = b.links[i]!;
        expect([other.id, other.state]).toEqual([l.id, l.state]);
        if (Number.isFinite(l.utilisation))
          expect(Math.abs(other.utilisation - l.utilisation)).toBeLessThan(1e-7 * (1 + l.utilisation));
      });
    }),
    { numRuns: 60, seed: 12 },
  ));

it('keeps the reading of a bearer distance with the distance', () => {
  const measured = { ...mm(200), readings: [199.5, 200, 200.5] };
  const read = { ...job, skin: { ...job.skin, spanY: mm(530), starboard: measured } } as Job;
  const other = mirrored(read);
  expect(other.skin.starboard).toMatchObject({ v: 330, text: '330 mm', readings: [330.5, 330, 329.5] });
  expect(mirrored(other)).toEqual(read);
});

it('takes a bent edge and the bearers’ hold to the other side', () => {
  const one: Job = {
    ...job,
    plate: { ...job.plate, fold: { edge: 'port', radius: mm(8), height: mm(40) } },
    spread: { ...USUAL_SPREAD, edges: { aft: 'simple', fore: 'simple', port: 'clamped', starboard: 'free' } },
  };
  const other = mirrored(one);
  expect(other.plate.fold!.edge).toBe('starboard');
  expect(other.spread!.edges).toMatchObject({ port: 'free', starboard: 'clamped' });
});
