import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { SNUG, type TracePoint } from '@core/prove/torque-trace';
import { torqueFine } from '@core/prove/words';
import type { UnitSystem } from '@core/units/format-quantity';

const WIDE = 520;
const HIGH = 190;
const EDGE = { left: 8, right: 8, top: 14, bottom: 16 };

/** Torque over angle, live: the target and snug as lines, and dashed what bolt and plates promise. */
@Component({
  selector: 'ms-trace',
  template: `
    <svg role="img" viewBox="0 0 520 190" [attr.aria-label]="says()">
      <line class="axis" x1="8" y1="174" x2="512" y2="174" />
      <line class="target" x1="8" x2="512" [attr.y1]="at(0, target()).y" [attr.y2]="at(0, target()).y" />
      <text x="10" [attr.y]="at(0, target()).y - 3">target {{ show(target()) }}</text>
      <line class="snug" x1="8" x2="512" [attr.y1]="at(0, snug()).y" [attr.y2]="at(0, snug()).y" />
      <text x="10" [attr.y]="at(0, snug()).y - 3">snug</text>
      @if (promised(); as p) {
        <path class="promised" [attr.d]="p" />
      }
      <path class="trace" [attr.d]="path()" />
      <text x="512" y="187" class="end">{{ most().toFixed(0) }}°</text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-height: 230px;
      background: var(--field);
      border: 1px solid var(--rule-strong);
    }
    .axis {
      stroke: var(--ink);
    }
    .target {
      stroke: var(--accent);
      stroke-width: 1.5;
    }
    .snug {
      stroke: var(--rule-strong);
      stroke-dasharray: 2 3;
    }
    .promised {
      fill: none;
      stroke: var(--ink-soft);
      stroke-dasharray: 5 4;
    }
    .trace {
      fill: none;
      stroke: var(--marking);
      stroke-width: 2.5;
    }
    text {
      font: 600 13px var(--label);
      fill: var(--ink);
    }
    .end {
      text-anchor: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TraceChart {
  readonly points = input.required<readonly TracePoint[]>();
  readonly target = input.required<number>();
  readonly slope = input.required<number>();
  readonly units = input.required<UnitSystem>();

  protected readonly snug = computed(() => SNUG * this.target());
  /** Degrees across: what the bolt should take, and what it took. */
  protected readonly most = computed(() => Math.max((1.4 * this.target()) / this.slope() + 20, ...this.points().map(([a]) => a)));
  private readonly top = computed(() => Math.max(1.3 * this.target(), ...this.points().map(([, T]) => T)));

  protected at(angle: number, torque: number): { x: number; y: number } {
    return {
      x: EDGE.left + (angle / this.most()) * (WIDE - EDGE.left - EDGE.right),
      y: HIGH - EDGE.bottom - (torque / this.top()) * (HIGH - EDGE.top - EDGE.bottom),
    };
  }
  protected readonly path = computed(() => this.line(this.points()));
  /** From where the trace became snug. */
  protected readonly promised = computed(() => {
    const from = this.points().find(([, T]) => T >= this.snug());
    if (!from) return '';
    const to = from[0] + (this.target() - from[1]) / this.slope();
    return to > from[0] ? this.line([from, [to, this.target()]]) : '';
  });
  private line(points: readonly TracePoint[]): string {
    if (points.length === 0) return '';
    return `M${points
      .map(([a, T]) => this.at(a, T))
      .map((p) => `${p.x.toFixed(1)} ${p.y.toFixed(1)}`)
      .join('L')}`;
  }
  protected show(v: number): string {
    return torqueFine(v, this.units());
  }
  protected says(): string {
    const last = this.points().at(-1);
    return last ? `Torque over angle: ${this.show(last[1])} at ${last[0].toFixed(0)}°` : 'Torque over angle, nothing yet';
  }
}
