import { refuse, type Refusal } from '../units/refusal';

/** Something that takes time and comes after others. */
export interface Activity {
  readonly id: string;
  readonly takes: number;
  readonly after: readonly string[];
}

export interface Timed {
  readonly id: string;
  readonly early: number;
  readonly late: number;
  /** How much later it may start without the end moving. */
  readonly slack: number;
}

export interface CriticalPath {
  readonly takes: number;
  readonly activities: readonly Timed[];
  /** Those without slack, as they follow each other. */
  readonly critical: readonly string[];
}

const HAIR = 1e-9;

/** Activities so that each comes after those it waits for; refuses a circle, and one that nobody named. */
export function inOrder<A extends Pick<Activity, 'id' | 'after'>>(activities: readonly A[]): readonly A[] | Refusal {
  const by = new Map(activities.map((a) => [a.id, a]));
  for (const a of activities)
    for (const b of a.after)
      if (!by.has(b)) return refuse('route', `${a.id} waits for ${b}, which is not there`, 'operations of the route');
  const out: A[] = [];
  const done = new Set<string>();
  while (out.length < activities.length) {
    const next = activities.filter((a) => !done.has(a.id) && a.after.every((b) => done.has(b)));
    if (next.length === 0) {
      const stuck = activities.filter((a) => !done.has(a.id)).map((a) => a.id);
      return refuse('route', `${stuck.join(', ')} wait for each other`, 'an order with no circle in it');
    }
    for (const a of next) {
      out.push(a);
      done.add(a.id);
    }
  }
  return out;
}

/** Earliest and latest starts by the critical path method (Kelley & Walker 1959): forward over the longest, back from the end. */
export function criticalPath(activities: readonly Activity[]): CriticalPath | Refusal {
  const order = inOrder(activities);
  if ('refused' in order) return order;
  const early = new Map<string, number>();
  const takes = new Map(order.map((a) => [a.id, a.takes]));
  for (const a of order) early.set(a.id, Math.max(0, ...a.after.map((b) => early.get(b)! + takes.get(b)!)));
  const end = Math.max(0, ...order.map((a) => early.get(a.id)! + a.takes));
  const late = new Map<string, number>();
  for (const a of [...order].reverse()) {
    const then = order.filter((b) => b.after.includes(a.id)).map((b) => late.get(b.id)!);
    late.set(a.id, Math.min(end, ...then) - a.takes);
  }
  const timed = order.map(({ id }): Timed => ({
    id,
    early: early.get(id)!,
    late: late.get(id)!,
    slack: late.get(id)! - early.get(id)!,
  }));
  return {
    takes: end,
    activities: timed,
    critical: timed
      .filter((t) => t.slack < HAIR)
      .sort((a, b) => a.early - b.early)
      .map((t) => t.id),
  };
}
