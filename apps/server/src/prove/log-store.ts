import canonicalize from 'canonicalize';
import { nextLine } from '@core/prove/chain';
import type { Entry, Line } from '@core/prove/log-entry';
import { query, type Db } from '../database/open-database';

interface Row {
  seq: number;
  prev: string;
  hash: string;
  received: string;
  entry: string;
}

/** What came of handing in some entries: the lines they are, or why none of them was taken. */
export type Appended =
  | { readonly kind: 'taken'; readonly lines: readonly Line[] }
  | { readonly kind: 'refused'; readonly index: number; readonly because: string };

/** The logbooks in SQLite. Lines are only ever added; the tables themselves refuse anything else. */
export class LogStore {
  private readonly sql;
  private readonly changed = new Set<(job: string) => void>();

  constructor(private readonly db: Db) {
    this.sql = {
      insert: db.prepare(query('insert-log-line')),
      list: db.prepare<[{ job: string; after: number }], Row>(query('list-log')),
      last: db.prepare<[string], Row>(query('get-last-log-line')),
      one: db.prepare<[{ job: string; id: string }], Row>(query('get-log-line')),
    };
  }

  /** Hears of every job in whose book something was written. */
  onChange(f: (job: string) => void): void {
    this.changed.add(f);
  }

  /** Lines after a number, in order. A row whose text is no JSON any more comes with an empty entry: the chain then names it. */
  lines(job: string, after = 0): Line[] {
    return this.sql.list.all({ job, after }).map(lineOf);
  }

  /**
   * Entries one after another, all or none, on disk when this returns. One that is in the book already is not written again: the
   * same entry may be sent twice. `may` refuses an entry for a reason of the job’s; `received`: the server’s own time.
   */
  append(
    job: string,
    entries: readonly Entry[],
    may: (entry: Entry, lines: () => readonly Line[]) => string = () => '',
    received: (entry: Entry) => string = () => new Date().toISOString(),
  ): Appended {
    const all = this.db.transaction((): Appended => {
      const out: Line[] = [];
      for (const [index, entry] of entries.entries()) {
        const refused = (because: string): never => {
          throw new Refused({ kind: 'refused', index, because });
        };
        const before = this.sql.one.get({ job, id: entry.id });
        if (before) {
          if (canonicalize(lineOf(before).entry) !== canonicalize(entry))
            refused('id: another entry has it — allowed: an id of its own');
          out.push(lineOf(before));
          continue;
        }
        if (entry.corrects && !this.sql.one.get({ job, id: entry.corrects }))
          refused('corrects: there is no such entry in this book — allowed: an entry of this job');
        const because = may(entry, () => this.lines(job));
        if (because) refused(because);
        const line = nextLine(job, this.sql.last.get(job), entry, received(entry));
        this.sql.insert.run({ job, ...line, id: entry.id, entry: canonicalize(entry)! });
        out.push(line);
      }
      return { kind: 'taken', lines: out };
    });
    try {
      // Two phones at once: the second waits for the first, and follows it.
      const done = all.immediate();
      for (const f of this.changed) f(job);
      return done;
    } catch (e) {
      if (e instanceof Refused) return e.appended;
      throw e;
    }
  }
}

/** Ends the transaction: none of a batch is taken where one is refused. */
class Refused extends Error {
  constructor(readonly appended: Extract<Appended, { kind: 'refused' }>) {
    super(appended.because);
  }
}

function lineOf({ entry, ...row }: Row): Line {
  try {
    return { ...row, entry: JSON.parse(entry) as Entry };
  } catch {
    return { ...row, entry: {} as Entry };
  }
}
