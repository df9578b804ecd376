import { nextLine } from '../prove/chain';
import type { About, Body, BodyOf, Entry, Line } from '../prove/log-entry';

/** Ids in a row, so that a failing test reads the same twice. */
export const testId = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

export type Written = {
  readonly body: Body;
  readonly about?: About;
  readonly corrects?: string;
  readonly at?: string;
  readonly version?: number;
};

/** Lines of a book, a minute apart, by one hand. */
export function logOf(entries: readonly Written[], job = 't'): Line[] {
  const lines: Line[] = [];
  entries.forEach(({ body, about = { foot: 'F1' }, corrects, at, version = 1 }, i) => {
    const time = at ?? new Date(Date.UTC(2026, 4, 2, 10, i)).toISOString();
    const entry: Entry = { id: testId(i + 1), at: time, by: 'AM', version, about, body, ...(corrects ? { corrects } : {}) };
    lines.push(nextLine(job, lines.at(-1), entry, time));
  });
  return lines;
}

/** A dimension found so. */
export const found = (key: string, value: number | readonly number[], nominal: number, limit = 0.5): BodyOf<'dimension'> => ({
  kind: 'dimension',
  key,
  name: key,
  when: 'at fit',
  nominal,
  under: limit,
  over: limit,
  readings: typeof value === 'number' ? [value] : [...value],
});
