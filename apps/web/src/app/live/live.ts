import { HttpClient } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { fromEvent, Subject } from 'rxjs';
import * as z from 'zod';
import { SessionDesk } from '../people/session';

const Saved = z.object({ id: z.string(), version: z.number(), who: z.string() });
const Here = z.record(z.string(), z.array(z.object({ tab: z.string(), who: z.string() })));
export type Saved = z.infer<typeof Saved>;
export type Here = z.infer<typeof Here>;

/** One tab of a browser listens for all of them: browsers keep few connections to one server. */
const LOCK = 'mast-shoe.live';
const HEARTBEAT = 20_000;
const AGAIN = 5000;

type Told = { readonly saved: Saved } | { readonly here: Here };

/** What others do: who has which job open, and what they save. */
@Injectable({ providedIn: 'root' })
export class Live {
  private readonly http = inject(HttpClient);
  private readonly session = inject(SessionDesk);
  private readonly tab = `t-${crypto.randomUUID().slice(0, 12)}`;
  private readonly told = new BroadcastChannel(LOCK);
  private readonly savings = new Subject<Saved>();
  readonly saved = this.savings.asObservable();
  private readonly here = signal<Here>({});
  private readonly job = signal<string | null>(null);
  private beat: ReturnType<typeof setInterval> | undefined;

  /** Others in the job that is open here, by name where they have one. */
  readonly others = computed((): readonly string[] => {
    const job = this.job();
    const me = this.session.person()?.initials;
    const tabs = (job === null ? [] : (this.here()[job] ?? [])).filter((t) => t.tab !== this.tab);
    // One person's second tab is no other.
    return [...new Set(tabs.map((t) => t.who).filter((who) => who !== me || !who))].map((who) => who || 'another tab');
  });

  constructor() {
    this.told.onmessage = ({ data }: MessageEvent<Told>) => this.hear(data);
    if (navigator.locks) void navigator.locks.request(LOCK, () => this.listen());
    else void this.listen();
    fromEvent(window, 'pagehide').subscribe(() => this.say(null, true));
  }

  /** This tab has a job open, or none. */
  open(job: string | null): void {
    if (job === this.job()) return;
    this.job.set(job);
    clearInterval(this.beat);
    this.say(job);
    if (job !== null) this.beat = setInterval(() => this.say(job), HEARTBEAT);
  }

  private say(job: string | null, leaving = false): void {
    const body = { tab: this.tab, job };
    if (leaving) navigator.sendBeacon?.('/api/live/here', new Blob([JSON.stringify(body)], { type: 'application/json' }));
    else this.http.post('/api/live/here', body).subscribe({ error: () => undefined });
  }

  /** Holds the lock as long as this tab lives. */
  private listen(): Promise<never> {
    this.tune();
    return new Promise(() => undefined);
  }

  private tune(): void {
    const source = new EventSource('/api/live');
    const take = <T>(event: string, schema: z.ZodType<T>, as: (x: T) => Told) =>
      source.addEventListener(event, (e) => {
        const read = schema.safeParse(JSON.parse((e as MessageEvent<string>).data));
        if (!read.success) return;
        this.hear(as(read.data));
        this.told.postMessage(as(read.data));
      });
    take('saved', Saved, (saved) => ({ saved }));
    take('here', Here, (here) => ({ here }));
    // A stream that was refused is not tried again by the browser: somebody may come in meanwhile.
    source.addEventListener('error', () => {
      if (source.readyState === EventSource.CLOSED) setTimeout(() => this.tune(), AGAIN);
    });
  }

  private hear(told: Told): void {
    if ('saved' in told) this.savings.next(told.saved);
    else this.here.set(told.here);
  }
}
