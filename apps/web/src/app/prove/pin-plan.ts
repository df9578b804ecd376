import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { pathData } from '@core/geometry/region';
import { isResolved, resolve } from '@core/job/resolve';
import { Desk } from '../job/desk';

/** A photograph on the plan, by the number of its line. */
export interface Pin {
  readonly seq: number;
  readonly x: number;
  readonly y: number;
}

/** The plate with the photographs pinned to it; a press, or the arrow keys, put the next one’s pin. */
@Component({
  selector: 'ms-pin-plan',
  imports: [MatButton],
  template: `
    @if (drawn(); as d) {
      <svg
        #plan
        tabindex="0"
        role="application"
        [attr.viewBox]="d.view"
        [attr.aria-label]="says()"
        (click)="put($event, $any(plan))"
        (keydown)="key($event)"
      >
        <path [attr.d]="d.plate" class="plate" />
        @for (b of d.bolts; track b.id) {
          <circle class="hole" [attr.cx]="b.x" [attr.cy]="-b.y" [attr.r]="d.size / 50" />
        }
        @for (p of pins(); track p.seq) {
          <g [attr.transform]="'translate(' + p.x + ' ' + -p.y + ')'">
            <circle class="pin" [attr.r]="d.size / 26" />
            <text [attr.font-size]="d.size / 20" [attr.y]="d.size / 58">{{ p.seq }}</text>
          </g>
        }
        @if (at(); as a) {
          <path
            class="next"
            [attr.d]="
              'M' +
              (a.x - d.size / 20) +
              ' ' +
              -a.y +
              'h' +
              d.size / 10 +
              'M' +
              a.x +
              ' ' +
              (-a.y - d.size / 20) +
              'v' +
              d.size / 10
            "
          />
        }
      </svg>
      <p class="note">
        {{ at() ? 'The next photograph is pinned at the cross.' : 'Press on the plan to pin the next photograph there.' }}
        @if (at()) {
          <button mat-button type="button" (click)="picked.emit(null)">No pin</button>
        }
      </p>
    }
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-height: 170px;
      cursor: crosshair;
    }
    .plate {
      fill: var(--marking);
      stroke: var(--marking-edge);
      fill-rule: evenodd;
    }
    .hole {
      fill: var(--hole);
    }
    .pin {
      fill: var(--lit);
      stroke: var(--brass-edge);
    }
    .next {
      fill: none;
      stroke: var(--lit);
      stroke-width: 2.5;
    }
    text {
      fill: var(--punch);
      font-family: var(--label);
      font-weight: 600;
      text-anchor: middle;
    }
    p {
      margin: 2px 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PinPlan {
  private readonly desk = inject(Desk);
  readonly pins = input.required<readonly Pin[]>();
  readonly at = input<{ readonly x: number; readonly y: number } | null>(null);
  readonly picked = output<{ readonly x: number; readonly y: number } | null>();

  protected readonly drawn = computed(() => {
    const r = resolve(this.desk.job()!);
    if (!isResolved(r)) return undefined;
    const { x0, x1, y0, y1 } = r.plate;
    const size = Math.max(x1 - x0, y1 - y0);
    const room = size / 22;
    return {
      size,
      view: `${x0 - room} ${-y1 - room} ${x1 - x0 + 2 * room} ${y1 - y0 + 2 * room}`,
      plate: pathData(r.region, (p) => ({ x: p.x, y: -p.y }), true),
      bolts: r.bolts,
    };
  });

  protected says(): string {
    const a = this.at();
    const next = a ? `; the next at x ${Math.round(a.x)}, y ${Math.round(a.y)} mm` : '; arrow keys put the next';
    return `The plan with ${this.pins().length} photographs pinned${next}`;
  }

  protected put(e: MouseEvent, svg: SVGSVGElement): void {
    const m = svg.getScreenCTM()?.inverse();
    if (!m) return;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m);
    this.picked.emit({ x: Math.round(p.x), y: Math.round(-p.y) });
  }

  protected key(e: KeyboardEvent): void {
    const step = e.shiftKey ? 50 : 5;
    const by = { ArrowRight: [step, 0], ArrowLeft: [-step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[e.key];
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    const { x, y } = this.at() ?? { x: 0, y: 0 };
    this.picked.emit({ x: x + by[0]!, y: y + by[1]! });
  }
}
