import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  signal,
  viewChild,
  type OnDestroy,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { Router, RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import type { Verdict } from '@core/chain/evaluate';
import { oneFoot } from '@core/job/at-foot';
import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import { askedOf, STARTERS, type Starter } from '@core/job/starters';
import { readValue, withQuantity, type NamedValue } from '@core/job/values';
import { isRefusal, refusalText } from '@core/units/refusal';
import { PlateDrawing } from '../drawing/plate-drawing';
import { failureText, freshId, JobApi } from '../job/job-api';
import { STATE_WORDS } from '../rack/tag-words';
import { Lasting } from '../workers/lasting';
import type { FromJudge, ToJudge } from '../workers/messages';
import { Newest } from '../workers/newest';
import { startJudge } from '../workers/start';

/** Nothing of any trade: an empty job for whatever is none of them. */
const EMPTY: Starter = {
  id: 'empty',
  what: 'Something else',
  on: 'begin with an empty job',
  icon: 'category',
  asks: [],
  make: newJob,
};

/** A new job begins with what is mounted, and on what: a whole job of that trade, its six values that matter most, and the answer. */
@Component({
  selector: 'ms-begin',
  imports: [MatButton, MatIcon, PlateDrawing, RouterLink],
  templateUrl: './begin-page.html',
  styleUrl: './begin-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BeginPage implements OnDestroy {
  private readonly api = inject(JobApi);
  private readonly router = inject(Router);

  protected readonly starters = [...STARTERS, EMPTY].map((s) => ({ ...s, drawn: s.make('drawn', s.what) }));
  protected readonly picked = signal<Starter | null>(null);
  protected readonly job = signal<Job | null>(null);
  protected readonly name = signal('');
  /** What was typed and does not read, by path. */
  protected readonly faults = signal<Readonly<Record<string, string>>>({});
  protected readonly failure = signal('');
  protected readonly busy = signal(false);
  protected readonly verdict = signal<Verdict | null>(null);
  protected readonly asked = computed((): readonly NamedValue[] => {
    const [starter, job] = [this.picked(), this.job()];
    return starter && job ? askedOf(starter, job) : [];
  });
  protected readonly answer = computed(() => {
    const v = this.verdict();
    if (!v) return null;
    const weakest = v.links.find((l) => l.id === v.weakest);
    const says = weakest
      ? `${weakest.name}${Number.isFinite(weakest.utilisation) ? ` ${weakest.utilisation.toFixed(2)}` : ''}, ${weakest.caseName}`
      : (v.refusals[0]?.because ?? '');
    return { state: v.state, word: STATE_WORDS[v.state], says };
  });
  private readonly nameField = viewChild<ElementRef<HTMLInputElement>>('nameField');

  private readonly judge = new Lasting<ToJudge, FromJudge>(
    startJudge,
    (m) => {
      const job = m.kind === 'evaluate' || m.kind === 'broken' ? this.queue.answered(m.ticket) : undefined;
      if (job && m.kind === 'evaluate') this.verdict.set(m.verdict);
    },
    (goesOn) => {
      this.verdict.set(null);
      const job = this.queue.lost();
      if (goesOn && job) this.queue.put(job);
    },
  );
  private readonly queue = new Newest<Job>((ticket, job) => this.judge.post({ kind: 'evaluate', ticket, job }));

  constructor() {
    effect(() => {
      const job = this.job();
      if (job && job.loads.length > 0) this.queue.put(job);
      else this.verdict.set(null);
    });
  }

  protected pick(s: Starter): void {
    this.picked.set(s);
    this.faults.set({});
    this.verdict.set(null);
    this.job.set(s.make('begun', s.what));
    setTimeout(() => this.nameField()?.nativeElement.focus());
  }

  /** A value as it is typed: read at once, kept as typed, and measured from then on. */
  protected type(n: NamedValue, text: string): void {
    const job = this.job()!;
    const read = readValue(text, n.range, job.units, 'measured', new Date().toISOString());
    const { [n.path]: _, ...others } = this.faults();
    if (isRefusal(read)) return this.faults.set({ ...others, [n.path]: refusalText(read) });
    this.faults.set(others);
    this.job.set(withQuantity(job, n.path, read));
  }

  protected async start(e: Event): Promise<void> {
    e.preventDefault();
    const name = this.name().trim();
    if (name === '' || name.length > 80) {
      this.failure.set('Name: nothing was typed — allowed: 1 to 80 characters');
      this.nameField()?.nativeElement.focus();
      return;
    }
    const [path] = Object.keys(this.faults());
    if (path) return this.failure.set('One of the values does not read yet.');
    this.failure.set('');
    this.busy.set(true);
    const id = freshId(name);
    try {
      await firstValueFrom(this.api.add(oneFoot({ ...this.job()!, id, name })));
      await this.router.navigate(['/job', id, this.job()!.loads.length > 0 ? 'lay-out' : 'load']);
    } catch (error) {
      this.failure.set(failureText(error));
    }
    this.busy.set(false);
  }

  ngOnDestroy(): void {
    this.judge.stop();
  }
}
