import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { PickField, type Choice } from '../fields/pick-field';
import type { Place, RackAsked, RackSort } from '../job/job-api';
import { RackDesk } from './rack-desk';
import { STATE_WORDS, titled } from './tag-words';

const ANY: Choice = { value: '', label: 'any' };
const PLACES: readonly (readonly [Place, string])[] = [
  ['rack', 'Rack'],
  ['archive', 'Archive'],
  ['bin', 'Bin'],
];
const SORTS: readonly Choice[] = [
  { value: 'changed', label: 'last changed' },
  { value: 'name', label: 'name' },
  { value: 'worst', label: 'worst first' },
  { value: 'customer', label: 'customer' },
  { value: 'due', label: 'due first' },
];
const DUE: readonly Choice[] = [ANY, { value: 'overdue', label: 'overdue' }, { value: 'soon', label: 'within 30 days' }];

/** Where it is looked, for what, and in which order. */
@Component({
  selector: 'ms-rack-filters',
  imports: [MatButtonToggle, MatButtonToggleGroup, PickField],
  template: `
    <mat-button-toggle-group
      aria-label="Where"
      [hideSingleSelectionIndicator]="true"
      [value]="desk.asked().in"
      (change)="desk.go($event.value)"
    >
      @for (p of places; track p[0]) {
        <mat-button-toggle [value]="p[0]">{{ p[1] }} {{ desk.page()?.counts?.[p[0]] ?? '' }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
    <ms-pick label="State" [value]="desk.asked().state" [choices]="states" (changed)="desk.ask({ state: $event })" />
    <ms-pick label="Trade" [value]="desk.asked().family" [choices]="families()" (changed)="desk.ask({ family: $event })" />
    <ms-pick
      label="Customer"
      [value]="desk.asked().customer"
      [choices]="customers()"
      (changed)="desk.ask({ customer: $event })"
    />
    <ms-pick label="On" [value]="desk.asked().aboard" [choices]="aboard()" (changed)="desk.ask({ aboard: $event })" />
    <ms-pick label="Due" [value]="desk.asked().due" [choices]="due" (changed)="fall($event)" />
    <ms-pick label="First" [value]="desk.asked().sort" [choices]="sorts" (changed)="sort($event)" />
    <span class="found note" aria-live="polite">
      @if (desk.page(); as p) {
        {{ p.total }} {{ p.total === 1 ? 'job' : 'jobs' }}{{ p.waiting > 0 ? ', ' + p.waiting + ' being judged' : '' }}
      }
    </span>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 18px;
      padding: 6px 24px;
      border-bottom: 1px solid var(--rule);
    }
    ms-pick {
      --pick-width: 170px;
      border: 0;
      gap: 6px;
      grid-template-columns: auto auto;
    }
    .found {
      margin-left: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RackFilters {
  protected readonly desk = inject(RackDesk);
  protected readonly places = PLACES;
  protected readonly sorts = SORTS;
  protected readonly due = DUE;
  protected readonly states: readonly Choice[] = [
    ANY,
    ...Object.entries(STATE_WORDS).map(([value, label]) => ({ value, label })),
  ];
  protected readonly families = computed(() => this.choices(this.desk.page()?.families, this.desk.asked().family, titled));
  protected readonly customers = computed(() => this.choices(this.desk.page()?.customers, this.desk.asked().customer));
  protected readonly aboard = computed(() => this.choices(this.desk.page()?.aboard, this.desk.asked().aboard));

  protected fall(due: string): void {
    this.desk.ask({ due: due as RackAsked['due'] });
  }

  protected sort(by: string): void {
    this.desk.ask({ sort: by as RackSort });
  }

  private choices(names: readonly string[] = [], chosen: string, shown = (name: string) => name): readonly Choice[] {
    const all = chosen && !names.includes(chosen) ? [chosen, ...names] : names;
    return [ANY, ...all.map((value) => ({ value, label: shown(value) }))];
  }
}
