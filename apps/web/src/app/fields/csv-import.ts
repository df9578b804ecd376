import { ChangeDetectionStrategy, Component, computed, effect, input, output, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { LineError } from '@core/formats/read-table';
import { isRefusal, refusalText, type Refusal } from '@core/units/refusal';

/** What a reader made of a pasted or opened table. */
export interface ReadRows<T> {
  readonly rows: readonly T[];
  readonly errors: readonly LineError[];
}

/** Paste or open a table; wrong lines are said by number, and the good ones are kept only when the person says so. */
@Component({
  selector: 'ms-csv-import',
  imports: [MatButton],
  template: `
    <label class="paste"
      >{{ what() }}
      <textarea rows="4" [value]="text()" [placeholder]="example()" (input)="text.set($any($event.target).value)"></textarea>
    </label>
    <label class="file">or open a file <input type="file" [accept]="accept()" (change)="open($any($event.target))" /></label>
    @if (reading()) {
      <p role="status">reading …</p>
    }
    @if (refused()) {
      <p class="error" role="alert">{{ refused() }}</p>
    }
    @if (read(); as r) {
      @if (r.errors.length > 0) {
        <ul role="alert">
          @for (e of r.errors.slice(0, 8); track e.line) {
            <li>
              <b>line {{ e.line }}</b> {{ e.says }}
            </li>
          }
          @if (r.errors.length > 8) {
            <li>and {{ r.errors.length - 8 }} more</li>
          }
        </ul>
      }
      @if (r.rows.length > 0) {
        <button mat-flat-button type="button" (click)="keep()">
          {{
            r.errors.length > 0 ? 'Keep the ' + r.rows.length + ' good, leave out ' + r.errors.length : 'Take ' + r.rows.length
          }}
        </button>
      }
    }
    <button mat-button type="button" (click)="done.emit()">Close</button>
  `,
  styles: `
    :host {
      display: block;
      padding: 8px 10px;
      border: 1px dashed var(--rule-strong);
      background: var(--card);
    }
    label {
      display: block;
      font: 500 14px var(--label);
    }
    textarea {
      width: 100%;
      margin-top: 3px;
      padding: 4px 6px;
      border: 1px solid var(--rule-strong);
      background: var(--field);
      color: var(--ink);
      font: 400 13px/1.35 var(--text);
    }
    ul {
      margin: 6px 0;
      padding: 0;
      list-style: none;
      font-size: 12.5px;
    }
    li {
      color: var(--bad);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CsvImport<T> {
  readonly what = input.required<string>();
  readonly example = input('');
  readonly accept = input('.csv,.txt,.tsv');
  readonly reader = input.required<(text: string) => Promise<ReadRows<T> | Refusal>>();
  readonly taken = output<readonly T[]>();
  readonly done = output<void>();

  protected readonly text = signal('');
  private readonly result = signal<ReadRows<T> | Refusal | undefined>(undefined);
  protected readonly reading = signal(false);
  private asked = 0;
  protected readonly refused = computed(() => {
    const r = this.result();
    return isRefusal(r) ? refusalText(r) : '';
  });
  protected readonly read = computed(() => {
    const r = this.result();
    return r && !isRefusal(r) ? r : undefined;
  });

  constructor() {
    // The newest text is asked about; what came of an older one is dropped.
    effect(() => {
      const [text, reader] = [this.text(), this.reader()];
      untracked(() => void this.put(text, reader));
    });
  }

  private async put(text: string, reader: (text: string) => Promise<ReadRows<T> | Refusal>): Promise<void> {
    const asked = ++this.asked;
    this.result.set(undefined);
    if (text.trim() === '') return this.reading.set(false);
    this.reading.set(true);
    const read = await reader(text);
    if (asked !== this.asked) return;
    this.reading.set(false);
    this.result.set(read);
  }

  protected async open(from: HTMLInputElement): Promise<void> {
    const file = from.files?.[0];
    if (file) this.text.set(await file.text());
    from.value = '';
  }

  protected keep(): void {
    this.taken.emit(this.read()!.rows);
    this.text.set('');
    this.done.emit();
  }
}
