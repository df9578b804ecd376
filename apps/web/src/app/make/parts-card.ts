import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { pieceWords } from '@core/shop/cards/parts';
import { partList, type ListedPart } from '@core/shop/part-list';
import { formatQuantity } from '@core/units/format-quantity';
import { refusalText } from '@core/units/refusal';
import { BlankDrawing } from '../drawing/blank-drawing';
import { fieldWords } from '../fields/show';
import { Desk } from '../job/desk';

/** Every part that is made, over all feet: how many of each hand, from what, how large, how heavy, and where it goes. */
@Component({
  selector: 'ms-parts-card',
  imports: [BlankDrawing],
  template: `
    @if (refusals().length > 0) {
      <div class="error" role="alert">
        @for (r of refusals(); track r) {
          <p>{{ r }}</p>
        }
      </div>
    } @else {
      <table>
        <caption class="visually-hidden">
          Parts to make
        </caption>
        <thead>
          <tr>
            <th>Mark</th>
            <th></th>
            <th>Part</th>
            <th>Pieces</th>
            <th>From</th>
            <th>Blank</th>
            <th>Each</th>
          </tr>
        </thead>
        <tbody>
          @for (p of parts(); track p.mark) {
            <tr>
              <td class="mark">{{ p.mark }}</td>
              <td>
                <svg
                  msBlank
                  class="small"
                  aria-hidden="true"
                  [part]="p.part"
                  [units]="units()"
                  [view]="p.part.bounds"
                  [plain]="true"
                ></svg>
              </td>
              <td>
                <button type="button" (click)="open(p)">{{ p.name }}</button>
                <div class="note">{{ where(p) }}</div>
              </td>
              <td>{{ pieces(p) }}</td>
              <td class="from">{{ p.stock }}</td>
              <td class="number">{{ length(p.length) }} × {{ length(p.width) }}</td>
              <td class="number">{{ mass(p.mass) }}</td>
            </tr>
          }
        </tbody>
        <tfoot>
          <tr>
            <th colspan="3">In all</th>
            <td>{{ total().pieces }}</td>
            <td></td>
            <td></td>
            <td class="number">{{ mass(total().mass) }}</td>
          </tr>
        </tfoot>
      </table>
      <p class="note">
        Blanks are flat, before bending. Pieces of the other hand are cut with the sheet turned over, or from the mirrored
        drawing. Press a part for its template.
      </p>
    }
  `,
  styleUrl: './cards.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartsCard {
  private readonly desk = inject(Desk);
  /** The part to show the template of, once its foot is in hand. */
  readonly opened = output<string>();

  private readonly list = computed(() => partList(this.desk.whole()!));
  protected readonly units = computed(() => this.desk.whole()!.units);
  protected readonly parts = computed(() => {
    const l = this.list();
    return 'parts' in l ? l.parts : [];
  });
  protected readonly refusals = computed(() => {
    const l = this.list();
    return 'refusals' in l ? l.refusals.map((x) => refusalText({ ...x, field: fieldWords(x.field) })) : [];
  });
  protected readonly total = computed(() => ({
    pieces: this.parts().reduce((n, p) => n + p.count + p.mirrored, 0),
    mass: this.parts().reduce((n, p) => n + (p.count + p.mirrored) * p.mass, 0),
  }));

  protected length(mm: number): string {
    return formatQuantity(mm, 'length', this.units());
  }
  protected mass(kg: number): string {
    return formatQuantity(kg, 'mass', this.units());
  }
  protected pieces(p: ListedPart): string {
    return pieceWords(p);
  }
  /** The feet it is at, where there are several, and what it is fixed to. */
  protected where(p: ListedPart): string {
    const { feet } = this.desk.whole()!;
    const at = feet.length > 1 ? p.feet.map((id) => feet.find((f) => f.id === id)!.name).join(', ') : '';
    return [at, p.part.on ?? ''].filter(Boolean).join('; ');
  }
  protected open(p: ListedPart): void {
    if (!p.feet.includes(this.desk.foot())) this.desk.takeFoot(p.feet[0]!);
    this.opened.emit(p.part.id);
  }
}
