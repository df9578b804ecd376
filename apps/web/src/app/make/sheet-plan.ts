import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { pathData } from '@core/geometry/region';
import { whyNot } from '@core/shop/laid-by-hand';
import type { NestedSheet, Offcut, PlacedPiece, SheetCut, SheetPlan as Plan } from '@core/shop/sheet-nesting';
import { USUAL_SHOP } from '@core/stock/shop-settings';
import { OTHER_HAND, outlineOn, sizeOf, type SheetsWanted } from '@core/shop/on-sheet';
import { sheetsWanted } from '@core/shop/sheets-wanted';
import { lengthRange } from '@core/units/field-range';
import { formatQuantity } from '@core/units/format-quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { fieldWords } from '../fields/show';
import { Desk } from '../job/desk';
import { CutLengths } from './cut-lengths';
import { withMaking } from './making-edits';
import { ShopDesk } from './shop-desk';

const RANGES = {
  kerf: lengthRange('Left between pieces', 20, '0'),
  margin: lengthRange('Left along the edges', 100, '0'),
} as const;

interface Dragged {
  readonly stock: string;
  readonly sheet: NestedSheet;
  readonly index: number;
  readonly from: { readonly x: number; readonly y: number };
  /** Pixels in a millimetre. */
  readonly scale: number;
  readonly dx: number;
  readonly dy: number;
}

/** Which sheets to buy and where each piece lies on them, to scale. */
@Component({
  selector: 'ms-sheet-plan',
  imports: [CutLengths],
  template: `
    <ms-cut-lengths [of]="ranges" [now]="lengths()" (changed)="keep($event)">
      <label class="along">
        <input type="checkbox" [checked]="cut().along" (change)="keep({ along: !cut().along })" />
        lengths along the sheet
      </label>
    </ms-cut-lengths>
    @if (shop.failure()) {
      <p class="error" role="alert">{{ shop.failure() }}</p>
    }
    @if (dropped() > 0) {
      <p class="error" role="status">
        {{ dropped() }} {{ dropped() === 1 ? 'piece' : 'pieces' }} put by hand no longer fit there, as the job was changed: they
        lie as planned.
      </p>
    }
    @for (r of refusals(); track r) {
      <p class="error" role="alert">{{ r }}</p>
    }
    @for (s of wanted(); track s.stock) {
      <h3>{{ s.stock }}</h3>
      @if (made(s); as p) {
        <p class="sum">
          <b>{{ p.bought === 0 ? 'Nothing' : p.bought + ' × ' + length(p.long) + ' × ' + length(p.wide) }}</b> to buy;
          {{ percent(p.waste) }} of what is cut from is waste.
          {{
            p.bought > p.atLeast
              ? 'By its area ' + p.atLeast + ' would do: another order may save one.'
              : 'No fewer of them would do.'
          }}
        </p>
        @if (said(); as words) {
          @if (words.stock === s.stock) {
            <p class="error" role="alert">{{ words.text }}</p>
          }
        }
        @if (byHand(s) > 0) {
          <p class="note">
            {{ byHand(s) }} {{ byHand(s) === 1 ? 'piece lies' : 'pieces lie' }} where it was put by hand.
            <button type="button" class="shelve" (click)="asPlanned(s)">as planned again</button>
          </p>
        }
        <div class="laid">
          @for (sheet of p.sheets; track $index) {
            @let z = size(p, sheet);
            <figure>
              <svg
                role="group"
                [attr.viewBox]="'-8 -8 ' + (z.long + 16) + ' ' + (z.wide + 16)"
                [attr.aria-label]="words(s, sheet.pieces)"
              >
                <rect class="sheet" x="0" y="0" [attr.width]="z.long" [attr.height]="z.wide" />
                @for (piece of sheet.pieces; track $index) {
                  <path
                    class="cut-out"
                    role="button"
                    tabindex="0"
                    [attr.aria-label]="'Piece ' + piece.id + '; arrow keys move it, r turns it'"
                    [attr.transform]="pulled(s, $index, sheet)"
                    [attr.d]="outline(s, piece, z.wide)"
                    (pointerdown)="grab($event, s, sheet, $index)"
                    (pointermove)="pull($event)"
                    (pointerup)="drop(s, p, sheet)"
                    (pointercancel)="dragged.set(null)"
                    (keydown)="nudge($event, s, p, sheet, $index)"
                  />
                  <text [attr.x]="middle(s, piece).x" [attr.y]="middle(s, piece).y" [attr.font-size]="letters(s, piece, z)">
                    {{ piece.id }}
                  </text>
                }
              </svg>
              <figcaption class="note">
                {{ sheet.offcut ? 'Offcut off the rack' : 'Sheet ' + ($index + 1) }}; {{ length(sheet.remnant) }} left over the
                whole width
                @if (sheet.remnant >= 100) {
                  <button type="button" class="shelve" (click)="shelve(s, z, sheet.remnant)">put on the rack</button>
                }
                <a [href]="file(s, $index + 1, 'dxf')" download>DXF, cut lines</a>
                <a [href]="file(s, $index + 1, 'svg')" download>SVG, cut lines</a>
                <a [href]="file(s, $index + 1, 'dxf', { with: 'words' })" download>DXF with words</a>
              </figcaption>
            </figure>
          }
        </div>
      } @else {
        <p class="error" role="alert">{{ refused(s) }}</p>
      }
    }
    @if (wanted().length > 0) {
      <p class="note">
        Numbers are the parts’ marks. Drag a piece to another place, or arrow keys on it and r to turn it: it stays there. Pieces
        lie by the rectangles round them (maximal rectangles, Jylänki 2010), the best of several orders; those with a stroke are
        of the other hand.
      </p>
    }
  `,
  styleUrl: './cards.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetPlan {
  private readonly desk = inject(Desk);
  protected readonly ranges = RANGES;
  protected readonly shop = inject(ShopDesk);
  /** As usual until the shop’s own came. */
  private readonly settings = computed(() => this.shop.settings() ?? USUAL_SHOP);
  protected readonly cut = computed((): SheetCut => this.settings().sheetCut);
  protected readonly units = computed(() => this.desk.whole()!.units);
  private readonly found = computed(() => sheetsWanted(this.desk.whole()!, this.cut(), this.settings().offcuts));
  protected readonly wanted = computed(() => {
    const f = this.found();
    return 'wanted' in f ? f.wanted : [];
  });
  protected readonly dropped = computed(() => {
    const f = this.found();
    return 'dropped' in f ? f.dropped : 0;
  });
  protected readonly refusals = computed(() => {
    const f = this.found();
    return 'refusals' in f ? f.refusals.map((x) => refusalText({ ...x, field: fieldWords(x.field) })) : [];
  });

  protected readonly lengths = computed(() => ({ kerf: this.cut().kerf, margin: this.cut().margin }));
  protected keep(change: Partial<SheetCut>): void {
    this.shop.change((s) => ({ ...s, sheetCut: { ...s.sheetCut, ...change } }));
  }
  /** What a sheet leaves over its whole width goes on the rack. */
  protected shelve(s: SheetsWanted, size: Offcut, left: number): void {
    const offcut = { stock: s.stock, length: Math.floor(left), width: Math.floor(size.wide), count: 1 };
    this.shop.change((shop) => ({ ...shop, offcuts: [...shop.offcuts, offcut] }));
  }
  protected size(p: Plan, sheet: NestedSheet): Offcut {
    return sizeOf(p, sheet);
  }
  /** Width of the cut that is taken out of the files, mm. */
  readonly kerf = input(0);
  protected file(s: SheetsWanted, sheet: number, ending: 'dxf' | 'svg', more: Record<string, string> = {}): string {
    const kerf: Record<string, string> = this.kerf() > 0 ? { kerf: String(this.kerf()) } : {};
    const asked = new URLSearchParams({ stock: s.stock, sheet: String(sheet), ...kerf, ...more });
    return `/api/jobs/${this.desk.whole()!.id}/sheet.${ending}?${asked.toString()}`;
  }

  // A piece is put elsewhere on its sheet: by pointer, or by keys.
  protected readonly dragged = signal<Dragged | null>(null);
  protected readonly said = signal<{ readonly stock: string; readonly text: string } | null>(null);

  protected grab(e: PointerEvent, s: SheetsWanted, sheet: NestedSheet, index: number): void {
    const path = e.target as SVGGraphicsElement;
    path.setPointerCapture(e.pointerId);
    const scale = path.getScreenCTM()?.a || 1;
    this.dragged.set({ stock: s.stock, sheet, index, from: { x: e.clientX, y: e.clientY }, scale, dx: 0, dy: 0 });
  }
  protected pull(e: PointerEvent): void {
    this.dragged.update((d) => d && { ...d, dx: (e.clientX - d.from.x) / d.scale, dy: (e.clientY - d.from.y) / d.scale });
  }
  protected pulled(s: SheetsWanted, index: number, sheet: NestedSheet): string | null {
    const d = this.dragged();
    return d && d.stock === s.stock && d.sheet === sheet && d.index === index ? `translate(${d.dx} ${d.dy})` : null;
  }
  protected drop(s: SheetsWanted, p: Plan, sheet: NestedSheet): void {
    const d = this.dragged();
    this.dragged.set(null);
    if (!d || (Math.abs(d.dx) < 0.5 && Math.abs(d.dy) < 0.5)) return;
    const was = sheet.pieces[d.index]!;
    this.put(s, p, sheet, d.index, { ...was, x: Math.round(was.x + d.dx), y: Math.round(was.y + d.dy) });
  }
  protected nudge(e: KeyboardEvent, s: SheetsWanted, p: Plan, sheet: NestedSheet, index: number): void {
    const was = sheet.pieces[index]!;
    const step = e.shiftKey ? 10 : 1;
    const way = { ArrowRight: [step, 0], ArrowLeft: [-step, 0], ArrowDown: [0, step], ArrowUp: [0, -step] }[e.key];
    if (!way && e.key !== 'r') return;
    e.preventDefault();
    e.stopPropagation();
    this.put(s, p, sheet, index, way ? { ...was, x: was.x + way[0]!, y: was.y + way[1]! } : { ...was, turned: !was.turned });
  }
  private put(s: SheetsWanted, p: Plan, sheet: NestedSheet, index: number, now: PlacedPiece): void {
    const k = p.sheets.indexOf(sheet);
    const pieces = sheet.pieces.map((x, i) => (i === index ? now : x));
    const no = whyNot(s, p, k, pieces, index, this.cut());
    this.said.set(no ? { stock: s.stock, text: `Piece ${now.id} does not go there: ${no}.` } : null);
    if (no) return;
    const nth = sheet.pieces.slice(0, index).filter((x) => x.id === now.id).length;
    const mine = { stock: s.stock, sheet: k, piece: now.id, nth };
    const others = (this.desk.whole()!.making?.laid ?? []).filter(
      (l) => !(l.stock === mine.stock && l.sheet === k && l.piece === mine.piece && l.nth === nth),
    );
    const laid = [...others, { ...mine, x: now.x, y: now.y, turned: now.turned }];
    this.desk.changeWhole(`Piece ${now.id} put by hand`, (w) => withMaking(w, { laid }));
  }
  protected byHand(s: SheetsWanted): number {
    return (this.desk.whole()!.making?.laid ?? []).filter((l) => l.stock === s.stock).length;
  }
  protected asPlanned(s: SheetsWanted): void {
    const laid = (this.desk.whole()!.making?.laid ?? []).filter((l) => l.stock !== s.stock);
    this.desk.changeWhole('Pieces as planned', (w) => withMaking(w, { laid: laid.length > 0 ? laid : undefined }));
  }

  protected made({ plan }: SheetsWanted): Plan | undefined {
    return isRefusal(plan) ? undefined : plan;
  }
  protected refused({ plan }: SheetsWanted): string {
    return isRefusal(plan) ? refusalText(plan) : '';
  }
  private part(s: SheetsWanted, piece: PlacedPiece) {
    return s.parts.find((p) => p.mark === piece.id.replace(OTHER_HAND, ''))!;
  }
  /** The part’s outline where it lies on the sheet, as seen from above, in its own hand. */
  protected outline(s: SheetsWanted, piece: PlacedPiece, wide: number): string {
    return pathData(outlineOn(s, piece, wide), (p) => ({ x: p.x, y: wide - p.y }), true);
  }
  protected middle(s: SheetsWanted, piece: PlacedPiece): { x: number; y: number } {
    const { length, width } = this.part(s, piece);
    const [w, h] = piece.turned ? [width, length] : [length, width];
    return { x: piece.x + w / 2, y: piece.y + h / 2 };
  }
  /** Letters that are read on the page, and go on their piece. */
  protected letters(s: SheetsWanted, piece: PlacedPiece, size: Offcut): number {
    const { length, width } = this.part(s, piece);
    return Math.min(size.wide / 13, 0.6 * Math.min(length, width));
  }
  protected length(mm: number): string {
    return formatQuantity(mm, 'length', this.units());
  }
  protected percent(part: number): string {
    return `${(100 * part).toFixed(0)} %`;
  }
  protected words(s: SheetsWanted, pieces: readonly PlacedPiece[]): string {
    const here = (mark: string) => pieces.filter((x) => x.id.replace(OTHER_HAND, '') === mark).length;
    const names = s.parts.map((p) => [p.name, here(p.mark)] as const).filter(([, n]) => n > 0);
    return `On this sheet: ${names.map(([name, n]) => `${n} ${name}`).join(', ')}`;
  }
}
