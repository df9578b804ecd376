import { dirname, join } from 'node:path';
import { pino } from 'pino';
import { z } from 'zod';
import { createApp } from './app';
import { Nightly } from './backups/nightly';
import { closeDatabase, openDatabase } from './database/open-database';
import { seedDemo } from './demo/seed';
import { threads } from './pool/workers';
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
  LOG_LEVEL: z.enum(['debug', 'info', 'warn', 'error', 'silent']).default('info'),
});

const settings = Settings.parse(process.env);
const log = pino({ level: settings.LOG_LEVEL });
const db = opened(settings.MAST_SHOE_DATA);
const stores = storesOf(db, join(dirname(settings.MAST_SHOE_DATA), 'photos'), settings.MAST_SHOE_EDITION);
if (settings.MAST_SHOE_DEMO === '1') log.info({ added: seedDemo(stores) }, 'demo jobs');

const ending = new AbortController();
const workers = threads(new URL('./worker.mjs', import.meta.url));
const keeper = new Keeper({ ...stores, workers });
const photos = join(dirname(settings.MAST_SHOE_DATA), 'photos');
const nightly = new Nightly({
  db,
  photos,
  folder: settings.MAST_SHOE_BACKUPS ?? join(dirname(settings.MAST_SHOE_DATA), 'backups'),
  log,
});
const app = createApp({
  ...stores,
  log,
  workers,
  nightly,
  web: settings.MAST_SHOE_WEB,
  stopping: ending.signal,
});
const server = app.listen(settings.PORT, '127.0.0.1', (error) => {
  if (error) {
    const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
    log.error(
      taken
        ? `port ${settings.PORT} is taken: stop what listens there, or start with another, as PORT=${settings.PORT + 1}`
        : `cannot listen on port ${settings.PORT}: ${error.message}`,
    );
    process.exitCode = 1;
    closeDatabase(db);
    void workers.end();
    return;
  }
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : settings.PORT;
  log.info({ port }, 'listening on loopback');
  process.send?.({ listening: port });
  keeper.catchUp();
  nightly.start();
});

// An idle connection is not closed while a page is likely to use it again: a request that meets the closing is lost.
server.keepAliveTimeout = 65_000;
server.headersTimeout = 66_000;
// Half a request does not stay open: the longest one is a photograph over a phone's line.
server.requestTimeout = 120_000;
server.maxConnections = 500;

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
