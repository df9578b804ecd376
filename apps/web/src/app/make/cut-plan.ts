import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import type { BarPlan, CutBar, Saw } from '@core/shop/bar-cutting';
import { lengthRange } from '@core/units/field-range';
import { formatQuantity } from '@core/units/format-quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { Desk } from '../job/desk';
import { failureText } from '../job/job-api';
import { CutPlanApi, type StockPlan } from './cut-plan-api';
import { CutLengths } from './cut-lengths';
import { ShopDesk } from './shop-desk';

const SAW_RANGES = {
  kerf: lengthRange('Width of the cut', 20, '0'),
  endWaste: lengthRange('Cut off each end first', 500, '0'),
} as const;

/** Which bars to buy and how to saw them: drawn to scale, with where the stop goes for each cut. */
@Component({
  selector: 'ms-cut-plan',
  imports: [CutLengths],
  template: `
    @if (lengths(); as now) {
      <ms-cut-lengths [of]="ranges" [now]="now" (changed)="keep($event)" />
    }
    @if (shop.failure()) {
      <p class="error" role="alert">{{ shop.failure() }}</p>
    }
    @if (failure()) {
      <p class="error" role="alert">{{ failure() }}</p>
    } @else if (!plans()) {
      <p class="note" role="status">
        {{
          saved()
            ? 'Working out the least to buy …'
            : 'The last change is still being saved; the plan is made from what is saved.'
        }}
      </p>
    } @else {
      @for (s of plans(); track s.stock) {
        <h3>{{ s.stock }}</h3>
        @if (made(s); as p) {
          <p class="sum">
            <b>{{ p.bought === 0 ? 'Nothing' : p.bought + ' × ' + length(boughtLength(p)) }}</b> to buy, {{ percent(p.waste) }} of
            it not in a piece;
            {{
              p.proven
                ? 'no plan buys less'
                : 'the best that was found, not proven the least; at least ' + length(p.lowerBound) + ' is needed'
            }}.
          </p>
          <ol class="bars">
            @for (b of p.bars; track $index) {
              <li>
                <svg
                  role="img"
                  preserveAspectRatio="none"
                  [attr.viewBox]="'0 0 ' + b.bar.length + ' 100'"
                  [attr.aria-label]="words(b)"
                >
                  <rect class="bar" x="0" y="0" [attr.width]="b.bar.length" height="100" />
                  @for (piece of b.pieces; track $index) {
                    <rect
                      class="piece"
                      [attr.x]="b.stops[$index]! - piece.length"
                      y="0"
                      [attr.width]="piece.length"
                      height="100"
                      vector-effect="non-scaling-stroke"
                    />
                  }
                </svg>
                <span class="cuts">
                  @for (piece of b.pieces; track $index) {
                    <span class="cut"
                      ><b>{{ length(b.stops[$index]!) }}</b> {{ piece.mark }}, {{ length(piece.length) }}</span
                    >
                  }
                  <span class="cut note"
                    >{{ b.bar.onHand === undefined ? '' : 'off the rack; ' }}{{ length(b.left) }} left
                    @if (b.left >= 100) {
                      <button type="button" class="shelve" (click)="shelve(s, b.left)">put on the rack</button>
                    }
                  </span>
                </span>
              </li>
            }
          </ol>
        } @else {
          <p class="error" role="alert">{{ refused(s) }}</p>
        }
      } @empty {
        <p class="note">No part of this job is sawn from bar or tube, and no studding is cut.</p>
      }
      @if (plans()!.length > 0) {
        <p class="note">
          Large figures are where the stop goes from the bar’s own end, its waste cut off; every piece loses one cut more. Least
          length by an integer programme over all cutting patterns (Gilmore and Gomory 1961).
        </p>
      }
    }
  `,
  styleUrl: './cards.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CutPlan {
  private readonly desk = inject(Desk);
  private readonly api = inject(CutPlanApi);
  protected readonly ranges = SAW_RANGES;
  protected readonly units = computed(() => this.desk.whole()!.units);
  protected readonly saved = computed(() => this.desk.state().save === 'saved');
  protected readonly plans = signal<readonly StockPlan[] | null>(null);
  protected readonly failure = signal('');
  protected readonly shop = inject(ShopDesk);

  constructor() {
    // Anew whenever a change is saved or the saw is another; an answer that comes late is of no use.
    effect((onCleanup) => {
      const { id } = this.desk.whole()!;
      this.shop.version();
      this.plans.set(null);
      this.failure.set('');
      if (!this.saved()) return;
      const asked = this.api.plan(id).subscribe({
        next: (plans) => this.plans.set(plans),
        error: (e: unknown) => this.failure.set(failureText(e)),
      });
      onCleanup(() => asked.unsubscribe());
    });
  }

  protected readonly lengths = computed(() => this.shop.settings()?.saw);
  protected keep(change: Partial<Saw>): void {
    this.shop.change((s) => ({ ...s, saw: { ...s.saw, ...change } }));
  }
  /** What a bar leaves over goes on the rack. */
  protected shelve(s: StockPlan, left: number): void {
    const length = Math.floor(left);
    this.shop.change((shop) => ({ ...shop, offcuts: [...shop.offcuts, { stock: s.stock, length, count: 1 }] }));
  }

  protected boughtLength(p: BarPlan): number {
    return p.boughtLength / p.bought;
  }
  protected made({ plan }: StockPlan): BarPlan | undefined {
    return isRefusal(plan) ? undefined : plan;
  }
  protected refused({ plan }: StockPlan): string {
    return isRefusal(plan) ? refusalText(plan) : '';
  }
  protected length(mm: number): string {
    return formatQuantity(mm, 'length', this.units());
  }
  protected percent(part: number): string {
    return `${(100 * part).toFixed(1)} %`;
  }
  protected words(b: CutBar): string {
    return `Bar of ${this.length(b.bar.length)}: ${b.pieces.map((p) => this.length(p.length)).join(', ')}; ${this.length(b.left)} left`;
  }
}
