import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { provideRouter } from '@angular/router';
import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { solvedAnswer } from '../testing/solved';
import { started } from '../testing/workers';
import { SpreadStage } from './spread-stage';

beforeAll(() => {
  // The page under test has no size.
  globalThis.ResizeObserver = class {
    observe(): void {}
    unobserve(): void {}
    disconnect(): void {}
  };
});

let fixture: ComponentFixture<SpreadStage>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
/** The stage's own solver, and the one that compares. */
const solver = () => started.spreader[0]!;
const comparer = () => started.spreader.at(-1)!;
const text = () => host().textContent!.replace(/\s+/g, ' ');
const button = (words: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words))!;
const settle = () => fixture.whenStable();

async function show(job: Job) {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick', 'setImmediate', 'performance'] });
  started.spreader.length = 0;
  desk = provideDesk(job);
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  fixture = TestBed.createComponent(SpreadStage);
  fixture.detectChanges();
}
afterEach(() => jest.useRealTimers());

async function answered() {
  solver().answer();
  fixture.detectChanges();
}
const light = (more: Partial<Job> = {}) => ({ ...testJob({ fx: 1500, fz: 900, z: 100 }), ...more });

it('asks for a draft at once, shows it, and asks for the fine mesh when nothing has moved for a moment', async () => {
  await show(light());
  expect(solver().waiting[0]).toMatchObject({ kind: 'solve', mesh: 'draft' });
  expect(text()).toContain('draft …');
  await answered();
  expect(text()).toMatch(/draft mesh, \d+ unknowns/);
  expect(text()).toMatch(/Bolt B\d/);
  expect(text()).toContain('By hand, and solved');
  expect(solver().waiting).toHaveLength(0);
  jest.advanceTimersByTime(300);
  fixture.detectChanges();
  expect(solver().waiting[0]).toMatchObject({ kind: 'solve', mesh: 'fine' });
});

it('under new input the old picture is said to be old; a job that changes gives up the fine solve', async () => {
  await show(light());
  await answered();
  jest.advanceTimersByTime(300);
  expect(solver().waiting.at(-1)).toMatchObject({ mesh: 'fine' });
  desk.change('thicker', (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(12, '12') } }));
  fixture.detectChanges();
  // For a moment it follows; then it is marked.
  expect(text()).not.toContain('the picture is of the layout before');
  jest.advanceTimersByTime(300);
  fixture.detectChanges();
  expect(text()).toContain('the picture is of the layout before');
  expect(text()).not.toMatch(/skin gives/);
  expect(solver().waiting.at(-1)).toMatchObject({ mesh: 'draft', job: desk.job() });
  solver().waiting.splice(0, solver().waiting.length - 1);
  await answered();
  expect(text()).not.toContain('the picture is of the layout before');
});

it('while a draft is under way only the newest job waits', async () => {
  await show(light());
  for (const t of [7, 8, 9]) {
    desk.change('t', (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(t, `${t}`) } }));
    fixture.detectChanges();
  }
  expect(solver().waiting).toHaveLength(1);
  await answered();
  expect(solver().waiting).toHaveLength(1);
  expect(solver().waiting[0]).toMatchObject({ job: { plate: { thickness: { v: 9 } } } });
});

it('progress is told; a stop leaves the page as it is and can be taken up again', async () => {
  await show(light());
  const ticket = (solver().waiting[0] as { ticket: number }).ticket;
  solver().dispatchEvent(new MessageEvent('message', { data: { kind: 'progress', ticket, key: 'draft', done: 0 } }));
  fixture.detectChanges();
  expect(text()).toContain('draft: case 1 of 1');
  button('Stop').click();
  fixture.detectChanges();
  expect(solver().waiting.at(-1)).toEqual({ kind: 'stop' });
  expect(text()).toContain('stopped');
  button('Solve again').click();
  expect(solver().waiting.at(-1)).toMatchObject({ kind: 'solve', mesh: 'fine' });
});

it('a solver that dies is started anew, says so, and the next solve is right', async () => {
  await show(light());
  solver().dispatchEvent(new Event('error'));
  fixture.detectChanges();
  expect(solver().terminated).toBe(true);
  expect(text()).toContain('The solver stopped and is started again');
  button('Solve again').click();
  expect(started.spreader).toHaveLength(2);
  started.spreader[1]!.answer();
  fixture.detectChanges();
  expect(text()).toMatch(/fine mesh, \d+ unknowns/);
});

it('a stack that is refused is refused by name, and comes back when it is mended', async () => {
  await show(light());
  await answered();
  const whole = desk.job()!;
  desk.change('bed', (j) => ({
    ...j,
    spread: {
      checks: 'hand',
      base: 'plate',
      edges: { aft: 'free', fore: 'free', starboard: 'free', port: 'free' },
      inPlane: 'held',
      membrane: 'never',
      preload: 'none',
      given: {},
    },
  }));
  fixture.detectChanges();
  await answered();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('no bearer holds the skin');
  desk.change('back', () => whole);
  fixture.detectChanges();
  await answered();
  expect(host().querySelector('[role=alert]')).toBeNull();
  expect(text()).toMatch(/skin gives/);
});

it('a case that was refused has no picture, only why; nothing of another case stands under its name', async () => {
  await show(light());
  const asked = solver().waiting.shift() as { ticket: number; key: string; caseId: string };
  const { figures } = solvedAnswer(desk.job()!);
  const no = {
    refused: true,
    field: 'spread',
    because: 'held by nothing',
    allowed: 'bolts',
    caseId: asked.caseId,
    caseName: 'One',
  };
  const data = { ...asked, kind: 'solved', milliseconds: 1, figures: { ...figures, cases: [no] }, beside: [] };
  solver().dispatchEvent(new MessageEvent('message', { data }));
  fixture.detectChanges();
  expect(text()).toContain('This case could not be solved');
  expect(host().querySelector('ms-spread-figures [role=alert]')!.textContent).toContain('held by nothing');
  expect(host().querySelector('ms-spread-section')).toBeNull();
  expect(host().querySelectorAll('path.contour')).toHaveLength(0);
});

it('without a load nothing spreads, and nothing is asked', async () => {
  await show(light({ loads: [] }));
  expect(text()).toContain('nothing spreads');
  expect(started.spreader).toHaveLength(0);
});

it('two layouts are solved one after the other, and told apart in words', async () => {
  await show(light());
  await answered();
  const radios = [...host().querySelectorAll<HTMLButtonElement>('[role=radio]')];
  radios.find((r) => r.textContent!.includes('Compare'))!.click();
  fixture.detectChanges();
  button('Solve both').click();
  fixture.detectChanges();
  expect(text()).toContain('Solving this layout');
  comparer().answer();
  fixture.detectChanges();
  expect(text()).toContain('Solving the other');
  comparer().answer();
  fixture.detectChanges();
  expect(host().querySelectorAll('ms-spread-plan')).toHaveLength(2);
  expect(text()).toMatch(/skin gives ?[\d.]+ mm ?[\d.]+ mm/);
  // What was compared is not this layout any more.
  desk.change('t', (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(9, '9') } }));
  fixture.detectChanges();
  expect(host().querySelector('ms-spread-compare table')).toBeNull();
  await settle();
});
