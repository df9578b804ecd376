import { json, Router, type Response } from 'express';
import { z } from 'zod';
import { InstrumentKind, INSTRUMENTS, Lies, Press, PullAsked, TurnAsked } from '@core/formats/instrument-messages';
import { problem } from '../edges/problem';
import { Rigs } from './rigs';
import { seeded } from './seeded';
import { StandIn } from './stand-in';

/** One tab's instruments and where they send. */
interface Bench {
  readonly instruments: ReadonlyMap<string, StandIn>;
  readonly listeners: Set<Response>;
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
const HEARTBEAT = 15_000;

/** Simulated instruments over server-sent events: each tab's bench lives as long as its stream does. */
export function instrumentRoutes(): { readonly routes: Router; endStreams(): void } {
  const routes = Router();
  const benches = new Map<string, Bench>();
  const say = (bench: Bench, event: string, data: unknown) => {
    for (const to of bench.listeners) to.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
  };

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
        listeners: new Set(),
        rigs: new Rigs(random, (event, data) => say(made, event, { seq: ++made.seq, at: new Date().toISOString(), ...data })),
        seq: 0,
      };
      benches.set(id.data, (bench = made));
    }
    const open = bench;
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
    res.flushHeaders();
    open.listeners.add(res);
    for (const i of open.instruments.values()) res.write(`event: state\ndata: ${JSON.stringify(i.state())}\n\n`);
    const beat = setInterval(() => res.write(': still here\n\n'), HEARTBEAT);
    beat.unref();
    res.on('close', () => {
      clearInterval(beat);
      open.listeners.delete(res);
      if (open.listeners.size > 0) return;
      open.rigs.end();
      benches.delete(id.data);
    });
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
      for (const to of bench.listeners) to.end();
    }
  };
  return { routes, endStreams };
}
