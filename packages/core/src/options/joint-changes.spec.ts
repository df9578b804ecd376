import { newLug } from '../job/plain-joint';
import type { Job } from '../job/schema';
import { isResolved, resolve } from '../job/resolve';
import { fromSheet } from '../job/values';
import { testJob, withJoint, withWelds } from '../testing/test-job';
import { jointChanges } from './joint-changes';

const q = (v: number) => fromSheet(v, `${v} mm`);
const job = (change: (j: Job) => Job = (j) => j) => testJob({ fz: 2000 }, change);
const kinds = (change?: (j: Job) => Job) => jointChanges(job(change)).map((c) => c.kind);
const of = (kind: string, change: (j: Job) => Job) => jointChanges(job(change)).filter((c) => c.kind === kind);

it('a plain joint is offered captive nuts and plain shanks, and nothing that it has or cannot use', () => {
  expect(kinds()).toEqual(['captive', 'shank']);
});

it.each<[string, (j: Job) => Job, string[]]>([
  ['a lag screw', withJoint({ holding: 'lag screw' }), ['through']],
  ['a tapped plate', withJoint({ holding: 'tapped' }), ['through']],
  ['a rivet nut', withJoint({ holding: 'rivet nut' }), ['through']],
  ['to torque', withJoint({ tightening: 'to torque' }), ['captive', 'snug']],
  ['a countersunk head', withJoint({ head: 'countersunk' }), ['captive', 'head']],
  ['metals in the weather', withJoint({ place: 'weather' }), ['isolate', 'captive']],
  ['spacers', withJoint({ packing: 'spacers', tubeOutside: q(20) }), ['spacer', 'packing']],
])('%s: %j', (_n, change, expected) => {
  expect(kinds(change)).toEqual(expect.arrayContaining(expected));
});

it('metals already kept apart, or a place nobody named, ask for no sleeves', () => {
  expect(kinds(withJoint({ place: 'salt', isolated: true }))).not.toContain('isolate');
  expect(kinds(withJoint({ place: 'not said' }))).not.toContain('isolate');
});

it('tubes go up the stock from what is there, four at most', () => {
  const outside = of('spacer', withJoint({ packing: 'spacers', tubeOutside: q(20) })).map((c) => c.job.joint.tubeOutside.v);
  expect(outside).toEqual([25, 30, 40, 50]);
  expect(of('spacer', withJoint({ packing: 'spacers', tubeOutside: q(50) }))).toEqual([]);
});

describe('welds', () => {
  it('the fitting’s: thicker by the next four, all round where it is not, thinner by two', () => {
    const all = jointChanges(job(withWelds({ fitting: 'side edges', fittingThroat: q(5) })));
    const throats = (kind: string) => all.filter((c) => c.kind === kind).map((c) => c.job.welds.fittingThroat.v);
    expect(throats('throat')).toEqual([6, 7, 8, 10]);
    expect(throats('smaller')).toEqual([4, 3]);
    expect(all.find((c) => c.kind === 'round')!.job.welds.fitting).toBe('all round');
    expect(of('round', withWelds({ fitting: 'all round' }))).toEqual([]);
  });
  it('the doubler’s: unbroken where it is stitched, stitched where it is plugs', () => {
    expect(of('unbroken', withWelds({ doubler: 'stitched' }))[0]!.job.welds.doubler).toBe('all round');
    expect(of('unbroken', withWelds({ doubler: 'all round' }))).toEqual([]);
    expect(
      of('doubler', withWelds({ doubler: 'all round', doublerThroat: q(4) })).map((c) => c.job.welds.doublerThroat.v),
    ).toEqual([5, 6, 7, 8]);
    expect(of('edge weld', withWelds({ doubler: 'plugs' }))[0]!.job.welds.doubler).toBe('stitched');
  });
});

describe('a lug', () => {
  const lugged =
    (x: Partial<NonNullable<Job['lug']>> = {}) =>
    (j: Job): Job => ({ ...j, lug: { ...newLug(), ...x } });
  it('a larger pin takes its hole with it, with the play it had', () => {
    const own = { ...newLug(), pin: q(12), hole: q(12.5) };
    const pins = of('pin', lugged(own)).map((c) => [c.job.lug!.pin.v, c.job.lug!.hole.v]);
    expect(pins).toEqual([
      [14, 14.5],
      [16, 16.5],
      [18, 18.5],
      [20, 20.5],
    ]);
  });
  it('a support tab only for a pin held on one side', () => {
    expect(of('tab', lugged({ shear: 'single' }))[0]!.job.lug!.shear).toBe('single with support tab');
    expect(of('tab', lugged({ shear: 'double' }))).toEqual([]);
  });
  it('more in front of the hole and beside it, in whole millimetres upwards', () => {
    expect(of('end', lugged({ end: q(15) })).map((c) => c.job.lug!.end.v)).toEqual([19, 23, 30]);
    expect(of('width', lugged({ width: q(41) })).map((c) => c.job.lug!.width.v)).toEqual([52, 62, 82]);
    expect(of('cheeks', lugged()).map((c) => c.job.lug!.cheek.v)).toEqual([3, 4, 6, 8]);
  });
});

it('in inches the words are in inches; what is offered still computes', () => {
  const all = jointChanges(
    job((j) => ({ ...withWelds({ fitting: 'side edges', fittingThroat: q(5) })(j), units: 'inch', lug: newLug() })),
  );
  expect(all.find((c) => c.kind === 'throat')!.words).toMatch(/ in$/);
  for (const c of all) expect(isResolved(resolve(c.job))).toBe(true);
});
