import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Job } from '@core/job/schema';
import type { Remedy } from '@core/options/remedies';
import type { PatternFit } from '@core/survey/fit-pattern';
import type { BoltMeeting } from '@core/survey/meeting';
import { times } from '@core/chain/headline';
import { formatQuantity } from '@core/units/format-quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { showUse } from '../fields/show';
import { Desk } from '../job/desk';
import type { Surveyed } from '../workers/messages';
import { changePattern } from './edits';
import { SurveyView } from './survey-view';

const ICONS: Readonly<Record<Remedy['kind'], string>> = {
  redrill: 'adjust',
  slot: 'width',
  oversize: 'open_in_full',
  adapter: 'layers',
};

/** How the two patterns of a side lie on each other, whether bolts go through both, and what brings them together. */
@Component({
  selector: 'ms-pattern-study',
  imports: [MatButton, MatIcon],
  templateUrl: './pattern-study.html',
  styleUrl: './sheet.scss',
  styles: `
    :host {
      display: block;
      height: auto;
    }
    li.remedy {
      margin-top: 8px;
      padding: 6px 10px;
      border: 1px solid var(--rule-strong);
      background: var(--card);
      font-size: 13px;
    }
    li.remedy.not {
      background: none;
      border-style: dashed;
    }
    li.remedy header {
      display: flex;
      align-items: center;
      gap: 6px;
      font: 600 16px/1.2 var(--label);
    }
    li.remedy button {
      margin-left: auto;
    }
    li.remedy p {
      margin: 3px 0 0;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .worst td {
      background: var(--accent-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PatternStudy {
  private readonly desk = inject(Desk);
  private readonly view = inject(SurveyView);
  readonly job = input.required<Job>();
  readonly surveyed = input.required<Surveyed | null>();

  protected readonly icons = ICONS;
  protected readonly side = computed(() => this.surveyed()?.sides[this.view.side()]);
  protected readonly sideName = computed(() => (this.job().survey.sides === 'pair' ? `, ${this.view.side()}` : ''));
  protected readonly fit = computed((): PatternFit | undefined => {
    const f = this.side()?.fit;
    return f && !isRefusal(f) ? f : undefined;
  });
  protected readonly refusal = computed(() => {
    const s = this.side();
    const no = [s?.fit, s?.meeting].find((x) => isRefusal(x));
    return isRefusal(no) ? refusalText(no) : '';
  });
  protected readonly meeting = computed(() => {
    const m = this.side()?.meeting;
    return m && !isRefusal(m) ? m : undefined;
  });
  protected readonly worst = computed(() =>
    this.meeting()?.bolts.reduce((w: BoltMeeting, b) => (b.miss - b.play > w.miss - w.play ? b : w)),
  );
  /** Side against side, of whichever pattern is open. */
  protected readonly across = computed((): PatternFit | undefined => {
    const a = this.surveyed()?.across[this.view.of()];
    return a && !isRefusal(a) && this.job().survey.sides === 'pair' ? a : undefined;
  });
  protected readonly acrossSuspect = computed(() => this.surveyed()?.acrossSuspect[this.view.of()]);

  protected show(v: number): string {
    const { units } = this.job();
    return units === 'mm' ? `${v.toFixed(1)} mm` : formatQuantity(v, 'length', units);
  }

  /** Where in its hole or slot the bolt is centred: "2.0 mm forward, 0.5 mm to port of the middle". */
  protected within(p: { x: number; y: number }): string {
    const part = (v: number, plus: string, minus: string) =>
      Math.abs(v) < 0.05 ? '' : `${this.show(Math.abs(v))} ${v > 0 ? plus : minus}`;
    return [part(p.x, 'forward', 'aft'), part(p.y, 'to port', 'to starboard')].filter(Boolean).join(', ') || 'in the middle';
  }

  protected turned(f: PatternFit): string {
    const deg = (Math.abs(f.move.theta) * 180) / Math.PI;
    return deg < 0.05 ? '' : `turned ${deg.toFixed(1)}°`;
  }

  protected outcome(r: Remedy): string {
    const v = r.verdict;
    if (!v) return '';
    if (v.refusals.length > 0) return `Then: ${refusalText(v.refusals[0]!)}`;
    const weakest = v.links.find((l) => l.id === v.weakest);
    const state = { fails: 'does not hold', tight: 'holds, tight', sound: 'holds', refused: 'not shown to hold' }[v.state];
    const k = r.goodFor?.known ? `, good for ${times(r.goodFor.at)} × load` : '';
    return weakest ? `Then ${state}${k}, weakest ${weakest.name} ${showUse(weakest.utilisation)}.` : '';
  }

  protected apply(r: Remedy): void {
    const { job } = r;
    if (!job) return;
    // Only what the remedy makes is taken over: anything changed since it was worked out stays.
    this.desk.change(r.name.toLowerCase(), (j) => ({
      ...j,
      base: job.base,
      bolts: { ...j.bolts, items: job.bolts.items },
      plate: { ...j.plate, x0: job.plate.x0, x1: job.plate.x1, y0: job.plate.y0, y1: job.plate.y1 },
      survey: { ...j.survey, existing: job.survey.existing },
    }));
    this.desk.said.set(`${r.name}: done. ${this.outcome(r)}`);
  }

  /** The structure is the mirror image: read from below, or from the other side. */
  protected takeMirror(): void {
    const p = this.side()?.structure;
    if (p)
      this.desk.change(
        'pattern mirrored',
        changePattern(p.id, (x) => ({ ...x, holes: x.holes.map((h) => ({ ...h, y: -h.y || 0 })) })),
      );
  }
}
