import { atFoot } from '@core/job/at-foot';
import type { WholeJob } from '@core/job/whole-job';
import { judge } from '@core/chain/judge';
import { verifyChain } from '@core/prove/chain';
import { stampRefusal } from '@core/prove/stamp';
import { openDatabase } from './database/open-database';
import { DEMO_RACK } from './demo/lake-sorrow';
import { seedDemo } from './demo/seed';
import type { StoredJob } from './jobs/job-store';
import { served } from './testing/served';
import { testStores } from './testing/stores';
import { faceOf } from './verdicts/face';

const rack = () => served(DEMO_RACK);

const WINCH = '/api/jobs/core-sampler-winch';
const winch = DEMO_RACK[0]!;
const renamed = (name: string): WholeJob => ({ ...winch, name });

describe('the rack', () => {
  it('lists every demo job with its weakest link', async () => {
    const { http, judged } = rack();
    await judged();
    const { body } = await http.get('/api/jobs').expect(200);
    expect(body).toMatchObject({ total: DEMO_RACK.length, waiting: 0 });
    expect(body.tags).toHaveLength(DEMO_RACK.length);
    const tag = body.tags.find((t: { id: string }) => t.id === winch.id);
    expect(tag).toMatchObject({
      version: 1,
      judged: 1,
      archived: false,
      verdict: { state: 'fails', weakest: 'Washer crush' },
    });
    // No document is listed.
    expect(tag.job).toBeUndefined();
  });
  it('one row that does not read hangs there as such, and takes nothing with it', async () => {
    const stores = rack();
    const { db, http, judged } = stores;
    db.prepare('UPDATE job SET document = \'{"format": "mast-\' WHERE id = ?').run(winch.id);
    await judged();
    const { tags } = (await http.get('/api/jobs').expect(200)).body;
    expect(tags).toHaveLength(DEMO_RACK.length);
    const row = tags.find((t: { id?: string }) => t.id === winch.id);
    expect(row).toMatchObject({ version: 1, unreadable: expect.stringContaining('ends too early') });
    expect(tags.filter((t: { unreadable: string }) => t.unreadable === '')).toHaveLength(DEMO_RACK.length - 1);
    await http.get('/api/health').expect(200, { status: 'ok' });
    expect(seedDemo(stores)).toBe(0);
    for (const at of [WINCH, `${WINCH}/plate.dxf`, `${WINCH}/template.pdf`])
      expect((await http.get(at).expect(422)).body.detail).toContain('ends too early');
    expect((await http.put(WINCH).set('If-Match', '"3"').send(winch).expect(422)).body.detail).toContain('ends too early');
    // Its text is not lost.
    expect((await http.get(`${WINCH}/job.json`).expect(200)).text).toBe('{"format": "mast-');
    await http.get(`${WINCH}/versions/1`).expect(200);
  });
  it('a job whose judging breaks down says so on its own tag', () => {
    const judging = (job: Parameters<typeof judge>[0]) => {
      if (job.id === winch.id) throw new Error('no such row');
      return judge(job);
    };
    expect(faceOf(JSON.stringify(winch), judging).verdict).toMatchObject({
      state: 'refused',
      says: 'could not be judged: no such row',
      goodFor: null,
    });
    expect(faceOf(JSON.stringify(DEMO_RACK[1]), judging).verdict.says).toMatch(/^holds/);
  });
  it('is healthy, and says so', async () => {
    const { body } = await rack().http.get('/api/health').expect(200);
    expect(body).toEqual({ status: 'ok' });
  });
  it('takes a new job once', async () => {
    const { http } = rack();
    await http
      .post('/api/jobs')
      .send({ ...winch, id: 'another' })
      .expect(201);
    const again = await http
      .post('/api/jobs')
      .send({ ...winch, id: 'another' })
      .expect(409);
    expect(again.type).toBe('application/problem+json');
  });
  it('archives and restores', async () => {
    const { http } = rack();
    await http.post(`${WINCH}/archive`).expect(204);
    expect((await http.get(WINCH)).body.archived).toBe(true);
    await http.post(`${WINCH}/restore`).expect(204);
    expect((await http.get(WINCH)).body.archived).toBe(false);
    await http.post('/api/jobs/none/archive').expect(404);
  });
  it('seeds an empty rack only, its jobs with their books, once', () => {
    const stores = testStores(openDatabase(':memory:'));
    expect(seedDemo(stores)).toBe(DEMO_RACK.length);
    const lines = stores.book.lines('buoy-lifting-eye');
    expect(verifyChain('buoy-lifting-eye', lines)).toMatchObject({ whole: true, lines: lines.length });
    // It was stamped: nothing was open.
    const { job } = stores.store.get('buoy-lifting-eye') as StoredJob;
    expect(stampRefusal(job, stores.shop.get().settings, lines)).toBe('');
    expect(lines.length).toBeGreaterThan(40);
    expect(seedDemo(stores)).toBe(0);
    expect(stores.book.lines('buoy-lifting-eye')).toHaveLength(lines.length);
  });
});

describe('saving', () => {
  it('goes from version to version, each kept', async () => {
    const { http, store } = rack();
    await http.put(WINCH).set('If-Match', '"1"').send(renamed('One')).expect(200, { version: 2 });
    await http.put(WINCH).set('If-Match', '"2"').send(renamed('Two')).expect(200, { version: 3 });
    expect((await http.get(`${WINCH}/versions/2`)).body.job.name).toBe('One');
    expect(store.at(winch.id, 1)?.name).toBe(winch.name);
    await http.get(`${WINCH}/versions/9`).expect(404);
    const { versions: kept } = (await http.get(`${WINCH}/versions`).expect(200)).body as {
      versions: { version: number; savedAt: string }[];
    };
    expect(kept.map((v) => v.version)).toEqual([...kept.keys()].map((i) => kept.length - i));
    expect(kept[0]!.savedAt).toMatch(/^\d{4}-\d\d-\d\dT/);
    await http.get('/api/jobs/no-such/versions').expect(404);
  });
  it('a stale save changes nothing and hands back what is there', async () => {
    const { http } = rack();
    await http.put(WINCH).set('If-Match', '"1"').send(renamed('There')).expect(200);
    const { body } = await http.put(WINCH).set('If-Match', '"1"').send(renamed('Here')).expect(412);
    expect(body.current).toMatchObject({ version: 2, job: { name: 'There' } });
    expect((await http.get(WINCH)).body.job.name).toBe('There');
  });
  it('needs to know which version it replaces', async () => {
    await rack().http.put(WINCH).send(winch).expect(428);
  });
  it('a refused document leaves the job as it was, by field and range', async () => {
    const { http } = rack();
    const { version: _v, ...one } = atFoot(winch, 'F1');
    const bad = { ...one, version: 3, plate: { ...one.plate, thickness: { ...one.plate.thickness, v: -4 } } };
    const { body } = await http.put(WINCH).set('If-Match', '"1"').send(bad).expect(422);
    expect(body.detail).toMatch(/plate.thickness.v: Plate thickness — allowed: over 0 up to 100 mm/);
    expect((await http.get(WINCH)).body).toMatchObject({ version: 1, job: winch });
    await http.put('/api/jobs/other').set('If-Match', '"1"').send(winch).expect(422);
    await http
      .put('/api/jobs/other')
      .set('If-Match', '"1"')
      .send({ ...winch, id: 'other' })
      .expect(404);
  });
});

describe('edges', () => {
  it('a 40 MB body is refused by size, a cut one by name', async () => {
    const { http } = rack();
    const large = await http
      .post('/api/jobs')
      .set('Content-Type', 'application/json')
      .send(`"${'x'.repeat(40_000_000)}"`)
      .expect(413);
    expect(large.body.detail).toContain('allowed: up to 2 MB');
    const cut = await http.post('/api/jobs').set('Content-Type', 'application/json').send('{"format": "mast-').expect(400);
    expect(cut.body.detail).toContain('ends too early');
  });
  it('unknown versions and no body at all are refused', async () => {
    const { http } = rack();
    expect(
      (
        await http
          .post('/api/jobs')
          .send({ ...winch, version: 7 })
          .expect(422)
      ).body.detail,
    ).toContain('version 7 is not known');
    await http.post('/api/jobs').expect(422);
  });
  it('answers to names of this machine only, and writes from its own pages only', async () => {
    const { http } = rack();
    const stranger = await http.get('/api/health').set('Host', 'shop.example').expect(421);
    expect(stranger.headers['content-security-policy']).toContain("default-src 'self'");
    await http.get('/api/health').set('Host', 'localhost:4178').expect(200);
    await http.post(`${WINCH}/archive`).set('Origin', 'http://shop.example').expect(403);
  });
  it('sends a strict policy: own scripts only, no inline script, no other host', async () => {
    const { headers } = await rack().http.get('/api/health');
    const policy = headers['content-security-policy']!;
    expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval';");
    expect(policy).toContain("default-src 'self'");
    // WebAssembly for the spread solver, and nothing else that is evaluated or inline.
    expect(policy.replace("'wasm-unsafe-eval'", '')).not.toContain('unsafe');
    expect(policy).not.toContain('http');
    expect(headers['x-powered-by']).toBeUndefined();
  });
  it('unknown addresses are problems too', async () => {
    const { http } = rack();
    for (const at of ['/api/nothing', '/api/jobs/none', '/api/jobs/..%2fx']) {
      const { type } = await http.get(at).expect(404);
      expect(type).toBe('application/problem+json');
    }
  });
});
