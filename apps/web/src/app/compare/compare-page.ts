import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import type { Beside, LinkBeside, LinkThere } from '@core/chain/compare-jobs';
import { atFoot } from '@core/job/at-foot';
import type { WholeJob } from '@core/job/whole-job';
import { PlateDrawing } from '../drawing/plate-drawing';
import { PickField, type Choice } from '../fields/pick-field';
import { failureText, JobApi, type KeptVersion, type Tag } from '../job/job-api';
import { STATE_WORDS } from '../rack/tag-words';
import type { FromJudge } from '../workers/messages';
import { startJudge } from '../workers/start';

type Side = 'a' | 'b';
const NEWEST = 'newest';
/** Most jobs to pick from; others are compared from their own tag or history. */
const MOST = 200;

/** Any two jobs, or two versions of one, side by side: drawn, link by link, and what was written differently. */
@Component({
  selector: 'ms-compare',
  imports: [MatButton, MatIcon, MatProgressBar, PickField, PlateDrawing, RouterLink],
  templateUrl: './compare-page.html',
  styleUrl: './compare-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparePage {
  private readonly api = inject(JobApi);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  private readonly query = toSignal(this.route.queryParamMap, { requireSync: true });

  protected readonly sides: readonly Side[] = ['a', 'b'];
  protected readonly jobs = signal<readonly Tag[] | null>(null);
  protected readonly failure = signal('');
  protected readonly versions = signal<Record<Side, readonly KeptVersion[]>>({ a: [], b: [] });
  protected readonly documents = signal<Record<Side, WholeJob | null>>({ a: null, b: null });
  protected readonly found = signal<Beside | null>(null);
  protected readonly judging = signal(false);
  private worker: Worker | undefined;
  private ticket = 0;

  protected readonly chosen = computed((): Record<Side, { readonly id: string; readonly version: string }> => {
    const q = this.query();
    const a = q.get('a') ?? '';
    const side = (of: Side, id: string) => ({ id, version: q.get(`${of}v`) ?? NEWEST });
    return { a: side('a', a), b: side('b', q.get('b') ?? a) };
  });
  protected readonly choices = computed((): readonly Choice[] => {
    const listed = (this.jobs() ?? []).map((t) => [t.id, t.name] as const);
    // The two that are compared are among them, however far down the rack they hang.
    const here = this.sides.flatMap((side) => {
      const job = this.documents()[side];
      return job ? [[job.id, job.name] as const] : [];
    });
    return [...new Map([...here, ...listed])].map(([value, label]) => ({ value, label }));
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker?.terminate());
    void this.load();
    for (const side of this.sides)
      effect(() => {
        const { id, version } = this.chosen()[side];
        if (id) untracked(() => void this.fetch(side, id, version));
      });
    effect(() => {
      const { a, b } = this.documents();
      if (a && b) untracked(() => this.judge(a, b));
    });
  }

  protected async load(): Promise<void> {
    this.failure.set('');
    try {
      const { tags } = await firstValueFrom(this.api.list({ sort: 'name' }, 0, MOST));
      this.jobs.set(tags.filter((t) => t.unreadable === ''));
    } catch (e) {
      this.failure.set(failureText(e));
    }
  }

  private async fetch(side: Side, id: string, version: string): Promise<void> {
    try {
      const kept = await firstValueFrom(this.api.versions(id));
      const read =
        version === NEWEST ? await firstValueFrom(this.api.get(id)) : await firstValueFrom(this.api.version(id, Number(version)));
      const now = this.chosen()[side];
      // Somebody has picked another meanwhile.
      if (now.id !== id || now.version !== version) return;
      this.versions.update((v) => ({ ...v, [side]: kept.versions }));
      this.documents.update((d) => ({ ...d, [side]: read.job }));
    } catch (e) {
      this.failure.set(failureText(e));
    }
  }

  private judge(a: WholeJob, b: WholeJob): void {
    this.judging.set(true);
    this.found.set(null);
    this.worker?.terminate();
    this.worker = startJudge();
    const ticket = ++this.ticket;
    this.worker.addEventListener('message', ({ data }: MessageEvent<FromJudge>) => {
      if (data.ticket !== ticket) return;
      this.judging.set(false);
      if (data.kind === 'beside') this.found.set(data.beside);
      if (data.kind === 'broken') this.failure.set(data.message);
    });
    this.worker.postMessage({ kind: 'beside', ticket, a, b });
  }

  protected versionsOf(side: Side): readonly Choice[] {
    const kept = this.versions()[side].map((v) => ({
      value: String(v.version),
      label: `${v.version}, ${v.savedAt.slice(0, 16).replace('T', ' ')}${v.did ? `, ${v.did}` : ''}`,
    }));
    return [{ value: NEWEST, label: 'as it is now' }, ...kept];
  }

  protected pick(side: Side, id: string): void {
    void this.router.navigate([], { queryParams: { [side]: id, [`${side}v`]: null }, queryParamsHandling: 'merge' });
  }
  protected pickVersion(side: Side, version: string): void {
    const value = version === NEWEST ? null : version;
    void this.router.navigate([], { queryParams: { [`${side}v`]: value }, queryParamsHandling: 'merge' });
  }
  protected swap(): void {
    const { a, b } = this.chosen();
    const v = (s: { version: string }) => (s.version === NEWEST ? null : s.version);
    void this.router.navigate([], { queryParams: { a: b.id, av: v(b), b: a.id, bv: v(a) } });
  }

  protected nameOf(side: Side): string {
    return this.documents()[side]?.name ?? '';
  }
  protected drawn(side: Side) {
    const whole = this.documents()[side];
    return whole && atFoot(whole, whole.feet[0]!.id);
  }
  protected stateWords(s: Beside['a']): string {
    const at = s.foot ? ` at ${s.foot}` : '';
    return s.because
      ? `${STATE_WORDS[s.state]}: ${s.because}`
      : `${STATE_WORDS[s.state]}${s.weakest ? `, weakest ${s.weakest}${at}` : ''}`;
  }
  protected figure(l: LinkThere | undefined): string {
    if (!l || l.state === 'not needed') return '–';
    if (l.state === 'refused') return 'refused';
    return l.utilisation.toFixed(2);
  }
  /** What has become of a link from left to right. */
  protected moved({ a, b }: LinkBeside): string {
    const number = (l: LinkThere | undefined) => (l && l.state !== 'refused' && l.state !== 'not needed' ? l.utilisation : NaN);
    const [x, y] = [number(a), number(b)];
    if (Number.isNaN(x) || Number.isNaN(y)) return this.figure(a) === this.figure(b) ? 'the same' : '';
    const d = y - x;
    return Math.abs(d) < 0.005 ? 'the same' : `${d > 0 ? '+' : '−'}${Math.abs(d).toFixed(2)}`;
  }
  protected worse({ a, b }: LinkBeside): boolean {
    return !!b && (b.state === 'fails' || b.state === 'refused') && a?.state !== b.state;
  }
}
