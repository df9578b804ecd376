import type { Logger } from 'pino';
import type { Db } from '../database/open-database';
import { backUp, backupsIn } from './backup';

const HOUR = 3_600_000;
/** A backup older than this is followed by another. */
const DAY = 24 * HOUR;

/** How the backups stand: for whoever keeps the shop. */
export interface BackupState {
  /** When the newest was made; empty where there is none. */
  readonly last: string;
  readonly many: number;
  /** Why the last try failed; empty where it did not. */
  readonly failed: string;
}

export interface NightlyParts {
  readonly db: Db;
  readonly photos: string;
  readonly folder: string;
  readonly log: Logger;
}

/** Backs up once a day, as long as the server runs, and says how that stands. */
export class Nightly {
  private failed = '';
  private timer: ReturnType<typeof setInterval> | undefined;
  private under: Promise<void> = Promise.resolve();

  constructor(private readonly of: NightlyParts) {}

  start(): void {
    this.look();
    this.timer = setInterval(() => this.look(), HOUR);
    this.timer.unref();
  }

  /** Resolves when no backup is being written. */
  async stop(): Promise<void> {
    clearInterval(this.timer);
    await this.under;
  }

  state(): BackupState {
    const names = backupsIn(this.of.folder);
    const last = names.at(-1) ?? '';
    return { last: last && timeOf(last).toISOString(), many: names.length, failed: this.failed };
  }

  private look(): void {
    const last = backupsIn(this.of.folder).at(-1);
    if (last && Date.now() - timeOf(last).getTime() < DAY) return;
    this.under = this.under.then(() => this.once());
  }

  private async once(): Promise<void> {
    const { db, photos, folder, log } = this.of;
    try {
      const name = await backUp(db, photos, folder);
      this.failed = '';
      log.info({ name }, 'backed up');
    } catch (error) {
      this.failed = error instanceof Error ? error.message : String(error);
      log.error({ err: error }, 'the backup failed; it is tried again in an hour');
    }
  }
}

const timeOf = (name: string): Date => new Date(`${name.slice(0, 13)}:${name.slice(13, 15)}:${name.slice(15, 17)}Z`);
