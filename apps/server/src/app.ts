import express, { type Express } from 'express';
import compression from 'compression';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Nightly } from './backups/nightly';
import { stillThere } from './database/still-there';
import { GONE } from './database/trouble';
import { errorHandler, problem } from './edges/problem';
import { hostCheck, originCheck, securityHeaders, styleNonce } from './edges/security';
import { webPages } from './edges/web-pages';
import { instrumentRoutes } from './instruments/routes';
import { jobRoutes } from './jobs/routes';
import type { Workers } from './pool/workers';
import { sheetRoutes } from './sheets/routes';
import { shopRoutes } from './shop/routes';
import { dueRoutes } from './prove/due-routes';
import { logRoutes, photoRoutes } from './prove/log-routes';
import { stockRoutes } from './stock/routes';
import type { Stores } from './stores';

export interface AppParts extends Stores {
  readonly log: Logger;
  readonly workers: Workers;
  /** How the backups stand, where any are made. */
  readonly nightly?: Pick<Nightly, 'state'>;
  /** Folder of the built web application; without it only the API answers. */
  readonly web?: string;
  /** Ends what would otherwise stay open. */
  readonly stopping?: AbortSignal;
}

export function createApp(parts: AppParts): Express {
  const { store, stock, shop, book, photos, deeds, workers, log, web, stopping } = parts;
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: (req) => !req.url?.startsWith('/api/') }, quietReqLogger: true }));
  // Whatever is answered, a refusal too, carries the content policy.
  app.use(styleNonce, securityHeaders, hostCheck, originCheck);

  // Nothing is read for it: it answers at once whatever else the server does.
  app.get('/api/health', (_req, res) => {
    res.json({ status: 'ok' });
  });
  const there = stillThere(parts.db);
  app.use((req, res, next) => {
    if (req.method === 'GET' || req.method === 'HEAD' || there()) next();
    else problem(res, GONE.status, GONE.title, { detail: GONE.detail });
  });
  // Not what streams: an event is there when it is said.
  app.use(compression({ filter: (req, res) => !req.path.endsWith('/stream') && compression.filter(req, res) }));
  app.use(
    '/api/jobs',
    sheetRoutes({ store, shop, book, photos: photos.folder, workers }),
    logRoutes({ store, shop, book, photos, workers }),
    jobRoutes(parts),
  );
  app.get('/api/backups', (_req, res) => {
    res.json(parts.nightly?.state() ?? null);
  });
  app.use('/api/photos', photoRoutes(photos));
  app.use('/api/due', dueRoutes(parts));
  app.use('/api/shop', shopRoutes(shop, deeds));
  app.use('/api/stock', stockRoutes(stock, deeds));
  const instruments = instrumentRoutes();
  app.use('/api/bench', instruments.routes);
  stopping?.addEventListener('abort', () => instruments.endStreams());
  app.use('/api', (_req, res) => problem(res, 404, 'There is nothing at this address'));
  if (web) app.use(webPages(web));
  app.use(errorHandler);
  return app;
}
