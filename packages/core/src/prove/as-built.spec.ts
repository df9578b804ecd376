import { evaluate } from '../chain/evaluate';
import { judgeFeet } from '../chain/feet';
import { atFoot, oneFoot } from '../job/at-foot';
import { withClass } from '../job/bolt-class';
import { fromSheet } from '../job/values';
import type { Job } from '../job/schema';
import { WholeJob } from '../job/whole-job';
import { eightFeet } from '../testing/eight-feet';
import { found, logOf, type Written } from '../testing/log-lines';
import { resolved, testJob } from '../testing/test-job';
import { asBuilt } from './as-built';
import { dimensionsAt } from './dimensions';
import { underGauge } from './plate-tolerance';

const job = (change: (j: Job) => Job = (j) => j) =>
  testJob({ fx: 3000, fz: 2000, z: 120 }, (j) => change({ ...j, plate: { ...j.plate, thickness: fromSheet(8, '8 mm') } }));
const whole = () => oneFoot(job());
const used = (j: Job) =>
  evaluate(j).links.map((l) => [
    l.id,
    l.state,
    Number.isFinite(l.utilisation) ? Number(l.utilisation.toPrecision(12)) : l.utilisation,
  ]);
const built = (entries: readonly Written[], of = whole()) => asBuilt(of, logOf(entries));
const at = (w: WholeJob) => atFoot(w, w.feet[0]!.id);
const bolt = (j: Job, id: string) => j.bolts.items.find((b) => b.id === id)!;
const about = (b: string) => ({ foot: 'F1', bolt: b });
const mm = (v: number) => fromSheet(v, `${v} mm`);

describe('as built by hand: the same figures as the job typed that way', () => {
  it('a hole 4 mm nearer the edge, accepted', () => {
    const b1 = bolt(job(), 'B1');
    const toward = Math.sign(b1.x) * 4;
    const found4 = built([
      { body: found('bolt/B1/x', b1.x + toward, b1.x), about: about('B1') },
      { body: { kind: 'decision', key: 'bolt/B1/x', decide: 'accept', reason: 'far from the load' }, about: about('B1') },
    ]);
    const typed = job((j) => ({
      ...j,
      bolts: { ...j.bolts, items: j.bolts.items.map((b) => (b.id === 'B1' ? { ...b, x: b.x + toward } : b)) },
      base: { ...j.base, holes: j.base.holes.map((h) => (h.x === b1.x && h.y === b1.y ? { ...h, x: h.x + toward } : h)) },
    }));
    expect(used(at(found4.whole))).toEqual(used(typed));
    expect(used(typed)).not.toEqual(used(job()));
    expect(found4.deviations).toEqual([expect.stringMatching(/Hole B1, forward .* \(accept\)/)]);
  });
  it('plate 7.1 instead of 8, and thinner backing and throat', () => {
    const plate = built([{ body: found('plate/thickness', [7.1, 7.0, 7.2], 8) }]);
    expect(used(at(plate.whole))).toEqual(used(job((j) => ({ ...j, plate: { ...j.plate, thickness: mm(7.1) } }))));
    const [f] = plate.found.filter((x) => x.dimension.key === 'plate/thickness');
    // EN 10029 class A, 8 mm: −0.5 mm. 7.1 is 0.4 mm past it.
    expect(f!.out).toBeCloseTo(-0.4, 9);
    expect(f!.open).toContain('decide');
    const welded = job((j) => ({ ...j, welds: { ...j.welds, doubler: 'all round', doublerThroat: mm(4) } }));
    const thin = built([{ body: found('weld/doubler', 3, 4) }], oneFoot(welded));
    expect(used(at(thin.whole))).toEqual(used({ ...welded, welds: { ...welded.welds, doublerThroat: mm(3) } }));
  });
  it('a hole drilled wide, structure found thin, another packer, and other bolts', () => {
    const d0 = resolved(job()).d0;
    const wide = built([{ body: found('hole/B1/d', d0 + 3, d0), about: about('B1') }]);
    const own = (v: number) =>
      job((j) => ({
        ...j,
        bolts: { ...j.bolts, items: j.bolts.items.map((b) => (b.id === 'B1' ? { ...b, holes: { plate: mm(v) } } : b)) },
      }));
    expect(used(at(wide.whole))).toEqual(used(own(d0 + 3)));
    expect(used(own(d0 + 3))).not.toEqual(used(job()));
    expect(wide.found.find((f) => f.dimension.key === 'hole/B1/d')).toMatchObject({ open: 'out by 2.5 mm: decide' });
    const thin = built([{ body: found('skin/thickness', 6, 8) }]);
    expect(used(at(thin.whole))).toEqual(used(job((j) => ({ ...j, skin: { ...j.skin, thickness: mm(6) } as Job['skin'] }))));
    const packed = (v: number) => (j: Job) => ({ ...j, joint: { ...j.joint, packing: 'packer' as const, packer: mm(v) } });
    const high = built(
      ['B1', 'B2', 'B3', 'B4'].map((b) => ({ body: found(`packer/${b}`, 9, 6), about: about(b) })),
      oneFoot(job(packed(6))),
    );
    expect(used(at(high.whole))).toEqual(used(job(packed(9))));
    const soft = built([{ body: { kind: 'confirmed', what: 'bolts fitted', is: 'M10 5.8' } }]);
    expect(used(at(soft.whole))).toEqual(used(job((j) => ({ ...j, bolts: withClass(j.bolts, '5.8') }))));
    expect(soft.deviations).toEqual(['bolts M10 5.8 for M10 8.8']);
    const some: Written = { body: { kind: 'confirmed', what: 'bolts fitted', is: 'what was in the drawer' } };
    expect(built([some]).notCounted).toEqual(['bolts fitted: what was in the drawer']);
  });
  it('one bolt missing', () => {
    const missing = built([{ body: { kind: 'bolt missing', reason: 'sheared' }, about: about('B2') }]);
    const typed = job((j) => ({ ...j, bolts: { ...j.bolts, items: j.bolts.items.filter((b) => b.id !== 'B2') } }));
    expect(used(at(missing.whole))).toEqual(used(typed));
    expect(missing.deviations).toEqual(['bolt B2 is missing']);
  });
  it('a gap that is shimmed is packed; one that is let be is none of the plan', () => {
    const gap: Written = { body: found('gap/B3', 1.2, 0), about: about('B3') };
    const shim: Written = {
      body: { kind: 'decision', key: 'gap/B3', decide: 'shim', reason: 'hollow skin' },
      about: about('B3'),
    };
    const packed = resolved(at(built([gap, shim]).whole)).bolts.find((b) => b.id === 'B3')!.packed;
    expect(packed).toBeCloseTo(1.2, 9);
    const left = built([gap]);
    expect(left.whole).toEqual(whole());
    expect(left.notCounted).toEqual(['Gap under the plate at B3 1.2 mm for 0 mm']);
  });
  it('slotted: the bolt stands as drawn in a slot that reaches where the hole is; out both ways it is one slot', () => {
    const b1 = bolt(job(), 'B1');
    const slot = (axis: 'x' | 'y', off: number): Written[] => [
      { body: found(`bolt/B1/${axis}`, b1[axis] + off, b1[axis]), about: about('B1') },
      { body: { kind: 'decision', key: `bolt/B1/${axis}`, decide: 'slot', reason: 'skin is drilled' }, about: about('B1') },
    ];
    const r = resolved(at(built([...slot('x', 3), ...slot('y', 4)]).whole));
    const i = r.bolts.findIndex((b) => b.id === 'B1');
    expect([r.bolts[i]!.x, r.bolts[i]!.y]).toEqual([b1.x, b1.y]);
    const at1 = r.kinds[r.bolts[i]!.kind]!;
    // 3, 4, 5: five off one way, so ten longer than wide.
    expect(at1.slot!.long).toBeCloseTo(at1.d0 + 10, 6);
    expect(at1.slot!.turn).toBeCloseTo(Math.atan2(4, 3), 9);
  });
});

it('what is to be made again counts as drawn, and stays open until it is measured again', () => {
  const plate: Written = { body: found('plate/thickness', 7.1, 8) };
  const again: Written = { body: { kind: 'decision', key: 'plate/thickness', decide: 'remake', reason: 'wrong stock' } };
  const state = (entries: readonly Written[]) => {
    const b = built(entries);
    return { t: at(b.whole).plate.thickness.v, open: b.found.find((f) => f.dimension.key === 'plate/thickness')!.open };
  };
  expect(state([plate, again])).toEqual({ t: 8, open: 'remake, then measure again' });
  expect(state([plate, again, { body: found('plate/thickness', 7.9, 8) }])).toEqual({ t: 7.9, open: '' });
});

it('a reading that cannot be is no figure: not put in, and open', () => {
  for (const [key, value] of [
    ['plate/thickness', 0],
    ['plate/thickness', -8],
    ['gap/B1', -2],
  ] as const) {
    const b = built([
      { body: found(key, value, key === 'gap/B1' ? 0 : 8), about: key === 'gap/B1' ? about('B1') : { foot: 'F1' } },
    ]);
    expect(b.whole).toEqual(whole());
    expect(b.found.find((f) => f.dimension.key === key)!.open).toContain('cannot be: measure again');
  }
});

it('a hole that was filled is said beside the figure for good, also once it is measured again', () => {
  const b1 = bolt(job(), 'B1');
  const hole = (off: number): Written => ({ body: found('bolt/B1/x', b1.x + off, b1.x), about: about('B1') });
  const fill: Written = {
    body: { kind: 'decision', key: 'bolt/B1/x', decide: 'fill and redrill', reason: 'ran off' },
    about: about('B1'),
  };
  expect(built([hole(5), fill, hole(0.1)]).notCounted).toEqual(['the filled hole at B1']);
});

it('found within limits it counts too, and asks for nothing', () => {
  const b = built([{ body: found('plate/thickness', 7.8, 8) }]);
  expect(at(b.whole).plate.thickness).toMatchObject({ v: 7.8, from: 'measured' });
  expect(b.found.find((f) => f.dimension.key === 'plate/thickness')!.open).toBe('');
});

it('a hole that is not in this version, or a plate drawn otherwise since, is kept and shown, not counted', () => {
  const b = built([
    { body: found('bolt/B9/x', 10, 12), about: about('B9'), version: 3 },
    { body: found('plate/thickness', 5.8, 6), version: 3 },
    { body: { kind: 'bolt missing', reason: 'gone' }, about: about('B9'), version: 3 },
  ]);
  expect(b.whole).toEqual(whole());
  expect(b.elsewhere.map((e) => e.because)).toEqual([
    'measured against version 3, where it was drawn 6 mm: it is 8 mm now, measure again',
    expect.stringContaining('version 3; this version of the job has no such place'),
    expect.stringContaining('version 3; this version of the job has no such place'),
  ]);
  expect(b.found.find((f) => f.dimension.key === 'plate/thickness')!.open).toBe('to be measured');
});

it('what is found at one foot is of that foot alone, also where others are made like it, mirrored or not', () => {
  const eight = eightFeet();
  const [first, second] = eight.feet;
  const t = atFoot(eight, first!.id).plate.thickness.v;
  const b = asBuilt(eight, logOf([{ body: found('plate/thickness', t - 1, t), about: { foot: first!.id } }]));
  expect(atFoot(b.whole, first!.id).plate.thickness.v).toBe(t - 1);
  const before = judgeFeet(eight).map((f) => f.judged.verdict.links.map((l) => l.utilisation));
  const after = judgeFeet(b.whole).map((f) => f.judged.verdict.links.map((l) => l.utilisation));
  expect(atFoot(b.whole, second!.id).plate.thickness.v).toBe(t);
  expect(after.slice(1)).toEqual(before.slice(1));
  expect(after[0]).not.toEqual(before[0]);
  expect(WholeJob.safeParse(b.whole).success).toBe(true);
});

it('at a mirrored foot a hole is where it was found there: the same as typed at that foot', () => {
  const eight = eightFeet();
  const foot = eight.feet.find((f) => f.like?.mirrored)!;
  const d = dimensionsAt(eight, foot.id).find((x) => x.key.startsWith('bolt/') && x.key.endsWith('/y'))!;
  const id = d.about.bolt!;
  const b = asBuilt(eight, logOf([{ body: found(d.key, d.nominal + 2, d.nominal), about: d.about }]));
  const there = atFoot(b.whole, foot.id);
  const drawn = atFoot(eight, foot.id);
  expect(bolt(there, id).y).toBeCloseTo(bolt(drawn, id).y + 2, 9);
  const rest = (j: Job) => j.bolts.items.filter((x) => x.id !== id).map((x) => [x.id, x.x, x.y]);
  expect(rest(there)).toEqual(rest(drawn));
  const before = judgeFeet(eight).filter((f) => f.id !== foot.id);
  const after = judgeFeet(b.whole).filter((f) => f.id !== foot.id);
  expect(after.map((f) => used(f.job))).toEqual(before.map((f) => used(f.job)));
});

it('every dimension of a foot has its limits, its reason and what may be decided; bolts by half their play', () => {
  const all = dimensionsAt(whole(), 'F1');
  expect(new Set(all.map((d) => d.key)).size).toBe(all.length);
  const hole = all.find((d) => d.key === 'bolt/B1/x')!;
  const r = resolved(job());
  expect(hole.over).toBeCloseTo((r.d0 - r.d) / 2, 9);
  expect(all.every((d) => d.source !== '' && d.decide.length > 0)).toBe(true);
  // EN 10029:2010 Tab. 1 class A, lower limits (from memory).
  expect([4, 6, 10, 20, 30].map((t) => underGauge(t).under)).toEqual([0.3, 0.4, 0.5, 0.6, 0.7]);
});
