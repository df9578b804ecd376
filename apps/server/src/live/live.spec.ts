import type { AddressInfo } from 'node:net';
import { get, type IncomingMessage } from 'node:http';
import { DEMO_RACK } from '../demo/lake-sorrow';
import { served } from '../testing/served';

const [winch] = DEMO_RACK;
const s = served([winch!]);
const server = s.app.listen(0, '127.0.0.1');
const open: IncomingMessage[] = [];
beforeAll(() => new Promise((ready) => (server.listening ? ready(null) : server.once('listening', ready))));
afterAll(() => {
  open.forEach((r) => r.destroy());
  server.close();
});
const address = () => `http://127.0.0.1:${(server.address() as AddressInfo).port}`;

/** A browser that listens; `next` is the next event of a name. */
function listen(path = '/api/live'): Promise<{ status: number; next(event: string): Promise<unknown>; res: IncomingMessage }> {
  return new Promise((resolve) => {
    get(`${address()}${path}`, (res) => {
      open.push(res);
      let text = '';
      const waiting: (() => void)[] = [];
      res.setEncoding('utf8');
      res.on('data', (d: string) => {
        text += d;
        waiting.splice(0).forEach((f) => f());
      });
      const next = async (event: string): Promise<unknown> => {
        for (;;) {
          const m = new RegExp(`event: ${event}\\ndata: (.*)\\n\\n`).exec(text);
          if (m) {
            text = text.slice(m.index + m[0].length);
            return JSON.parse(m[1]!);
          }
          await new Promise<void>((f) => waiting.push(f));
        }
      };
      resolve({ status: res.statusCode!, next, res });
    });
  });
}
const here = (tab: string, job: string | null) => s.http.post('/api/live/here').send({ tab, job });

it('who has a job open, and what is saved in it, is heard by every browser', async () => {
  const [a, b] = [await listen(), await listen()];
  expect(await a.next('here')).toEqual({});
  await here('tab-aaaaaaa', winch!.id).expect(204);
  expect(await a.next('here')).toEqual({ [winch!.id]: [{ tab: 'tab-aaaaaaa', who: '' }] });
  await here('tab-bbbbbbb', winch!.id).expect(204);
  expect(await a.next('here')).toMatchObject({ [winch!.id]: [{ tab: 'tab-aaaaaaa' }, { tab: 'tab-bbbbbbb' }] });
  await s.http.put(`/api/jobs/${winch!.id}`).set('If-Match', '"1"').send(winch).expect(200);
  for (const x of [a, b]) expect(await x.next('saved')).toEqual({ id: winch!.id, version: 2, who: '' });
  await here('tab-aaaaaaa', null).expect(204);
  expect(await a.next('here')).toEqual({ [winch!.id]: [{ tab: 'tab-bbbbbbb', who: '' }] });
  await here('x', winch!.id).expect(422);
});

it('listeners are counted: no one takes all, and one that is gone makes room', async () => {
  const before = open.length;
  const more = await Promise.all(Array.from({ length: 200 }, () => listen()));
  const refused = more.filter((m) => m.status === 503);
  expect(refused).toHaveLength(before);
  more.forEach((m) => m.res.destroy());
  await new Promise((done) => setTimeout(done, 200));
  expect((await listen()).status).toBe(200);
});

it('a bench is heard by a few, not by a thousand', async () => {
  const all = await Promise.all(Array.from({ length: 6 }, () => listen('/api/bench/bench-12345/stream')));
  expect(all.filter((x) => x.status === 200)).toHaveLength(4);
});
