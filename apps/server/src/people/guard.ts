import type { Request, RequestHandler, Response } from 'express';
import { problem } from '../edges/problem';
import type { Person } from './people-store';
import { may, needed } from './roles';
import type { SessionStore } from './session-store';

export const COOKIE = 'mast-shoe-session';

/** The session's token a browser sent. */
export const tokenOf = (req: Request): string | undefined =>
  /(?:^|;\s*)mast-shoe-session=([A-Za-z0-9_-]{43})(?:;|$)/.exec(req.headers.cookie ?? '')?.[1];

/** Who is in; undefined on one machine, where nobody has to say. */
export const personOf = (res: Response): Person | undefined => res.locals['person'] as Person | undefined;

/** What is answered to anybody: whether the server lives, and who is to come in. */
const OPEN = ['/health', '/session'];

/** On the shop's network nothing is answered to a stranger, and each only what their role may. */
export function guard(sessions: SessionStore): RequestHandler {
  return (req, res, next) => {
    const token = tokenOf(req);
    const person = token ? sessions.who(token) : undefined;
    if (person) {
      res.locals['person'] = person;
      res.locals['who'] = person.initials;
    }
    if (OPEN.includes(req.path)) return next();
    if (!person) return problem(res, 401, 'Come in first', { detail: 'your name and passphrase are asked for' });
    const needs = needed(req);
    if (may(person.role, needs)) return next();
    problem(res, 403, 'That is not yours to do', {
      detail: `you may ${person.role}; this needs somebody who may ${needs}. Nothing was changed.`,
    });
  };
}
