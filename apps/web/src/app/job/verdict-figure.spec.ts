import { TestBed } from '@angular/core/testing';
import { atFoot, oneFoot } from '@core/job/at-foot';
import { standingAs } from '@core/job/feet-edits';
import type { WholeJob } from '@core/job/whole-job';
import { evaluate } from '@core/chain/evaluate';
import { multiplesOf } from '@core/chain/judge';
import { testJob } from '@core/testing/test-job';
import { provideDesk } from '../testing/desk';
import { Judge } from './judge';
import { VerdictFigure } from './verdict-figure';

async function show(whole: WholeJob, foot = 'F1') {
  const desk = provideDesk(whole);
  const judge = TestBed.inject(Judge);
  const job = atFoot(whole, foot);
  const verdict = evaluate(job);
  judge.weigher.weighed.set({ ...multiplesOf(job, { verdict }), job, asking: false });
  const fixture = TestBed.createComponent(VerdictFigure);
  await fixture.whenStable();
  const words = () => (fixture.nativeElement as HTMLElement).textContent!.replace(/\s+/g, ' ').trim();
  return { words, fixture, desk, judge };
}

/** Four feet under a push at a height and a lift: the after ones are pulled most. */
const four = standingAs(oneFoot(testJob({ fx: 3000, fz: 2000, z: 300 })), 'F1', 'four feet', {
  along: 400,
  across: 300,
  count: 4,
});
const goodForAt = (whole: WholeJob, foot: string) => {
  const job = atFoot(whole, foot);
  const m = multiplesOf(job, { verdict: evaluate(job) }).goodFor;
  return m.known ? m.at : NaN;
};

it('on one foot it is what that is good for', async () => {
  const whole = oneFoot(testJob({ fz: 800, z: 100 }));
  const { words } = await show(whole);
  expect(words()).toBe(`good for with factor 3 on break, 2 on yield ${goodForAt(whole, 'F1').toFixed(2)} × load`);
});

it('on several it is the least of them, whichever is in hand', async () => {
  const [fore, aft] = [goodForAt(four, 'F1'), goodForAt(four, 'F3')];
  expect(aft).toBeLessThan(fore);
  const { words } = await show(four);
  expect(words()).toBe(`good for all 4 feet, with factor 3 on break, 2 on yield ${aft.toFixed(2)} × load`);
});

it('until that is known, or where it cannot be, it says how the foot that decides stands, and names it', async () => {
  const { words, judge, fixture } = await show(four);
  judge.feet.goodFor.set(null);
  await fixture.whenStable();
  const decides = judge.feet.feet().find((f) => f.decides)!;
  expect(decides.name).toBe('Aft port');
  expect(decides.state).toBe('sound');
  expect(words()).toBe('Aft port holds');
});
