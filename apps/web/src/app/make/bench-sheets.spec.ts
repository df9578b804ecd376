import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { Type } from '@angular/core';
import { of } from 'rxjs';
import { USUAL_SHOP } from '@core/stock/shop-settings';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { fromSheet } from '@core/job/values';
import { testJob, withJoint, withWelds } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { BeddingSheet } from './bedding-sheet';
import { BenchCards } from './bench-cards';
import { BuySheet } from './buy-sheet';
import { CutPlanApi } from './cut-plan-api';
import { JobMade } from './job-made';
import { nameIn } from './keep-file';
import { PacketPanel } from './packet-panel';
import { PrinterField } from './printer-field';
import { RouteSheet } from './route-sheet';
import { ShopDesk } from './shop-desk';
import { ShopSheet } from './shop-sheet';

let fixture: ComponentFixture<unknown>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const text = () => host().textContent!.replace(/\s+/g, ' ');
const shop = () => TestBed.inject(ShopDesk).settings()!;
const inputOf = (label: string) => {
  const l = [...host().querySelectorAll('label')].find((x) => x.textContent!.trim().startsWith(label))!;
  return l.querySelector('input') ?? host().querySelector<HTMLInputElement>(`#${l.getAttribute('for')}`)!;
};
async function say(label: string, value: string) {
  const input = inputOf(label);
  input.value = value;
  input.dispatchEvent(new Event('change'));
  await fixture.whenStable();
}
async function press(words: string) {
  const button = [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words))!;
  button.click();
  await fixture.whenStable();
}
async function show(card: Type<unknown>, job: Job | WholeJob = testJob(), inputs: Record<string, unknown> = {}) {
  desk = provideDesk(job);
  TestBed.configureTestingModule({
    providers: [
      JobMade,
      provideHttpClient(),
      provideHttpClientTesting(),
      { provide: CutPlanApi, useValue: { plan: () => of([]) } },
    ],
  });
  fixture = TestBed.createComponent(card);
  for (const [k, v] of Object.entries(inputs)) fixture.componentRef.setInput(k, v);
  await fixture.whenStable();
}
const bedded = () => testJob(undefined, withJoint({ bedding: 'bedded' }));

describe('bends and welds', () => {
  it('numbered runs drawn on the plate and listed in their turn', async () => {
    await show(BenchCards, testJob(undefined, withWelds({ fitting: 'all round', fittingThroat: fromSheet(4, '4 mm') })), {
      of: 'welds',
    });
    expect(host().querySelectorAll('path.weld')).toHaveLength(4);
    expect([...host().querySelectorAll('tbody tr')].map((r) => r.querySelector('td')!.textContent)).toEqual(['1', '2', '3', '4']);
    expect(host().querySelectorAll('.tick').length).toBeGreaterThan(3);
  });
  it('where there are none it says so', async () => {
    await show(BenchCards, testJob(), { of: 'bends' });
    expect(text()).toContain('Nothing of this job is bent.');
  });
});

describe('bedding', () => {
  it('at another temperature the waits change; what the maker says is no longer assumed', async () => {
    await show(BeddingSheet, bedded());
    expect(text()).toContain('ASSUMED: put in the maker’s sheet');
    await say('Temperature of the part', '10');
    expect(desk.whole()!.making).toEqual({ temperature: 10 });
    expect(text()).toContain('144 h at 10 °C');
    await say('load: hours', '36');
    expect(text()).not.toContain('ASSUMED: put in');
    expect(text()).toContain('72 h at 10 °C');
    await press('Back to the usual');
    expect(desk.whole()!.making).toEqual({ temperature: 10 });
  });
  it('a temperature that is none names its range and changes nothing', async () => {
    await show(BeddingSheet, bedded());
    await say('Temperature of the part', 'warm');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('allowed: -40 to 60');
    expect(desk.did).toEqual([]);
  });
});

describe('the route', () => {
  const op = (id: string) => host().querySelector<HTMLButtonElement>(`[data-op=${id}]`)!;
  it('is laid on the shop’s days; arrow keys put an operation off, and back as early as may be', async () => {
    await show(RouteSheet);
    await say('First day', '2026-03-02');
    expect(text()).toContain('Mon 2 Mar');
    const finish = () => /Done (\S+ \d+ \S+, \d\d:\d\d)/.exec(text())![1];
    const before = finish();
    op('drill').dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
    await fixture.whenStable();
    expect(desk.whole()!.making!.notBefore).toEqual({ drill: '2026-03-03' });
    expect(finish()).not.toBe(before);
    await press('As early as may be');
    expect(finish()).toBe(before);
  });
  it('a cold day is said by its day and range, and the chart gives way', async () => {
    await show(RouteSheet, bedded());
    await say('Temperature, °C', '-5');
    expect(text()).toMatch(/Bed: polyurethane sealant at −5 °C on \d{4}-\d\d-\d\d.*5 °C to 40 °C/);
    expect(host().querySelector('.chart')).toBeNull();
  });
  it('a hired machine stands beside its operation, a lift brings its sling tensions', async () => {
    await show(RouteSheet);
    await say('What', 'yard crane');
    expect(desk.whole()!.making!.hired).toMatchObject({ what: 'yard crane', for: 'lift' });
    expect(text()).toContain('Lift into place');
    await say('Mass lifted', '900');
    expect(text()).toContain('Working load limit at least');
  });
});

describe('buying', () => {
  it('lists what is bought with the sum, beside the budget', async () => {
    await show(BuySheet);
    expect(text()).toMatch(/In all.*€/);
    await say('Budget', '10');
    expect(text()).toMatch(/Budget €10\.00: this is €[\d,.]+ over\./);
  });
});

describe('the shop', () => {
  it('hours, hands, rates and closed days are kept; a rate out of range is refused by name', async () => {
    await show(ShopSheet);
    await say('People at work', '3');
    await say('An hour of work', '60');
    expect(shop()).toMatchObject({ people: 3, rates: { perHour: 60 } });
    await say('An hour of work', '-1');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('allowed: 0 to 10000');
    host().querySelectorAll<HTMLInputElement>('input[type=checkbox]')[5]!.click();
    await fixture.whenStable();
    expect(shop().week[5]).toEqual({ from: '08:00', to: '16:30' });
    const day = host().querySelector<HTMLInputElement>('input[type=date]')!;
    day.value = '2026-12-25';
    await press('Add');
    expect(shop().closed).toEqual(['2026-12-25']);
    await press('open again');
    expect(shop().closed).toEqual([]);
  });
});

describe('a printer', () => {
  it('is added, its square measured, and what is taken out is said', async () => {
    await show(PrinterField, testJob(), { chosen: '' });
    const picked: string[] = [];
    (fixture.componentInstance as PrinterField).picked.subscribe((p) => picked.push(p));
    host().querySelector<HTMLInputElement>('input[type=text]')!.value = 'Office';
    await press('Add a printer');
    expect(picked).toEqual(['Office']);
    fixture.componentRef.setInput('chosen', 'Office');
    await fixture.whenStable();
    await say('Square across', '49.8');
    expect(shop().printers).toEqual([{ name: 'Office', across: 49.8, up: 50 }]);
    expect(text()).toContain('Corrected for Office: −0.40 % across');
    await say('Square up', '60');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('allowed: 49 to 51');
  });
});

describe('the packet', () => {
  const answer = (printed: { version: number; at: string } | null, version: number) =>
    TestBed.inject(HttpTestingController)
      .match((r) => r.url.endsWith('packet.json'))
      .forEach((r) => r.flush({ printed, version }));
  it('one of an earlier version is said to be older than the job', async () => {
    await show(PacketPanel);
    answer({ version: 3, at: '' }, 5);
    await fixture.whenStable();
    expect(text()).toContain('of version 3: older than the job, which is version 5');
    desk.state.update((s) => ({ ...s, save: 'saving' }));
    await fixture.whenStable();
    expect(host().querySelector<HTMLButtonElement>('button')!.disabled).toBe(true);
  });
  it('is fetched with a way to stop, and a refusal is read', async () => {
    await show(PacketPanel);
    answer(null, 1);
    await press('Packet');
    expect(text()).toContain('Making the packet … press to stop');
    const http = TestBed.inject(HttpTestingController);
    const asked = http.expectOne((r) => r.url.includes('packet.pdf'));
    await press('press to stop');
    expect(asked.cancelled).toBe(true);
    await press('Packet');
    http.expectOne((r) => r.url.includes('packet.pdf')).flush(new Blob(['{}']), { status: 500, statusText: 'down' });
    await fixture.whenStable();
    expect(host().querySelector('[role=alert]')).not.toBeNull();
  });
  it('a file’s name comes in its own script', () => {
    expect(nameIn(`attachment; filename="?.pdf"; filename*=UTF-8''%C5%81%C3%B3d%C5%BA.pdf`)).toBe('Łódź.pdf');
    expect(nameIn('attachment; filename="a.pdf"')).toBe('a.pdf');
    expect(nameIn(null)).toBeUndefined();
  });
});

describe('the shop’s settings', () => {
  it('are shown at once and sent over the version seen; what was changed elsewhere is shown as it is', async () => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    const real = TestBed.inject(ShopDesk);
    const http = TestBed.inject(HttpTestingController);
    real.fetch();
    http.expectOne('/api/shop').flush({ settings: USUAL_SHOP, version: 4 });
    real.change((s) => ({ ...s, people: 5 }));
    expect(real.settings()!.people).toBe(5);
    http.expectOne('/api/shop?version=4').flush({ settings: { ...USUAL_SHOP, people: 5 }, version: 5 });
    real.change((s) => ({ ...s, people: 6 }));
    http
      .expectOne('/api/shop?version=5')
      .flush({ current: { settings: { ...USUAL_SHOP, people: 9 }, version: 8 } }, { status: 409, statusText: 'Conflict' });
    expect(real.settings()!.people).toBe(9);
    expect(real.failure()).toContain('changed elsewhere');
  });
});
