import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { BEGUN_AS, freePartId, withPart, type BegunAs } from '@core/job/part-edits';
import { offWords } from '@core/shop/cards/parts';
import { partList, type ListedPart } from '@core/shop/part-list';
import { formatQuantity } from '@core/units/format-quantity';
import { refusalText } from '@core/units/refusal';
import { BlankDrawing } from '../drawing/blank-drawing';
import { Desk } from '../job/desk';

/** Room round a piece, mm, and the most that the largest may take of the drawer, px. */
const ROUND = 8;
const MOST = { wide: 560, high: 250 } as const;

/** Every part of the job like cut pieces in a rack, all at one scale: picture, mark, stock, count and mass. */
@Component({
  selector: 'ms-parts-drawer',
  imports: [BlankDrawing, MatButton, MatIcon, MatMenu, MatMenuItem, MatMenuTrigger],
  template: `
    <div class="head">
      <h2>Parts</h2>
      <span class="note">{{ sum() }}</span>
      <button mat-stroked-button type="button" [matMenuTriggerFor]="stock"><mat-icon svgIcon="add" />Part</button>
      <mat-menu #stock="matMenu">
        @for (s of begun; track s) {
          <button mat-menu-item type="button" (click)="add(s)">
            {{ s === 'link' || s === 'tab' ? s + ' with its pin' : 'from ' + s }}
          </button>
        }
      </mat-menu>
    </div>
    @if (refused().length > 0) {
      <p class="error" role="alert">{{ refused()[0] }}</p>
    }
    <ul>
      @for (p of parts(); track p.mark) {
        <li [class.open]="p.part.id === open()">
          <button
            type="button"
            class="piece"
            [attr.aria-label]="'Open ' + p.name"
            [attr.aria-pressed]="p.part.id === open()"
            (click)="opened.emit(p.part.id)"
          >
            <svg
              msBlank
              aria-hidden="true"
              [part]="p.part"
              [units]="units()"
              [plain]="true"
              [view]="round(p)"
              [attr.width]="(p.length + 2 * gap) * scale()"
              [attr.height]="(p.width + 2 * gap) * scale()"
            ></svg>
          </button>
          <b>{{ p.mark }} · {{ p.name }}</b>
          <span>{{ count(p) }} · {{ mass(p.mass) }} each</span>
          <span class="note">{{ p.stock }}, {{ size(p) }}</span>
        </li>
      }
    </ul>
    <p class="note">All at one scale. Mounting plate and backing are drawn on the plan; press a piece to see it by itself.</p>
  `,
  styles: `
    :host {
      display: block;
      overflow: auto;
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
    .head button {
      margin-left: auto;
    }
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 14px 18px;
      align-items: flex-end;
      margin: 8px 0;
      padding: 0 0 10px;
      border-bottom: 6px solid var(--rule-strong);
      list-style: none;
    }
    li {
      display: grid;
      justify-items: start;
      max-width: 600px;
      font-size: 14px;
      line-height: 1.3;
    }
    li.open .piece {
      border-color: var(--accent);
      background: var(--accent-soft);
    }
    .piece {
      padding: 4px;
      border: 1px solid transparent;
      border-radius: 3px;
      background: transparent;
      cursor: pointer;
    }
    .piece:hover {
      border-color: var(--rule-strong);
    }
    .piece:focus-visible {
      outline: 2px solid var(--accent);
    }
    .piece svg {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartsDrawer {
  protected readonly desk = inject(Desk);
  readonly open = input<string>('');
  readonly opened = output<string>();
  protected readonly begun = BEGUN_AS;
  protected readonly gap = ROUND;
  protected readonly units = computed(() => this.desk.job()!.units);
  private readonly list = computed(() => partList(this.desk.whole()!));
  /** As they were last, while one of them cannot be made. */
  protected readonly parts = linkedSignal<ReturnType<typeof partList>, readonly ListedPart[]>({
    source: this.list,
    computation: (list, before) => ('parts' in list ? list.parts : (before?.value ?? [])),
  });
  protected readonly refused = computed((): readonly string[] => {
    const list = this.list();
    return 'refusals' in list ? list.refusals.map(refusalText) : [];
  });
  protected readonly scale = computed(() => {
    const most = (f: (p: ListedPart) => number) => Math.max(1, ...this.parts().map(f)) + 2 * ROUND;
    return Math.min(2, MOST.wide / most((p) => p.length), MOST.high / most((p) => p.width));
  });
  protected readonly sum = computed(() => {
    const all = this.parts();
    const n = all.reduce((sum, p) => sum + p.count + p.mirrored, 0);
    const kg = all.reduce((sum, p) => sum + (p.count + p.mirrored) * p.mass, 0);
    return `${n} ${n === 1 ? 'piece' : 'pieces'}, ${this.mass(kg)} together, over all feet`;
  });

  protected mass(kg: number): string {
    return formatQuantity(kg, 'mass', this.units());
  }
  protected size(p: ListedPart): string {
    const mm = (v: number) => formatQuantity(v, 'length', this.units());
    return `${mm(p.length)} × ${mm(p.width)}`;
  }
  protected count(p: ListedPart): string {
    return offWords(p);
  }
  protected round(p: ListedPart) {
    const { x0, x1, y0, y1 } = p.part.bounds;
    return { x0: x0 - ROUND, x1: x1 + ROUND, y0: y0 - ROUND, y1: y1 + ROUND };
  }
  protected add(as: BegunAs): void {
    const id = freePartId(this.desk.job()!);
    this.desk.change(`part from ${as}`, (j) => withPart(j, as));
    this.opened.emit(id);
  }
}
