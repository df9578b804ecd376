import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { Entry, type Sample } from '@core/prove/log-entry';
import type { TracePoint } from '@core/prove/torque-trace';
import { testJob } from '@core/testing/test-job';
import { Bench, type Turning } from '../instruments/bench';
import { TestBench } from '../testing/bench';
import { provideDesk, type TestDesk } from '../testing/desk';
import type { TestLog } from '../testing/log';
import { started } from '../testing/workers';
import { AfterSheet } from './after-sheet';
import { DuePage } from './due-page';
import { FitUpSheet } from './fit-up-sheet';
import { LogDesk } from './log-desk';
import { LogbookSheet } from './logbook-sheet';
import { ProofSheet } from './proof-sheet';
import { ProveStage } from './prove-stage';
import { Prover } from './prover';
import { RecordSheet } from './record-sheet';
import { TightenSheet } from './tighten-sheet';
import { WhoField } from './who-field';

// Whatever a sheet writes, the log takes.
afterEach(() => log.lines().forEach(({ entry }) => expect(Entry.safeParse(entry).error).toBeUndefined()));

let fixture: ComponentFixture<unknown>;
let desk: TestDesk;
let log: TestLog;
let bench: TestBench;
const host = () => fixture.nativeElement as HTMLElement;
const text = () => host().textContent!.replace(/\s+/g, ' ');
const bodies = () => log.lines().map((l) => l.entry.body);
const last = () => log.lines().at(-1)!.entry;
const box = <T extends HTMLElement = HTMLInputElement>(label: string) => host().querySelector<T>(`[aria-label="${label}"]`)!;
const settle = async () => {
  await fixture.whenStable();
  started.prover.forEach((w) => w.answer());
  await fixture.whenStable();
};
async function press(words: string) {
  [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words))!.click();
  await settle();
}
async function type(label: string, value: string) {
  box(label).value = value;
  await settle();
}
async function show(sheet: Type<unknown>, job: Job = plated()) {
  started.prover = [];
  TestBed.resetTestingModule();
  desk = provideDesk(job);
  bench = new TestBench();
  TestBed.configureTestingModule({
    providers: [Prover, provideRouter([]), provideHttpClient(), provideHttpClientTesting(), { provide: Bench, useValue: bench }],
  });
  log = TestBed.inject(LogDesk) as unknown as TestLog;
  fixture = TestBed.createComponent(sheet);
  await settle();
}
const plated = (load: Parameters<typeof testJob>[0] = { fz: 900 }) =>
  testJob(load, (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(8, '8 mm') } }));

describe('fit-up', () => {
  it('goes from one dimension to the next; a reading lands from an instrument or by hand, in inches too', async () => {
    await show(FitUpSheet);
    expect(text()).toContain('Mounting plate, thickness');
    await type('Found', '5/16"');
    await press('Add reading');
    expect((bench.landing() as { name(): string } | null)?.name?.() ?? 'Mounting plate, thickness').toContain('Mounting plate');
    expect(text()).toContain('7.94 mm: within its limits');
    await press('Write it down');
    expect(last()).toMatchObject({
      by: 'AM',
      about: { foot: 'F1' },
      body: { key: 'plate/thickness', readings: [7.9375], nominal: 8 },
    });
    expect(text()).not.toContain('Write it down');
    expect(host().querySelector('h2')!.textContent).not.toContain('Mounting plate');
  });
  it('what is out stays in hand until it is decided, with a reason', async () => {
    await show(FitUpSheet);
    for (const r of ['7.1', '7.0', '7.2']) {
      await type('Found', r);
      await press('Add reading');
    }
    expect(text()).toContain('median of 3');
    await press('Write it down');
    expect(host().querySelector('h2')!.textContent).toContain('Mounting plate');
    await press('Decide');
    expect(text()).toContain('decision: none is chosen');
    [...host().querySelectorAll<HTMLInputElement>('fieldset input')][0]!.dispatchEvent(new Event('change'));
    await press('Decide');
    expect(text()).toContain('reason: it is empty');
    box<HTMLTextAreaElement>('Reason').value = 'holds all the same';
    await press('Decide');
    expect(last().body).toEqual({ kind: 'decision', key: 'plate/thickness', decide: 'accept', reason: 'holds all the same' });
  });
  it('rubbish is refused with what is allowed; a reading can be taken out; a bolt that is gone is written so', async () => {
    await show(FitUpSheet);
    await type('Found', 'thick');
    await press('Add reading');
    expect(text()).toContain('allowed: −5000');
    await type('Found', '-8');
    await press('Add reading');
    expect(text()).toContain('−8 mm cannot be — allowed: over 0 up to 300 mm');
    await type('Found', '8');
    await press('Add reading');
    host().querySelector<HTMLButtonElement>('[aria-label="Take out the reading 8 mm"]')!.click();
    await settle();
    expect(text()).not.toContain('Write it down');
    await press('Hole B1, forward');
    await type('Why it is missing', 'no room');
    await press('B1 is missing');
    expect(last()).toMatchObject({ about: { bolt: 'B1' }, body: { kind: 'bolt missing', reason: 'no room' } });
  });
});

describe('tightening', () => {
  const turned = (points: TracePoint[], ended: Turning['ended'] = 'clicked'): Turning => ({ turn: 1, points, ended, says: '' });
  const straight = (target: number, slope: number, k = 1): TracePoint[] =>
    Array.from({ length: 41 }, (_, i) => [((target / slope) * i) / 40 / k, (target * i) / 40] as const);
  const asked = () => bench.asked.at(-1) as { target: number; slope: number; from: number };

  it('pulls the next bolt, reads its trace, writes it down, and goes on to the next', async () => {
    await show(TightenSheet);
    const first = host().querySelector('.big')!.textContent!.trim().split(' ')[0]!;
    await press('Pull the wrench');
    const { target, slope, from } = asked();
    expect(from).toBe(0);
    bench.turning.set(turned(straight(target, slope).slice(0, 20), ''));
    await settle();
    expect(text()).toContain('…');
    bench.turning.set(turned(straight(target, slope)));
    await settle();
    expect(last()).toMatchObject({
      about: { bolt: first },
      body: { kind: 'tightened', round: 1, reads: 'good', with: 'torque wrench stand-in' },
    });
    expect(host().querySelector('.big')!.textContent).not.toContain(first);
  });
  it('a cross thread is named and its bolt stays next; a lost link is no reading', async () => {
    await show(TightenSheet);
    await press('Pull the wrench');
    const { target, slope } = asked();
    const bolt = host().querySelector('.big')!.textContent!.trim().split(' ')[0]!;
    bench.turning.set(turned(straight(target, slope, 3.4)));
    await settle();
    expect(last().body).toMatchObject({ reads: 'cross thread' });
    expect(host().querySelector('.big')!.textContent).toContain(bolt);
    await press(`Slacken ${bolt}`);
    await press('Slackened');
    expect(text()).toContain('reason: it is empty');
    box('Why it is slackened').value = 'new bolt';
    await press('Slackened');
    expect(last().body).toEqual({ kind: 'released', reason: 'new bolt' });
    await press('Pull the wrench');
    bench.turning.set(turned(straight(target, slope).slice(0, 20), 'link lost'));
    await settle();
    expect(last().body).toMatchObject({ reads: 'link lost' });
  });
  it('an empty cell writes nothing; a typed torque is good, short or over; what is no torque is refused', async () => {
    await show(TightenSheet);
    await press('Pull the wrench');
    bench.turning.set({ turn: 1, points: [], ended: 'low battery', says: 'low battery: nothing was read' });
    await settle();
    expect(bodies()).toEqual([]);
    expect(text()).toContain('low battery: nothing was read');
    const { target } = asked();
    for (const [part, reads] of [
      [0.8, 'not reached'],
      [1.3, 'over'],
      [1, 'good'],
    ] as const) {
      await type('Torque read', `${(part * target) / 1000} Nm`);
      await press('Write it down');
      expect(last().body).toMatchObject({ reads, with: 'typed' });
    }
    await type('Torque read', 'hard');
    await press('Write it down');
    expect(text()).toContain('allowed: 0 to 100000 N·m');
  });
  it('nut class and lubrication are confirmed in words', async () => {
    await show(TightenSheet);
    const confirm = [...host().querySelectorAll<HTMLButtonElement>('form.confirm button')];
    confirm[1]!.click();
    await settle();
    expect(text()).toContain('nut class: it is empty');
    box('nut class').value = '8';
    confirm[1]!.click();
    await settle();
    expect(last().body).toEqual({ kind: 'confirmed', what: 'nut class', is: '8' });
  });
});

describe('proof', () => {
  it('the curve comes first; samples go into the log; it is read, and written down with its curve', async () => {
    await show(ProofSheet);
    expect(text()).not.toContain('Everybody clear');
    await press('Draw the curve first');
    expect(host().querySelector('ms-proof-chart')).not.toBeNull();
    await press('Everybody clear: pull');
    const { proof } = bench.asked.at(-1) as { proof: number; moves: [number, number][][] };
    const moves = (bench.asked.at(-1) as { moves: [number, number][][] }).moves[0]!;
    const dial = (load: number) => (moves.at(-1)![1] * load) / proof;
    const at = (t: number, load: number): Sample => ({ t, load, dials: [dial(load)] });
    const steps = [0.25, 0.5, 0.75, 1].flatMap((p, k) =>
      Array.from({ length: k === 3 ? 62 : 31 }, (_, i) => at(1 + k * 31 + i, p * proof)),
    );
    const all = [at(0, 0), ...steps, at(500, 0.5 * proof), at(501, 0)];
    for (let i = 10; i < all.length + 10; i += 10) {
      bench.samples.set(all.slice(0, i));
      await settle();
    }
    for (let i = 0; i < 4; i++) await press(i < 3 ? 'Next step' : 'Take the load off');
    expect(text()).toContain('passed');
    box<HTMLTextAreaElement>('Remarks').value = 'still as a stone';
    await press('Write it down');
    expect(last().body).toMatchObject({ kind: 'proof', result: 'passed', remarks: 'still as a stone', load: proof });
    const kept = bodies().flatMap((b) => (b.kind === 'samples' ? b.samples : []));
    expect(kept).toEqual(all);
  });
  it('out of the band the load comes off by itself; a lost load cell ends it, and says so', async () => {
    await show(ProofSheet);
    await press('Draw the curve first');
    await press('Everybody clear: pull');
    const { proof } = bench.asked.at(-1) as { proof: number };
    bench.samples.set([0, 0.1, 0.2].map((p, i) => ({ t: i, load: p * proof, dials: [p * 900] })));
    await settle();
    expect(text()).toContain('it left the band');
    expect(bench.asked.at(-1)).toMatchObject({ to: 0 });
    bench.pullFault.set('the load cell is not heard any more');
    await settle();
    expect(bench.asked.at(-1)).toBe('end');
    expect(text()).toContain('take the load off by hand');
  });
  it('a case that is a moment alone, and a place off the plate, are refused by name', async () => {
    await show(ProofSheet, plated({ mx: 40_000 }));
    expect(text()).toContain('a moment alone');
    await show(ProofSheet);
    (fixture.componentInstance as unknown as { dial(a: 'x', to: number): void }).dial('x', 4000);
    await settle();
    await press('Draw the curve first');
    expect(text()).toContain('x 4000, y 0 is off the plate');
  });
});

describe('the logbook', () => {
  it('writes, corrects and tells the story of one bolt; what was corrected stays, struck through', async () => {
    await show(LogbookSheet);
    expect(text()).toContain('Nothing is written yet');
    await press('Write it down');
    expect(text()).toContain('words: empty');
    box<HTMLTextAreaElement>('Words').value = 'B2 will not go in';
    const where = box<HTMLSelectElement>('Where');
    where.value = 'F1/B2';
    where.dispatchEvent(new Event('change'));
    await press('Write it down');
    expect(last()).toMatchObject({ about: { foot: 'F1', bolt: 'B2' }, body: { text: 'B2 will not go in' } });
    await press('Correct line 1');
    box<HTMLTextAreaElement>('Words').value = 'it was B3';
    await press('Write the correction');
    expect(last().corrects).toBe(log.lines()[0]!.entry.id);
    expect(host().querySelector('li.gone')!.textContent).toContain('B2 will not go in');
    const story = box<HTMLSelectElement>('Story of');
    story.value = 'F1/B4';
    story.dispatchEvent(new Event('change'));
    await settle();
    expect(text()).toContain('Nothing is written of that place yet');
  });
  it('says what the chain comes to', async () => {
    await show(LogbookSheet);
    await press('Verify the chain');
    TestBed.inject(HttpTestingController)
      .expectOne('/api/jobs/t/log/verify')
      .flush({ whole: false, seq: 4, because: 'a line is missing' });
    await settle();
    expect(text()).toContain('broken at line 4: a line is missing');
  });
  it('a photograph is pinned where the plan was pressed, or by arrow keys, and carries the words', async () => {
    await show(LogbookSheet);
    const plan = host().querySelector('ms-pin-plan svg')!;
    for (const key of ['ArrowRight', 'ArrowRight', 'ArrowUp']) {
      plan.dispatchEvent(new KeyboardEvent('keydown', { key }));
      await settle();
    }
    expect(plan.getAttribute('aria-label')).toContain('the next at x 10, y 5 mm');
    box<HTMLTextAreaElement>('Words').value = 'rust here';
    const button = host().querySelector('ms-photo')!;
    const file = button.querySelector('input')!;
    const pick = (type: string, size = 9) => {
      const picked = new File([new Uint8Array(1)], 'p.jpg', { type });
      Object.defineProperty(picked, 'size', { value: size });
      Object.defineProperty(file, 'files', { configurable: true, value: [picked] });
      file.dispatchEvent(new Event('change'));
      return settle();
    };
    await pick('application/pdf');
    expect(text()).toContain('allowed: JPEG, PNG or WebP');
    await pick('image/jpeg', 80e6);
    expect(text()).toContain('is 80.0 MB — allowed: up to 12 MB');
    expect(bodies()).toEqual([]);
    await pick('image/jpeg');
    expect(last()).toMatchObject({ about: { foot: 'F1' }, body: { kind: 'photo', caption: 'rust here', pin: { x: 10, y: 5 } } });
    expect(host().querySelectorAll('.pin')).toHaveLength(1);
  });
  it('nobody named, nothing is written', async () => {
    await show(LogbookSheet);
    log.by.set('');
    box<HTMLTextAreaElement>('Words').value = 'x';
    await press('Write it down');
    expect([bodies(), log.askWho(), box<HTMLTextAreaElement>('Words').value]).toEqual([[], true, 'x']);
  });
});

describe('record and after', () => {
  it('a hold point is signed by a name; with points open there is no stamp', async () => {
    await show(RecordSheet);
    expect(text()).toMatch(/\d+ open: it cannot be stamped/);
    expect(host().querySelector('[aria-label="Name under the stamp"]')).toBeNull();
    const [form] = [...host().querySelectorAll('form')];
    form!.querySelector('button')!.click();
    await settle();
    expect(text()).toContain('name: too short');
    form!.querySelector('input')!.value = 'Ada Marsh';
    form!.querySelector('button')!.click();
    await settle();
    expect(last().body).toMatchObject({ kind: 'signed', name: 'Ada Marsh' });
  });
  it('use is counted in; a round is sound or a finding, and a finding becomes a job', async () => {
    await show(AfterSheet);
    await press('Count it in');
    expect(text()).toContain('use: nothing is said');
    box('Miles since last told').value = 'far';
    await press('Count it in');
    expect(text()).toContain('miles: “far” — allowed: 0 to 10000000');
    box('Miles since last told').value = '30';
    box('In use from').value = '2026-05-02';
    await press('Count it in');
    expect(last().body).toEqual({ kind: 'used', from: '2026-05-02', miles: 30, what: '' });
    await press('Done: write it down');
    await press('A finding');
    expect(text()).toContain('finding: it is empty');
    host().querySelector('textarea')!.value = 'nut sunk in';
    await press('A finding');
    expect(last().body).toMatchObject({ kind: 'inspected', found: 'finding', text: 'nut sunk in' });
    await press('Make a follow-up job');
    const sent = TestBed.inject(HttpTestingController).expectOne('/api/jobs').request.body as {
      note: string;
      name: string;
      id: string;
    };
    expect(sent.note).toContain('nut sunk in');
    expect(sent.id).not.toBe(desk.whole()!.id);
  });
  it('the due list has what is overdue first, and says when the rack does not answer', async () => {
    await show(DuePage);
    const http = TestBed.inject(HttpTestingController);
    http.expectOne('/api/due').flush({ detail: 'no' }, { status: 500, statusText: 'no' });
    await settle();
    await press('Try again');
    const due = (id: string, state: string, on: string) => ({
      task: { id, name: id, what: '', every: { months: 1 }, source: 'common practice' },
      state,
      on,
      last: '',
      says: '',
    });
    const jobs = [
      { id: 'a', name: 'A', due: [due('look', 'later', '2027-01-01'), due('rig', 'not in use', '')] },
      { id: 'b', name: 'B', due: [due('road', 'overdue', '2026-01-01')] },
    ];
    http.expectOne('/api/due').flush({ jobs, waiting: 2 });
    await settle();
    expect(text()).toContain('2 jobs are still being looked at');
    const rows = [...host().querySelectorAll('tbody tr')].map((r) => r.querySelector('a')!.textContent);
    expect(rows).toEqual(['B', 'A']);
    expect(text()).toContain('1 overdue');
  });
  it('a name is added to the shop’s list by whoever writes; initials of one person each', async () => {
    await show(WhoField);
    const select = box<HTMLSelectElement>('Written by');
    select.value = '+';
    select.dispatchEvent(new Event('change'));
    await settle();
    await press('Add to the list');
    expect(text()).toContain('initials: “”');
    box('Initials').value = 'jf';
    box('Name').value = 'Jonas Fenn';
    await press('Add to the list');
    expect(log.by()).toBe('JF');
    expect(text()).toContain('JF, Jonas Fenn');
  });
});

it('before there is a load no figure stands beside “as drawn” and “as built”', async () => {
  await show(ProveStage, { ...plated(), loads: [] });
  const figures = () => [...host().querySelectorAll('.standing b')].map((b) => b.textContent);
  expect(figures()).toEqual(['–', '–']);
  expect(text()).toContain('not shown to hold');
  await show(ProveStage);
  expect(figures()).toEqual([expect.stringMatching(/^\d\.\d\d$/), expect.stringMatching(/^\d\.\d\d$/)]);
});
