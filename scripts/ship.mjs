// npm run ship: what comes ready with the sources, so that a first start makes none of it: the built page and the SQLite module.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ship } from './database/module.mjs';

console.log(ship() ? 'ship: the SQLite module is compiled anew' : 'ship: the SQLite module is current');
const page = spawnSync(process.execPath, [join(import.meta.dirname, 'build.mjs'), '--ship'], { stdio: 'inherit' });
process.exit(page.status ?? 1);
