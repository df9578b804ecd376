import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { outlineFault, regionOf } from '@core/geometry/outline';
import { pathData, regionArea } from '@core/geometry/region';
import { SHAPES, type ShapeId, type ShapeSizes } from '@core/geometry/shapes';
import { asRectangle, drawnAs, drawnByCorners, shapedPlate, withOpening, wrappedRound } from '@core/job/shaped';
import { lengthRange } from '@core/units/field-range';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { QuantityField } from '../fields/quantity-field';
import { Importer } from '../imports/importer';
import { Desk } from '../job/desk';

type Key = keyof ShapeSizes | 'margin' | 'opening';

const RANGE = {
  length: lengthRange('Length', 5000),
  width: lengthRange('Width', 5000),
  part: lengthRange('Part', 5000),
  margin: lengthRange('Margin', 500),
  opening: lengthRange('Opening', 2000),
} as const;

/** Each ready shape in a box of 60 × 40, for its button. */
const DRAWN = SHAPES.map((s) => ({
  ...s,
  path: pathData(
    regionOf(s.of({ length: s.id === 'disc' ? 34 : 52, width: 34, part: s.id === 'gusset' || s.id === 'clipped' ? 8 : 14 })),
    (p) => ({ x: p.x, y: -p.y }),
    true,
  ),
}));

/** The outline of the mounting plate: ready shapes by their few dimensions, the hull round its holes, corners one by one, openings. */
@Component({
  selector: 'ms-shape-card',
  imports: [MatButton, MatIcon, QuantityField],
  template: `
    @if (desk.job(); as job) {
      <h3>Outline</h3>
      <p class="note">{{ now() }}</p>
      @if (fault()) {
        <p class="error" role="alert">{{ fault() }}</p>
      }
      <div class="acts">
        @if (job.plate.outline) {
          <button mat-stroked-button type="button" (click)="rectangle()"><mat-icon svgIcon="crop_din" />Rectangle again</button>
        } @else {
          <button mat-stroked-button type="button" (click)="corners()"><mat-icon svgIcon="polyline" />Corner by corner</button>
        }
        <button mat-stroked-button type="button" (click)="opening()"><mat-icon svgIcon="select_all" />Opening</button>
        <button mat-stroked-button type="button" (click)="file.click()"><mat-icon svgIcon="draft" />From a DXF</button>
        <input #file type="file" accept=".dxf" hidden aria-label="DXF outline" (change)="drawing(file)" />
      </div>
      @if (drawingRefused()) {
        <p class="error" role="alert">{{ drawingRefused() }}</p>
      }
      @for (s of drawingSaid(); track s) {
        <p class="note" role="status">{{ s }}</p>
      }
      <h3>Ready shapes</h3>
      <div class="shapes" role="group" aria-label="Ready shapes">
        @for (s of shapes; track s.id) {
          <button type="button" [attr.aria-pressed]="chosen() === s.id" (click)="chosen.set(s.id)">
            <svg viewBox="-30 -20 60 40" aria-hidden="true"><path [attr.d]="s.path" /></svg>{{ s.name }}
          </button>
        }
      </div>
      @if (shape(); as s) {
        <div class="asks">
          @for (key of asked(); track key) {
            <ms-quantity
              class="stacked"
              [of]="range[key]"
              [label]="labels()[key]"
              [value]="size(key)"
              [provenance]="false"
              [system]="job.units"
              (changed)="say(key, $event)"
            />
          }
          <button mat-flat-button type="button" (click)="draw(s.id)">Draw it</button>
        </div>
      }
      <h3>Wrap the holes and the base</h3>
      <div class="asks">
        <ms-quantity
          class="stacked"
          [of]="range.margin"
          label="At a margin of"
          [value]="size('margin')"
          [provenance]="false"
          [system]="job.units"
          (changed)="say('margin', $event)"
        />
        <button mat-flat-button type="button" (click)="wrap()">Wrap</button>
      </div>
      <p class="note">Pick a corner on the plan to move it, round or clip it, or pull its edge to an arc.</p>
    }
  `,
  styles: `
    h3 {
      margin: 8px 0 3px;
    }
    .note {
      margin: 3px 0;
      font-size: 12.5px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
    }
    .acts button {
      padding: 0 10px;
    }
    .shapes {
      display: grid;
      grid-template-columns: repeat(3, minmax(0, 1fr));
      gap: 5px;
    }
    .shapes button {
      padding: 3px 2px;
      border: 1px solid var(--rule-strong);
      border-radius: 3px;
      background: var(--field);
      color: var(--ink);
      font: 600 13px/1.15 var(--label);
      cursor: pointer;
    }
    .shapes button:hover {
      background: var(--accent-soft);
    }
    .shapes button:focus-visible {
      outline: 2px solid var(--accent);
      outline-offset: 1px;
    }
    .shapes button[aria-pressed='true'] {
      box-shadow: inset 0 -4px 0 var(--accent);
    }
    .shapes svg {
      display: block;
      height: 30px;
      margin: 0 auto 2px;
    }
    .shapes path {
      fill: var(--marking);
      fill-rule: evenodd;
    }
    .asks {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 4px 10px;
      padding: 4px 0;
      --quantity-width: 84px;
    }
    .asks ms-quantity {
      width: 90px;
      border: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShapeCard {
  protected readonly desk = inject(Desk);
  protected readonly shapes = DRAWN;
  protected readonly range = RANGE;
  protected readonly chosen = signal<ShapeId | null>(null);
  protected readonly shape = computed(() => SHAPES.find((s) => s.id === this.chosen()));
  private readonly typed = signal<Partial<Record<Key, Quantity>>>({});

  protected readonly fault = computed(() => {
    const outline = this.desk.job()?.plate.outline;
    const fault = outline ? outlineFault(outline) : '';
    return fault && `The outline cannot be cut: ${fault}.`;
  });
  protected readonly now = computed(() => {
    const { plate, units } = this.desk.job()!;
    const mm = (v: number) => formatQuantity(v, 'length', units);
    const size = `${mm(plate.x1 - plate.x0)} × ${mm(plate.y1 - plate.y0)}`;
    if (!plate.outline) return `Rectangle ${size}${plate.corner > 0 ? `, corners R ${mm(plate.corner)}` : ''}.`;
    const { corners, openings } = plate.outline;
    const area = this.fault() ? '' : `, ${`${(regionArea(regionOf(plate.outline)) / 100).toFixed(1)} cm²`}`;
    const open = openings.length === 0 ? '' : `, ${openings.length} ${openings.length === 1 ? 'opening' : 'openings'}`;
    return `Drawn, ${corners.length} corners${open}, in ${size}${area}.`;
  });
  protected readonly asked = computed((): (keyof ShapeSizes)[] => {
    const s = this.shape();
    if (!s) return [];
    return s.id === 'disc' ? ['length'] : s.part ? ['length', 'width', 'part'] : ['length', 'width'];
  });
  protected readonly labels = computed(() => ({
    length: this.chosen() === 'disc' ? 'Diameter' : 'Fore and aft',
    width: 'Across',
    part: this.shape()?.part ?? '',
  }));

  /** As typed, else by the plate that is there. */
  protected size(key: Key): Quantity {
    const own = this.typed()[key];
    if (own) return own;
    const { plate, units } = this.desk.job()!;
    const [l, w] = [plate.x1 - plate.x0, plate.y1 - plate.y0];
    const id = this.chosen();
    const part = id === 'L' || id === 'T' || id === 'trapezoid' ? Math.round(w / 2) : 15;
    const mm = { length: l, width: w, part, margin: 18, opening: 30 }[key];
    return fromSheet(mm, formatQuantity(mm, 'length', units));
  }
  protected say(key: Key, q: Quantity): void {
    this.typed.update((t) => ({ ...t, [key]: q }));
  }

  protected draw(id: ShapeId): void {
    const sizes = { length: this.size('length').v, width: this.size('width').v, part: this.size('part').v };
    const name = SHAPES.find((s) => s.id === id)!.name.toLowerCase();
    this.desk.change(`plate as ${name}`, (j) => drawnAs(j, id, sizes));
    this.picked();
  }
  protected wrap(): void {
    const margin = this.size('margin');
    this.desk.change(`wrap at ${margin.text}`, (j) => wrappedRound(j, margin.v));
    this.picked();
  }
  protected corners(): void {
    this.desk.change('draw corner by corner', drawnByCorners);
    this.picked();
  }
  protected rectangle(): void {
    this.desk.change('rectangle again', asRectangle);
    this.picked();
  }
  /** Beside the base, where it can be seen and moved from. */
  protected opening(): void {
    const { base, plate } = this.desk.job()!;
    const x = (base.length.v / 2 + plate.x1) / 2;
    this.desk.change('opening', (j) => withOpening(j, { x: Math.round(x), y: 0 }, this.size('opening').v, 5));
    this.picked();
  }
  private readonly importer = inject(Importer);
  protected readonly drawingRefused = signal('');
  protected readonly drawingSaid = signal<readonly string[]>([]);
  /** An outline as it is drawn elsewhere, its origin on the base's middle; a file that is not right changes nothing. */
  protected async drawing(from: HTMLInputElement): Promise<void> {
    const file = from.files?.[0];
    from.value = '';
    if (!file) return;
    const read = await this.importer.file('outline', file, this.desk.job()!.units);
    this.drawingRefused.set(isRefusal(read) ? `${file.name}: ${refusalText(read)}` : '');
    this.drawingSaid.set(isRefusal(read) ? [] : [`Outline taken from ${file.name}.`, ...read.said]);
    if (isRefusal(read)) return;
    this.desk.change('outline from a drawing', (j) => ({ ...j, plate: shapedPlate(j.plate, read.outline) }));
    this.picked();
  }
  private picked(): void {
    this.desk.picked.set(null);
  }
}
