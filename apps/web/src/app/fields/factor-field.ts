import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatTooltip } from '@angular/material/tooltip';

let count = 0;

/** One factor: its usual value with its source; another value is marked as overridden and can be put back. */
@Component({
  selector: 'ms-factor',
  imports: [MatTooltip],
  template: `
    <label [for]="id" [matTooltip]="source()">{{ label() }}</label>
    <input
      [id]="id"
      inputmode="decimal"
      autocomplete="off"
      [value]="wrong() ?? value()"
      [class.over]="overridden()"
      [attr.aria-invalid]="wrong() === null ? null : true"
      [attr.aria-describedby]="wrong() === null ? null : id + '-error'"
      (change)="read($any($event.target).value)"
    />
    @if (overridden()) {
      <button type="button" (click)="back()" [attr.aria-label]="label() + ' overridden; put back ' + usual()">
        overridden, was {{ usual() }}
      </button>
    } @else {
      <span class="source">{{ source() }}</span>
    }
    @if (wrong() !== null) {
      <span class="error" role="alert" [id]="id + '-error'"
        >“{{ wrong() }}” is not a {{ what() }} — allowed: {{ low() }} to {{ high() }}</span
      >
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 58px 96px;
      align-items: center;
      gap: 0 8px;
      padding: 3px 0;
      border-bottom: 1px solid var(--rule);
    }
    label {
      font: 500 14.5px/1.2 var(--label);
    }
    input {
      width: 58px;
      padding: 3px 6px;
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      background: var(--field);
      color: var(--ink);
      font: 600 14px/1.3 var(--text);
      text-align: right;
    }
    input.over {
      border: 2px solid var(--accent);
    }
    .source {
      font-size: 11.5px;
      line-height: 1.15;
      color: var(--ink-soft);
      overflow: hidden;
      display: -webkit-box;
      -webkit-line-clamp: 2;
      -webkit-box-orient: vertical;
    }
    button {
      padding: 1px 4px;
      border: 1px dashed var(--accent);
      border-radius: 2px;
      background: none;
      color: var(--accent);
      font: 600 12px/1.2 var(--label);
      text-align: left;
      cursor: pointer;
    }
    .error {
      grid-column: 1 / -1;
      font-size: 12.5px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FactorField {
  readonly label = input.required<string>();
  readonly value = input.required<number>();
  readonly usual = input<number>();
  readonly low = input.required<number>();
  readonly high = input.required<number>();
  readonly source = input('');
  /** What it is called where it is refused. */
  readonly what = input('factor');
  readonly changed = output<number>();

  protected readonly id = `f${++count}`;
  /** What was typed while it is refused; nothing typed is lost. */
  protected readonly wrong = signal<string | null>(null);
  protected readonly overridden = () => this.usual() !== undefined && this.usual() !== this.value();

  protected read(text: string): void {
    const v = Number(text.trim().replace(',', '.'));
    const fits = text.trim() !== '' && Number.isFinite(v) && v >= this.low() && v <= this.high();
    this.wrong.set(fits ? null : text);
    if (fits) this.changed.emit(v);
  }

  protected back(): void {
    this.wrong.set(null);
    this.changed.emit(this.usual()!);
  }
}
