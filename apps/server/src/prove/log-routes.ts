import { json, raw, Router, type Response } from 'express';
import * as z from 'zod';
import { LOG_FORMAT, logFile, verifyChain } from '@core/prove/chain';
import { Entry, isOf, standing, type Line } from '@core/prove/log-entry';
import { fileName } from '@paper/file-name';
import { personOf } from '../people/guard';
import type { Person } from '../people/people-store';
import { may } from '../people/roles';
import type { Workers } from '../pool/workers';
import { problem } from '../edges/problem';
import type { JobStore, StoredJob } from '../jobs/job-store';
import { storedJob } from '../jobs/stored-job';
import type { ShopStore } from '../shop/shop-store';
import type { LogStore } from './log-store';
import { MAX_PHOTO, type Missing, type PhotoStore } from './photo-store';

/** Most entries handed in at once. */
const MOST = 200;
const Batch = z.strictObject({
  entries: z.array(z.unknown()).min(1, 'entries: allowed: 1 to 200').max(MOST, 'entries: allowed: 1 to 200'),
});
const After = z.coerce.number().int().min(0).default(0);

export interface ProveParts {
  readonly store: JobStore;
  readonly shop: ShopStore;
  readonly book: LogStore;
  readonly photos: PhotoStore;
  readonly workers: Workers;
}

/** The logbook of a job: read, added to, taken out as a file; and the photographs it speaks of. */
export function logRoutes({ store, shop, book, photos, workers }: ProveParts): Router {
  const routes = Router({ mergeParams: true });

  routes.get('/:id/log', (req, res) => {
    const after = After.safeParse(req.query['after']);
    const stored = after.success ? storedJob(store, req.params.id, res) : problem(res, 400, 'after: allowed: a line’s number');
    if (stored) res.json({ version: stored.version, lines: book.lines(stored.job.id, after.data) });
  });

  routes.post('/:id/log', json({ limit: 4_000_000 }), async (req, res) => {
    const stored = storedJob(store, req.params.id, res);
    const batch = stored && Batch.safeParse(req.body);
    if (!stored || !batch) return;
    if (!batch.success) return refused(res, 0, batch.error.issues[0]!.message);
    const entries: Entry[] = [];
    for (const [index, one] of batch.data.entries.entries()) {
      const read = Entry.safeParse(one);
      if (!read.success) {
        const [issue] = read.error.issues;
        return refused(res, index, `${issue!.path.join('.') || 'entry'}: ${issue!.message}`);
      }
      const no = notTheirs(read.data, personOf(res));
      if (no) return refused(res, index, no);
      entries.push(read.data);
    }
    const stamp = entries.some(isStamp) ? await mayStamp(stored) : undefined;
    const appended = book.append(stored.job.id, entries, (entry, lines) => mayNot(entry, stored, lines, stamp));
    if (appended.kind === 'refused') return refused(res, appended.index, appended.because);
    res.json({ lines: appended.lines });
  });

  /** Whether the job can be stamped as it and its book are now: judged in a worker, before the book is opened for writing. */
  async function mayStamp(stored: StoredJob): Promise<Stamping> {
    const lines = book.lines(stored.job.id);
    const { settings } = shop.get();
    const no = await workers.run({ kind: 'stamp', text: JSON.stringify(stored.job), shop: settings, lines });
    return { no, after: lines.length };
  }

  /** Why an entry is not taken into this job’s book; empty where it is. */
  function mayNot(entry: Entry, stored: StoredJob, lines: () => readonly Line[], stamp: Stamping | undefined): string {
    if (entry.version > stored.version) return `version: ${entry.version} is not there yet — allowed: up to ${stored.version}`;
    const { body } = entry;
    if (body.kind === 'photo' && !photos.has(body.sha256))
      return 'body.sha256: that photograph has not come in — allowed: one that was sent first';
    if (!isStamp(entry)) return '';
    const now = store.text(stored.job.id)?.version ?? 0;
    if (entry.version !== now) return `version: the job is at ${now} — allowed: a stamp on the job as it is now`;
    const written = lines();
    const proof = standing(written).filter(isOf('proof')).at(-1)?.entry;
    // What was pulled was another job than the one that would be stamped.
    if (proof && proof.version !== now)
      return `body.operation: it cannot be stamped: the last proof is of version ${proof.version}, the job is at ${now}: prove it again`;
    // Judged on what was there then; whatever was written since may say otherwise.
    if (!stamp || written.length !== stamp.after || stored.version !== now)
      return 'body.operation: something was written while it was looked at — allowed: stamp it again';
    return stamp.no ? `body.operation: it cannot be stamped: ${stamp.no}` : '';
  }

  routes.get('/:id/log.json', (req, res) => {
    const stored = storedJob(store, req.params.id, res);
    if (!stored) return;
    res
      .attachment(fileName(stored.job.name, 'logbook', stored.version, 'json'))
      .send(JSON.stringify(logFile(stored.job, book.lines(stored.job.id)), null, 1));
  });

  routes.get('/:id/log/verify', (req, res) => {
    const stored = storedJob(store, req.params.id, res);
    if (stored) res.json({ format: LOG_FORMAT, ...verifyChain(stored.job.id, book.lines(stored.job.id)) });
  });

  routes.post('/:id/photos', raw({ type: () => true, limit: MAX_PHOTO }), async (req, res) => {
    const stored = storedJob(store, req.params.id, res);
    if (!stored) return;
    const file: unknown = req.body;
    if (!Buffer.isBuffer(file) || file.length === 0)
      return problem(res, 415, 'No photograph came', { detail: 'photo: it is empty — allowed: JPEG, PNG or WebP' });
    const photo = await photos.add(file);
    if ('because' in photo) return problem(res, 415, 'That is no photograph', { detail: photo.because });
    res.status(201).json(photo);
  });
  return routes;
}

/** What was found of stamping, and after how many lines of the book. */
interface Stamping {
  readonly no: string;
  readonly after: number;
}
/** Why an entry is not this person's to write; empty where it is, or where nobody is asked who they are. */
function notTheirs({ by, body }: Entry, person: Person | undefined): string {
  if (!person) return '';
  if (by !== person.initials) return `by: ${by} is not who writes here — allowed: ${person.initials}`;
  if (body.kind === 'signed' && !may(person.role, 'sign'))
    return 'body: signed — allowed: somebody who may sign; ask whoever keeps the shop';
  return '';
}
const isStamp = ({ body }: Entry): boolean => body.kind === 'signed' && body.operation === 'stamp';

const refused = (res: Response, index: number, because: string): void =>
  problem(res, 422, 'The entry is not taken', { detail: because, index });

const Sha = z.string().regex(/^[0-9a-f]{64}$/);
const GONE: Readonly<Record<Missing, readonly [status: number, title: string]>> = {
  unknown: [404, 'There is no such photograph'],
  missing: [410, 'The photograph’s file is gone from beside the database; the log still names it'],
  damaged: [500, 'The photograph’s file is damaged: it is not what came in; the log still names it'],
};

/** Photographs by what is in them, whole or small. */
export function photoRoutes(photos: PhotoStore): Router {
  const routes = Router();
  routes.get('/:sha', (req, res) => {
    const sha = Sha.safeParse(req.params.sha);
    const found = sha.success ? photos.read(sha.data, req.query['small'] !== undefined) : 'unknown';
    if (typeof found === 'string') {
      const [status, title] = GONE[found];
      return problem(res, status, title);
    }
    res.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(found);
  });
  return routes;
}
