import { evaluate } from '../chain/evaluate';
import { loaded, plainJob, q, skin, type Change } from '../reference/jobs';
import { DURATIONS, type Duration } from '../stock/load-duration';
import { asSolved, caseFile, linkOf } from '../testing/case-file';
import { resolved, testJob } from '../testing/test-job';
import { lasting } from './factors';

const CASE = 'sandwich-lasting-load-as-passing';
const laminate = skin({ kind: 'laminate', glass: q(0.35), thickness: q(12) });
const stays =
  (duration: Duration): Change =>
  (j) => ({ ...j, loads: j.loads.map((l) => ({ ...l, duration })) });
const capacity = (id: string, ...changes: Change[]): number =>
  evaluate(plainJob(...changes)).links.find((l) => l.id === id)!.capacity;

it('5 kN that stay on a foam core: it creeps, and fails where a load that passes is held', () => {
  for (const job of [caseFile(CASE), asSolved(caseFile(CASE))]) {
    const passing = { ...job, loads: job.loads.map((l) => ({ ...l, duration: 'short' as const })) };
    for (const id of ['core-shear', 'washer-crush', 'pull-through', 'skin-bending', 'base-bearing'])
      expect(linkOf(passing, id).capacity / linkOf(job, id).capacity).toBeCloseTo(2, 6);
  }
  expect(linkOf(caseFile(CASE), 'washer-crush').state).toBe('fails');
});

it('laminate holds half of a load that stays over a week, and all of one under it; steel as much of either', () => {
  const load = loaded({ fx: 300, fz: 400 });
  const of = (d: Duration) => capacity('skin-bearing', laminate, load, stays(d));
  expect(DURATIONS.map((d) => of('short') / of(d))).toEqual([2, 2, 2, 1, 1].map((n) => expect.closeTo(n, 9)));
  expect(capacity('skin-bearing', load, stays('permanent'))).toBe(capacity('skin-bearing', load, stays('short')));
});

it('glue creeps too, whatever it is on; the metal beside it does not', () => {
  const bonded: Change = (j) => ({ ...j, joint: { ...j.joint, bedding: 'bonded' } });
  const used = (d: Duration) =>
    evaluate(plainJob(bonded, loaded({ fx: 900, fz: 400 }), stays(d))).links.find((l) => l.id === 'bond')!;
  expect(used('permanent').utilisation / used('short').utilisation).toBeCloseTo(2, 9);
  const r = resolved(testJob());
  const { onYield, onBreak, onSkin, onGlue } = lasting(r, 'permanent').factors;
  expect({ onYield, onBreak, onSkin }).toEqual({
    onYield: r.factors.onYield,
    onBreak: r.factors.onBreak,
    onSkin: r.factors.onSkin,
  });
  expect(onGlue).toBe(2 * r.factors.onGlue);
});

it('wood keeps to its own k_mod, and is not halved besides', () => {
  const r = resolved(plainJob(skin({ kind: 'plywood', grade: 'birch', thickness: q(18) })));
  expect(r.factors.onSkin / lasting(r, 'permanent').factors.onSkin).toBeCloseTo(0.6, 9);
  expect(r.factors.onSkin / lasting(r, 'instantaneous').factors.onSkin).toBeCloseTo(1.1, 9);
});
