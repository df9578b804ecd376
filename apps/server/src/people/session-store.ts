import { createHash, randomBytes } from 'node:crypto';
import { query, type Db } from '../database/open-database';
import type { Person } from './people-store';

/** Longest a session lasts, and longest it may rest, ms. */
const WHOLE = 30 * 86_400_000;
const IDLE = 3 * 86_400_000;
/** How exactly it is known when a session was last used, ms. */
const SEEN = 60_000;

export const digest = (token: string): string => createHash('sha256').update(token).digest('hex');
export const freshToken = (): string => randomBytes(32).toString('base64url');

/** Who is in, by the token their browser holds; only its hash is kept. */
export class SessionStore {
  private readonly sql;

  constructor(db: Db) {
    this.sql = {
      insert: db.prepare(query('insert-session')),
      get: db.prepare<[string], Person & { created_at: string; seen_at: string }>(query('get-session')),
      see: db.prepare(query('see-session')),
      delete: db.prepare(query('delete-session')),
      old: db.prepare(query('delete-old-sessions')),
    };
  }

  /** A new session's token. */
  open(initials: string, now = Date.now()): string {
    const token = freshToken();
    this.sql.old.run({ oldest: iso(now - WHOLE), idle: iso(now - IDLE) });
    this.sql.insert.run({ hash: digest(token), initials, now: iso(now) });
    return token;
  }

  /** Who holds a token; undefined where it is over. */
  who(token: string, now = Date.now()): Person | undefined {
    const hash = digest(token);
    const row = this.sql.get.get(hash);
    if (!row) return undefined;
    const { created_at, seen_at, ...person } = row;
    if (Date.parse(created_at) < now - WHOLE || Date.parse(seen_at) < now - IDLE) {
      this.sql.delete.run(hash);
      return undefined;
    }
    if (Date.parse(seen_at) < now - SEEN) this.sql.see.run({ hash, now: iso(now) });
    return person;
  }

  close(token: string): void {
    this.sql.delete.run(digest(token));
  }
}

const iso = (ms: number): string => new Date(ms).toISOString();
