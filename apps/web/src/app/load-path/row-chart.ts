import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { longRows } from '@core/checks/row-share';
import { isResolved, resolve } from '@core/job/resolve';
import { rowVariants } from '@core/sharing/row-variants';
import { PickField } from '../fields/pick-field';
import { Desk } from '../job/desk';

const HEIGHT = 90;

/** The share of each bolt along a long row, and what a stiffer plate, a taper or a wider pitch at the ends does to it. */
@Component({
  selector: 'ms-row-chart',
  imports: [PickField],
  template: `
    @if (row(); as r) {
      <h3>Along the row {{ r.axis === 'x' ? 'fore and aft' : 'athwart' }}</h3>
      <svg [attr.viewBox]="'0 0 ' + across() + ' 118'" role="img" [attr.aria-label]="spoken()">
        <line x1="0" [attr.x2]="across()" [attr.y1]="even()" [attr.y2]="even()" class="even" />
        @for (b of bars(); track b.id) {
          <rect class="is" [attr.x]="b.x" [attr.y]="96 - b.is" width="16" [attr.height]="b.is" />
          <rect class="other" [attr.x]="b.x + 16" [attr.y]="96 - b.other" width="16" [attr.height]="b.other" />
          <text [attr.x]="b.x + 16" y="108" text-anchor="middle">{{ b.id }}</text>
          <text [attr.x]="b.x + 16" [attr.y]="90 - Math.max(b.is, b.other)" text-anchor="middle" class="figure">
            {{ b.words }}
          </text>
        }
      </svg>
      <ms-pick label="Beside it" [value]="'' + against()" [choices]="choices()" (changed)="against.set(+$event)" />
      <p class="note">
        Dark: as it is, by Huth. Light: {{ variants()[against()]!.name }}. Dashed: even shares. End bolt {{ change() }}.
      </p>
    }
  `,
  styles: `
    h3 {
      margin: 10px 0 2px;
    }
    svg {
      display: block;
      width: 100%;
      max-height: 150px;
    }
    .is {
      fill: var(--marking);
    }
    .other {
      fill: var(--marking-pale);
      stroke: var(--marking);
    }
    .even {
      stroke: var(--ink-soft);
      stroke-dasharray: 4 3;
    }
    text {
      fill: var(--ink);
      font: 500 11px var(--label);
    }
    .figure {
      font: 600 10px var(--text);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RowChart {
  private readonly desk = inject(Desk);
  protected readonly Math = Math;
  protected readonly against = signal(2);

  protected readonly row = computed(() => {
    const job = this.desk.shown();
    const r = job && resolve(job);
    if (!r || !isResolved(r)) return undefined;
    const row = [...longRows(r)].sort((a, b) => b.bolts.length - a.bolts.length)[0];
    return row;
  });
  /** Room for each bolt's two bars and its words. */
  protected readonly across = computed(() => 8 + 44 * (this.row()?.bolts.length ?? 0));
  protected readonly variants = computed(() => {
    const r = this.row();
    return r ? rowVariants(r) : [];
  });
  protected readonly choices = computed(() =>
    this.variants()
      .map((v, i) => ({ value: String(i), label: v.name }))
      .slice(1),
  );
  private readonly scale = computed(() => HEIGHT / Math.max(0.01, ...this.variants().flatMap((v) => v.shares)) / 1.25);
  protected readonly even = computed(() => 96 - this.scale() / Math.max(1, this.row()?.bolts.length ?? 1));
  protected readonly bars = computed(() => {
    const [is, other] = [this.variants()[0]?.shares ?? [], this.variants()[this.against()]?.shares ?? []];
    return (this.row()?.bolts ?? []).map((id, i) => ({
      id,
      x: 8 + i * 44,
      is: is[i]! * this.scale(),
      other: other[i]! * this.scale(),
      words: `${Math.round(100 * is[i]!)} | ${Math.round(100 * other[i]!)} %`,
    }));
  });
  protected readonly change = computed(() => {
    const most = (i: number) => Math.max(...this.variants()[i]!.shares);
    return `${(100 * most(0)).toFixed(1)} % becomes ${(100 * most(this.against())).toFixed(1)} %`;
  });
  protected readonly spoken = computed(
    () =>
      `Share along the row: ${this.bars()
        .map((b) => `${b.id} ${b.words}`)
        .join(', ')}`,
  );
}
