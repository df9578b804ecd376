import { evaluate, workingOf } from '../chain/evaluate';
import type { Job } from '../job/schema';
import { boltLines, tightenWords } from '../shop/bolt-words';
import { drillList } from '../shop/drill-list';
import { massOf } from '../shop/weight-and-cost';
import { lopsidedJob } from '../testing/lopsided-job';
import { turned } from '../testing/turned';
import { resolved, testJob, withJoint } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { alongStiffness } from './unlike-bolts';
import { shareInPlane } from './in-plane';
import { isRefusal } from '../units/refusal';

type Kind = NonNullable<Job['bolts']['kinds']>[number];
const M16: Kind = { id: 'big', size: 'M16', class: '8.8', nut: '8', fit: 'medium' };
const SAME: Kind = { id: 'same', size: 'M10', class: '8.8', nut: '8', fit: 'medium' };
const mixed =
  (kinds: Kind[], of: Record<string, string>) =>
  (j: Job): Job => ({
    ...j,
    bolts: { ...j.bolts, kinds, items: j.bolts.items.map((b) => (of[b.id] ? { ...b, kind: of[b.id]! } : b)) },
  });
const link = (job: Job, id: string) => evaluate(job).links.find((l) => l.id === id)!;
const shears = (bolts: { x: number; y: number }[], fx: number, fy: number, mz: number, k: number[]) => {
  const s = shareInPlane(bolts, fx, fy, mz, k);
  if (isRefusal(s)) throw new Error(s.because);
  return s.shears;
};
const CORNERS = [
  { x: 90, y: 80 },
  { x: 90, y: -80 },
  { x: -90, y: 80 },
  { x: -90, y: -80 },
];

describe('bolts of two sizes share by their area', () => {
  // By hand: A 157 157 58 58 mm² (ISO 898-1); ΣA 430; centre at x = 90·(314 − 116)/430 = 41.44; Σa·r² with a = A/107.5.
  it('straight through the centre each takes F·A/ΣA', () => {
    const cx = (90 * (314 - 116)) / 430;
    const s = shears(CORNERS, 0, 4300, cx * 4300, [157, 157, 58, 58]);
    expect(s.map((v) => Math.round(v.total))).toEqual([1570, 1570, 580, 580]);
  });
  it('a twist turns them about the centre of their areas: statics written out', () => {
    const A = [157, 157, 58, 58];
    const cx = (90 * (314 - 116)) / 430;
    const J = A.reduce((sum, a, i) => sum + a * ((CORNERS[i]!.x - cx) ** 2 + CORNERS[i]!.y ** 2), 0);
    const M = 1e6;
    shears(CORNERS, 0, 0, M, A).forEach((v, i) => {
      expect(v.x).toBeCloseTo((-M * A[i]! * CORNERS[i]!.y) / J, 6);
      expect(v.y).toBeCloseTo((M * A[i]! * (CORNERS[i]!.x - cx)) / J, 6);
    });
  });
  it('and balance what is put on, force and moment', () => {
    const s = shears(CORNERS, 1000, -700, 3e5, [157, 58, 84.3, 58]);
    expect(s.reduce((n, v) => n + v.x, 0)).toBeCloseTo(1000, 8);
    expect(s.reduce((n, v) => n + v.y, 0)).toBeCloseTo(-700, 8);
    expect(s.reduce((n, v, i) => n + CORNERS[i]!.x * v.y - CORNERS[i]!.y * v.x, 0)).toBeCloseTo(3e5, 5);
  });
});

describe('a joint of several kinds', () => {
  const wide = (j: Job): Job => ({
    ...j,
    plate: { ...j.plate, x0: -140, x1: 140, y0: -130, y1: 130 },
  });
  const job = testJob({ fy: 4000, fz: 3000, mx: 4e5, mz: 3e5 }, wide);

  it('written as kinds that are all alike gives the same figures', () => {
    const as = mixed([SAME], { B1: 'same', B3: 'same' })({
      ...job,
      bolts: { ...job.bolts, size: 'M10', class: '8.8', nut: '8' },
    });
    const one = evaluate({ ...job, bolts: { ...job.bolts, size: 'M10', class: '8.8', nut: '8' } });
    const two = evaluate(as);
    two.links.forEach((l, i) => {
      expect(l.state).toBe(one.links[i]!.state);
      expect(l.utilisation).toBeCloseTo(one.links[i]!.utilisation, 9);
    });
  });
  it('of which every bolt is of the one kind is the joint of that kind', () => {
    const all = Object.fromEntries(job.bolts.items.map((b) => [b.id, 'big']));
    const as = evaluate(mixed([M16], all)(job));
    const plain = evaluate({ ...job, bolts: { ...job.bolts, size: 'M16', class: '8.8', nut: '8', fit: 'medium' } });
    expect(as.links.map((l) => [l.id, l.utilisation])).toEqual(plain.links.map((l) => [l.id, l.utilisation]));
  });
  it('judges each bolt by its own strength: M16 8.8 holds 60.29 kN where M10 holds 22.27 (EN 1993-1-8 Tab. 3.4)', () => {
    const limit = { ...job.practice, school: 'limit' as const };
    const ten = { ...job, practice: limit, bolts: { ...job.bolts, size: 'M10', class: '8.8', nut: '8' } };
    const l = link(mixed([M16], { B1: 'big', B2: 'big' })(ten), 'bolt-shear');
    const ofTen = l.at === 'B3' || l.at === 'B4';
    expect(l.capacity / 1000).toBeCloseTo(ofTen ? 22.27 : 60.29, 1);
    const steps = workingOf(mixed([M16], { B1: 'big', B2: 'big' })(ten), 'bolt-shear', l.caseId)!.steps;
    expect(steps.some((s) => s.text.includes('governs of 2'))).toBe(true);
  });
  it('takes each hole out of the net section by its own size', () => {
    const ten = { ...testJob({ fx: 4000 }, wide), bolts: { ...job.bolts, size: 'M10', class: '8.8', nut: '8' } };
    const as = mixed([M16], { B1: 'big' })(ten);
    const l = link(as, 'net-section');
    const net = workingOf(as, 'net-section', l.caseId)!.steps.find((s) => s.symbol === 'A_net')!;
    // 260 wide less one hole of 17.5 and one of 11 (ISO 273 medium).
    expect(net.value / ten.plate.thickness.v).toBeCloseTo(260 - 28.5, 9);
  });
  it('a thread in the plate on one side and nuts on the other: each by its own rules', () => {
    const stud: Kind = { ...SAME, id: 'stud', holding: 'tapped', engagement: fromSheet(12, '12 mm') };
    const sheet = {
      ...job,
      far: { kind: 'washer' as const },
      skin: { ...job.skin, kind: 'sheet', metal: 'S275', thickness: fromSheet(12, '12 mm') } as Job['skin'],
    };
    const v = evaluate(mixed([stud], { B1: 'stud', B2: 'stud' })(sheet));
    expect(v.links.find((l) => l.id === 'thread-engaged')!.because).toBe('');
    expect(['B1', 'B2']).toContain(v.links.find((l) => l.id === 'thread-engaged')!.at);
    expect(['B3', 'B4']).toContain(v.links.find((l) => l.id === 'nut-thread')!.at);
  });
  it('a kind that is not there, or named twice, is refused by its place', () => {
    const no = (j: Job) => evaluate(j).refusals.map((r) => `${r.field}: ${r.because}`);
    expect(no(mixed([], { B2: 'big' })(job))).toEqual(['bolts.items.1 (B2): there is no kind "big"']);
    expect(no(mixed([M16, M16], { B2: 'big' })(job))).toEqual(['bolts.kinds.1.id: two kinds are called big']);
    expect(no(mixed([{ ...M16, size: 'M17' }], { B2: 'big' })(job))[0]).toContain('bolts.kinds.0.size');
    expect(no(mixed([{ ...M16, class: 'Gr 5' }], { B2: 'big' })(job))[0]).toContain('bolts.kinds.0.class');
  });
  it('is bought, drilled and tightened by kind', () => {
    const as = mixed([M16], { B1: 'big' })(job);
    const r = resolved(as);
    expect(boltLines(r).map((l) => [l.words.split(' ')[0], l.ids.length])).toEqual([
      [job.bolts.size, 3],
      ['M16', 1],
    ]);
    expect(tightenWords(r)).toMatch(new RegExp(`^${job.bolts.size}: .*; M16: `));
    expect(
      drillList(as, r)
        .filter((d) => d.part === 'plate')
        .map((d) => d.diameter),
    ).toContain(17.5);
    const all = Object.fromEntries(job.bolts.items.map((b) => [b.id, 'big']));
    const [none, one, four] = [{}, { B1: 'big' }, all].map((of) => massOf(resolved(mixed([M16], of)(job))));
    expect((one! - none!) / (four! - none!)).toBeCloseTo(0.25, 6);
  });
  it('base holes of two sizes take bolts of two sizes', () => {
    const through: Job = {
      ...job,
      bolts: {
        ...job.bolts,
        size: 'M10',
        kinds: [M16],
        items: [
          { id: 'B1', x: 40, y: 30, kind: 'big' },
          { id: 'B2', x: 40, y: -30 },
          { id: 'B3', x: -40, y: 30 },
          { id: 'B4', x: -40, y: -30 },
        ],
      },
      base: {
        ...job.base,
        hole: fromSheet(11, '11 mm'),
        holes: [
          { id: 'H1', x: 40, y: 30, d: fromSheet(18, '18 mm') },
          { id: 'H2', x: 40, y: -30 },
          { id: 'H3', x: -40, y: 30 },
          { id: 'H4', x: -40, y: -30 },
        ],
      },
    };
    expect(evaluate(through).refusals).toEqual([]);
    const tight = { ...through, base: { ...through.base, holes: through.base.holes.map(({ id, x, y }) => ({ id, x, y })) } };
    expect(
      evaluate(tight)
        .refusals.map((r) => r.because)
        .join(),
    ).toContain('11 mm wide, narrower than the 16 mm bolt B1');
  });
});

describe('spacers of different height', () => {
  const standing = (h: number[]) =>
    testJob({ fy: 4000, fz: 2000, mz: 1e5 }, (j) => ({
      ...withJoint({ packing: 'spacers', tubeOutside: fromSheet(25, '25'), tubeWall: fromSheet(5, '5') })(j),
      bolts: { ...j.bolts, items: j.bolts.items.map((b, i) => ({ ...b, packed: fromSheet(h[i]!, String(h[i])) })) },
    }));
  it('all alike, however that is written, are the joint’s own', () => {
    const own = evaluate(standing([30, 30, 30, 30]));
    const all = evaluate(
      testJob(
        { fy: 4000, fz: 2000, mz: 1e5 },
        withJoint({
          packing: 'spacers',
          packer: fromSheet(30, '30'),
          tubeOutside: fromSheet(25, '25'),
          tubeWall: fromSheet(5, '5'),
        }),
      ),
    );
    expect(own.links.map((l) => l.utilisation)).toEqual(all.links.map((l) => l.utilisation));
  });
  it('twice as long, long against its thickness, takes an eighth: h³/12EI of a post held upright at both ends', () => {
    const k = alongStiffness(resolved(standing([200, 100, 200, 200])))!;
    expect(k[1]! / k[0]!).toBeGreaterThan(7.5);
    expect(k[1]! / k[0]!).toBeLessThan(8);
  });
  it('are refused where the joint has no packing', () => {
    const none = withJoint({ packing: 'none' })(standing([60, 20, 60, 60]));
    expect(evaluate(none).refusals[0]!.because).toContain('the joint has no packing');
  });
  it('the shortest is bent hardest', () => {
    const as = { ...standing([60, 20, 60, 60]), loads: testJob({ fy: 4000 }).loads };
    expect(link(as, 'bolt-bending').at).toBe('B2');
  });
  it('are turned, or written in another order, with no figure moved', () => {
    const job = lopsidedJob();
    const as = mixed([M16], { [job.bolts.items[0]!.id]: 'big' })(job);
    const back = { ...as, bolts: { ...as.bolts, items: [...as.bolts.items].reverse() } };
    const by = (j: Job) => new Map(evaluate(j).links.map((l) => [l.id, l.utilisation]));
    const a = by(as);
    for (const other of [by(back), by(turned(as))]) a.forEach((u, id) => expect(other.get(id)).toBeCloseTo(u, 9));
  });
});

describe('net section steps from row to row', () => {
  // Plate 200 wide, t 10: two holes in the inner row 120 apart, one between them 40 further out; M16 in 17.5.
  // EN 1993-1-1 §6.2.2.2(4)b by hand: straight 200 − 2·17.5 = 165; stepped 200 − 3·17.5 + 2·40²/(4·60) = 160.83.
  const job = testJob({ fx: 50_000 }, (j) => ({
    ...j,
    base: { ...j.base, length: fromSheet(60, '60'), width: fromSheet(60, '60'), holes: [] },
    welds: { ...j.welds, fitting: 'all round' as const },
    plate: { ...j.plate, x0: -160, x1: 160, y0: -100, y1: 100, thickness: fromSheet(10, '10 mm'), corner: 0 },
    bolts: {
      ...j.bolts,
      size: 'M16',
      class: '8.8',
      nut: '8',
      items: [
        { id: 'B1', x: 80, y: 60 },
        { id: 'B2', x: 80, y: -60 },
        { id: 'B3', x: 120, y: 0 },
        { id: 'B4', x: -80, y: 60 },
        { id: 'B5', x: -80, y: -60 },
        { id: 'B6', x: -120, y: 0 },
      ],
    },
  }));
  it('and the weaker cut is taken', () => {
    const l = link(job, 'net-section');
    const net = workingOf(job, 'net-section', l.caseId)!.steps.find((s) => s.symbol === 'A_net')!;
    expect(net.value / 10).toBeCloseTo(160.83, 2);
  });
  it('a row further out than p_1 = √(4·p·d_0) does not weaken it', () => {
    const far = {
      ...job,
      bolts: { ...job.bolts, items: job.bolts.items.map((b) => (Math.abs(b.x) > 100 ? { ...b, x: b.x * 1.2 } : b)) },
    };
    const l = link(far, 'net-section');
    const net = workingOf(far, 'net-section', l.caseId)!.steps.find((s) => s.symbol === 'A_net')!;
    // 64²/(4·60)·2 = 34.1 > 17.5: the straight cut governs.
    expect(net.value / 10).toBeCloseTo(165, 2);
  });
});
