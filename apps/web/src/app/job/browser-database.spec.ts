import 'fake-indexeddb/auto';
import { forceCloseDatabase } from 'fake-indexeddb';
import { unwrap, type DBSchema } from 'idb';
import { browserDatabase } from './browser-database';

globalThis.structuredClone ??= (v: unknown) => JSON.parse(JSON.stringify(v));

interface Kept extends DBSchema {
  things: { key: string; value: string };
}

const named = (name: string) => browserDatabase<Kept>(name, (db) => db.createObjectStore('things'));

describe('a database of the browser', () => {
  afterEach(() => jest.restoreAllMocks());

  it('is opened once for all who ask', async () => {
    const open = jest.spyOn(indexedDB, 'open');
    const db = named('once');
    expect(await db()).toBe(await db());
    expect(open).toHaveBeenCalledTimes(1);
  });

  it('closed by the browser, it is opened again, with what it kept', async () => {
    const db = named('closed');
    const first = await db();
    await first.put('things', 'kept', 'a');
    // As the standard has it for a connection the browser ends: "close" is told of it (Indexed Database API 3.0, 4.4).
    forceCloseDatabase(unwrap(first) as never);
    await new Promise((done) => setTimeout(done, 20));
    expect(await (await db()).get('things', 'a')).toBe('kept');
    expect(await db()).not.toBe(first);
  });

  it('not given once, it is asked for again', async () => {
    const open = jest.spyOn(indexedDB, 'open').mockImplementationOnce(() => {
      throw new Error('no room');
    });
    const db = named('full');
    await expect(db()).rejects.toThrow('no room');
    await (await db()).put('things', 'kept', 'a');
    expect(open).toHaveBeenCalledTimes(2);
  });
});
