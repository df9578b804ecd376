import { DateTime } from 'luxon';
import type { Making } from '../job/making';
import { USUAL_TEMPERATURE } from '../job/making';
import type { ShopSettings } from '../stock/shop-settings';
import { refuse, type Refusal } from '../units/refusal';

/** Minutes since 1970, UTC: what the calendar counts in. */
export type Minute = number;

/** Work is laid out in pieces of this length. */
export const SLOT = 5;
/** No plan goes further than this. */
export const HORIZON_DAYS = 200;

/** A piece of the shop’s time, and whether it is light then. */
export interface Slot {
  readonly at: Minute;
  readonly light: boolean;
}

export interface Calendar {
  readonly zone: string;
  readonly people: number;
  readonly start: Minute;
  /** Slots in which the shop is open, from a time on, as far as plans go. */
  open(from: Minute): Iterable<Slot>;
  /** °C of the day a minute is in. */
  temperature(at: Minute): number;
}

const minute = (d: DateTime): Minute => Math.round(d.toMillis() / 60_000);
export const dayOf = (at: Minute, zone: string): string => DateTime.fromMillis(at * 60_000, { zone }).toISODate()!;
/** "Tue 3 Mar, 14:05". */
export const whenWords = (at: Minute, zone: string): string =>
  DateTime.fromMillis(at * 60_000, { zone, locale: 'en-GB' }).toFormat('ccc d LLL, HH:mm');

/** Days of the shop from `start` on, by its own clock: an hour that a change of clocks takes or gives is not lost. Refuses a shop that never opens. */
export function calendarOf(shop: ShopSettings, making: Making | undefined, today: string): Calendar | Refusal {
  const first = DateTime.fromISO(making?.start ?? today, { zone: shop.zone });
  if (!first.isValid) return refuse('start', `${making?.start ?? today} is no day`, 'a day: as 2026-03-04');
  if (shop.week.every((d) => d === null))
    return refuse('week', 'the shop is closed every day of the week', 'hours on one day at least');
  const closed = new Set(shop.closed);
  /** One day: when it ends, what it is called, and its slots. Made when somebody looks that far. */
  const days: { readonly end: Minute; readonly iso: string; readonly slots: readonly Slot[] }[] = [];
  const dayAt = (i: number) => (days[i] ??= oneDay(first.plus({ days: i }), shop, closed, making?.daylight));
  function* open(from: Minute): Iterable<Slot> {
    for (let i = 0; i < HORIZON_DAYS; i++) {
      const { end, slots } = dayAt(i);
      if (end > from) yield* slots.filter((s) => s.at >= from);
    }
  }
  const start = minute(first);
  if (open(start)[Symbol.iterator]().next().done)
    return refuse('closed', 'the shop is closed on every day of the plan', `an open day within ${HORIZON_DAYS} days`);
  const usual = making?.temperature ?? USUAL_TEMPERATURE;
  const own = making?.days ?? {};
  const dayOfMinute = (at: Minute): string => {
    for (let i = 0; i < HORIZON_DAYS; i++) if (dayAt(i).end > at) return dayAt(i).iso;
    return '';
  };
  return {
    zone: shop.zone,
    people: shop.people,
    start,
    open,
    temperature: Object.keys(own).length === 0 ? () => usual : (at) => own[dayOfMinute(at)] ?? usual,
  };
}

function oneDay(day: DateTime, shop: ShopSettings, closed: ReadonlySet<string>, daylight: Making['daylight']) {
  const iso = day.toISODate()!;
  const end = minute(day.plus({ days: 1 }));
  const hours = shop.week[day.weekday - 1];
  if (!hours || closed.has(iso)) return { end, iso, slots: [] };
  const at = (clock: string) => minute(day.set({ hour: Number(clock.slice(0, 2)), minute: Number(clock.slice(3)) }));
  const [dawn, dusk] = daylight ? [at(daylight.from), at(daylight.to)] : [-Infinity, Infinity];
  const slots: Slot[] = [];
  const shut = at(hours.to);
  for (let m = at(hours.from); m + SLOT <= shut; m += SLOT) slots.push({ at: m, light: m >= dawn && m + SLOT <= dusk });
  return { end, iso, slots };
}
