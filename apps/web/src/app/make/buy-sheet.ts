import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import type { Making } from '@core/job/making';
import { buyList } from '@core/shop/buy-list';
import { buyCard } from '@core/shop/cards/plan';
import { sheetsWanted } from '@core/shop/sheets-wanted';
import { FactorField } from '../fields/factor-field';
import { Desk } from '../job/desk';
import { failureText } from '../job/job-api';
import { CutPlanApi, type StockPlan } from './cut-plan-api';
import { JobMade } from './job-made';
import { MakeCard } from './make-card';
import { withMaking } from './making-edits';
import { ShopDesk } from './shop-desk';

/** What to buy and what it costs; bars are planned on the server from what is saved. */
@Component({
  selector: 'ms-buy-sheet',
  imports: [FactorField, MakeCard],
  template: `
    <div class="two">
      <ms-factor
        label="Bought-in price"
        what="price"
        [value]="making().boughtIn ?? 0"
        [low]="0"
        [high]="10000000"
        (changed)="say({ boughtIn: $event || undefined }, 'Bought-in price')"
      />
      <ms-factor
        label="Budget"
        what="price"
        [value]="making().budget ?? 0"
        [low]="0"
        [high]="10000000"
        (changed)="say({ budget: $event || undefined }, 'Budget')"
      />
    </div>
    @if (failure() || shop.failure()) {
      <p class="error" role="alert">{{ failure() || shop.failure() }}</p>
    }
    @if (card(); as c) {
      <ms-make-card [card]="c" />
    } @else if (!failure()) {
      <p class="note" role="status">Planning the bars …</p>
    }
  `,
  styleUrl: './cards.scss',
  styles: `
    .two {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 340px));
      gap: 16px;
      margin-bottom: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BuySheet {
  private readonly desk = inject(Desk);
  private readonly api = inject(CutPlanApi);
  private readonly made = inject(JobMade);
  protected readonly shop = inject(ShopDesk);
  protected readonly making = computed((): Making => this.desk.whole()!.making ?? {});
  private readonly bars = signal<readonly StockPlan[] | null>(null);
  protected readonly failure = signal('');
  protected readonly card = computed(() => {
    const [of, shop, bars, whole] = [this.made.of(), this.shop.settings(), this.bars(), this.desk.whole()!];
    if (!of || !shop || !bars) return undefined;
    const found = sheetsWanted(whole, shop.sheetCut, shop.offcuts);
    const sheets = 'wanted' in found ? found.wanted : [];
    return buyCard(buyList({ of, sheets, bars, shop }), whole, shop);
  });

  constructor() {
    const asked = computed(() =>
      this.desk.state().save === 'saved' ? `${this.desk.whole()!.id} ${this.shop.settings()?.offcuts.length}` : '',
    );
    effect((onCleanup) => {
      if (asked() === '') return;
      const asking = this.api.plan(this.desk.whole()!.id).subscribe({
        next: (plans) => {
          this.bars.set(plans);
          this.failure.set('');
        },
        error: (e: unknown) => this.failure.set(failureText(e)),
      });
      onCleanup(() => asking.unsubscribe());
    });
  }

  protected say(change: Partial<Making>, did: string): void {
    this.desk.changeWhole(did, (w) => withMaking(w, change));
  }
}
