import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { evaluate } from '@core/chain/evaluate';
import { multiplesOf } from '@core/chain/judge';
import { atEachFoot, oneFoot } from '@core/job/at-foot';
import { changedFoot, standingAs } from '@core/job/feet-edits';
import type { WholeJob } from '@core/job/whole-job';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { started } from '../testing/workers';
import { FeetJudge } from './feet-judge';
import { FootKey } from './foot-key';
import { StandingSheet } from './standing-sheet';

const knownTimes = (job: Job): number => {
  const m = multiplesOf(job, { verdict: evaluate(job) }).goodFor;
  return m.known ? m.at : NaN;
};
const apart = { along: 400, across: 300, count: 4 };
const one = oneFoot(testJob({ fx: 10_000, fz: -1000, z: 300 }));
const four = standingAs(one, 'F1', 'four feet', apart);
let desk: TestDesk;
let fixture: ComponentFixture<unknown>;
const host = () => fixture.nativeElement as HTMLElement;
const words = (e: Element): string =>
  [...e.querySelectorAll('td, th, span, b, button')].length > 0 && e.tagName !== 'SPAN'
    ? [...e.childNodes].map((n) => (n instanceof Element ? words(n) : n instanceof Text ? n.data : '')).join(' ')
    : e.textContent!;
const text = (css: string) => [...host().querySelectorAll(css)].map((e) => words(e).replace(/\s+/g, ' ').trim());
const button = (said: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(said))!;

async function show(what: typeof StandingSheet | typeof FootKey, whole: WholeJob) {
  desk = provideDesk(whole);
  fixture = TestBed.createComponent<unknown>(what);
  await fixture.whenStable();
}
async function press(words: string) {
  button(words).click();
  await fixture.whenStable();
}
async function type(label: string, words: string) {
  const field = [...host().querySelectorAll('ms-quantity')].find((q) => q.querySelector('label')!.textContent === label)!;
  const input = field.querySelector('input')!;
  input.value = words;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

describe('how it stands', () => {
  it('on one plate it says so; four feet are placed by their distances, as drawn and mirrored, in one act', async () => {
    await show(StandingSheet, one);
    expect(text('.note')[0]).toMatch(/^It stands on one plate/);
    await press('Four feet');
    await type('Apart, fore and aft', '500');
    await type('Apart, across', '12 in');
    await press('Place the feet');
    expect(desk.did).toEqual(['stand on four feet']);
    expect(desk.whole()!.feet.map((f) => [f.name, f.x, f.y, f.like?.mirrored])).toEqual([
      ['Fore port', 250, 152.4, undefined],
      ['Fore starboard', 250, -152.4, true],
      ['Aft port', -250, 152.4, false],
      ['Aft starboard', -250, -152.4, true],
    ]);
    expect(text('ms-foot-row .note')[1]).toBe('250 mm, -152.4 mm, 0 mm · like Fore port, mirrored');
    await press('One plate');
    expect(desk.whole()!.feet).toHaveLength(1);
  });
  it('what comes to each foot, which decides, and what the other rules would give', async () => {
    await show(StandingSheet, changedFoot(four, 'F4', { skin: { ...four.feet[3]!.skin, thickness: fromSheet(3, '3 mm') } }));
    expect(text('table tbody tr').slice(0, 4)).toEqual([
      'Fore port 4.00 kN press 2.50 kN, 0.00 kN 0 N·m, 0 N·m, 0 N·m',
      'Fore starboard 4.00 kN press 2.50 kN, 0.00 kN 0 N·m, 0 N·m, 0 N·m',
      'Aft port 3.50 kN pull 2.50 kN, 0.00 kN 0 N·m, 0 N·m, 0 N·m',
      'Aft starboard decides 3.50 kN pull 2.50 kN, 0.00 kN 0 N·m, 0 N·m, 0 N·m',
    ]);
    const rules = text('.rules tr');
    expect(rules[0]).toMatch(/^feet take force only Aft (port|starboard) pulled by 3.50 kN/);
    expect(rules.at(-1)).toMatch(/^only so many count Aft (port|starboard) pulled by 7.50 kN.* idle$/);
    await press('Aft port');
    expect(desk.foot()).toBe('F3');
    expect(text('ms-steps').join(' ')).toContain('Aft port, in its own axes');
  });
  it('another rule asks for what it needs; the foot in hand is named, moved, turned, made its own and taken out', async () => {
    await show(StandingSheet, four);
    const sheet = fixture.componentInstance as unknown as { rule(v: string): void };
    sheet.rule('legs');
    await fixture.whenStable();
    await type('Foot to the stiff top', '1.2 m');
    expect(desk.whole()!.standing).toEqual({ rule: 'legs', legHeight: 1200, count: 1 });
    sheet.rule('some count');
    await fixture.whenStable();
    expect(desk.whole()!.standing.count).toBe(3);
    await type('Feet that count', '5');
    expect(text('[role=alert]').join()).toMatch(/allowed: 1 to 4/);
    desk.takeFoot('F2');
    await fixture.whenStable();
    await type('Forward', '260');
    await type('Turned', '90°');
    expect(desk.whole()!.feet[1]).toMatchObject({ x: 260, turn: Math.PI / 2 });
    const row = [...host().querySelectorAll('ms-foot-row')][1]!;
    row.querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    await fixture.whenStable();
    expect(desk.whole()!.feet[1]!.holds).toMatchObject({ restsOnly: true, part: 0 });
    await press('Take this foot out');
    expect(desk.whole()!.feet.map((f) => f.id)).toEqual(['F1', 'F3', 'F4']);
  });
  it('feet on one panel say so, and it stays said where they are placed anew', async () => {
    await show(StandingSheet, four);
    expect(text('.note').join()).toContain('Each foot bends the skin between its own bearers');
    (fixture.componentInstance as unknown as { stand(v: string): void }).stand('one panel');
    await fixture.whenStable();
    expect(desk.did).toEqual(['feet on one panel']);
    expect(text('.note').join()).toContain('The panel bends under all feet at once');
    await press('Four feet');
    await type('Apart, fore and aft', '500');
    await press('Place the feet');
    expect(desk.whole()!.standing.on).toBe('one panel');
    await press('One plate');
    expect(desk.whole()!.standing.on).toBeUndefined();
  });
  it('moments and shares: which axes a foot takes, and its part of the force', async () => {
    await show(StandingSheet, { ...four, standing: { ...four.standing, rule: 'moments' } });
    const ticks = [...host().querySelectorAll<HTMLInputElement>('.ticks input')];
    ticks[1]!.click();
    await fixture.whenStable();
    expect(desk.whole()!.feet[0]!.holds!.takes).toEqual({ mx: false, my: true, mz: false });
    await type('Stiffness, up', '2.5');
    expect(desk.whole()!.feet[0]!.holds!.stiffness).toEqual({ x: 1, y: 1, z: 2.5 });
    (fixture.componentInstance as unknown as { rule(v: string): void }).rule('given');
    await fixture.whenStable();
    await type('Part of the force', '40 %');
    expect(desk.whole()!.feet[0]!.holds!.part).toBeCloseTo(0.4, 12);
  });
  it('without a load there is nothing to come; what nothing holds is not shown as a figure', async () => {
    await show(StandingSheet, { ...four, loads: [] });
    expect(text('.note').at(-1)).toMatch(/^What comes to each foot shows here/);
  });
});

describe('the key plan', () => {
  it('every foot by its hatch, in words and with its figure; one press takes it in hand', async () => {
    await show(FootKey, changedFoot(four, 'F4', { skin: { ...four.feet[3]!.skin, thickness: fromSheet(3, '3 mm') } }));
    const list = text('li');
    expect(list).toHaveLength(4);
    expect(list[3]).toMatch(/^Aft starboard (lets go|not shown|tight|holds) .*decides$/);
    expect(host().querySelectorAll('g rect')).toHaveLength(4);
    const fills = [...host().querySelectorAll('g rect')].map((r) => r.getAttribute('fill'));
    expect(fills[3]).toMatch(/^url\(#foot-/);
    // Port is up, forward is to the right.
    const at = [...host().querySelectorAll('g')].map((g) => g.getAttribute('transform'));
    expect(at[0]).toMatch(/^translate\(200 -150\)/);
    button('Aft port').click();
    await fixture.whenStable();
    expect(desk.foot()).toBe('F3');
    expect(button('Aft port').getAttribute('aria-pressed')).toBe('true');
    host().querySelectorAll('g')[1]!.dispatchEvent(new Event('click'));
    expect(desk.foot()).toBe('F2');
  });
});

describe('the feet’s own judge', () => {
  beforeEach(() => (started.judge = []));
  const judge = () => new FeetJudge();
  it('starts nothing for one foot, judges the newest of several, and forgets them when they are one again', () => {
    const j = judge();
    j.judge(one);
    expect(started.judge).toHaveLength(0);
    j.judge(four);
    j.judge(four);
    const worker = started.judge[0]!;
    expect(worker.waiting).toHaveLength(1);
    const newer = changedFoot(four, 'F2', { name: 'Renamed' });
    j.judge(changedFoot(four, 'F2', { name: 'Between' }));
    j.judge(newer);
    worker.answer();
    worker.answer();
    expect(j.feet().map((f) => f.name)).toEqual(['Fore port', 'Renamed', 'Aft port', 'Aft starboard']);
    expect(worker.waiting).toHaveLength(0);
    j.judge(one);
    expect(j.feet()).toEqual([]);
    j.stop();
    expect(worker.terminated).toBe(true);
  });
  it('once it is still, what all of them are good for is asked; what was asked before a change is never shown', () => {
    jest.useFakeTimers();
    const j = judge();
    j.judge(four);
    const worker = started.judge[0]!;
    worker.answer();
    expect(worker.waiting).toHaveLength(0);
    jest.advanceTimersByTime(200);
    expect(worker.waiting.map((m) => m.kind)).toEqual(['fitting']);
    j.judge(changedFoot(four, 'F2', { name: 'Renamed' }));
    worker.answer();
    expect(j.goodFor()).toBeNull();
    worker.answer();
    jest.advanceTimersByTime(200);
    worker.answer();
    const least = Math.min(...atEachFoot(four).map(({ job }) => knownTimes(job)));
    expect(j.goodFor()).toMatchObject({ known: true });
    expect((j.goodFor() as { at: number }).at / least).toBeCloseTo(1, 5);
    jest.useRealTimers();
  });
  it('says so where it breaks down, and an answer that comes late changes nothing', () => {
    const j = judge();
    j.judge(four);
    const worker = started.judge[0]!;
    worker.dispatchEvent(
      new MessageEvent('message', { data: { kind: 'broken', of: 'feet', ticket: 1, message: 'out of memory' } }),
    );
    expect(j.broken()).toBe('out of memory');
    j.judge(changedFoot(four, 'F1', { name: 'A' }));
    j.judge(one);
    worker.waiting.splice(0, 1);
    worker.answer();
    expect(j.feet()).toEqual([]);
    // It ends by itself: what it said is gone, and another is asked; one that always ends is not asked for ever.
    j.judge(four);
    for (let n = 0; n < 3; n++) {
      expect(j.feet()).toEqual([]);
      started.judge.at(-1)!.dispatchEvent(new Event('error'));
      expect(j.broken()).toContain(n < 2 ? 'started again' : 'reload');
    }
    expect(started.judge).toHaveLength(3);
  });
});
