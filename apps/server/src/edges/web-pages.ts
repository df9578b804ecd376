import { existsSync, readFileSync } from 'node:fs';
import type { ServerResponse } from 'node:http';
import { join } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** The built web application: its files for a year, its page anew each time, with the nonce of that answer. */
export function webPages(folder: string): Router {
  const routes = Router();
  const at = join(folder, 'index.html');
  if (!existsSync(at)) return routes;
  const page = readFileSync(at, 'utf8');
  // Asked anew each time: it is what says that there is something newer.
  routes.get('/service-worker.js', (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile(join(folder, 'service-worker.js'));
  });
  // Named by what is in them they stay for a year; the few with plain names are asked about each time.
  const setHeaders = (res: ServerResponse, path: string) => {
    if (!/-[A-Z0-9]{8}\.[a-z0-9]+(\.br)?$/.test(path)) res.setHeader('Cache-Control', 'no-cache');
  };
  // Compressed once, when it was built: not at every request.
  routes.use(
    expressStaticGzip(folder, {
      enableBrotli: true,
      orderPreference: ['br'],
      index: false,
      serveStatic: { immutable: true, maxAge: '1y', redirect: false, setHeaders },
    }),
  );
  routes.get('/{*splat}', (_req, res) => {
    res
      .type('html')
      .set('Cache-Control', 'no-store')
      .send(page.replaceAll('STYLE_NONCE', res.locals['nonce'] as string));
  });
  return routes;
}
