import { evaluate } from '../chain/evaluate';
import { handAndSolver } from '../chain/hand-and-solver';
import { judge } from '../chain/judge';
import { USUAL_SPREAD, type SpreadRules } from '../job/spread-rules';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { shareOutOfPlane } from '../sharing/out-of-plane';
import { casesOf } from '../loads/cases';
import { lowered } from '../geometry/vector';
import { solvedCase } from '../testing/solved-case';
import { onSolidBed, resolved, testJob } from '../testing/test-job';
import { spreadOf, type SpreadCase } from './spread';
import { figuresOf } from './view';

const q = (v: number) => fromSheet(v, `${v} mm`);
const LOAD = { fx: 8000, fz: 5000, z: 200 };

/** A base of 120 × 100 on a plate of 230 × 210 on a solid bed, all by its own rules. */
const onBed = (rules: Partial<SpreadRules> = {}, change: (j: Job) => Job = (j) => j, load = LOAD): Job =>
  testJob(load, (j) => change({ ...onSolidBed(j), spread: { ...USUAL_SPREAD, ...rules } }));

const thick = (j: Job): Job => ({
  ...j,
  base: { ...j.base, thickness: q(60) },
  plate: { ...j.plate, thickness: q(60) },
});

/** Rigid plate, bolts that only pull, bed that only pushes: the neutral axis by hand, itself held to Blodgett's cubic. */
it.each([2, 6, 20])(
  'a plate too thick to bend agrees with the neutral axis by hand, bedding %d N/mm³: pulls to 0.5 %',
  (bedding) => {
    const job = onBed({ base: 'rigid', given: { bolt: 1e5, bedding } }, thick);
    const r = resolved(job);
    // What pushes along the plate tips it by its own 60 mm too.
    const { fz, mx, my } = lowered(casesOf(job)[0]!, 60);
    const hand = shareOutOfPlane(
      { base: r.plate, bolts: r.bolts, boltStiffness: 1e5, bedModulus: bedding, inLine: false },
      fz,
      mx,
      my,
    );
    if ('refused' in hand) throw new Error(hand.because);
    const c = solvedCase(job);
    c.bolts.forEach((b, i) => expect(Math.abs(b.tension - hand.tensions[i]!)).toBeLessThan(0.005 * Math.max(...hand.tensions)));
    // Cells count whole as pressing or not, so the line is known to half a cell or so.
    const pressed = hand.pressed.reduce((most, p) => Math.max(most, 115 - p.x), 0) * 210;
    expect(Math.abs(c.pressedArea / pressed - 1)).toBeLessThan(0.12);
    expect(Math.abs(c.press / hand.push - 1)).toBeLessThan(0.01);
  },
);

it('a thin plate bends: it is prised up round its bolts and bears nearer to the base', () => {
  const thin = solvedCase(onBed());
  const stiff = solvedCase(onBed({}, thick));
  expect(thin.deflection.value).toBeGreaterThan(2 * stiff.deflection.value);
  expect(thin.plateStress.value).toBeGreaterThan(10 * stiff.plateStress.value);
  // Σ over bolts less what presses is the lift: nothing else holds a plate on a bed.
  for (const c of [thin, stiff]) {
    const pull = c.bolts.reduce((sum, b) => sum + b.tension, 0);
    expect((pull - c.press) / LOAD.fz).toBeCloseTo(1, 6);
    expect(c.balance).toBeLessThan(1e-6);
    expect(c.reactions.map((x) => x.of)).toEqual(['bed']);
    expect(c.reactions[0]!.fz).toBeCloseTo(-LOAD.fz, 2);
  }
});

it('pressed evenly, bedding and area alone say how far it sinks: w = F/(k·A)', () => {
  const c = solvedCase(onBed({ base: 'rigid', given: { bedding: 0.1 } }, thick, { fx: 0, fz: -40_000, z: 0 }));
  expect(c.deflection.value / (40_000 / (0.1 * 230 * 210))).toBeCloseTo(1, 2);
  expect(c.pressure.value).toBeCloseTo(40_000 / (230 * 210), 1);
  // Its corners are rounded to 12 mm: (4 − π)·r² less.
  expect(c.pressedArea / (230 * 210 - (4 - Math.PI) * 12 ** 2)).toBeCloseTo(1, 3);
  expect(c.bolts.every((b) => b.tension === 0)).toBe(true);
});

it('a bed has no skin to bend: no such figures, no such rows beside the hand’s, no such links', () => {
  const job = onBed({ checks: 'solver' });
  const c = solvedCase(job);
  expect([c.edgeStress.value, c.overThickness, c.skinShear.value, c.membrane]).toEqual([0, 0, 0, false]);
  const f = figuresOf(spreadOf(resolved(job), casesOf(job), 'draft') as never).cases[0]!;
  if ('refused' in f) throw new Error(f.because);
  const rows = handAndSolver(resolved(job), casesOf(job)[0]!, f);
  expect(rows.map((x) => x.what)).toEqual([expect.stringMatching(/^pull in B/), 'plate bends']);
  const { verdict } = judge(job, { mesh: 'draft' });
  const state = (id: string) => verdict.links.find((l) => l.id === id)!.state;
  expect([state('skin-bending'), state('deflection')]).toEqual(['not needed', 'not needed']);
  expect(verdict.links.find((l) => l.id === 'base-bearing')!.demand).toBeGreaterThan(0);
  // Anchors stay with their maker's tables, by hand or solved.
  expect(state('bed-anchors')).toBe('refused');
  expect(evaluate(job).links.find((l) => l.id === 'bed-anchors')!.state).toBe('refused');
});

it('free bearers do not matter to a bed; a draft and the fine mesh say the same pulls to 3 %', () => {
  const free = { aft: 'free', fore: 'free', starboard: 'free', port: 'free' } as const;
  const [draft, fine] = [solvedCase(onBed({ edges: free })), solvedCase(onBed({ edges: free }), 'fine')];
  const most = (c: SpreadCase) => Math.max(...c.bolts.map((b) => b.tension));
  expect(Math.abs(most(draft) / most(fine) - 1)).toBeLessThan(0.03);
});
