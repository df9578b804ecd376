import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { oneFoot } from '@core/job/at-foot';
import { logFile } from '@core/prove/chain';
import { logOf } from '@core/testing/log-lines';
import { testJob } from '@core/testing/test-job';
// The book is written by the program that keeps it.
/* eslint-disable no-restricted-imports */
import { openDatabase } from '../../server/src/database/open-database';
import { storesOf } from '../../server/src/stores';
/* eslint-enable no-restricted-imports */
import { logVerify } from './log';

const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-log-'));
afterAll(() => rmSync(folder, { recursive: true }));
const lines = logOf(['one', 'two', 'three'].map((text) => ({ body: { kind: 'note', did: 'fitted', text } })));

/** A shop’s database with the book in it. */
function shop(name: string): { data: string; db: ReturnType<typeof openDatabase> } {
  const data = join(folder, name);
  const db = openDatabase(data);
  const stores = storesOf(db, folder);
  stores.store.add(oneFoot(testJob()));
  stores.book.append(
    't',
    lines.map((l) => l.entry),
  );
  return { data, db };
}

it('a whole book of the database, and how long it is', () => {
  const { data } = shop('a.sqlite');
  expect(logVerify('t', false, data)).toMatchObject({
    exit: 0,
    text: expect.stringMatching(/^Test: whole, 3 lines\nSHA-256 of the last: [0-9a-f]{64}$/),
  });
});
it('names a tampered entry', () => {
  const { data, db } = shop('b.sqlite');
  db.exec('DROP TRIGGER log_is_not_changed');
  db.exec("UPDATE log SET entry = replace(entry, 'two', 'three sixteenths') WHERE seq = 2");
  const { exit, text } = logVerify('t', false, data);
  expect(exit).toBe(1);
  expect(text).toBe(
    'Test: BROKEN at line 2: its words are not those that were hashed\nAs it stands now: 00000000-0000-4000-8000-000000000002, 2026-05-02T10:01:00.000Z, AM: fitted: three sixteenths',
  );
  expect(JSON.parse(logVerify('t', true, data).text)).toMatchObject({ whole: false, seq: 2, entry: { seq: 2 } });
});
it('a file that was taken out; one with lines cut off its end by a printed head', () => {
  const file = join(folder, 'book.json');
  const write = (of: unknown) => writeFileSync(file, JSON.stringify(of));
  write(logFile({ id: 't', name: 'Test' }, lines));
  expect(logVerify(file, false, '').exit).toBe(0);
  write(logFile({ id: 't', name: 'Test' }, lines.slice(0, 2)));
  expect(logVerify(file, false, '').exit).toBe(0);
  expect(logVerify(file, false, '', lines[2]!.hash)).toMatchObject({
    exit: 1,
    text: expect.stringContaining('lines were cut off'),
  });
  write({ format: 'other' });
  expect(logVerify(file, false, '')).toMatchObject({ exit: 2, text: expect.stringContaining('is not "mast-shoe/log"') });
  writeFileSync(file, '{"format');
  expect(logVerify(file, false, '').exit).toBe(2);
});
it('what is not there is said, with what is', () => {
  const { data } = shop('c.sqlite');
  expect(logVerify('winch', false, data)).toEqual({ exit: 2, text: 'job: there is no "winch" — allowed: t' });
  expect(logVerify('t', false, join(folder, 'none.sqlite'))).toMatchObject({
    exit: 2,
    text: expect.stringContaining('there is no database'),
  });
  expect(logVerify('t', false, data, 'abc')).toMatchObject({ exit: 2, text: expect.stringContaining('64 hexadecimal') });
});
