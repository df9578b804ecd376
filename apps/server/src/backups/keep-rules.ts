/** How many of the newest of each are kept. */
const DAYS = 14;
const WEEKS = 8;
const MONTHS = 12;

/** Name of a backup by when it was made: sorts as time does. */
export const backupName = (at: Date): string => at.toISOString().slice(0, 19).replaceAll(':', '');
export const BACKUP = /^\d{4}-\d\d-\d\dT\d{6}$/;

const week = (name: string): string => {
  const day = new Date(`${name.slice(0, 10)}T00:00:00Z`);
  // Weeks by their Monday.
  return new Date(day.getTime() - ((day.getUTCDay() + 6) % 7) * 86_400_000).toISOString().slice(0, 10);
};

/** Backups that no rule keeps: of each day the newest for a fortnight, of each week for two months, of each month for a year. */
export function notKept(names: readonly string[]): string[] {
  const newestFirst = [...names].sort().reverse();
  const kept = new Set(newestFirst.slice(0, 1));
  const rule = (of: (name: string) => string, many: number) => {
    const seen = new Set<string>();
    for (const name of newestFirst) {
      const key = of(name);
      if (seen.has(key) || seen.size >= many) continue;
      seen.add(key);
      kept.add(name);
    }
  };
  rule((n) => n.slice(0, 10), DAYS);
  rule(week, WEEKS);
  rule((n) => n.slice(0, 7), MONTHS);
  return newestFirst.filter((n) => !kept.has(n)).reverse();
}
