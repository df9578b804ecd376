import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  type OnDestroy,
  signal,
} from '@angular/core';
import type { Job } from '@core/job/schema';
import type { SpreadView } from '@core/spread/view';
import { showField, valueAt } from './field-picture';
import type { CutLine } from './spread-plan';

const SAMPLES = 160;
/** Room kept for the words, px. */
const FOOT = 20;
/** Where a bolt’s name may stand at the highest, px. */
const HIGHEST = 12;
const SKIN = 'var(--skin)';
const FILLS = ['var(--marking-mid)', 'var(--marking)', SKIN, 'var(--marking)'];
/** Thinnest a layer is drawn, so that it can be seen. */
const LEAST = 5;

/** The stack cut along a line, its movement drawn larger than life and the factor said; thicknesses are drawn apart, not to that scale. */
@Component({
  selector: 'ms-spread-section',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + size().width + ' ' + size().height"
      role="img"
      [attr.aria-label]="'Section along the line, movement × ' + times()"
    >
      <!-- What is softer first: a plate that presses into the skin is seen whole, in front of it. -->
      @for (l of behindFirst(); track l.name) {
        <path [attr.d]="l.d" [attr.fill]="l.fill" stroke="var(--ink)" stroke-width="1" />
      }
      @for (b of bolts(); track b.id) {
        <line class="shank" [attr.x1]="b.x" [attr.x2]="b.x" [attr.y1]="b.top" [attr.y2]="b.bottom" />
        <text class="small" [attr.x]="b.x" [attr.y]="b.name" text-anchor="middle">{{ b.id }}</text>
      }
      <text x="6" y="16">A</text>
      <text [attr.x]="size().width - 6" y="16" text-anchor="end">B</text>
      <text class="small" x="6" [attr.y]="size().height - 5">
        movement × {{ times() }}; thickness not to that scale; a plate over the skin’s line presses in
      </text>
      <text class="small" [attr.x]="size().width - 6" [attr.y]="size().height - 5" text-anchor="end">{{ said() }}</text>
    </svg>
  `,
  styles: `
    :host {
      display: block;
      min-height: 0;
      overflow: hidden;
    }
    svg {
      width: 100%;
      height: 100%;
      font-family: var(--label);
    }
    text {
      font-size: 15px;
      font-weight: 600;
      fill: var(--ink);
    }
    .small {
      font-size: 13px;
      font-weight: 500;
      fill: var(--ink-soft);
    }
    .shank {
      stroke: var(--brass);
      stroke-width: 5;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SpreadSection implements OnDestroy {
  readonly view = input.required<SpreadView>();
  readonly job = input.required<Job>();
  readonly line = input.required<CutLine>();
  /** Movement to scale by, mm, where two sections stand side by side; else its own. */
  readonly reach = input(0);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly size = signal({ width: 780, height: 124 });
  private readonly resized = new ResizeObserver(() => this.measure());

  constructor() {
    afterNextRender(() => this.resized.observe(this.host));
  }

  private measure(): void {
    const { clientWidth: width, clientHeight: height } = this.host;
    if (width > 0 && height > 0) this.size.set({ width, height });
  }

  ngOnDestroy(): void {
    this.resized.disconnect();
  }

  /** Lift of each layer along the line, mm; NaN where it is not. */
  private readonly along = computed(() => {
    const { a, b } = this.line();
    const { x, y, layers } = this.view();
    return layers.map((l) => ({
      ...l,
      lifts: Array.from({ length: SAMPLES + 1 }, (_, i) => {
        const k = i / SAMPLES;
        const field = { name: 'deflection', x, y, at: 'nodes', values: l.lift, unit: 'mm' } as const;
        return valueAt(field, a.x + k * (b.x - a.x), a.y + k * (b.y - a.y));
      }),
    }));
  });
  private readonly most = computed(() =>
    Math.max(...this.along().flatMap((l) => l.lifts.filter((v) => !Number.isNaN(v)).map(Math.abs)), 1e-9),
  );
  private readonly thick = computed(() => {
    const all = this.along();
    const total = all.reduce((sum, l) => sum + l.thickness, 0);
    return all.map((l) => Math.max(LEAST, (l.thickness / total) * 48));
  });
  /** Pixels of the picture for a millimetre of movement: a round number of times. */
  private readonly pixels = computed(() => {
    const room = this.size().height - FOOT - 18 - this.thick().reduce((a, b) => a + b, 0);
    return room / 2 / Math.max(this.most(), this.reach());
  });
  protected readonly times = computed(() => {
    const { a, b } = this.line();
    const life = this.size().width / Math.max(1, Math.hypot(b.x - a.x, b.y - a.y));
    const k = this.pixels() / life;
    return k >= 10 ? Math.round(k) : Number(k.toFixed(1));
  });
  private readonly tops = computed(() => {
    const stack = this.thick();
    const total = stack.reduce((a, b) => a + b, 0);
    const middle = (this.size().height - FOOT) / 2 + 6;
    return stack.map((_, i) => middle - total / 2 + stack.slice(0, i).reduce((a, b) => a + b, 0));
  });
  protected readonly layers = computed(() =>
    this.along().map((l, i) => ({ name: l.name, fill: FILLS[i]!, d: this.outline(l.lifts, this.tops()[i]!, this.thick()[i]!) })),
  );
  protected readonly behindFirst = computed(() =>
    [...this.layers()].sort((a, b) => Number(b.fill === SKIN) - Number(a.fill === SKIN)),
  );
  protected readonly bolts = computed(() => {
    const { a, b } = this.line();
    const long = Math.hypot(b.x - a.x, b.y - a.y);
    const [ux, uy] = [(b.x - a.x) / long, (b.y - a.y) / long];
    return this.job()
      .bolts.items.map((o) => ({
        id: o.id,
        t: (o.x - a.x) * ux + (o.y - a.y) * uy,
        off: Math.abs((o.x - a.x) * uy - (o.y - a.y) * ux),
      }))
      .filter((o) => o.off < 6 && o.t >= 0 && o.t <= long)
      .map((o) => {
        const lift = this.along()[2]?.lifts[Math.round((o.t / long) * SAMPLES)] ?? 0;
        const dy = -(Number.isNaN(lift) ? 0 : lift) * this.pixels();
        const last = this.tops().at(-1)! + this.thick().at(-1)!;
        const top = this.tops()[0]! + dy - 4;
        return { id: o.id, x: (o.t / long) * this.size().width, top, bottom: last + dy + 4, name: Math.max(top - 5, HIGHEST) };
      });
  });
  protected readonly said = computed(() => `moves up to ${showField(this.most(), 'mm', this.job().units)} along A–B`);

  /** The layer's outline in pieces, broken where it is not. */
  private outline(lifts: readonly number[], top: number, thick: number): string {
    const k = this.pixels();
    let d = '';
    let from = -1;
    const at = (i: number, y: number) => `${((i / SAMPLES) * this.size().width).toFixed(1)} ${(y - lifts[i]! * k).toFixed(1)}`;
    for (let i = 0; i <= lifts.length; i++) {
      const there = i < lifts.length && !Number.isNaN(lifts[i]!);
      if (there && from < 0) from = i;
      if (!there && from >= 0) {
        const run = Array.from({ length: i - from }, (_, n) => from + n);
        d += `M${run.map((n) => at(n, top)).join('L')}L${run
          .reverse()
          .map((n) => at(n, top + thick))
          .join('L')}Z`;
        from = -1;
      }
    }
    return d;
  }
}
