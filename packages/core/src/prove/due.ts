import { DateTime } from 'luxon';
import { clears } from './findings';
import { isOf, standing, type Line } from './log-entry';
import type { Task } from './tasks';

/** One thing on the due list. Days are ISO, by the shop’s own clock. */
export interface Due {
  readonly task: Task;
  readonly state: 'overdue' | 'soon' | 'later' | 'done' | 'not in use';
  /** When it falls due; of what goes by use only where that is known. */
  readonly on: string;
  /** Done last. */
  readonly last: string;
  /** In words. */
  readonly says: string;
}

/** "Soon" is within so many days. */
const SOON = 30;

/** The last day that counts as soon. */
export const soonUntil = (today: string): string => DateTime.fromISO(today, { zone: 'utc' }).plus({ days: SOON }).toISODate()!;

/** What was told of use since a day: miles and times added up. */
function usedSince(lines: readonly Line[], seq: number): { miles: number; times: number } {
  let miles = 0;
  let times = 0;
  for (const l of lines)
    if (isOf('used')(l) && l.seq > seq) {
      miles += l.entry.body.miles ?? 0;
      times += l.entry.body.times ?? 0;
    }
  return { miles, times };
}

export const dayIn = (at: string, zone: string): string => DateTime.fromISO(at, { zone }).toISODate()!;

/** The day a job went into use: as somebody said, else the day it was stamped; empty before. */
export function inUseFrom(lines: readonly Line[], zone: string): string {
  const counted = standing(lines);
  const said = counted.filter(isOf('used')).find((l) => l.entry.body.from);
  if (said) return said.entry.body.from!;
  const stamp = counted.filter(isOf('signed')).find((l) => l.entry.body.operation === 'stamp');
  return stamp ? dayIn(stamp.entry.at, zone) : '';
}

/** What is due on a job, by its log, on a day. A round is of the foot it was made at: on several feet a task is due when the first of them is. */
export function dueOf(tasks: readonly Task[], lines: readonly Line[], today: string, zone: string): Due[] {
  const counted = standing(lines);
  const from = inUseFrom(lines, zone);
  return tasks.map((task): Due => {
    if (!task.feet) return dueAt(task, undefined, counted, { from, today, zone });
    const each = task.feet.map(({ id, name }) => {
      const due = dueAt(task, id, counted, { from, today, zone });
      return due.state === 'not in use' ? due : { ...due, says: `${name}: ${due.says}` };
    });
    return each.reduce((a, b) => (byDue(b, a) < 0 ? b : a));
  });
}

interface When {
  readonly from: string;
  readonly today: string;
  readonly zone: string;
}

function dueAt(task: Task, foot: string | undefined, counted: readonly Line[], { from, today, zone }: When): Due {
  const rounds = counted
    .filter(isOf('inspected'))
    .filter((l) => l.entry.body.task === task.id && (foot === undefined || l.entry.about.foot === foot));
  const done = rounds.at(-1);
  const last = done ? dayIn(done.entry.at, zone) : '';
  // What was found waits for nobody’s calendar.
  const open = rounds.filter((l) => l.entry.body.found === 'finding' && !rounds.some((b) => clears(b, l))).at(-1);
  if (open) {
    const on = dayIn(open.entry.at, zone);
    return { task, state: 'overdue', on, last, says: 'a finding is open since' };
  }
  if (from === '') return { task, state: 'not in use', on: '', last, says: 'starts when it goes into use' };
  const { every } = task;
  if ('once' in every && every.once && done) return { task, state: 'done', on: '', last, says: `done ${last}` };
  if ('miles' in every || 'times' in every) return byUse(task, counted, done?.seq ?? 0, last);
  const start = DateTime.fromISO(last || from, { zone });
  const on = ('days' in every ? start.plus({ days: every.days }) : start.plus({ months: every.months })).toISODate()!;
  const days = Math.round(DateTime.fromISO(on, { zone: 'utc' }).diff(DateTime.fromISO(today, { zone: 'utc' }), 'days').days);
  const state = days < 0 ? 'overdue' : days <= SOON ? 'soon' : 'later';
  const says =
    days < 0
      ? `${-days} ${days === -1 ? 'day' : 'days'} overdue`
      : days === 0
        ? 'today'
        : `in ${days} ${days === 1 ? 'day' : 'days'}`;
  return { task, state, on, last, says };
}

function byUse(task: Task, counted: readonly Line[], since: number, last: string): Due {
  const used = usedSince(counted, since);
  const [now, at, unit] =
    'miles' in task.every
      ? [used.miles, task.every.miles, 'miles']
      : [used.times, (task.every as { times: number }).times, 'loads'];
  const state = now >= at ? 'overdue' : now >= 0.8 * at ? 'soon' : 'later';
  const says = `${now.toLocaleString('en')} of ${at.toLocaleString('en')} ${unit}${now >= at ? ': due' : ''}`;
  return { task, state, on: '', last, says };
}

/** The day the first of it falls due; what is overdue by use is due on the day asked. Empty where nothing is due by date. */
export function nextDue(due: readonly Due[], today: string): string {
  const days = due.map((d) => d.on || (d.state === 'overdue' ? today : '')).filter(Boolean);
  return days.sort()[0] ?? '';
}

/** How far the first of what goes by use has come, where it is due soon; empty where nothing is. */
export const soonByUse = (due: readonly Due[]): string => due.find((d) => d.state === 'soon' && d.on === '')?.says ?? '';

const ORDER = { overdue: 0, soon: 1, later: 2, 'not in use': 3, done: 4 } as const;
/** Overdue first, the longest first; then what comes soonest. */
export const byDue = (a: Due, b: Due): number =>
  ORDER[a.state] - ORDER[b.state] || (a.on || '9').localeCompare(b.on || '9') || a.task.name.localeCompare(b.task.name);
