import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { Welds } from '@core/job/joint';
import { PickField, type Choice } from '../fields/pick-field';
import { Desk } from '../job/desk';
import { PartRows } from './part-rows';

const same = (list: readonly string[]): readonly Choice[] => list.map((value) => ({ value, label: value }));

/** Welds of the fitting to its plate, and of the plate to a metal skin. */
@Component({
  selector: 'ms-weld-card',
  imports: [PartRows, PickField],
  template: `
    @if (desk.job(); as job) {
      <section>
        <h3>Welds</h3>
        <ms-pick label="Fitting to plate" [value]="job.welds.fitting" [choices]="fitting" (changed)="put('fitting', $event)" />
        <ms-pick label="Plate to skin" [value]="job.welds.doubler" [choices]="doubler" (changed)="put('doubler', $event)" />
        <ms-part-rows part="welds" />
      </section>
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
          Nothing is welded. On a metal skin a welded doubler does the work of a bolted backing plate, with no nuts behind.
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
  protected readonly fitting = same(['none', 'all round', 'fore and aft edges', 'side edges']);
  protected readonly doubler = same(['none', 'all round', 'stitched', 'plugs']);

  protected put(key: keyof Welds, value: string): void {
    this.desk.change(`weld: ${value}`, (j) => ({ ...j, welds: { ...j.welds, [key]: value } as Welds }));
  }
}
