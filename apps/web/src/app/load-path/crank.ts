import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import { MOST_CRANK, usedUp } from '@core/chain/crank';
import type { Verdict } from '@core/chain/evaluate';
import { showUse } from '../fields/show';
import { Desk } from '../job/desk';

/** The load turned up: the chain asked again at each turn, so that links let go in their order. */
@Component({
  selector: 'ms-crank',
  imports: [MatIconButton, MatIcon, MatSlider, MatSliderThumb],
  template: `
    <div class="turn">
      <label for="crank">Load turned to</label>
      <output for="crank">{{ desk.crank().toFixed(2) }} ×</output>
      <mat-slider [min]="0" [max]="most" [step]="0.05" [discrete]="false">
        <input
          id="crank"
          matSliderThumb
          aria-label="Load, times what it is"
          [value]="desk.crank()"
          (valueChange)="desk.turn($event)"
        />
      </mat-slider>
      <button
        mat-icon-button
        type="button"
        aria-label="Load back to what it is, and put the crank away"
        (click)="desk.letGoOfCrank()"
      >
        <mat-icon svgIcon="close" />
      </button>
    </div>
    <ol tabindex="0" aria-label="Links under the load as turned, those gone first">
      @for (l of order(); track l.id) {
        <li [class.gone]="l.state === 'fails'">
          <b>{{ use(l.utilisation) }}</b> {{ l.name }}{{ l.state === 'fails' ? ', gone' : '' }}
        </li>
      } @empty {
        <li>{{ turned().refusals[0]?.because ?? 'No link is loaded.' }}</li>
      }
    </ol>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(300px, 380px) minmax(0, 1fr);
      gap: 14px;
      align-items: center;
      padding: 2px 14px;
      border-bottom: 1px solid var(--rule-strong);
      background: var(--paper);
    }
    .turn {
      display: flex;
      align-items: center;
      gap: 10px;
      font: 600 15px var(--label);
    }
    output {
      min-width: 62px;
      font: 600 22px/1 var(--label);
      text-align: right;
    }
    mat-slider {
      flex: 1;
    }
    ol {
      display: flex;
      gap: 4px;
      margin: 0;
      padding: 3px 0;
      overflow-x: auto;
      list-style: none;
      white-space: nowrap;
    }
    li {
      padding: 2px 8px;
      border: 1px solid var(--rule-strong);
      background: var(--card);
      font-size: 12.5px;
    }
    li b {
      font: 600 14px var(--label);
    }
    .gone {
      border-color: var(--bad);
      background: repeating-linear-gradient(135deg, var(--accent-soft) 0 4px, var(--card) 4px 9px);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Crank {
  protected readonly desk = inject(Desk);
  /** Under the load as turned. */
  readonly turned = input.required<Verdict>();
  protected readonly use = showUse;
  protected readonly most = MOST_CRANK;
  protected readonly order = computed(() => usedUp(this.turned()));
}
