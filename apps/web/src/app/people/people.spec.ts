import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Door } from './door';
import { PeoplePage } from './people-page';
import { atTheDoor, SessionDesk, type Person } from './session';

const anna: Person = { initials: 'AM', name: 'Anna Meer', role: 'work' };
let http: HttpTestingController;
let desk: SessionDesk;
beforeEach(() => {
  TestBed.configureTestingModule({
    providers: [provideHttpClient(withInterceptors([atTheDoor])), provideHttpClientTesting(), provideRouter([])],
  });
  http = TestBed.inject(HttpTestingController);
  desk = TestBed.inject(SessionDesk);
});
afterEach(() => http.verify());
const settle = async (fixture: ComponentFixture<unknown>) => {
  await new Promise((done) => setTimeout(done));
  await fixture.whenStable();
};
const known = async (lan: boolean, person: Person | null) => {
  const asked = desk.fetch();
  http.expectOne('/api/session').flush({ lan, person });
  await asked;
};

describe('who sits here', () => {
  it('nobody has to say on one machine, and may do all of it', async () => {
    await known(false, null);
    expect([desk.outside(), desk.may('keep')]).toEqual([false, true]);
  });
  it('on the shop’s network a stranger stands outside; somebody in may what the role may', async () => {
    await known(true, null);
    expect([desk.outside(), desk.may('look')]).toEqual([true, false]);
    await known(true, anna);
    expect([desk.outside(), desk.may('work'), desk.may('sign')]).toEqual([false, true, false]);
  });
  it('a session that is over shows the door; a server that is away does not', async () => {
    await known(true, anna);
    const ask = () =>
      TestBed.inject(HttpClient)
        .get('/api/jobs')
        .subscribe({ error: () => undefined });
    ask();
    http.expectOne('/api/jobs').error(new ProgressEvent('error'));
    expect(desk.outside()).toBe(false);
    const again = desk.fetch();
    http.expectOne('/api/session').error(new ProgressEvent('error'));
    await again;
    expect(desk.person()).toEqual(anna);
    ask();
    http.expectOne('/api/jobs').flush({}, { status: 401, statusText: 'no' });
    expect(desk.outside()).toBe(true);
  });
});

describe('the door', () => {
  it('says why it stays shut, and lets in', async () => {
    await known(true, null);
    const fixture = TestBed.createComponent(Door);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const [initials, passphrase] = [...host.querySelectorAll('input')];
    const enter = async (words: string) => {
      [initials!.value, passphrase!.value] = [' am ', words];
      host.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
      await fixture.whenStable();
      return http.expectOne({ method: 'POST', url: '/api/session' });
    };
    const first = await enter('wrong words here');
    expect(first.request.body).toEqual({ initials: 'am', passphrase: 'wrong words here' });
    first.flush({ detail: 'initials or passphrase are not right' }, { status: 401, statusText: 'no' });
    await settle(fixture);
    expect(host.querySelector('[role=alert]')!.textContent).toContain('not right');
    expect(passphrase!.type).toBe('password');
    host.querySelector<HTMLInputElement>('[type=checkbox]')!.dispatchEvent(new Event('change'));
    expect(passphrase!.type).toBe('text');
    (await enter('right words here')).flush({ lan: true, person: anna });
    await settle(fixture);
    expect(desk.person()).toEqual(anna);
  });
});

describe('the people page', () => {
  it('lets in, changes and sends away, and says what was refused', async () => {
    await known(false, null);
    const fixture = TestBed.createComponent(PeoplePage);
    const host = fixture.nativeElement as HTMLElement;
    const answer = async (people: readonly Person[], method = 'GET', url = '/api/people') => {
      const asked = http.expectOne({ method, url });
      asked.flush({ people: people.map((p) => ({ ...p, lockedUntil: '' })), kept: false });
      await settle(fixture);
      http.expectOne('/api/deeds').flush([{ at: '2026-03-14T10:00', who: '', did: 'let in', of: 'AM', detail: '' }]);
      await settle(fixture);
      return asked.request.body as unknown;
    };
    await answer([]);
    expect(host.textContent).toContain('listens on this machine only');
    const put = (name: string, value: string) => (host.querySelector<HTMLInputElement>(`.fresh [name=${name}]`)!.value = value);
    put('initials', 'am');
    put('name', 'Anna Meer');
    put('passphrase', 'short');
    const submit = () => host.querySelector('.fresh')!.dispatchEvent(new Event('submit', { cancelable: true }));
    submit();
    http
      .expectOne({ method: 'POST', url: '/api/people' })
      .flush({ detail: 'passphrase: it is 5 characters long' }, { status: 422, statusText: 'no' });
    await settle(fixture);
    expect(host.querySelector('[role=alert]')!.textContent).toContain('5 characters long');
    put('passphrase', 'brass tacks and tallow');
    submit();
    // The first one let in keeps the shop, unless something else is said.
    expect(await answer([anna], 'POST')).toEqual({
      initials: 'am',
      name: 'Anna Meer',
      role: 'keep',
      passphrase: 'brass tacks and tallow',
    });
    expect(host.querySelector('[role=status]')!.textContent).toContain('Anna Meer may come in.');
    expect(host.querySelector('.deeds')!.textContent).toContain('at the machine');
    const select = host.querySelector<HTMLSelectElement>('tbody select')!;
    select.value = 'sign';
    select.dispatchEvent(new Event('change'));
    expect(await answer([anna], 'PUT', '/api/people/AM')).toEqual({ name: 'Anna Meer', role: 'sign' });
    host.querySelector<HTMLButtonElement>('[aria-label="Send Anna Meer away"]')!.click();
    await answer([], 'DELETE', '/api/people/AM');
    expect(host.textContent).toContain('Nobody yet.');
  });
});
