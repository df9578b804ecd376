import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import type { WeldLine, Welds } from '@core/job/joint';
import { edgeLength, edgeName, plateCorners } from '@core/job/weld-lines';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { PartRows } from './part-rows';

const same = (list: readonly string[]): readonly Choice[] => list.map((value) => ({ value, label: value }));

/** Welds of the fitting to its plate, and of the plate to a metal skin. */
@Component({
  selector: 'ms-weld-card',
  imports: [MatCheckbox, PartRows, PickField, QuantityField],
  template: `
    @if (desk.job(); as job) {
      <section>
        <h3>Welds</h3>
        <ms-pick label="Fitting to plate" [value]="job.welds.fitting" [choices]="fitting" (changed)="put('fitting', $event)" />
        <ms-pick label="Plate to skin" [value]="job.welds.doubler" [choices]="doubler" (changed)="put('doubler', $event)" />
        <ms-part-rows part="welds" />
      </section>
      @if (job.welds.doubler === 'lines') {
        <section>
          <h3>Welded edges</h3>
          @for (e of edges(); track e.edge) {
            <mat-checkbox [checked]="!!e.line" (change)="weld(e.edge, $event.checked)">{{ e.name }}, {{ e.long }}</mat-checkbox>
            @if (e.line; as l) {
              <ms-quantity
                of="bare"
                label="Left bare where it starts"
                [provenance]="false"
                [value]="length(l.start)"
                [system]="job.units"
                (changed)="bare(e.edge, { start: $event.v })"
              />
              <ms-quantity
                of="bare"
                label="Left bare where it ends"
                [provenance]="false"
                [value]="length(l.end)"
                [system]="job.units"
                (changed)="bare(e.edge, { end: $event.v })"
              />
            }
          }
          <p class="note">Edges run anticlockwise round the plate, as seen on the plan.</p>
        </section>
      }
      @if (job.welds.fitting !== 'none' || job.welds.doubler !== 'none') {
        <section>
          <h3>In this order</h3>
          <ol>
            <li>Clear sealant, laminate, cables and zinc from the heat; prime the faces that will meet.</li>
            <li>Clamp, tack at the corners, check for square, then weld.</li>
            <li>Short runs, each on the side away from the last; let it cool between.</li>
            <li>Leave a ledge of 3 mm round the part for the bead, and a stitch’s end clear of holes.</li>
          </ol>
          <p class="note">Common practice. Throat a is leg ÷ √2.</p>
        </section>
      } @else {
        <p class="note">
          Nothing is welded. A plate welded along its edges needs no bolts at all; on a metal skin a welded doubler does the work
          of a bolted backing plate, with no nuts behind.
        </p>
      }
    }
  `,
  styles: `
    section {
      margin-bottom: 10px;
    }
    ol {
      margin: 0;
      padding-left: 18px;
      font-size: 13.5px;
      line-height: 1.35;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeldCard {
  protected readonly desk = inject(Desk);
  protected readonly fitting: readonly Choice[] = same(['none', 'all round', 'fore and aft edges', 'side edges']);
  protected readonly doubler: readonly Choice[] = [
    ...same(['none', 'all round', 'stitched', 'plugs']),
    { value: 'lines', label: 'along chosen edges' },
  ];

  protected put(key: keyof Welds, value: string): void {
    this.desk.change(`weld: ${value}`, (j) => {
      const all = plateCorners(j).map((_c, edge) => ({ edge, start: 0, end: 0 }));
      const lines = value === 'lines' && !j.welds.lines ? { lines: all } : {};
      return { ...j, welds: { ...j.welds, ...lines, [key]: value } as Welds };
    });
  }

  protected length(v: number): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', this.desk.job()!.units));
  }
  /** Every edge of the plate, with its weld line where it has one. */
  protected readonly edges = computed(() => {
    const job = this.desk.job()!;
    return plateCorners(job).map((_c, edge) => ({
      edge,
      name: edgeName(job, edge),
      long: formatQuantity(edgeLength(job, edge), 'length', job.units),
      line: job.welds.lines?.find((l) => l.edge === edge),
    }));
  });
  private lines(did: string, key: string, f: (lines: readonly WeldLine[]) => WeldLine[]): void {
    this.desk.change(did, (j) => ({ ...j, welds: { ...j.welds, lines: f(j.welds.lines ?? []) } }), key);
  }
  protected weld(edge: number, on: boolean): void {
    const name = edgeName(this.desk.job()!, edge);
    this.lines(`${name} ${on ? 'welded' : 'not welded'}`, `weld.${edge}`, (all) =>
      on ? [...all, { edge, start: 0, end: 0 }].sort((a, b) => a.edge - b.edge) : all.filter((l) => l.edge !== edge),
    );
  }
  protected bare(edge: number, part: Partial<WeldLine>): void {
    this.lines('weld left bare', `weld.${edge}.${Object.keys(part)[0]}`, (all) =>
      all.map((l) => (l.edge === edge ? { ...l, ...part } : l)),
    );
  }
}
