import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { firstValueFrom, fromEvent, Subject } from 'rxjs';
import type { Entry, Line } from '@core/prove/log-entry';
import { failureText } from '../job/job-api';
import { LogQueueStore, type Queued } from './log-queue-store';

const RETRY_AFTER = 3000;
const LOCK = 'mast-shoe.log-queue';

export interface Arrived {
  readonly job: string;
  readonly lines: readonly Line[];
}

/**
 * Log entries on their way to the server: kept in the browser’s database before anything is said of them, sent one by one in the
 * order they were written, taken out when the server has said it has them. Sent again after a lost answer they are still one line:
 * each has its own id. One tab sends at a time.
 */
@Injectable({ providedIn: 'root' })
export class LogQueue {
  private readonly http = inject(HttpClient);
  private readonly store = inject(LogQueueStore);
  /** What is not on the server yet, over all jobs, in order. */
  readonly queued = signal<readonly Queued[]>([]);
  /** The server did not answer when it was last asked. */
  readonly away = signal(false);
  /** Being put into the browser’s database: not said to be anywhere yet. */
  readonly adding = signal(0);
  /** The browser has no database to keep them in: they are in this page alone. */
  readonly unkept = signal(false);
  private readonly arrivals = new Subject<Arrived>();
  readonly arrived = this.arrivals.asObservable();
  private sending = false;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private nextUnkept = -1;

  constructor() {
    const window$ = (name: string) => fromEvent(window, name).pipe(takeUntilDestroyed());
    window$('online').subscribe(() => void this.send());
    // Left alone they are kept; only what no database holds would be lost.
    window$('beforeunload').subscribe((e) => {
      if (this.unkept() && this.queued().length > 0) e.preventDefault();
    });
    void this.load().then(() => this.send());
  }

  /** Kept when this resolves; sent as soon as the server answers. */
  async add(job: string, entry: Entry, photo?: Blob): Promise<void> {
    const q = { job, entry, state: 'waiting' as const, message: '', ...(photo ? { photo } : {}) };
    this.adding.update((n) => n + 1);
    const kept = await this.store.add(q).catch((): Queued => {
      this.unkept.set(true);
      return { ...q, n: this.nextUnkept-- };
    });
    this.queued.update((all) => [...all, kept]);
    this.adding.update((n) => n - 1);
    void this.send();
  }

  /** Gives up an entry that the server refused: it was never in the book. */
  async giveUp(n: number): Promise<void> {
    this.queued.update((all) => all.filter((q) => q.n !== n));
    await this.store.drop(n).catch(() => undefined);
  }

  async send(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.retry);
    try {
      await this.alone(async () => {
        // What another tab sent meanwhile is gone from the database.
        await this.load();
        for (let q = this.next(); q; q = this.next()) if (!(await this.sendOne(q))) throw new Error('away');
      });
      this.away.set(false);
    } catch {
      this.away.set(true);
      this.retry = setTimeout(() => void this.send(), RETRY_AFTER);
    }
    this.sending = false;
  }

  private next(): Queued | undefined {
    return this.queued().find((q) => q.state === 'waiting');
  }

  private async alone(then: () => Promise<void>): Promise<void> {
    if (navigator.locks) await navigator.locks.request(LOCK, then);
    else await then();
  }

  private async load(): Promise<void> {
    const kept = await this.store.all().catch(() => undefined);
    if (kept) this.queued.update((all) => [...kept, ...all.filter((q) => q.n < 0)]);
  }

  /** False where the server does not answer. */
  private async sendOne(q: Queued): Promise<boolean> {
    try {
      const entry = q.photo ? await this.withPhoto(q) : q.entry;
      const { lines } = await firstValueFrom(this.http.post<{ lines: Line[] }>(`/api/jobs/${q.job}/log`, { entries: [entry] }));
      this.arrivals.next({ job: q.job, lines });
      await this.giveUp(q.n);
      return true;
    } catch (e) {
      const status = e instanceof HttpErrorResponse ? e.status : 0;
      if (status < 400 || status >= 500) return false;
      const refused: Queued = { ...q, state: 'refused', message: failureText(e) };
      this.queued.update((all) => all.map((x) => (x.n === q.n ? refused : x)));
      if (q.n >= 0) await this.store.put(refused).catch(() => undefined);
      return true;
    }
  }

  /** The photograph goes first; the entry then names it by what is in it. */
  private async withPhoto(q: Queued): Promise<Entry> {
    const { sha256, bytes } = await firstValueFrom(
      this.http.post<{ sha256: string; bytes: number }>(`/api/jobs/${q.job}/photos`, q.photo, {
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    );
    const { body } = q.entry;
    return body.kind === 'photo'
      ? { ...q.entry, body: { ...body, sha256, bytes } }
      : body.kind === 'inspected'
        ? { ...q.entry, body: { ...body, photo: sha256 } }
        : q.entry;
  }
}
