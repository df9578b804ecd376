import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { SCHOOLS, factorsText } from '@core/chain/cautions';
import type { Verdict } from '@core/chain/evaluate';
import { wordsIn } from '@core/units/words-in';
import { showAmount, showUse } from '../fields/show';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';
import { ClearingsList } from './clearings-list';
import { RowChart } from './row-chart';
import { StepsList } from './steps-list';
import { WhyCard } from './why-card';

/** The working of one link: formula, numbers put in, result, source, range, cautions, and every case. */
@Component({
  selector: 'ms-working',
  imports: [MatIconButton, MatIcon, ClearingsList, RowChart, StepsList, WhyCard],
  template: `
    @if (link(); as l) {
      <header>
        <div>
          <h2>{{ l.name }}</h2>
          @if (check(); as c) {
            <p class="note">{{ c.says }}</p>
          }
        </div>
        <button mat-icon-button type="button" aria-label="Close the working" (click)="close()">
          <mat-icon svgIcon="close" />
        </button>
      </header>
      @if (l.state === 'refused' || l.state === 'not needed') {
        <p class="because">
          <strong>{{ l.state === 'refused' ? 'Refused' : 'Not needed' }}:</strong> {{ inUnits(l.because) }}
        </p>
      } @else {
        <div class="verdict">
          <span class="big-number" [class.error]="l.state === 'fails'">{{ use(l.utilisation) }}</span>
          <span>
            {{ amount(l.demand) }} of {{ amount(l.capacity) }}<br />
            <span class="note">{{ inUnits(l.at) }} · {{ l.caseName }}</span>
          </span>
        </div>
      }
      @if (l.state === 'fails' || l.state === 'tight' || l.state === 'refused') {
        <ms-clearings [link]="l" />
      }
      @if (judge.working(); as w) {
        @if (w.check.id === l.id) {
          <ms-why [id]="w.check.id" [name]="w.check.name" [why]="w.check.why" />
          @if (l.id === 'row-share') {
            <ms-row-chart />
          }
          <ms-steps [steps]="w.steps" />
          <dl>
            <dt>Source</dt>
            <dd>{{ w.check.source }}</dd>
            <dt>Range</dt>
            <dd>{{ w.check.range }}</dd>
            <dt>School</dt>
            <dd>{{ school() }}</dd>
          </dl>
        }
      }
      @for (c of l.cautions; track c) {
        <p class="caution">{{ inUnits(c) }}</p>
      }
      @if (cases().length > 1) {
        <h3>Every case</h3>
        <ul class="cases">
          @for (c of cases(); track c.name) {
            <li [class.governs]="c.governs">
              <span>{{ c.name }}</span><span class="number">{{ c.u }}</span>
            </li>
          }
        </ul>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      overflow-y: auto;
      padding: 10px 14px 16px;
      background: var(--card);
      border-left: 1px solid var(--rule-strong);
      box-shadow: -4px 0 10px rgba(28, 26, 23, 0.15);
    }
    header {
      display: flex;
      justify-content: space-between;
      gap: 8px;
    }
    p {
      margin: 4px 0;
    }
    .verdict {
      display: flex;
      align-items: center;
      gap: 14px;
      padding: 8px 0;
      border-bottom: 2px solid var(--ink);
    }
    dl {
      display: grid;
      grid-template-columns: 58px 1fr;
      gap: 4px 8px;
      margin: 10px 0;
      font-size: 13px;
    }
    dt {
      font: 600 13.5px/1.3 var(--label);
    }
    dd {
      margin: 0;
    }
    .cases {
      list-style: none;
      margin: 4px 0 0;
      padding: 0;
      font-size: 13px;
    }
    .cases li {
      display: flex;
      justify-content: space-between;
      padding: 2px 0;
      border-bottom: 1px solid var(--rule);
    }
    .governs {
      font-weight: 600;
    }
    .governs::after {
      content: none;
    }
    h3 {
      margin-top: 10px;
    }
  `,
  host: { role: 'region', 'aria-label': 'Working', tabindex: '-1', '(keydown.escape)': 'close()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WorkingPanel {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly verdict = input.required<Verdict | null>();
  protected readonly use = showUse;

  protected readonly link = computed(() => this.verdict()?.links.find((l) => l.id === this.desk.openLink()));
  protected readonly check = computed(() => {
    const w = this.judge.working();
    return w && w.check.id === this.link()?.id ? w.check : undefined;
  });
  protected readonly school = computed(() => {
    const job = this.desk.job();
    return job ? `${SCHOOLS[job.practice.school].name}: ${factorsText(job)}` : '';
  });
  protected readonly cases = computed(() => {
    const l = this.link();
    const v = this.verdict();
    if (!l || !v || l.state === 'refused' || l.state === 'not needed') return [];
    return v.cases.map((c, i) => {
      const u = l.perCase[i]!;
      return { name: c.name, u: Number.isNaN(u) ? '–' : u.toFixed(2), governs: c.id === l.caseId };
    });
  });

  protected amount(v: number): string {
    return showAmount(v, this.link()!.unit, this.desk.job()?.units ?? 'mm');
  }

  protected inUnits(words: string): string {
    return wordsIn(words, this.desk.job()?.units ?? 'mm');
  }

  protected close(): void {
    this.desk.openLink.set('');
    this.host
      .closest('ms-job')
      ?.querySelector<HTMLElement>('ms-load-path ol button[aria-pressed=true], ms-load-path ol button')
      ?.focus();
  }
}
