import type { Response } from 'express';
import { createHash } from 'node:crypto';
import { problem, refused } from '../edges/problem';
import type { JobStore } from '../jobs/job-store';
import type { Workers } from '../pool/workers';
import type { LogStore } from '../prove/log-store';
import type { ShopStore } from '../shop/shop-store';
import type { SheetName } from './asked';
import type { Made } from './made';

export interface SheetParts {
  readonly store: JobStore;
  readonly shop: ShopStore;
  readonly book: LogStore;
  /** Folder of the photographs. */
  readonly photos: string;
  readonly workers: Workers;
}

/** Sheets that tell of the logbook. */
const OF_THE_BOOK: ReadonlySet<SheetName> = new Set(['record.pdf', 'record.html', 'handover.pdf']);

/** Today, ISO. */
const today = (): string => new Date().toISOString().slice(0, 10);

/** Which sheet of which job, as asked; `inline`: shown in the browser instead of kept as a file. */
export interface SheetAsked {
  readonly id: string;
  readonly name: SheetName;
  readonly asked: unknown;
  /** The server's own address. */
  readonly address: string;
  readonly inline?: boolean;
}

/** Makes a sheet in a worker from the saved document, and answers with it or with why not. */
export async function answerSheet(res: Response, of: SheetParts, sheet: SheetAsked): Promise<void> {
  const { store, shop, book, photos, workers } = of;
  const { id, name, asked } = sheet;
  const row = store.text(id);
  if (!row) return problem(res, 404, 'There is no such job');
  const made = await workers.run(
    {
      kind: 'sheet',
      name,
      asked,
      of: {
        text: row.text,
        version: row.version,
        shop: shop.get().settings,
        lines: OF_THE_BOOK.has(name) ? book.lines(id) : [],
        photos,
        today: today(),
        address: `${sheet.address}/job/${id}/make`,
      },
    },
    { until: gone(res) },
  );
  const whole = name === 'packet.pdf' && (asked as { card?: string }).card === undefined;
  // A packet for a guest is not the one the bench works from.
  if (made.kind === 'file' && whole && !sheet.inline) shop.printed(id, row.version);
  answer(res, made, sheet.inline === true);
}

/** Ends when whoever asked is gone: nobody waits for the sheet any more. */
function gone(res: Response): AbortSignal {
  const away = new AbortController();
  res.on('close', () => {
    if (!res.writableEnded) away.abort();
  });
  return away.signal;
}

function answer(res: Response, made: Made, inline: boolean): void {
  switch (made.kind) {
    case 'file':
      res.attachment(made.name);
      if (made.type) res.type(made.type);
      if (inline) shownHere(res, made);
      res.send(typeof made.body === 'string' ? made.body : Buffer.from(made.body));
      return;
    case 'data':
      res.json(made.data);
      return;
    case 'refused':
      return refused(res, made.refusals);
    case 'problem':
      return problem(res, made.status, made.title, { detail: made.detail });
  }
}

/** Shown in the browser: of a page nothing runs, and only its own style, known by its hash, is set. */
function shownHere(res: Response, { body, name }: Extract<Made, { kind: 'file' }>): void {
  res.set('Content-Disposition', `inline; filename*=UTF-8''${encodeURIComponent(name)}`);
  if (typeof body !== 'string') return;
  const styles = [...body.matchAll(/<style>([\s\S]*?)<\/style>/g)].map(
    ([, css]) => `'sha256-${createHash('sha256').update(css!).digest('base64')}'`,
  );
  res.set(
    'Content-Security-Policy',
    `default-src 'none'; img-src data:; style-src ${styles.join(' ') || "'none'"}; frame-ancestors 'none'`,
  );
}
