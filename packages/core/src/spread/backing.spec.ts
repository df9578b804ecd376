import { evaluate } from '../chain/evaluate';
import { isResolved, resolve } from '../job/resolve';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { boltNeeds } from '../shop/bolt-length';
import { massOf, roughCost, roughMinutes } from '../shop/weight-and-cost';
import { solvedCase } from '../testing/solved-case';
import { resolved, testJob } from '../testing/test-job';
import { FAR, stackOf, type Mesh } from './from-job';
import { isotropic } from './plate-element';
import type { SpreadCase } from './spread';

const q = (v: number) => fromSheet(v, `${v} mm`);
type Behind = Partial<Extract<Job['far'], { kind: 'plate' }>>;
const behind =
  (more: Behind = {}) =>
  (j: Job): Job => ({ ...j, far: { kind: 'plate', metal: 'S275', thickness: q(6), ...more } });

function first(more: Behind, mesh: Mesh = 'draft', fz = 6000): SpreadCase {
  const job = testJob({ fz }, behind(more));
  return solvedCase(job, mesh);
}

it('n loose plates behind are n times as stiff as one, and each carries its part: 6·m/(n·t²)', () => {
  const layer = (layers: number) => {
    const made = stackOf(resolved(testJob({}, behind({ layers }))), 'draft');
    if ('refused' in made) throw new Error(made.because);
    return made.stack.layers[FAR]!;
  };
  const one = isotropic(210_000, 0.3, 6);
  expect(layer(1).stiffness.D11).toBeCloseTo(one.D11, 6);
  expect(layer(3).stiffness.D11 / one.D11).toBeCloseTo(3, 9);
  expect(layer(3).section!.top).toBeCloseTo((3 * 6 ** 2) / 6, 9);
  expect(layer(3).thickness).toBe(18);
});

it('a second plate behind stiffens less than one twice as thick: 2·t³ against 8·t³', () => {
  const [one, two, thick] = [first({}), first({ layers: 2 }), first({ thickness: q(12) })];
  expect(two.deflection.value).toBeLessThan(one.deflection.value);
  expect(thick.deflection.value).toBeLessThan(two.deflection.value);
  expect(two.farStress.value).toBeLessThan(one.farStress.value);
});

it('reaching past the mounting plate it lets the skin down in two steps: less stress beside the edges, as far as both are read', () => {
  const [flush, past] = [first({}, 'draft', -6000), first({ past: 30 }, 'draft', -6000)];
  expect(past.edgeStress.value).toBeLessThan(flush.edgeStress.value);
  expect(past.balance).toBeLessThan(1e-6);
  const made = stackOf(resolved(testJob({}, behind({ past: 30 }))), 'draft');
  if ('refused' in made) throw new Error(made.because);
  expect(made.stack.layers[FAR]!.outline).toEqual({ x0: -145, x1: 145, y0: -135, y1: 135 });
  // Lines at its edge, and one skin thickness out, where the skin is read.
  for (const x of [145, 153]) expect([...made.stack.grid.x].some((v) => Math.abs(v - x) < 1e-6)).toBe(true);
});

it('mass, grip and work count every plate behind, and what it reaches past', () => {
  const r = (more: Behind) => resolved(testJob({}, behind(more)));
  const [one, two, past] = [r({}), r({ layers: 2 }), r({ past: 30 })];
  expect(boltNeeds(two, 0).grip - boltNeeds(one, 0).grip).toBeCloseTo(6, 9);
  // The face less its corners and holes, 6 mm of steel.
  const face = 230 * 210 - (4 - Math.PI) * 12 ** 2 - 4 * (Math.PI / 4) * one.d0 ** 2;
  const bolts = 4 * (Math.PI / 4) * one.d ** 2 * 6 * 7850e-9;
  expect(massOf(two) - massOf(one)).toBeCloseTo(face * 6 * 7850e-9 + bolts, 4);
  expect(massOf(past) - massOf(one)).toBeCloseTo((290 * 270 - 230 * 210) * 6 * 7850e-9, 4);
  expect(roughCost(two)).toBeGreaterThan(roughCost(one));
  expect(roughMinutes(two)).toBeGreaterThan(roughMinutes(one));
});

it('running into a bearer it is refused, with the room there is', () => {
  const job = testJob({}, behind({ past: 400 }));
  const r = resolve(job);
  const panel = job.skin;
  const room = Math.min(
    panel.aft.v - 115,
    panel.spanX.v - panel.aft.v - 115,
    panel.starboard.v - 105,
    panel.spanY.v - panel.starboard.v - 105,
  );
  expect(isResolved(r) ? [] : r).toContainEqual(
    expect.objectContaining({ field: 'far.past', because: expect.stringContaining('into a bearer') }),
  );
  expect(isResolved(resolve(testJob({}, behind({ past: Math.floor(room) }))))).toBe(true);
});

it('one plate flush with the other is what a job that says neither means', () => {
  expect(evaluate(testJob({}, behind({ layers: 1, past: 0 })))).toEqual(evaluate(testJob({}, behind())));
});
