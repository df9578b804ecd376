import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readJob } from '../formats/read-job';
import { PACKS } from '../checks/whole/packs';
import { atEachFoot, atFoot, oneFoot } from '../job/at-foot';
import { addFoot, changedFoot, standingAs } from '../job/feet-edits';
import { mirroredWhole } from '../job/mirrored';
import type { Job } from '../job/schema';
import { namedValues } from '../job/values';
import { underEachRule, whatComes } from '../job/what-comes';
import type { WholeJob } from '../job/whole-job';
import { casesOf, loadRefusals } from '../loads/cases';
import { newLoad } from '../loads/new-load';
import { version3File } from '../testing/job-files';
import { lopsidedJob } from '../testing/lopsided-job';
import { randomJob } from '../testing/random-job';
import { freeLoad, resolved, testJob } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { evaluate } from './evaluate';
import { footVerdicts, judgeFeet, leastFrom, leastMultiple, multiplesOfFeet, worstFoot } from './feet';
import { multiplesOf } from './judge';

const q = (v: number) => fromSheet(v, String(v));
const four = (job: Job) => standingAs(oneFoot(job), 'F1', 'four feet', { along: 400, across: 300, count: 4 });
/** 10 kN forward at 300 mm with 1 kN of weight on it, as two loads together. */
const pushed = four(
  testJob({}, (j) => ({
    ...j,
    loads: [freeLoad({ fx: 10_000, fz: -1000, z: 300 })],
  })),
);
const at = (w: WholeJob, id: string) => casesOf(atFoot(w, id));
const force = (w: WholeJob, id: string) => {
  const [c] = at(w, id);
  return [c!.fx, c!.fy, c!.fz].map((v) => Math.round(v * 1e6) / 1e6 || 0);
};

it('the share taken by one plate is asked of a job on one foot only: feet share the load themselves', () => {
  const job = testJob({}, (j) => ({ ...j, loads: [newLoad('cradle', 'L1', 'Box')] }));
  const asks = (j: Job) => namedValues(j).some((v) => v.path === 'loads.L1.values.share');
  expect(asks(job)).toBe(true);
  expect(asks(atFoot(four(job), 'F2'))).toBe(false);
});

describe('the cases of a foot', () => {
  it('four feet at ±200 × ±150: 3.5 kN up aft, 4 kN down fore, 2.5 kN along each (statics)', () => {
    expect(['F1', 'F2', 'F3', 'F4'].map((id) => force(pushed, id))).toEqual([
      [2500, 0, -4000],
      [2500, 0, -4000],
      [2500, 0, 3500],
      [2500, 0, 3500],
    ]);
    // Where the load acts, as the foot sees it.
    expect(at(pushed, 'F3')[0]!.at).toEqual({ x: 200, y: -150, z: 300 });
  });
  it('a foot turned a quarter sees the same force along its own axes', () => {
    const turned = changedFoot(pushed, 'F3', { turn: Math.PI / 2 });
    expect(force(turned, 'F3')).toEqual([0, -2500, 3500]);
  });
  it('the arithmetic: springs, and what comes of them in the foot’s own axes', () => {
    const [c] = casesOf(atFoot(pushed, 'F3'), true);
    const step = (symbol: string) => c!.steps.findLast((s) => s.symbol === symbol)!;
    expect([step('R_z').value, step('F_z').value, step('n').value]).toEqual([
      expect.closeTo(3500, 6),
      expect.closeTo(3500, 6),
      4,
    ]);
    expect(step('R_z').text).toBe('k_z·(u_z + θ_x·y − θ_y·x)');
    expect(step('F_x').text).toContain('Aft port');
  });
  it('a weight that lasts is shared as the rest: both factors on it are asked at every foot', () => {
    const limit = { ...pushed.practice, school: 'limit' as const };
    const cradle = newLoad('cradle', 'K', 'Box');
    const w: WholeJob = {
      ...pushed,
      practice: limit,
      loads: [{ ...cradle, values: { ...cradle.values, mass: q(100), height: q(0) } }],
    };
    const names = at(w, 'F1').filter((c) => c.name.includes('to port'));
    expect(names.map((c) => [c.name, c.onWeight, Math.round(c.weight!.fz)])).toEqual([
      ['Box: to port, weight × 1.35', 1.35, -245],
      ['Box: to port, weight × 0.9', 0.9, -245],
    ]);
  });
  it('feet that only rest: the load is shared as it counts, weight with its own factor (limit states, by hand)', () => {
    const limit = { ...pushed.practice, school: 'limit' as const };
    const resting = pushed.feet.map((f) => ({
      ...f,
      holds: { restsOnly: f.y > 0, takes: { mx: false, my: false, mz: false }, stiffness: { x: 1, y: 1, z: 1 }, part: 0 },
    }));
    const cradle = newLoad('cradle', 'K', 'Box');
    const w: WholeJob = {
      ...pushed,
      practice: limit,
      feet: resting,
      loads: [{ ...cradle, values: { ...cradle.values, mass: q(100), height: q(50) } }],
    };
    // 1 g up lets the port feet go, and the starboard ones stand in line: nothing holds it about x.
    expect(loadRefusals(atFoot(w, 'F1')).map((r) => r.because)).toEqual([expect.stringMatching(/^Box: up/)]);
    const down: WholeJob = { ...w, loads: [{ ...w.loads[0]!, factors: { ...w.loads[0]!.factors, up: 0 } }] };
    const W = 100 * 9.80665;
    const side = at(down, 'F1').find((c) => c.name.includes('to port, weight × 0.9'))!;
    // Counted: 0.9·W down, 1.5·1.5·W to port at 50 mm; port feet press 0.9·W/4 + 1.5·1.5·W·50/(2·300), over γ_Q it is what is judged × 1.5.
    expect(side.fz * 1.5).toBeCloseTo(-(0.9 * W) / 4 - (1.5 * 1.5 * W * 50) / (2 * 300), 6);
    expect(side.weight).toBeUndefined();
  });
  it('each set of feet that may carry is a case, named by who is idle; their number is limited', () => {
    const some: WholeJob = { ...pushed, standing: { rule: 'some count', legHeight: 0, count: 3 } };
    expect(at(some, 'F1').map((c) => [c.id, c.name])).toEqual([
      ['L1-1-1', 'Case L1, Aft starboard idle'],
      ['L1-1-2', 'Case L1, Aft port idle'],
      ['L1-1-3', 'Case L1, Fore starboard idle'],
    ]);
    const many = { ...some, loads: Array.from({ length: 20 }, (_, i) => freeLoad({ fz: -i - 1 }, `L${i}`)) };
    expect(loadRefusals(atFoot(many, 'F1'))).toEqual([]);
    const eight = addFoot(addFoot(addFoot(many, 'F1', { x: 0, y: 0, z: 0 }), 'F1', { x: 9, y: 0, z: 0 }), 'F1', {
      x: 0,
      y: 99,
      z: 0,
    });
    // 6 over 2 sets of each foot of seven, times twenty.
    expect(loadRefusals(atFoot(eight, 'F1'))[0]).toMatchObject({ because: 'they make 300 cases' });
  });
  it('what nothing holds is refused by its case, at every foot', () => {
    const line = standingAs(oneFoot(testJob({ fy: 500, z: 90 })), 'F1', 'two brackets', { along: 400, across: 1, count: 2 });
    const loose: WholeJob = { ...line, standing: { ...line.standing, rule: 'force only' } };
    expect(loadRefusals(atFoot(loose, 'F2'))).toMatchObject([
      {
        field: 'standing',
        because: 'Case L1: nothing holds a moment about x',
        allowed: expect.stringContaining('takes a moment'),
      },
    ]);
    expect(evaluate(atFoot(loose, 'F1')).state).toBe('refused');
    expect(loadRefusals(atFoot(line, 'F1'))).toEqual([]);
  });
  it('what each rule would give, the one in use first', () => {
    const rules = underEachRule({ ...pushed, standing: { ...pushed.standing, legHeight: 300 } });
    expect(rules.map((r) => [r.rule, Math.round(r.pull?.fz ?? NaN)])).toEqual([
      ['force only', 3500],
      ['moments', 3500],
      // Overturning about half the legs’ height: 10·150/(4·200) − 0.25 kN.
      ['legs', 1625],
      // Fore port idle: 8 kN press fore starboard, the aft pair holds 7 kN, and about x (8·150 = 150·(a − b)) one of them 7.5 of it.
      ['some count', 7500],
    ]);
    expect(whatComes(pushed).map((f) => f.name)).toEqual(['Fore port', 'Fore starboard', 'Aft port', 'Aft starboard']);
  });
});

it('a rule pack counts a seat’s bolts over all its feet: two on each of two rails are four (FIA Art. 253.16, memory)', () => {
  const rail = (n: number) =>
    standingAs(
      oneFoot(
        testJob({ fz: 400 }, (j) => ({ ...j, packs: ['competition'], bolts: { ...j.bolts, items: j.bolts.items.slice(0, n) } })),
      ),
      'F1',
      'two rails',
      { along: 1, across: 400, count: 2 },
    );
  const count = PACKS.find((p) => p.id === 'competition')!.rules.find((r) => r.id === 'FIA-count')!;
  const asked = (n: number) => count.measure(resolved(atFoot(rail(n), 'F2')));
  expect([2, 1].map(asked)).toMatchObject([
    { need: 4, have: 4, at: '2 bolts on this plate, 50 % of the seat' },
    { need: 4, have: 2 },
  ]);
});

describe('the foot that decides', () => {
  it('each is judged by the whole path; the worst is named', () => {
    const thin = changedFoot(pushed, 'F4', { skin: { ...pushed.feet[3]!.skin, thickness: q(4) } });
    const v = footVerdicts(thin);
    expect(v.map((f) => f.id)).toEqual(['F1', 'F2', 'F3', 'F4']);
    expect(v.filter((f) => f.decides).map((f) => f.name)).toEqual(['Aft starboard']);
    for (const f of v) expect(f.utilisation).toBeCloseTo(used(evaluate(atFoot(thin, f.id))), 12);
  });
  it('fails before refused before tight before sound; alike, the first', () => {
    const of = (state: 'sound' | 'tight' | 'refused' | 'fails', u: number) => ({
      verdict: { state, weakest: 'x', links: [{ id: 'x', utilisation: u }] as never[] },
    });
    const pick = (...feet: ReturnType<typeof of>[]) => feet.indexOf(worstFoot(feet));
    expect(pick(of('refused', 0), of('fails', 1.1), of('fails', 1.2), of('tight', 0.95))).toBe(2);
    expect(pick(of('sound', 0.4), of('tight', 0.91))).toBe(1);
    expect(pick(of('sound', 0.5), of('sound', 0.5))).toBe(0);
    expect(pick(of('tight', 0.95), of('refused', 0))).toBe(1);
  });
  it('the least found from the one that decides is the least of all worked out', () => {
    const light = four(testJob({ fx: 800, fz: -200, z: 150 }));
    for (const whole of [light, changedFoot(light, 'F4', { skin: { ...light.feet[3]!.skin, thickness: q(6) } })]) {
      const feet = judgeFeet(whole).map((f) => ({ ...f, verdict: f.judged.verdict }));
      const worst = worstFoot(feet);
      const all = feet.map((f) => ({ name: f.name, multiples: multiplesOf(f.job, f.judged) }));
      const least = multiplesOfFeet(all).goodFor;
      const found = leastFrom(feet, worst, multiplesOf(worst.job, worst.judged).goodFor);
      expect([found.known, least.known]).toEqual([true, true]);
      if (found.known && least.known) expect([found.at / least.at, found.link]).toEqual([expect.closeTo(1, 5), least.link]);
    }
  });
  it('is good for the least of them, and unknown where one is', () => {
    const known = (name: string, at: number) => ({
      name,
      multiple: { known: true as const, at, link: 'Bolt shear', caseName: 'c' },
    });
    const unknown = { name: 'B', multiple: { known: false as const, because: 'out of range' } };
    expect(leastMultiple([known('A', 2), known('B', 1.4)])).toEqual({
      known: true,
      at: 1.4,
      link: 'B: Bolt shear',
      caseName: 'c',
    });
    expect(leastMultiple([known('A', 2)])).toMatchObject({ at: 2, link: 'Bolt shear' });
    expect(leastMultiple([known('A', 2), unknown])).toEqual({ known: false, because: 'B: out of range' });
    const m = { goodFor: known('A', 3).multiple, letsGoNear: unknown.multiple };
    expect(multiplesOfFeet([{ name: 'A', multiples: m }]).goodFor).toMatchObject({ at: 3 });
  });
});

const used = (v: ReturnType<typeof evaluate>) => v.links.find((l) => l.id === v.weakest)?.utilisation ?? 0;
const figures = (job: Job) =>
  evaluate(job)
    .links.map((l) => [l.id, l.state, Number.isFinite(l.utilisation) ? Number(l.utilisation.toPrecision(9)) : 'none'])
    .sort();

describe('no figure moves', () => {
  it('when the whole job is mirrored: each foot as before, seen from the other side', () => {
    fc.assert(
      fc.property(randomJob, (job) => {
        const w = four({ ...job, loads: job.loads });
        const m = mirroredWhole(w);
        for (const f of w.feet) expect(figures(atFoot(m, f.id))).toEqual(figures(atFoot(w, f.id)));
      }),
      { numRuns: 15 },
    );
  });
  it('when a foot is split in two that stand in one place: half the load each', () => {
    const job = lopsidedJob();
    const two = addFoot(oneFoot(job), 'F1', { x: 0, y: 0, z: 0 });
    const half: WholeJob = {
      ...two,
      standing: { ...two.standing, rule: 'moments' },
      feet: two.feet.map((f) => ({
        ...f,
        holds: { restsOnly: false, takes: { mx: true, my: true, mz: true }, stiffness: { x: 1, y: 1, z: 1 }, part: 0 },
      })),
    };
    const once: Job = { ...job, loads: job.loads.map((l) => halved(l)) };
    for (const { job: here } of atEachFoot(half)) expect(figures(here)).toEqual(figures(once));
  });
  const folder = join(__dirname, '../testing/cases');
  it.each(readdirSync(folder))('%s, as version 3 had it: one foot, and the same figures', (name) => {
    const text = readFileSync(join(folder, name), 'utf8');
    const read = readJob(text);
    if (!('job' in read)) return expect(read.refusals.length).toBeGreaterThan(0);
    expect(read.job.feet).toHaveLength(1);
    const flat = atFoot(read.job, 'F1');
    const { version: _v, ...was } = JSON.parse(text) as Record<string, unknown>;
    const { version: _w, ...is } = JSON.parse(JSON.stringify(flat)) as Record<string, unknown>;
    // A school that was spelt otherwise is all that differs.
    expect({ ...is, practice: 0 }).toEqual({ ...was, practice: 0 });
    return expect(judgeFeet(read.job, (j) => ({ verdict: evaluate(j) }))[0]!.judged.verdict.links).toEqual(evaluate(flat).links);
  });
  it('of random jobs written as version 3 and read again', () => {
    fc.assert(
      fc.property(randomJob, (job) => {
        const read = readJob(version3File(job));
        if (!('job' in read)) throw new Error(JSON.stringify(read.refusals));
        expect(figures(atFoot(read.job, 'F1'))).toEqual(figures(job));
      }),
      { numRuns: 20 },
    );
  });
});

/** A free load of half the size. */
const halved = (l: Job['loads'][number]): Job['loads'][number] => ({
  ...l,
  values: Object.fromEntries(
    Object.entries(l.values).map(([k, v]) => [k, k.startsWith('f') || k.startsWith('m') ? q(v.v / 2) : v]),
  ),
});
