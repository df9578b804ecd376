import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { evaluate } from '@core/chain/evaluate';
import { multiplesOf } from '@core/chain/judge';
import type { Job } from '@core/job/schema';
import { newJob } from '@core/job/new-job';
import { testJob } from '@core/testing/test-job';
import { provideDesk } from '../testing/desk';
import { HeadlineStrip } from './headline';
import { Judge } from './judge';
import type { Weighed } from './weigher';

async function show(job: Job, weighed: Partial<Weighed> | null = {}) {
  provideDesk(job);
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  const verdict = evaluate(job);
  const judge = TestBed.inject(Judge);
  judge.weigher.weighed.set(weighed && { ...multiplesOf(job, { verdict }), job, asking: false, ...weighed });
  const fixture = TestBed.createComponent(HeadlineStrip);
  fixture.componentRef.setInput('job', job);
  fixture.componentRef.setInput('verdict', verdict);
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  return { host, text: host.textContent!.replace(/\s+/g, ' ') };
}

it('says what holds, where it would let go without factors, and what was not judged', async () => {
  const { text } = await show(testJob({ fz: 800, z: 100 }));
  expect(text).toMatch(/by hand\s?holds: weakest .+ \(\d\.\d\d\), Case L1/);
  expect(text).toMatch(/without factors it would let go near \d+\.\d\d × \(.+\)/);
  expect(text).toContain('Not judged: the fitting itself: its base, its welds;');
});

it('while that is asked it says so, and shows no multiple', async () => {
  const { text } = await show(testJob({ fz: 800, z: 100 }), null);
  expect(text).toContain('asking again at other loads …');
  expect(text).not.toContain('good for');
});

it('a draft of the solver that says clearly less is said as a thing to do, with the way there', async () => {
  const doubt = { solveIt: { byHand: 1.2, asSolved: 0.45, link: 'Bolt tension' } };
  const { host, text } = await show(testJob({ fz: 800, z: 100 }), doubt);
  expect(text).toContain('Solve it: a draft of the solver says good for 0.45 × (Bolt tension), where the hand says 1.20 ×');
  expect(host.querySelector('.solve a')!.getAttribute('href')).toBe('/job/t/spread');
});

it('a refused link is named with what would answer it, and the multiple is not known', async () => {
  const thin = testJob({ fz: 800, z: 100 }, (j) => ({
    ...j,
    base: { ...j.base, hole: { ...j.base.hole, v: 30 }, holes: [{ id: 'H1', x: 0, y: 0 }] },
  }));
  const through = { ...thin, bolts: { ...thin.bolts, items: [{ id: 'B9', x: 0, y: 0 }, ...thin.bolts.items] } };
  const { text } = await show(through);
  expect(text).toMatch(/not shown to hold: Head on base.*What would answer it: \S/);
  expect(text).toContain('is not known: Head on base is refused in Case L1');
});

it('a new job says what it needs', async () => {
  const { text } = await show(newJob('new', 'New'));
  expect(text).toContain('needs a load: say on the Load stage what it has to hold');
  expect(text).not.toContain('refused');
});
