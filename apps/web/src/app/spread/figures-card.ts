import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { figuresFor, isRefusedCase } from '@core/spread/view';
import { THIN } from '@core/spread/spread';
import { showAmount } from '../fields/show';
import { showField } from './field-picture';
import type { Answer } from './spreader';

interface Row {
  readonly what: string;
  readonly value: string;
  readonly how: string;
}

/** The figures of one case or of all, what each is a mean of, where it was read, and the hand figures beside them. */
@Component({
  selector: 'ms-spread-figures',
  template: `
    @if (figures(); as f) {
      <div class="big">
        <span class="big-number">{{ movement(f.deflection.value) }}</span>
        <span>
          @if (onBed()) {
            plate moves on its bed
          } @else {
            skin gives, <b>w/t {{ f.overThickness.toFixed(2) }}</b>
          }
        </span>
      </div>
      @if (f.membrane) {
        <p class="thin">
          Over half its thickness, so the skin is solved with membrane action: it also pulls like a cloth. Bending alone would say
          w/t {{ f.linearOverThickness.toFixed(2) }}.
        </p>
      } @else if (f.overThickness > THIN) {
        <p class="caution">Over half its thickness: bending alone overstates this, and hides the pull at the bearers.</p>
      }
      <table>
        <caption class="visually-hidden">
          Figures of
          {{
            f.caseName
          }}
        </caption>
        @for (r of rows(); track r.what) {
          <tr>
            <th scope="row">
              {{ r.what }}<span class="how">{{ r.how }}</span>
            </th>
            <td>{{ r.value }}</td>
          </tr>
        }
      </table>
      @if (answer().beside.length > 0) {
        <h3>By hand, and solved</h3>
        <table class="beside">
          <tr>
            <th></th>
            <th scope="col">hand</th>
            <th scope="col">solved</th>
          </tr>
          @for (b of answer().beside; track b.what) {
            <tr>
              <th scope="row">{{ b.what }}</th>
              <td>{{ b.hand === undefined ? '–' : amount(b.hand, b.unit) }}</td>
              <td>{{ amount(b.solver, b.unit) }}</td>
            </tr>
            @if (b.why) {
              <tr>
                <td colspan="3" class="why">{{ b.why }}</td>
              </tr>
            }
          }
        </table>
      } @else {
        <p class="note">Pick one case to see the hand figures beside the solver’s.</p>
      }
    }
    @for (c of refused(); track c.caseId) {
      <p class="error" role="alert">{{ c.caseName }}: {{ c.because }} — allowed: {{ c.allowed }}</p>
    }
  `,
  styles: `
    .big {
      display: flex;
      align-items: baseline;
      gap: 10px;
    }
    .thin {
      margin: 4px 0 8px;
      padding-left: 8px;
      border-left: 4px solid var(--marking);
      font-size: 13.5px;
      line-height: 1.3;
    }
    table {
      width: 100%;
      border-collapse: collapse;
      font-size: 14px;
    }
    tr {
      border-bottom: 1px solid var(--rule);
    }
    th {
      padding: 3px 0;
      font: 500 14.5px/1.2 var(--label);
      text-align: left;
    }
    td {
      padding: 3px 0 3px 8px;
      font-weight: 600;
      font-variant-numeric: tabular-nums;
      text-align: right;
      white-space: nowrap;
      vertical-align: top;
    }
    .how {
      display: block;
      font: 400 12px/1.2 var(--text);
      color: var(--ink-soft);
    }
    .beside th[scope='col'] {
      text-align: right;
      color: var(--ink-soft);
    }
    .why {
      padding: 0 0 5px 8px;
      border-left: 4px solid var(--rule-strong);
      font-weight: 400;
      font-size: 13px;
      line-height: 1.3;
      text-align: left;
      white-space: normal;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiguresCard {
  readonly answer = input.required<Answer>();
  readonly caseId = input.required<string>();
  protected readonly THIN = THIN;

  protected readonly figures = computed(() => figuresFor(this.answer().figures, this.caseId()));
  protected readonly refused = computed(() => this.answer().figures.cases.filter(isRefusedCase));

  protected readonly onBed = computed(() => this.answer().job.skin.kind === 'bed');

  protected readonly rows = computed((): Row[] => {
    const f = this.figures();
    if (!f) return [];
    const at = (p: { at: { x: number; y: number } }) => `at x ${p.at.x.toFixed(0)}, y ${p.at.y.toFixed(0)}`;
    const most = f.bolts.reduce((a, b) => (b.tension > a.tension ? b : a), f.bolts[0]!);
    const total = f.bolts.reduce((sum, b) => sum + b.tension, 0);
    const share = total > 0 && most ? `${Math.round((100 * most.tension) / total)} % of all bolts’ pull` : 'no bolt pulls';
    const pull = f.reactions.reduce((sum, q) => Math.max(sum, Math.abs(q.fx), Math.abs(q.fy)), 0);
    return [
      ...(most ? [{ what: `Bolt ${most.id}`, value: this.amount(most.tension, 'N'), how: `${share}, prying in it` }] : []),
      ...(this.onBed()
        ? []
        : [
            {
              what: 'Skin at the plate’s edge',
              value: this.amount(f.edgeStress.value, 'MPa'),
              how: `mean over one skin thickness beside it, ${at(f.edgeStress)}`,
            },
          ]),
      { what: 'Plate', value: this.amount(f.plateStress.value, 'MPa'), how: `mean over a washer’s width, ${at(f.plateStress)}` },
      ...(f.farStress.value > 0
        ? [
            {
              what: 'Behind the skin',
              value: this.amount(f.farStress.value, 'MPa'),
              how: `mean over a washer’s width, ${at(f.farStress)}`,
            },
          ]
        : []),
      {
        what: this.onBed() ? 'Pressure on the bed' : 'Pressure on the skin',
        value: this.amount(f.pressure.value, 'MPa'),
        how: `mean over one ${this.onBed() ? 'plate' : 'skin'} thickness, ${at(f.pressure)}`,
      },
      ...(this.answer().job.skin.kind === 'sandwich'
        ? [
            {
              what: 'Shear across the core',
              value: this.amount(f.skinShear.value, 'N/mm'),
              how: `mean over one skin thickness, ${at(f.skinShear)}`,
            },
          ]
        : []),
      { what: 'The plate presses on', value: this.amount(f.pressedArea, 'mm²'), how: 'elsewhere it stands clear' },
      {
        what: this.onBed() ? 'Bed' : 'Bearers',
        value: this.amount(Math.max(...f.reactions.map((q) => Math.abs(q.fz))), 'N'),
        how: f.reactions.map((q) => `${q.of} ${this.amount(Math.abs(q.fz), 'N')} ${q.fz >= 0 ? 'up' : 'down'}`).join(', '),
      },
      ...(f.membrane
        ? [{ what: 'Pull in the skin’s plane', value: this.amount(pull, 'N'), how: 'on the bearer that holds most of it' }]
        : []),
      {
        what: 'Out of balance',
        value: `${(100 * f.balance).toFixed(2)} %`,
        how: 'load against what holds it; over 0.1 % is refused',
      },
    ];
  });

  protected movement(v: number): string {
    return showField(v, 'mm', this.answer().job.units);
  }

  protected amount(v: number, unit: Parameters<typeof showAmount>[1]): string {
    return unit === 'mm' ? this.movement(v) : showAmount(v, unit, this.answer().job.units);
  }
}
