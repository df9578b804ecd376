import fc from 'fast-check';
import { testJob } from '../testing/test-job';
import { usedUp } from './crank';
import { evaluate } from './evaluate';
import { judge } from './judge';
import { goodFor } from './multiple';

const job = (k: number, rules: 'EN' | 'AISC' = 'EN', school: 'working' | 'limit' | 'ultimate' = 'working') =>
  testJob({ fx: 900 * k, fy: -400 * k, fz: 1100 * k, mz: 3e4 * k, z: 100 }, (j) => ({
    ...j,
    practice: { ...j.practice, rules, school },
  }));

it('turned to the multiple it is good for, the first in the list stands at its limit', () => {
  const one = job(1);
  const m = goodFor(one, evaluate(one));
  if (!m.known) throw new Error(m.because);
  const [first] = usedUp(judge(one, { times: m.at }).verdict);
  expect(first).toMatchObject({ name: m.link, utilisation: expect.closeTo(1, 5) });
  expect(usedUp(judge(one, { times: m.at * 0.99 }).verdict)[0]!.state).toBe('tight');
  expect(usedUp(judge(one, { times: m.at * 1.01 }).verdict)[0]!.state).toBe('fails');
});

it('turned up is the same as a job written with so much more load', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 2, noNaN: true }),
      fc.constantFrom('EN' as const, 'AISC' as const),
      fc.constantFrom('working' as const, 'limit' as const, 'ultimate' as const),
      (k, rules, school) => {
        const turned = judge(job(1, rules, school), { times: k }).verdict;
        const written = evaluate(job(k, rules, school));
        expect(turned.links.map((l) => [l.id, l.state])).toEqual(written.links.map((l) => [l.id, l.state]));
        turned.links.forEach((l, i) => expect(l.utilisation).toBeCloseTo(written.links[i]!.utilisation, 8));
      },
    ),
    { numRuns: 40 },
  );
});

it('in order of use; rules of layout are not in the list', () => {
  const list = usedUp(evaluate(job(1)));
  expect(list.map((l) => l.utilisation)).toEqual(list.map((l) => l.utilisation).sort((a, b) => b - a));
  expect(list.map((l) => l.id)).not.toContain('edge-and-pitch');
});
