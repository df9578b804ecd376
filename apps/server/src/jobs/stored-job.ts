import type { Response } from 'express';
import { problem, unread } from '../edges/problem';
import { isUnreadable, type JobStore, type StoredJob } from './job-store';

/** The stored job; undefined where the refusal is answered. */
export function storedJob(store: JobStore, id: string, res: Response): StoredJob | undefined {
  const stored = store.get(id);
  if (!stored) problem(res, 404, 'There is no such job');
  else if (isUnreadable(stored)) unread(res, stored);
  else return stored;
  return undefined;
}
