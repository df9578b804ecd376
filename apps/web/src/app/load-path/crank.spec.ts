import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { evaluate } from '@core/chain/evaluate';
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
  await fixture.whenStable();
}

beforeEach(async () => {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(LoadPath);
  fixture.componentRef.setInput('verdict', verdict);
  await fixture.whenStable();
});

it('is put away until it is turned', () => expect(host().querySelector('ms-crank')).toBeNull());

it('lists the links in the order they let go, each at one over its utilisation', async () => {
  await turn(1);
  const at = [...host().querySelectorAll('ms-crank li b')].map((b) => Number(b.textContent!.replace(' ×', '')));
  expect(at).toEqual([...at].sort((a, b) => a - b));
  expect(at[0]).toBeCloseTo(verdict.letsGoAt, 2);
  expect(gone()).toEqual([]);
});

it('turned past a link it is gone, drawn parting, and its figure is that of the load turned up', async () => {
  const k = Math.min(3, verdict.letsGoAt * 1.05);
  await turn(k);
  expect(gone()).toHaveLength(1);
  expect(parted()).toBe(1);
  const weakest = host().querySelector('button.weakest .value')!.textContent!;
  expect(weakest).toContain(`lets go · ${(k / verdict.letsGoAt).toFixed(2)}`);
  await turn(0);
  expect(host().querySelector('button.weakest .value')!.textContent).toContain('0.00');
});

it('let go of, the chain is as it was', async () => {
  await turn(2.5);
  desk.letGoOfCrank();
  await fixture.whenStable();
  expect(host().querySelector('ms-crank')).toBeNull();
  expect(host().querySelector('button.weakest .value')!.textContent).toContain((1 / verdict.letsGoAt).toFixed(2));
});
