import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Job, Quantity } from '@core/job/schema';
import type { Pattern, Side } from '@core/job/survey';
import { formatQuantity } from '@core/units/format-quantity';
import { isRefusal, refusalText, type Refusal } from '@core/units/refusal';
import { CsvImport, type ReadRows } from '../fields/csv-import';
import { Importer } from '../imports/importer';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { freeId } from '../load/edits';
import type { Surveyed } from '../workers/messages';
import { addPattern, changePattern, changeSurvey, mirrorPattern, takePattern } from './edits';
import { HoleRow } from './hole-row';
import { PatternStudy } from './pattern-study';
import { ReadingsTable } from './readings-table';
import { SurveyView } from './survey-view';

type Hole = Pattern['holes'][number];

/** Typed over and not said to be measured: how it was read once no longer holds. */
function withoutReading(h: Hole, axis: 'x' | 'y'): Pick<Hole, 'taken'> {
  const { [axis]: _, ...taken } = h.taken ?? {};
  return { taken };
}

/** The fitting’s and the structure’s hole patterns, left and right, and whether they meet. */
@Component({
  selector: 'ms-pattern-sheet',
  imports: [MatButton, MatIcon, HoleRow, CsvImport, PatternStudy, PickField, QuantityField, ReadingsTable],
  templateUrl: './pattern-sheet.html',
  styleUrl: './sheet.scss',
  styles: `
    .tabs {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 4px;
      margin: 6px 0 8px;
    }
    .tabs button {
      padding: 5px 8px;
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      background: none;
      color: var(--ink);
      font: 600 14.5px/1.15 var(--label);
      text-align: left;
      cursor: pointer;
    }
    .tabs button[aria-pressed='true'] {
      background: var(--card);
      box-shadow: inset 0 -4px 0 var(--accent);
    }
    .tabs small {
      display: block;
      font: 500 12.5px/1.2 var(--label);
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PatternSheet {
  protected readonly desk = inject(Desk);
  protected readonly view = inject(SurveyView);
  readonly job = input.required<Job>();
  readonly surveyed = input.required<Surveyed | null>();

  protected readonly importing = signal<'' | 'csv'>('');
  protected readonly drawingSaid = signal<readonly string[]>([]);
  protected readonly drawingRefused = signal('');
  protected readonly sides = computed((): readonly Side[] => (this.job().survey.sides === 'pair' ? ['left', 'right'] : ['left']));
  protected readonly tabs = computed(() =>
    this.sides().flatMap((side) =>
      (['fitting', 'structure'] as const).map((of) => {
        const p = this.job().survey.patterns.find((x) => x.of === of && x.side === side);
        return {
          side,
          of,
          name: `${of === 'fitting' ? 'Fitting' : 'Structure'}${this.sides().length > 1 ? `, ${side}` : ''}`,
          state: p ? `${p.holes.length} holes, ${p.from === 'sheet' ? 'from a sheet' : p.from}` : 'not measured',
        };
      }),
    ),
  );
  protected readonly pattern = computed(() =>
    this.job().survey.patterns.find((p) => p.of === this.view.of() && p.side === this.view.side()),
  );
  protected readonly other = computed(() => {
    const side: Side = this.view.side() === 'left' ? 'right' : 'left';
    return this.sides().length > 1
      ? this.job().survey.patterns.find((p) => p.of === this.view.of() && p.side === side)
      : undefined;
  });
  protected readonly ways: readonly Choice[] = [
    { value: 'x', label: 'fore and aft' },
    { value: 'y', label: 'athwart' },
  ];
  protected readonly pairs: readonly Choice[] = [
    { value: 'one', label: 'one fitting' },
    { value: 'pair', label: 'a left and right pair' },
  ];

  private readonly importer = inject(Importer);
  protected readonly reader = async (text: string): Promise<ReadRows<Hole> | Refusal> => {
    const read = await this.importer.read('holes', text, this.job().units);
    return isRefusal(read) ? read : { rows: read.holes, errors: read.errors };
  };

  protected choose(of: Pattern['of'], side: Side): void {
    this.view.of.set(of);
    this.view.side.set(side);
    this.importing.set('');
    this.drawingSaid.set([]);
    this.drawingRefused.set('');
  }

  protected pair(sides: string): void {
    if (sides === 'one') this.view.side.set('left');
    this.desk.change(
      sides === 'pair' ? 'a left and right pair' : 'one fitting',
      changeSurvey(() => ({ sides: sides as 'one' | 'pair' })),
    );
  }

  private change(did: string, f: (p: Pattern) => Pattern, field?: string): void {
    const p = this.pattern();
    if (p) this.desk.change(`${p.of} ${p.side}: ${did}`, changePattern(p.id, f), field);
  }

  /** The same, the pattern begun where there is none yet. */
  private put(did: string, f: (p: Pattern) => Pattern): void {
    const [of, side] = [this.view.of(), this.view.side()];
    this.desk.change(`${of} ${side}: ${did}`, takePattern(of, side, f));
  }

  protected start(): void {
    this.desk.change(`${this.view.of()} pattern`, addPattern(this.view.of(), this.view.side()));
  }

  protected mirror(): void {
    const from = this.other();
    if (from) this.desk.change('mirror of the other side', mirrorPattern(from, this.view.side()));
  }

  protected set(key: 'hole' | 'slot', q: Quantity): void {
    this.change(key, (p) => ({ ...p, [key]: q }), `${this.view.key()}.${key}`);
  }

  protected way(along: string): void {
    this.change('slots run', (p) => ({ ...p, along: along as Pattern['along'] }));
  }

  protected place(h: Hole, axis: 'x' | 'y'): Quantity {
    const text = formatQuantity(h[axis], 'length', this.job().units);
    return { v: h[axis], text, from: this.pattern()!.from, ...h.taken?.[axis] };
  }

  protected moveHole(h: Hole, axis: 'x' | 'y', q: Quantity): void {
    const { v, at, with: by, readings, from } = q;
    const read = { at: at ?? new Date().toISOString(), ...(by ? { with: by } : {}), ...(readings ? { readings } : {}) };
    const taken = from === 'measured' ? read : undefined;
    this.change(
      h.id,
      (p) => ({
        ...p,
        from,
        holes: p.holes.map((x) =>
          x.id === h.id
            ? { ...x, [axis]: v, ...(taken ? { taken: { ...x.taken, [axis]: taken } } : withoutReading(x, axis)) }
            : x,
        ),
      }),
      `${this.view.key()}.${h.id}.${axis}`,
    );
  }

  protected addHole(): void {
    this.change('add a hole', (p) => ({ ...p, holes: [...p.holes, { id: freeId(p.holes, 'H'), x: 0, y: 0 }] }));
  }

  protected removeHole(h: Hole): void {
    this.change(`take out ${h.id}`, (p) => ({ ...p, holes: p.holes.filter((x) => x.id !== h.id) }));
  }

  protected remove(): void {
    const p = this.pattern();
    if (p)
      this.desk.change(
        `take out the ${p.of} pattern, ${p.side}`,
        changeSurvey((s) => ({ patterns: s.patterns.filter((x) => x.id !== p.id) })),
      );
  }

  /** Takes rows in place of the holes there are; the readings went with those. */
  protected take(holes: readonly Hole[]): void {
    this.put('holes from a table', (p) => ({ ...p, from: 'sheet', holes: [...holes], readings: [] }));
  }

  protected async drawing(from: HTMLInputElement): Promise<void> {
    const file = from.files?.[0];
    from.value = '';
    if (!file) return;
    const read = await this.importer.file('circles', file, this.job().units);
    this.drawingRefused.set(isRefusal(read) ? `${file.name}: ${refusalText(read)}` : '');
    this.drawingSaid.set(isRefusal(read) ? [] : [`${read.holes.length} holes taken from ${file.name}.`, ...read.said]);
    if (isRefusal(read)) return;
    const text = formatQuantity(read.hole, 'length', this.job().units);
    this.put('holes from a drawing', (p) => ({
      ...p,
      from: 'sheet',
      holes: [...read.holes],
      readings: [],
      hole: { v: read.hole, text, from: 'sheet' },
    }));
  }
}
