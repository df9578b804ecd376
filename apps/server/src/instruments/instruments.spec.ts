import { served } from '../testing/served';
import { get, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { InstrumentFault, InstrumentReading, InstrumentState } from '@core/formats/instrument-messages';
import { StandIn } from './stand-in';

const half = () => 0.5;

describe('a stand-in', () => {
  it('shows what it lies on to its own step, in mm and inches (25.4 mm, exact)', () => {
    const c = new StandIn('caliper', half);
    c.lies(124.534, undefined);
    expect(c.press('send')).toMatchObject({ kind: 'reading', text: '124.53 mm', held: false, zero: '' });
    c.press('unit');
    // 124.534 / 25.4 = 4.90291…, to the next half thou.
    expect(c.press('send')).toMatchObject({ text: '4.9030 in' });
    const t = new StandIn('tape', half);
    t.lies(1234.3, undefined);
    expect(t.press('send')).toMatchObject({ text: '1234.5 mm' });
    const a = new StandIn('angle', half);
    a.lies(-12.34, undefined);
    a.press('unit');
    expect(a.press('send')).toMatchObject({ text: '-12.3°' });
  });
  it('scatters within its own bounds', () => {
    let seed = 1;
    const c = new StandIn('caliper', () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647);
    c.lies(50, undefined);
    const seen = Array.from({ length: 200 }, () => Number((c.press('send') as { text: string }).text.replace(' mm', '')));
    expect(Math.max(...seen) - Math.min(...seen)).toBeGreaterThan(0.01);
    for (const v of seen) expect(Math.abs(v - 50)).toBeLessThanOrEqual(0.025);
  });
  it.each([
    ['caliper', 0, 300, '99.98 mm', '100.02 mm', '3.9360 in', '3.9380 in', 'mm'],
    ['tape', 20, 30_000, '499.5 mm', '500.5 mm', '19.6563 in', '19.7188 in', 'mm'],
    ['angle', -180, 180, '-0.1°', '0.1°', '-0.1°', '0.1°', '°'],
  ] as const)(
    '%s: starts somewhere, reads from %d to %d and no further, scatters so much each way (makers, common practice)',
    (kind, low, high, ...told) => {
      let at = 0;
      const i = new StandIn(kind, () => at);
      const send = (random: number) => {
        at = random;
        return (i.press('send') as { text: string }).text;
      };
      const mm = [send(0), send(1)];
      const unit = i.state().unit;
      i.press('unit');
      expect([...mm, send(0), send(1), unit]).toEqual(told);
      expect(i.state().unit).toBe(kind === 'angle' ? '°' : 'in');
      i.press('unit');
      expect(i.state().unit).toBe(unit);
      for (const [on, kind2] of [
        [low, 'reading'],
        [high, 'reading'],
        [low - 0.01, 'fault'],
        [high + 0.01, 'fault'],
      ] as const) {
        i.lies(on, undefined);
        expect([on, i.press('send')!.kind]).toEqual([on, kind2]);
      }
    },
  );
  it('a display shows what is held, from its zero; a loose plug loses every other reading, the first with it', () => {
    const c = new StandIn('caliper', half);
    c.lies(30, undefined);
    c.press('zero');
    c.lies(42, undefined);
    c.press('hold');
    c.lies(77, undefined);
    expect(c.state()).toMatchObject({
      display: '12.00 mm',
      held: true,
      zero: '30.00 mm',
      on: 77,
      fault: 'none',
      lowBattery: false,
    });
    const d = new StandIn('caliper', half);
    d.lies(undefined, 'drops readings');
    expect([1, 2, 3, 4].map(() => d.press('send')!.kind)).toEqual(['fault', 'reading', 'fault', 'reading']);
  });
  it('holds, and counts from zero, and says so with the reading', () => {
    const c = new StandIn('caliper', half);
    c.lies(20, undefined);
    c.press('hold');
    c.lies(70, undefined);
    expect(c.press('send')).toMatchObject({ text: '20.00 mm', held: true });
    c.press('hold');
    c.lies(20, undefined);
    c.press('zero');
    c.lies(70, undefined);
    expect(c.press('send')).toMatchObject({ text: '50.00 mm', zero: '20.00 mm' });
    c.press('zero');
    expect(c.press('send')).toMatchObject({ text: '70.00 mm', zero: '' });
  });
  it('faults are said, never swallowed', () => {
    const c = new StandIn('caliper', half);
    c.lies(undefined, 'low battery');
    expect(c.press('send')).toMatchObject({ kind: 'fault', says: expect.stringContaining('low battery') });
    expect(c.state().lowBattery).toBe(true);
    c.lies(undefined, 'drops readings');
    expect([c.press('send')!.kind, c.press('send')!.kind]).toContain('fault');
    c.lies(400, 'none');
    expect(c.press('send')).toEqual({ kind: 'fault', says: 'outside its range of 0 to 300 mm: no reading' });
    expect(c.state().display).toBe('— — —');
  });
});

describe('the bench over server-sent events', () => {
  const { app } = served();
  const server = app.listen(0, '127.0.0.1');
  beforeAll(() => new Promise((ready) => (server.listening ? ready(null) : server.once('listening', ready))));
  afterAll(() => server.close());
  const port = () => (server.address() as AddressInfo).port;

  /** Opens a stream and collects its events. */
  async function listen(bench: string) {
    const events: { event: string; data: unknown }[] = [];
    const stream = await new Promise<IncomingMessage>((resolve) =>
      get(`http://127.0.0.1:${port()}/api/bench/${bench}/stream?seed=7`, resolve),
    );
    stream.setEncoding('utf8').on('data', (text: string) => {
      for (const m of text.matchAll(/event: (\w+)\ndata: (.*)\n/g)) events.push({ event: m[1]!, data: JSON.parse(m[2]!) });
    });
    const until = async (n: number) => {
      for (let k = 0; k < 200 && events.length < n; k++) await new Promise((r) => setTimeout(r, 5));
      return events;
    };
    return { stream, until };
  }

  it('says its state on opening; a press sends the reading, a fault is an event of its own; the wire is as the schema says', async () => {
    const { stream, until } = await listen('bench-number-1');
    const first = await until(3);
    expect(first.map((e) => InstrumentState.parse(e.data).instrument)).toEqual(['caliper', 'tape', 'angle']);
    await request(server).post('/api/bench/bench-number-1/caliper/lies').send({ on: 81.2 }).expect(204);
    await request(server).post('/api/bench/bench-number-1/caliper/press').send({ button: 'send' }).expect(204);
    await request(server).post('/api/bench/bench-number-1/caliper/lies').send({ fault: 'low battery' }).expect(204);
    await request(server).post('/api/bench/bench-number-1/caliper/press').send({ button: 'send' }).expect(204);
    const all = await until(8);
    const reading = InstrumentReading.parse(all.find((e) => e.event === 'reading')!.data);
    expect(Number(reading.text.replace(' mm', ''))).toBeCloseTo(81.2, 1);
    expect(reading.seq).toBe(1);
    expect(InstrumentFault.parse(all.find((e) => e.event === 'fault')!.data).says).toContain('low battery');
    stream.destroy();
  });
  it('a seed gives the same readings again; two tabs of one bench hear the same, and it stands until both are gone', async () => {
    const texts = async (bench: string) => {
      const { stream, until } = await listen(bench);
      const second = await listen(bench);
      await until(3);
      await second.until(3);
      for (let k = 0; k < 4; k++)
        await request(server).post(`/api/bench/${bench}/tape/press`).send({ button: 'send' }).expect(204);
      const heard = (await until(11)).filter((e) => e.event === 'reading').map((e) => InstrumentReading.parse(e.data));
      expect((await second.until(11)).filter((e) => e.event === 'reading').map((e) => InstrumentReading.parse(e.data))).toEqual(
        heard,
      );
      stream.destroy();
      for (let k = 0; k < 20; k++) await new Promise((r) => setTimeout(r, 5));
      await request(server).post(`/api/bench/${bench}/tape/press`).send({ button: 'hold' }).expect(204);
      second.stream.destroy();
      expect(heard.map((h) => [h.seq, h.name])).toEqual([1, 2, 3, 4].map((n) => [n, 'tape or laser stand-in']));
      return heard.map((h) => h.text);
    };
    const first = await texts('bench-number-3');
    expect(await texts('bench-number-4')).toEqual(first);
    expect(new Set(first).size).toBeGreaterThan(1);
    await request(server).get('/api/bench/bench-number-5/stream?seed=-1').expect(404);
  });
  it('refuses what it does not know by name, and a bench that is not open', async () => {
    const { stream, until } = await listen('bench-number-2');
    await until(3);
    await request(server).post('/api/bench/bench-number-2/ruler/press').send({ button: 'send' }).expect(404);
    await request(server).post('/api/bench/nobody-here/caliper/press').send({ button: 'send' }).expect(404);
    const bad = await request(server).post('/api/bench/bench-number-2/caliper/press').send({ button: 'kick' }).expect(422);
    expect(bad.body.detail).toContain('button');
    const far = await request(server).post('/api/bench/bench-number-2/caliper/lies').send({ on: 99_999 }).expect(422);
    expect(far.body.detail).toContain('allowed: −180 to 30000');
    await request(server).get('/api/bench/x/stream').expect(404);
    stream.destroy();
    for (let k = 0; k < 50; k++) await new Promise((r) => setTimeout(r, 5));
    await request(server).post('/api/bench/bench-number-2/caliper/press').send({ button: 'send' }).expect(404);
  });
});
