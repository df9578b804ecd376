import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync, unlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ICAL from 'ical.js';
import sharp, { type Sharp } from 'sharp';
import { oneFoot } from '@core/job/at-foot';
import { fromSheet } from '@core/job/values';
import { dimensionsAt } from '@core/prove/dimensions';
import type { Body, Entry, Line } from '@core/prove/log-entry';
import { found, testId } from '@core/testing/log-lines';
import { testJob } from '@core/testing/test-job';
import { readPdf } from '@paper/testing/read-pdf';
import { openDatabase } from '../database/open-database';
import { served } from '../testing/served';

const whole = () => oneFoot(testJob({ fz: 900 }, (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(8, '8 mm') } })));

const folders: string[] = [];
afterAll(() => folders.forEach((f) => rmSync(f, { recursive: true })));
function proving() {
  const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-prove-'));
  folders.push(folder);
  return { folder, ...served([whole()], openDatabase(join(folder, 'x.sqlite')), join(folder, 'photos')) };
}
let ids = 100;
const entry = (body: Body, more: Partial<Entry> = {}): Entry => ({
  id: testId(ids++),
  at: '2026-05-02T10:00:00.000Z',
  by: 'AM',
  version: 1,
  about: { foot: 'F1' },
  body,
  ...more,
});
const note = (text: string, more: Partial<Entry> = {}) => entry({ kind: 'note', did: 'fitted', text }, more);
type Http = ReturnType<typeof served>['http'];
const post = (http: Http, entries: readonly unknown[]) => http.post('/api/jobs/t/log').send({ entries });
const lines = async (http: Http): Promise<Line[]> => (await http.get('/api/jobs/t/log').expect(200)).body.lines;

describe('the logbook', () => {
  it('takes entries in order, answers with their lines, and the same entry twice is one line', async () => {
    const { http } = proving();
    const [a, b] = [note('first'), note('second')];
    const answer = await post(http, [a, b]).expect(200);
    expect(answer.body.lines.map((l: Line) => [l.seq, l.entry.id])).toEqual([
      [1, a.id],
      [2, b.id],
    ]);
    // The acknowledgement was lost: the phone sends both again, with one more.
    const again = await post(http, [a, b, note('third')]).expect(200);
    expect(again.body.lines.map((l: Line) => l.seq)).toEqual([1, 2, 3]);
    expect(again.body.lines[0]).toEqual(answer.body.lines[0]);
    expect(await lines(http)).toHaveLength(3);
    expect((await http.get('/api/jobs/t/log?after=2')).body.lines).toHaveLength(1);
    expect((await http.get('/api/jobs/t/log/verify')).body).toMatchObject({ whole: true, lines: 3 });
  });
  it('two phones at once: both are in it, one after the other, and the chain holds', async () => {
    const { http } = proving();
    const phone = (by: string) =>
      Promise.all(Array.from({ length: 12 }, (_, i) => post(http, [note(`${by} ${i}`, { by })]).expect(200)));
    await Promise.all([phone('AM'), phone('JF')]);
    const all = await lines(http);
    expect(all.map((l) => l.seq)).toEqual(Array.from({ length: 24 }, (_, i) => i + 1));
    expect((await http.get('/api/jobs/t/log/verify')).body.whole).toBe(true);
  });
  it('none of a batch is taken where one is refused, and it says which and what is allowed', async () => {
    const { http } = proving();
    const bad = async (e: unknown) => (await post(http, [note('good'), e]).expect(422)).body;
    expect(await bad({ ...note('x'), by: 'am' })).toMatchObject({
      index: 1,
      detail: 'by: initials: allowed: one to four capitals',
    });
    expect(await bad(note('x', { version: 9 }))).toMatchObject({ detail: 'version: 9 is not there yet — allowed: up to 1' });
    expect(await bad(note('x', { corrects: testId(1) }))).toMatchObject({
      detail: expect.stringContaining('there is no such entry in this book'),
    });
    expect(await bad(entry({ kind: 'photo', sha256: 'a'.repeat(64), bytes: 1, caption: '' }))).toMatchObject({
      detail: expect.stringContaining('has not come in'),
    });
    const first = note('taken');
    await post(http, [first]).expect(200);
    expect(await bad({ ...first, body: { ...first.body, text: 'other' } })).toMatchObject({
      detail: expect.stringContaining('another entry has it'),
    });
    expect(await lines(http)).toHaveLength(1);
    await post(http, []).expect(422);
    await http
      .post('/api/jobs/none/log')
      .send({ entries: [first] })
      .expect(404);
  });
  it('the tables refuse a change, a removal and a line out of turn', () => {
    const { db, book } = proving();
    book.append('t', [note('one'), note('two')]);
    const sql = (text: string) => () => db.prepare(text).run();
    expect(sql("UPDATE log SET entry = '{}' WHERE seq = 1")).toThrow('a line is never changed');
    expect(sql('DELETE FROM log WHERE seq = 2')).toThrow('a line is never removed');
    expect(sql("INSERT INTO log VALUES ('t', 4, 'x', 'y', 'z', 'now', '{}')")).toThrow('a line follows the last one');
    expect(sql("INSERT INTO log VALUES ('t', 3, 'x', 'y', 'z', 'now', '{}')")).toThrow('a line follows the last one');
    // A job that has a book cannot be taken away under it.
    expect(sql("DELETE FROM job WHERE id = 't'")).toThrow(/FOREIGN KEY/);
  });
  it('a row that was tampered with behind the triggers is named; the page still opens', async () => {
    const { db, http, book } = proving();
    book.append('t', [note('one'), note('two'), note('three')]);
    db.exec('DROP TRIGGER log_is_not_changed');
    db.exec(`UPDATE log SET entry = replace(entry, 'two', 'TWO') WHERE seq = 2`);
    expect((await http.get('/api/jobs/t/log/verify')).body).toMatchObject({
      whole: false,
      seq: 2,
      because: 'its words are not those that were hashed',
    });
    db.exec(`UPDATE log SET entry = '{"broken' WHERE seq = 2`);
    expect((await http.get('/api/jobs/t/log/verify')).body).toMatchObject({
      whole: false,
      seq: 2,
      because: expect.stringContaining('cannot be read'),
    });
    expect(await lines(http)).toHaveLength(3);
    // The record and what is due are made of what still reads, and say what does not.
    const page = (await http.get('/api/jobs/t/record.html').expect(200)).text;
    expect(page).toContain('LOGBOOK BROKEN at line 2');
    expect(page).toContain('THIS LINE CANNOT BE READ');
    await http.get('/api/due').expect(200);
    await http.get('/api/jobs/t/handover.pdf').expect(200);
  });
  it('a device’s clock that is wrong is kept as it said, the server’s own time beside it', async () => {
    const { http } = proving();
    await post(http, [
      note('later', { at: '2031-01-01T00:00:00Z' }),
      note('earlier', { at: '2001-01-01T00:00:00+02:00' }),
    ]).expect(200);
    const [a, b] = await lines(http);
    expect(a!.entry.at).toBe('2031-01-01T00:00:00Z');
    expect(Math.abs(Date.parse(b!.received) - Date.now())).toBeLessThan(60_000);
    expect([a!.seq, b!.seq]).toEqual([1, 2]);
  });
  it('as a file it can be verified by itself', async () => {
    const { http, book } = proving();
    book.append('t', [note('one')]);
    const res = await http.get('/api/jobs/t/log.json').expect(200);
    expect(decodeURIComponent(res.headers['content-disposition']!)).toContain('Test, logbook, v1.json');
    expect(JSON.parse(res.text)).toMatchObject({ format: 'mast-shoe/log', job: 't', lines: [{ seq: 1 }] });
  });
  it('a stamp on a job with open points, or that does not hold as built, is refused with the first of them', async () => {
    const { http } = proving();
    const stamp = () => entry({ kind: 'signed', operation: 'stamp', text: 'as built', name: 'A. Marsh' }, { about: {} });
    expect((await post(http, [stamp()]).expect(422)).body.detail).toMatch(/cannot be stamped: \d+ open: /);
    await post(http, [
      entry(found('plate/thickness', 0.6, 8)),
      entry({ kind: 'decision', key: 'plate/thickness', decide: 'accept', reason: 'hurry' }),
    ]).expect(200);
    expect((await post(http, [stamp()]).expect(422)).body.detail).toContain('as built it does not hold');
  });
});

it('a proof of an older version does not carry a stamp on a newer one', async () => {
  const { http, store } = proving();
  const proof: Body = {
    kind: 'proof',
    pull: testId(1),
    caseName: 'Case L1',
    load: 900,
    holdSeconds: 60,
    curve: [],
    set: [0],
    setLimit: 0.1,
    result: 'passed',
    because: '',
    remarks: '',
    with: 'load cell',
  };
  await post(http, [entry(proof)]).expect(200);
  store.save({ ...whole(), note: 'changed' }, 1);
  const stamp = entry({ kind: 'signed', operation: 'stamp', text: 'as built', name: 'A. Marsh' }, { about: {}, version: 2 });
  expect((await post(http, [stamp]).expect(422)).body.detail).toContain('the last proof is of version 1, the job is at 2');
});

describe('photographs', () => {
  const picture = (change: (s: Sharp) => Sharp = (s) => s) =>
    change(sharp({ create: { width: 900, height: 600, channels: 3, background: '#884422' } }).jpeg()).toBuffer();
  const send = (http: Http, file: Buffer) => http.post('/api/jobs/t/photos').set('Content-Type', 'image/jpeg').send(file);

  it('are named by what is in them; place, time and hand are taken out', async () => {
    const { http, folder } = proving();
    const withPlace = await picture((s) => s.withExif({ IFD0: { Artist: 'Somebody' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } }));
    expect((await sharp(withPlace).metadata()).exif).toBeDefined();
    const { body } = await send(http, withPlace).expect(201);
    const kept = await http
      .get(`/api/photos/${body.sha256}`)
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = [];
        res.on('data', (p: Buffer) => parts.push(p));
        res.on('end', () => done(null, Buffer.concat(parts)));
      });
    expect(
      createHash('sha256')
        .update(kept.body as Buffer)
        .digest('hex'),
    ).toBe(body.sha256);
    const now = await sharp(kept.body as Buffer).metadata();
    expect([now.exif, now.width, now.height]).toEqual([undefined, 900, 600]);
    expect((kept.body as Buffer).includes('Somebody')).toBe(false);
    // The same picture is one file.
    await send(http, withPlace).expect(201);
    expect(readdirSync(join(folder, 'photos', body.sha256.slice(0, 2)))).toHaveLength(2);
    await http.get(`/api/photos/${body.sha256}?small`).expect(200).expect('Content-Type', /jpeg/);
  });
  it('80 MB, another type and half a picture are refused by name; nothing else is lost', async () => {
    const { http } = proving();
    const big = await send(http, Buffer.alloc(80_000_000)).catch(() => undefined);
    // The server closes on what is too large; whoever still hears it is told.
    if (big) expect([big.status, big.body.detail]).toEqual([413, expect.stringContaining('allowed: up to 12 MB')]);
    expect((await send(http, Buffer.from('%PDF-1.7 no picture')).expect(415)).body.detail).toBe(
      'photo: it is no picture — allowed: JPEG, PNG or WebP',
    );
    const gif = await sharp({ create: { width: 5, height: 5, channels: 3, background: '#fff' } })
      .gif()
      .toBuffer();
    expect((await send(http, gif).expect(415)).body.detail).toContain('it is gif');
    expect((await send(http, (await picture()).subarray(0, 700)).expect(415)).body.detail).toContain('photo:');
    expect((await send(http, Buffer.alloc(0)).expect(415)).body.detail).toContain('it is empty');
    await http.get('/api/jobs/t/log').expect(200);
  });
  it('a file that is gone or damaged is said, and the record is made all the same', async () => {
    const { http, folder } = proving();
    const { body } = await send(http, await picture()).expect(201);
    await post(http, [entry({ kind: 'photo', sha256: body.sha256, bytes: body.bytes, caption: 'B2 from below' })]).expect(200);
    const path = join(folder, 'photos', body.sha256.slice(0, 2), `${body.sha256}.jpg`);
    writeFileSync(path, 'rubbish');
    expect((await http.get(`/api/photos/${body.sha256}`).expect(500)).body.title).toContain('damaged');
    expect((await http.get('/api/jobs/t/record.html').expect(200)).text).toContain('missing or damaged');
    unlinkSync(path);
    expect((await http.get(`/api/photos/${body.sha256}`).expect(410)).body.title).toContain('gone');
    await http.get(`/api/photos/${'0'.repeat(64)}`).expect(404);
    await http.get('/api/photos/..%2Fx.sqlite').expect(404);
  });
});

describe('the record', () => {
  it('has what was found, both figures, the hash of the log and that it is no approval; a page that opens by itself has the same', async () => {
    const { http, shop } = proving();
    shop.put({ ...shop.get().settings, zone: 'Europe/London' }, 0);
    const b1 = dimensionsAt(whole(), 'F1').find((d) => d.key === 'bolt/B1/x')!;
    const photo = (
      await http
        .post('/api/jobs/t/photos')
        .set('Content-Type', 'image/png')
        .send(
          await sharp({ create: { width: 40, height: 30, channels: 3, background: '#123456' } })
            .png()
            .toBuffer(),
        )
        .expect(201)
    ).body;
    const all = [
      entry({ ...found('plate/thickness', [7.1, 7.0, 7.2], 8), name: 'Mounting plate, thickness' }),
      entry({ kind: 'decision', key: 'plate/thickness', decide: 'accept', reason: 'holds all the same' }),
      entry({ ...found('bolt/B1/x', b1.nominal + 4, b1.nominal), name: b1.name }, { about: { foot: 'F1', bolt: 'B1' } }),
      entry({ kind: 'photo', sha256: photo.sha256, bytes: photo.bytes, caption: 'B1 <after> drilling' }),
    ];
    const { body } = await post(http, all).expect(200);
    const head = body.lines.at(-1).hash as string;
    const pdf = (await http.get('/api/jobs/t/record.pdf').buffer(true).expect(200)).body as Buffer;
    const pages = readPdf(pdf);
    const words = pages.map((p) => p.words).join(' ');
    for (const said of [
      'It is no approval',
      'As drawn',
      'As built',
      '7.1 mm',
      'accept: holds all the same',
      'Not stamped',
      head.slice(0, 20),
    ])
      expect(words).toContain(said);
    expect(pages.every((p) => p.words.includes('Not judged'))).toBe(true);
    const page = (await http.get('/api/jobs/t/record.html').expect(200)).text;
    expect(page).toContain(head);
    expect(page).toContain('B1 &lt;after&gt; drilling');
    expect(page).toContain('data:image/jpeg;base64,');
    expect(page).not.toMatch(/<script|https?:\/\/(?!www\.w3)/);
    const handover = readPdf((await http.get('/api/jobs/t/handover.pdf').buffer(true).expect(200)).body as Buffer);
    expect(handover[0]!.words).toContain('decide');
  });
});

describe('what falls due', () => {
  it('over every job, overdue first; as a calendar read by another program', async () => {
    const { http, book, judged } = proving();
    book.append('t', [entry({ kind: 'used', from: '2020-01-10', what: 'first use' }, { about: {} })]);
    await judged();
    const { jobs, waiting } = (await http.get('/api/due').expect(200)).body;
    const [job] = jobs;
    expect(waiting).toBe(0);
    expect(job.id).toBe('t');
    expect(job.due[0]).toMatchObject({ state: 'overdue', on: '2020-01-11' });
    const text = (await http.get('/api/due/calendar.ics').expect(200)).text;
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
    expect(events.map((e) => e.startDate.toString())).toContain('2020-01-11');
    expect(events.every((e) => e.startDate.isDate)).toBe(true);
  });
});
