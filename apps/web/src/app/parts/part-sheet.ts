import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Rect } from '@core/geometry/points';
import { boundsOf } from '@core/geometry/rects';
import { offWords } from '@core/shop/cards/parts';
import type { ListedPart } from '@core/shop/part-list';
import { formatQuantity, type UnitSystem } from '@core/units/format-quantity';
import { BlankDrawing } from '../drawing/blank-drawing';

/** Paper round a part, as a share of its longer side. */
const ROOM = 0.08;

const withRoom = ({ x0, x1, y0, y1 }: Rect): Rect => {
  const room = ROOM * Math.max(x1 - x0, y1 - y0) + 4;
  return { x0: x0 - room, x1: x1 + room, y0: y0 - room, y1: y1 + room };
};

/** One part on its own sheet: its flat with holes and bend lines, as bent from the side, and what is asked of the saw. */
@Component({
  selector: 'ms-part-sheet',
  imports: [BlankDrawing, MatButton, MatIcon],
  template: `
    <div class="head">
      <button mat-stroked-button type="button" (click)="closed.emit()"><mat-icon svgIcon="arrow_back" />All parts</button>
      <h2>{{ part().mark }} · {{ part().name }}</h2>
      <span class="note">{{ facts() }}</span>
    </div>
    <figure>
      <svg
        msBlank
        role="img"
        [attr.aria-label]="part().name + ', ' + (bent() ? 'flat' : 'as it is cut')"
        [part]="part().part"
        [units]="units()"
        [view]="view()"
      ></svg>
      <figcaption>{{ bent() ? 'Flat, before it is bent; dashes are the bends' : 'As it is cut' }}, {{ size() }}</figcaption>
    </figure>
    @if (side(); as s) {
      <figure class="side">
        <svg role="img" [attr.aria-label]="part().name + ' from the side, bent'" [attr.viewBox]="s.box">
          <polygon [attr.points]="s.points" />
        </svg>
        <figcaption>From the side, as bent: {{ s.words }}</figcaption>
      </figure>
    }
    @if (part().part.on) {
      <p class="note">Fixed to: {{ part().part.on }}</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 0;
      padding: 8px 14px;
    }
    .head {
      display: flex;
      gap: 12px;
      align-items: center;
    }
    .head h2 {
      margin: 0;
    }
    figure {
      display: flex;
      flex: 1 1 0;
      flex-direction: column;
      min-height: 0;
      margin: 8px 0 0;
    }
    figure svg {
      flex: 1 1 0;
      width: 100%;
      min-height: 0;
      background: var(--skin);
    }
    .side svg {
      background: var(--card);
    }
    polygon {
      fill: var(--marking);
      stroke: var(--marking-edge);
      stroke-width: 0.6;
    }
    figcaption {
      font: 500 14px var(--label);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartSheet {
  readonly part = input.required<ListedPart>();
  readonly units = input.required<UnitSystem>();
  readonly closed = output<void>();
  protected readonly bent = computed(() => this.part().part.bends.length > 0);
  protected readonly view = computed(() => withRoom(this.part().part.bounds));
  private mm(v: number): string {
    return formatQuantity(v, 'length', this.units());
  }
  protected readonly size = computed(() => `${this.mm(this.part().length)} × ${this.mm(this.part().width)}`);
  protected readonly facts = computed(() => {
    const p = this.part();
    return `${offWords(p)} · ${p.stock} · ${formatQuantity(p.mass, 'mass', this.units())} each`;
  });
  protected readonly side = computed(() => {
    const ring = this.part().part.side;
    if (!ring) return undefined;
    const b = boundsOf(ring);
    const { x0, x1, y0, y1 } = withRoom(b);
    return {
      box: `${x0} ${-y1} ${x1 - x0} ${y1 - y0}`,
      points: ring.map((p) => `${p.x.toFixed(2)},${(-p.y).toFixed(2)}`).join(' '),
      words: `${this.mm(b.x1 - b.x0)} × ${this.mm(b.y1 - b.y0)} over all`,
    };
  });
}
