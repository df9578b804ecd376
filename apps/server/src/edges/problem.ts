import type { ErrorRequestHandler, Response } from 'express';
import { troubleOf } from '../database/trouble';
import { Busy, NotStarted, TookTooLong } from '../pool/workers';
import { refusalText, type Refusal } from '@core/units/refusal';

/** RFC 9457 problem details; `refusals` name the fields. */
export function problem(res: Response, status: number, title: string, more: Record<string, unknown> = {}): void {
  res
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status, ...more }));
}

export function refused(res: Response, refusals: readonly Refusal[]): void {
  problem(res, 422, 'The job is refused', { detail: refusals.map(refusalText).join('\n'), refusals });
}

/** A stored document that does not read: what is wrong, and that its text can be taken out. */
export function unread(res: Response, { because }: { because: string }): void {
  problem(res, 422, 'The stored job does not read', {
    detail: `${because}. Its text can be taken out as a file; nothing was changed.`,
  });
}

interface HttpError {
  status?: number;
  type?: string;
  limit?: number;
}

/** Last in line: body-parser's refusals by name, everything else logged and answered without its insides. */
export const errorHandler: ErrorRequestHandler = (error: HttpError, req, res, next) => {
  if (res.headersSent) {
    next(error);
    return;
  }
  if (error.type === 'entity.too.large') {
    problem(res, 413, 'The file is too large', {
      detail: `file: larger than is read — allowed: up to ${(error.limit ?? 0) / 1e6} MB`,
    });
  } else if (error.type === 'entity.parse.failed') {
    problem(res, 400, 'The file is not JSON', {
      detail: 'file: it is not JSON, or ends too early — allowed: a whole job file as exported',
    });
  } else if (troubleOf(error)) {
    const { status, title, detail } = troubleOf(error)!;
    req.log?.error({ err: error }, title);
    problem(res, status, title, { detail });
  } else if (error instanceof TookTooLong || error instanceof Busy) {
    problem(res, error.status, 'The server could not do it in time', { detail: error.message });
  } else if (error instanceof NotStarted) {
    problem(res, error.status, 'The server cannot judge or print now; nothing was changed', { detail: error.message });
  } else if (error.status !== undefined && error.status < 500) {
    problem(res, error.status, 'The request is refused');
  } else if (res.destroyed || (error as Error).name === 'AbortError') {
    // Whoever asked has gone: there is nobody to answer, and nothing failed.
    res.destroy();
  } else {
    req.log?.error({ err: error }, 'request failed');
    problem(res, 500, 'Something went wrong on the server; nothing was changed');
  }
};
