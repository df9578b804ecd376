import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Sample } from '@core/prove/log-entry';
import type { CurvePoint } from '@core/prove/predicted-curve';
import { fine } from '@core/prove/words';
import { formatQuantity, type UnitSystem } from '@core/units/format-quantity';

const WIDE = 560;
const HIGH = 320;
const EDGE = { left: 64, right: 16, top: 16, bottom: 34 };
const TICKS = [0, 0.25, 0.5, 0.75, 1];

/** Load over movement at the dial: the band first, what was reckoned in it, and the samples as they come. */
@Component({
  selector: 'ms-proof-chart',
  template: `
    <svg role="img" viewBox="0 0 560 320" [attr.aria-label]="says()">
      <path class="band" [attr.d]="band()" />
      @for (t of loads(); track $index) {
        <line class="grid" x1="64" x2="544" [attr.y1]="t.y" [attr.y2]="t.y" />
        <text class="left" x="58" [attr.y]="t.y + 4">{{ t.text }}</text>
      }
      @for (t of moves(); track $index) {
        <text class="below" [attr.x]="t.x" y="304">{{ t.text }}</text>
      }
      <text class="below" x="304" y="318">at the dial</text>
      <path class="expected" [attr.d]="expected()" />
      <path class="seen" [attr.d]="seen()" />
      @if (last(); as p) {
        <circle [attr.cx]="p.x" [attr.cy]="p.y" r="5" />
      }
      <rect class="frame" x="64" y="16" width="480" height="270" />
    </svg>
    <p class="note key">
      <span class="k band"></span>band <span class="k expected"></span>reckoned <span class="k seen"></span>read
    </p>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-height: 340px;
    }
    path.band {
      fill: var(--blank);
    }
    .grid {
      stroke: var(--rule-strong);
      stroke-dasharray: 2 4;
    }
    .frame {
      fill: none;
      stroke: var(--rule-strong);
    }
    path.expected {
      fill: none;
      stroke: var(--ink);
      stroke-dasharray: 6 4;
      stroke-width: 1.5;
    }
    path.seen {
      fill: none;
      stroke: var(--accent);
      stroke-width: 2.5;
    }
    circle {
      fill: var(--accent);
    }
    text {
      font: 600 13px var(--label);
      fill: var(--ink);
    }
    .left {
      text-anchor: end;
    }
    .below {
      text-anchor: middle;
    }
    .key {
      display: flex;
      align-items: center;
      gap: 6px;
      margin: 4px 0;
    }
    .k {
      display: inline-block;
      width: 26px;
      height: 0;
      border-top: 3px solid var(--accent);
    }
    .k.band {
      height: 12px;
      border: 0;
      background: var(--blank);
    }
    .k.expected {
      border-top: 2px dashed var(--ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProofChart {
  readonly curve = input.required<readonly CurvePoint[]>();
  readonly samples = input.required<readonly Sample[]>();
  readonly units = input.required<UnitSystem>();

  private readonly zero = computed(() => this.samples()[0]?.dials[0] ?? 0);
  private readonly points = computed(() => this.samples().map((s) => ({ load: s.load, moved: (s.dials[0] ?? 0) - this.zero() })));
  private readonly top = computed(
    () => 1.08 * Math.max(1, ...this.curve().map((c) => c.load), ...this.points().map((p) => p.load)),
  );
  private readonly far = computed(
    () => 1.08 * Math.max(1e-3, ...this.curve().map((c) => c.most), ...this.points().map((p) => p.moved)),
  );

  private at(load: number, moved: number): { x: number; y: number } {
    return {
      x: EDGE.left + (Math.max(0, moved) / this.far()) * (WIDE - EDGE.left - EDGE.right),
      y: HIGH - EDGE.bottom - (Math.max(0, load) / this.top()) * (HIGH - EDGE.top - EDGE.bottom),
    };
  }
  private line(points: readonly { x: number; y: number }[]): string {
    return points.length > 0 ? `M${points.map((p) => `${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('L')}` : '';
  }
  protected readonly band = computed(() => {
    const c = this.curve();
    return `${this.line([...c.map((p) => this.at(p.load, p.least)), ...[...c].reverse().map((p) => this.at(p.load, p.most))])}Z`;
  });
  protected readonly expected = computed(() => this.line(this.curve().map((p) => this.at(p.load, p.expected))));
  protected readonly seen = computed(() => this.line(this.points().map((p) => this.at(p.load, p.moved))));
  protected readonly last = computed(() => {
    const p = this.points().at(-1);
    return p && this.at(p.load, p.moved);
  });
  protected readonly loads = computed(() =>
    TICKS.map((t) => ({
      ...this.at(t * (this.curve().at(-1)?.load ?? 1), 0),
      text: formatQuantity(t * (this.curve().at(-1)?.load ?? 1), 'force', this.units()),
    })),
  );
  protected readonly moves = computed(() => {
    const full = this.curve().at(-1)?.most ?? 1;
    return [0, 0.5, 1].map((t) => ({ ...this.at(0, t * full), text: fine(t * full, this.units()) }));
  });
  protected says(): string {
    const full = this.curve().at(-1);
    const p = this.points().at(-1);
    return `${full ? `At ${formatQuantity(full.load, 'force', this.units())} the dial should show ${fine(full.least, this.units())} to ${fine(full.most, this.units())}` : 'No curve yet'}${p ? `; now ${formatQuantity(p.load, 'force', this.units())}, ${fine(p.moved, this.units())}` : ''}`;
  }
}
