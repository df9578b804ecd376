import { createServer as createPlain } from 'node:http';
import { createServer as createSecure } from 'node:https';
import { dirname, join } from 'node:path';
import { readFileSync } from 'node:fs';
import { pino } from 'pino';
import * as z from 'zod';
import { createApp, type Lan } from './app';
import { backupsBeside } from './backups/backup';
import { Nightly } from './backups/nightly';
import { closeDatabase, openDatabase } from './database/open-database';
import { seedDemo } from './demo/seed';
import { threads } from './pool/workers';
import { hostsOf } from './people/hosts';
import { ROOT } from './root';
import { storesOf } from './stores';
import { Keeper } from './verdicts/keeper';

const Settings = z.object({
  PORT: z.coerce.number().int().min(0).max(65_535).default(4178),
  MAST_SHOE_DATA: z.string().default(join(ROOT, 'data', 'mast-shoe.sqlite')),
  MAST_SHOE_WEB: z.string().default(join(ROOT, 'dist/web/browser')),
  /** Folder of the backups; beside the database where it is not said. */
  MAST_SHOE_BACKUPS: z.string().optional(),
  MAST_SHOE_DEMO: z.enum(['0', '1']).default('0'),
  MAST_SHOE_EDITION: z.string().default('here'),
  /** On the shop's network, for people set up. Also `--lan`. */
  MAST_SHOE_LAN: z.enum(['0', '1']).default('0'),
  /** Names it goes by beyond the machine's own, with commas between. */
  MAST_SHOE_HOSTS: z.string().default(''),
  /** Certificate and key, for https. */
  MAST_SHOE_CERT: z.string().optional(),
  MAST_SHOE_KEY: z.string().optional(),
  /** A reverse proxy on this machine stands before it: it listens on loopback and believes what that says. */
  MAST_SHOE_PROXY: z.enum(['0', '1']).default('0'),
  LOG_LEVEL: z.enum(['debug', 'info', 'warn', 'error', 'silent']).default('info'),
});

const settings = Settings.parse(process.env);
const log = pino({ level: settings.LOG_LEVEL });
const db = opened(settings.MAST_SHOE_DATA);
const stores = storesOf(db, join(dirname(settings.MAST_SHOE_DATA), 'photos'), settings.MAST_SHOE_EDITION);
if (settings.MAST_SHOE_DEMO === '1') log.info({ added: seedDemo(stores) }, 'demo jobs');

const lan = lanOf();
const ending = new AbortController();
const workers = threads(new URL('./worker.mjs', import.meta.url), (because) => log.error({ because }, 'a worker thread ended'));
const keeper = new Keeper({ ...stores, workers });
const photos = join(dirname(settings.MAST_SHOE_DATA), 'photos');
const nightly = new Nightly({
  db,
  photos,
  folder: settings.MAST_SHOE_BACKUPS ?? backupsBeside(settings.MAST_SHOE_DATA),
  log,
});
const app = createApp({
  ...stores,
  log,
  workers,
  nightly,
  ...(lan ? { lan } : {}),
  web: settings.MAST_SHOE_WEB,
  stopping: ending.signal,
});
const { MAST_SHOE_CERT: cert, MAST_SHOE_KEY: key } = settings;
const server = cert && key ? createSecure({ cert: readFileSync(cert), key: readFileSync(key) }, app) : createPlain(app);
server.on('error', (error: NodeJS.ErrnoException) => {
  log.error(
    error.code === 'EADDRINUSE'
      ? `port ${settings.PORT} is taken: stop what listens there, or start with another, as PORT=${settings.PORT + 1}`
      : `cannot listen on port ${settings.PORT}: ${error.message}`,
  );
  process.exitCode = 1;
  closeDatabase(db);
  void workers.end();
});
server.listen(settings.PORT, lan && !lan.proxy ? undefined : '127.0.0.1', () => {
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : settings.PORT;
  const scheme = cert && key ? 'https' : 'http';
  log.info({ port, scheme }, lan ? 'listening on the shop’s network' : 'listening on loopback');
  process.send?.({ listening: port, scheme, hosts: lan?.hosts ?? [] });
  keeper.catchUp();
  nightly.start();
});

// An idle connection is not closed while a page is likely to use it again: a request that meets the closing is lost.
server.keepAliveTimeout = 65_000;
server.headersTimeout = 66_000;
// Half a request does not stay open: the longest one is a photograph over a phone's line.
server.requestTimeout = 120_000;
server.maxConnections = 500;

/** How it is reached beyond this machine; only by choice, and only once somebody keeps the shop. */
function lanOf(): Lan | undefined {
  if (settings.MAST_SHOE_LAN === '0' && !process.argv.includes('--lan')) return undefined;
  if (!stores.people.isKept()) {
    log.error(
      'nobody is set up who keeps the shop: start without --lan, open People on the rack, and say who may come in; nothing listens',
    );
    closeDatabase(db);
    process.exit(1);
  }
  if ((settings.MAST_SHOE_CERT === undefined) !== (settings.MAST_SHOE_KEY === undefined)) {
    log.error('MAST_SHOE_CERT and MAST_SHOE_KEY belong together: one of them is missing');
    closeDatabase(db);
    process.exit(1);
  }
  return { hosts: hostsOf(settings.MAST_SHOE_HOSTS), proxy: settings.MAST_SHOE_PROXY === '1' };
}

/** The database, or one sentence on why there is none and what to do. */
function opened(file: string): ReturnType<typeof openDatabase> {
  try {
    return openDatabase(file);
  } catch (error) {
    const { code = '', message } = error as NodeJS.ErrnoException;
    const folder = ['EACCES', 'EROFS', 'EPERM', 'SQLITE_CANTOPEN', 'SQLITE_READONLY'].some((c) => code.startsWith(c));
    log.error(
      folder
        ? `the folder of ${file} cannot be written to: give this user the right to, or name another place with MAST_SHOE_DATA`
        : `the database cannot be opened: ${message}`,
    );
    process.exit(1);
  }
}

/** Ends the streams and the threads, lets answers under way finish, then closes the database; a second signal does not wait. */
let stopping = false;
function stop(signal: string): void {
  if (stopping) process.exit(1);
  stopping = true;
  log.info({ signal }, 'stopping');
  keeper.end();
  server.close(() => {
    void nightly.stop().then(() => {
      closeDatabase(db);
      return workers.end();
    });
  });
  ending.abort();
  server.closeIdleConnections();
}
process.on('SIGINT', () => stop('SIGINT'));
process.on('SIGTERM', () => stop('SIGTERM'));
