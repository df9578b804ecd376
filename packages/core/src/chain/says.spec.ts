import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { freeLoad, testJob } from '../testing/test-job';
import { factorsText } from './cautions';
import { evaluate, type Verdict } from './evaluate';
import { headline, keepsWhat, times } from './headline';
import { meaningOf } from './judge';
import type { Multiple } from './multiple';
import { CLEARLY, solveIt, type AsSolved } from './solve-it';
import { notJudged } from './ways-to-fail';

const practice =
  (p: Partial<Job['practice']>) =>
  (j: Job): Job => ({ ...j, practice: { ...j.practice, ...p } });
const light = testJob({ fz: 300 });
const says = (j: Job) => headline(j, evaluate(j), null).says;

it('factors in words, by school and by whose rules', () => {
  const text = (p: Partial<Job['practice']>) => factorsText(testJob({}, practice(p)));
  const limit = { school: 'limit', gammaG: 1.35, gammaGInf: 1, gammaQ: 1.5, gammaM0: 1, gammaM2: 1.25 } as const;
  expect(text({ school: 'working', onBreak: 4, onYield: 2.5 })).toBe('factor 4 on break, 2.5 on yield');
  expect(text({ school: 'ultimate' })).toBe('load × 1, strength ÷ 1, plates may bend plastically');
  expect(text({ ...limit, rules: 'EN' })).toBe(
    'permanent × 1.35, 1 where it helps, variable × 1.5, accidental × 1, γM0 1.00, γM2 1.25',
  );
  expect(text({ ...limit, rules: 'AISC', gammaG: 1 })).toBe(
    'permanent × 1, variable × 1.5, accidental × 1, φ 0.90 on yield, φ 0.75 on break',
  );
});

it('what a multiple keeps, in words', () => {
  const keeps = (p: Partial<Job['practice']>) => keepsWhat(testJob({}, practice(p)));
  expect(keeps({ school: 'working', onBreak: 3, onYield: 3 })).toBe('factor 3');
  expect(keeps({ school: 'working', onBreak: 3, onYield: 2 })).toBe('factor 3 on break, 2 on yield');
  expect(keeps({ school: 'limit' })).toBe('the factors of limit states');
  expect(keeps({ school: 'ultimate' })).toBe('no factor, as a last load');
});

it('two figures, and three under a tenth: what is not nothing is never 0.00', () =>
  expect([12.345, 1, 0.1, 0.0999, 0.00123].map(times)).toEqual(['12.35', '1.00', '0.10', '0.10', '0.0012']));

describe('the headline', () => {
  it('holds, by its weakest link and case', () => {
    expect(says(light)).toMatch(/^holds: weakest [A-Z].* \(0\.\d\d\), Case L1$/);
    const v = evaluate(light);
    const tight: Verdict = { ...v, state: 'tight' };
    expect(headline(light, tight, null).says).toMatch(/^holds, tight: weakest /);
  });
  it('does not hold: which link lets go first; a rule of layout fails whatever the load', () => {
    expect(says(testJob({ fz: 900_000 }))).toMatch(/^does not hold: .* lets go first$/);
    const near = testJob({ fz: 300 }, (j) => ({ ...j, plate: { ...j.plate, x1: 99 }, far: { kind: 'washer' } }));
    expect(says(near)).toMatch(/^does not hold: Edge and pitch \(\d\.\d\d\), whatever the load$/);
  });
  it('not shown to hold: the link, why, and what would answer it; how many more', () => {
    const glass = testJob({ fx: 900, fz: 300 }, (j) => ({
      ...j,
      joint: { ...j.joint, tightening: 'slip resistant' },
      bolts: { ...j.bolts, class: '4.6', nut: '5' },
    }));
    expect(says(glass)).toMatch(/^not shown to hold: Slip( and \d more)?: class 4\.6 is not for .* What would answer it: 8\.8/);
  });
  it('no load asks for one; nothing pulled says that no link is loaded; what cannot be computed says what is to be put right', () => {
    expect(says({ ...light, loads: [] })).toBe('needs a load: say on the Load stage what it has to hold');
    const off = { ...light, bolts: { ...light.bolts, items: [{ id: 'B1', x: 300, y: 0 }] } };
    expect(says(off)).toMatch(/^needs putting right: bolts\.items\.0.*outside the plate.*; allowed: /);
    const idle = { ...light, loads: [freeLoad({ fz: 0 })] };
    expect(says(idle)).toBe('no link is loaded');
  });
  it('how many times the load it is good for, with its factors and without', () => {
    const v = evaluate(light);
    const m = meaningOf(light, { verdict: v });
    const { kept } = headline(light, v, m);
    expect(m.goodFor.known && m.letsGoNear.known).toBe(true);
    expect(kept[0]).toMatch(/^good for \d+\.\d\d × the load with factor 3 on break, 2 on yield$/);
    expect(kept[1]).toMatch(/^without factors it would let go near \d+\.\d\d × \(/);
    const unknown = { ...m, goodFor: { known: false, because: 'nothing pulls' } as Multiple };
    expect(headline(light, v, unknown).kept[0]).toBe('how many times the load it is good for is not known: nothing pulls');
    const solve = { ...m, solveIt: { byHand: 4, asSolved: 2.5, link: 'Plate bending' } };
    expect(headline(light, v, solve).kept.at(-1)).toBe(
      'solve it: a draft of the solver says good for 2.50 × (Plate bending), where the hand says 4.00',
    );
    expect(headline(light, v, null).kept).toEqual([]);
  });
});

describe('"solve it"', () => {
  const v = evaluate(light);
  const known = (at: number): Multiple => ({ known: true, at, link: 'Skin bending', caseName: 'Case L1' });
  const solved = (at: number): AsSolved => ({ holdsAt: (k) => k <= at, goodFor: () => known(at) });
  it('where the solver’s multiple is clearly under the hand’s, and nowhere else', () => {
    expect(CLEARLY).toBe(1.1);
    expect(solveIt(v, known(2), () => solved(1.7))).toEqual({ byHand: 2, asSolved: 1.7, link: 'Skin bending' });
    expect(solveIt(v, known(2), () => solved(1.9))).toBeUndefined();
    const none: AsSolved = { holdsAt: () => false, goodFor: () => ({ known: false, because: 'no' }) as Multiple };
    expect(solveIt(v, known(2), () => none)).toBeUndefined();
  });
  it('is not asked of what fails, is refused, or has no multiple', () => {
    const never = () => {
      throw new Error('asked');
    };
    for (const state of ['fails', 'refused'] as const) expect(solveIt({ ...v, state }, known(2), never)).toBeUndefined();
    expect(solveIt(v, { known: false, because: 'no' } as Multiple, never)).toBeUndefined();
  });
});

it('parts without work of their own are named, three of them and others', () => {
  const part = (name: string) => ({ id: name, name, holes: [] }) as unknown as NonNullable<Job['parts']>[number];
  const said = (...names: string[]) =>
    notJudged({ ...light, parts: names.map(part) }).find((w) => w.startsWith('what these parts carry'));
  expect(said()).toBeUndefined();
  expect(said('Stay', 'Cap', 'Rib')).toBe('what these parts carry and how they are fixed: stay, cap, rib');
  expect(said('Stay', 'Cap', 'Rib', 'Clip')).toBe('what these parts carry and how they are fixed: stay, cap, rib and others');
  const working = { ...part('Arm'), works: { as: 'arm' } } as NonNullable<Job['parts']>[number];
  const both = notJudged({ ...light, parts: [part('Stay'), working] });
  expect(both.join()).toContain('buckling of a gusset, a flange or an arm that is pushed');
  expect(notJudged({ ...light, parts: [part('Stay')] }).join()).not.toContain('buckling of a gusset');
  expect(both.join()).not.toContain('arm, stay');
});

it('a plate held to its fitting by nothing that is written down says so', () => {
  const words = 'how the fitting is held to the plate';
  const held = (change: (j: Job) => Job) => notJudged(change(light)).some((w) => w.startsWith(words));
  expect(held((j) => j)).toBe(true);
  expect(held((j) => ({ ...j, welds: { ...j.welds, fitting: 'all round' } }))).toBe(false);
  expect(held((j) => ({ ...j, base: { ...j.base, length: fromSheet(220, '220'), width: fromSheet(200, '200') } }))).toBe(false);
});
