import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  type OnDestroy,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIcon } from '@angular/material/icon';
import { MatTooltip } from '@angular/material/tooltip';
import { Title } from '@angular/platform-browser';
import { NavigationEnd, Router, RouterLink, RouterOutlet } from '@angular/router';
import { filter, map } from 'rxjs';
import { Store } from '@ngrx/store';
import { factorsText, SCHOOLS } from '@core/chain/cautions';
import { atFoot } from '@core/job/at-foot';
import { commandFor } from '../keys/commands';
import { Commands } from '../keys/run-command';
import { LoadPath } from '../load-path/load-path';
import { WorkingPanel } from '../load-path/working-panel';
import { ClashCard } from './clash-card';
import { StockApi } from '../stock/stock-api';
import { Desk } from './desk';
import { jobActions, jobFeature } from './job.state';
import { HeadlineStrip } from './headline';
import { Judge } from './judge';
import { KeepsRoom } from './keeps-room';
import { Away } from './away';
import { HelpMenu } from '../help/help-menu';
import { Live } from '../live/live';
import { LogDesk } from '../prove/log-desk';
import { Outbox } from './outbox';
import { Traveller } from './traveller';
import { VerdictFigure } from './verdict-figure';

const SAVE_WORDS = {
  saved: 'saved',
  saving: 'saving …',
  waiting: 'saving …',
  offline: 'not saved, trying again',
  conflict: 'not saved: changed elsewhere too',
  refused: 'not saved',
} as const;

/** One open job: traveller on the left, the stage in the middle, the load path along the foot. */
@Component({
  selector: 'ms-job',
  imports: [
    RouterOutlet,
    RouterLink,
    MatButton,
    MatIconButton,
    MatIcon,
    MatTooltip,
    Traveller,
    HelpMenu,
    LoadPath,
    WorkingPanel,
    ClashCard,
    HeadlineStrip,
    KeepsRoom,
    VerdictFigure,
  ],
  providers: [Desk, Judge, Commands, LogDesk],
  templateUrl: './job-shell.html',
  styleUrl: './job-shell.scss',
  host: { '(document:keydown)': 'key($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobShell implements OnDestroy {
  private readonly store = inject(Store);
  private readonly commands = inject(Commands);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly dialog = inject(MatDialog);
  private readonly outbox = inject(Outbox);
  protected readonly live = inject(Live);
  private readonly away = inject(Away).away;
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  protected readonly router = inject(Router);

  private readonly title = inject(Title);
  /** What the stage is called, as its page names itself. */
  protected readonly stage = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map(() => this.title.getTitle()),
    ),
    { initialValue: this.title.getTitle() },
  );

  /** From the route. */
  readonly id = input.required<string>();

  protected readonly job = this.desk.job;
  protected readonly saveWords = computed(() => {
    const s = this.desk.state();
    const others = this.outbox.elsewhere().length;
    const also = others > 0 ? ` · ${others} other ${others === 1 ? 'job' : 'jobs'} not sent yet` : '';
    if (s.save === 'refused') return `not saved: ${s.message}${also}`;
    // Why, as far as it is known: the server is away, its disk is full, its database is locked.
    if (s.save === 'offline' && s.message)
      return `${SAVE_WORDS.offline}: ${s.message.charAt(0).toLowerCase()}${s.message.slice(1)}${also}`;
    if (s.save === 'saved' && this.away()) return `the server is away: as it was last seen here${also}`;
    return SAVE_WORDS[s.save] + also;
  });
  protected readonly school = computed(() => {
    const job = this.job();
    return job
      ? {
          name: SCHOOLS[job.practice.school].short,
          factors: factorsText(job),
          rules: job.practice.rules,
        }
      : undefined;
  });

  constructor() {
    // The shop's own metals are picked from in a job.
    inject(StockApi).fetch();
    effect(() => {
      const id = this.id();
      // What opening reads on its way is no reason to open again.
      untracked(() => {
        this.desk.takeFoot('');
        this.desk.openLink.set('');
        this.desk.letGoOfCrank();
        this.store.dispatch(jobActions.open({ id }));
        this.live.open(id);
      });
    });
    // Sent to the worker as the document changes, not after the page is drawn anew: the two then run side by side.
    this.store
      .select(jobFeature.selectJob)
      .pipe(takeUntilDestroyed())
      .subscribe((whole) => {
        if (whole && !this.desk.preview()) this.judge.judge(atFoot(whole, this.desk.foot()));
      });
    // Which job it is stands first: of several tabs one is found by it.
    effect(() => {
      const name = this.job()?.name;
      if (name) this.title.setTitle(`${name}: ${this.stage()}`);
    });
    effect(() => {
      const job = this.desk.shown();
      if (job) this.judge.judge(job);
    });
    effect(() => {
      const whole = this.desk.whole();
      if (whole) this.judge.feet.judge(whole);
    });
    effect(() => this.judge.turn(this.judge.judged(), this.desk.cranking() ? this.desk.crank() : 1));
    effect(() => {
      const v = this.judge.verdict();
      const link = v?.links.find((l) => l.id === this.desk.openLink());
      this.judge.explain(this.judge.judged(), link?.id ?? '', link?.caseId ?? '');
    });
  }

  protected key(e: KeyboardEvent): void {
    if (this.dialog.openDialogs.length > 0) return;
    const target = e.target as HTMLElement;
    const typing = target.matches('input:not([type=checkbox], [type=radio]), textarea, [contenteditable], mat-select');
    if (e.key === 'Escape' && !typing && this.desk.openLink()) {
      this.desk.openLink.set('');
      return;
    }
    const command = commandFor(e, typing);
    if (!command) return;
    e.preventDefault();
    this.commands.run(command);
  }

  protected run(id: Parameters<Commands['run']>[0]): void {
    this.commands.run(id);
  }

  protected rename(name: string): void {
    const trimmed = name.trim();
    if (trimmed.length > 0 && trimmed.length <= 80) this.desk.change('rename', (j) => ({ ...j, name: trimmed }));
  }

  /** Past the traveller and the head to where the work is. */
  protected skip(to: string): void {
    this.host.querySelector<HTMLElement>(to)?.focus();
  }

  protected reopen(): void {
    this.store.dispatch(jobActions.open({ id: this.id() }));
  }

  ngOnDestroy(): void {
    this.live.open(null);
    this.judge.stop();
  }
}
