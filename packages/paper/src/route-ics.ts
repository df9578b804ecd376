import { createEvents, type DateArray, type EventAttributes } from 'ics';
import type { Minute } from '@core/shop/calendar';
import type { Schedule } from '@core/shop/schedule';

const utc = (at: Minute): DateArray => {
  const d = new Date(at * 60_000);
  return [d.getUTCFullYear(), d.getUTCMonth() + 1, d.getUTCDate(), d.getUTCHours(), d.getUTCMinutes()];
};

/** The route as a calendar (RFC 5545): one event an operation, its wait and what is signed in the description. Throws where the package refuses an event. */
export function routeIcs(plan: Schedule, job: { readonly id: string; readonly name: string; readonly issue: string }): string {
  const events = plan.operations
    .filter((o) => o.end > o.start)
    .map((o): EventAttributes => {
      const wait = o.ready > o.end ? `then waits ${((o.ready - o.end) / 60).toFixed(1)} h` : '';
      const lines = [
        o.says,
        o.machine ? `machine: ${o.machine}` : '',
        wait,
        o.hold ? `sign before going on: ${o.hold}` : '',
        job.issue,
      ];
      return {
        uid: `${job.id}-${o.id}@mast-shoe`,
        title: `${job.name}: ${o.name}`,
        description: lines.filter(Boolean).join('\n'),
        start: utc(o.start),
        startInputType: 'utc',
        startOutputType: 'utc',
        end: utc(o.end),
        endInputType: 'utc',
        endOutputType: 'utc',
        productId: '-//Mast Shoe//route//EN',
      };
    });
  const { error, value } = createEvents(events);
  if (error || !value) throw error ?? new Error('the calendar is empty');
  return value;
}
