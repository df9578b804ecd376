import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatIcon } from '@angular/material/icon';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import type { Observable } from 'rxjs';
import { GENERAL_CAUTION } from '@core/chain/cautions';
import { times } from '@core/chain/headline';
import { newJob } from '@core/job/new-job';
import { atFoot, oneFoot } from '@core/job/at-foot';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { refusalText } from '@core/units/refusal';
import { PlateDrawing } from '../drawing/plate-drawing';
import { Outbox } from '../job/outbox';
import { Importer } from '../imports/importer';
import { failureText, freshId, JobApi, type Tag, type UnreadableTag } from '../job/job-api';

const STATE_WORDS = { sound: 'holds', tight: 'holds, tight', fails: 'does not hold', refused: 'not shown to hold' } as const;

const isTag = (t: Tag | UnreadableTag): t is Tag => 'job' in t;

/** Home: jobs as tags on a rack, each with its plate to scale, its state and its weakest link. */
@Component({
  selector: 'ms-rack',
  imports: [
    MatButton,
    MatIconButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatIcon,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    RouterLink,
    PlateDrawing,
  ],
  templateUrl: './rack.html',
  styleUrl: './rack.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Rack {
  protected readonly times = times;
  private readonly api = inject(JobApi);
  private readonly router = inject(Router);
  private readonly importer = inject(Importer);

  protected readonly caution = GENERAL_CAUTION;
  protected readonly tags = signal<readonly (Tag | UnreadableTag)[] | null>(null);
  /** Changes the server has not said it has. */
  protected readonly unsent = inject(Outbox).unsent;
  protected readonly failure = signal('');
  protected readonly refusals = signal<readonly string[]>([]);
  protected readonly archived = signal(false);
  protected readonly asTable = signal(false);
  protected readonly renaming = signal('');
  private readonly here = computed(() => (this.tags() ?? []).filter((t) => t.archived === this.archived()));
  protected readonly hanging = computed(() => this.here().filter(isTag));
  protected readonly unreadable = computed(() => this.here().filter((t): t is UnreadableTag => !isTag(t)));
  protected readonly inArchive = computed(() => (this.tags() ?? []).filter((t) => t.archived).length);

  constructor() {
    this.load();
  }

  protected load(): void {
    this.failure.set('');
    this.api.list().subscribe({ next: (tags) => this.tags.set(tags), error: (e: unknown) => this.failure.set(failureText(e)) });
  }

  /** Does one thing on the server and shows the rack as it then is. */
  private doThen(done: Observable<unknown>, then: () => void = () => this.load()): void {
    done.subscribe({ next: then, error: (e: unknown) => this.failure.set(failureText(e)) });
  }

  protected add(): void {
    const job = newJob(freshId('new job'), 'New job');
    this.doThen(this.api.add(oneFoot(job)), () => void this.router.navigate(['/job', job.id, 'load']));
  }

  protected duplicate(t: Tag): void {
    const name = `${t.job.name} (copy)`.slice(0, 80);
    this.doThen(this.api.add({ ...t.job, id: freshId(name), name }));
  }

  /** The foot that decides, else the first: what a tag draws. */
  protected drawn(t: Tag): Job {
    return atFoot(t.job, t.job.feet.find((f) => f.name === t.verdict.foot)?.id ?? '');
  }

  /** "holds by hand": a verdict by hand is not passed off as a solved one. */
  protected stateOf(t: Tag): string {
    const { state, by, weakest } = t.verdict;
    if (state === 'refused' && weakest === '') return 'not judged yet';
    return `${STATE_WORDS[state]}${by === 'hand' ? ', by hand' : ', as solved'}`;
  }

  /** What it says without the state it begins with. */
  protected reasonOf(t: Tag): string {
    return t.verdict.says.replace(/(^|: )(holds, tight|holds|does not hold|not shown to hold): /, '$1');
  }

  protected archive(t: Tag, archived: boolean): void {
    this.doThen(this.api.setArchived(t.job.id, archived));
  }

  protected rename(t: Tag, name: string): void {
    this.renaming.set('');
    const trimmed = name.trim();
    if (trimmed === '' || trimmed === t.job.name) return;
    if (trimmed.length > 80) {
      this.failure.set('name: longer than 80 characters — allowed: 1 to 80 characters');
      return;
    }
    this.doThen(this.api.save({ ...t.job, name: trimmed }, t.version));
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
    const taken = this.tags()?.some((t) => (isTag(t) ? t.job.id : t.id) === read.job.id) ?? false;
    const job: WholeJob = taken ? { ...read.job, id: freshId(read.job.name) } : read.job;
    this.doThen(this.api.add(job));
  }
}
