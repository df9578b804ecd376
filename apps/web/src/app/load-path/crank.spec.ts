import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { evaluate } from '@core/chain/evaluate';
import { goodFor } from '@core/chain/multiple';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { LoadPath } from './load-path';

const job = testJob({ fx: 4000, fz: 3600, z: 120 });
const verdict = evaluate(job);
let fixture: ComponentFixture<LoadPath>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const gone = () => [...host().querySelectorAll('ms-crank li.gone')].map((l) => l.textContent!.trim());
const parted = () => [...host().querySelectorAll('ol button')].filter((b) => b.querySelector('.crack')).length;

async function turn(k: number) {
  desk.turn(k);
  fixture.componentRef.setInput('turned', { job, times: k, verdict: evaluate(job, undefined, k) });
  await fixture.whenStable();
}

beforeEach(async () => {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(LoadPath);
  fixture.componentRef.setInput('verdict', verdict);
  await fixture.whenStable();
});

it('is put away until it is turned', () => expect(host().querySelector('ms-crank')).toBeNull());

it('lists the links under the load as turned, those gone first', async () => {
  await turn(1);
  const used = [...host().querySelectorAll('ms-crank li b')].map((b) => Number(b.textContent));
  expect(used).toEqual([...used].sort((a, b) => b - a));
  expect(used[0]).toBeCloseTo(Math.max(...verdict.links.filter((l) => !l.loadFree).map((l) => l.utilisation)), 2);
  expect(gone()).toEqual([]);
});

it('turned past a link it is gone, drawn parting, and its figure is that of the load turned up', async () => {
  const m = goodFor(job, verdict);
  if (!m.known) throw new Error(m.because);
  await turn(m.at * 1.05);
  expect(gone()).toEqual([`1.05 ${m.link}, gone`]);
  expect(parted()).toBe(1);
  expect(host().querySelector('button.weakest .value')!.textContent).toContain('lets go · 1.05');
  await turn(0);
  expect(host().querySelector('button.weakest .value')!.textContent).toContain('0.00');
});

it('let go of, the chain is as it was', async () => {
  await turn(2.5);
  desk.letGoOfCrank();
  await fixture.whenStable();
  expect(host().querySelector('ms-crank')).toBeNull();
  const weakest = verdict.links.find((l) => l.id === verdict.weakest)!;
  expect(host().querySelector('button.weakest .value')!.textContent).toContain(weakest.utilisation.toFixed(2));
});
