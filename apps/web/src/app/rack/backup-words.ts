/** How the backups stand, as the server says it. */
export interface BackupState {
  readonly last: string;
  readonly many: number;
  readonly failed: string;
}

/** A backup older than two days is not what a shop rests on. */
const OLD = 2 * 86_400_000;

/** The state in words, and whether somebody should look; null where no backups are made. */
export function backupWords(b: BackupState | null, now = new Date()): { readonly says: string; readonly bad: boolean } | null {
  if (!b) return null;
  const old = !b.last || now.getTime() - new Date(b.last).getTime() > OLD;
  const last = b.last ? `Last backup ${b.last.slice(0, 16).replace('T', ' ')} UTC, ${b.many} kept.` : 'No backup yet.';
  return { says: b.failed ? `${last} The last try failed: ${b.failed}.` : last, bad: old || b.failed !== '' };
}
