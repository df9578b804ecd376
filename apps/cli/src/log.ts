import { existsSync, readFileSync } from 'node:fs';
import Database from 'better-sqlite3';
import { LogFile, verifyChain, type Verified } from '@core/prove/chain';
import { entryWords } from '@core/prove/words';
import { Entry, SHA256 } from '@core/prove/log-entry';
import type { CliResult } from './refused';

interface Book {
  readonly job: string;
  readonly name: string;
  readonly lines: readonly unknown[];
}

/** `log verify`: goes through a book, of a job in the shop’s database or of a file that was taken out, and names the first broken line. Exit 0 whole, 1 broken, 2 there is no such book. */
export function logVerify(job: string, json: boolean, data: string, head?: string): CliResult {
  if (head !== undefined && !SHA256.test(head))
    return { exit: 2, text: `--head: "${head}" is no hash — allowed: 64 hexadecimal digits` };
  const book = /\.json$/.test(job) || existsSync(job) ? fromFile(job) : fromDatabase(job, data);
  if (typeof book === 'string') return { exit: 2, text: book };
  const found = verifyChain(book.job, book.lines, head);
  const exit = found.whole ? 0 : 1;
  if (json)
    return {
      exit,
      text: JSON.stringify({
        job: book.job,
        name: book.name,
        ...found,
        ...(found.whole ? {} : { entry: book.lines[found.seq - 1] ?? null }),
      }),
    };
  return { exit, text: said(book, found) };
}

function said(book: Book, found: Verified): string {
  if (found.whole)
    return `${book.name}: whole, ${found.lines} ${found.lines === 1 ? 'line' : 'lines'}\nSHA-256 of the last: ${found.head}`;
  const raw = book.lines[found.seq - 1] as { entry?: unknown; received?: string } | undefined;
  const read = Entry.safeParse(raw?.entry);
  const what = read.success
    ? `${read.data.id}, ${read.data.at}, ${read.data.by}: ${entryWords(read.data, 'mm')}`
    : raw
      ? 'it does not read as an entry'
      : 'it is not there';
  return `${book.name}: BROKEN at line ${found.seq}: ${found.because}\nAs it stands now: ${what}`;
}

function fromFile(path: string): Book | string {
  try {
    const read = LogFile.safeParse(JSON.parse(readFileSync(path, 'utf8')));
    if (read.success) return read.data;
    const [issue] = read.error.issues;
    return `file: ${issue!.path.join('.')}: ${issue!.message} — allowed: a logbook as taken out of the program`;
  } catch (e) {
    return `file: ${(e as Error).message} — allowed: a logbook file that can be read`;
  }
}

function fromDatabase(id: string, data: string): Book | string {
  if (!existsSync(data)) return `job: there is no database at ${data} — allowed: MAST_SHOE_DATA, or a logbook file`;
  const db = new Database(data, { readonly: true, fileMustExist: true });
  try {
    const job = db
      .prepare<[string], { name: string | null }>(
        "SELECT CASE WHEN json_valid(document) THEN json_extract(document, '$.name') END AS name FROM job WHERE id = ?",
      )
      .get(id);
    if (!job) {
      const ids = db.prepare<[], { id: string }>('SELECT id FROM job ORDER BY id').all();
      return `job: there is no "${id}" — allowed: ${ids.map((j) => j.id).join(', ')}`;
    }
    const rows = db
      .prepare<[string], { seq: number; prev: string; hash: string; received: string; entry: string }>(
        'SELECT seq, prev, hash, received, entry FROM log WHERE job_id = ? ORDER BY seq',
      )
      .all(id);
    return { job: id, name: job.name ?? id, lines: rows.map((r) => ({ ...r, entry: parsed(r.entry) })) };
  } finally {
    db.close();
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}
