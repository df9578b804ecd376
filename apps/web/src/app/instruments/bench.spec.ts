import { TestBed } from '@angular/core/testing';
import type { InstrumentState } from '@core/formats/instrument-messages';
import { Bench, type Landing } from './bench';

/** Stands in for the browser's EventSource: the test speaks as the server. */
class Wire extends EventTarget {
  static last: Wire;
  closed = false;
  constructor(readonly url: string) {
    super();
    Wire.last = this;
  }
  close(): void {
    this.closed = true;
  }
  say(event: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(event, { data: typeof data === 'string' ? data : JSON.stringify(data) }));
  }
}

const at = '2026-05-02T10:00:00.000Z';
const reading = (text: string, more = {}) => ({
  seq: 1,
  at,
  instrument: 'caliper',
  name: 'caliper stand-in',
  text,
  held: false,
  zero: '',
  ...more,
});
const state: InstrumentState = {
  instrument: 'caliper',
  name: 'caliper stand-in',
  display: '100.00 mm',
  unit: 'mm',
  held: false,
  zero: '',
  lowBattery: false,
  fault: 'none',
  on: 100,
  range: '0 to 300 mm',
};

let bench: Bench;
let taken: string[];
const landing = (ok = true): Landing => ({
  name: () => 'Skin thickness',
  take: (text, _at, by) => {
    if (ok) taken.push(`${text} by ${by}`);
    return { taken: ok, says: ok ? 'in Skin thickness.' : 'not taken.' };
  },
});
const posts: { url: string; body: unknown }[] = [];
let answer: () => Promise<Partial<Response>>;

beforeEach(() => {
  taken = [];
  posts.length = 0;
  answer = () => Promise.resolve({ ok: true });
  (globalThis as any).EventSource = Wire;
  (globalThis as any).fetch = (url: string, init: { body: string }) => {
    posts.push({ url, body: JSON.parse(init.body) });
    return answer();
  };
  bench = TestBed.inject(Bench);
  bench.open();
});

it('opens one stream and keeps the state of each instrument', () => {
  bench.open();
  Wire.last.say('state', state);
  Wire.last.say('state', { ...state, display: '81.20 mm' });
  expect(bench.states().map((s) => s.display)).toEqual(['81.20 mm']);
  bench.close();
  expect(Wire.last.closed).toBe(true);
});

it('a reading lands in the field that was clicked into, with its instrument; hold and zero are said', () => {
  bench.landing.set(landing());
  Wire.last.say('reading', reading('6.35 mm'));
  expect(taken).toEqual(['6.35 mm by caliper stand-in']);
  expect(bench.said()).toEqual({ text: '6.35 mm: in Skin thickness.', bad: false });
  Wire.last.say('reading', reading('6.35 mm', { held: true, zero: '12.00 mm' }));
  expect(bench.said()!.text).toBe('6.35 mm, on hold, zeroed at 12.00 mm: in Skin thickness.');
});

it('without a field, and where the field refuses, it is said and not swallowed', () => {
  Wire.last.say('reading', reading('6.35 mm'));
  expect(bench.said()).toEqual({ text: expect.stringContaining('click into a field first'), bad: true });
  bench.landing.set(landing(false));
  Wire.last.say('reading', reading('6.35 mm'));
  expect(bench.said()).toEqual({ text: '6.35 mm: not taken.', bad: true });
});

it('a fault, and rubbish on the wire, are said', () => {
  Wire.last.say('fault', { seq: 2, at, instrument: 'caliper', name: 'caliper stand-in', says: 'low battery: not sent' });
  expect(bench.said()).toEqual({ text: 'caliper stand-in: low battery: not sent.', bad: true });
  Wire.last.say('reading', '{"text": 4');
  expect(bench.said()!.text).toContain('cannot be read');
  Wire.last.say('reading', { text: 'no' });
  expect(bench.said()!.text).toContain('cannot be read');
});

it('a lost link is shown, and back again', () => {
  Wire.last.dispatchEvent(new Event('error'));
  expect(bench.link()).toBe('lost');
  Wire.last.dispatchEvent(new Event('open'));
  expect(bench.link()).toBe('open');
});

it('a press goes to this tab’s own bench; what the server refuses is said', async () => {
  await bench.press('caliper', 'send');
  expect(posts[0]!.body).toEqual({ button: 'send' });
  expect(posts[0]!.url).toBe(Wire.last.url.replace('/stream', '/caliper/press'));
  answer = () => Promise.resolve({ ok: false, json: () => Promise.resolve({ detail: 'on: allowed: −180 to 30000' }) } as any);
  await bench.lies('caliper', { on: 99_999 });
  expect(bench.said()!.text).toContain('allowed: −180 to 30000');
  answer = () => Promise.reject(new TypeError('away'));
  await bench.press('tape', 'hold');
  expect(bench.said()!.text).toContain('the server is away');
});
