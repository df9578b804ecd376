import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { OwnMetal } from '@core/job/own-stock';
import { METALS } from '@core/stock/metals';
import { StockPage } from './stock-page';
import { STOCK_TABLES } from './tables';

const PLATE: OwnMetal = {
  id: 'own-s355-heat-4411',
  name: 'S355, heat 4411',
  group: 'steel',
  fy: 388,
  fu: 521,
  E: 210_000,
  density: 7850,
  source: 'mill sheet 4411',
};
const row = (metal: OwnMetal = PLATE, version = 1) => ({ metal, version, updatedAt: '2026-11-25T00:00:00.000Z' });

let fixture: ComponentFixture<StockPage>;
let http: HttpTestingController;
const host = () => fixture.nativeElement as HTMLElement;
const button = (text: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(text))!;

async function show(rows: readonly unknown[] = []) {
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
  fixture = TestBed.createComponent(StockPage);
  http = TestBed.inject(HttpTestingController);
  http.expectOne('/api/stock/metals').flush(rows);
  await fixture.whenStable();
}

async function fill(values: Readonly<Record<string, string>>) {
  for (const label of host().querySelectorAll('label')) {
    const [key] = Object.keys(values).filter((k) => label.textContent!.trim().startsWith(k));
    const input = key && label.querySelector('input');
    if (!input) continue;
    input.value = values[key]!;
    input.dispatchEvent(new Event('input'));
  }
  await fixture.whenStable();
}

const WRITTEN = { Name: 'S355, heat 4411', Yield: '388', Break: '521', Where: 'mill sheet 4411' };

it('an empty room says what it is for; a metal is written down and kept', async () => {
  await show();
  expect(host().textContent).toContain('None yet.');
  button('Metal').click();
  await fixture.whenStable();
  await fill(WRITTEN);
  button('Keep it').click();
  const sent = http.expectOne({ method: 'POST', url: '/api/stock/metals' });
  expect(sent.request.body).toEqual(PLATE);
  sent.flush(row());
  await fixture.whenStable();
  expect(host().querySelector('article')!.textContent).toContain('yield 388 · break 521 MPa');
  expect(host().querySelector('form')).toBeNull();
});

it('a bad number names the field and its range, and nothing is sent or lost', async () => {
  await show();
  button('Metal').click();
  await fixture.whenStable();
  await fill({ ...WRITTEN, Yield: 'strong' });
  button('Keep it').click();
  await fixture.whenStable();
  expect(host().querySelector('form [role=alert]')!.textContent).toMatch(/Yield: must be a number, allowed: 10 to 2000 MPa/);
  expect(host().querySelector<HTMLInputElement>('form input')!.value).toBe('S355, heat 4411');
  http.verify();
});

it('a change names the version it was made on; one made elsewhere meanwhile is told', async () => {
  await show([row(PLATE, 3)]);
  button('Change').click();
  await fixture.whenStable();
  await fill({ Yield: '380' });
  button('Keep it').click();
  const sent = http.expectOne(`/api/stock/metals/${PLATE.id}?version=3`);
  expect([sent.request.method, sent.request.body.fy]).toEqual(['PUT', 380]);
  sent.flush({ title: 'This row was changed elsewhere since it was opened' }, { status: 409, statusText: 'Conflict' });
  await fixture.whenStable();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('changed elsewhere');
  expect(host().querySelector('form')).not.toBeNull();
});

it('a row taken out can be put back', async () => {
  await show([row()]);
  button('Take out').click();
  http
    .expectOne({ method: 'DELETE', url: `/api/stock/metals/${PLATE.id}` })
    .flush(null, { status: 204, statusText: 'No Content' });
  await fixture.whenStable();
  expect(host().querySelector('article')).toBeNull();
  button('Put it back').click();
  http.expectOne({ method: 'POST', url: '/api/stock/metals' }).flush(row());
  await fixture.whenStable();
  expect(host().querySelector('article')!.textContent).toContain('heat 4411');
});

it('a server that does not answer is said, and asked again', async () => {
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
  fixture = TestBed.createComponent(StockPage);
  http = TestBed.inject(HttpTestingController);
  http.expectOne('/api/stock/metals').error(new ProgressEvent('error'));
  await fixture.whenStable();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('The server does not answer.');
  button('Try again').click();
  http.expectOne('/api/stock/metals').flush([]);
  await fixture.whenStable();
  expect(host().querySelector('[role=alert]')).toBeNull();
});

it('every shelf shows all of its rows, each as wide as its heads, with a source', async () => {
  await show();
  for (const t of STOCK_TABLES) {
    button(t.name).click();
    await fixture.whenStable();
    expect([t.id, host().querySelectorAll('tbody tr').length]).toEqual([t.id, t.rows.length]);
    for (const r of t.rows)
      expect([t.id, r.length, r.every((c) => c !== '' && !c.includes('NaN'))]).toEqual([t.id, t.heads.length, true]);
    expect(t.source).not.toBe('');
  }
  expect(STOCK_TABLES[0]!.rows).toHaveLength(METALS.length);
});
