import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatIcon } from '@angular/material/icon';
import { cautionsFor } from '@core/chain/cautions';
import { headline } from '@core/chain/headline';
import { outlineOf } from '@core/job/outlines';
import { isResolved, resolve } from '@core/job/resolve';
import { assumedValues } from '@core/job/values';
import { drillList } from '@core/shop/drill-list';
import { PAPERS, templateFor, type PaperName } from '@core/shop/template-pages';
import { boundsOf } from '@core/geometry/rects';
import { formatQuantity } from '@core/units/format-quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { PlateDrawing, plateView } from '../drawing/plate-drawing';
import { fieldWords } from '../fields/show';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';

/** Make: the sheets to mark out, drill and cut by. They are made from the job as saved. */
@Component({
  selector: 'ms-make-stage',
  imports: [MatButton, MatButtonToggle, MatButtonToggleGroup, MatIcon, PlateDrawing],
  templateUrl: './make-stage.html',
  styleUrl: './make-stage.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MakeStage {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  protected readonly job = computed(() => this.desk.job()!);
  protected readonly papers = PAPERS;
  protected readonly paper = signal<PaperName>('a4');
  private readonly cut = computed(() => templateFor(outlineOf(this.job()), this.paper()));
  protected readonly tooLarge = computed(() => {
    const t = this.cut();
    return isRefusal(t) ? refusalText(t) : '';
  });
  protected readonly template = computed(() => {
    const t = this.cut();
    return isRefusal(t) ? null : t;
  });
  protected readonly view = computed(() => {
    const sheets = this.template()?.sheets ?? [];
    if (sheets.length === 0) return plateView(this.job());
    return boundsOf(
      sheets.flatMap((s) => [
        { x: s.window.x0, y: s.window.y0 },
        { x: s.window.x1, y: s.window.y1 },
      ]),
      4,
    );
  });
  private readonly resolved = computed(() => resolve(this.job()));
  protected readonly rows = computed(() => {
    const r = this.resolved();
    return isResolved(r) ? drillList(this.job(), r) : [];
  });
  protected readonly refusals = computed(() => {
    const r = this.resolved();
    return isResolved(r) ? [] : r.map((x) => refusalText({ ...x, field: fieldWords(x.field) }));
  });
  protected readonly cautions = computed(() => cautionsFor(this.job()));
  protected readonly assumed = computed(() => assumedValues(this.job()));
  protected readonly saved = computed(() => this.desk.state().save === 'saved');
  protected readonly verdict = computed(() => {
    const v = this.judge.verdict();
    if (!v) return { holds: true, words: '' };
    const { says } = headline(this.judge.judged()!, v, null);
    const holds = v.state === 'sound' || v.state === 'tight';
    return { holds, words: holds ? `The job ${says}.` : `The job ${says}. Every sheet says so.` };
  });

  protected show(mm: number): string {
    return formatQuantity(mm, 'length', this.job().units);
  }
}
