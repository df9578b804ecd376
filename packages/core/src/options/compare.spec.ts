import { asCounted, evaluate } from '../chain/evaluate';
import { handAndSolver } from '../chain/hand-and-solver';
import { isResolved, resolve } from '../job/resolve';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { casesOf } from '../loads/cases';
import { spreadOf, type Spread } from '../spread/spread';
import { ENVELOPE, figuresFor, figuresOf, meshError, viewOf, type CaseFigures } from '../spread/view';
import { stubPlace, tributary } from '../sharing/t-stub';
import { plateThickness, testJob } from '../testing/test-job';
import { cubeLaw, differences, VARIANTS } from './compare';

const job = testJob({ fz: 4000, fx: 1500, z: 120 }, plateThickness(8));
const resolved = (j: Job) => {
  const r = resolve(j);
  if (!isResolved(r)) throw new Error(r.map((x) => x.because).join('; '));
  return r;
};
const counted = (j: Job) => casesOf(j).map((c) => asCounted(c, j.practice));
function solved(j: Job): Spread {
  const s = spreadOf(resolved(j), counted(j), 'draft');
  if ('refused' in s) throw new Error(s.because);
  return s;
}
const figures = (j: Job): CaseFigures => figuresFor(figuresOf(solved(j)), ENVELOPE)!;
const here = solved(job);

it.each(VARIANTS.map((v) => [v.id, v] as const))(
  '%s: another layout that can be computed, and none where it is that already',
  (_id, v) => {
    const other = v.apply(job);
    if (other === undefined) return expect(job.far.kind).toBe(v.id === 'washers' ? 'washer' : 'plate');
    expect(other).not.toEqual(job);
    expect(isResolved(resolve(other))).toBe(true);
    // Thicker and thinner can be taken again; the others are there now.
    if (v.id !== 'thicker' && v.id !== 'thinner') expect(v.apply(other)).toBeUndefined();
  },
);

it('two loose plates of half the thickness: a quarter as stiff, 2·t³ against 8·t³, and the plate is stressed more', () => {
  const loose = VARIANTS.find((v) => v.id === 'loose')!.apply(job)!;
  expect(cubeLaw(job, loose)).toBe('By itself the other plate is 4.0 times as soft: 2 × 4³ against 8³ mm³.');
  expect(cubeLaw(loose, job)).toContain('4.0 times as stiff');
  expect(cubeLaw(job, job)).toBe('');
  expect(figures(loose).plateStress.value).toBeGreaterThan(figures(job).plateStress.value);
});

it('differences say how much more or less, in words', () => {
  const a = figures(job);
  const scaled = (k: number): CaseFigures => ({ ...a, deflection: { ...a.deflection, value: k * a.deflection.value } });
  const words = (k: number) => differences(a, scaled(k))[0]!.words;
  expect([words(1), words(1.01), words(1.5), words(3.2), words(0.25)]).toEqual([
    'the same',
    'the same',
    '50 % more',
    '3.2 times as much',
    '75 % less',
  ]);
  const way = (k: number) => differences(a, scaled(k))[0]!.way;
  expect([way(1), way(1.01), way(0.99), way(1.5), way(0.25)]).toEqual(['same', 'same', 'same', 'more', 'less']);
});

it('the envelope is the largest of every case at each place, and its figures those of the cases', () => {
  const r = resolved(job);
  const two = { ...here, cases: [here.cases[0]!, { ...here.cases[0]!, caseId: 'twin' }] };
  expect(viewOf(r, two, ENVELOPE)).toEqual({ ...viewOf(r, here, here.cases[0]!.caseId), caseId: ENVELOPE });
  const f = figuresOf(here);
  expect(figuresFor(f, ENVELOPE)!.deflection).toEqual(figuresFor(f, f.cases[0]!.caseId)!.deflection);
  expect(meshError(f, f)).toBe(0);
});

it('a case that was refused, or is not there, shows nothing of another’s; the envelope is of those that were solved', () => {
  const r = resolved(job);
  const no = {
    refused: true,
    field: 'spread',
    because: 'held by nothing',
    allowed: 'bolts',
    caseId: 'gone',
    caseName: 'Gone',
  } as const;
  const s = { ...here, cases: [no, ...here.cases] };
  const f = figuresOf(s);
  for (const id of ['gone', 'never']) {
    expect(viewOf(r, s, id)).toBeUndefined();
    expect(figuresFor(f, id)).toBeUndefined();
  }
  expect(viewOf(r, s, ENVELOPE)).toEqual(viewOf(r, here, ENVELOPE));
  expect(figuresFor(f, ENVELOPE)).toEqual(figuresFor(figuresOf(here), ENVELOPE));
  expect(viewOf(r, { ...here, cases: [no] }, ENVELOPE)).toBeUndefined();
});

it('a view has nothing where a layer is not, and no gap where plates press', () => {
  const v = viewOf(resolved(job), here, here.cases[0]!.caseId)!;
  const [base, , skin] = v.layers;
  expect([...skin!.lift].some(Number.isNaN)).toBe(false);
  expect([...base!.lift].some(Number.isNaN)).toBe(true);
  for (const c of v.contacts)
    c.pressure.forEach((p, i) => {
      if (p > 0) expect(c.gap[i]).toBeLessThan(1e-9);
    });
});

it('hand and solved stand side by side; what differs by over a fifth is explained, what does not is not', () => {
  const rows = handAndSolver(resolved(job), counted(job)[0]!, figures(job));
  expect(rows.map((x) => x.unit)).toEqual(['N', 'mm', 'MPa', 'MPa']);
  for (const { hand, solver, why } of rows)
    expect(why !== '').toBe(hand === undefined || Math.abs(solver - hand) > 0.2 * Math.abs(hand));
});

it('its hand figures are those the links are judged by', () => {
  const rows = handAndSolver(resolved(job), counted(job)[0]!, figures(job));
  const link = (id: string) => evaluate(job).links.find((l) => l.id === id)!;
  const by = (what: string) => rows.find((x) => x.what.startsWith(what))!;
  expect(by('skin at').hand).toBeCloseTo(link('skin-bending').demand, 9);
  expect(by('skin at').solver).toBe(figures(job).edgeStress.value);
  const limited = { ...job, limits: { ...job.limits, ratio: fromSheet(300, '300') } };
  expect(by('skin gives').hand).toBeCloseTo(evaluate(limited).links.find((l) => l.id === 'deflection')!.demand, 9);
  const pulls = evaluate(job).shared[0]!.pulls;
  const at = job.bolts.items.findIndex((b) => by('pull in').what === `pull in ${b.id}`);
  expect(by('pull in').hand).toBeCloseTo(pulls[at]!, 9);
  // Each bolt bends its strip as a cantilever: M/W = T·m/(p·t²/6).
  const { tensions } = evaluate(job).shared[0]!.outOfPlane;
  const bent = tensions.map((T, i) => {
    const place = stubPlace(resolved(job), i);
    const [one, two] = tributary(place);
    return (T * place.m) / (((one + two) * 8 ** 2) / 6);
  });
  expect(by('plate bends').hand).toBeCloseTo(Math.max(...bent), 6);
});
