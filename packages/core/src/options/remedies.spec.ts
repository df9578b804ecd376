import type { Job } from '../job/schema';
import type { Pattern } from '../job/survey';
import { studySide } from '../survey/patterns';
import { testJob } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { remediesFor, type Remedy } from './remedies';

const rect = (a: number, b: number, dx = 0) =>
  [
    [a + dx, b],
    [-a - dx, b],
    [-a - dx, -b],
    [a + dx, -b],
  ].map(([x, y], i) => ({ id: `H${i + 1}`, x: x!, y: y! }));
const pattern = (of: Pattern['of'], holes: Pattern['holes'], hole: number): Pattern => ({
  id: of,
  of,
  side: 'left',
  hole: fromSheet(hole, `${hole}`),
  slot: fromSheet(0, '0'),
  along: 'x',
  holes,
  from: 'measured',
  readings: [],
});
const job = (structure: Pattern['holes'], change: (j: Job) => Job = (j) => j, hole = 11): Job =>
  change({
    ...testJob({ fx: 2000, fz: 1500, z: 100 }),
    survey: {
      ...testJob().survey,
      patterns: [pattern('fitting', rect(45, 35), hole), pattern('structure', structure, hole)],
    },
  });
const remedies = (j: Job) => {
  const all = remediesFor(j, studySide(j, 'left'));
  return Object.fromEntries(all.map((r) => [r.kind, r])) as Record<Remedy['kind'], Remedy>;
};

describe('patterns 6 mm apart along x', () => {
  const r = remedies(job(rect(45, 35, 3)));
  it('no new hole beside an old one: the web is gone (by hand: 3 − 11 = −8 mm)', () => {
    expect(r.redrill.not).toContain('runs 8 mm into the old hole');
    expect(r.redrill.job).toBeUndefined();
  });
  it('a slot: 3 mm miss less 1 mm clearance is 2 each way, 4 mm longer (by hand), bearing × 0.6 (EN 1993-1-8 Tab. 3.4)', () => {
    expect(r.slot.make).toBe('Each hole of the fitting 4 mm longer than round, fore and aft.');
    expect(r.slot.job!.base).toMatchObject({ slot: { v: 4 }, slotAlong: 'x' });
    expect(r.slot.verdict!.refusals).toEqual([]);
    const bearing = r.slot.verdict!.links.find((l) => l.id === 'plate-bearing')!;
    expect(r.slot.consequences[0]).toContain(`becomes ${(bearing.utilisation / 0.6).toFixed(2)}`);
  });
  it('oversize is refused under M12 with its range (EN 1090-2 Tab. 11, memory)', () =>
    expect(r.oversize.not).toContain('no oversize hole under M12'));
  it('an adapter cannot hold two holes 3 mm apart (EN 1993-1-8 Tab. 3.3: 2.2 d0)', () =>
    expect(r.adapter.not).toContain('at least 2.2 d0 = 24.2 mm'));
  it('athwart, the slot runs the other way and the bolts still find it', () => {
    const across = rect(45, 35).map((h) => ({ ...h, y: h.y + Math.sign(h.y) * 3 }));
    const s = remedies(job(across)).slot;
    expect(s.job!.base.slotAlong).toBe('y');
    expect(s.verdict!.refusals).toEqual([]);
  });
});

it('both ways at once no straight slot does it', () => {
  const grown = rect(45, 35).map((h) => ({ ...h, x: h.x + Math.sign(h.x) * 4, y: h.y + Math.sign(h.y) * 4 }));
  expect(remedies(job(grown)).slot.not).toContain('the misses run both ways');
});

it('oversize for M12: 12.5 mm holes, 1.2 mm off: 13.9 mm is inside 3 mm over the bolt, bearing × 0.8', () => {
  const m12 = (j: Job): Job => ({ ...j, bolts: { ...j.bolts, size: 'M12' } });
  const near = remedies(job(rect(45, 35, 1.2), m12, 12.5)).oversize;
  // Clearance 0.25 + 0.25; 1.2 needed: the fitting’s holes 2 × 0.7 = 1.4 wider, 13.9 mm.
  expect(near.make).toContain('from 12.5 mm to 13.9 mm');
  expect(near.not).toBe('');
  expect(near.consequences[0]).toContain('bearing × 0.8');
  expect(remedies(job(rect(45, 35, 2.5), m12, 12.5)).oversize.not).toContain('up to 3 mm over');
});

it('patterns far apart: the adapter carries both, its plate grows to hold them, and the path is judged', () => {
  const wide = rect(95, 85);
  const r = remedies(job(wide)).adapter;
  expect(r.not).toBe('');
  expect(r.job!.bolts.items.map((b) => [b.x, b.y])).toEqual(wide.map((h) => [expect.closeTo(h.x, 3), expect.closeTo(h.y, 3)]));
  expect(r.job!.base.holes).toEqual(rect(45, 35));
  // 95 + 2·10 = 115: the outline of the job is just enough; 85 + 20 = 105 too.
  expect(r.job!.plate).toMatchObject({ x0: -115, x1: 115, y0: -105, y1: 105 });
  expect(r.verdict!.weakest).not.toBe('');
  expect(remedies(job(rect(140, 120))).adapter.job!.plate).toMatchObject({ x0: -160, x1: 160, y0: -140, y1: 140 });
});

it('redrilled well clear, the old holes are kept on the plan as filled', () => {
  const r = remedies(job(rect(90, 80))).redrill;
  expect(r.job!.survey.existing.map((e) => e.use)).toEqual(['fill', 'fill', 'fill', 'fill']);
  expect(r.job!.bolts.items[0]).toMatchObject({ x: 45, y: 35 });
  expect(r.verdict!.refusals).toEqual([]);
});

it('nothing is proposed where the patterns cannot be compared', () => {
  const j = job(rect(45, 35).slice(1));
  expect(remediesFor(j, studySide(j, 'left'))).toEqual([]);
});
