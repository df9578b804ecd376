import { fromSheet } from '../job/values';
import type { Job } from '../job/schema';
import { resolved, testJob, withJoint, withWelds } from '../testing/test-job';
import { nutHole, weldOrder } from './weld-order';

const q = (v: number) => fromSheet(v, `${v} mm`);
const card = (change: (j: Job) => Job) => weldOrder(resolved(testJob(undefined, change)));
const allRound = withWelds({ fitting: 'all round', fittingThroat: q(4) });

it('nothing welded has no card', () => expect(card((j) => j)).toBeUndefined());

it('a base welded all round is four numbered runs, as long as its sides, leg √2 of the throat (geometry)', () => {
  const { runs } = card(allRound)!;
  const { length, width } = testJob().base;
  expect(runs.map((w) => w.length).sort((a, b) => a - b)).toEqual([width.v, width.v, length.v, length.v].sort((a, b) => a - b));
  for (const w of runs) expect(w.leg).toBeCloseTo(4 * Math.SQRT2, 9);
  expect(new Set(runs.map((w) => w.mark)).size).toBe(4);
  expect(runs.map((w) => w.turn)).toEqual([1, 2, 3, 4]);
});
it('skips about: the second run lies opposite the first (common practice)', () => {
  const { runs } = card(allRound)!;
  expect([runs[0]!.where, runs[1]!.where]).toEqual(['base to plate, fore edge', 'base to plate, aft edge']);
});
it('a stitched doubler says how many stitches go on each edge: n·s + (n − 1)·g reaches its end', () => {
  const { runs } = card(withWelds({ doubler: 'stitched', doublerThroat: q(3), stitch: q(40), gap: q(60) }))!;
  const { plate } = testJob();
  const long = runs.find((w) => Math.abs(w.length - (plate.x1 - plate.x0)) < 1e-6)!;
  const { count } = long.stitch!;
  expect(count * 40 + (count - 1) * 60).toBeGreaterThanOrEqual(long.length - 60);
  expect(long.says).toBe(`${count} stitches, every other one first`);
});
it('holes within the heat of a bead are drilled after: nearer than twice the leg and 10 mm', () => {
  const { base } = testJob();
  const near = (off: number) =>
    card((j) =>
      allRound({
        ...j,
        bolts: { ...j.bolts, items: j.bolts.items.map((b, i) => (i === 0 ? { ...b, x: base.length.v / 2 + off, y: 0 } : b)) },
      }),
    )!.drillAfter;
  const d = resolved(testJob()).d0;
  const reach = d / 2 + 2 * 4 * Math.SQRT2 + 10;
  expect(near(reach - 0.5)).toContain('B1');
  expect(near(reach + 0.5)).not.toContain('B1');
});
it('preheat by the metal and its thickness', () => {
  const thick = (metal: string, t: number) =>
    card((j) => allRound({ ...j, plate: { ...j.plate, metal, thickness: q(t) } }))!.preheat;
  expect(thick('S355', 10)).toMatch(/^none/);
  expect(thick('S355', 25)).toMatch(/75 °C/);
  expect(thick('S690', 10)).toMatch(/maker/);
});
it('names what the heat must not reach: sealant where it is bedded, zinc where it is wet', () => {
  const protect = (x: Partial<Job['joint']>) => card((j) => allRound(withJoint(x)(j)))!.protect.join(' ');
  expect(protect({ bedding: 'bedded' })).toContain('Sealant and glue');
  expect(protect({ place: 'salt' })).toContain('Zinc');
  expect(protect({})).not.toMatch(/Sealant|Zinc/);
});

it('a run over a cable behind the skin is named, with the room it asks for; one clear of it is not', () => {
  const { base } = testJob();
  const at = base.length.v / 2;
  const hidden = (off: number) => ({
    id: 'C1',
    what: 'cable' as const,
    note: '',
    x0: at + off,
    x1: at + off + 20,
    y0: -10,
    y1: 10,
    clear: q(5),
  });
  const over = (off: number) => card((j) => allRound({ ...j, survey: { ...j.survey, hidden: [hidden(off)] } }))!.over;
  expect(over(4)).toEqual(['W1 over cable C1']);
  expect(over(6)).toEqual([]);
});

it('aluminium over 10 mm is warmed, not over 100 °C; a fillet too small for its metal asks for practice (AISC Tab. J2.4)', () => {
  const alloy = (t: number) =>
    card((j) =>
      allRound({ ...j, plate: { ...j.plate, metal: '5083-H111', thickness: q(t) }, base: { ...j.base, thickness: q(t) } }),
    )!.preheat;
  expect(alloy(12)).toMatch(/100 °C/);
  expect(alloy(8)).toMatch(/^none/);
  const order = (throat: number) =>
    card((j) => ({
      ...withWelds({ fitting: 'all round', fittingThroat: q(throat) })(j),
      plate: { ...j.plate, thickness: q(12) },
      base: { ...j.base, thickness: q(12) },
    }))!.order.join(' ');
  // 12 mm asks for a leg of 3/16 in, 4.76 mm: a throat of 3 has 4.24, one of 4 has 5.66.
  expect(order(3)).toContain('smaller than its metal likes');
  expect(order(4)).not.toContain('smaller than its metal likes');
});

it('side edges are named starboard and port, the others fore and aft, each where it lies on the plan', () => {
  const where = (fitting: 'side edges' | 'fore and aft edges') =>
    card(withWelds({ fitting, fittingThroat: q(4) }))!.runs.map((w) => ({
      name: w.where.replace('base to plate, ', ''),
      a: w.line![0]!,
      b: w.line![1]!,
    }));
  for (const w of where('side edges')) {
    expect(w.a.y).toBe(w.b.y);
    expect(w.name).toBe(w.a.y > 0 ? 'port edge' : 'starboard edge');
  }
  for (const w of where('fore and aft edges')) {
    expect(w.a.x).toBe(w.b.x);
    expect(w.name).toBe(w.a.x > 0 ? 'fore edge' : 'aft edge');
  }
});

it('the hole over a welded nut: M10, 16 or 17 over its flats, is its corners and 8 mm (hexagon: s/cos 30°)', () => {
  expect(nutHole(17).d).toBeCloseTo((17 * 2) / Math.sqrt(3) + 8, 9);
  expect(nutHole(16).d).toBeCloseTo(26.475, 3);
});
