import { plateHoleAdded, plateHoleChanged, plateHoleOut } from '../job/plate-hole-edits';
import { mirrored } from '../job/mirrored';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { cutParts, partMass } from '../shop/cut-parts';
import { drillList } from '../shop/drill-list';
import { resolved, testJob } from '../testing/test-job';
import { evaluate } from './evaluate';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const job = testJob({ fx: 4000, fz: 1500, z: 20 });
const holed = (x: number, y: number, d: number, more: object = {}): Job =>
  plateHoleAdded(job, { x, y, d: mm(d), purpose: 'lightening', ...more }).job;
const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;

it('a hole of the plate’s own is cut, listed with its purpose, and takes its metal off: π/4·d²·t·ρ', () => {
  const with40 = resolved(holed(0, 0, 40));
  const hole = cutParts(with40)[0]!.holes.find((h) => h.id === 'P1')!;
  expect([hole.takes, hole.d]).toEqual(['lightening', 40]);
  const lost = partMass(cutParts(resolved(job))[0]!) - partMass(cutParts(with40)[0]!);
  expect(lost).toBeCloseTo((Math.PI / 4) * 1600 * 8 * 7850 * 1e-9, 3);
  expect(drillList(with40.job, with40).find((r) => r.hole === 'P1')).toMatchObject({
    part: 'plate',
    diameter: 40,
    fastener: 'lightening',
  });
});

it('near a bolt it is an edge: the bolt bears no better than that lets it', () => {
  // B3 stands at −90, −80; the plate goes with the force, so the metal behind is towards −x: 25 to the edge. A hole 24 behind it takes most of that.
  const behind = holed(-90 + 30, -80, 30);
  const [free, near] = [link(job, 'edge-and-pitch'), link(behind, 'edge-and-pitch')];
  // 30 between centres less 15: the edge of the hole is 15 away.
  expect(near.capacity).toBeCloseTo(15, 6);
  expect(near.utilisation!).toBeGreaterThan(free.utilisation!);
  expect(evaluate(holed(-90 + 12, -80, 20)).refusals[0]!.because).toContain('breaks through the plate edge');
});

it('in the row of the bolts it narrows what is left to tear: b less what lies past it', () => {
  const net = (j: Job) => link(j, 'net-section').capacity;
  expect(net(holed(90, 0, 40))).toBeLessThan(net(job));
  expect(net(holed(0, 0, 20))).toBe(net(job));
});

it('slots, moves, goes again; mirrored twice it is where it was, with every figure the same once', () => {
  const slot = holed(60, 10, 10, { slot: mm(30), turn: 0.4 });
  const moved = plateHoleChanged(slot, 'P1', { x: 70, slot: undefined, turn: undefined });
  expect(moved.plate.holes).toEqual([{ id: 'P1', x: 70, y: 10, d: mm(10), purpose: 'lightening' }]);
  expect(plateHoleOut(moved, 'P1')).toEqual(job);
  const figures = (j: Job) => evaluate(j).links.map((l) => [l.id, l.utilisation && Number(l.utilisation.toFixed(9))]);
  expect(figures(mirrored(slot))).toEqual(figures(slot));
  expect(mirrored(mirrored(slot)).plate.holes).toEqual(slot.plate.holes);
});

it.each([
  ['off the metal', holed(140, 0, 10), /hole P1: lies 25 mm outside the plate/],
  ['through the edge', holed(112, 0, 10), /breaks through the edge \(3 mm/],
  [
    'over another',
    plateHoleAdded(holed(0, 0, 20), { x: 12, y: 0, d: mm(10), purpose: 'drain' }).job,
    /overlaps hole P2 \(12 mm between centres\); over 15 mm/,
  ],
  ['a slot shorter than wide', holed(0, 0, 20, { slot: mm(15) }), /no longer than it is wide/],
])('refused: %s', (_n, j, text) =>
  expect(
    evaluate(j)
      .refusals.map((r) => `${r.field}: ${r.because}; ${r.allowed}`)
      .join('\n'),
  ).toMatch(text),
);
