import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { plainNumber, substituted, type Step } from '@core/working/steps';
import { formulaTex, isFormula, numbersTex, symbolTex } from '@core/working/typeset';
import { Tex } from './tex';

/** Lines of working: symbol = formula = numbers put in = result, set as mathematics. */
@Component({
  selector: 'ms-steps',
  imports: [Tex],
  template: `
    <ol>
      @for (s of steps(); track $index) {
        <li [class.beside]="beside(s)">
          @if (formula(s)) {
            <div class="line"><span [msTex]="left(s) + ' = ' + right(s)" [plain]="s.symbol + ' = ' + s.text"></span></div>
            @if (differs(s)) {
              <div class="line put"><span [msTex]="'= ' + numbers(s)" [plain]="'= ' + put(s)"></span></div>
            }
            <div class="result">= {{ plain(s.value) }} {{ unit(s) }}</div>
          } @else {
            <div class="line">
              <span [msTex]="left(s)" [plain]="s.symbol"></span> = <b>{{ plain(s.value) }} {{ unit(s) }}</b>
            </div>
            <div class="note">{{ s.text }}</div>
          }
          @if (s.note) {
            <div class="note">{{ s.note }}</div>
          }
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      padding: 6px 0;
      border-bottom: 1px solid var(--rule);
      line-height: 1.45;
    }
    .line {
      overflow-x: auto;
      overflow-y: hidden;
      padding: 1px 0;
      font-size: 15px;
    }
    .put {
      padding-left: 18px;
      color: var(--ink-soft);
    }
    .result {
      padding-left: 18px;
      font-weight: 600;
    }
    .note {
      padding-left: 18px;
      font-size: 12.5px;
    }
    .beside {
      padding-left: 8px;
      border-left: 4px solid var(--rule-strong);
      background: var(--paper);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepsList {
  readonly steps = input.required<readonly Step[]>();
  protected readonly put = substituted;
  protected readonly plain = plainNumber;
  protected readonly formula = isFormula;
  protected readonly left = (s: Step) => symbolTex(s.symbol);
  protected readonly right = (s: Step) => formulaTex(s.text);
  protected readonly numbers = numbersTex;
  protected readonly unit = (s: Step) => (s.unit === '–' ? '' : s.unit);
  /** Another school's figure, shown for comparison and not used. */
  protected readonly beside = (s: Step) => s.text.startsWith('for comparison');
  /** A bare value says nothing more with its number put in. */
  protected readonly differs = (s: Step) => numbersTex(s) !== plainNumber(s.value);
}
