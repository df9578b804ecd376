import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { evaluate } from '@core/chain/evaluate';
import type { Job } from '@core/job/schema';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { started } from '../testing/workers';
import { ChooseStage } from './choose-stage';

let fixture: ComponentFixture<ChooseStage>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const worker = () => started.chooser.at(-1)!;
const button = (words: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words))!;
const offers = () => [...host().querySelectorAll<HTMLButtonElement>('aside li button')];

async function show(job: Job) {
  desk = provideDesk(job);
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  fixture = TestBed.createComponent(ChooseStage);
  await fixture.whenStable();
}
async function search() {
  button('Try').click();
  worker().answer();
  await fixture.whenStable();
}
const light = () => testJob({ fx: 1500, fz: 900, z: 100 });

it('says what it will try, and how many', async () => {
  await show(light());
  expect(button('Try').textContent).toContain('6804 combinations');
  expect(host().textContent).toContain('Nothing tried yet');
});

it('without a load there is nothing to choose by', async () => {
  await show({ ...light(), loads: [] });
  expect(button('Try').disabled).toBe(true);
  expect(host().textContent).toContain('There is no load yet');
  expect(host().querySelector('.empty a')!.getAttribute('href')).toBe(`/job/${desk.job()!.id}/load`);
});

it('with bolts through the base, number and place are the base’s', async () => {
  const job = light();
  await show({ ...job, bolts: { ...job.bolts, items: job.base.holes.map((h, i) => ({ ...h, id: `B${i + 1}` })) } });
  expect(host().textContent).toContain('the base’s own holes, which fix number and place');
});

it('shows progress, and can be stopped', async () => {
  await show(light());
  button('Try').click();
  await fixture.whenStable();
  worker().dispatchEvent(new MessageEvent('message', { data: { kind: 'progress', tried: 1200, total: 6804, sound: 77 } }));
  await fixture.whenStable();
  expect(host().textContent).toContain('1200 of 6804 tried, 77 hold');
  button('Stop').click();
  expect(worker().waiting.at(-1)).toEqual({ kind: 'stop' });
  worker().waiting.shift();
  worker().answer();
  await fixture.whenStable();
  expect(host().textContent).toContain('stopped early');
});

it('offers those nothing beats, each with its weakest link; hover previews, leaving puts it back', async () => {
  await show(light());
  await search();
  expect(offers().length).toBeGreaterThan(0);
  expect(offers()[0]!.textContent).toMatch(/\d+ × M\d+ 8\.8.*kg · \d+.*\d\.\d\d · Case L1/s);
  offers()[0]!.dispatchEvent(new MouseEvent('mouseenter'));
  await fixture.whenStable();
  expect(desk.preview()).not.toBeNull();
  offers()[0]!.dispatchEvent(new MouseEvent('mouseleave'));
  await fixture.whenStable();
  expect(desk.preview()).toBeNull();
  expect(desk.did).toEqual([]);
});

it('one press takes it, as one step, and it holds', async () => {
  await show(light());
  await search();
  offers()[0]!.click();
  await fixture.whenStable();
  expect(desk.did).toHaveLength(1);
  expect(desk.did[0]).toMatch(/^choose \d+ mm, \d × M/);
  expect(['sound', 'tight']).toContain(evaluate(desk.job()!).state);
});

it('a second one taken starts from the layout that was searched, not from the first', async () => {
  await show(light());
  await search();
  const name = (b: HTMLButtonElement) => b.querySelector('span')!.textContent!;
  const [first, last] = [offers()[0]!, offers().at(-1)!];
  last.click();
  await fixture.whenStable();
  const expected = name(first);
  offers()[0]!.click();
  await fixture.whenStable();
  expect(desk.did.at(-1)).toBe(`choose ${expected}`);
  expect(host().textContent).not.toContain('changed since');
  expect(['sound', 'tight']).toContain(evaluate(desk.job()!).state);
});

it('says when the layout has changed since, and then lets none be taken over the change', async () => {
  await show(light());
  await search();
  expect(host().textContent).not.toContain('changed since');
  desk.change('move', (j) => ({ ...j, bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, x: b.x * 0.95 })) } }));
  await fixture.whenStable();
  expect(host().textContent).toContain('The layout has changed since');
  const before = desk.job();
  offers()[0]!.click();
  expect(desk.job()).toBe(before);
});

it('a broken search is said, changes nothing and can be started again', async () => {
  await show(light());
  button('Try').click();
  worker().dispatchEvent(new MessageEvent('message', { data: { kind: 'broken', message: 'out of memory' } }));
  await fixture.whenStable();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('out of memory');
  expect(worker().terminated).toBe(true);
  await search();
  expect(offers().length).toBeGreaterThan(0);
});
