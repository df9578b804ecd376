import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { outlineOf } from '@core/job/outlines';
import type { BoltState } from '@core/prove/tightening-round';
import { Desk } from '../job/desk';

/** The bolts of a foot on its plate: the next one lit, rounds done as rings, what showed no good hatched. */
@Component({
  selector: 'ms-bolt-plan',
  template: `
    <svg role="img" [attr.viewBox]="view()" [attr.aria-label]="says()">
      <defs>
        <pattern id="bolt-hatch" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="4" height="4" fill="var(--paper)" />
          <line x1="0" y1="0" x2="0" y2="4" stroke="var(--bad)" stroke-width="2" />
        </pattern>
      </defs>
      <rect class="plate" [attr.x]="plate().x0" [attr.y]="-plate().y1" [attr.width]="wide()" [attr.height]="high()" />
      @for (b of drawn(); track b.id) {
        <g [attr.transform]="'translate(' + b.x + ' ' + -b.y + ')'" (click)="picked.emit(b.id)">
          @if (b.id === next()) {
            <circle class="lit" [attr.r]="dot() * 1.5" />
          }
          <circle [attr.class]="b.look" [attr.r]="dot()" />
          @if (b.part > 0 && b.part < 1) {
            <circle
              class="ring"
              [attr.r]="dot() * 0.78"
              pathLength="1"
              [attr.stroke-dasharray]="b.part + ' 1'"
              transform="rotate(-90)"
            />
          }
          @if (b.marked) {
            <line class="mark" x1="0" y1="0" [attr.x2]="dot() * 1.25" y2="0" />
          }
          <text [attr.font-size]="dot() * 0.95" [attr.y]="dot() * 0.34">{{ b.id }}</text>
        </g>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-height: 300px;
    }
    .plate {
      fill: var(--marking);
      stroke: var(--marking-edge);
    }
    .lit {
      fill: none;
      stroke: var(--lit);
      stroke-width: 4;
    }
    .full {
      fill: var(--brass);
      stroke: var(--brass-edge);
    }
    .part {
      fill: var(--shade);
      stroke: var(--brass-edge);
    }
    .open {
      fill: var(--paper);
      stroke: var(--rule-strong);
      stroke-dasharray: 3 2;
    }
    .bad {
      fill: url(#bolt-hatch);
      stroke: var(--bad);
      stroke-width: 2;
    }
    .ring {
      fill: none;
      stroke: var(--brass);
      stroke-width: 4;
    }
    .mark {
      stroke: var(--alarm);
      stroke-width: 3;
    }
    text {
      fill: var(--ink);
      font-family: var(--label);
      font-weight: 600;
      text-anchor: middle;
      paint-order: stroke;
      stroke: var(--card);
      stroke-width: 2px;
    }
    g {
      cursor: pointer;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BoltPlan {
  private readonly desk = inject(Desk);
  readonly bolts = input.required<readonly BoltState[]>();
  readonly next = input('');
  readonly picked = output<string>();

  protected readonly plate = computed(() => outlineOf(this.desk.job()!));
  protected readonly wide = computed(() => this.plate().x1 - this.plate().x0);
  protected readonly high = computed(() => this.plate().y1 - this.plate().y0);
  protected readonly dot = computed(() => {
    const { items } = this.desk.job()!.bolts;
    const gaps = items.flatMap((a, i) => items.slice(i + 1).map((b) => Math.hypot(a.x - b.x, a.y - b.y)));
    return Math.min(Math.max(8, this.wide() / 30, this.high() / 18), ...gaps.map((g) => g / 2.6));
  });
  protected readonly view = computed(() => {
    const p = this.plate();
    const room = this.dot() * 1.2;
    return `${p.x0 - room} ${-p.y1 - room} ${this.wide() + 2 * room} ${this.high() + 2 * room}`;
  });
  protected readonly drawn = computed(() =>
    this.bolts().flatMap((s) => {
      const b = this.desk.job()!.bolts.items.find((x) => x.id === s.bolt);
      if (!b) return [];
      const part = s.of > 0 ? s.done / s.of : 0;
      const look = s.missing || s.bad ? 'bad' : part === 1 ? 'full' : part > 0 ? 'part' : 'open';
      return [{ id: b.id, x: b.x, y: b.y, part, look, marked: s.marked }];
    }),
  );
  protected says(): string {
    const done = this.bolts().filter((b) => b.of > 0 && b.done === b.of).length;
    return `${done} of ${this.bolts().length} bolts at their torque${this.next() ? `, next ${this.next()}` : ''}`;
  }
}
