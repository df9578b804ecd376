import { DateTime } from 'luxon';
import { isRefusal } from '../units/refusal';
import { USUAL_PRODUCTS } from '../stock/products';
import { USUAL_SHOP, type ShopSettings } from '../stock/shop-settings';
import type { Making } from '../job/making';
import { calendarOf, whenWords, type Calendar } from './calendar';
import { scheduled, type Operation, type Schedule } from './schedule';

const MONDAY = '2026-03-02';
const shop = (x: Partial<ShopSettings> = {}): ShopSettings => ({ ...USUAL_SHOP, zone: 'UTC', people: 1, ...x });
const calendar = (x: Partial<ShopSettings> = {}, making: Making = {}) => calendarOf(shop(x), making, MONDAY) as Calendar;
const op = (id: string, minutes: number, after: string[] = [], x: Partial<Operation> = {}): Operation => ({
  id,
  name: id,
  says: '',
  minutes,
  hands: 1,
  after,
  ...x,
});
const plan = (route: Operation[], c: Calendar = calendar()) => scheduled(route, c) as Schedule;
const times = (s: Schedule) =>
  s.operations.map((o) => `${o.id} ${whenWords(o.start, 'UTC')} ${whenWords(o.end, 'UTC').slice(-5)}`);

describe('the route on the shop’s days', () => {
  it('goes on the next open day where a day is full, and over the weekend (by hand: 8:00 to 16:30 are 510 min)', () => {
    const s = plan([op('A', 500), op('B', 100, ['A'])], calendar({}, { start: '2026-03-06' }));
    expect(times(s)).toEqual(['A Fri 6 Mar, 08:00 16:20', 'B Fri 6 Mar, 16:20 09:30']);
    expect(whenWords(s.finish, 'UTC')).toBe('Mon 9 Mar, 09:30');
  });
  it('what must be done in one go waits for the next morning', () => {
    expect(times(plan([op('A', 500), op('B', 100, ['A'], { whole: true })]))[1]).toBe('B Tue 3 Mar, 08:00 09:40');
  });
  it('two pairs of hands work beside each other, one alone does the longer way first', () => {
    const route = [op('short', 60), op('long', 60), op('then', 120, ['long'])];
    expect(times(plan(route, calendar({ people: 2 })))).toEqual([
      'short Mon 2 Mar, 08:00 09:00',
      'long Mon 2 Mar, 08:00 09:00',
      'then Mon 2 Mar, 09:00 11:00',
    ]);
    const alone = plan(route);
    expect(times(alone)[0]).toBe('long Mon 2 Mar, 08:00 09:00');
    expect(whenWords(alone.finish, 'UTC')).toBe('Mon 2 Mar, 12:00');
  });
  it('two of one shop’s hands at the most; a helper is asked for where it has one', () => {
    const [a] = plan([op('A', 60, [], { hands: 2 })]).operations;
    expect(a).toMatchObject({ short: true });
    expect(plan([op('A', 60, [], { hands: 2 })], calendar({ people: 2 })).operations[0]).toMatchObject({ short: false });
  });
  it('cures day and night by the temperature of each day (by hand: half at 24 h, half at 10 h)', () => {
    const product = { ...USUAL_PRODUCTS.adhesive, from: 5, to: 40 };
    const points = USUAL_PRODUCTS.adhesive.cure[0].points;
    const glue = op('glue', 30, [], { cure: { product, points, step: 'clamps off' } });
    const at = (making: Making) => plan([glue, op('B', 10, ['glue'])], calendar({}, making)).operations[0]!;
    const warm = at({ temperature: 25 });
    expect(warm.ready - warm.end).toBeCloseTo(600, -1);
    const cold = at({ temperature: 15 });
    expect(cold.ready - cold.end).toBeCloseTo(1440, -1);
    // Monday from 8:30 at 15 °C for 15.5 of 24 h, the rest at 25 °C.
    const both = at({ temperature: 25, days: { [MONDAY]: 15 } });
    expect((both.ready - both.end) / 60).toBeCloseTo(15.5 + (1 - 15.5 / 24) * 10, 1);
  });
  it('refuses a cure on a day that is too cold, by the day and the range', () => {
    const glue = op('glue', 30, [], {
      cure: { product: USUAL_PRODUCTS.adhesive, points: USUAL_PRODUCTS.adhesive.cure[0].points, step: 'x' },
    });
    const no = scheduled([glue], calendar({}, { temperature: 20, days: { '2026-03-02': -2 } }));
    expect(isRefusal(no) && `${no.field}: ${no.because} (${no.allowed})`).toBe(
      'glue: epoxy adhesive at −2 °C on 2026-03-02 (10 °C to 35 °C: warm it, or wait)',
    );
  });
  it('out of doors by daylight only; put off to a day; a closed day is left out', () => {
    const light = calendar({}, { daylight: { from: '10:00', to: '15:00' } });
    expect(times(plan([op('A', 60, [], { outdoors: true })], light))).toEqual(['A Mon 2 Mar, 10:00 11:00']);
    expect(times(plan([op('A', 60, [], { notBefore: '2026-03-05' })]))).toEqual(['A Thu 5 Mar, 08:00 09:00']);
    expect(times(plan([op('A', 60)], calendar({ closed: [MONDAY, '2026-03-03'] })))).toEqual(['A Wed 4 Mar, 08:00 09:00']);
  });
  it('names what the finish hangs on: work, a wait, or hands that were busy', () => {
    const s = plan([op('A', 60, [], { waitHours: 30 }), op('B', 60), op('C', 30, ['A', 'B'])]);
    expect(s.chain).toEqual(['A', 'C']);
    expect(plan([op('A', 60), op('B', 120)]).chain).toEqual(['B', 'A']);
  });
  it('an hour that the clocks take is no working hour lost (Europe/London, 29 March 2026)', () => {
    const s = plan(
      [op('A', 510 * 2)],
      calendar({ zone: 'Europe/London', week: Array(7).fill({ from: '08:00', to: '16:30' }) }, { start: '2026-03-28' }),
    );
    expect(DateTime.fromMillis(s.finish * 60_000, { zone: 'Europe/London' }).toISO()).toBe('2026-03-29T16:30:00.000+01:00');
  });
  it('refuses a shop that never opens, a circle, and work that no day is long enough for', () => {
    const because = (x: unknown) => (isRefusal(x) ? x.because : '');
    expect(because(calendarOf(shop({ week: Array(7).fill(null) }), {}, MONDAY))).toMatch(/closed every day of the week/);
    expect(because(scheduled([op('A', 1, ['B']), op('B', 1, ['A'])], calendar()))).toBe('A, B wait for each other');
    expect(because(scheduled([op('A', 600, [], { whole: true })], calendar()))).toMatch(/600 min in one go/);
  });
});
