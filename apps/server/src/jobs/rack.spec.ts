import { randomBytes } from 'node:crypto';
import type { WholeJob } from '@core/job/whole-job';
import { DEMO_RACK } from '../demo/lake-sorrow';
import { served } from '../testing/served';
import { pack, unpack, type Body } from './packed-version';
import { matchOf } from './rack-list';

const [winch, bench, , mast] = DEMO_RACK as [WholeJob, WholeJob, WholeJob, WholeJob];
const few = [
  { ...winch, customer: 'Lake Sorrow', aboard: 'Launch Teal' },
  { ...bench, customer: 'Lake Sorrow', aboard: 'Lorry 2' },
  { ...mast, customer: 'Ålesund fish farm', aboard: 'Net pen' },
];
const names = (body: { tags: { name: string }[] }) => body.tags.map((t) => t.name);

describe('the rack is found by words, and sorted', () => {
  const rack = served(few);
  beforeAll(() => rack.judged());
  const ask = async (q: string) => (await rack.http.get(`/api/jobs?${q}`).expect(200)).body;

  it.each([
    ['q=wINch', [winch.name]],
    ['q=teal', [winch.name]],
    // The beginning of each word is enough, in any order, with or without its accents.
    ['q=alesund%20mas', [mast.name]],
    ['q=lor%20sorr', [bench.name]],
    ['q=nothing-of-the-kind', []],
    ['q=%22%27)(*', []],
    ['customer=Lake%20Sorrow&sort=name', [winch.name, bench.name].sort()],
    ['aboard=Lorry%202', [bench.name]],
    ['state=fails', [winch.name]],
    [`family=${mast.family}`, [mast.name]],
    ['sort=name&many=1&from=1', [few.map((j) => j.name).sort()[1]]],
  ])('%s', async (q, found) => expect(names(await ask(q))).toEqual(found));

  it('says how many there are, and what there is to pick from', async () => {
    const page = await ask('q=lake&many=1&sort=worst');
    expect(page).toMatchObject({
      total: 2,
      counts: { rack: 3, archive: 0, bin: 0 },
      customers: ['Lake Sorrow', 'Ålesund fish farm'],
      aboard: ['Launch Teal', 'Lorry 2', 'Net pen'],
      waiting: 0,
    });
    expect(names(page)).toEqual([winch.name]);
  });
  it('what falls due first hangs first, and is found: overdue, soon too; what is behind is said to be waiting', async () => {
    const at = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
    for (const [job, on] of [
      [mast, at(-40)],
      [bench, at(12)],
      [winch, at(200)],
    ] as const)
      rack.due.put(job.id, 1, 0, [], on);
    const page = await ask('sort=due');
    expect(names(page)).toEqual([mast.name, bench.name, winch.name]);
    expect(page.tags.map((t: { due: string }) => t.due)).toEqual([at(-40), at(12), at(200)]);
    expect(names(await ask('due=overdue'))).toEqual([mast.name]);
    expect(names(await ask('due=soon&sort=due'))).toEqual([mast.name, bench.name]);
    // By use: no day, and soon all the same; after what has one.
    rack.due.put(winch.id, 1, 0, [], '', '85 of 100 loads');
    const byUse = await ask('due=soon&sort=due');
    expect(names(byUse)).toEqual([mast.name, bench.name, winch.name]);
    expect(byUse.tags.map((t: { byUse: string }) => t.byUse)).toEqual(['', '', '85 of 100 loads']);
    expect(names(await ask('due=overdue'))).toEqual([mast.name]);
    // Of another version: not known, and counted as waiting.
    rack.due.put(mast.id, 0, 0, [], at(-40));
    const behind = await ask('q=pen');
    expect([behind.tags[0].due, behind.waiting]).toEqual([null, 1]);
    await rack.judged();
    // Written in the logbook since: not known either, until it is worked out again.
    rack.due.put(mast.id, 1, 7, [], at(-40));
    expect((await ask('q=pen')).tags[0].due).toBeNull();
    rack.due.put(mast.id, 1, 0, [], '');
    // Nothing is due on what is not in use.
    expect((await ask('due=overdue')).total).toBe(0);
  });
  it('refuses what it cannot be asked, by the field', async () => {
    for (const q of ['sort=colour', 'due=never', 'many=1000', 'from=-1', 'in=cellar', 'state=well', `q=${'x'.repeat(300)}`]) {
      const { body } = await rack.http.get(`/api/jobs?${q}`).expect(400);
      expect(body.detail).toContain(q.split('=')[0]);
    }
    await rack.http.get('/api/jobs/drawn?ids=..').expect(400);
  });
  it('draws what it lists, without what no drawing needs', async () => {
    const { body } = await rack.http.get(`/api/jobs/drawn?ids=${winch.id},${mast.id},none`).expect(200);
    expect(Object.keys(body).sort()).toEqual([winch.id, mast.id].sort());
    expect(body[winch.id]).toMatchObject({ version: 1, job: { plate: winch.feet[0]!.design!.plate, loads: [] } });
  });
});

it('words for the search are never its syntax', () => {
  expect(matchOf('M12 "plate" OR NOT name:x NEAR(')).toBe('"M12"* "plate"* "OR"* "NOT"* "name"* "x"* "NEAR"*');
  expect(matchOf(' -*" ')).toBe('');
});

describe('archive, bin, and for good', () => {
  it('a job goes to the bin and comes back; for good only from there; all of it is on record', async () => {
    const { http } = served(few);
    const at = `/api/jobs/${winch.id}`;
    await http.delete(at).expect(409);
    await http.post(`${at}/bin`).expect(204);
    expect((await http.get('/api/jobs').expect(200)).body).toMatchObject({ total: 2, counts: { rack: 2, bin: 1 } });
    expect(names((await http.get('/api/jobs?in=bin').expect(200)).body)).toEqual([winch.name]);
    const no = await http.put(at).set('If-Match', '"1"').send(winch).expect(409);
    expect(no.body.title).toContain('in the bin');
    await http.post(`${at}/unbin`).expect(204);
    await http.put(at).set('If-Match', '"1"').send(winch).expect(200);
    await http.post(`${at}/bin`).expect(204);
    const { deeds } = (await http.get(`${at}/versions`).expect(200)).body;
    expect(deeds.map((d: { did: string }) => d.did)).toEqual(['put in the bin', 'out of the bin', 'put in the bin']);
    await http.delete(at).expect(204);
    await http.get(at).expect(404);
    await http.delete(at).expect(404);
    expect((await http.get('/api/jobs?q=winch').expect(200)).body.total).toBe(0);
  });
  it('what was written in a logbook is never deleted', async () => {
    const { http, store, book } = served(few);
    const id = '00000000-0000-4000-8000-000000000001';
    book.append(winch.id, [
      {
        id,
        at: '2026-05-02T10:00:00.000Z',
        by: 'AM',
        version: 1,
        about: {},
        body: { kind: 'note', did: 'inspected', text: 'seen' },
      },
    ]);
    store.setBinned(winch.id, true);
    expect((await http.delete(`/api/jobs/${winch.id}`).expect(409)).body.title).toBe('The job has a logbook');
    expect(store.get(winch.id)).toMatchObject({ binned: true, job: { id: winch.id } });
  });
});

describe('versions', () => {
  it('all are kept, small, with what was done and the verdict then', async () => {
    const { http, db, store, judged } = served([winch]);
    const text = (n: number) => ({ ...winch, note: `note ${n}` });
    for (let n = 1; n <= 700; n++) store.save(text(n), n, { who: 'AM', did: `note ${n}` });
    await judged();
    const at = `/api/jobs/${winch.id}/versions`;
    const { versions } = (await http.get(at).expect(200)).body;
    expect(versions).toHaveLength(701);
    expect(versions[0]).toMatchObject({ version: 701, who: 'AM', did: 'note 700', verdict: { state: 'fails' } });
    for (const v of [1, 2, 31, 32, 33, 34, 350, 701])
      expect((await http.get(`${at}/${v}`).expect(200)).body.job.note).toBe(v === 1 ? winch.note : `note ${v - 1}`);
    await http.get(`${at}/702`).expect(404);
    const { bytes } = db.prepare('SELECT sum(length(body)) AS bytes FROM kept_version').get() as { bytes: number };
    expect(bytes / 701 / JSON.stringify(winch).length).toBeLessThan(0.06);
  });
  it('what was done comes with a save, whatever it is written in', async () => {
    const { http, store } = served([winch]);
    await http
      .put(`/api/jobs/${winch.id}`)
      .set('Did', encodeURIComponent('thicker plate, ½″'))
      .set('If-Match', '"1"')
      .send(winch)
      .expect(200);
    expect(store.versions(winch.id)[0]).toMatchObject({ version: 2, who: '', did: 'thicker plate, ½″' });
    await http.put(`/api/jobs/${winch.id}`).set('Did', '%zz').set('If-Match', '"2"').send(winch).expect(200);
    expect(store.versions(winch.id)[0]).toMatchObject({ version: 3, did: '' });
  });
  it('pack and unpack are each other’s opposite, and a broken chain is no version', () => {
    let before: string | undefined;
    const bodies: Body[] = [];
    const texts: string[] = [];
    for (let v = 1; v <= 70; v++) {
      const more = randomBytes(v % 7 === 0 ? 40_000 : 20).toString('hex');
      const text: string = `${v} ${(before ?? '').slice(0, 50_000)}${more}`;
      bodies.unshift({ version: v, ...pack(v, text, before) });
      texts.unshift(text);
      before = text;
    }
    for (const i of [0, 1, 5, 36, 37, 38, 69]) expect(unpack(bodies.slice(i))).toBe(texts[i]);
    expect(() => unpack(bodies.toSpliced(1, 1))).toThrow('version 69 is not kept');
    expect(() => unpack([bodies[0]!])).toThrow('whole');
    expect(() => unpack([])).toThrow('no such version');
    const bad = Buffer.from(bodies[69]!.body);
    bad[bad.length >> 1]! ^= 1;
    expect(() => unpack([{ ...bodies[69]!, body: bad }])).toThrow();
  });
});

it('a verdict stays with its version: while the newer one is judged the older is not shown as its own', async () => {
  const { http, store, judged, keeper } = served([winch]);
  await judged();
  keeper.end();
  store.save({ ...winch, name: 'Another' }, 1);
  const [tag] = (await http.get('/api/jobs').expect(200)).body.tags;
  expect(tag).toMatchObject({ name: 'Another', version: 2, judged: 1 });
});

it('a document that the disk has changed is not taken for what was written, though it reads', async () => {
  const { http, db } = served([winch]);
  db.prepare(`UPDATE job SET document = replace(document, '"mm"', '"inch"') WHERE id = ?`).run(winch.id);
  const { body } = await http.get(`/api/jobs/${winch.id}`).expect(422);
  expect(body.detail).toContain('the disk has damaged it');
});
