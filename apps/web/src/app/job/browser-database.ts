import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/**
 * A database of the browser’s own, opened when first asked for; and again where opening failed, or where the browser has
 * closed it since (its data cleared, its disk full): one bad moment does not end all keeping for as long as the tab lives.
 */
export function browserDatabase<S extends DBSchema>(
  name: string,
  upgrade: (db: IDBPDatabase<S>) => void,
): () => Promise<IDBPDatabase<S>> {
  let opened: Promise<IDBPDatabase<S>> | undefined;
  const anew = () => (opened = undefined);
  // Never at once: it would be forgotten before it was remembered.
  const open = () =>
    Promise.resolve()
      .then(() => openDB<S>(name, 1, { upgrade, terminated: anew }))
      .catch((e: unknown) => {
        anew();
        throw e;
      });
  return () => (opened ??= open());
}
