import { DateTime } from 'luxon';
import type { CurePoint, Product } from '../stock/products';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { HORIZON_DAYS, SLOT, type Calendar, type Minute } from './calendar';
import { inOrder } from './critical-path';
import { cureTime } from './cure';

/** One operation of the route. */
export interface Operation {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  /** Of work by hand. */
  readonly minutes: number;
  readonly hands: 1 | 2;
  readonly machine?: string;
  readonly after: readonly string[];
  /** Done in one go, without a night in between. */
  readonly whole?: true;
  readonly outdoors?: true;
  /** Nobody goes on before a person has signed. */
  readonly hold?: string;
  /** What is waited for after it: a cure by its temperature, or a time. */
  readonly cure?: { readonly product: Product; readonly points: readonly CurePoint[]; readonly step: string };
  readonly waitHours?: number;
  readonly notBefore?: string;
}

export interface Placed extends Operation {
  readonly start: Minute;
  readonly end: Minute;
  /** When what follows may begin: its end, or that of its wait. */
  readonly ready: Minute;
  /** Shop has fewer hands than it needs. */
  readonly short: boolean;
  /** What it waited for; nothing for the first. */
  readonly because?: string;
}

export interface Schedule {
  readonly operations: readonly Placed[];
  readonly finish: Minute;
  /** What the finish hangs on, from the first to the last. */
  readonly chain: readonly string[];
}

/** Longest way on from each operation, h: what is furthest from the end goes first. */
function tails(order: readonly Operation[], takes: (o: Operation) => number): Map<string, number> {
  const tail = new Map<string, number>();
  for (const o of [...order].reverse()) {
    const then = order.filter((b) => b.after.includes(o.id)).map((b) => tail.get(b.id)!);
    tail.set(o.id, takes(o) + Math.max(0, ...then));
  }
  return tail;
}

/**
 * Lays a route on the shop’s days: each operation as soon as what it waits for is ready and hands are free, the one with the longest
 * way to the end first (serial list scheduling). Cures run day and night at the temperature of each day. Refuses a circle, a cure on a
 * day out of the product’s range, and what does not fit into the plan.
 */
export function scheduled(route: readonly Operation[], calendar: Calendar): Schedule | Refusal {
  const order = inOrder(route);
  if (isRefusal(order)) return order;
  const tail = tails(order, (o) => o.minutes / 60 + (o.waitHours ?? o.cure?.points[0]?.hours ?? 0));
  const used: Used = new Map();
  const placed = new Map<string, Placed>();
  const left = new Set(order);
  while (left.size > 0) {
    const free = [...left].filter((o) => o.after.every((b) => placed.has(b)));
    const next = free.reduce((a, b) => (tail.get(b.id)! > tail.get(a.id)! ? b : a));
    left.delete(next);
    const at = place(next, calendar, placed, used);
    if (isRefusal(at)) return at;
    placed.set(next.id, at);
  }
  const operations = order.map((o) => placed.get(o.id)!).sort((a, b) => a.start - b.start || a.end - b.end);
  const last = operations.reduce((a, b) => (b.ready > a.ready ? b : a), operations[0]!);
  const chain: string[] = [];
  for (let o: Placed | undefined = last; o; o = o.because ? placed.get(o.because) : undefined) chain.unshift(o.id);
  return { operations, finish: operations.length > 0 ? last.ready : calendar.start, chain };
}

function place(o: Operation, calendar: Calendar, placed: ReadonlyMap<string, Placed>, used: Used): Placed | Refusal {
  const before = o.after.map((b) => placed.get(b)!);
  const latest = before.reduce<Placed | undefined>((a, b) => (!a || b.ready > a.ready ? b : a), undefined);
  const day = o.notBefore ? DateTime.fromISO(o.notBefore, { zone: calendar.zone }).toMillis() / 60_000 : -Infinity;
  const ready = Math.max(calendar.start, latest?.ready ?? -Infinity);
  const from = Math.max(ready, day);
  const hands = Math.min(o.hands, calendar.people);
  const wanted = Math.max(0, Math.ceil(o.minutes / SLOT - 1e-9));
  const { slots, blocked } = slotsFor(o, calendar, { from, hands, wanted }, used);
  if (slots.length < wanted)
    return refuse(
      o.name,
      o.whole
        ? `its ${Math.round(o.minutes)} min in one go find no open day${o.outdoors ? ' by daylight' : ''}`
        : 'it finds no open hours',
      `hours for it within ${HORIZON_DAYS} days`,
    );
  for (const at of slots) {
    const here = used.get(at) ?? { hands: 0, by: [] };
    used.set(at, { hands: here.hands + hands, by: [...here.by, o.id] });
  }
  const start = slots[0] ?? from;
  const end = slots.length > 0 ? slots.at(-1)! + SLOT : from;
  const done = waited(o, end, calendar);
  if (isRefusal(done)) return done;
  // The clock goes on from what was waited for last: hands that were busy, else what came before.
  const because = blocked ?? (day > ready ? undefined : latest?.id);
  return { ...o, start, end, ready: done, short: o.hands > calendar.people, ...(because ? { because } : {}) };
}

type Used = Map<Minute, { hands: number; by: string[] }>;

/** The first slots from a time on that are open and have hands free; in one go where it must be. `blocked`: what had the hands before. */
function slotsFor(
  o: Operation,
  calendar: Calendar,
  { from, hands, wanted }: { readonly from: Minute; readonly hands: number; readonly wanted: number },
  used: Used,
): { readonly slots: readonly Minute[]; readonly blocked: string | undefined } {
  const slots: Minute[] = [];
  let blocked: string | undefined;
  for (const s of calendar.open(from)) {
    if (slots.length === wanted) break;
    const here = used.get(s.at);
    const full = (here?.hands ?? 0) + hands > calendar.people;
    const shut = full || (o.outdoors === true && !s.light);
    if (full && slots.length === 0) blocked = here!.by[0];
    const broken = slots.length > 0 && s.at !== slots.at(-1)! + SLOT;
    if (o.whole && (shut || broken)) slots.length = 0;
    if (!shut) slots.push(s.at);
  }
  return { slots, blocked };
}

const HOUR = 60;
/** A cure is followed in pieces of this length. */
const PIECE = 15;

/** When a wait is over: cured by the part of its time that each quarter of an hour brings at that day’s temperature. */
function waited(o: Operation, end: Minute, calendar: Calendar): Minute | Refusal {
  const by = end + (o.waitHours ?? 0) * HOUR;
  if (!o.cure) return by;
  const { product, points } = o.cure;
  let cured = 0;
  let at = end;
  const known = new Map<number, number>();
  while (cured < 1 - 1e-9) {
    const c = calendar.temperature(at);
    let hours = known.get(c);
    if (hours === undefined) {
      const found = cureTime(product, points, c);
      if (isRefusal(found)) {
        const day = DateTime.fromMillis(at * 60_000, { zone: calendar.zone }).toISODate();
        return refuse(o.name, `${found.because} on ${day}`, found.allowed);
      }
      known.set(c, (hours = found.hours));
    }
    const piece = Math.min(PIECE, (1 - cured) * hours * HOUR);
    cured += piece / (hours * HOUR);
    at += piece;
    if (at - end > HORIZON_DAYS * 24 * HOUR)
      return refuse(o.name, 'its cure does not end within the plan', `${HORIZON_DAYS} days`);
  }
  return Math.max(by, Math.ceil(at - 1e-6));
}
