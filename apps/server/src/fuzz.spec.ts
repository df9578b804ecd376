import fc from 'fast-check';
import type { WholeJob } from '@core/job/whole-job';
import { DEMO_RACK } from './demo/lake-sorrow';
import { served } from './testing/served';

/** How many requests; 50,000 in `npm run fuzz`. */
const RUNS = Number(process.env['FUZZ'] ?? 500);
const ID = 'core-sampler-winch';
const job = DEMO_RACK.find((j) => j.id === ID)! as WholeJob;

const odd = fc.oneof(
  fc.string({ maxLength: 60 }),
  fc.constantFrom(
    '..',
    '%2e%2e',
    '__proto__',
    'constructor',
    ID,
    'none',
    '-1',
    '1e999',
    'NaN',
    '0x10',
    "' OR 1=1 --",
    '\u0000',
    'null',
    '[]',
    '🛠',
  ),
  fc.integer().map(String),
);
const segment = odd.map((s) => encodeURIComponent(s) || 'x');
const paths = fc.oneof(
  fc.constantFrom(
    '/api/jobs',
    '/api/jobs/drawn',
    `/api/jobs/${ID}`,
    `/api/jobs/${ID}/versions`,
    `/api/jobs/${ID}/log`,
    `/api/jobs/${ID}/log/verify`,
    `/api/jobs/${ID}/photos`,
    `/api/jobs/${ID}/links`,
    `/api/jobs/${ID}/packet.json`,
    `/api/jobs/${ID}/archive`,
    '/api/due',
    '/api/shop',
    '/api/stock/metals',
    '/api/people',
    '/api/session',
    '/api/session/passphrase',
    '/api/live/here',
    '/api/bench/b-12345678/wrench/turn',
    '/api/demo/x',
    '/api/health',
  ),
  segment.map((s) => `/api/jobs/${s}`),
  segment.map((s) => `/api/jobs/${ID}/versions/${s}`),
  segment.map((s) => `/api/jobs/${ID}/links/${s}`),
  segment.map((s) => `/api/stock/metals/${s}`),
  segment.map((s) => `/api/people/${s}`),
  segment.map((s) => `/api/photos/${s}`),
  segment.map((s) => `/link/${s}`),
  segment.map((s) => `/api/${s}`),
);

/** A job with something wrong in it, somewhere. */
const wrong = fc
  .record({
    path: fc.array(fc.nat(30), { minLength: 1, maxLength: 6 }),
    value: fc.oneof(fc.anything(), fc.constantFrom(-1, 1e308, '', null, [[[[]]]])),
  })
  .map(({ path, value }) => {
    const copy = JSON.parse(JSON.stringify(job)) as Record<string, unknown>;
    let at: Record<string, unknown> = copy;
    for (const [i, step] of path.entries()) {
      const keys = Object.keys(at);
      if (keys.length === 0) break;
      const key = keys[step % keys.length]!;
      const next = at[key];
      if (i < path.length - 1 && typeof next === 'object' && next !== null) at = next as Record<string, unknown>;
      else {
        at[key] = value;
        break;
      }
    }
    return copy;
  });
const body = fc.oneof(
  fc.anything().map((x) => JSON.stringify(x) ?? ''),
  wrong.map((x) => JSON.stringify(x, (_k, v: unknown) => (typeof v === 'bigint' ? String(v) : v))),
  fc.string({ maxLength: 200 }),
  fc.constant('['.repeat(3000)),
  fc.constant('{"entries":[{}]}'),
  fc.constant(JSON.stringify({ entries: [{ id: 'x', body: { kind: 'signed' } }] })),
);
const requests = fc.record({
  method: fc.constantFrom('get', 'post', 'put', 'delete', 'patch', 'head', 'options'),
  path: paths,
  query: fc.dictionary(fc.constantFrom('q', 'in', 'sort', 'from', 'many', 'ids', 'after', 'version', 'state', 'small'), odd, {
    maxKeys: 3,
  }),
  match: fc.option(
    odd.map((s) => s.replace(/[^\x20-\x7e]/g, '')),
    { nil: undefined },
  ),
  type: fc.constantFrom('application/json', 'text/plain', 'image/png', 'multipart/form-data', ''),
  body,
});

it(
  `${RUNS} requests nobody meant: none is a fault of the server, and nothing changes that was not acknowledged`,
  async () => {
    const s = served(DEMO_RACK);
    const documents = () => s.store.live().map((j) => `${j.id} ${j.version} ${j.document}`);
    let before = documents().join('\n');
    await fc.assert(
      fc.asyncProperty(requests, async ({ method, path, query, match, type, body: sent }) => {
        const verb = method as 'get' | 'post' | 'put' | 'delete' | 'patch' | 'head' | 'options';
        let asked = s.http[verb](path).query(query);
        if (match !== undefined) asked = asked.set('If-Match', match);
        if (type) asked = asked.set('Content-Type', type);
        const res = await (verb === 'get' || verb === 'head' ? asked : asked.send(sent));
        expect([path, res.status >= 500 ? res.status : 'answered']).toEqual([path, 'answered']);
        if (res.status >= 400 && verb !== 'head') expect(res.headers['content-type'] ?? '').toMatch(/problem\+json|text\/plain/);
        const now = documents().join('\n');
        if (res.status >= 300 || verb === 'get' || verb === 'head') expect(now).toBe(before);
        before = now;
      }),
      { numRuns: RUNS, seed: 20_261_128, endOnFailure: true },
    );
  },
  RUNS * 40 + 30_000,
);
