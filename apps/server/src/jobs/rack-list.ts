import type { Statement } from 'better-sqlite3';
import * as z from 'zod';
import { FAMILIES } from '@core/loads/registry';
import { soonUntil } from '@core/prove/due';
import type { Db } from '../database/open-database';
import type { TagVerdict } from '../verdicts/face';

const STATES = ['sound', 'tight', 'fails', 'refused'] as const;
export const SORTS = ['changed', 'name', 'worst', 'customer', 'due'] as const;
export const PLACES = ['rack', 'archive', 'bin'] as const;

/** What may be asked of the rack. */
export const RackAsked = z.object({
  in: z.enum(PLACES).default('rack'),
  /** Words to find; the beginning of each is enough. */
  q: z.string().max(200, 'q: allowed: up to 200 characters').default(''),
  state: z.enum(STATES).optional(),
  family: z.enum(FAMILIES).optional(),
  customer: z.string().max(80).optional(),
  aboard: z.string().max(80).optional(),
  /** What is overdue, or falls due soon too. */
  due: z.enum(['overdue', 'soon']).optional(),
  sort: z.enum(SORTS).default('changed'),
  from: z.coerce.number().int().min(0).max(1e6).default(0),
  many: z.coerce.number().int().min(1).max(200).default(60),
});
export type RackAsked = z.infer<typeof RackAsked>;

/** A job as it hangs on the rack, without its document. */
export interface Tag {
  readonly id: string;
  readonly name: string;
  readonly family: string;
  readonly customer: string;
  readonly aboard: string;
  readonly note: string;
  readonly version: number;
  readonly archived: boolean;
  readonly binned: boolean;
  /** Invented, and not worked in yet. */
  readonly demo: boolean;
  readonly updatedAt: string;
  /** Why the document does not read; empty where it does. */
  readonly unreadable: string;
  /** The newest there is; null until the job was judged once. */
  readonly verdict: TagVerdict | null;
  /** The version it is of; 0 where another edition of the program gave it. Under the job's own it is being judged anew. */
  readonly judged: number;
  /** The day the first of what it asks for falls due; empty where nothing does, null while that is worked out. */
  readonly due: string | null;
  /** How far what goes by use has come, where it is due soon; empty where nothing is, or that is not known. */
  readonly byUse: string;
}

export interface RackPage {
  /** The shop's day, against which something is overdue. */
  readonly today: string;
  readonly tags: readonly Tag[];
  /** Of all that was asked for. */
  readonly total: number;
  /** How many hang where, whatever was asked for. */
  readonly counts: Readonly<Record<(typeof PLACES)[number] | 'demo', number>>;
  /** What there is to pick from where it was asked. */
  readonly families: readonly string[];
  readonly customers: readonly string[];
  readonly aboard: readonly string[];
  /** Jobs that still wait for their verdict, or for what falls due. */
  readonly waiting: number;
}

const PLACE = {
  rack: 'j.archived = 0 AND j.binned_at IS NULL',
  archive: 'j.archived = 1 AND j.binned_at IS NULL',
  bin: 'j.binned_at IS NOT NULL',
} as const;
const ORDER = {
  changed: 'j.updated_at DESC, j.rowid DESC',
  name: 'j.name COLLATE NOCASE, j.id',
  worst: `CASE v.state WHEN 'fails' THEN 0 WHEN 'refused' THEN 1 WHEN 'tight' THEN 2 WHEN 'sound' THEN 3 ELSE 4 END, v.good_for, j.name COLLATE NOCASE`,
  due: `coalesce(a.next_on, '') = '' AND coalesce(a.by_use, '') = '', coalesce(a.next_on, '') = '', a.next_on, j.name COLLATE NOCASE, j.id`,
  customer: `j.customer = '', j.customer COLLATE NOCASE, j.name COLLATE NOCASE, j.id`,
} as const;
/** What falls due, and verdicts, are joined in only where they are asked about. */
const ASKS = ' LEFT JOIN asks a ON a.job_id = j.id';
/** What was written since in the logbook may have changed what falls due. */
const LINES = '(SELECT count(*) FROM log WHERE log.job_id = j.id)';
const KNOWN = `a.edition = @edition AND a.version = j.version AND a.lines = ${LINES}`;
const JUDGED = `FROM job j LEFT JOIN face f ON f.job_id = j.id LEFT JOIN verdict v ON v.job_id = j.id AND v.version = f.version`;

interface Row extends Omit<Tag, 'archived' | 'binned' | 'demo' | 'verdict'> {
  demo: number;
  archived: number;
  binned: number;
  verdict: string | null;
}

/** The words of a search for FTS5, each the beginning of one; empty where there are none. */
export const matchOf = (q: string): string =>
  (q.match(/[\p{L}\p{N}]+/gu) ?? [])
    .slice(0, 12)
    .map((w) => `"${w}"*`)
    .join(' ');

/** What was asked of a database before is asked again without its text being read anew; there are only so many ways to ask. */
const asksBefore = new WeakMap<Db, Map<string, Statement>>();
function ask<T>(db: Db, sql: string, of: object = {}): T[] {
  const before = asksBefore.get(db) ?? new Map<string, Statement>();
  asksBefore.set(db, before);
  const statement = before.get(sql) ?? db.prepare(sql);
  before.set(sql, statement);
  return statement.all(of) as T[];
}

/** A page of the rack. No document is read for it. */
export function rackPage(db: Db, asked: RackAsked, edition: string, today: string): RackPage {
  const match = matchOf(asked.q);
  const where: string[] = [PLACE[asked.in]];
  const values: Record<string, string | number> = {};
  if (match) {
    where.push('j.id IN (SELECT job_id FROM job_search WHERE job_search MATCH @match)');
    values['match'] = match;
  } else if (asked.q.trim() !== '') where.push('0');
  for (const key of ['family', 'customer', 'aboard'] as const)
    if (asked[key] !== undefined) {
      where.push(`j.${key} = @${key}`);
      values[key] = asked[key];
    }
  if (asked.state !== undefined) {
    where.push('v.state = @state');
    values['state'] = asked.state;
  }
  if (asked.due !== undefined) {
    const over = asked.due === 'overdue';
    where.push(`(a.next_on <> '' AND a.next_on ${over ? '< @until' : "<= @until OR a.by_use <> ''"})`);
    values['until'] = over ? today : soonUntil(today);
  }
  const all = where.join(' AND ');
  const judged = asked.state !== undefined || asked.sort === 'worst';
  const due = asked.due !== undefined || asked.sort === 'due';
  const from = `${judged ? JUDGED : 'FROM job j'}${due ? ASKS : ''}`;
  // Picked first, by what the index has; then only those are read.
  const ids = ask<{ id: string }>(db, `SELECT j.id ${from} WHERE ${all} ORDER BY ${ORDER[asked.sort]} LIMIT @many OFFSET @from`, {
    ...values,
    many: asked.many,
    from: asked.from,
  }).map((r) => r.id);
  const rows = ask<Row>(
    db,
    `SELECT j.id, j.name, j.family, j.customer, j.aboard, j.note, j.version, j.archived, j.binned_at IS NOT NULL AS binned, j.demo,
         j.updated_at AS updatedAt, coalesce(f.unreadable, '') AS unreadable,
         CASE WHEN f.edition = @edition THEN f.version ELSE 0 END AS judged, v.verdict,
         CASE WHEN ${KNOWN} THEN a.next_on END AS due, CASE WHEN ${KNOWN} THEN a.by_use ELSE '' END AS byUse
       FROM json_each(@ids) AS picked JOIN job j ON j.id = picked.value
         LEFT JOIN face f ON f.job_id = j.id LEFT JOIN verdict v ON v.job_id = j.id AND v.version = f.version${ASKS}
       ORDER BY picked.key`,
    { edition, ids: JSON.stringify(ids) },
  );
  const one = <T>(sql: string, of: object = {}) => ask<T>(db, sql, of)[0]!;
  const names = (column: 'family' | 'customer' | 'aboard') =>
    ask<{ name: string }>(
      db,
      `SELECT DISTINCT j.${column} AS name FROM job j WHERE ${PLACE[asked.in]} AND j.${column} <> '' ORDER BY j.${column} COLLATE NOCASE LIMIT 500`,
    ).map((r) => r.name);
  return {
    today,
    tags: rows.map((r) => ({
      ...r,
      archived: r.archived === 1,
      binned: r.binned === 1,
      demo: r.demo === 1,
      verdict: r.verdict === null ? null : (JSON.parse(r.verdict) as TagVerdict),
    })),
    total: one<{ n: number }>(`SELECT count(*) AS n ${from} WHERE ${all}`, values).n,
    counts: one(
      `SELECT coalesce(sum(${PLACE.rack}), 0) AS rack, coalesce(sum(${PLACE.archive}), 0) AS archive, coalesce(sum(${PLACE.bin}), 0) AS bin, coalesce(sum(j.demo), 0) AS demo FROM job j`,
    ),
    families: names('family'),
    customers: names('customer'),
    aboard: names('aboard'),
    waiting: one<{ n: number }>(
      `SELECT count(*) AS n FROM job j LEFT JOIN face f ON f.job_id = j.id${ASKS}
         WHERE f.job_id IS NULL OR f.version < j.version OR f.edition <> @edition
           OR a.job_id IS NULL OR a.version < j.version OR a.edition <> @edition OR a.lines < ${LINES}`,
      { edition },
    ).n,
  };
}
