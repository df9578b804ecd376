import type { Response } from 'express';
import { z } from 'zod';
import { atFoot } from '@core/job/at-foot';
import { isResolved, resolve, type Resolved } from '@core/job/resolve';
import type { Job } from '@core/job/schema';
import { cutParts, type CutPart } from '@core/shop/cut-parts';
import { markOf, partList } from '@core/shop/part-list';
import { sheetWords, type SheetWords } from '@core/shop/sheet-words';
import { fileName } from '@paper/file-name';
import { problem, refused, unread } from '../edges/problem';
import { isUnreadable, type JobStore, type StoredJob } from '../jobs/job-store';

/** A stored job at one foot, ready to make sheets of. */
export interface Ready {
  readonly stored: StoredJob;
  readonly job: Job;
  /** For file names: of several feet the one it is of. */
  readonly foot: string;
  readonly r: Resolved;
  readonly say: (part: CutPart) => SheetWords;
}

/** Today, ISO. */
export const today = (): string => new Date().toISOString().slice(0, 10);

/** The stored job; undefined where the refusal is answered. */
export function storedJob(store: JobStore, id: string, res: Response): StoredJob | undefined {
  const stored = store.get(id);
  if (!stored) problem(res, 404, 'There is no such job');
  else if (isUnreadable(stored)) unread(res, stored);
  else return stored;
  return undefined;
}

/** The job at a foot, the first where none is asked for; undefined where the refusal is answered. */
export function readyAt(store: JobStore, id: string, foot: string | undefined, res: Response): Ready | undefined {
  const stored = storedJob(store, id, res);
  if (!stored) return undefined;
  const { feet } = stored.job;
  const asked = foot === undefined ? feet[0] : feet.find((f) => f.id === foot);
  if (!asked) {
    problem(res, 404, 'There is no such foot', { detail: `foot: not here — allowed: ${feet.map((f) => f.id).join(', ')}` });
    return undefined;
  }
  const job = atFoot(stored.job, asked.id);
  const r = resolve(job);
  if (!isResolved(r)) {
    refused(res, r);
    return undefined;
  }
  const list = partList(stored.job);
  const mark = (part: CutPart) => ('parts' in list ? markOf(list.parts, asked, part.id) : undefined);
  const say = sheetWords(r, { version: stored.version, on: today() }, mark);
  return { stored, job, foot: feet.length > 1 ? `, ${asked.name}` : '', r, say };
}

export function partOf({ r }: Ready, id: string, res: Response): CutPart | undefined {
  const parts = cutParts(r);
  const part = parts.find((p) => p.id === id);
  if (!part)
    problem(res, 404, 'There is no such part', {
      detail: `part: not cut here — allowed: ${parts.map((p) => p.id).join(', ')}`,
    });
  return part;
}

/** What was asked of a sheet, or a problem that names the field and what is allowed. */
export function read<T>(schema: z.ZodType<T>, query: unknown, res: Response): T | undefined {
  const asked = schema.safeParse(query);
  if (asked.success) return asked.data;
  problem(res, 400, 'That sheet is not known', { detail: asked.error.issues.map((i) => i.message).join('; ') });
  return undefined;
}

export const oneOf = <const T extends readonly [string, ...string[]]>(name: string, values: T) =>
  z.enum(values, `${name}: not known — allowed: ${values.join(', ')}`);

/** The answer as a file with a name that says what it is of. */
export const asFile = (res: Response, { job, version }: StoredJob, what: string, ending: string): Response =>
  res.attachment(fileName(job.name, what, version, ending));
