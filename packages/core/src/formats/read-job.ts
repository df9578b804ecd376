import { parse, type ParseError } from 'jsonc-parser';
import type { z } from 'zod';
import { FORMAT, VERSION } from '../job/schema';
import { WholeJob } from '../job/whole-job';
import { refuse, type Refusal } from '../units/refusal';
import { respelt } from './older/respelt';
import { fromVersion1 } from './older/version-1';
import { fromVersion2 } from './older/version-2';
import { fromVersion3, pathBefore } from './older/version-3';

/** Largest job file read, bytes. */
export const MAX_FILE = 2_000_000;

export type ReadJob = { readonly job: WholeJob } | { readonly refusals: readonly Refusal[] };

/** Line and column of a character, from 1. */
function lineAt(text: string, position: number): string {
  const before = text.slice(0, position).split('\n');
  return `line ${before.length}, column ${before.at(-1)!.length + 1}`;
}

/** Character where the text stops being JSON, which the engine's own message does not always say, and whether it just ends there. */
function stoppedAt(text: string): { at: number; cut: boolean } {
  const errors: ParseError[] = [];
  parse(text, errors, { disallowComments: true });
  const { offset, length } = errors[0] ?? { offset: text.length, length: 0 };
  return { at: offset, cut: offset + length >= text.trimEnd().length };
}

/** Lists and objects in each other, deeper than any job goes; and the whole file where it is a nest of brackets. */
const DEEPEST = 40;

/** Where brackets in a JSON text stand deeper in each other than a job's do; undefined where none does. */
function tooDeep(text: string): Refusal | undefined {
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (quoted) {
      if (c === '\\') i++;
      else if (c === '"') quoted = false;
    } else if (c === '"') quoted = true;
    else if (c === '[' || c === '{') depth++;
    else if (c === ']' || c === '}') depth--;
    if (depth > DEEPEST)
      return refuse('file', `lists stand more than ${DEEPEST} deep in each other (${lineAt(text, i)})`, 'a job file as exported');
  }
  return undefined;
}

/** Reads an open job file. Every refusal names the field and what is allowed; nothing is repaired silently. */
export function readJob(text: string): ReadJob {
  if (text.length > MAX_FILE) {
    return { refusals: [refuse('file', `it is ${(text.length / 1e6).toFixed(1)} MB`, `up to ${MAX_FILE / 1e6} MB`)] };
  }
  const deep = tooDeep(text);
  if (deep) return { refusals: [deep] };
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    const { at, cut } = stoppedAt(text);
    const what = cut ? 'it ends too early, as if cut off' : 'it is not JSON';
    return { refusals: [refuse('file', `${what} (${lineAt(text, at)})`, 'a whole job file as exported')] };
  }
  return readJobData(data);
}

/** What was found where a word or number belongs, shortly. */
function shown(value: unknown): string {
  if (value === undefined) return 'missing';
  if (typeof value === 'object' && value !== null) return Array.isArray(value) ? 'a list' : 'an object';
  const text = JSON.stringify(value);
  return text.length > 40 ? `${text.slice(0, 40)}…` : text;
}

/** The same for data already parsed. */
export function readJobData(data: unknown): ReadJob {
  const head = data as { format?: unknown; version?: unknown } | null;
  if (typeof head !== 'object' || head === null || head.format !== FORMAT) {
    return {
      refusals: [refuse('format', `this is not a job file (format ${shown(head?.format)})`, `"${FORMAT}"`)],
    };
  }
  const current = asCurrent(head as Record<string, unknown>);
  if (!current) {
    return { refusals: [refuse('version', `version ${shown(head.version)} is not known here`, `1 to ${VERSION}`)] };
  }
  const read = WholeJob.safeParse(current);
  if (read.success) return { job: read.data };
  const refusals = refusalsOf(read.error);
  // By the name it has in the file that was given.
  return { refusals: head.version === VERSION ? refusals : refusals.map((r) => ({ ...r, field: pathBefore(r.field) })) };
}

/** The document brought to today's version, one step at a time; undefined where its version is not known. */
function asCurrent(data: Record<string, unknown>): Record<string, unknown> | undefined {
  switch (data['version']) {
    case 1:
      return fromVersion3(respelt(fromVersion2(fromVersion1(data))));
    case 2:
      return fromVersion3(respelt(fromVersion2(data)));
    case 3:
      return fromVersion3(respelt(data));
    case VERSION:
      return data;
    default:
      return undefined;
  }
}

/** Zod's issues as refusals: `bolts.items[2].x`. */
export function refusalsOf(error: z.ZodError): Refusal[] {
  return error.issues.map((issue) => {
    const field =
      issue.path.map((p, i) => (typeof p === 'number' ? `[${p}]` : i === 0 ? String(p) : `.${String(p)}`)).join('') || 'file';
    const m = /^(.*?)(?:[:;,]\s*)?allowed:?\s(.*)$/.exec(issue.message);
    return m ? refuse(field, m[1] || 'is out of range', m[2]!) : refuse(field, issue.message, 'as in docs/format.md');
  });
}

/** The file as exported: two-space JSON, keys in schema order, a line end at the end. */
export const writeJob = (job: WholeJob): string => `${JSON.stringify(WholeJob.parse(job), null, 2)}\n`;
