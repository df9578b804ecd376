import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The program's own folder: the server runs from its sources in tests, else from a bundle under `dist`. */
export const ROOT = ((): string => {
  let at = import.meta.dirname;
  while (!existsSync(join(at, 'package-lock.json'))) {
    if (dirname(at) === at) throw new Error('the program’s folder was not found: package-lock.json is missing');
    at = dirname(at);
  }
  return at;
})();
