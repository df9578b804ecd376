import request from 'supertest';
import type { WholeJob } from '@core/job/whole-job';
import type { Body } from '@core/prove/log-entry';
import { testId } from '@core/testing/log-lines';
import { openDatabase } from '../database/open-database';
import { DEMO_RACK } from '../demo/lake-sorrow';
import { served } from '../testing/served';
import { hostsOf } from './hosts';
import { hashed, isPassphrase, passphraseFault } from './passphrase';
import { may, needed, ROLES, type Role } from './roles';

const [winch] = DEMO_RACK as [WholeJob];
const LAN = { hosts: ['shop.local'], proxy: false };
const WORDS = 'seven otters on a pontoon';
const AT = `/api/jobs/${winch.id}`;

async function shop(proxy = false) {
  const s = served([winch], openDatabase(':memory:'), undefined, { ...LAN, proxy });
  for (const [initials, role] of Object.entries({ LO: 'look', WO: 'work', SI: 'sign', KE: 'keep' }))
    await s.people.add({ initials, name: `${role} person`, role: role as Role }, WORDS);
  /** A browser that somebody has come in with. */
  const as = async (initials: string) => {
    const agent = request.agent(s.app);
    await agent.post('/api/session').send({ initials, passphrase: WORDS }).expect(200);
    return agent;
  };
  return { ...s, as };
}

describe('passphrases', () => {
  it('are kept as Argon2id hashes at the cost OWASP asks (m = 19 MiB, t = 2, p = 1), each with a salt of its own', async () => {
    const [a, b] = [await hashed(WORDS), await hashed(WORDS)];
    expect(a).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(a).not.toBe(b);
    expect([await isPassphrase(WORDS, a), await isPassphrase('seven otters', a), await isPassphrase(WORDS, undefined)]).toEqual([
      true,
      false,
      false,
    ]);
    // The same letters, however a keyboard put them together (Unicode NFKC).
    expect(await isPassphrase('cafe\u0301 on the quay', await hashed('caf\u00e9 on the quay'))).toBe(true);
  });
  it.each([
    ['short', 'characters long'],
    ['aaaaaaaaaaaaaaaa', 'over and over'],
    ['Password12345!', 'everybody tries'],
    ['Anna Meer 2026 !!', 'the name itself'],
    // Long enough, and all of it known: from the lists of what was found in breaches.
    ['qwertyuiopasdf', 'found in breaches'],
    ['trustno1trustno1', 'found in breaches'],
    ['iloveyou1234', 'found in breaches'],
    ['correct horse battery', ''],
    ['x'.repeat(129), 'longer than 128'],
    [WORDS, ''],
    ['наждачная бумага', ''],
  ])('%j', (words, says) => {
    const fault = passphraseFault(words, 'Anna Meer');
    if (says) expect(fault).toContain(says);
    else expect(fault).toBe('');
  });
});

describe('coming in', () => {
  it('a stranger is answered nothing but whether the server lives', async () => {
    const { http } = await shop();
    await http.get('/api/health').expect(200);
    expect((await http.get('/api/session').expect(200)).body).toEqual({ lan: true, person: null });
    for (const path of [
      '/api/jobs',
      AT,
      `${AT}/packet.pdf`,
      '/api/shop',
      '/api/stock/metals',
      '/api/people',
      '/api/live',
      '/api/photos/x',
    ])
      await http.get(path).expect(401);
    await http.put(AT).set('If-Match', '"1"').send(winch).expect(401);
  });
  it('gives a cookie that no script reads and no other site sends, new each time, and takes it back', async () => {
    const { http, db } = await shop();
    const enter = () => http.post('/api/session').send({ initials: 'wo', passphrase: WORDS }).expect(200);
    const cookie = (await enter()).headers['set-cookie']![0]!;
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    expect(cookie).toMatch(/Path=\//);
    const token = /=([^;]+)/.exec(cookie)![1]!;
    expect((await enter()).headers['set-cookie']![0]).not.toContain(token);
    const mine = { Cookie: `mast-shoe-session=${token}` };
    expect((await http.get('/api/session').set(mine)).body.person).toEqual({ initials: 'WO', name: 'work person', role: 'work' });
    // What lies in the database opens nothing.
    const { hash } = db.prepare('SELECT hash FROM session').get() as { hash: string };
    expect(JSON.stringify(db.prepare('SELECT * FROM session').all())).not.toContain(token);
    await http
      .get('/api/jobs')
      .set({ Cookie: `mast-shoe-session=${hash}` })
      .expect(401);
    await http.get('/api/jobs').set(mine).expect(200);
    await http.delete('/api/session').set(mine).expect(204);
    await http.get('/api/jobs').set(mine).expect(401);
  });
  it('over https, or behind a proxy that says so, the cookie is for https alone; else nobody is believed', async () => {
    const send = async (proxy: boolean) =>
      (
        await (
          await shop(proxy)
        ).http
          .post('/api/session')
          .set('X-Forwarded-Proto', 'https')
          .send({ initials: 'WO', passphrase: WORDS })
      ).headers['set-cookie']![0]!;
    expect(await send(true)).toContain('Secure');
    expect(await send(false)).not.toContain('Secure');
  });
  it('five wrong tries lock a name for a quarter of an hour, whatever is tried then; a name that is none looks the same', async () => {
    const { http, people } = await shop();
    const enter = (initials: string, passphrase: string) => http.post('/api/session').send({ initials, passphrase });
    const none = await enter('ZZ', WORDS).expect(401);
    for (let n = 0; n < 4; n++) expect((await enter('WO', 'wrong one').expect(401)).body).toEqual(none.body);
    await enter('WO', 'wrong one').expect(423);
    expect((await enter('WO', WORDS).expect(423)).body.detail).toMatch(/it opens at \d\d:\d\d UTC/);
    const later = Date.now() + 16 * 60_000;
    expect(await people.enter('WO', WORDS, later)).toMatchObject({ kind: 'in' });
    // Others come in meanwhile.
    await enter('SI', WORDS).expect(200);
  });
  it('many tries in a minute from one place are refused, whatever the names', async () => {
    const { http } = await shop();
    const answers: number[] = [];
    for (let n = 0; n < 22; n++)
      answers.push((await http.post('/api/session').send({ initials: 'A', passphrase: `${n}` })).status);
    expect(answers.slice(0, 20).every((s) => s === 401)).toBe(true);
    expect(answers.slice(20)).toEqual([429, 429]);
  });
  it('a session rests three days and lasts thirty', async () => {
    const { sessions } = await shop();
    const day = 86_400_000;
    const now = Date.now();
    const token = sessions.open('WO', now);
    let at = now;
    for (; at < now + 28 * day; at += 2 * day) expect(sessions.who(token, at)?.initials).toBe('WO');
    expect(sessions.who(token, now + 31 * day)).toBeUndefined();
    const idle = sessions.open('WO', now);
    expect(sessions.who(idle, now + 4 * day)).toBeUndefined();
  });
});

describe('roles', () => {
  it('each may what the one before may, and no more', async () => {
    const { as } = await shop();
    const put = async (initials: string, version: number) =>
      (await as(initials)).put(AT).set('If-Match', `"${version}"`).send(winch);
    const no = await put('LO', 1);
    expect([no.status, no.body.detail]).toEqual([403, expect.stringContaining('you may look; this needs somebody who may work')]);
    expect((await put('WO', 1)).status).toBe(200);
    await (await as('LO')).get(`${AT}/job.json`).expect(200);
    const work = await as('WO');
    await work.post(`${AT}/bin`).expect(204);
    await work.delete(AT).expect(403);
    await work.get('/api/people').expect(403);
    const shopSettings = (await work.get('/api/shop').expect(200)).body.settings;
    await work.put('/api/shop?version=0').send(shopSettings).expect(403);
    const keep = await as('KE');
    await keep.put('/api/shop?version=0').send(shopSettings).expect(200);
    await keep.delete(AT).expect(204);
  });
  it('what needs which is decided for every kind of request', () => {
    const table: readonly (readonly [string, string, Role])[] = [
      ['GET', '/jobs', 'look'],
      ['POST', '/jobs', 'work'],
      ['DELETE', '/jobs/a', 'keep'],
      ['DELETE', '/jobs/a/links/0123', 'work'],
      ['POST', '/jobs/a/log', 'work'],
      ['POST', '/live/here', 'look'],
      ['POST', '/bench/x/wrench/turn', 'work'],
      ['PUT', '/stock/metals/own-x', 'work'],
      ['PUT', '/shop', 'keep'],
      ['GET', '/people', 'keep'],
      ['GET', '/deeds', 'keep'],
      ['POST', '/demo/take-away', 'keep'],
      ['POST', '/whatever/comes', 'work'],
    ];
    for (const [method, path, role] of table) expect([method, path, needed({ method, path })]).toEqual([method, path, role]);
    for (const a of ROLES) for (const b of ROLES) expect(may(a, b)).toBe(ROLES.indexOf(a) >= ROLES.indexOf(b));
  });
  it('what is written in a logbook is in the writer’s own name, and signed by those who may sign', async () => {
    const { as, store } = await shop();
    let n = 1;
    const write = async (initials: string, by: string, body: Body) =>
      (await as(initials))
        .post(`${AT}/log`)
        .send({ entries: [{ id: testId(n++), at: '2026-05-02T10:00:00.000Z', by, version: 1, about: {}, body }] });
    const note: Body = { kind: 'note', did: 'inspected', text: 'seen' };
    expect((await write('WO', 'SI', note)).body.detail).toBe('by: SI is not who writes here — allowed: WO');
    expect((await write('WO', 'WO', note)).status).toBe(200);
    const signed: Body = { kind: 'signed', operation: 'inspect-1', name: 'Inspect', text: 'in order' };
    expect((await write('WO', 'WO', signed)).body.detail).toContain('allowed: somebody who may sign');
    expect((await write('SI', 'SI', signed)).status).toBe(200);
    expect((await write('LO', 'LO', note)).status).toBe(403);
    // Versions carry the name too.
    await (await as('SI')).put(AT).set('If-Match', '"1"').send(winch).expect(200);
    expect(store.versions(winch.id)[0]).toMatchObject({ version: 2, who: 'SI' });
  });
});

describe('people', () => {
  it('are let in, changed and sent away by whoever keeps the shop; somebody always keeps it; all of it is on record', async () => {
    const { as, deeds } = await shop();
    const keep = await as('KE');
    const fresh = { initials: 'nn', name: 'New Hand', role: 'look', passphrase: 'brass tacks and tallow' };
    expect(
      (
        await keep
          .post('/api/people')
          .send({ ...fresh, passphrase: 'short' })
          .expect(422)
      ).body.detail,
    ).toMatch(/^passphrase: it is 5/);
    await keep.post('/api/people').send(fresh).expect(201);
    await keep.post('/api/people').send(fresh).expect(409);
    expect(
      (
        await keep
          .post('/api/people')
          .send({ ...fresh, initials: 'N1' })
          .expect(422)
      ).body.detail,
    ).toContain('initials: allowed');
    await keep.put('/api/people/KE').send({ name: 'Keeper', role: 'work' }).expect(409);
    await keep.delete('/api/people/KE').expect(409);
    await keep.put('/api/people/NN').send({ name: 'New Hand', role: 'work' }).expect(200);
    await keep.delete('/api/people/NN').expect(200);
    await keep.delete('/api/people/NN').expect(409);
    const { body } = await keep.get('/api/people').expect(200);
    expect(body).toMatchObject({ kept: true });
    expect(JSON.stringify(body)).not.toContain('argon2');
    expect(deeds.of('NN').map((d) => `${d.who} ${d.did}`)).toEqual([
      'KE may no longer come in',
      'KE may now work',
      'KE let in, to look',
    ]);
    expect((await keep.get('/api/deeds').expect(200)).body.length).toBeGreaterThan(3);
  });
  it('a new role or passphrase ends the sessions there are', async () => {
    const { as } = await shop();
    const [keep, work] = [await as('KE'), await as('WO')];
    await keep.put('/api/people/WO').send({ name: 'W', role: 'look' }).expect(200);
    await work.get('/api/jobs').expect(401);
    const sign = await as('SI');
    await sign.put('/api/session/passphrase').send({ now: 'not it at all', passphrase: 'brass tacks and tallow' }).expect(403);
    await sign.put('/api/session/passphrase').send({ now: WORDS, passphrase: 'brass tacks and tallow' }).expect(204);
    await sign.get('/api/jobs').expect(401);
    await keep.put('/api/people/LO/passphrase').send({ passphrase: 'another few good words' }).expect(200);
  });
  it('on one machine nobody is asked, and the first keeper is set up there', async () => {
    const { http, people } = served([winch]);
    expect((await http.get('/api/session')).body).toEqual({ lan: false, person: null });
    await http.get('/api/jobs').expect(200);
    expect(people.isKept()).toBe(false);
    await http.post('/api/people').send({ initials: 'AM', name: 'Anna Meer', role: 'keep', passphrase: WORDS }).expect(201);
    expect(people.isKept()).toBe(true);
    await http.post('/api/session').send({ initials: 'AM', passphrase: WORDS }).expect(409);
  });
});

describe('the shop’s network', () => {
  it('is answered by the names the machine goes by, and written to from its own pages', async () => {
    const { http, as } = await shop();
    await http.get('/api/health').set('Host', 'shop.local:4178').expect(200);
    expect((await http.get('/api/health').set('Host', 'evil.example').expect(421)).body.title).toContain('by that name');
    const work = await as('WO');
    await work.post(`${AT}/archive`).set('Origin', 'http://evil.example').expect(403);
    await work.post(`${AT}/archive`).set('Origin', 'https://shop.local:4178').set('Host', 'shop.local:4178').expect(204);
    expect(hostsOf('plates.example, ')).toEqual(expect.arrayContaining(['plates.example', '127.0.0.1']));
  });
});

describe('a read-only link', () => {
  it('shows one job’s record and packet to whoever has it, runs nothing, and ends', async () => {
    const { as, http, links } = await shop();
    const work = await as('WO');
    await work.post(`${AT}/links`).send({ days: 0 }).expect(422);
    await (await as('LO')).post(`${AT}/links`).send({ days: 7 }).expect(403);
    const { path, links: listed } = (await work.post(`${AT}/links`).send({ days: 7 }).expect(201)).body;
    expect(listed).toMatchObject([{ madeBy: 'WO' }]);
    const page = await http.get(path).expect(200);
    expect(page.text).toContain(winch.name);
    expect(page.text).not.toMatch(/<script/i);
    expect(page.headers['content-security-policy']).toMatch(/^default-src 'none'; img-src data:; style-src 'sha256-/);
    expect(page.headers['referrer-policy']).toBe('no-referrer');
    expect(page.headers['content-disposition']).toMatch(/^inline/);
    expect((await http.get(`${path}/packet.pdf`).expect(200)).headers['content-type']).toBe('application/pdf');
    // Nothing else is open with it, and what is looked at is not what was printed for the bench.
    await http.get(AT).expect(401);
    expect((await work.get(`${AT}/packet.json`).expect(200)).body.printed).toBeNull();
    const token = (path as string).slice('/link/'.length);
    expect(links.jobOf(token, Date.now() + 8 * 86_400_000)).toBeUndefined();
    await work.delete(`${AT}/links/${listed[0].mark}`).expect(200);
    expect((await http.get(path).expect(404)).text).toContain('has ended');
    for (const bad of ['/link/x', `/link/${'a'.repeat(43)}`]) await http.get(bad).expect(404);
  });
});

describe('the invented jobs', () => {
  it('are taken away in one press with their books; what was worked in stays, and a real book cannot be removed', async () => {
    const { seedDemo } = await import('../demo/seed');
    const s = served();
    seedDemo(s);
    s.store.add({ ...winch, id: 'real', name: 'Real work' });
    const list = async () => (await s.http.get('/api/jobs').expect(200)).body;
    expect((await list()).counts).toMatchObject({ demo: DEMO_RACK.length, rack: DEMO_RACK.length + 1 });
    s.store.save({ ...winch, name: 'Worked in' }, 1);
    const { body } = await s.http.post('/api/demo/take-away').expect(200);
    expect(body).toEqual({ removed: DEMO_RACK.length - 1, kept: 1 });
    expect((await list()).tags.map((t: { name: string }) => t.name).sort()).toEqual(['Real work', 'Worked in']);
    expect((await list()).counts.demo).toBe(0);
    const note: Body = { kind: 'note', did: 'inspected', text: 'seen' };
    s.book.append('real', [{ id: testId(1), at: '2026-05-02T10:00:00.000Z', by: 'AM', version: 1, about: {}, body: note }]);
    expect(() => s.db.prepare('DELETE FROM log').run()).toThrow('append-only');
  });
});

it('what is asked wrong is refused by field, and of somebody who is not there it says so', async () => {
  const { as, app } = await shop();
  const keeper = await as('KE');
  const fresh = { initials: 'NN', name: 'Nora North', role: 'work', passphrase: 'nine herons by the lock' };
  for (const [change, field] of [
    [{ initials: 'N1' }, 'initials'],
    [{ name: ' ' }, 'name'],
    [{ name: 'x'.repeat(81) }, 'name'],
    [{ role: 'captain' }, 'role'],
  ] as const) {
    const no = await keeper.post('/api/people').send({ ...fresh, ...change });
    expect([no.status, JSON.stringify(no.body).includes(field)]).toEqual([422, true]);
  }
  const gone = await keeper.put('/api/people/ZZ/passphrase').send({ passphrase: fresh.passphrase });
  expect(gone.status).toBe(404);
  const wrong = await keeper.put('/api/session/passphrase').send({ now: 'not this one', passphrase: fresh.passphrase });
  expect(wrong.status).toBe(403);
  expect((await request(app).put('/api/session/passphrase').send({ now: WORDS, passphrase: WORDS })).status).toBe(401);
});
