import { json, Router, type Response } from 'express';
import * as z from 'zod';
import { refusalsOf } from '@core/formats/read-job';
import { OwnMetal } from '@core/job/own-stock';
import { problem } from '../edges/problem';
import { whoOf } from '../edges/who';
import type { DeedStore } from '../jobs/deed-store';
import { refusalText } from '@core/units/refusal';
import type { StockStore } from './stock-store';

const Version = z.coerce.number().int().min(1);
const noSuch = (res: Response) => problem(res, 404, 'There is no such row in the stock room');

/** The metal sent, or undefined once its refusal is answered. */
function read(body: unknown, res: Response): OwnMetal | undefined {
  const parsed = OwnMetal.safeParse(body);
  if (parsed.success && parsed.data.fu >= parsed.data.fy) return parsed.data;
  const refusals = parsed.success
    ? [{ refused: true as const, field: 'fu', because: 'break is under yield', allowed: `at least ${parsed.data.fy} MPa` }]
    : refusalsOf(parsed.error);
  problem(res, 422, 'The row is refused', { detail: refusals.map(refusalText).join('\n'), refusals });
  return undefined;
}

/** The shop's own rows: listed, added once, changed over the version seen, taken out. */
export function stockRoutes(store: StockStore, deeds: DeedStore): Router {
  const routes = Router();
  const body = json({ limit: 20_000 });

  routes.get('/metals', (_req, res) => {
    res.json(store.metals());
  });

  routes.post('/metals', body, (req, res) => {
    const m = read(req.body, res);
    if (!m) return;
    if (!store.add(m)) return problem(res, 409, 'A row with this id is in the stock room already', { id: m.id });
    deeds.add(whoOf(res), 'put in the stock room', m.id, JSON.stringify(m));
    res.status(201).json(store.metal(m.id));
  });

  routes.put('/metals/:id', body, (req, res) => {
    const version = Version.safeParse(req.query['version']);
    if (!version.success) return problem(res, 428, 'Say which version the change was made on');
    const m = read({ ...(req.body as object), id: req.params.id }, res);
    if (!m) return;
    const before = store.metal(m.id);
    if (!before) return noSuch(res);
    if (!store.change(m, version.data))
      return problem(res, 409, 'This row was changed elsewhere since it was opened', { current: store.metal(m.id) });
    deeds.add(whoOf(res), 'changed in the stock room; before it was', m.id, JSON.stringify(before.metal));
    res.json(store.metal(m.id));
  });

  routes.delete('/metals/:id', (req, res) => {
    const before = store.metal(req.params.id);
    if (!before || !store.remove(req.params.id)) return noSuch(res);
    deeds.add(whoOf(res), 'taken out of the stock room; it was', before.metal.id, JSON.stringify(before.metal));
    res.status(204).end();
  });

  return routes;
}
