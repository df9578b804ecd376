import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { PACKS, rulesIn, type RuleState } from '@core/checks/whole/packs';
import { isResolved, resolve } from '@core/job/resolve';
import type { PackId } from '@core/stock/packs';
import { formatQuantity } from '@core/units/format-quantity';
import { plainNumber } from '@core/working/steps';
import { Desk } from '../job/desk';

/** The rule packs the job is held to: each rule with its number and source, and what a pack asks that is not judged here. */
@Component({
  selector: 'ms-rules-card',
  imports: [MatCheckbox],
  template: `
    <h3>Held to</h3>
    @for (p of packs(); track p.pack.id) {
      <section>
        <mat-checkbox [checked]="p.on" (change)="toggle(p.pack.id, $event.checked)">{{ p.pack.name }}</mat-checkbox>
        @if (p.on) {
          <ul>
            @for (s of p.states; track s.rule.id) {
              <li [class.missed]="s.measured && !s.holds" [class.silent]="!s.measured">
                <b>{{ s.rule.id }}</b> {{ s.rule.says }}.
                <span class="how">
                  @if (s.measured; as m) {
                    {{ s.holds ? 'Kept' : s.rule.kind === 'code' ? 'Not kept' : 'Not kept, a reminder' }}: {{ show(m.have, s) }},
                    least {{ show(m.need, s) }} ({{ m.at }}).
                  } @else {
                    Does not concern this job.
                  }
                  {{ s.rule.kind === 'code' ? 'Code' : 'Common practice'
                  }}{{ s.rule.kind === 'code' ? ': ' + s.rule.source : '' }}.
                </span>
              </li>
            }
          </ul>
          <p class="note">Not judged here: {{ p.pack.gaps.join('; ') }}.</p>
        }
      </section>
    }
  `,
  styles: `
    section {
      padding: 3px 0 6px;
      border-bottom: 1px solid var(--rule);
    }
    ul {
      list-style: none;
      margin: 2px 0 4px;
      padding: 0;
    }
    li {
      margin-bottom: 4px;
      padding-left: 8px;
      border-left: 4px solid var(--rule);
      font-size: 13.5px;
      line-height: 1.3;
    }
    .missed {
      border-left-color: var(--accent);
    }
    .silent {
      color: var(--ink-soft);
    }
    .how {
      color: var(--ink-soft);
    }
    .note {
      margin: 2px 0 4px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RulesCard {
  private readonly desk = inject(Desk);
  protected readonly packs = computed(() => {
    const job = this.desk.shown();
    const r = job && resolve(job);
    const states = r && isResolved(r) ? rulesIn(r) : [];
    return PACKS.map((pack) => ({
      pack,
      on: job?.packs.includes(pack.id) ?? false,
      states: states.filter((s) => s.pack.id === pack.id),
    }));
  });

  protected show(v: number, s: RuleState): string {
    const { unit } = s.rule;
    if (unit === 'mm') return formatQuantity(v, 'length', this.desk.job()!.units);
    if (unit === 'mm²') return `${plainNumber(v / 100)} cm²`;
    return unit === '–' ? plainNumber(v) : `${plainNumber(v)} ${unit}`;
  }

  protected toggle(id: PackId, on: boolean): void {
    this.desk.change(`${on ? 'held to' : 'not held to'} ${id}`, (j) => ({
      ...j,
      packs: on ? [...j.packs.filter((p) => p !== id), id] : j.packs.filter((p) => p !== id),
    }));
  }
}
