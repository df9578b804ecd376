import fc from 'fast-check';
import { testJob } from '../testing/test-job';
import { cranked, lettingGo } from './crank';
import { evaluate } from './evaluate';

const job = (k: number, rules: 'EN' | 'AISC' = 'EN', school: 'working' | 'limit' | 'proof' = 'working') =>
  testJob({ fx: 900 * k, fy: -400 * k, fz: 1100 * k, mz: 3e4 * k, z: 100 }, (j) => ({
    ...j,
    practice: { ...j.practice, rules, school },
  }));

it('the first to let go is the weakest link, at the multiple of the verdict', () => {
  const v = evaluate(job(1));
  const [first, ...rest] = lettingGo(v);
  expect(first!.id).toBe(v.weakest);
  expect(first!.at).toBeCloseTo(v.letsGoAt, 12);
  expect(rest.map((r) => r.at)).toEqual([...rest.map((r) => r.at)].sort((a, b) => a - b));
});

it('every link grows in proportion: the job under k times its load, evaluated anew, says the same', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 2, noNaN: true }),
      fc.constantFrom('EN' as const, 'AISC' as const),
      fc.constantFrom('working' as const, 'limit' as const, 'proof' as const),
      (k, rules, school) => {
        const one = evaluate(job(1, rules, school));
        const scaled = evaluate(job(k, rules, school));
        one.links.forEach((l, i) => {
          const anew = scaled.links[i]!;
          if (anew.state === 'refused' || l.state === 'refused') return;
          const turned = cranked(l, k);
          expect([l.id, turned.utilisation]).toEqual([l.id, expect.closeTo(anew.utilisation, 6)]);
          expect([l.id, turned.state]).toEqual([l.id, anew.state]);
        });
      },
    ),
    { numRuns: 40 },
  );
});

it('just under its multiple a link holds, just over it lets go', () => {
  const v = evaluate(job(1));
  for (const g of lettingGo(v)) {
    const l = v.links.find((x) => x.id === g.id)!;
    expect(cranked(l, g.at * 0.999).state).toBe('tight');
    expect(cranked(l, g.at * 1.001).state).toBe('fails');
  }
});

it('edge and pitch do not depend on the load and are not in the list; nothing turned is as it was', () => {
  const v = evaluate(job(1));
  expect(lettingGo(v).map((g) => g.id)).not.toContain('edge-and-pitch');
  const rule = v.links.find((l) => l.loadFree)!;
  expect(cranked(rule, 3)).toBe(rule);
});
