import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { headline, times } from '@core/chain/headline';
import { notJudged } from '@core/chain/ways-to-fail';
import type { Verdict } from '@core/chain/evaluate';
import { spreadRulesOf } from '@core/job/spread-rules';
import type { Job } from '@core/job/schema';
import { Desk } from './desk';
import { Judge } from './judge';

/** The verdict in words that cannot be mixed up, with what is kept, where it would let go, and what was not judged beside it. */
@Component({
  selector: 'ms-headline',
  imports: [RouterLink],
  template: `
    <div class="says" aria-live="polite">
      @if (words(); as w) {
        <span class="by">{{ by() }}</span>
        <b>{{ w.says }}</b>
      } @else {
        <p class="judging note" role="status">Being judged …</p>
      }
    </div>
    <ul class="kept">
      @for (k of kept(); track k) {
        <li>{{ k }}</li>
      }
      @if (decides(); as f) {
        <li class="solve">
          <span role="status"
            >another foot decides: <button type="button" (click)="desk.takeFoot(f.id)">{{ f.name }}</button> ({{
              stateWords[f.state]
            }}, {{ f.weakest }})</span
          >
        </li>
      }
      @if (solveIt(); as d) {
        <li class="solve">
          <span role="alert"
            ><a [routerLink]="['/job', job().id, 'spread']">Solve it</a>: a draft of the solver says good for
            {{ figure(d.asSolved) }} × ({{ d.link }}), where the hand says {{ figure(d.byHand) }} ×</span
          >
        </li>
      }
      @if (judge.weigher.broken(); as b) {
        <li class="error">
          <span role="alert">{{ b }}</span>
        </li>
      }
    </ul>
    <p class="unjudged"><b>Not judged:</b> {{ unjudged() }}.</p>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
      grid-template-areas: 'says unjudged' 'kept unjudged';
      align-content: start;
      gap: 0 18px;
      padding: 4px 14px 5px 17px;
      font-size: 13px;
      line-height: 1.3;
    }
    :host(.fails) .says b {
      color: var(--bad);
    }
    .says {
      grid-area: says;
    }
    .says b {
      font: 600 16px/1.25 var(--label);
    }
    .by {
      margin-right: 6px;
      padding: 0 5px;
      border: 1px solid var(--rule-strong);
      font: 500 13px/1.2 var(--label);
    }
    .kept {
      grid-area: kept;
      display: flex;
      flex-wrap: wrap;
      gap: 0 16px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .solve {
      padding: 0 6px;
      border: 1.5px solid var(--accent);
      background: var(--accent-soft);
    }
    .solve button {
      padding: 0;
      border: 0;
      background: none;
      color: var(--accent);
      font: 600 13px/1.3 var(--text);
      text-decoration: underline;
      cursor: pointer;
    }
    .judging {
      margin: 0;
    }
    .unjudged {
      grid-area: unjudged;
      align-self: center;
      margin: 0;
      padding-left: 12px;
      border-left: 1px solid var(--rule-strong);
    }
    @media (max-width: 720px) {
      :host {
        grid-template: 'says' auto 'kept' auto 'unjudged' auto / minmax(0, 1fr);
      }
      .unjudged {
        padding-left: 0;
        border-left: 0;
      }
    }
  `,
  host: { '[class]': "verdict()?.state ?? ''" },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HeadlineStrip {
  protected readonly judge = inject(Judge);
  protected readonly desk = inject(Desk);
  protected readonly stateWords = { sound: 'holds', tight: 'tight', fails: 'does not hold', refused: 'not shown to hold' };
  readonly job = input.required<Job>();
  /** None while it is being judged: what is not judged is known before. */
  readonly verdict = input.required<Verdict | null>();

  /** The foot that decides, where it is not the one in hand. */
  protected readonly decides = computed(() => this.judge.feet.feet().find((f) => f.decides && f.id !== this.desk.foot()));
  protected readonly figure = times;
  private readonly weighed = this.judge.weigher.weighed;
  protected readonly solveIt = computed(() => this.weighed()?.solveIt);
  protected readonly by = computed(() => (spreadRulesOf(this.job()).checks === 'hand' ? 'by hand' : 'as solved'));
  /** Without "solve it": that has a place of its own, and a way there. */
  protected readonly words = computed(() => {
    const w = this.weighed();
    const v = this.verdict();
    return v && headline(this.job(), v, w && { goodFor: w.goodFor, letsGoNear: w.letsGoNear });
  });
  protected readonly unjudged = computed(() => notJudged(this.job()).join('; '));
  protected readonly kept = computed(() => {
    const w = this.weighed();
    const v = this.verdict();
    if (!v) return [];
    if (!w) return v.links.length > 0 ? ['asking again at other loads …'] : [];
    const holds = v.state === 'sound' || v.state === 'tight';
    // The multiple with factors kept stands large above, unless that is of all the feet; here else only why it does not.
    const above = w.goodFor.known && this.judge.feet.feet().length < 2;
    const words = this.words()!;
    const kept = above ? words.kept.slice(1) : words.kept;
    return [...kept, ...(w.asking && holds && this.by() === 'by hand' ? ['asking a draft of the solver …'] : [])];
  });
}
