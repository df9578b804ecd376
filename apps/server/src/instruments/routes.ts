import { json, Router, type Response } from 'express';
import * as z from 'zod';
import { InstrumentKind, INSTRUMENTS, Lies, Press, PullAsked, TurnAsked } from '@core/formats/instrument-messages';
import { EventStream } from '../edges/event-stream';
import { problem } from '../edges/problem';
import { Rigs } from './rigs';
import { seeded } from './seeded';
import { StandIn } from './stand-in';

/** One tab's instruments and where they send. */
interface Bench {
  readonly instruments: ReadonlyMap<string, StandIn>;
  readonly listeners: EventStream;
  readonly rigs: Rigs;
  seq: number;
}

const BenchId = z.string().regex(/^[A-Za-z0-9-]{8,40}$/);
const Seed = z.coerce
  .number()
  .int()
  .min(0)
  .max(2 ** 31)
  .optional();
const MOST_BENCHES = 40;
/** A tab that comes again may be heard twice for a moment. */
const MOST_LISTENERS = 4;

/** Simulated instruments over server-sent events: each tab's bench lives as long as its stream does. */
export function instrumentRoutes(): { readonly routes: Router; endStreams(): void } {
  const routes = Router();
  const benches = new Map<string, Bench>();
  const say = (bench: Bench, event: string, data: unknown) => bench.listeners.say(event, data);

  routes.get('/:bench/stream', (req, res) => {
    const id = BenchId.safeParse(req.params.bench);
    const seed = Seed.safeParse(req.query['seed']);
    if (!id.success || !seed.success) return problem(res, 404, 'There is no such bench');
    let bench = benches.get(id.data);
    if (!bench) {
      if (benches.size >= MOST_BENCHES) return problem(res, 503, 'Too many benches are open; close a tab');
      const random = seeded(seed.data ?? Math.floor(Math.random() * 2 ** 31));
      const made: Bench = {
        instruments: new Map(INSTRUMENTS.map((k) => [k, new StandIn(k, random)])),
        listeners: new EventStream(MOST_LISTENERS),
        rigs: new Rigs(random, (event, data) => say(made, event, { seq: ++made.seq, at: new Date().toISOString(), ...data })),
        seq: 0,
      };
      benches.set(id.data, (bench = made));
    }
    const open = bench;
    if (open.listeners.full) return problem(res, 503, 'This bench is heard often enough already');
    open.listeners.open(res, () => {
      if (open.listeners.size > 0) return;
      open.rigs.end();
      benches.delete(id.data);
    });
    for (const i of open.instruments.values()) open.listeners.say('state', i.state(), res);
  });

  const found = (bench: string, kind: string, res: Response): { bench: Bench; instrument: StandIn } | undefined => {
    const open = benches.get(bench);
    const instrument = InstrumentKind.safeParse(kind).success ? open?.instruments.get(kind) : undefined;
    if (open && instrument) return { bench: open, instrument };
    problem(res, 404, 'There is no such instrument on an open bench');
    return undefined;
  };

  /** 422 with what is allowed where the body is not as it should be. */
  const read = <T>(schema: z.ZodType<T>, body: unknown, res: Response): T | undefined => {
    const r = schema.safeParse(body);
    if (r.success) return r.data;
    problem(res, 422, 'The instrument does not know that', {
      detail: r.error.issues.map((i) => `${i.path.join('.') || 'body'}: ${i.message}`).join('\n'),
    });
    return undefined;
  };

  routes.post('/:bench/:instrument/press', json({ limit: 1000 }), (req, res) => {
    const at = found(String(req.params['bench']), String(req.params['instrument']), res);
    const body = at && read(Press, req.body, res);
    if (!at || !body) return;
    const sent = at.instrument.press(body.button);
    if (sent) {
      const { kind, ...rest } = sent;
      const head = {
        seq: ++at.bench.seq,
        at: new Date().toISOString(),
        instrument: at.instrument.kind,
        name: at.instrument.name,
      };
      say(at.bench, kind, { ...head, ...rest });
    }
    say(at.bench, 'state', at.instrument.state());
    res.sendStatus(204);
  });

  routes.post('/:bench/:instrument/lies', json({ limit: 1000 }), (req, res) => {
    const at = found(String(req.params['bench']), String(req.params['instrument']), res);
    const body = at && read(Lies, req.body, res);
    if (!at || !body) return;
    at.instrument.lies(body.on, body.fault);
    say(at.bench, 'state', at.instrument.state());
    res.sendStatus(204);
  });
  const openBench = (id: string, res: Response): Bench | undefined => {
    const bench = benches.get(id);
    if (!bench) problem(res, 404, 'There is no such instrument on an open bench');
    return bench;
  };

  routes.post('/:bench/wrench/turn', json({ limit: 1000 }), (req, res) => {
    const bench = openBench(req.params.bench, res);
    const asked = bench && read(TurnAsked, req.body, res);
    if (!bench || !asked) return;
    if (bench.rigs.turn(asked)) res.sendStatus(204);
    else problem(res, 409, 'The wrench is being pulled already');
  });

  routes.post('/:bench/puller/pull', json({ limit: 1000 }), (req, res) => {
    const bench = openBench(req.params.bench, res);
    const asked = bench && read(PullAsked, req.body, res);
    if (!bench || !asked) return;
    bench.rigs.pull(asked);
    res.sendStatus(204);
  });

  routes.post('/:bench/puller/end', (req, res) => {
    const bench = openBench(req.params.bench, res);
    if (!bench) return;
    bench.rigs.endPull();
    res.sendStatus(204);
  });

  const endStreams = () => {
    for (const bench of benches.values()) {
      bench.rigs.end();
      bench.listeners.end();
    }
  };
  return { routes, endStreams };
}
