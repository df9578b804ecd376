import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { errorHandler, problem } from './edges/problem';
import { hostCheck, originCheck, securityHeaders, styleNonce } from './edges/security';
import { instrumentRoutes } from './instruments/routes';
import { jobRoutes } from './jobs/routes';
import { packetRoutes } from './sheets/packet-routes';
import { sheetRoutes } from './sheets/routes';
import { shopRoutes } from './shop/routes';
import { dueRoutes } from './prove/due-routes';
import { logRoutes, photoRoutes } from './prove/log-routes';
import { recordRoutes } from './prove/record-routes';
import { stockRoutes } from './stock/routes';
import type { Stores } from './stores';

export interface AppParts extends Stores {
  readonly log: Logger;
  /** Folder of the built web application; without it only the API answers. */
  readonly web?: string;
  /** Ends what would otherwise stay open. */
  readonly stopping?: AbortSignal;
}

export function createApp({ store, stock, shop, book, photos, log, web, stopping }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: (req) => !req.url?.startsWith('/api/') }, quietReqLogger: true }));
  // Whatever is answered, a refusal too, carries the content policy.
  app.use(styleNonce, securityHeaders, hostCheck, originCheck);

  app.get('/api/health', (_req, res) => {
    res.json({ status: 'ok', jobs: store.count() });
  });
  const prove = { store, shop, log: book, photos };
  app.use(
    '/api/jobs',
    sheetRoutes(store, shop),
    packetRoutes(store, shop),
    logRoutes(prove),
    recordRoutes(prove),
    jobRoutes(store),
  );
  app.use('/api/photos', photoRoutes(photos));
  app.use('/api/due', dueRoutes(prove));
  app.use('/api/shop', shopRoutes(shop));
  app.use('/api/stock', stockRoutes(stock));
  const instruments = instrumentRoutes();
  app.use('/api/bench', instruments.routes);
  stopping?.addEventListener('abort', () => instruments.endStreams());
  app.use('/api', (_req, res) => problem(res, 404, 'There is nothing at this address'));

  if (web && existsSync(join(web, 'index.html'))) {
    const page = readFileSync(join(web, 'index.html'), 'utf8');
    app.use(express.static(web, { index: false, immutable: true, maxAge: '1y', redirect: false }));
    app.get('/{*splat}', (_req, res) => {
      res
        .type('html')
        .set('Cache-Control', 'no-store')
        .send(page.replaceAll('STYLE_NONCE', res.locals['nonce'] as string));
    });
  }
  app.use(errorHandler);
  return app;
}
