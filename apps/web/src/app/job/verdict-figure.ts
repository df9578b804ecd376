import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { keepsWhat, times } from '@core/chain/headline';
import type { VerdictState } from '@core/chain/evaluate';
import { Desk } from './desk';
import { Judge } from './judge';

const WORDS: Readonly<Record<VerdictState, string>> = {
  sound: 'holds',
  tight: 'holds, tight',
  fails: 'does not hold',
  refused: 'not shown to hold',
};

/** What stands large in the head of a job. */
interface Shown {
  readonly figure: string;
  /** In place of a figure that is not known. */
  readonly word: string;
  readonly small: string;
  readonly fails: boolean;
}

/** How many times the load the job is good for, large; of a fitting on several feet the least of them all, never that of the foot in hand alone. */
@Component({
  selector: 'ms-verdict-figure',
  template: `
    @if (shown(); as s) {
      @if (desk.preview()) {
        <span class="preview">preview</span>
      }
      @if (s.figure) {
        <span class="what">
          good for
          <small>{{ s.small }}</small>
        </span>
        &ngsp;
        <span class="figure" [class.fails]="s.fails">{{ s.figure }}<small> × load</small></span>
      } @else {
        @if (s.small) {
          <span class="what"
            ><small>{{ s.small }}</small></span
          >
          &ngsp;
        }
        <span class="figure word" [class.fails]="s.fails">{{ s.word }}</span>
      }
    }
  `,
  styleUrl: './verdict-figure.scss',
  host: { 'aria-live': 'polite' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VerdictFigure {
  protected readonly desk = inject(Desk);
  private readonly judge = inject(Judge);

  protected readonly shown = computed(() => {
    // What is tried out is of the foot in hand alone.
    const feet = this.desk.preview() ? [] : this.judge.feet.feet();
    return feet.length > 1 ? this.ofFitting(feet.length) : this.ofFoot();
  });

  private ofFitting(count: number): Shown | undefined {
    const decides = this.judge.feet.feet().find((f) => f.decides);
    const job = this.judge.judged();
    if (!decides || !job) return undefined;
    const m = this.judge.feet.goodFor();
    return {
      figure: m?.known ? times(m.at) : '',
      word: WORDS[decides.state],
      small: m?.known ? `all ${count} feet, with ${keepsWhat(job)}` : decides.name,
      fails: decides.state === 'fails',
    };
  }

  private ofFoot(): Shown | undefined {
    const [v, job] = [this.judge.verdict(), this.judge.judged()];
    if (!v || !job) return undefined;
    const m = this.judge.weigher.weighed()?.goodFor;
    const nothing = v.cases.length === 0 ? 'no load yet' : 'not computed';
    return {
      figure: m?.known ? times(m.at) : '',
      word: v.refusals.length > 0 ? nothing : WORDS[v.state],
      small: m?.known ? `with ${keepsWhat(job)}` : '',
      fails: v.state === 'fails',
    };
  }
}
