import { goodFor } from '../chain/multiple';
import { evaluate } from '../chain/evaluate';
import { readJob } from '../formats/read-job';
import { withClass } from '../job/bolt-class';
import type { Job } from '../job/schema';
import { whatClears } from '../options/clear';
import { fastenerSize, stressArea } from '../stock/fasteners';
import { FASTENER_CLASSES } from '../stock/fastener-classes';
import { matchingNut, nutClass, NUT_CLASSES, nutsFor, proofStress } from '../stock/nuts';
import { testJob } from '../testing/test-job';

const bolts = (change: Partial<Job['bolts']>, fz = 4000): Job =>
  testJob({ fz }, (j) => ({ ...j, bolts: { ...j.bolts, ...change } }));
const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;

describe('proof loads of nuts, kN (ISO 898-2, memory: M8 class 8 31.3, class 10 38.1; M12 73.3 and 88.5)', () => {
  it.each([
    ['M8', '8', 31.3],
    ['M8', '10', 38.1],
    ['M12', '8', 73.3],
    ['M12', '10', 88.5],
  ])('%s class %s: %d', (size, id, kN) => {
    const s = fastenerSize(size)!;
    expect((proofStress(nutClass(id)!, s.d) * stressArea(s)) / 1000).toBeCloseTo(kN, 0);
  });
});

describe('which nut goes with which bolt (ISO 898-2 Tab. 1: the nut’s number is the bolt’s first)', () => {
  it.each([
    ['4.6', '5'],
    ['5.8', '5'],
    ['8.8', '8'],
    ['10.9', '10'],
    ['A4-80', 'A4-80'],
    ['Gr 5', 'Gr 5'],
  ])('%s: %s', (bolt, nut) => expect(matchingNut(FASTENER_CLASSES.find((c) => c.id === bolt)!).id).toBe(nut));
  it('every bolt in stock has one of its own thread, strong enough', () => {
    for (const c of FASTENER_CLASSES) {
      const n = matchingNut(c);
      expect([c.id, n.family, n.fub >= c.fub, n.stainless]).toEqual([c.id, c.family, true, c.stainless]);
    }
    expect(nutsFor('inch').map((n) => n.id)).toEqual(['Gr 2', 'Gr 5', 'Gr 8', 'A563-DH', 'F594']);
  });
  it('another class brings its nut', () => {
    expect(withClass(testJob().bolts, '10.9')).toMatchObject({ class: '10.9', nut: '10' });
    expect(withClass(testJob().bolts, 'nobody’s')).toMatchObject({ class: 'nobody’s', nut: '8' });
  });
});

describe('a class 8 nut on a 10.9 bolt', () => {
  const job = bolts({ class: '10.9', nut: '8' });
  it('lets go whatever the load, by 1000 over 800 (by hand), and takes no part in the multiple', () => {
    const l = link(job, 'nut-class');
    expect(l).toMatchObject({ state: 'fails', utilisation: 1.25, loadFree: true });
    expect(l.cautions[0]).toContain('strips on a 10.9 bolt before the bolt breaks');
    const v = evaluate(job);
    expect(v.state).toBe('fails');
    expect(goodFor(job, v)).toEqual({ known: false, because: 'Nut class fails whatever the load' });
  });
  it('is cleared by the nut that goes with it', () => {
    const offers = whatClears(job, 'nut-class');
    expect(offers[0]).toMatchObject({ kind: 'nut', words: 'nuts of class 10', mass: 0, cost: 0 });
    expect(offers[0]!.job.bolts.nut).toBe('10');
  });
  it('a stronger nut than the bolt needs no word', () =>
    expect(link(bolts({ class: '8.8', nut: '10' }), 'nut-class')).toMatchObject({
      state: 'not needed',
      because: 'class 10 nuts may go with 8.8 bolts',
    }));
});

describe('the nut’s thread', () => {
  it('S_p·A_s over the factor on break, by hand for M10 class 8: 855·58/3 = 16.5 kN', () => {
    const l = link(bolts({}), 'nut-thread');
    expect(l.capacity / 1000).toBeCloseTo((855 * 58) / 3 / 1000, 1);
    expect(l.demand).toBe(link(bolts({}), 'bolt-tension').demand);
  });
  it('with its own nut a bolt breaks before the thread strips, for every class and size (what the standards are made for)', () => {
    for (const c of FASTENER_CLASSES) {
      const size = c.family === 'metric' ? 'M10' : '3/8-16';
      const v = evaluate(bolts({ size, class: c.id, nut: matchingNut(c).id }));
      const of = (id: string) => v.links.find((l) => l.id === id)!.utilisation;
      expect([c.id, of('nut-thread') <= of('bolt-tension') + 1e-9]).toEqual([c.id, true]);
    }
  });
  it('stainless on stainless is warned of, mixed with plain steel too', () => {
    expect(link(bolts({ class: 'A4-70', nut: 'A4-70' }), 'nut-thread').cautions.join()).toContain('galls');
    expect(link(bolts({ class: '8.8', nut: 'A4-80' }), 'nut-thread').cautions.join()).toContain('corrode');
  });
});

describe('bad input', () => {
  it.each([
    [{ nut: '11' }, '"11" is not in the stock list'],
    [{ nut: 'Gr 5' }, 'a class Gr 5 nut is not made in M10'],
  ])('%j', (change, because) =>
    expect(evaluate(bolts(change)).refusals).toContainEqual(expect.objectContaining({ field: 'bolts.nut', because })),
  );
  it('an older file gets the nut sold with its bolts', () => {
    const { survey: _s, combinations: _c, bolts: b, practice, loads: _l, base, ...rest } = testJob();
    const { nut: _n, ...old } = { ...b, class: '10.9' };
    const { gammaG: _g, gammaQ: _q, ...factors } = practice;
    const { slotAlong: _a, ...oldBase } = base;
    const text = JSON.stringify({
      ...rest,
      base: oldBase,
      version: 1,
      bolts: old,
      loads: [],
      practice: { ...factors, gammaF: 1.5 },
    });
    const read = readJob(text);
    expect('job' in read ? read.job.feet[0]!.design!.bolts.nut : read.refusals).toBe('10');
  });
  it('every class has a proof stress that does not fall with size', () => {
    for (const n of NUT_CLASSES) expect([...n.proof].sort((x, y) => x - y)).toEqual([...n.proof]);
  });
});
