import { createHash } from 'node:crypto';
import { atFoot } from '@core/job/at-foot';
import { isResolved, resolve } from '@core/job/resolve';
import type { WholeJob } from '@core/job/whole-job';
import { casesOf } from '@core/loads/cases';
import { dimensionsAt } from '@core/prove/dimensions';
import type { About, Body, Entry } from '@core/prove/log-entry';
import { predictedCurve } from '@core/prove/predicted-curve';
import { drawnBolts } from '@core/prove/fitted-bolts';
import { proofPlan } from '@core/prove/proof-plan';
import { provedAs } from '@core/prove/proof-stands';
import { holdPoints } from '@core/prove/stamp';
import { torqueSlope } from '@core/prove/tightening-round';
import { readTrace } from '@core/prove/torque-trace';
import { torqueCard } from '@core/shop/torque-card';
import type { ShopSettings } from '@core/stock/shop-settings';
import { isRefusal } from '@core/units/refusal';
import { PullerStandIn } from '../instruments/puller-stand-in';
import { seeded } from '../instruments/seeded';
import { turnedBy } from '../instruments/wrench-stand-in';
import type { Stores } from '../stores';

/** Who works at the field station; invented. */
export const HANDS: ShopSettings['hands'] = [
  { initials: 'AM', name: 'Ada Marsh' },
  { initials: 'JF', name: 'Jonas Fenn' },
];

const DAY = 86_400_000;

/** An entry’s id from what it is about, so that the demo is the same each time. */
function idOf(text: string): string {
  const h = createHash('sha256').update(text).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

/** Writes a book line by line, some minutes apart, from so many days ago. */
class Writer {
  readonly entries: Entry[] = [];
  private at: number;
  constructor(
    readonly job: WholeJob,
    now: number,
    daysAgo: number,
    private by = 'AM',
  ) {
    this.at = now - daysAgo * DAY;
  }

  on(daysAgo: number, now: number, by = this.by): this {
    this.at = now - daysAgo * DAY;
    this.by = by;
    return this;
  }

  write(body: Body, about: About = {}): this {
    this.at += 140_000;
    const at = new Date(this.at).toISOString();
    this.entries.push({ id: idOf(`${this.job.id} ${this.entries.length}`), at, by: this.by, version: 1, about, body });
    return this;
  }

  get id(): string {
    return idOf(`${this.job.id} pull ${this.entries.length}`);
  }
}

/** Each dimension read as it was drawn, a little off, but for what is said otherwise. */
function fitted(w: Writer, job: WholeJob, foot: string, other: Readonly<Record<string, number>> = {}, most = Infinity): void {
  const random = seeded(7);
  dimensionsAt(job, foot)
    .slice(0, most)
    .forEach((d) => {
      const room = Math.min(0.2, d.over, Math.max(d.under, 0.05));
      const off = other[d.key] ?? Number((d.under === 0 ? random() * room : (random() - 0.5) * room).toFixed(2));
      const read = Number((d.nominal + off).toFixed(2));
      w.write(
        {
          kind: 'dimension',
          key: d.key,
          name: d.name,
          when: d.when,
          nominal: d.nominal,
          under: d.under,
          over: d.over,
          readings: [read, Number((read + 0.02).toFixed(2)), Number((read - 0.01).toFixed(2))],
          with: 'caliper stand-in',
        },
        d.about,
      );
    });
}

/** Every round of the torque card, pulled by the stand-in; `most` turns of it. */
function tightened(w: Writer, job: WholeJob, foot: string, most = Infinity): void {
  const r = resolve(atFoot(job, foot));
  const card = isResolved(r) && torqueCard(r);
  if (!isResolved(r) || !card) return;
  w.write({ kind: 'confirmed', what: 'bolts fitted', is: drawnBolts(r) }, { foot });
  w.write({ kind: 'confirmed', what: 'nut class', is: 'as the bolts, stamped' }, { foot });
  w.write({ kind: 'confirmed', what: 'lubrication', is: 'lightly oiled' }, { foot });
  const random = seeded(11);
  let n = 0;
  card.passes.forEach((p, round) => {
    for (const bolt of card.order) {
      if (n++ >= most) return;
      const slope = torqueSlope(
        r,
        r.bolts.findIndex((b) => b.id === bolt),
      );
      const from = round === 0 ? 0 : Math.min(card.passes[round - 1]!.torque, p.torque);
      const { points } = turnedBy({ target: p.torque, from, slope, fault: 'none' }, random);
      const read = readTrace(points, { target: p.torque, slope });
      w.write(
        {
          kind: 'tightened',
          round: round + 1,
          target: p.torque,
          torque: read.torque,
          angle: points.at(-1)![0],
          reads: read.reads,
          because: read.because,
          with: 'torque wrench stand-in',
          trace: points.map(([a, T]) => [a, Math.round(T)]),
        },
        { foot, bolt },
      );
    }
  });
  if (n < most) for (const bolt of card.order) w.write({ kind: 'witness mark' }, { foot, bolt });
}

/** A pull to a case of the job, by the stand-ins; nothing where it cannot be planned. */
function proved(w: Writer, job: WholeJob, foot: string): void {
  const at = atFoot(job, foot);
  const caseId = casesOf(at)[0]?.id ?? '';
  const dial = { x: 0, y: 0 };
  const plan = proofPlan(at, { caseId, times: 1, holdSeconds: 30, dial, by: 'puller' });
  if (isRefusal(plan)) return;
  const steps = predictedCurve(at, plan, dial);
  let next = steps.next();
  while (!next.done) next = steps.next();
  if (isRefusal(next.value)) return;
  const curve = next.value;
  const puller = new PullerStandIn(seeded(3));
  const asked = {
    rate: plan.load / 12,
    proof: plan.load,
    moves: [curve.points.map((p): [number, number] => [p.load, 0.97 * p.expected])],
    fault: 'none' as const,
    faster: 1,
  };
  const samples = [];
  for (const to of [...plan.steps.map((s) => s.load), 0]) {
    puller.to({ ...asked, to });
    const seconds = to === plan.load ? 36 : 8;
    for (let s = 0; s < seconds; s++) {
      const sample = puller.tick(1);
      if (typeof sample !== 'string') samples.push({ ...sample, dials: [...sample.dials] });
    }
  }
  const pull = w.id;
  for (let i = 0; i < samples.length; i += 20) w.write({ kind: 'samples', pull, samples: samples.slice(i, i + 20) }, { foot });
  w.write(
    {
      kind: 'proof',
      pull,
      caseName: plan.loadCase.name,
      load: plan.load,
      holdSeconds: 30,
      curve: curve.points.map((p) => [p.load, p.expected, p.least, p.most]),
      set: [0],
      setLimit: plan.setLimit(curve.points.at(-1)!.expected),
      result: 'passed',
      because: 'inside the band, held, and nothing left that matters',
      remarks: 'Nothing moved that should not.',
      with: 'load cell and dial stand-ins',
      proved: provedAs(job, foot, plan),
    },
    { foot },
  );
}

function signed(w: Writer, job: WholeJob, shop: ShopSettings): void {
  for (const h of holdPoints(job, shop, [])) w.write({ kind: 'signed', operation: h.operation, text: h.text, name: 'Ada Marsh' });
}

const inspected = (task: string, name: string, found: 'sound' | 'finding', text: string): Body => ({
  kind: 'inspected',
  task,
  name,
  found,
  text,
});

/** The books of the demo: one job finished and in use, one found wanting after a summer, one half fitted with a hole that missed. */
function books(jobs: ReadonlyMap<string, WholeJob>, shop: ShopSettings, now: number): Writer[] {
  const out: Writer[] = [];
  const eye = jobs.get('buoy-lifting-eye');
  if (eye) {
    const w = new Writer(eye, now, 212);
    fitted(w, eye, 'F1');
    w.on(211, now, 'JF');
    tightened(w, eye, 'F1');
    proved(w, eye, 'F1');
    signed(w.on(210, now, 'AM'), eye, shop);
    w.write({ kind: 'signed', operation: 'stamp', text: 'built as recorded', name: 'Ada Marsh' });
    w.on(209, now).write({
      kind: 'used',
      from: new Date(now - 209 * DAY).toISOString().slice(0, 10),
      what: 'first lift of the buoy',
    });
    w.on(208, now, 'JF').write(inspected('re-torque-first', 'Tighten again after first use', 'sound', 'none turned'), {
      foot: 'F1',
    });
    w.on(60, now).write({ kind: 'used', times: 41, what: 'lifts this season' });
    out.push(w);
  }
  const ladder = jobs.get('dive-ladder-top');
  if (ladder) {
    const w = new Writer(ladder, now, 420, 'JF');
    w.write({ kind: 'used', from: new Date(now - 400 * DAY).toISOString().slice(0, 10), what: 'on the pontoon' });
    w.on(399, now).write(inspected('re-torque-first', 'Tighten again after first use', 'sound', 'B3 turned a little'), {
      foot: 'F1',
    });
    w.on(12, now, 'AM').write(inspected('look', 'Look', 'finding', 'washer at B2 has sunk into the timber by about 2 mm'), {
      foot: 'F1',
      bolt: 'B2',
    });
    out.push(w);
  }
  const stay = jobs.get('stay-plate-port');
  if (stay) {
    const w = new Writer(stay, now, 2);
    const [first] = atFoot(stay, 'F1').bolts.items;
    fitted(w, stay, 'F1', first ? { [`bolt/${first.id}/x`]: 2.4 } : {}, 9);
    if (first)
      w.write(
        {
          kind: 'decision',
          key: `bolt/${first.id}/x`,
          decide: 'accept',
          reason: 'the drill ran off a hard spot; the base is reamed to it',
        },
        { foot: 'F1', bolt: first.id },
      );
    tightened(w.on(1, now, 'JF'), stay, 'F1', 6);
    out.push(w);
  }
  return out;
}

/** Puts the demo’s books beside its jobs, and its people on the shop’s list. */
export function seedLogs({ store, book, shop }: Pick<Stores, 'store' | 'book' | 'shop'>, now = Date.now()): void {
  const { settings, version } = shop.get();
  if (settings.hands.length === 0) shop.put({ ...settings, hands: HANDS }, version);
  const jobs = new Map(
    store.live().flatMap(({ id }) => {
      const stored = store.get(id);
      return stored && 'job' in stored ? [[id, stored.job] as const] : [];
    }),
  );
  for (const { entries, job } of books(jobs, settings, now)) book.append(job.id, entries, undefined, (e) => e.at);
}
