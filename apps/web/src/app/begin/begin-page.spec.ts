import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { started } from '../testing/workers';
import { BeginPage } from './begin-page';

let fixture: ComponentFixture<BeginPage>;
let http: HttpTestingController;
const host = () => fixture.nativeElement as HTMLElement;
const settle = async () => {
  await new Promise((done) => setTimeout(done));
  await fixture.whenStable();
};
const pick = async (what: string) => {
  [...host().querySelectorAll<HTMLButtonElement>('.starters button')].find((b) => b.textContent!.includes(what))!.click();
  await settle();
};
const values = () => [...host().querySelectorAll<HTMLInputElement>('.value input')];
const put = async (field: HTMLInputElement, text: string, event = 'change') => {
  field.value = text;
  field.dispatchEvent(new Event(event));
  await settle();
};
const name = (text: string) => put(host().querySelector<HTMLInputElement>('.name input')!, text, 'input');
const submit = async () => {
  host()
    .querySelector('form')!
    .dispatchEvent(new Event('submit', { cancelable: true }));
  await settle();
};

beforeEach(async () => {
  started.judge.length = 0;
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
  fixture = TestBed.createComponent(BeginPage);
  http = TestBed.inject(HttpTestingController);
  await settle();
});
afterEach(() => http.verify());

it('shows a dozen trades and an empty job, each with its plate drawn', () => {
  expect(host().querySelectorAll('.starters button')).toHaveLength(13);
  expect(host().querySelectorAll('.starters path.plate')).toHaveLength(13);
  expect(host().querySelector('form')!.textContent).toContain('Pick what comes nearest');
});

it('the six values that matter, all assumed, and the answer, anew with each that is said', async () => {
  await pick('Ladder bracket');
  expect(values()).toHaveLength(6);
  expect([...host().querySelectorAll('.from')].map((f) => f.textContent)).toEqual(Array(6).fill('◇ assumed'));
  const worker = started.judge.at(-1)!;
  worker.answer();
  await settle();
  expect(host().querySelector('.answer')!.textContent).toMatch(/holds\s*Washer crush 0\.\d\d/);
  await put(values()[0]!, 'heavy');
  expect(host().querySelector('.from')!.textContent).toBe('◇ assumed');
  expect(host().querySelector('[role=alert]')!.textContent).toMatch(/not a number.*allowed/);
  await put(values()[0]!, '15 kN');
  expect(host().querySelector('[role=alert]')).toBeNull();
  expect(host().querySelector('.from')!.textContent).toBe('measured');
  worker.answer();
  await settle();
  expect(host().querySelector('.answer')!.className).toContain('fails');
});

it('asks for a name, then puts a whole job on the rack and opens it where the answer is', async () => {
  const go = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  await pick('Winch');
  await submit();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('Name: nothing was typed');
  await name('  Anchor winch, Teal ');
  await put(values()[0]!, 'heavy');
  await submit();
  expect(host().querySelector('form')!.textContent).toContain('One of the values does not read yet');
  await put(values()[0]!, '6 kN');
  await submit();
  const post = http.expectOne({ method: 'POST', url: '/api/jobs' });
  const job = post.request.body as { id: string; name: string; loads: { values: Record<string, { v: number; from: string }> }[] };
  expect(job).toMatchObject({ name: 'Anchor winch, Teal', family: 'winch' });
  expect(job.loads[0]!.values['pull']).toMatchObject({ v: 6000, from: 'measured' });
  post.flush({ version: 1 });
  await settle();
  expect(go).toHaveBeenCalledWith(['/job', job.id, 'lay-out']);
});

it('an empty job begins at its loads; a server that is away is said, and nothing typed is lost', async () => {
  const go = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  await pick('Something else');
  expect(values()).toHaveLength(0);
  await name('Odd one');
  await submit();
  http.expectOne({ method: 'POST', url: '/api/jobs' }).error(new ProgressEvent('error'));
  await settle();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('does not answer');
  await submit();
  const post = http.expectOne({ method: 'POST', url: '/api/jobs' });
  expect((post.request.body as { name: string }).name).toBe('Odd one');
  post.flush({ version: 1 });
  await settle();
  expect(go.mock.calls[0]![0]).toEqual(['/job', expect.any(String), 'load']);
});
