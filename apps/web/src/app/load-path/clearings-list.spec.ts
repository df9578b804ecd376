import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { evaluate, type Link } from '@core/chain/evaluate';
import { whatClears } from '@core/options/clear';
import { testJob } from '@core/testing/test-job';
import { fromSheet } from '@core/units/quantity';
import { Judge } from '../job/judge';
import { provideDesk, type TestDesk } from '../testing/desk';
import { ClearingsList } from './clearings-list';

const thin = testJob({ fz: 16_000 }, (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(5, '5 mm') } }));
const bending = evaluate(thin).links.find((l) => l.id === 'plate-bending')!;
let fixture: ComponentFixture<ClearingsList>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;

async function show(link: Link, clearings: ReturnType<typeof whatClears> | null) {
  desk = provideDesk(thin);
  TestBed.inject(Judge).clearings.set(clearings);
  fixture = TestBed.createComponent(ClearingsList);
  fixture.componentRef.setInput('link', link);
  await fixture.whenStable();
}

it('says it is being tried, and when nothing small does it', async () => {
  await show(bending, null);
  expect(host().querySelector('[role=status]')!.textContent).toContain('Trying what is in stock');
  TestBed.inject(Judge).clearings.set([]);
  await fixture.whenStable();
  expect(host().textContent).toContain('No single small change');
});

it('each offer says what it does to the link, the weakest then, mass, time and cost', async () => {
  await show(bending, whatClears(thin, 'plate-bending'));
  const [first] = [...host().querySelectorAll('.one')].map((o) => o.textContent!.replace(/\s+/g, ' '));
  expect(first).toMatch(/Plate bending \d\.\d\d; weakest then .+ \d\.\d\d/);
  expect(first).toMatch(/[+−]\d+\.\d\d kg, (no more time|[+−]\d+ min), rough cost [+−]\d+\.\d; good for \d\.\d\d × load/);
});

it('taken with one press, as one step named by what it does', async () => {
  const offers = whatClears(thin, 'plate-bending');
  await show(bending, offers);
  const plate = offers.find((o) => o.kind === 'plate')!;
  host().querySelector<HTMLButtonElement>(`button[aria-label="Take: ${plate.words}"]`)!.click();
  expect(desk.did).toEqual([plate.words]);
  expect(evaluate(desk.job()!).links.find((l) => l.id === 'plate-bending')!.utilisation).toBeLessThanOrEqual(1);
  expect(desk.said()).toContain('weakest then');
});
