import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { LinksCard } from './links-card';

const link = (mark: string) => ({ mark, madeBy: 'AM', madeAt: '2026-03-01T08:00:00.000Z', until: '2026-03-15T08:00:00.000Z' });

let fixture: ComponentFixture<LinksCard>;
let http: HttpTestingController;
const host = () => fixture.nativeElement as HTMLElement;
const settle = async () => {
  await new Promise((done) => setTimeout(done));
  await fixture.whenStable();
};
const press = (words: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words))!.click();

beforeEach(async () => {
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  fixture = TestBed.createComponent(LinksCard);
  fixture.componentRef.setInput('id', 'winch');
  http = TestBed.inject(HttpTestingController);
  await fixture.whenStable();
  http.expectOne('/api/jobs/winch/links').flush([]);
  await settle();
});
afterEach(() => http.verify());

it('makes a link for so many days, shows it once in full, lists it and ends it', async () => {
  expect(host().textContent).toContain('There are none.');
  press('Make a link');
  const made = http.expectOne({ method: 'POST', url: '/api/jobs/winch/links' });
  expect(made.request.body).toEqual({ days: 14 });
  made.flush({ path: '/link/abc', links: [link('0123456789ab')] });
  await settle();
  expect(host().querySelector<HTMLInputElement>('.fresh input')!.value).toBe(`${location.origin}/link/abc`);
  expect(host().querySelector('tbody')!.textContent).toContain('2026-03-15');
  press('End it');
  http.expectOne({ method: 'DELETE', url: '/api/jobs/winch/links/0123456789ab' }).flush([]);
  await settle();
  expect(host().textContent).toContain('There are none.');
});

it.each(['0', '366', '1.5', 'x', ''])('refuses %p days by the field’s name, and asks the server nothing', async (days) => {
  host().querySelector('input')!.value = days;
  press('Make a link');
  await settle();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('Good for, days: allowed');
});

it('says that only this machine opens it, and what the server answers', async () => {
  expect(host().textContent).toContain('only this machine can open it');
  press('Make a link');
  http
    .expectOne({ method: 'POST', url: '/api/jobs/winch/links' })
    .flush({ title: 'Not for your role' }, { status: 403, statusText: 'no' });
  await settle();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('Not for your role');
});
