import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Db } from '../database/open-database';
import { storesOf, type Stores } from '../stores';

/** Stores with photographs in a folder of their own. */
export const testStores = (db: Db): Stores => storesOf(db, mkdtempSync(join(tmpdir(), 'mast-shoe-photos-')));
