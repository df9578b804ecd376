import { ChangeDetectionStrategy, Component, computed, effect, inject, type OnDestroy, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatProgressBar } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { isResolved, resolve } from '@core/job/resolve';
import type { Job } from '@core/job/schema';
import { applyCombination, axesFor, frontier, heldByBase, totalOf, type SoundOption } from '@core/options/choose';
import { massOf, roughCost } from '@core/shop/weight-and-cost';
import { formatQuantity } from '@core/units/format-quantity';
import { PlateDrawing } from '../drawing/plate-drawing';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';
import type { FromChooser, ToChooser } from '../workers/messages';
import { startChooser } from '../workers/start';
import { OptionsChart } from './options-chart';

/** Choose: tries the stock round this layout and shows what holds, mass against rough cost. */
@Component({
  selector: 'ms-choose-stage',
  imports: [MatButton, MatIcon, MatProgressBar, PlateDrawing, OptionsChart, RouterLink],
  templateUrl: './choose-stage.html',
  styleUrl: './choose-stage.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChooseStage implements OnDestroy {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  protected readonly job = computed(() => this.desk.job()!);
  private worker: Worker | null = null;

  protected readonly running = signal(false);
  protected readonly progress = signal({ tried: 0, total: 0, sound: 0 });
  protected readonly result = signal<Extract<FromChooser, { kind: 'done' }> | null>(null);
  protected readonly failure = signal('');
  /** The layout the search began from: every option is made from it. */
  private readonly origin = signal<Job | null>(null);
  /** The option last taken; with it the results are still good. */
  private readonly taken = signal<Job | null>(null);
  protected readonly old = computed(
    () => this.result() !== null && !sameLayout(this.origin(), this.job()) && !sameLayout(this.taken(), this.job()),
  );

  protected readonly axes = computed(() => axesFor(this.job()));
  protected readonly total = computed(() => totalOf(this.axes()));
  protected readonly fixed = computed(() => heldByBase(this.job()));
  protected readonly best = computed(() => frontier(this.result()?.options ?? []));
  protected readonly hovered = signal<SoundOption | null>(null);
  protected readonly noLoad = computed(() => this.job().loads.length === 0);

  /** The design as it stands, on the same scales. */
  protected readonly current = computed(() => {
    const job = this.job();
    const r = resolve(job);
    return isResolved(r) ? { mass: massOf(r), cost: roughCost(r) } : null;
  });
  protected readonly rate = computed(() => {
    const r = this.result();
    return r && r.milliseconds > 0 ? Math.round((r.tried / r.milliseconds) * 1000) : 0;
  });

  constructor() {
    effect(() => {
      const o = this.hovered();
      const from = this.origin();
      this.desk.preview.set(o && from && !this.old() ? applyCombination(from, o) : null);
    });
  }

  protected start(): void {
    this.worker ??= this.makeWorker();
    this.failure.set('');
    this.result.set(null);
    this.hovered.set(null);
    this.running.set(true);
    this.progress.set({ tried: 0, total: this.total(), sound: 0 });
    this.origin.set(this.job());
    this.taken.set(null);
    this.worker.postMessage({ kind: 'start', job: this.job() } satisfies ToChooser);
  }

  protected stop(): void {
    this.worker?.postMessage({ kind: 'stop' } satisfies ToChooser);
  }

  private makeWorker(): Worker {
    const worker = startChooser();
    worker.addEventListener('message', ({ data }: MessageEvent<FromChooser>) => this.take(data));
    worker.addEventListener('error', () =>
      this.take({ kind: 'broken', message: 'The search stopped; nothing was changed. Try again.' }),
    );
    return worker;
  }

  private take(m: FromChooser): void {
    if (m.kind === 'progress') {
      this.progress.set(m);
      return;
    }
    this.running.set(false);
    if (m.kind === 'broken') {
      this.failure.set(m.message);
      this.worker?.terminate();
      this.worker = null;
      return;
    }
    this.result.set(m);
    this.desk.said.set(`${m.options.length} of ${m.tried} hold`);
  }

  protected hover(o: SoundOption | null): void {
    this.hovered.set(o);
  }

  protected apply(o: SoundOption): void {
    const from = this.origin();
    if (!from || this.old()) return;
    const next = { ...applyCombination(from, o), name: this.job().name, note: this.job().note };
    this.hovered.set(null);
    this.desk.preview.set(null);
    this.taken.set(next);
    this.desk.change(`choose ${this.name(o)}`, () => next);
    this.desk.said.set(`Taken: ${this.name(o)}`);
  }

  protected name(o: SoundOption): string {
    return `${o.thickness.text}, ${o.count} × ${o.size} ${o.grade}${o.pitch === 1 ? '' : `, pitch × ${o.pitch}`}`;
  }

  protected mass(kg: number): string {
    return formatQuantity(kg, 'mass', this.job().units);
  }

  ngOnDestroy(): void {
    this.worker?.terminate();
    this.desk.preview.set(null);
  }
}

const sameLayout = (a: Job | null, b: Job) =>
  a !== null && JSON.stringify({ ...a, name: '', note: '' }) === JSON.stringify({ ...b, name: '', note: '' });
