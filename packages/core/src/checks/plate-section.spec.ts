import { evaluate } from '../chain/evaluate';
import { mirrored } from '../job/mirrored';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { asSolved, caseFile, linkOf } from '../testing/case-file';
import { reordered, turned } from '../testing/turned';
import { freeLoad, resolved, testJob } from '../testing/test-job';
import { plateCuts } from './plate-section';

const q = (v: number) => fromSheet(v, `${v} mm`);
const sharp = (x: number, y: number) => ({ x, y, make: 'sharp' as const, size: 0, bulge: 0 });
const CASE = 'opening-across-the-pull-in-the-plate';
const WAYS = { 'as drawn': (j: Job) => j, turned, mirrored, reordered };

describe('an opening across the pull', () => {
  it.each(Object.entries(WAYS))(
    '%s: what is left beside it holds 70 kN on 2 × 18 × 5 mm, by hand and as solved',
    (_way, change) => {
      for (const job of [change(caseFile(CASE)), asSolved(change(caseFile(CASE)))]) {
        const l = linkOf(job, 'plate-section');
        expect(l.at).toContain('through an opening');
        expect(l.utilisation).toBeCloseTo(70_000 / (36 * 5) / 275, 4);
      }
    },
  );
  it.each(Object.entries(WAYS))(
    '%s: a strip with an opening in it is none, and by hand the plate is not judged',
    (_way, change) => {
      expect(linkOf(change(caseFile(CASE)), 'plate-bending')).toMatchObject({
        state: 'refused',
        because: expect.stringContaining('no strip that bends'),
      });
      expect(linkOf(asSolved(change(caseFile(CASE))), 'plate-bending').state).not.toBe('refused');
    },
  );
});

/** A strap 500 × 60 × 8 of S275 bolted at its ends, its base 80 long in its middle. */
const strap = (load: Parameters<typeof freeLoad>[0], more: Partial<Job['plate']> = {}): Job =>
  testJob({}, (j) => ({
    ...j,
    practice: { ...j.practice, school: 'limit', gammaQ: 1, gammaG: 1 },
    loads: [freeLoad(load)],
    base: { ...j.base, length: q(80), width: q(50), holes: [] },
    plate: { ...j.plate, x0: -250, x1: 250, y0: -30, y1: 30, corner: 0, metal: 'S275', thickness: q(8), ...more },
    far: { kind: 'washer' },
    bolts: {
      ...j.bolts,
      items: [
        { id: 'B1', x: 220, y: 0 },
        { id: 'B2', x: -220, y: 0 },
      ],
    },
    skin: { ...j.skin, spanX: q(700), aft: q(350) } as Job['skin'],
  }));
const section = (job: Job) => evaluate(job).links.find((l) => l.id === 'plate-section')!;

describe('a long strap', () => {
  it('twisted it is bent in its plane at the base’s edge: M = F·180, W = t·b²/6, with its shear', () => {
    const l = section(strap({ mz: 1e6 }));
    const F = 1e6 / 440;
    expect(l.at).toBe('cut at x 40 mm');
    expect(l.demand).toBeCloseTo(Math.hypot((F * 180) / ((8 * 60 ** 2) / 6), (Math.sqrt(3) * F) / 480), 3);
    expect(l.capacity).toBeCloseTo(275, 9);
  });
  it('a waist between base and bolt is cut through where it is narrowest, and pulled off its middle where it is on one side', () => {
    const waist = (both: boolean) => {
      const up = both ? [sharp(130, 30), sharp(110, 12), sharp(90, 30)] : [];
      const outline = {
        corners: [
          sharp(-250, -30),
          sharp(90, -30),
          sharp(110, -12),
          sharp(130, -30),
          sharp(250, -30),
          sharp(250, 30),
          ...up,
          sharp(-250, 30),
        ],
        openings: [],
      };
      return section(strap({ fx: 40_000, my: -40_000 * 8 }, { outline }));
    };
    // Half of it goes each way: 20 kN on 24 × 8; one-sided on 42 × 8 whose middle stands 9 off.
    expect(waist(true).demand).toBeCloseTo(20_000 / 192, 1);
    expect(waist(false).demand).toBeCloseTo(20_000 / 336 + (20_000 * 9) / ((8 * 42 ** 2) / 6), 1);
  });
  it('beside an opening its pieces are beams held at both ends over its length (Vierendeel): V/2·l/2 in each', () => {
    // 100 long, 20 high in the middle: two pieces of 20.
    const outline = {
      corners: [sharp(-250, -30), sharp(250, -30), sharp(250, 30), sharp(-250, 30)],
      openings: [[sharp(80, -10), sharp(180, -10), sharp(180, 10), sharp(80, 10)]],
    };
    const F = 1e6 / 440;
    const l = section(strap({ mz: 1e6 }, { outline }));
    // At its end next to the base: M = F·140 on two pieces 40 apart, and F/2·50 in each.
    const I = 2 * 8 * (20 ** 3 / 12 + 20 * 20 ** 2);
    const σ = (F * 140) / (I / 30) + ((F / 2) * 50) / ((8 * 20 ** 2) / 6);
    expect(l.at).toContain('through an opening');
    expect(l.demand).toBeCloseTo(Math.hypot(σ, (Math.sqrt(3) * F) / 320), 1);
  });
  it('a hole of its own counts by its chord, and 0.45 of its width as an opening', () => {
    const holes = [{ id: 'A1', x: 120, y: 0, d: q(30), purpose: 'access' as const }];
    const cuts = plateCuts(resolved(strap({ fx: 1000 }, { holes })));
    const through = cuts.filter((c) => c.opening > 0);
    expect(Math.max(...through.map((c) => c.opening))).toBeCloseTo(0.45 * 30, 6);
    expect(section(strap({ fx: 40_000, my: -320_000 }, { holes })).demand).toBeCloseTo(20_000 / (30 * 8), 1);
  });
});

it('each arm of a forked plate holds what its own bolts bring, and no more', () => {
  // Two arms of 24 and 16 across from x 60 on, a bolt at the end of each; the base pulls forward.
  const outline = {
    corners: [
      [-60, -50],
      [240, -50],
      [240, -26],
      [60, -26],
      [60, 34],
      [240, 34],
      [240, 50],
      [-60, 50],
    ].map(([x, y]) => sharp(x!, y!)),
    openings: [],
  };
  const job = strap({ fx: 20_000 }, { outline, x0: -60, x1: 240, y0: -50, y1: 50 });
  const forked: Job = {
    ...job,
    bolts: {
      ...job.bolts,
      items: [
        { id: 'B1', x: 220, y: -38 },
        { id: 'B2', x: 220, y: 42 },
      ],
    },
  };
  const cuts = plateCuts(resolved(forked)).filter((c) => c.axis === 'x' && c.at > 60);
  expect(new Set(cuts.map((c) => `${c.outer.join()} ${c.metal.map(([a, b]) => Math.round(b - a)).join()}`))).toEqual(
    new Set(['0 24', '1 16']),
  );
});

describe('the strip between base and bolt', () => {
  const opening = (x0: number, x1: number, y0: number, y1: number) => ({
    corners: [sharp(-115, -105), sharp(115, -105), sharp(115, 105), sharp(-115, 105)],
    openings: [[sharp(x0, y0), sharp(x1, y0), sharp(x1, y1), sharp(x0, y1)]],
  });
  const bending = (outline?: Job['plate']['outline']) => {
    const job = testJob({ fz: 8000 }, (j) => ({ ...j, plate: { ...j.plate, ...(outline ? { outline } : {}) } }));
    return evaluate(job).links.find((l) => l.id === 'plate-bending')!;
  };
  it('ends at an opening beside it: weaker than without, and the nearer the weaker', () => {
    // Bolts at ±90, ±80; base 120 × 100: its corner at 60, 50. An opening on the middle of the starboard side, from −y on.
    const far = bending(opening(-20, 20, -100, -60));
    const near = bending(opening(-62, 62, -100, -56));
    expect(far.capacity).toBeLessThanOrEqual(bending().capacity + 1e-9);
    expect(near.capacity).toBeLessThan(far.capacity);
  });
  it('with an opening right across it there is none', () => {
    expect(bending(opening(70, 82, -75, 75))).toMatchObject({ state: 'refused' });
  });
});
