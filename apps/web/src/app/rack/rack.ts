import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { HttpClient } from '@angular/common/http';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { catchError, firstValueFrom, from, map, type Observable, of } from 'rxjs';
import { GENERAL_CAUTION } from '@core/chain/cautions';
import { times } from '@core/chain/headline';
import type { WholeJob } from '@core/job/whole-job';
import { refusalText } from '@core/units/refusal';
import { HelpMenu } from '../help/help-menu';
import { Importer } from '../imports/importer';
import { Away } from '../job/away';
import { Outbox } from '../job/outbox';
import { failureText, freshId, JobApi, type Tag } from '../job/job-api';
import { SessionDesk } from '../people/session';
import { backupWords, type BackupState } from './backup-words';
import { RackDesk } from './rack-desk';
import { RackFilters } from './rack-filters';
import { TagCard, type TagAct, type TagWords } from './tag-card';
import { dueOf, goodForOf, lookOf, reasonOf, stateOf } from './tag-words';

/** How long typing in the search rests before it is looked for, ms. */
const TYPED = 200;

/** Something just done, and how it is undone. */
interface JustDone {
  readonly says: string;
  readonly undo?: () => Observable<unknown>;
}

/** Home: jobs as tags on a rack, each with its plate to scale, its state and its weakest link; searched, sorted, archived, binned. */
@Component({
  selector: 'ms-rack',
  imports: [HelpMenu, MatButton, MatButtonToggle, MatButtonToggleGroup, MatIcon, RackFilters, RouterLink, TagCard],
  providers: [RackDesk],
  templateUrl: './rack.html',
  styleUrl: './rack.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Rack {
  private readonly api = inject(JobApi);
  private readonly importer = inject(Importer);
  private readonly http = inject(HttpClient);
  protected readonly session = inject(SessionDesk);
  protected readonly away = inject(Away).away;
  protected readonly invented = computed(() => this.desk.page()?.counts.demo ?? 0);
  protected readonly desk = inject(RackDesk);
  protected readonly times = times;
  protected readonly stateOf = stateOf;
  protected readonly goodForOf = goodForOf;
  protected readonly reasonOf = reasonOf;
  protected readonly lookOf = lookOf;
  protected readonly dueOf = dueOf;

  protected readonly caution = GENERAL_CAUTION;
  /** Changes the server has not said it has. */
  protected readonly unsent = inject(Outbox).unsent;
  protected readonly failure = signal('');
  protected readonly refusals = signal<readonly string[]>([]);
  protected readonly asTable = signal(false);
  protected readonly justDone = signal<JustDone | null>(null);
  /** A job asked to be deleted for good. */
  protected readonly deleting = signal<Tag | null>(null);
  protected readonly backups = toSignal(
    this.http.get<BackupState | null>('/api/backups').pipe(
      map((b) => backupWords(b)),
      catchError(() => of(null)),
    ),
  );
  protected readonly tags = computed(() => this.desk.page()?.tags ?? []);
  protected readonly hanging = computed(() => this.tags().filter((t) => t.unreadable === ''));
  protected readonly unreadable = computed(() => this.tags().filter((t) => t.unreadable !== ''));
  private readonly end = viewChild<ElementRef<HTMLElement>>('end');
  private typed: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    void this.desk.load();
    // More tags as the last one comes near.
    const seen = new IntersectionObserver((at) => at.some((e) => e.isIntersecting) && this.desk.next(), { rootMargin: '600px' });
    afterRenderEffect(() => {
      const end = this.end()?.nativeElement;
      seen.disconnect();
      if (end) seen.observe(end);
    });
    inject(DestroyRef).onDestroy(() => seen.disconnect());
  }

  protected tryAgain(): void {
    this.failure.set('');
    void this.desk.load();
  }

  protected search(words: string): void {
    clearTimeout(this.typed);
    this.typed = setTimeout(() => this.desk.ask({ q: words.trim() }), TYPED);
  }

  /** Does one thing on the server and shows the rack as it then is. */
  private async doThen(done: Observable<unknown>, said?: JustDone): Promise<boolean> {
    this.failure.set('');
    this.justDone.set(null);
    try {
      await firstValueFrom(done, { defaultValue: null });
    } catch (e) {
      this.failure.set(failureText(e));
      return false;
    }
    if (said) this.justDone.set(said);
    void this.desk.load();
    return true;
  }

  /** The invented jobs, in one press; what was worked in stays. */
  protected async takeDemoAway(): Promise<void> {
    const asked = this.http.post<{ removed: number; kept: number }>('/api/demo/take-away', null);
    let said = '';
    const done = asked.pipe(
      map(
        ({ removed, kept }) =>
          (said = `${removed} invented jobs are gone${kept > 0 ? `; ${kept} that were worked in stay` : ''}.`),
      ),
    );
    if (await this.doThen(done)) this.justDone.set({ says: said });
  }

  protected async leave(): Promise<void> {
    await this.doThen(from(this.session.leave()));
  }

  protected undo({ undo }: JustDone): void {
    if (undo) void this.doThen(undo());
  }

  protected async act(t: Tag, act: TagAct): Promise<void> {
    const { api } = this;
    switch (act) {
      case 'duplicate': {
        const job = await this.documentOf(t);
        const name = `${t.name} (copy)`.slice(0, 80);
        if (job) await this.doThen(api.add({ ...job, id: freshId(name), name }), { says: `${name} hangs on the rack.` });
        return;
      }
      case 'archive':
      case 'restore': {
        const archived = act === 'archive';
        const says = `${t.name} is ${archived ? 'in the archive' : 'back on the rack'}.`;
        await this.doThen(api.setArchived(t.id, archived), { says, undo: () => api.setArchived(t.id, !archived) });
        return;
      }
      case 'bin':
      case 'unbin': {
        const binned = act === 'bin';
        const says = `${t.name} is ${binned ? 'in the bin' : 'out of the bin'}.`;
        await this.doThen(api.setBinned(t.id, binned), { says, undo: () => api.setBinned(t.id, !binned) });
        return;
      }
      case 'delete':
        this.deleting.set(t);
    }
  }

  protected async deleteForGood(t: Tag): Promise<void> {
    this.deleting.set(null);
    await this.doThen(this.api.delete(t.id), { says: `${t.name} is deleted, with every version of it.` });
  }

  protected async write(t: Tag, { name, customer, aboard }: TagWords): Promise<void> {
    const job = await this.documentOf(t);
    if (!job) return;
    const { customer: _c, aboard: _a, ...rest } = job;
    const written: WholeJob = { ...rest, name, ...(customer ? { customer } : {}), ...(aboard ? { aboard } : {}) };
    await this.doThen(this.api.save(written, t.version, 'name, customer, vessel or vehicle'));
  }

  private async documentOf(t: Tag): Promise<WholeJob | undefined> {
    try {
      return (await firstValueFrom(this.api.get(t.id))).job;
    } catch (e) {
      this.failure.set(failureText(e));
      return undefined;
    }
  }

  /** Reads an open job file; what is wrong with it is said by field, and nothing on the rack changes. */
  protected async bringIn(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    const read = await this.importer.file('job', file);
    if (!('job' in read)) {
      this.refusals.set(('refusals' in read ? read.refusals : [read]).map(refusalText));
      return;
    }
    this.refusals.set([]);
    const job: WholeJob = (await this.isTaken(read.job.id)) ? { ...read.job, id: freshId(read.job.name) } : read.job;
    await this.doThen(this.api.add(job), { says: `${job.name} hangs on the rack.` });
  }

  private async isTaken(id: string): Promise<boolean> {
    if (this.tags().some((t) => t.id === id)) return true;
    return firstValueFrom(this.api.get(id)).then(
      () => true,
      () => false,
    );
  }
}
