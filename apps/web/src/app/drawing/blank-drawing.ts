import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Rect } from '@core/geometry/points';
import { slotRun } from '@core/job/bolt-holes';
import { pathData } from '@core/geometry/region';
import type { UnitSystem } from '@core/units/format-quantity';
import { formatQuantity } from '@core/units/format-quantity';
import type { CutHole, CutPart } from '@core/shop/cut-parts';
import { sizeWords } from '@core/shop/hole-words';

/** One part as it is cut, flat: outline, holes with their centres, bend lines. 1 unit is 1 mm. */
@Component({
  selector: 'svg[msBlank]',
  host: { '[attr.viewBox]': 'viewBox()', preserveAspectRatio: 'xMidYMid meet' },
  template: `
    <svg:path [attr.d]="outline()" fill="var(--marking)" stroke="var(--marking-edge)" stroke-width="1.2" />
    @for (l of part().bends; track l.what) {
      <svg:line
        [attr.data-bend]="l.what"
        [attr.x1]="l.from.x"
        [attr.y1]="-l.from.y"
        [attr.x2]="l.to.x"
        [attr.y2]="-l.to.y"
        stroke="var(--brass-pale)"
        [attr.stroke-width]="l.what === 'middle' ? 1.4 : 0.8"
        [attr.stroke-dasharray]="l.what === 'middle' ? '14 4' : '4 3'"
      />
    }
    @for (h of part().holes; track h.id) {
      <svg:g [attr.transform]="'translate(' + h.x + ' ' + -h.y + ')'">
        <svg:path
          [attr.d]="run(h)"
          [attr.stroke]="h.takes === 'fitting' ? 'var(--brass-pale)' : 'var(--scribe)'"
          [attr.stroke-width]="h.d + 1.8"
          stroke-linecap="round"
        />
        <svg:path [attr.d]="run(h)" stroke="var(--hole)" [attr.stroke-width]="h.d" stroke-linecap="round" />
        <svg:path [attr.d]="cross(h.d)" stroke="var(--scribe)" stroke-width="0.5" />
        @if (!plain()) {
          <svg:text [attr.x]="beside(h)" [attr.text-anchor]="anchor(h)" [attr.y]="-3" [attr.font-size]="text()" class="scribed">
            {{ h.id }}
          </svg:text>
          <svg:text
            [attr.x]="beside(h)"
            [attr.text-anchor]="anchor(h)"
            [attr.y]="text()"
            [attr.font-size]="text() * 0.8"
            class="scribed size"
          >
            {{ size(h) }}
          </svg:text>
        }
      </svg:g>
    }
  `,
  styles: `
    :host {
      font-family: var(--label);
    }
    .scribed {
      fill: var(--chalk);
      font-weight: 600;
    }
    .size {
      font-weight: 500;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BlankDrawing {
  readonly part = input.required<CutPart>();
  readonly units = input.required<UnitSystem>();
  readonly view = input.required<Rect>();
  /** Without words, as a small picture. */
  readonly plain = input(false);

  protected readonly viewBox = computed(() => {
    const { x0, x1, y0, y1 } = this.view();
    return `${x0} ${-y1} ${x1 - x0} ${y1 - y0}`;
  });
  protected readonly outline = computed(() => pathData(this.part().region, (p) => ({ x: p.x, y: -p.y }), true));
  /** Letter height, mm. */
  protected readonly text = computed(() => {
    const { x0, x1, y0, y1 } = this.part().bounds;
    return Math.max(4, Math.min((x1 - x0) / 28, (y1 - y0) / 6));
  });

  /** Words stand on the side of a hole where there is metal for them. */
  private leftOf(h: CutHole): boolean {
    return this.part().bounds.x1 - h.x < h.d / 2 + 5 * this.text();
  }
  protected beside(h: CutHole): number {
    return (this.leftOf(h) ? -1 : 1) * (h.d / 2 + 3);
  }
  protected anchor(h: CutHole): 'start' | 'end' {
    return this.leftOf(h) ? 'end' : 'start';
  }
  protected cross(d: number): string {
    const arm = d / 2 + 3;
    return `M${-arm} 0H${arm}M0 ${-arm}V${arm}`;
  }
  protected size(h: CutHole): string {
    return sizeWords(h, (mm) => formatQuantity(mm, 'length', this.units()));
  }
  /** The middle line of a hole: a point where it is round. */
  protected run(h: CutHole): string {
    const { x, y } = slotRun({ plate: h.d, ...(h.slot ? { slot: h.slot } : {}) });
    return `M${-x} ${y}L${x} ${-y}`;
  }
}
