import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import express from 'express';
import request from 'supertest';
import { webPages } from './web-pages';

const SCRIPT = `export const plate = '${'holds '.repeat(400)}';`;
const NAMED = 'chunk-ABCDEFGH.js';
let folder: string;
let http: ReturnType<typeof request>;

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'mast-shoe-web-'));
  writeFileSync(join(folder, 'index.html'), '<ms-root ngCspNonce="STYLE_NONCE"></ms-root>');
  writeFileSync(join(folder, NAMED), SCRIPT);
  writeFileSync(join(folder, `${NAMED}.br`), brotliCompressSync(SCRIPT));
  writeFileSync(join(folder, 'mark.svg'), '<svg xmlns="http://www.w3.org/2000/svg"/>');
  const app = express();
  app.use((_req, res, next) => {
    res.locals['nonce'] = 'n-1';
    next();
  });
  app.use(webPages(folder));
  http = request(app);
});
afterAll(() => rmSync(folder, { recursive: true }));

it('a file compressed when it was built goes out as it lies there, for a year, to whoever takes it so', async () => {
  const { headers, body } = await http
    .get(`/${NAMED}`)
    .set('Accept-Encoding', 'gzip, br')
    .buffer(true)
    .parse((res, done) => {
      let size = 0;
      res.on('data', (d: Buffer) => (size += d.length));
      res.on('end', () => done(null, size));
    })
    .expect(200);
  expect(headers).toMatchObject({ 'content-encoding': 'br', 'content-type': expect.stringMatching(/javascript/) });
  expect(headers['cache-control']).toBe('public, max-age=31536000, immutable');
  expect(headers['vary']).toMatch(/Accept-Encoding/i);
  expect(body).toBe(SCRIPT.length);
});

it('whoever takes no compression gets the same words plain', async () => {
  const { headers, text } = await http.get(`/${NAMED}`).set('Accept-Encoding', 'identity').expect(200);
  expect(headers['content-encoding']).toBeUndefined();
  expect(text).toBe(SCRIPT);
});

it('files with plain names are asked about each time, and the page is never kept', async () => {
  expect((await http.get('/mark.svg').expect(200)).headers['cache-control']).toBe('no-cache');
  const { headers, text } = await http.get('/job/x/lay-out').expect(200);
  expect([headers['cache-control'], text]).toEqual(['no-store', '<ms-root ngCspNonce="n-1"></ms-root>']);
});
