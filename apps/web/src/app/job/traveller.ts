import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { cautionsFor } from '@core/chain/cautions';
import type { Verdict } from '@core/chain/evaluate';
import { assumedOnAll } from '@core/job/assumed-on-all';
import { assumedValues, namedValues } from '@core/job/values';
import { showUse } from '../fields/show';
import type { Job } from '@core/job/schema';
import { spreadRulesOf } from '@core/job/spread-rules';
import { standing } from '@core/prove/log-entry';
import { LogDesk } from '../prove/log-desk';
import { FootKey } from '../feet/foot-key';
import { Desk } from './desk';

interface Stage {
  readonly path: string;
  readonly name: string;
  readonly line: string;
  readonly stamped: boolean;
  /** What is missing, and the stage that has it. */
  readonly rests?: { readonly words: string; readonly path: string };
}

/** Whose figures the checks judge, and how the bearers hold. */
const spreadLine = (job: Job): string =>
  spreadRulesOf(job).checks === 'solver' ? 'checks as solved' : 'how it goes into the skin';

/** Why nothing should be cut yet. */
function notYet(v: Verdict | null, job: Job): string {
  if (job.loads.length === 0) return 'needs a load';
  if (!v) return 'working …';
  return v.state === 'fails' ? 'does not hold yet' : 'not shown to hold';
}

/** The job's own route card: stages top to bottom in the order the work is done, each with its state, stamped when complete. */
@Component({
  selector: 'ms-traveller',
  imports: [FootKey, RouterLink, RouterLinkActive, MatIcon],
  template: `
    <a class="rack" routerLink="/"><mat-icon aria-hidden="true" svgIcon="arrow_back" />The rack</a>
    <nav aria-label="Traveller">
      <ol>
        @for (s of stages(); track s.path) {
          <li [class.stamped]="s.stamped">
            <a [routerLink]="s.path" routerLinkActive="here" ariaCurrentWhenActive="page">
              <span class="name">{{ s.name }}</span>
              <span class="line">{{ s.line }}</span>
              @if (s.stamped) {
                <span class="stamp" aria-label="complete">done</span>
              }
            </a>
            @if (s.rests; as r) {
              <a class="rests" [routerLink]="r.path">{{ r.words }}</a>
            }
          </li>
        }
      </ol>
    </nav>
    @if (desk.whole()!.feet.length > 1) {
      <ms-foot-key />
    }
    @if (assumed(); as n) {
      <a class="assumed" routerLink="measure" [queryParams]="{ sheet: 'next' }">
        <span class="assumed-mark"></span>The result rests on <b>{{ n }}</b> assumed {{ n === 1 ? 'value' : 'values'
        }}{{ onAll() }}: what to measure next
      </a>
    }
    <p class="decides">{{ decides() }}</p>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      background: var(--shade);
      border-right: 1px solid var(--rule-strong);
      overflow-y: auto;
    }
    .rack {
      display: flex;
      align-items: center;
      gap: 6px;
      padding: 11px 12px;
      color: var(--ink);
      font: 600 15px/1 var(--label);
      text-decoration: none;
      border-bottom: 1px solid var(--rule-strong);
    }
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
      counter-reset: stage;
    }
    li {
      position: relative;
      border-bottom: 1px dashed var(--rule-strong);
      counter-increment: stage;
    }
    li > a:first-child {
      display: grid;
      grid-template-columns: 22px 1fr;
      padding: 10px 10px 10px 12px;
      color: var(--ink);
      text-decoration: none;
    }
    li > a:first-child::before {
      content: counter(stage);
      grid-row: span 2;
      font: 600 20px/1.1 var(--label);
      color: var(--ink-soft);
    }
    li:has(> .here),
    .here {
      background: var(--card);
      box-shadow: inset 4px 0 0 var(--accent);
    }
    .name {
      font: 600 19px/1.1 var(--label);
    }
    .line {
      font-size: 13px;
      color: var(--ink-soft);
    }
    .assumed {
      display: block;
      padding: 9px 12px;
      color: var(--ink);
      font-size: 13px;
      line-height: 1.3;
    }
    .decides {
      margin: auto 0 0;
      padding: 10px 12px;
      font-size: 12px;
      line-height: 1.35;
    }
    .stamp {
      position: absolute;
      top: 8px;
      right: 8px;
      padding: 0 5px;
      border: 1.5px solid var(--good);
      border-radius: 2px;
      color: var(--good);
      font: 600 12px/1.35 var(--label);
      transform: rotate(-6deg);
    }
    .rests {
      display: block;
      padding: 0 10px 8px 34px;
      font-size: 12.5px;
    }
    @media (max-width: 720px) {
      :host {
        border-right: 0;
      }
      ol {
        display: flex;
        overflow-x: auto;
      }
      li {
        flex: 1 0 96px;
      }
      .line,
      .assumed,
      .rests,
      .decides,
      .stamp {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Traveller {
  protected readonly desk = inject(Desk);
  private readonly log = inject(LogDesk);
  readonly verdict = input.required<Verdict | null>();

  protected readonly decides = computed(() => {
    const job = this.desk.job();
    return job ? cautionsFor(job)[1] : '';
  });

  protected readonly assumed = computed(() => {
    const job = this.desk.job();
    return job ? assumedValues(job).length : 0;
  });

  /** In words, where the fitting stands on several feet. */
  protected readonly onAll = computed(() => {
    const whole = this.desk.whole();
    return whole && whole.feet.length > 1 ? ` at this foot, ${assumedOnAll(whole)} over all feet` : '';
  });

  /** What the logbook says; stamped while the stamp is of the job as it is. */
  private readonly proved = computed((): Pick<Stage, 'line' | 'stamped'> => {
    const lines = standing(this.log.lines());
    const stamp = lines.filter((l) => l.entry.body.kind === 'signed' && l.entry.body.operation === 'stamp').at(-1);
    if (stamp) {
      const now = stamp.entry.version === this.desk.state().version;
      return { line: now ? 'built as recorded' : `stamp is of version ${stamp.entry.version}`, stamped: now };
    }
    return { line: lines.length === 0 ? 'nothing written yet' : `${lines.length} lines written`, stamped: false };
  });

  protected readonly stages = computed((): Stage[] => {
    const job = this.desk.job();
    if (!job) return [];
    const v = this.verdict();
    const cases = v?.cases.length ?? 0;
    const measure = namedValues(job).filter((n) => n.stage === 'measure');
    const open = measure.filter((n) => n.value.from === 'assumed').length;
    const weakest = v?.links.find((l) => l.id === v.weakest);
    const holds = v?.state === 'sound' || v?.state === 'tight';
    const verdict = !v
      ? 'working …'
      : job.loads.length === 0
        ? 'needs a load'
        : v.refusals.length > 0
          ? 'refused'
          : weakest
            ? `${showUse(weakest.utilisation)} ${weakest.name.toLowerCase()}`
            : 'no load';
    // Not while it is being judged: what comes and goes there would move what stands below.
    const bare = v !== null && cases === 0;
    const rests = bare ? { words: 'rests on a load: add one', path: 'load' } : undefined;
    const assumed = assumedValues(job).length;
    return [
      {
        path: 'load',
        name: 'Load',
        line: !v ? 'working …' : bare ? 'no case yet' : `${cases} ${cases === 1 ? 'case' : 'cases'}`,
        stamped: cases > 0,
      },
      {
        path: 'measure',
        name: 'Measure',
        line: open === 0 ? 'all measured' : `${open} of ${measure.length} assumed`,
        stamped: open === 0,
      },
      { path: 'lay-out', name: 'Lay out', line: verdict, stamped: holds === true, rests },
      { path: 'spread', name: 'Spread', line: bare ? 'needs a load' : spreadLine(job), stamped: false },
      { path: 'choose', name: 'Choose', line: bare ? 'needs a load' : 'try the stock', stamped: false },
      {
        path: 'make',
        name: 'Make',
        line: holds ? (assumed > 0 ? `rests on ${assumed} assumed` : 'ready to cut') : notYet(v, job),
        stamped: false,
      },
      { path: 'prove', name: 'Prove', ...this.proved() },
    ];
  });
}
