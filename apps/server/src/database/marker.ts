import { existsSync, readFileSync, writeFileSync } from 'node:fs';

/** A note beside the database that there is one, and whether the program using it was closed: what is missing later is then known to be. */
export type Mark = 'open' | 'closed';

const at = (file: string): string => `${file}.mark`;

export function marked(file: string): Mark | undefined {
  if (!existsSync(at(file))) return undefined;
  return readFileSync(at(file), 'utf8').startsWith('open') ? 'open' : 'closed';
}

export const markOpen = (file: string): void =>
  writeFileSync(at(file), 'open: a database stands beside this note, with its changes in -wal\n', { mode: 0o600 });
export const markClosed = (file: string): void => writeFileSync(at(file), 'closed: a database stands beside this note\n');
