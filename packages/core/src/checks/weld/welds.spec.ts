import { evaluate } from '../../chain/evaluate';
import { newPart } from '../../job/part-edits';
import { mirrored } from '../../job/mirrored';
import type { Job } from '../../job/schema';
import { fromSheet } from '../../job/values';
import { bolts, linkIn, loaded, plainJob, welds, type Change } from '../../reference/jobs';
import { asSolved, caseFile, linkOf } from '../../testing/case-file';
import { turned } from '../../testing/turned';

const q = (v: number) => fromSheet(v, `${v} mm`);
const ways = { 'as drawn': (j: Job) => j, turned, mirrored };
const link = (job: Job, id: string) => evaluate(job).links.find((l) => l.id === id)!;

describe('runs that are too short to count', () => {
  it.each(Object.entries(ways))(
    '%s: two runs of 15 mm with a throat of 5 hold nothing, by hand and as solved',
    (_way, change) => {
      for (const job of [change(caseFile('weld-runs-of-15-mm')), asSolved(change(caseFile('weld-runs-of-15-mm')))])
        expect(linkOf(job, 'doubler-weld')).toMatchObject({
          state: 'refused',
          because: expect.stringContaining('counts 5.0 mm'),
        });
    },
  );
  it('runs of 60 count 50: the pull of 30 kN on twice that', () => {
    const job = caseFile('weld-runs-of-15-mm');
    const longer: Job = { ...job, welds: { ...job.welds, lines: job.welds.lines!.map((l) => ({ ...l, start: 30, end: 30 })) } };
    const o = linkOf(
      { ...longer, loads: longer.loads.map((l) => ({ ...l, values: { ...l.values, my: q(0) } })) },
      'doubler-weld',
    );
    // Pulled along at the skin's level, 12 mm under the base: τ = 300/5, and M = 360 N·m over W = 2·50²/6 along the runs.
    const [τ, out] = [300 / 5, (30_000 * 12 * 3) / 50 ** 2];
    const σ = out / (Math.SQRT2 * 5);
    expect(o.demand).toBeCloseTo(Math.sqrt(σ ** 2 + 3 * (σ ** 2 + τ ** 2)), 0);
  });
});

describe('AISC §J2.4: the way of the force counts in straight groups through their middle alone', () => {
  const AISC: Change = (j) => ({ ...j, practice: { ...j.practice, rules: 'AISC' } });
  const on = (fitting: Job['welds']['fitting'], load: Parameters<typeof loaded>[0]) =>
    linkIn(plainJob(AISC, bolts('M10', '8.8'), welds({ fitting, fittingThroat: q(5) }), loaded(load)), 'fitting-weld').capacity;
  const bare = 0.6 * 483 * 5;
  it.each([
    ['side edges', { fz: 5000 }, 1.5],
    ['side edges', { fy: 5000 }, 1.5],
    ['side edges', { fx: 5000 }, 1],
    ['side edges', { fz: 5000, mz: 1000 }, 1],
    ['side edges', { mx: 1e5 }, 1],
    ['all round', { fz: 5000 }, 1],
    ['all round', { fx: 5000 }, 1],
  ] as const)('%s under %o: 0.6·F_EXX·a times %d', (sides, load, k) => {
    expect(on(sides, load) / bare).toBeCloseTo(k, 6);
  });
});

describe('weld size', () => {
  const size = (x: Partial<Job['welds']>, change: Change = (j) => j) => link(plainJob(welds(x), change), 'weld-size');
  it('on 3 mm plate a fillet can be neither too small nor too big: by the thinner part, and no more than it is thick', () => {
    const job = caseFile('weld-on-3-mm-plate');
    const at = (a: number): Job => ({ ...job, welds: { ...job.welds, doublerThroat: q(a) } });
    expect(link(at(2), 'weld-size').state).not.toBe('fails');
    // Sheet of 1.5: a leg of 1.5 at least; the edge of 3: one of 3 at most.
    expect(link(at(1), 'weld-size').state).toBe('fails');
    expect(link(at(2.3), 'weld-size').state).toBe('fails');
  });
  it('EN asks a throat of 3 on parts from 4 mm, AISC does not', () => {
    const thin = { fitting: 'all round', fittingThroat: q(2.5) } as const;
    const base: Change = (j) => ({ ...j, base: { ...j.base, thickness: q(6) }, plate: { ...j.plate, thickness: q(6) } });
    expect(size(thin, base)).toMatchObject({ state: 'fails', at: 'fitting weld: under the least throat' });
    const us = size(thin, (j) => ({ ...base(j), practice: { ...j.practice, rules: 'AISC' } }));
    expect(us.state).not.toBe('fails');
  });
  it('a narrow ledge beside the bead is reminded of, one that has no room for the leg fails', () => {
    const beside =
      (mm: number): Change =>
      (j) => ({ ...j, base: { ...j.base, width: q(200), length: q(200) }, plate: { ...j.plate, x0: -100 - mm } });
    const weld = { fitting: 'all round', fittingThroat: q(4) } as const;
    const near = (mm: number) =>
      size(weld, (j) =>
        bolts('M10', '8.8', [
          [150, 150],
          [150, -150],
          [-30, 150],
          [-30, -150],
        ])(beside(mm)(j)),
      );
    expect(near(20).cautions).toEqual([]);
    expect(near(7).state).not.toBe('fails');
    expect(near(7).cautions.join()).toContain('7.0 mm of plate is beside the fitting weld');
    expect(near(5)).toMatchObject({ state: 'fails', at: 'fitting weld: no plate under all of its leg' });
  });
});

describe('a tab pushed across its face', () => {
  const job = caseFile('tab-pushed-across-its-face');
  const along = (way: 'x' | 'y' | undefined): Job => ({
    ...job,
    parts: job.parts!.map((p) => ({ ...p, eye: way ? { ...p.eye!, along: way } : p.eye! })),
  });
  it.each(Object.entries(ways))('%s: bends about its weak side where nobody says which way it stands', (_way, change) => {
    const l = linkOf(change(job), 'tab-foot');
    // 7 kN at 50 on 60 × 8 of S355, by hand: M/W = 350 000/640, V/A = 7000/480.
    const σ = Math.hypot(350_000 / 640, Math.sqrt(3) * (7000 / 480));
    expect(l.utilisation).toBeCloseTo(σ / 355, 6);
    expect(l.utilisation).toBeGreaterThan(1.54);
    expect(l.cautions.join()).toContain('which way the tab’s face runs is not said');
  });
  it('said to stand along y it takes the push along y edge on, along x across; turned with it, the same', () => {
    const edge = Math.hypot((350_000 * 6) / (8 * 60 ** 2), Math.sqrt(3) * (7000 / 480));
    expect(linkOf(along('y'), 'tab-foot').utilisation).toBeLessThan(0.5);
    expect(linkOf(along('y'), 'tab-foot').utilisation).toBeGreaterThanOrEqual(edge / 355 - 1e-9);
    expect(linkOf(along('x'), 'tab-foot').utilisation).toBeCloseTo(linkOf(along(undefined), 'tab-foot').utilisation, 9);
    expect(linkOf(turned(along('y')), 'tab-foot').utilisation).toBeCloseTo(linkOf(along('y'), 'tab-foot').utilisation, 9);
  });
  it('its weld is judged as the fitting’s is: the same two runs under the same load, the same figure', () => {
    // A fitting of 60 × 8 welded along its sides, and a tab of 60 × 8, both pulled and tipped alike.
    const load = { fx: 4000, fz: 3000 };
    const own: Change = (j) => ({
      ...j,
      base: { ...j.base, length: q(60), width: q(8), metal: 'S355', holes: [], stiff: 'it stands on edge', entry: q(60) },
      plate: { ...j.plate, metal: 'S355' },
    });
    const asFitting = plainJob(own, welds({ fitting: 'side edges', fittingThroat: q(4) }), loaded({ ...load, my: 4000 * 50 }));
    const tab = newPart('tab', 'T', 'S355', 'mm');
    const drawn = {
      ...job.parts![0]!,
      eye: { ...job.parts![0]!.eye!, ...tab.eye!, hole: 'A', carries: q(1), along: 'x', height: q(50), throat: q(4) },
    };
    const asTab = plainJob((j) => ({ ...j, parts: [drawn as NonNullable<Job['parts']>[number]] }), loaded(load));
    const l = linkIn(asTab, 'tab-foot');
    expect(l.at).toContain('its weld');
    expect(l.utilisation).toBeCloseTo(linkIn(asFitting, 'fitting-weld').utilisation, 9);
  });
});
