import { randomBytes } from 'node:crypto';
import type { RequestHandler } from 'express';
import helmet from 'helmet';
import { problem } from './problem';

const OWN = ['http', 'https'];
const LOOPBACK = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i;

/** Only names of this machine are answered, so that a web page elsewhere cannot reach in under its own name (DNS rebinding). */
export function hostCheck(hosts: readonly string[]): RequestHandler {
  const known = new Set(hosts.map((h) => h.toLowerCase()));
  return (req, res, next) => {
    const host = req.headers.host ?? '';
    if (LOOPBACK.test(host) || known.has(host.toLowerCase().replace(/:\d+$/, ''))) next();
    else problem(res, 421, hosts.length > 0 ? 'This server does not go by that name' : 'This server answers to localhost only');
  };
}

/** A page of another origin may not write here. */
export const originCheck: RequestHandler = (req, res, next) => {
  const origin = req.headers.origin;
  const reads = req.method === 'GET' || req.method === 'HEAD';
  if (reads || origin === undefined || OWN.some((scheme) => origin === `${scheme}://${req.headers.host}`)) next();
  else problem(res, 403, 'Writes come from this application only');
};

/** A fresh nonce per page for the styles the framework adds. */
export const styleNonce: RequestHandler = (_req, res, next) => {
  res.locals['nonce'] = randomBytes(16).toString('base64url');
  next();
};

export const securityHeaders = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      // The spread solver's kernel is WebAssembly; it allows that and no evaluated script.
      scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
      workerSrc: ["'self'"],
      styleSrc: ["'self'", (_req, res) => `'nonce-${(res as unknown as { locals: { nonce: string } }).locals.nonce}'`],
      fontSrc: ["'self'"],
      imgSrc: ["'self'", 'data:'],
      connectSrc: ["'self'"],
      objectSrc: ["'none'"],
      baseUri: ["'self'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  strictTransportSecurity: false,
});
