import { mirroredWhole } from '../job/mirrored';
import { atFoot, oneFoot } from '../job/at-foot';
import type { Job } from '../job/schema';
import { spreadRulesOf } from '../job/spread-rules';
import { edgeLength, weldLines } from '../job/weld-lines';
import { massOf } from '../shop/weight-and-cost';
import { spreadOf } from '../spread/spread';
import { casesOf } from '../loads/cases';
import { resolved, testJob, withWelds } from '../testing/test-job';
import { turned } from '../testing/turned';
import { fromSheet } from '../units/quantity';
import { isRefusal } from '../units/refusal';
import { evaluate, workingOf } from './evaluate';
import { judge } from './judge';

const q = (v: number) => fromSheet(v, `${v} mm`);

/** A socket welded on a plate that is welded on a sheet: 200 × 120, nothing bolted. */
const welded =
  (load: Parameters<typeof testJob>[0], x: Partial<Job['welds']> = {}) =>
  (change: (j: Job) => Job = (j) => j): Job =>
    testJob(load, (j) => {
      const bare: Job = {
        ...j,
        base: { ...j.base, length: q(200), width: q(120), holes: [] },
        plate: { ...j.plate, x0: -100, x1: 100, y0: -60, y1: 60, corner: 0, thickness: q(10), metal: 'S355' },
        bolts: { ...j.bolts, items: [] },
        far: { kind: 'washer' },
        skin: { ...j.skin, kind: 'sheet', metal: 'S355', thickness: q(10) } as Job['skin'],
        practice: { ...j.practice, school: 'limit', gammaQ: 1, gammaG: 1 },
      };
      return change(withWelds({ fitting: 'all round', doubler: 'all round', doublerThroat: q(4), ...x })(bare));
    });
const link = (job: Job, id: string) => evaluate(job).links.find((l) => l.id === id)!;

describe('a foot held by welds alone', () => {
  it('is judged by its welds, its plate and its skin; what concerns bolts is not needed', () => {
    const v = evaluate(welded({ fx: 5000, fz: 3000 })());
    expect(v.refusals).toEqual([]);
    expect(v.links.filter((l) => l.state !== 'not needed').map((l) => l.id)).toEqual(
      expect.arrayContaining(['fitting-weld', 'doubler-weld', 'weld-size', 'skin-bending']),
    );
    for (const id of ['bolt-tension', 'bolt-shear', 'net-section', 'nut-thread', 'washer-crush'])
      expect(v.links.find((l) => l.id === id)!.because).toBe('held by its welds alone: there is no bolt');
  });
  it('all round, straight pull by hand: 100 kN over 640 mm at a 4: EN 1993-1-8 §4.5.3.2, σ⊥ = τ⊥ = q/(√2·a)', () => {
    const job = welded({ fz: 100_000 })();
    const l = link(job, 'doubler-weld');
    const n = 100_000 / 640 / (Math.SQRT2 * 4);
    const alone = workingOf(job, 'doubler-weld', l.caseId)!.steps.find((s) => s.symbol === 'σ_v')!;
    expect(alone.value).toBeCloseTo(2 * n, 6);
  });
  it('in three dimensions by hand: two lines 120 apart, 200 long, of which 192 count (Blodgett’s line group; EN 1993-1-8 §4.5.1)', () => {
    // Edges 0 and 2 of the rectangle: L = 400, I_x = 400·60², I_y = 2·200³/12, J their sum; moments at the skin's face: V at 10 above it.
    const job = welded(
      { fx: 3000, fy: 4000, fz: 2000, mx: 2e5, my: 3e5, mz: 5e5 },
      {
        doubler: 'lines',
        lines: [
          { edge: 0, start: 0, end: 0 },
          { edge: 2, start: 0, end: 0 },
        ],
      },
    )();
    const { loadCase: c } = evaluate(job).shared[0]!;
    const h = 10;
    const [mx, my] = [c.mx - h * c.fy, c.my + h * c.fx];
    const [Ix, Iy] = [384 * 60 ** 2, (2 * 192 ** 3) / 12];
    const all = [
      [-96, -60],
      [96, -60],
      [96, 60],
      [-96, 60],
    ].map(([x, y]) => {
      const along = c.fx / 384 - (c.mz * y!) / (Ix + Iy);
      const across = c.fy / 384 + (c.mz * x!) / (Ix + Iy);
      const out = c.fz / 384 + (mx * y!) / Ix - (my * x!) / Iy;
      const [n, t] = [
        (Math.abs(across) + Math.abs(out)) / (Math.SQRT2 * 4),
        Math.abs(Math.abs(across) - Math.abs(out)) / (Math.SQRT2 * 4),
      ];
      const p = along / 4;
      return Math.max(Math.hypot(n, Math.sqrt(3) * Math.hypot(t, p)), Math.hypot(t, Math.sqrt(3) * Math.hypot(n, p)));
    });
    // S355, f_u 470, β_w 0.9, γ_M2 1.25: 417.8 MPa.
    const l = link(job, 'doubler-weld');
    const sheet = l.unit === 'N/mm';
    if (sheet) throw new Error('the sheet governs');
    expect(l.utilisation).toBeCloseTo(Math.max(...all) / (470 / (0.9 * 1.25)), 6);
  });
  it('the plate between base and weld is a cantilever under what the weld takes: 6·q·m/t²', () => {
    const job = welded({ fz: 20_000 })((j) => ({ ...j, base: { ...j.base, length: q(160), width: q(80) } }));
    const l = link(job, 'plate-bending');
    // Corner of the plate to corner of the base: √(20² + 20²); q = 20 000/640.
    expect(l.demand).toBeCloseTo((6 * (20_000 / 640) * Math.hypot(20, 20)) / 100, 6);
    expect(link(welded({ fz: 20_000 })(), 'plate-bending').state).toBe('not needed');
  });
  it('a line left bare at its ends is as much shorter, and weighs less', () => {
    const lines = (start: number) => [
      { edge: 1, start, end: 10 },
      { edge: 3, start: 0, end: 0 },
    ];
    const job = welded({ fz: 1000 }, { doubler: 'lines', lines: lines(20) })();
    expect(edgeLength(job, 1)).toBe(120);
    expect(weldLines(job)[0]!.map((p) => [p.x, p.y])).toEqual([
      [100, -40],
      [100, 50],
    ]);
    expect(massOf(resolved(job))).toBeLessThan(massOf(resolved(welded({ fz: 1000 }, { doubler: 'lines', lines: lines(0) })())));
  });
  it('solved, the plate hangs on its weld lines and balances', () => {
    const job = welded(
      { fz: 4000, mx: 2e5 },
      { doubler: 'lines', lines: [0, 1, 2].map((edge) => ({ edge, start: 5, end: 5 })) },
    )();
    const spread = spreadOf(resolved(job), casesOf(job), 'draft');
    if (isRefusal(spread)) throw new Error(spread.because);
    const c = spread.cases[0]!;
    if ('refused' in c) throw new Error(c.because);
    expect(c.bolts).toEqual([]);
    expect(c.residual).toBeLessThan(1e-6);
    const solved = judge({ ...job, spread: { ...spreadRulesOf(job), checks: 'solver' } });
    expect(solved.verdict.refusals).toEqual([]);
  });
});

describe('turned or mirrored no figure moves', () => {
  const lines = [
    { edge: 0, start: 12, end: 30 },
    { edge: 1, start: 0, end: 8 },
    { edge: 3, start: 4, end: 0 },
  ];
  const job = welded({ fx: 3000, fy: -1000, fz: 2000, mx: 1e5, mz: 2e5 }, { doubler: 'lines', lines })();
  const by = (j: Job) => evaluate(j).links.map((l) => l.utilisation);
  it('turned a quarter', () => by(turned(job)).forEach((u, i) => expect(u).toBeCloseTo(by(job)[i]!, 9)));
  it('in the mirror, and back is the same', () => {
    const whole = oneFoot(job);
    const other = mirroredWhole(whole);
    by(atFoot(other, 'F1')).forEach((u, i) => expect(u).toBeCloseTo(by(job)[i]!, 9));
    expect(atFoot(mirroredWhole(other), 'F1').welds).toEqual(job.welds);
  });
});

describe('what holds nothing is refused by its place', () => {
  const no = (j: Job) => evaluate(j).refusals.map((r) => `${r.field}: ${r.because}`);
  it('no bolt and no weld', () =>
    expect(no(welded({ fz: 1 }, { doubler: 'none' })())).toContain('bolts.items: there are no bolts'));
  it('plugs have no holes to stand in', () =>
    expect(no(welded({ fz: 1 }, { doubler: 'plugs' })())).toContain('bolts.items: there are no bolts'));
  it('no edge, an edge that is not there, nothing left of one', () => {
    expect(no(welded({ fz: 1 }, { doubler: 'lines', lines: [] })())).toContain('welds.lines: no edge is welded');
    expect(no(welded({ fz: 1 }, { doubler: 'lines', lines: [{ edge: 4, start: 0, end: 0 }] })())).toContain(
      'welds.lines.0: the plate has no edge 5',
    );
    expect(no(welded({ fz: 1 }, { doubler: 'lines', lines: [{ edge: 1, start: 100, end: 20 }] })())[0]).toContain(
      'of the fore edge, which is 120 mm long',
    );
  });
  it('a backing plate with nothing to hold it', () =>
    expect(no(welded({ fz: 1 })((j) => ({ ...j, far: { kind: 'plate', metal: 'S275', thickness: q(5) } })))[0]).toContain(
      'far.kind: there is no bolt',
    ));
});
