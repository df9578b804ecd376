import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { OwnMetal, ownId } from '@core/job/own-stock';
import { StockApi } from './stock-api';
import { StockRoom, type StoredMetal } from './stock-room';
import { STOCK_TABLES } from './tables';

type Draft = Record<keyof OwnMetal, string>;

interface Column {
  readonly key: keyof OwnMetal;
  readonly label: string;
  readonly hint: string;
}

const NUMBERS: readonly Column[] = [
  { key: 'fy', label: 'Yield', hint: '10 to 2000 MPa' },
  { key: 'fu', label: 'Break', hint: '10 to 2500 MPa, not under yield' },
  { key: 'E', label: 'Modulus', hint: '1000 to 400000 MPa' },
  { key: 'density', label: 'Density', hint: '500 to 12000 kg/m³' },
];
const GROUPS = ['steel', 'stainless', 'aluminium', 'titanium', 'bronze', 'laminate'] as const;
const EMPTY: Draft = { id: '', name: '', group: 'steel', fy: '', fu: '', E: '210000', density: '7850', source: '' };

/** The stock room: every built-in table with its source, and the shop's own metals, written and kept by the shop. */
@Component({
  selector: 'ms-stock',
  imports: [MatButton, MatIcon, RouterLink],
  templateUrl: './stock-page.html',
  styleUrl: './stock-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StockPage {
  protected readonly room = inject(StockRoom);
  protected readonly api = inject(StockApi);
  protected readonly tables = STOCK_TABLES;
  protected readonly numbers = NUMBERS;
  protected readonly groups = GROUPS;
  protected readonly open = signal('metals');
  protected readonly table = computed(() => STOCK_TABLES.find((t) => t.id === this.open())!);

  /** The row being written; its version where it is one that is there already. */
  protected readonly draft = signal<Draft | null>(null);
  private readonly version = signal<number | undefined>(undefined);
  protected readonly failure = signal('');
  protected readonly said = signal('');
  private gone: StoredMetal | null = null;
  protected readonly undo = signal(false);

  constructor() {
    this.api.fetch();
  }

  protected add(): void {
    this.begin({ ...EMPTY }, undefined);
  }

  protected edit(row: StoredMetal): void {
    const text = Object.fromEntries(Object.entries(row.metal).map(([k, v]) => [k, String(v)])) as Draft;
    this.begin(text, row.version);
  }

  private begin(draft: Draft, version: number | undefined): void {
    this.draft.set(draft);
    this.version.set(version);
    this.failure.set('');
  }

  protected set(key: keyof OwnMetal, value: string): void {
    this.draft.update((d) => (d ? { ...d, [key]: value } : d));
  }

  protected save(): void {
    const d = this.draft();
    if (!d) return;
    const number = (text: string) => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));
    const parsed = OwnMetal.safeParse({
      ...d,
      id: this.version() === undefined ? ownId(d.name) : d.id,
      fy: number(d.fy),
      fu: number(d.fu),
      E: number(d.E),
      density: number(d.density),
    });
    if (!parsed.success) {
      this.failure.set(
        parsed.error.issues.map((i) => `${LABELS[String(i.path[0])] ?? i.path.join('.')}: ${i.message}`).join('. '),
      );
      return;
    }
    this.api.save(parsed.data, this.version(), (failure) => {
      this.failure.set(failure);
      if (failure) return;
      this.draft.set(null);
      this.said.set(`${parsed.data.name} is in the stock room.`);
    });
  }

  protected remove(row: StoredMetal): void {
    this.api.remove(row.metal.id, (failure) => {
      this.failure.set(failure);
      if (failure) return;
      this.gone = row;
      this.undo.set(true);
      this.said.set(`${row.metal.name} is taken out. Jobs that use it keep their own copy.`);
    });
  }

  protected putBack(): void {
    if (!this.gone) return;
    const { metal } = this.gone;
    this.api.save(metal, undefined, (failure) => {
      this.failure.set(failure);
      this.undo.set(failure !== '');
      if (!failure) this.said.set(`${metal.name} is back.`);
    });
  }
}

const LABELS: Readonly<Record<string, string>> = {
  name: 'Name',
  source: 'Source',
  fy: 'Yield',
  fu: 'Break',
  E: 'Modulus',
  density: 'Density',
  id: 'Name',
};
