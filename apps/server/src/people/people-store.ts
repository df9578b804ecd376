import { query, type Db } from '../database/open-database';
import { hashed, isPassphrase } from './passphrase';
import type { Role } from './roles';

export interface Person {
  readonly initials: string;
  readonly name: string;
  readonly role: Role;
}
export interface ListedPerson extends Person {
  /** Until when nobody comes in under this name; empty where it is open. */
  readonly lockedUntil: string;
}

interface Row extends Person {
  readonly passphrase: string;
  readonly failed: number;
  readonly locked_until: string;
}

/** Wrong tries until a name is locked, and for how long, ms. */
const TRIES = 5;
const LOCKED = 15 * 60_000;

export type Entered =
  | { readonly kind: 'in'; readonly person: Person }
  | { readonly kind: 'no' }
  | { readonly kind: 'locked'; readonly until: string };

/** Who may come in. A passphrase is kept as its Argon2id hash alone. */
export class PeopleStore {
  private readonly sql;

  constructor(private readonly db: Db) {
    this.sql = {
      list: db.prepare<[], Row>(query('list-people')),
      get: db.prepare<[string], Row>(query('get-person')),
      keepers: db.prepare<[], { keepers: number }>(query('count-keepers')),
      insert: db.prepare(query('insert-person')),
      update: db.prepare(query('update-person')),
      passphrase: db.prepare(query('set-passphrase')),
      failed: db.prepare(query('set-failed')),
      delete: db.prepare(query('delete-person')),
      leave: db.prepare(query('delete-sessions-of')),
    };
  }

  list(): ListedPerson[] {
    return this.sql.list
      .all()
      .map(({ initials, name, role, locked_until: lockedUntil }) => ({ initials, name, role, lockedUntil }));
  }

  /** Whether somebody can keep the shop: without one nobody could let others in. */
  isKept(): boolean {
    return this.sql.keepers.get()!.keepers > 0;
  }

  /** False where the initials are taken. */
  async add(person: Person, passphrase: string): Promise<boolean> {
    const row = { ...person, passphrase: await hashed(passphrase), now: new Date().toISOString() };
    return this.sql.insert.run(row).changes > 0;
  }

  /** False where there is no such person, or it would leave the shop without a keeper. A person with another role comes in anew. */
  change({ initials, name, role }: Person): boolean {
    return this.whileKept(() => {
      this.sql.leave.run(initials);
      return this.sql.update.run({ initials, name, role }).changes > 0;
    });
  }

  /** Everywhere they are in, they come in anew. */
  async setPassphrase(initials: string, passphrase: string): Promise<boolean> {
    const row = { initials, passphrase: await hashed(passphrase) };
    return this.db.transaction(() => {
      this.sql.leave.run(initials);
      return this.sql.passphrase.run(row).changes > 0;
    })();
  }

  /** False where there is no such person, or it would leave the shop without a keeper. */
  remove(initials: string): boolean {
    return this.whileKept(() => this.sql.delete.run(initials).changes > 0);
  }

  private whileKept(f: () => boolean): boolean {
    const kept = this.isKept();
    try {
      return this.db.transaction(() => {
        const done = f();
        if (kept && !this.isKept()) throw new NoKeeper();
        return done;
      })();
    } catch (e) {
      if (e instanceof NoKeeper) return false;
      throw e;
    }
  }

  /** Lets somebody in, or counts the wrong try: after five the name is locked for a quarter of an hour. */
  async enter(initials: string, passphrase: string, now = Date.now()): Promise<Entered> {
    const row = this.sql.get.get(initials.toUpperCase());
    const right = await isPassphrase(passphrase, row?.passphrase);
    if (!row) return { kind: 'no' };
    // What is locked says so to a right passphrase too, and no sooner than to a wrong one.
    if (row.locked_until !== '' && Date.parse(row.locked_until) > now) return { kind: 'locked', until: row.locked_until };
    if (right) {
      this.sql.failed.run({ initials: row.initials, failed: 0, until: '' });
      return { kind: 'in', person: { initials: row.initials, name: row.name, role: row.role } };
    }
    // As it is by now: others may have tried meanwhile.
    const failed = (this.sql.get.get(row.initials)?.failed ?? 0) + 1;
    const until = failed >= TRIES ? new Date(now + LOCKED).toISOString() : '';
    this.sql.failed.run({ initials: row.initials, failed: until ? 0 : failed, until });
    return until ? { kind: 'locked', until } : { kind: 'no' };
  }
}

class NoKeeper extends Error {}
