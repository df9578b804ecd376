import { ChangeDetectionStrategy, Component, computed, inject, signal, type OnDestroy } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { FAULTS, INSTRUMENTS, type InstrumentKind } from '@core/formats/instrument-messages';
import { Bench } from './bench';

const NAMES: Readonly<Record<InstrumentKind, string>> = { caliper: 'Caliper', tape: 'Tape, laser', angle: 'Angle finder' };

/** The instruments beside the work: click into a field, press send, and the reading lands there. */
@Component({
  selector: 'ms-instruments',
  imports: [MatButton, MatIcon],
  template: `
    <div class="head">
      <h3>Instruments</h3>
      <button mat-stroked-button type="button" [attr.aria-expanded]="open()" (click)="toggle()">
        <mat-icon [svgIcon]="open() ? 'expand_more' : 'straighten'" />{{ open() ? 'Put away' : 'Take out' }}
      </button>
    </div>
    @if (open()) {
      <div class="kinds" role="radiogroup" aria-label="Instrument">
        @for (k of kinds; track k) {
          <label [class.on]="kind() === k"
            ><input type="radio" name="instrument" [value]="k" [checked]="kind() === k" (change)="kind.set(k)" />{{
              names[k]
            }}</label
          >
        }
      </div>
      @if (state(); as s) {
        <div class="face">
          <output class="display" aria-label="Display">{{ s.display }}</output>
          <span class="marks">
            @if (s.held) {
              <b>hold</b>
            }
            @if (s.zero) {
              <b>zero at {{ s.zero }}</b>
            }
            @if (s.lowBattery) {
              <b class="low">battery low</b>
            }
            <span>{{ s.range }}</span>
          </span>
          <button mat-flat-button type="button" class="send" (click)="bench.press(kind(), 'send')">Send reading</button>
          <span class="buttons">
            <button mat-stroked-button type="button" [attr.aria-pressed]="s.held" (click)="bench.press(kind(), 'hold')">
              Hold
            </button>
            <button mat-stroked-button type="button" [attr.aria-pressed]="s.zero !== ''" (click)="bench.press(kind(), 'zero')">
              Zero
            </button>
            @if (kind() !== 'angle') {
              <button mat-stroked-button type="button" (click)="bench.press(kind(), 'unit')">
                {{ s.unit === 'mm' ? 'inch' : 'mm' }}
              </button>
            }
          </span>
        </div>
        <p class="lands">
          @if (bench.landing(); as l) {
            lands in <b>{{ l.name() }}</b>; click into it again to read anew
          } @else {
            click into a field: the reading lands there
          }
        </p>
        @if (bench.said(); as said) {
          <p [class.error]="said.bad" [class.took]="!said.bad" role="status">{{ said.text }}</p>
        }
        <div class="stand-in">
          <label
            >stand-in lies on
            <input
              type="number"
              step="any"
              [value]="s.on"
              (change)="lies($any($event.target).value)"
              (keydown.enter)="$any($event.target).blur()"
            />
            {{ kind() === 'angle' ? '°' : 'mm' }}</label
          >
          <label
            >fault
            <select (change)="bench.lies(kind(), { fault: $any($event.target).value })">
              @for (f of faults; track f) {
                <option [value]="f" [selected]="f === s.fault">{{ f }}</option>
              }
            </select></label
          >
        </div>
      } @else {
        <p class="note" role="status">
          {{ bench.link() === 'lost' ? 'The instruments do not answer; trying again …' : 'Taking them out …' }}
        </p>
      }
      @if (bench.link() === 'lost' && state()) {
        <p class="error" role="alert">The link to the instruments is lost; trying again.</p>
      }
      <label class="own"
        ><input type="checkbox" [checked]="bench.typed()" (change)="bench.typed.set($any($event.target).checked)" />my own
        instrument types into the field: each Enter is one reading</label
      >
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 8px;
      padding-top: 6px;
      border-top: 1px solid var(--rule-strong);
    }
    .head,
    .buttons,
    .kinds,
    .stand-in {
      display: flex;
      align-items: center;
      gap: 8px;
      flex-wrap: wrap;
    }
    .head {
      justify-content: space-between;
    }
    .kinds {
      gap: 0;
      margin: 6px 0;
    }
    .kinds label {
      flex: 1;
      padding: 4px 6px;
      border: 1px solid var(--rule-strong);
      font: 600 14px var(--label);
      text-align: center;
      cursor: pointer;
    }
    .kinds label + label {
      border-left: 0;
    }
    .kinds .on {
      background: var(--marking);
      color: var(--chalk);
    }
    .kinds input {
      position: absolute;
      opacity: 0;
    }
    .kinds label:focus-within {
      outline: 2px solid var(--accent);
      outline-offset: 1px;
    }
    .face {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 6px 8px;
      align-items: center;
      padding: 8px 10px;
      border: 1px solid var(--rule-strong);
      background: var(--readout);
    }
    .display {
      font: 600 27px/1 var(--text);
      font-variant-numeric: tabular-nums;
      text-align: right;
      padding-right: 8px;
    }
    .marks {
      grid-row: 2;
      display: flex;
      gap: 8px;
      font: 500 12.5px var(--label);
    }
    .low {
      color: var(--bad);
    }
    .buttons {
      grid-row: 2;
      justify-content: flex-end;
      gap: 4px;
    }
    .buttons button {
      min-width: 0;
      padding: 0 8px;
    }
    [aria-pressed='true'] {
      background: var(--accent-soft);
    }
    .lands,
    .took,
    .error {
      margin: 5px 0 0;
      font-size: 13px;
    }
    .took {
      border-left: 4px solid var(--structure);
      padding-left: 6px;
    }
    .stand-in {
      margin-top: 6px;
      font: 500 13.5px var(--label);
      color: var(--ink-soft);
    }
    .stand-in input {
      width: 78px;
      padding: 2px 4px;
      border: 1px solid var(--rule-strong);
      font: 600 13px var(--text);
      text-align: right;
    }
    select {
      padding: 2px;
      border: 1px solid var(--rule-strong);
      background: var(--field);
      color: var(--ink);
      font: 500 13.5px var(--label);
    }
    .own {
      display: flex;
      gap: 6px;
      align-items: center;
      margin-top: 6px;
      font: 500 13.5px/1.2 var(--label);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InstrumentPanel implements OnDestroy {
  protected readonly bench = inject(Bench);
  protected readonly kinds = INSTRUMENTS;
  protected readonly names = NAMES;
  protected readonly faults = FAULTS;
  protected readonly kind = signal<InstrumentKind>('caliper');
  protected readonly open = signal(this.bench.link() !== 'closed');
  protected readonly state = computed(() => this.bench.states().find((s) => s.instrument === this.kind()));

  protected toggle(): void {
    this.open.update((o) => !o);
    if (this.open()) this.bench.open();
    else this.bench.close();
  }

  protected lies(text: string): void {
    const on = Number(text.replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(on))
      this.bench.said.set({ text: `Stand-in: "${text}" is not a number.`, bad: true });
    else void this.bench.lies(this.kind(), { on });
  }

  ngOnDestroy(): void {
    this.bench.landing.set(null);
    this.bench.close();
  }
}
