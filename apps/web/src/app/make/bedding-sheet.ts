import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { productFor, USUAL_TEMPERATURE, type Making } from '@core/job/making';
import { beddingCards } from '@core/shop/cards/bench';
import { laminateCards } from '@core/shop/cards/laminate';
import { beddingOf } from '@core/shop/bedding';
import type { Product, ProductUse } from '@core/stock/products';
import { FactorField } from '../fields/factor-field';
import { Desk } from '../job/desk';
import { JobMade } from './job-made';
import { MakeCard } from './make-card';
import { withMaking } from './making-edits';

type Sheet = NonNullable<NonNullable<Making['products']>[ProductUse]>;

/** What is filled, painted, bedded and glued, at the temperature of the day; and the makers’ sheets of the products. */
@Component({
  selector: 'ms-bedding-sheet',
  imports: [FactorField, MakeCard, MatButton],
  template: `
    @if (uses().length > 0) {
      <ms-factor
        class="short"
        label="Temperature of the part, °C"
        what="temperature"
        [value]="temperature()"
        [low]="-40"
        [high]="60"
        [source]="said() ? '' : 'ASSUMED'"
        (changed)="say({ temperature: $event }, 'Temperature')"
      />
      @for (u of uses(); track u.use) {
        <details>
          <summary>{{ u.product.name }}{{ u.assumed ? ': put in its maker’s sheet' : ': its maker’s sheet' }}</summary>
          <label class="name"
            >Product
            <input type="text" maxlength="80" [value]="u.product.name" (change)="named(u, $any($event.target).value)" />
          </label>
          @if (u.product.mix; as m) {
            <ms-factor
              label="Parts of resin"
              what="part"
              [value]="m.resin"
              [low]="0.01"
              [high]="1000"
              (changed)="mixed(u, { resin: $event })"
            />
            <ms-factor
              label="Parts of hardener"
              what="part"
              [value]="m.hardener"
              [low]="0.01"
              [high]="1000"
              (changed)="mixed(u, { hardener: $event })"
            />
            <p class="by">
              Measured by
              @for (by of ['weight', 'volume']; track by) {
                <label
                  ><input type="radio" [name]="'by-' + u.use" [checked]="m.by === by" (change)="mixed(u, { by: $any(by) })" />
                  {{ by }}</label
                >
              }
            </p>
            <ms-factor
              label="Density of resin, g/cm³"
              what="density"
              [value]="m.resinDensity"
              [low]="0.2"
              [high]="4"
              (changed)="mixed(u, { resinDensity: $event })"
            />
            <ms-factor
              label="Density of hardener, g/cm³"
              what="density"
              [value]="m.hardenerDensity"
              [low]="0.2"
              [high]="4"
              (changed)="mixed(u, { hardenerDensity: $event })"
            />
          }
          @if (u.product.cartridge; as c) {
            <ms-factor
              label="Cartridge, ml"
              what="volume"
              [value]="c"
              [low]="1"
              [high]="5000"
              (changed)="change(u, { cartridge: $event })"
            />
          }
          <ms-factor
            label="Used from, °C"
            what="temperature"
            [value]="u.product.from"
            [low]="-40"
            [high]="u.product.to - 1"
            (changed)="change(u, { from: $event })"
          />
          <ms-factor
            label="Used to, °C"
            what="temperature"
            [value]="u.product.to"
            [low]="u.product.from + 1"
            [high]="60"
            (changed)="change(u, { to: $event })"
          />
          <ms-factor
            [label]="'Pot life at ' + u.product.potLife.at + ' °C, min'"
            what="time"
            [value]="u.product.potLife.minutes"
            [low]="1"
            [high]="10000"
            (changed)="change(u, { potLife: { at: u.product.potLife.at, minutes: $event } })"
          />
          @for (c of u.product.cure; track c.step; let i = $index) {
            @for (p of c.points; track $index; let k = $index) {
              <ms-factor
                [label]="c.step + ': at °C'"
                what="temperature"
                [value]="p.at"
                [low]="-40"
                [high]="60"
                (changed)="cured(u, i, k, { at: $event })"
              />
              <ms-factor
                [label]="c.step + ': hours'"
                what="time"
                [value]="p.hours"
                [low]="0.01"
                [high]="2000"
                (changed)="cured(u, i, k, { hours: $event })"
              />
            }
          }
          @if (!u.assumed) {
            <button mat-stroked-button type="button" (click)="forget(u)">Back to the usual, assumed</button>
          }
        </details>
      }
    }
    @for (c of cards(); track $index) {
      <ms-make-card [card]="c" />
    } @empty {
      <p class="note">Fitted dry and bare: nothing is filled, bedded, glued or painted.</p>
    }
  `,
  styleUrl: './cards.scss',
  styles: `
    .short,
    details ms-factor {
      max-width: 440px;
    }
    .name {
      display: flex;
      gap: 12px;
      align-items: center;
      max-width: 440px;
      padding: 4px 0;
    }
    .name input {
      flex: 1;
      padding: 3px 6px;
      border: 1px solid var(--rule-strong);
      background: var(--field);
      color: var(--ink);
      font: 500 14px/1.3 var(--text);
    }
    .by {
      display: flex;
      gap: 16px;
      margin: 4px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BeddingSheet {
  private readonly desk = inject(Desk);
  private readonly made = inject(JobMade);
  private readonly making = computed(() => this.desk.whole()!.making);
  protected readonly said = computed(() => this.making()?.temperature !== undefined);
  protected readonly temperature = computed(() => this.making()?.temperature ?? USUAL_TEMPERATURE);
  protected readonly cards = computed(() => {
    const of = this.made.of();
    return of ? [...laminateCards(of), ...beddingCards(of)] : [];
  });
  protected readonly uses = computed(() => {
    const feet = this.made.of()?.feet ?? [];
    const uses = [...new Set(feet.flatMap(({ r }) => beddingOf(r, this.making()).map((b) => b.use)))];
    return uses.map((use) => ({ use, ...productFor(this.making(), use) }));
  });

  protected say(change: Partial<Making>, did: string): void {
    this.desk.changeWhole(did, (w) => withMaking(w, change));
  }
  protected change(u: { use: ProductUse; product: Product }, change: Partial<Sheet>): void {
    const product = { ...u.product, ...change } as Sheet;
    this.say({ products: { ...this.making()?.products, [u.use]: product } }, `Sheet of ${u.product.name}`);
  }
  protected named(u: { use: ProductUse; product: Product }, name: string): void {
    if (name.trim() !== '') this.change(u, { name: name.trim() });
  }
  protected mixed(u: { use: ProductUse; product: Product }, change: Partial<NonNullable<Sheet['mix']>>): void {
    this.change(u, { mix: { ...u.product.mix!, ...change } });
  }
  protected cured(u: { use: ProductUse; product: Product }, i: number, k: number, change: { at?: number; hours?: number }): void {
    const cure = u.product.cure.map((c, n) =>
      n === i ? { ...c, points: c.points.map((p, m) => (m === k ? { ...p, ...change } : p)) } : c,
    ) as Sheet['cure'];
    // Two points at one temperature say nothing: the change is left out and the field shows what was.
    const { points } = cure[i]!;
    if (points.length === 2 && points[0]!.at === points[1]!.at) return;
    this.change(u, { cure });
  }
  protected forget(u: { use: ProductUse; product: Product }): void {
    const { [u.use]: _gone, ...rest } = this.making()?.products ?? {};
    this.say(
      { products: Object.keys(rest).length > 0 ? rest : undefined } as Partial<Making>,
      `Sheet of ${u.product.name} left out`,
    );
  }
}
