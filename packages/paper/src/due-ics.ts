import { createEvents, type EventAttributes } from 'ics';
import type { Due } from '@core/prove/due';

/** What falls due on a day, over all jobs, as whole-day events (RFC 5545). What goes by use has no day and is left out. Throws where the package refuses an event. */
export function dueIcs(jobs: readonly { readonly id: string; readonly name: string; readonly due: readonly Due[] }[]): string {
  const events = jobs.flatMap((job) =>
    job.due
      .filter((d) => d.on !== '')
      .map((d): EventAttributes => {
        const [y, m, day] = d.on.split('-').map(Number) as [number, number, number];
        const next = new Date(Date.UTC(y, m - 1, day + 1));
        return {
          uid: `${job.id}-${d.task.id}-${d.on}@mast-shoe`,
          title: `${job.name}: ${d.task.name}`,
          description: `${d.task.what}\n${d.task.source}`,
          start: [y, m, day],
          end: [next.getUTCFullYear(), next.getUTCMonth() + 1, next.getUTCDate()],
          productId: '-//Mast Shoe//due//EN',
        };
      }),
  );
  if (events.length === 0) return 'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Mast Shoe//due//EN\r\nEND:VCALENDAR\r\n';
  const { error, value } = createEvents(events);
  if (error || !value) throw error ?? new Error('the calendar is empty');
  return value;
}
