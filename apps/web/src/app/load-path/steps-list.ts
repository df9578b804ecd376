import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { plainNumber, substituted, type Step } from '@core/working/steps';
import { SymbolText } from './symbol';

/** Lines of working: symbol = formula = numbers put in = result. */
@Component({
  selector: 'ms-steps',
  imports: [SymbolText],
  template: `
    <ol>
      @for (s of steps(); track $index) {
        <li>
          <div><ms-symbol class="sym" [text]="s.symbol" /> = <ms-symbol [text]="s.text" /></div>
          @if (put(s); as p) {
            <div class="put">= {{ p }}</div>
          }
          <div class="result">= {{ plain(s.value) }} {{ s.unit === '–' ? '' : s.unit }}</div>
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
      padding: 5px 0;
      border-bottom: 1px solid var(--rule);
      line-height: 1.45;
    }
    .sym {
      font-weight: 600;
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
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepsList {
  readonly steps = input.required<readonly Step[]>();
  protected readonly put = substituted;
  protected readonly plain = plainNumber;
}
