import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { CALIBRATION, printerWords } from '@core/shop/template-pages';
import type { Printer } from '@core/stock/shop-settings';
import { FactorField } from '../fields/factor-field';
import { PickField, type Choice } from '../fields/pick-field';
import { ShopDesk } from './shop-desk';

/** Which printer a template is for: its calibration square as it came out, kept with the shop, is taken out of the next print. */
@Component({
  selector: 'ms-printer-field',
  imports: [FactorField, MatButton, PickField],
  template: `
    @if (shop.settings()) {
      <div class="row">
        <ms-pick label="Printer" [value]="chosen()" [choices]="choices()" (changed)="picked.emit($event)" />
        @if (printer(); as p) {
          <ms-factor
            label="Square across, mm"
            what="side"
            [value]="p.across"
            [low]="49"
            [high]="51"
            (changed)="measured(p, { across: $event })"
          />
          <ms-factor
            label="Square up, mm"
            what="side"
            [value]="p.up"
            [low]="49"
            [high]="51"
            (changed)="measured(p, { up: $event })"
          />
          <span class="note">{{ words(p) }}</span>
        } @else {
          <input #name type="text" maxlength="80" placeholder="its name" aria-label="Name of a new printer" />
          <button mat-stroked-button type="button" (click)="add(name.value); name.value = ''">Add a printer</button>
        }
      </div>
    }
    @if (shop.failure()) {
      <p class="error" role="alert">{{ shop.failure() }}</p>
    }
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 16px;
      align-items: center;
      padding: 6px 0;
    }
    ms-factor {
      grid-template-columns: auto 58px;
      border: 0;
    }
    ms-pick {
      border: 0;
    }
    input {
      padding: 4px 8px;
      border: 1px solid var(--rule-strong);
      background: var(--field);
      color: var(--ink);
      font: 500 14px/1.3 var(--text);
    }
    .note {
      flex: 1 1 240px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PrinterField {
  protected readonly shop = inject(ShopDesk);
  readonly chosen = input.required<string>();
  readonly picked = output<string>();

  private readonly printers = computed(() => this.shop.settings()?.printers ?? []);
  protected readonly choices = computed((): Choice[] => [
    { value: '', label: 'any, not corrected' },
    ...this.printers().map((p) => ({ value: p.name, label: p.name })),
  ]);
  protected readonly printer = computed(() => this.printers().find((p) => p.name === this.chosen()));

  protected add(typed: string): void {
    const name = typed.trim();
    if (name === '' || this.printers().some((p) => p.name === name)) return;
    const printer: Printer = { name, across: CALIBRATION, up: CALIBRATION };
    this.shop.change(
      (s) => ({ ...s, printers: [...s.printers, printer] }),
      () => this.picked.emit(name),
    );
  }
  protected measured(p: Printer, change: Partial<Printer>): void {
    this.shop.change((s) => ({ ...s, printers: s.printers.map((x) => (x.name === p.name ? { ...x, ...change } : x)) }));
  }
  protected words(p: Printer): string {
    return printerWords({ of: p, corrected: true }).text;
  }
}
