import express, { type Express } from 'express';
import compression from 'compression';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Nightly } from './backups/nightly';
import { stillThere } from './database/still-there';
import { GONE } from './database/trouble';
import { errorHandler, problem } from './edges/problem';
import { hostCheck, originCheck, securityHeaders, styleNonce } from './edges/security';
import { whoOf } from './edges/who';
import { webPages } from './edges/web-pages';
import { liveRoutes } from './live/live-routes';
import { guard } from './people/guard';
import { linkedRoutes, linkRoutes } from './people/link-routes';
import { peopleRoutes, sessionRoutes } from './people/routes';
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
  /** Over the shop's network people say who they are; on one machine nobody is asked. */
  readonly lan?: Lan;
  /** Folder of the built web application; without it only the API answers. */
  readonly web?: string;
  /** Ends what would otherwise stay open. */
  readonly stopping?: AbortSignal;
}

/** How the server is reached beyond its own machine. */
export interface Lan {
  /** Names it answers to. */
  readonly hosts: readonly string[];
  /** A reverse proxy on this machine speaks for those who ask. */
  readonly proxy: boolean;
}

export function createApp(parts: AppParts): Express {
  const { store, stock, shop, book, photos, deeds, links, workers, log, web, stopping, lan } = parts;
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: (req) => !req.url?.startsWith('/api/') }, quietReqLogger: true }));
  // Whatever is answered, a refusal too, carries the content policy.
  app.use(styleNonce, securityHeaders, hostCheck(lan?.hosts ?? []), originCheck);
  if (lan?.proxy) app.set('trust proxy', 'loopback');
  if (lan) app.use('/api', guard(parts.sessions));

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
  app.use(
    compression({ filter: (req, res) => !/^\/api\/(live$|bench\/)/.test(req.originalUrl) && compression.filter(req, res) }),
  );
  const sheets = { store, shop, book, photos: photos.folder, workers };
  const people = { people: parts.people, sessions: parts.sessions, deeds, lan: lan !== undefined };
  app.use('/api/session', sessionRoutes(people));
  app.use('/api/people', peopleRoutes(people));
  app.post('/api/demo/take-away', (_req, res) => {
    const done = parts.demo.takeAway();
    deeds.add(whoOf(res), 'took the invented jobs away', 'demo', `${done.removed} removed, ${done.kept} kept`);
    res.json(done);
  });
  app.get('/api/deeds', (_req, res) => {
    res.json(deeds.of());
  });
  app.use(
    '/api/jobs',
    sheetRoutes(sheets),
    logRoutes({ store, shop, book, photos, workers }),
    linkRoutes({ store, links, deeds }),
    jobRoutes(parts),
  );
  app.use('/link', linkedRoutes({ ...sheets, links, deeds }));
  app.get('/api/backups', (_req, res) => {
    res.json(parts.nightly?.state() ?? null);
  });
  app.use('/api/photos', photoRoutes(photos));
  app.use('/api/due', dueRoutes(parts));
  app.use('/api/shop', shopRoutes(shop, deeds));
  app.use('/api/stock', stockRoutes(stock, deeds));
  const instruments = instrumentRoutes();
  app.use('/api/bench', instruments.routes);
  const live = liveRoutes(store);
  app.use('/api/live', live.routes);
  stopping?.addEventListener('abort', () => {
    instruments.endStreams();
    live.endStreams();
  });
  app.use('/api', (_req, res) => problem(res, 404, 'There is nothing at this address'));
  if (web) app.use(webPages(web));
  app.use((_req, res) => problem(res, 404, 'There is nothing at this address'));
  app.use(errorHandler);
  return app;
}
