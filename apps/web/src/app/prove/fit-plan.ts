import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { pathData } from '@core/geometry/region';
import { isResolved, resolve } from '@core/job/resolve';
import type { FoundAs } from '@core/prove/as-built';
import { Desk } from '../job/desk';

/** The plate as marked-out metal with its holes: which are measured, which are out and by how much (ten times as far), and which is in hand. */
@Component({
  selector: 'ms-fit-plan',
  template: `
    @if (drawn(); as d) {
      <svg
        role="img"
        [attr.viewBox]="d.view"
        [attr.aria-label]="'The plate with ' + d.holes.length + ' holes; those that are out are hatched'"
      >
        <defs>
          <pattern id="fit-hatch" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="4" height="4" fill="var(--chalk)" />
            <line x1="0" y1="0" x2="0" y2="4" stroke="var(--bad)" stroke-width="2" />
          </pattern>
        </defs>
        <path [attr.d]="d.plate" class="plate" />
        @for (h of d.holes; track h.id) {
          <g (click)="picked.emit(h.key)">
            <circle [attr.cx]="h.x" [attr.cy]="-h.y" [attr.r]="h.r" [attr.class]="h.state" />
            @if (h.dx !== 0 || h.dy !== 0) {
              <line [attr.x1]="h.x" [attr.y1]="-h.y" [attr.x2]="h.x + 10 * h.dx" [attr.y2]="-h.y - 10 * h.dy" class="off" />
            }
            <text [attr.x]="h.x" [attr.y]="-h.y - h.r - 2" [attr.font-size]="d.letters">{{ h.id }}</text>
          </g>
        }
      </svg>
    }
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
    svg {
      display: block;
      width: 100%;
      max-height: 300px;
    }
    .plate {
      fill: var(--marking);
      stroke: var(--marking-edge);
      fill-rule: evenodd;
    }
    circle {
      stroke: var(--scribe);
      stroke-width: 1.2;
      cursor: pointer;
    }
    .to-do {
      fill: var(--marking);
      stroke-dasharray: 3 2;
    }
    .within {
      fill: var(--brass);
    }
    .out {
      fill: url(#fit-hatch);
    }
    .in-hand {
      fill: var(--chalk);
      stroke: var(--lit);
      stroke-width: 3;
    }
    .off {
      stroke: var(--lit);
      stroke-width: 2;
    }
    text {
      fill: var(--chalk);
      font-family: var(--label);
      font-weight: 600;
      text-anchor: middle;
      pointer-events: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FitPlan {
  private readonly desk = inject(Desk);
  readonly found = input.required<readonly FoundAs[]>();
  readonly chosen = input('');
  readonly picked = output<string>();

  protected readonly drawn = computed(() => {
    const r = resolve(this.desk.job()!);
    if (!isResolved(r)) return undefined;
    const { x0, x1, y0, y1 } = r.plate;
    const at = (id: string, axis: 'x' | 'y') => this.found().find((f) => f.dimension.key === `bolt/${id}/${axis}`);
    const size = Math.max(x1 - x0, y1 - y0);
    return {
      view: `${x0 - 6} ${-y1 - 6} ${x1 - x0 + 12} ${y1 - y0 + 12}`,
      letters: size / 22 + 2,
      plate: pathData(r.region, (p) => ({ x: p.x, y: -p.y }), true),
      holes: r.bolts.map((b) => {
        const [x, y] = [at(b.id, 'x'), at(b.id, 'y')];
        const off = (f: FoundAs | undefined) => (f?.value === undefined ? 0 : f.value - f.dimension.nominal);
        const inHand = this.chosen().startsWith(`bolt/${b.id}/`) || this.chosen() === `gap/${b.id}`;
        const out = x?.out || y?.out;
        const done = x?.line && y?.line;
        return {
          id: b.id,
          x: b.x,
          y: b.y,
          r: Math.max(size / 40, r.kinds[b.kind]!.d0 / 2),
          key: `bolt/${b.id}/x`,
          dx: off(x),
          dy: off(y),
          state: inHand ? 'in-hand' : out ? 'out' : done ? 'within' : 'to-do',
        };
      }),
    };
  });
}
