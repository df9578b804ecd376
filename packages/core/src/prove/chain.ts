import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';
import canonicalize from 'canonicalize';
import * as z from 'zod';
import { Entry, SHA256, type Line } from './log-entry';

/** Before the first line. */
export const START = '0'.repeat(64);

/** Every line hashes the one before it (SHA-256, FIPS 180-4) over canonical JSON (RFC 8785). Hexadecimal. */
export const hashOf = (job: string, { seq, prev, received, entry }: Omit<Line, 'hash'>): string =>
  bytesToHex(sha256(utf8ToBytes(canonicalize({ job, seq, prev, received, entry })!)));

/** The next line of a book. */
export function nextLine(job: string, last: Pick<Line, 'seq' | 'hash'> | undefined, entry: Entry, received: string): Line {
  const line = { seq: (last?.seq ?? 0) + 1, prev: last?.hash ?? START, received, entry };
  return { ...line, hash: hashOf(job, line) };
}

/** What came of going through a chain. */
export type Verified =
  | { readonly whole: true; readonly lines: number; readonly head: string }
  | { readonly whole: false; readonly seq: number; readonly because: string };

const LineSchema = z.strictObject({
  seq: z.number().int(),
  prev: z.string().regex(SHA256),
  hash: z.string().regex(SHA256),
  received: z.string(),
  entry: Entry,
});

/** A book as a file. */
export const LOG_FORMAT = 'mast-shoe/log';
export const LogFile = z.strictObject({
  format: z.literal(LOG_FORMAT, `is not "${LOG_FORMAT}"`),
  version: z.literal(1, 'unknown version; allowed: 1'),
  job: z.string().min(1),
  name: z.string(),
  /** Lines as they stand; each is read by itself, so that a broken one is named. */
  lines: z.array(z.unknown()),
});
export type LogFile = z.infer<typeof LogFile>;

export const logFile = (job: { readonly id: string; readonly name: string }, lines: readonly Line[]): LogFile => ({
  format: LOG_FORMAT,
  version: 1,
  job: job.id,
  name: job.name,
  lines: [...lines],
});

/**
 * Goes through a book from its first line and names the first that is broken: not readable, out of turn, not following the one before,
 * or not what was hashed. `head`: a hash that was printed once, which must be in it: lines cut off the end are found by that alone.
 */
export function verifyChain(job: string, lines: readonly unknown[], head?: string): Verified {
  let last: Line | undefined;
  let met = head === undefined || (lines.length === 0 && head === START);
  for (const [i, raw] of lines.entries()) {
    const seq = i + 1;
    const read = LineSchema.safeParse(raw);
    const broken = (because: string): Verified => ({ whole: false, seq, because });
    if (!read.success) {
      const [issue] = read.error.issues;
      return broken(`it cannot be read: ${issue!.path.join('.') || 'line'}: ${issue!.message}`);
    }
    const line = read.data;
    if (line.seq !== seq) return broken(`it is numbered ${line.seq}: a line is missing or out of turn`);
    if (line.prev !== (last?.hash ?? START)) return broken('it does not follow the line before it');
    if (hashOf(job, line) !== line.hash) return broken('its words are not those that were hashed');
    if (line.hash === head) met = true;
    last = line;
  }
  if (!met)
    return {
      whole: false,
      seq: lines.length + 1,
      because: `the line with the hash ${head!.slice(0, 12)}… is not there: lines were cut off`,
    };
  return { whole: true, lines: lines.length, head: last?.hash ?? START };
}
