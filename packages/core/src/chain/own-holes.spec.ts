import DxfParser from 'dxf-parser';
import { holesChanged } from '../job/kind-edits';
import { mirrored } from '../job/mirrored';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { cutParts } from '../shop/cut-parts';
import { drillList } from '../shop/drill-list';
import { partDxf } from '../shop/dxf';
import { resolved, testJob, withJoint } from '../testing/test-job';
import { turned } from '../testing/turned';
import { evaluate } from './evaluate';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const every = (job: Job, change: Parameters<typeof holesChanged>[2]): Job =>
  job.bolts.items.reduce((j, b) => holesChanged(j, b.id, change), job);
const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;
/** M10 in 11 mm on an 8 mm plate, working loads. */
const job = testJob({ fx: 6000, fz: 1000, z: 0 });

describe('a hole of its own', () => {
  it('of the usual size changes no figure', () => {
    const as = every(job, { plate: mm(11), skin: mm(11) });
    const figures = (j: Job) => evaluate(j).links.map((l) => [l.id, l.state, l.utilisation, l.demand]);
    expect(figures(as)).toEqual(figures(job));
    expect(figures(holesChanged(job, 'B2', { plate: mm(11) }))).toEqual(figures(job));
  });
  it('oversize bears 0.8 (EN 1993-1-8 Tab. 3.4 note 1): far from edges α_b and k_1 are 1 and 2.5', () => {
    const wide = every(job, { plate: mm(13) });
    const fu = resolved(job).plateMetal.fu;
    // e_1 25 in line with the force: α_b = 25/(3·13).
    const e1 = resolved(job).plate.x1 - 90;
    const α = Math.min(1, e1 / (3 * 13));
    const hand = (0.8 * 2.5 * α * fu * 10 * job.plate.thickness.v) / resolved(job).factors.onBreak;
    expect(link(wide, 'plate-bearing').capacity).toBeCloseTo(hand, 3);
  });
  it('wider than the widest oversize hole it slides before it bears: refused by its place, unless friction holds', () => {
    const loose = every(job, { skin: mm(16) });
    expect(link(loose, 'skin-bearing')).toMatchObject({
      state: 'refused',
      because: expect.stringMatching(/slides before it bears/),
    });
    expect(link(withJoint({ tightening: 'slip resistant' })(loose), 'skin-bearing').state).not.toBe('refused');
    expect(link(withJoint({ tightening: 'slip resistant' })(loose), 'slip').utilisation).toBeGreaterThan(
      link(withJoint({ tightening: 'slip resistant' })(job), 'slip').utilisation!,
    );
  });
  it('in the skin alone: the washer’s ring there is less, π/4·(d_w² − d²)', () => {
    const soft = testJob({ fz: 2000 }, (j) => ({
      ...j,
      skin: { ...j.skin, kind: 'laminate', glass: fromSheet(0.4, '40 %') } as Job['skin'],
      far: { kind: 'washer' },
    }));
    const open = every(soft, { skin: mm(14) });
    const [a, b] = [link(soft, 'washer-crush').capacity, link(open, 'washer-crush').capacity];
    const d = 20;
    expect(b / a).toBeCloseTo((d ** 2 - 14 ** 2) / (d ** 2 - 11 ** 2), 2);
  });
});

describe('a slot', () => {
  const slotted = (turn: number) => every(job, { slot: mm(26), turn });
  it('across the force bears 0.6; along it nothing does, and it is refused', () => {
    const across = link(slotted(Math.PI / 2), 'plate-bearing');
    expect(across.capacity / link(job, 'plate-bearing').capacity).toBeCloseTo(0.6, 6);
    for (const turn of [0, 0.3])
      expect(link(slotted(turn), 'plate-bearing')).toMatchObject({
        state: 'refused',
        because: expect.stringContaining('along a slot'),
      });
  });
  it('takes out of a cut across the plate as far as it reaches that way: d_0 + (l − d_0)·|sin|', () => {
    const net = (j: Job) => link(withJoint({ tightening: 'slip resistant' })(j), 'net-section').capacity;
    const [t, fu] = [job.plate.thickness.v, resolved(job).plateMetal.fu];
    const width = 210;
    const γ = resolved(job).factors.onBreak;
    for (const turn of [0, 0.6, Math.PI / 2]) {
      const hole = 11 + 15 * Math.abs(Math.sin(turn));
      const hand = Math.min(
        (0.9 * (width - 2 * hole) * t * fu) / γ,
        (width * t * resolved(job).plateMetal.fy) / resolved(job).factors.onYield,
      );
      expect(net(slotted(turn))).toBeCloseTo(hand, 3);
    }
  });
  it('keeps 1.5·d_0 to the edge from the middle line of its ends (Tab. 3.3 e_3, e_4)', () => {
    const edge = link(slotted(0), 'edge-and-pitch');
    // B1 stands 25 from the fore edge; the slot reaches 7.5 nearer.
    expect([edge.demand, edge.capacity]).toEqual([expect.closeTo(16.5, 6), expect.closeTo(17.5, 6)]);
    const off = every(job, { slot: mm(60), turn: 0 });
    expect(evaluate(off).refusals[0]).toMatchObject({ because: expect.stringMatching(/breaks through the plate edge/) });
  });
  it('k_s 0.85 across and 0.76 along a short slot, 0.63 along a long one (Tab. 3.6)', () => {
    const need = (j: Job) => link(withJoint({ tightening: 'slip resistant' })(j), 'slip').demand;
    const flat = testJob({ fx: 6000, z: 0 });
    const s = (long: number, turn: number) => every(flat, { slot: mm(long), turn });
    expect(need(flat) / need(s(14, Math.PI / 2))).toBeCloseTo(0.85, 2);
    expect(need(flat) / need(s(14, 0))).toBeCloseTo(0.76, 2);
    expect(need(flat) / need(s(26, 0))).toBeCloseTo(0.63, 2);
  });
  it('turned or mirrored with its job no figure moves', () => {
    const one = withJoint({ tightening: 'slip resistant' })(
      holesChanged(
        holesChanged(testJob({ fx: 3000, fy: 900, fz: 800, mz: 5e4, z: 40 }), 'B1', { slot: mm(24), turn: 0.4 }),
        'B3',
        {
          plate: mm(12.5),
          skin: mm(13),
        },
      ),
    );
    const figures = (j: Job) =>
      Object.fromEntries(evaluate(j).links.map((l) => [l.id, l.utilisation && Number(l.utilisation.toFixed(9))]));
    expect(figures(mirrored(one))).toEqual(figures(one));
    const [a, b] = [figures(one), figures(turned(one))];
    for (const id of ['plate-bearing', 'skin-bearing', 'net-section', 'slip', 'edge-and-pitch', 'block-tearing'])
      expect(b[id]).toBe(a[id]);
  });
  it('is cut as a slot: its outline in DXF has the area d·(l − d) + π·d²/4, and the drill list says how it lies', () => {
    const r = resolved(every(job, { slot: mm(30), turn: 0.5, skin: mm(12) }));
    const part = cutParts(r)[0]!;
    const text = partDxf(part, { lines: [], cutOnly: true });
    const slots = new DxfParser()
      .parseSync(text)!
      .entities.filter((e) => e.type === 'LWPOLYLINE' && e.layer === 'HOLES') as unknown as {
      vertices: { x: number; y: number; bulge?: number }[];
    }[];
    expect(slots).toHaveLength(4);
    const v = slots[0]!.vertices;
    const chord = v.reduce((sum, p, i) => sum + (p.x * v[(i + 1) % 4]!.y - p.y * v[(i + 1) % 4]!.x) / 2, 0);
    expect(v.map((p) => p.bulge ?? 0)).toEqual([0, 1, 0, 1]);
    expect(chord).toBeCloseTo(11 * 19, 6);
    const rows = drillList(r.job, r);
    expect(rows[0]!.note).toContain('slot 11 mm × 30 mm, turned 28.6°');
    expect(rows.filter((x) => x.part === 'skin').map((x) => x.diameter)).toEqual([12, 12, 12, 12]);
    expect(rows.filter((x) => x.part === 'backing plate')).toHaveLength(4);
  });
});

it.each<[string, Parameters<typeof holesChanged>[2], RegExp]>([
  ['narrower than the bolt', { plate: mm(9) }, /holes.plate \(B1\): 9 mm is narrower than the 10 mm bolt; at least 10 mm/],
  ['slot shorter than wide', { plate: mm(14), slot: mm(12) }, /holes.slot .*no longer than it is wide/],
  ['washer falls through the plate', { plate: mm(21) }, /falls through 21 mm/],
  ['washer falls through the backing', { backing: mm(24) }, /holes.backing .*falls through 24 mm/],
])('refused: %s', (_name, change, text) => {
  const no = evaluate(holesChanged(job, 'B1', change)).refusals;
  expect(no.map((r) => `${r.field}: ${r.because}; ${r.allowed}`).join('\n')).toMatch(text);
});
