import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { Router } from 'express';

/** The built web application: its files for a year, its page anew each time, with the nonce of that answer. */
export function webPages(folder: string): Router {
  const routes = Router();
  const at = join(folder, 'index.html');
  if (!existsSync(at)) return routes;
  const page = readFileSync(at, 'utf8');
  routes.use(express.static(folder, { index: false, immutable: true, maxAge: '1y', redirect: false }));
  routes.get('/{*splat}', (_req, res) => {
    res
      .type('html')
      .set('Cache-Control', 'no-store')
      .send(page.replaceAll('STYLE_NONCE', res.locals['nonce'] as string));
  });
  return routes;
}
