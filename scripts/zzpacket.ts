import { DEMO_RACK } from '../apps/server/src/demo/lake-sorrow';
import { jobPacket } from '@paper/job-packet';
import { USUAL_SHOP } from '@core/stock/shop-settings';
import { writeFileSync, mkdirSync } from 'node:fs';
mkdirSync('/tmp/packets', { recursive: true });
const all = DEMO_RACK as any;
const list = typeof all === 'function' ? all() : all;
for (const j of list) {
  const t = performance.now();
  const r = await jobPacket(j, { shop: USUAL_SHOP, version: 1, today: '2026-03-04', paper: 'a4' });
  const ms = performance.now() - t;
  if (Buffer.isBuffer(r)) writeFileSync(`/tmp/packets/${j.id}.pdf`, r);
  console.log(j.id, ms.toFixed(0), Buffer.isBuffer(r) ? r.length : JSON.stringify(r));
}
