import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { UnitSystem } from '@core/units/format-quantity';
import { colourAt, levelsOf, showField, type Field, type Scale } from './field-picture';

/** The ramp with its values, always beside the field. */
@Component({
  selector: 'ms-field-legend',
  template: `
    <span class="end">{{ show(scale().low) }}</span>
    <span class="ramp" [style.background]="ramp">
      @for (t of ticks(); track t.at) {
        <i [style.left.%]="t.at"></i>
      }
    </span>
    <span class="end">{{ show(scale().high) }}</span>
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 6px;
      font: 600 13.5px/1 var(--label);
      font-variant-numeric: tabular-nums;
    }
    .ramp {
      position: relative;
      flex: 1;
      min-width: 110px;
      height: 13px;
      border: 1px solid var(--ink);
    }
    i {
      position: absolute;
      top: 0;
      bottom: 0;
      width: 1px;
      background: var(--card);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FieldLegend {
  readonly field = input.required<Field | undefined>();
  readonly scale = input.required<Scale>();
  readonly system = input.required<UnitSystem>();

  protected readonly ramp = `linear-gradient(to right, ${[0, 0.2, 0.4, 0.6, 0.8, 1].map((p) => `rgb(${colourAt(p).join(' ')})`).join(', ')})`;
  protected readonly ticks = computed(() => {
    const { low, high } = this.scale();
    return levelsOf(this.scale()).map((v) => ({ at: (100 * (v - low)) / (high - low) }));
  });

  protected show(v: number): string {
    return showField(v, this.field()?.unit ?? '–', this.system());
  }
}
