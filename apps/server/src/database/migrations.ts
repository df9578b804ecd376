import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

export interface Migration {
  /** The schema version after it. */
  readonly version: number;
  readonly sql: string;
}

/** Numbered SQL files of a folder, in order. */
export const migrations = (folder: string): Migration[] =>
  readdirSync(folder)
    .filter((f) => /^\d{3}_.*\.sql$/.test(f))
    .sort()
    .map((f) => ({ version: Number(f.slice(0, 3)), sql: readFileSync(join(folder, f), 'utf8') }));
