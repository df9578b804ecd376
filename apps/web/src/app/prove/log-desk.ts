import { HttpClient } from '@angular/common/http';
import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { About, Body, Entry, Line } from '@core/prove/log-entry';
import { Desk } from '../job/desk';
import { failureText } from '../job/job-api';
import { SessionDesk } from '../people/session';
import { LogQueue } from './log-queue';

const WHO = 'mast-shoe.by';

/** What goes with an entry besides what it says. */
export interface Besides {
  readonly about?: About;
  readonly corrects?: string;
  readonly photo?: Blob;
}

/** The logbook of the open job: what the server has, what is still on its way, and who writes. */
@Injectable()
export class LogDesk {
  private readonly http = inject(HttpClient);
  private readonly desk = inject(Desk);
  private readonly queue = inject(LogQueue);

  /** As the server has them. */
  readonly kept = signal<readonly Line[]>([]);
  readonly state = signal<'fetching' | 'ready' | 'away'>('fetching');
  readonly failure = signal('');
  private readonly id = computed(() => this.desk.whole()?.id ?? '');
  /** Not on the server yet. */
  readonly waiting = computed(() => this.queue.queued().filter((q) => q.job === this.id() && q.state === 'waiting'));
  readonly refused = computed(() => this.queue.queued().filter((q) => q.job === this.id() && q.state === 'refused'));
  /** All that counts here: what is on its way follows what is kept, without a hash yet. */
  readonly lines = computed((): readonly Line[] => {
    const kept = this.kept();
    const there = new Set(kept.map((l) => l.entry.id));
    const coming = this.waiting().filter((q) => !there.has(q.entry.id));
    return [
      ...kept,
      ...coming.map((q, i): Line => ({ seq: kept.length + i + 1, prev: '', hash: '', received: q.entry.at, entry: q.entry })),
    ];
  });
  /** Initials of whoever writes on this device. */
  readonly by = signal(localStorage.getItem(WHO) ?? '');
  /** Somebody has to be named first. */
  readonly askWho = signal(false);

  constructor() {
    const session = inject(SessionDesk);
    // Where people say who they are, they write in their own name.
    effect(() => {
      const me = session.person();
      if (me) this.by.set(me.initials);
    });
    effect(() => {
      if (this.id()) untracked(() => this.fetch());
    });
    this.queue.arrived.pipe(takeUntilDestroyed()).subscribe(({ job, lines }) => {
      if (job === this.id()) this.take(lines);
    });
  }

  who(initials: string): void {
    this.by.set(initials);
    localStorage.setItem(WHO, initials);
    if (initials) this.askWho.set(false);
  }

  /** All of it anew: other phones write too. */
  fetch(): void {
    const id = this.id();
    if (this.kept()[0] && !this.isOf(id)) this.kept.set([]);
    this.http.get<{ lines: Line[] }>(`/api/jobs/${id}/log`).subscribe({
      next: ({ lines }) => {
        if (id !== this.id()) return;
        this.fetchedOf = id;
        // The same book again judges nothing anew.
        if (lines.length !== this.kept().length || lines.at(-1)?.hash !== this.kept().at(-1)?.hash) this.kept.set(lines);
        this.state.set('ready');
        this.failure.set('');
      },
      error: (e: unknown) => {
        this.state.set('away');
        this.failure.set(failureText(e));
      },
    });
  }
  private fetchedOf = '';
  private isOf(id: string): boolean {
    return this.fetchedOf === id;
  }

  /** Writes an entry; false where nobody is named yet. It is kept on this device before this resolves. */
  async write(body: Body, besides: Besides = {}): Promise<boolean> {
    const by = this.by();
    if (!/^[A-Z]{1,4}$/.test(by)) {
      this.askWho.set(true);
      return false;
    }
    const entry: Entry = {
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      by,
      version: Math.max(1, this.desk.state().version),
      about: besides.about ?? {},
      ...(besides.corrects ? { corrects: besides.corrects } : {}),
      body,
    };
    await this.queue.add(this.id(), entry, besides.photo);
    return true;
  }

  giveUp(n: number): void {
    void this.queue.giveUp(n);
  }

  /** Lines the server has said it has; a gap means another phone wrote, and all is fetched. */
  private take(lines: readonly Line[]): void {
    const kept = this.kept();
    const fresh = lines.filter((l) => l.seq > kept.length);
    if (fresh.length === 0) return;
    if (fresh[0]!.seq === kept.length + 1) this.kept.set([...kept, ...fresh]);
    else this.fetch();
  }
}
