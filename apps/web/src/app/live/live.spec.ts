import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { SessionDesk } from '../people/session';
import { Live, type Saved } from './live';

/** A stream that says what the test says. */
class TestStream extends EventTarget {
  static readonly CLOSED = 2;
  static opened: TestStream[] = [];
  readyState = 1;
  constructor(readonly url: string) {
    super();
    TestStream.opened.push(this);
  }
  tell(event: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(event, { data: JSON.stringify(data) }));
  }
}
const before = globalThis.EventSource;
const locks = Object.getOwnPropertyDescriptor(navigator, 'locks');
let http: HttpTestingController;
let live: Live;
beforeEach(() => {
  jest.useFakeTimers();
  TestStream.opened = [];
  globalThis.EventSource = TestStream as unknown as typeof EventSource;
  // No other tab listens for this one.
  Object.defineProperty(navigator, 'locks', { value: undefined, configurable: true });
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  http = TestBed.inject(HttpTestingController);
  live = TestBed.inject(Live);
});
afterEach(() => {
  jest.useRealTimers();
  globalThis.EventSource = before;
  if (locks) Object.defineProperty(navigator, 'locks', locks);
  else Reflect.deleteProperty(navigator, 'locks');
});
const said = () => http.match('/api/live/here').map((r) => r.request.body as { tab: string; job: string | null });

it('says which job is open here, as long as it is, and who else is in it', () => {
  live.open('a');
  const [{ tab }] = said() as [{ tab: string; job: string }];
  jest.advanceTimersByTime(20_000);
  expect(said()).toEqual([{ tab, job: 'a' }]);
  const [stream] = TestStream.opened;
  stream!.tell('here', { a: [{ tab, who: '' }], b: [{ tab: 'x', who: 'JF' }] });
  expect(live.others()).toEqual([]);
  stream!.tell('here', {
    a: [
      { tab, who: 'AM' },
      { tab: 'y', who: 'AM' },
      { tab: 'z', who: 'JF' },
      { tab: 'w', who: '' },
    ],
  });
  expect(live.others()).toEqual(['AM', 'JF', 'another tab']);
  // One's own second tab is no other person.
  TestBed.inject(SessionDesk).session.set({ lan: true, person: { initials: 'AM', name: 'A', role: 'work' } });
  expect(live.others()).toEqual(['JF', 'another tab']);
  live.open(null);
  expect(said()).toEqual([{ tab, job: null }]);
  expect(live.others()).toEqual([]);
  jest.advanceTimersByTime(60_000);
  expect(said()).toEqual([]);
});

it('hears what is saved, and nothing that is not as it should be; a stream that was refused is tried again', () => {
  const heard: Saved[] = [];
  live.saved.subscribe((s) => heard.push(s));
  const [stream] = TestStream.opened;
  stream!.tell('saved', { id: 'a', version: 3, who: 'JF' });
  stream!.tell('saved', { id: 'a' });
  expect(heard).toEqual([{ id: 'a', version: 3, who: 'JF' }]);
  stream!.dispatchEvent(new Event('error'));
  jest.advanceTimersByTime(6000);
  expect(TestStream.opened).toHaveLength(1);
  stream!.readyState = TestStream.CLOSED;
  stream!.dispatchEvent(new Event('error'));
  jest.advanceTimersByTime(6000);
  expect(TestStream.opened).toHaveLength(2);
});
