import { HttpErrorResponse } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { firstValueFrom, fromEvent, Subject } from 'rxjs';
import type { WholeJob } from '@core/job/whole-job';
import { failureText, JobApi } from './job-api';
import type { JobState } from './job.state';
import { OutboxStore, type Unsent } from './outbox-store';
import { nameOfTab, tabIsGone } from './this-tab';

/** How long after a failure sending is tried again, ms. */
const RETRY_AFTER = 3000;

/** The server's answer to a change sent from here: it belongs to its job, whichever is open by then. */
export interface Sent {
  readonly job: WholeJob;
  readonly version: number;
}

const same = (a: WholeJob, b: WholeJob) => a === b || JSON.stringify(a) === JSON.stringify(b);

/**
 * What was changed and is not on the server yet, over all jobs: kept in the browser's own database as it is made, taken out when
 * the server has said it has it, and sent in order. The job open in this tab is saved by its own effects; everything else goes from
 * here.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly store = inject(OutboxStore);
  private readonly api = inject(JobApi);
  private readonly tab = nameOfTab();

  /** The changes this tab answers for, the open job's included. */
  readonly unsent = signal<readonly Unsent[]>([]);
  /** Those of jobs not open here. */
  readonly elsewhere = computed(() => this.unsent().filter((u) => u.id !== this.openId()));
  private readonly answers = new Subject<Sent>();
  readonly sent = this.answers.asObservable();

  private readonly openId = signal('');
  private sending = false;
  private retry: ReturnType<typeof setTimeout> | undefined;
  /** Writings one after another, so that an older never lands on a newer. */
  private writing: Promise<unknown> = Promise.resolve();

  constructor() {
    const window$ = (name: string) => fromEvent(window, name).pipe(takeUntilDestroyed());
    window$('online').subscribe(() => void this.send());
    // A page is not left without a word while something is not on the server.
    window$('beforeunload').subscribe((e) => {
      if (this.unsent().length > 0) e.preventDefault();
    });
    void this.takeOver().then(() => this.send());
  }

  /** The open job as it stands: unsaved it is kept here, saved it is taken out. */
  keep(s: JobState): void {
    const { settled, base, version } = s;
    if (!settled || !base || s.status !== 'ready') return;
    if (s.save === 'saved') {
      this.drop(settled.id);
      return;
    }
    const since = this.unsent().find((u) => u.id === settled.id)?.since ?? Date.now();
    this.put({ id: settled.id, tab: '', base, version, job: settled, since, state: 'waiting', message: '' });
  }

  /** Another job is opened here: from now on its own effects send it, and what was left behind is sent from here. */
  opening(id: string): void {
    this.openId.set(id);
    void this.send();
  }

  /** What was left unsent of a job, by this tab or by one that is gone. */
  async leftOf(id: string): Promise<Unsent | undefined> {
    await this.takeOver();
    return this.unsent().find((u) => u.id === id);
  }

  /** Sends what is not of the open job, the oldest first, one at a time. */
  async send(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.retry);
    const next = () => this.elsewhere().find((u) => u.state === 'waiting');
    for (let u = next(); u; u = next()) {
      if (!(await this.sendOne(u))) {
        this.retry = setTimeout(() => void this.send(), RETRY_AFTER);
        break;
      }
    }
    this.sending = false;
  }

  /** False where the server does not answer: the rest would not get through either. */
  private async sendOne(u: Unsent): Promise<boolean> {
    try {
      const { version } = await firstValueFrom(this.api.save(u.job, u.version));
      this.landed({ job: u.job, version });
      return true;
    } catch (e) {
      const status = e instanceof HttpErrorResponse ? e.status : 0;
      // Where a session is over, whoever comes in sends it.
      if (status < 400 || status >= 500 || status === 401) return false;
      const current = status === 412 ? (e as HttpErrorResponse).error?.current : undefined;
      if (current && same(current.job, u.job)) this.landed(current);
      else this.put({ ...u, state: status === 412 ? 'clash' : 'refused', message: failureText(e) });
      return true;
    }
  }

  /** The server has this document as this version; whoever has the job open hears of it. */
  private landed(sent: Sent): void {
    this.heard(sent);
    this.answers.next(sent);
  }

  /** The server has this document as this version: what changed since rests on it, and is sent. */
  heard({ job, version }: Sent): void {
    const left = this.unsent().find((u) => u.id === job.id);
    if (left && left.version < version) {
      if (same(left.job, job)) this.drop(job.id);
      else this.put({ ...left, base: job, version, state: 'waiting' });
    }
    void this.send();
  }

  private put(u: Unsent): void {
    this.unsent.update((all) => [...all.filter((x) => x.id !== u.id), u].sort((a, b) => a.since - b.since));
    this.write(async (tab) => this.store.put({ ...u, tab }));
  }

  private drop(id: string): void {
    if (!this.unsent().some((u) => u.id === id)) return;
    this.unsent.update((all) => all.filter((u) => u.id !== id));
    this.write((tab) => this.store.drop(id, tab));
  }

  /** A browser without a database of its own keeps them in the page alone; leaving it is warned of all the same. */
  private write(how: (tab: string) => Promise<void>): void {
    this.writing = this.writing.then(async () => how(await this.tab)).catch(() => undefined);
  }

  /** What this tab left before a reload, and what tabs that are gone left. */
  private async takeOver(): Promise<void> {
    const tab = await this.tab;
    await this.writing;
    const all = await this.store.all().catch((): Unsent[] => []);
    for (const u of all) {
      if (this.unsent().some((x) => x.id === u.id)) continue;
      if (u.tab !== tab && !(await tabIsGone(u.tab))) continue;
      if (u.tab !== tab) this.write(() => this.store.drop(u.id, u.tab));
      this.put(u);
    }
  }
}
