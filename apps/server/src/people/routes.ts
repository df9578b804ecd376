import { json, Router, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import * as z from 'zod';
import { problem } from '../edges/problem';
import { whoOf } from '../edges/who';
import type { DeedStore } from '../jobs/deed-store';
import { COOKIE, personOf, tokenOf } from './guard';
import { passphraseFault } from './passphrase';
import type { PeopleStore } from './people-store';
import { ROLES } from './roles';
import type { SessionStore } from './session-store';

const Initials = z
  .string()
  .transform((s) => s.toUpperCase())
  .pipe(z.string().regex(/^[A-Z]{1,4}$/, 'initials: allowed: one to four letters'));
const Name = z.string().trim().min(1, 'name: allowed: 1 to 80 characters').max(80, 'name: allowed: 1 to 80 characters');
const Role = z.enum(ROLES, `role: allowed: ${ROLES.join(', ')}`);
const Entering = z.strictObject({ initials: z.string().max(10), passphrase: z.string().max(400) });
const Fresh = z.strictObject({ initials: Initials, name: Name, role: Role, passphrase: z.string().max(400) });
const Changed = z.strictObject({ name: Name, role: Role });
const Passphrase = z.strictObject({ passphrase: z.string().max(400) });
/** A session ends with the browser's cookie after so long at the latest, ms. */
const LONGEST = 30 * 86_400_000;

export interface PeopleParts {
  readonly people: PeopleStore;
  readonly sessions: SessionStore;
  readonly deeds: DeedStore;
  /** People are asked who they are: the server listens on the shop's network. */
  readonly lan: boolean;
}

/** What was sent, or undefined once its refusal is answered. */
function read<T>(schema: z.ZodType<T>, body: unknown, res: Response): T | undefined {
  const r = schema.safeParse(body);
  if (r.success) return r.data;
  problem(res, 422, 'That is refused', { detail: r.error.issues.map((i) => i.message).join('; ') });
  return undefined;
}

/** Coming in, and going. */
export function sessionRoutes({ people, sessions, deeds, lan }: PeopleParts): Router {
  const routes = Router();
  const body = json({ limit: 2000 });

  routes.get('/', (_req, res) => {
    res.json({ lan, person: personOf(res) ?? null });
  });

  // Besides the lock on each name: nobody tries all names in a row.
  const tries = rateLimit({
    windowMs: 60_000,
    limit: 20,
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_req, res) => problem(res, 429, 'Too many tries', { detail: 'wait a minute, then try again' }),
  });
  routes.post('/', tries, body, async (req, res) => {
    if (!lan) return problem(res, 409, 'Nobody is asked who they are here');
    const asked = read(Entering, req.body, res);
    if (!asked) return;
    const entered = await people.enter(asked.initials, asked.passphrase);
    if (entered.kind === 'locked') {
      deeds.add('', 'was kept out: too many wrong passphrases', asked.initials.slice(0, 10).toUpperCase());
      return problem(res, 423, 'That name is locked', {
        detail: `too many wrong passphrases; it opens at ${entered.until.slice(11, 16)} UTC`,
      });
    }
    if (entered.kind === 'no') return problem(res, 401, 'That is not right', { detail: 'initials or passphrase are not right' });
    // A new token each time: one set before by somebody else opens nothing.
    const before = tokenOf(req);
    if (before) sessions.close(before);
    const { person } = entered;
    deeds.add(person.initials, 'came in', person.initials, req.ip ?? '');
    res
      .cookie(COOKIE, sessions.open(person.initials), {
        httpOnly: true,
        sameSite: 'strict',
        secure: req.secure,
        path: '/',
        maxAge: LONGEST,
      })
      .json({ lan, person });
  });

  routes.delete('/', (req, res) => {
    const token = tokenOf(req);
    const person = personOf(res);
    if (token) sessions.close(token);
    if (person) deeds.add(person.initials, 'went out', person.initials);
    res.clearCookie(COOKIE, { path: '/' }).status(204).end();
  });

  routes.put('/passphrase', body, async (req, res) => {
    const person = personOf(res);
    if (!person) return problem(res, 401, 'Come in first');
    const asked = read(z.strictObject({ now: z.string().max(400), passphrase: z.string().max(400) }), req.body, res);
    if (!asked) return;
    const entered = await people.enter(person.initials, asked.now);
    if (entered.kind !== 'in') return problem(res, 403, 'The present passphrase is not right');
    const fault = passphraseFault(asked.passphrase, person.name);
    if (fault) return problem(res, 422, 'The passphrase is refused', { detail: `passphrase: ${fault}` });
    await people.setPassphrase(person.initials, asked.passphrase);
    deeds.add(person.initials, 'changed the passphrase of', person.initials);
    res.status(204).end();
  });
  return routes;
}

const NO_KEEPER = 'there is no such person, or nobody would be left who may keep the shop';

/** Who may come in: for whoever keeps the shop, or sits at the machine it runs on. */
export function peopleRoutes({ people, deeds }: PeopleParts): Router {
  const routes = Router();
  const body = json({ limit: 5000 });

  routes.get('/', (_req, res) => {
    res.json({ people: people.list(), kept: people.isKept() });
  });

  routes.post('/', body, async (req, res) => {
    const asked = read(Fresh, req.body, res);
    if (!asked) return;
    const { passphrase, ...person } = asked;
    const fault = passphraseFault(passphrase, person.name);
    if (fault) return problem(res, 422, 'The passphrase is refused', { detail: `passphrase: ${fault}` });
    if (!(await people.add(person, passphrase)))
      return problem(res, 409, 'Somebody has these initials already', { detail: `initials: ${person.initials} are taken` });
    deeds.add(whoOf(res), `let in, to ${person.role}`, person.initials, person.name);
    res.status(201).json({ people: people.list(), kept: people.isKept() });
  });

  routes.put('/:initials', body, (req, res) => {
    const initials = read(Initials, req.params['initials'], res);
    const asked = initials && read(Changed, req.body, res);
    if (!asked) return;
    if (!people.change({ initials, ...asked })) return problem(res, 409, 'That cannot be', { detail: NO_KEEPER });
    deeds.add(whoOf(res), `may now ${asked.role}`, initials, asked.name);
    res.json({ people: people.list(), kept: people.isKept() });
  });

  routes.put('/:initials/passphrase', body, async (req, res) => {
    const initials = read(Initials, req.params['initials'], res);
    const asked = initials && read(Passphrase, req.body, res);
    if (!asked) return;
    const name = people.list().find((p) => p.initials === initials)?.name ?? '';
    const fault = passphraseFault(asked.passphrase, name);
    if (fault) return problem(res, 422, 'The passphrase is refused', { detail: `passphrase: ${fault}` });
    if (!(await people.setPassphrase(initials, asked.passphrase))) return problem(res, 404, 'There is no such person');
    deeds.add(whoOf(res), 'gave a new passphrase to', initials);
    res.json({ people: people.list(), kept: people.isKept() });
  });

  routes.delete('/:initials', (req, res) => {
    const initials = read(Initials, req.params['initials'], res);
    if (!initials) return;
    if (!people.remove(initials)) return problem(res, 409, 'That cannot be', { detail: NO_KEEPER });
    deeds.add(whoOf(res), 'may no longer come in', initials);
    res.json({ people: people.list(), kept: people.isKept() });
  });
  return routes;
}
