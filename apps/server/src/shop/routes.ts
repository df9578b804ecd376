import { json, Router } from 'express';
import * as z from 'zod';
import { refusalsOf } from '@core/formats/read-job';
import { ShopSettings } from '@core/stock/shop-settings';
import { refusalText } from '@core/units/refusal';
import { problem } from '../edges/problem';
import { whoOf } from '../edges/who';
import type { DeedStore } from '../jobs/deed-store';
import type { ShopStore } from './shop-store';

const Version = z.coerce.number().int().min(0);

/** What the shop says of itself: read, and changed over the version that was seen. */
export function shopRoutes(store: ShopStore, deeds: DeedStore): Router {
  const routes = Router();

  routes.get('/', (_req, res) => {
    res.json(store.get());
  });

  routes.put('/', json({ limit: 200_000 }), (req, res) => {
    const version = Version.safeParse(req.query['version']);
    if (!version.success) return problem(res, 428, 'Say which version the change was made on');
    const read = ShopSettings.safeParse(req.body);
    if (!read.success) {
      const refusals = refusalsOf(read.error);
      return problem(res, 422, 'The settings are refused', { detail: refusals.map(refusalText).join('\n'), refusals });
    }
    if (!store.put(read.data, version.data))
      return problem(res, 409, 'The shop’s settings were changed elsewhere since they were opened', { current: store.get() });
    deeds.add(whoOf(res), 'changed what the shop says of itself', 'shop');
    res.json(store.get());
  });
  return routes;
}
