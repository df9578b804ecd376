import { evaluate } from '../chain/evaluate';
import { oneFoot } from '../job/at-foot';
import type { Job } from '../job/schema';
import { madeOf, type MadeOf } from '../shop/made-of';
import { resolved, testJob } from '../testing/test-job';
import { logOf, type Written } from '../testing/log-lines';
import { judge } from '../chain/judge';
import { asSolved, caseFile, linkOf } from '../testing/case-file';
import { boltLife } from './bolt-life';
import { byDue, dueOf, inUseFrom, nextDue, soonByUse, soonUntil } from './due';
import { lookAt } from './look-at';
import { tasksOf, type Task } from './tasks';

const made = (job: Job): MadeOf => {
  const of = madeOf(oneFoot(job));
  if ('refusals' in of) throw new Error(of.refusals[0]!.because);
  return of;
};
const tasks = (change: (j: Job) => Job = (j) => j): Task[] => {
  const job = testJob({ fz: 12_000 }, change);
  return tasksOf(made(job), [evaluate(job)]);
};
const ids = (change?: (j: Job) => Job) => tasks(change).map((t) => t.id);
const used = (from: string): Written => ({ body: { kind: 'used', from, what: 'first use' }, about: {} });
const did = (task: string, at: string, state: 'sound' | 'finding' = 'sound'): Written => ({
  body: { kind: 'inspected', task, name: task, found: state, text: '' },
  about: {},
  at,
});
const due = (entries: readonly Written[], today: string, of: readonly Task[] = tasks(), zone = 'Europe/London') =>
  dueOf(of, logOf(entries), today, zone);

describe('what falls due by family and place', () => {
  it('road, lifting, aloft, salt and counted loads each have their own; every one has a source or is common practice', () => {
    expect(ids((j) => ({ ...j, family: 'towing' }))).toEqual(
      expect.arrayContaining(['re-torque-first', 're-torque-50', 're-torque', 'road', 'look', 'life', 'life-renew']),
    );
    expect(ids((j) => ({ ...j, family: 'lifting' }))).toContain('thorough');
    expect(ids((j) => ({ ...j, family: 'mast' }))).toContain('rig');
    expect(ids((j) => ({ ...j, family: 'ladder' }))).not.toContain('life');
    for (const t of tasks((j) => ({ ...j, family: 'lifting' }))) expect(t.source).toMatch(/common practice|LOLER|EN 1993-1-9/);
  });
  it('LOLER 1998 reg. 9(3)(a)(i), from memory: six months', () => {
    expect(tasks((j) => ({ ...j, family: 'lifting' })).find((t) => t.id === 'thorough')!.every).toEqual({ months: 6 });
  });
  it('where there is salt it is looked at twice as often', () => {
    const look = (place: Job['joint']['place']) =>
      tasks((j) => ({ ...j, joint: { ...j.joint, place } })).find((t) => t.id === 'look')!.every;
    expect(look('salt')).toEqual({ months: 6 });
    expect(look('weather')).toEqual({ months: 12 });
  });
});

describe('the due list', () => {
  const year: Task = { id: 'look', name: 'Look', what: '', every: { months: 12 }, source: '' };
  it('nothing falls due before it goes into use; a stamp puts it there, a day somebody says counts first', () => {
    expect(due([], '2026-11-28', [year])[0]).toMatchObject({ state: 'not in use', on: '' });
    const stamp: Written = {
      body: { kind: 'signed', operation: 'stamp', text: 'done', name: 'A. Marsh' },
      about: {},
      at: '2026-03-01T23:30:00Z',
    };
    expect(inUseFrom(logOf([stamp]), 'Europe/Berlin')).toBe('2026-03-02');
    expect(inUseFrom(logOf([stamp, used('2026-04-01')]), 'Europe/Berlin')).toBe('2026-04-01');
  });
  it('months by the calendar: 31 January and a month is the end of February', () => {
    const month: Task = { ...year, every: { months: 1 } };
    expect(due([used('2027-01-31')], '2027-02-01', [month])[0]).toMatchObject({
      on: '2027-02-28',
      state: 'soon',
      says: 'in 27 days',
    });
    expect(due([used('2027-01-31')], '2027-03-01', [month])[0]).toMatchObject({ state: 'overdue', says: '1 day overdue' });
    expect(due([used('2026-01-31')], '2026-02-28', [month])[0]!.says).toBe('today');
  });
  it('done, it starts again from that day; what is done once is done', () => {
    const list = [used('2025-01-10'), did('look', '2026-01-10T09:00:00Z')];
    expect(due(list, '2026-11-28', [year])[0]).toMatchObject({ on: '2027-01-10', last: '2026-01-10', state: 'later' });
    const once: Task = { ...year, every: { days: 1, once: true } };
    expect(due(list, '2026-11-28', [once])[0]).toMatchObject({ state: 'done' });
  });
  it('a finding is due until the same round finds it sound', () => {
    const list = [used('2025-01-10'), did('look', '2026-11-10T09:00:00Z', 'finding')];
    expect(due(list, '2026-11-28', [year])[0]).toMatchObject({
      state: 'overdue',
      on: '2026-11-10',
      says: 'a finding is open since',
    });
    expect(due([...list, did('look', '2026-11-20T09:00:00Z')], '2026-11-28', [year])[0]!.state).toBe('later');
  });
  it('on several feet it is due when the first of them is, and a crack at one is not closed at another', () => {
    const feet = [
      { id: 'F1', name: 'Fore' },
      { id: 'F2', name: 'Aft' },
    ];
    const at = (foot: string, w: Written): Written => ({ ...w, about: { foot } });
    const list = [used('2025-01-10'), at('F1', did('look', '2026-01-10T09:00:00Z'))];
    expect(due(list, '2026-11-28', [{ ...year, feet }])[0]).toMatchObject({ on: '2026-01-10', says: 'Aft: 322 days overdue' });
    expect(due([...list, at('F2', did('look', '2026-03-10T09:00:00Z'))], '2026-11-28', [{ ...year, feet }])[0]).toMatchObject({
      on: '2027-01-10',
      state: 'later',
    });
    const crack = [
      ...list,
      at('F1', did('look', '2026-11-10T09:00:00Z', 'finding')),
      at('F2', did('look', '2026-11-20T09:00:00Z')),
    ];
    expect(due(crack, '2026-11-28', [{ ...year, feet }])[0]).toMatchObject({
      state: 'overdue',
      says: 'Fore: a finding is open since',
    });
  });
  it('bolts good for 1,000 loads are due for renewal at 2,500, however often they were looked at', () => {
    const life: Task[] = [
      { ...year, id: 'life', every: { times: 100 } },
      { ...year, id: 'life-renew', every: { times: 1000 } },
    ];
    const times = (n: number): Written => ({ body: { kind: 'used', times: n, what: 'lifts' }, about: {} });
    const looked = did('life', '2026-03-01T09:00:00Z');
    const list = [used('2026-01-01'), times(900), looked, times(900), looked, times(700), looked];
    const [look, renew] = due(list, '2026-06-01', life);
    expect(look).toMatchObject({ state: 'later', says: '0 of 100 loads' });
    expect(renew).toMatchObject({ state: 'overdue', says: '2,500 of 1,000 loads: due' });
    expect(due([...list, did('life-renew', '2026-06-02T09:00:00Z'), times(5)], '2026-06-03', life)[1]!.says).toBe(
      '5 of 1,000 loads',
    );
  });
  it('by use: miles and loads told add up since it was done last', () => {
    const fifty: Task = { ...year, every: { miles: 50, once: true } };
    const miles = (n: number): Written => ({ body: { kind: 'used', miles: n, what: 'road' }, about: {} });
    expect(due([used('2026-01-01'), miles(20)], '2026-02-01', [fifty])[0]).toMatchObject({
      state: 'later',
      says: '20 of 50 miles',
    });
    expect(due([used('2026-01-01'), miles(20), miles(22)], '2026-02-01', [fifty])[0]!.state).toBe('soon');
    expect(due([used('2026-01-01'), miles(60)], '2026-02-01', [fifty])[0]).toMatchObject({
      state: 'overdue',
      says: '60 of 50 miles: due',
    });
    const loads: Task = { ...year, id: 'life', every: { times: 1000 } };
    const times = (n: number): Written => ({ body: { kind: 'used', times: n, what: 'lifts' }, about: {} });
    expect(
      due([used('2026-01-01'), times(1200), did('life', '2026-03-01T09:00:00Z'), times(300)], '2026-04-01', [loads])[0]!.says,
    ).toBe('300 of 1,000 loads');
  });
  it('the first day of all of it; overdue by use is due on the day asked; nothing by date has none', () => {
    const of = (id: string, months: number): Task => ({ ...year, id, name: id, every: { months } });
    expect(nextDue(due([used('2026-01-31')], '2026-02-01', [of('a', 24), of('b', 1), of('c', 6)]), '2026-02-01')).toBe(
      '2026-02-28',
    );
    const miles: Written = { body: { kind: 'used', miles: 60, what: 'road' }, about: {} };
    const fifty: Task = { ...year, every: { miles: 50, once: true } };
    expect(nextDue(due([used('2026-01-01'), miles], '2026-02-01', [fifty]), '2026-02-01')).toBe('2026-02-01');
    expect(nextDue(due([], '2026-02-01', [year, fifty]), '2026-02-01')).toBe('');
    expect(soonUntil('2026-12-15')).toBe('2027-01-14');
  });
  it('what goes by use and is most of the way there is soon, and says how far, without a day', () => {
    const hundred: Task = { ...year, id: 'rope', every: { times: 100 } };
    const after = (n: number) => {
      const lines: Written[] = [used('2026-01-01'), { body: { kind: 'used', times: n, what: 'lifts' }, about: {} }];
      return due(lines, '2026-02-01', [year, hundred]);
    };
    // Four fifths of the way (common practice).
    expect([79, 80, 99, 100].map((n) => soonByUse(after(n)))).toEqual(['', '80 of 100 loads', '99 of 100 loads', '']);
    expect(nextDue(after(99), '2026-02-01')).toBe('2027-01-01');
    expect(nextDue(after(100), '2026-02-01')).toBe('2026-02-01');
  });
  it('overdue comes first, the longest first', () => {
    const of = (id: string, months: number): Task => ({ ...year, id, name: id, every: { months } });
    const list = due([used('2025-06-01')], '2026-11-28', [of('a', 24), of('b', 12), of('c', 6), of('d', 18)]).sort(byDue);
    expect(list.map((d) => d.task.id)).toEqual(['c', 'b', 'd', 'a']);
  });
});

describe('life of the bolt that is pulled most (EN 1993-1-9 Fig. 7.1, category 50; from memory)', () => {
  const at = (tension: number) => {
    const job = testJob({ fz: 1000 });
    const verdict = evaluate(job);
    const [first] = verdict.shared;
    const shared = [{ ...first!, pulls: [tension, 0, 0, 0] }];
    return boltLife(resolved(job), { shared })!.times;
  };
  const As = resolved(testJob()).As;
  it('at Δσ_C/γ_Mf two million times; a third less stress a slope of three; under the cut-off for ever', () => {
    expect(at((50 / 1.35) * As)).toBeCloseTo(2e6, 0);
    expect(at((100 / 1.35) * As)).toBeCloseTo(2e6 / 8, 0);
    // Δσ_D = 0.737·Δσ_C at five million, then m = 5.
    expect(at(((0.737 * 50) / 1.35) * 0.8 * As) / (5e6 / 0.8 ** 5)).toBeCloseTo(1, 3);
    expect(at(((0.4 * 50) / 1.35) * As)).toBe(Infinity);
  });
  it('the prying of the plate is in the pull: 20.1 kN in a bolt that holds up 10 lasts 48,500 loads, and not 390,700', () => {
    for (const job of [caseFile('bolt-life-without-prying'), asSolved(caseFile('bolt-life-without-prying'))]) {
      const { times } = boltLife(resolved(job), judge(job, { mesh: 'draft' }).verdict)!;
      const { demand } = linkOf(job, 'bolt-tension');
      expect(demand).toBeGreaterThan(17_000);
      // M16, A_s = π/4·(16 − 0.9382·2)² = 156.67 mm²: 2·10⁶·(50/(1.35·F/A_s))³.
      expect(times / (2e6 * ((50 * 156.67) / (1.35 * demand)) ** 3)).toBeCloseTo(1, 2);
    }
    const byHand = caseFile('bolt-life-without-prying');
    expect(Math.abs(boltLife(resolved(byHand), evaluate(byHand))!.times / 48_500 - 1)).toBeLessThan(0.01);
  });
  it('no pull, no life to count', () => {
    const job = testJob({ fz: -1000 });
    const verdict = evaluate(job);
    const still = verdict.shared.map((s) => ({ ...s, pulls: s.pulls.map(() => 0) }));
    expect(boltLife(resolved(job), { shared: still })).toBeUndefined();
  });
});

it('a round looks at what works hardest first, five links at least, and says for what', () => {
  const verdict = evaluate(testJob({ fx: 3000, fz: 2000, z: 120 }));
  const look = lookAt([{ name: '', verdict }]);
  expect(look.length).toBeGreaterThanOrEqual(5);
  expect(look.map((l) => l.utilisation)).toEqual([...look.map((l) => l.utilisation)].sort((a, b) => b - a));
  const hardest = Math.max(
    ...verdict.links.filter((l) => !l.loadFree && Number.isFinite(l.utilisation)).map((l) => l.utilisation),
  );
  expect(look[0]!.utilisation).toBe(hardest);
  expect(look.every((l) => l.lookFor.length > 10)).toBe(true);
});
