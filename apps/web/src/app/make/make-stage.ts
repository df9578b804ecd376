import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatIcon } from '@angular/material/icon';
import { cautionsFor } from '@core/chain/cautions';
import { headline } from '@core/chain/headline';
import { isResolved, resolve } from '@core/job/resolve';
import { assumedValues } from '@core/job/values';
import { cutParts } from '@core/shop/cut-parts';
import { PAPERS, templateFor, type PaperName } from '@core/shop/template-pages';
import { boundsOf } from '@core/geometry/rects';
import { formatQuantity } from '@core/units/format-quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { plateView } from '../drawing/plate-drawing';
import { PickField, type Choice } from '../fields/pick-field';
import { fieldWords } from '../fields/show';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';
import { BlankDrawing } from '../drawing/blank-drawing';
import { keptNumbers, type CsvNumbers } from './csv-numbers';
import { CutPlan } from './cut-plan';
import { DrillCard } from './drill-card';
import { PartsCard } from './parts-card';
import { SheetPlan } from './sheet-plan';
import { TorqueSheet } from './torque-sheet';

/** The sheets of the stage, in the order they are used at the bench. */
const SHEETS = [
  { id: 'parts', name: 'Parts' },
  { id: 'template', name: 'Template' },
  { id: 'sheets', name: 'Sheets' },
  { id: 'bars', name: 'Bars' },
  { id: 'drill', name: 'Drill' },
  { id: 'tighten', name: 'Tighten' },
] as const;
type Sheet = (typeof SHEETS)[number]['id'];

/** Make: the sheets to mark out, drill and cut by. They are made from the job as saved. */
@Component({
  selector: 'ms-make-stage',
  imports: [
    BlankDrawing,
    CutPlan,
    DrillCard,
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatIcon,
    PartsCard,
    PickField,
    SheetPlan,
    TorqueSheet,
  ],
  templateUrl: './make-stage.html',
  styleUrl: './make-stage.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MakeStage {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  protected readonly job = computed(() => this.desk.job()!);
  protected readonly sheets = SHEETS;
  protected readonly sheet = signal<Sheet>('template');
  protected readonly papers = PAPERS;
  protected readonly paper = signal<PaperName>('a4');
  protected readonly partId = signal('plate');
  protected readonly numbers = signal<CsvNumbers>(keptNumbers.read());
  protected readonly locales: readonly Choice[] = [
    { value: 'point', label: '1234.5 ,' },
    { value: 'comma', label: '1234,5 ;' },
  ];
  private readonly resolved = computed(() => {
    const r = resolve(this.job());
    return isResolved(r) ? r : undefined;
  });
  protected readonly parts = computed(() => {
    const r = this.resolved();
    return r ? cutParts(r) : [];
  });
  /** The part that was chosen, while there is one of that name; else the mounting plate. */
  protected readonly part = computed(() => this.parts().find((p) => p.id === this.partId()) ?? this.parts()[0]);
  private readonly cut = computed(() => {
    const p = this.part();
    return p && templateFor(p.bounds, this.paper());
  });
  protected readonly tooLarge = computed(() => {
    const t = this.cut();
    return t && isRefusal(t) ? refusalText(t) : '';
  });
  protected readonly template = computed(() => {
    const t = this.cut();
    return !t || isRefusal(t) ? null : t;
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
  /** How the chosen part is bent, where it is. */
  protected readonly bend = computed(() => {
    const { fold } = this.job().plate;
    if (!fold || !this.part()?.bends.length) return '';
    const mm = (v: number) => formatQuantity(v, 'length', this.job().units);
    return `Flat blank: cut and drill it, then bend the ${fold.edge} edge up square at the dashed lines, inside radius ${mm(fold.radius.v)}, to ${mm(fold.height.v)} outside.`;
  });
  protected readonly refusals = computed(() => {
    const r = resolve(this.job());
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
    const who = this.job().stands ? '' : 'The job ';
    return { holds, words: holds ? `${who}${says}.` : `${who}${says}. Every sheet says so.` };
  });

  protected showPart(id: string): void {
    this.partId.set(id);
    this.sheet.set('template');
  }

  protected setNumbers(way: string): void {
    this.numbers.set(way as CsvNumbers);
    keptNumbers.write(way as CsvNumbers);
  }

  protected file(name: string, query: Record<string, string>): string {
    const foot: Record<string, string> = this.job().stands ? { foot: this.desk.foot() } : {};
    const asked = new URLSearchParams({ ...foot, ...query }).toString();
    return `/api/jobs/${this.job().id}/${name}${asked ? `?${asked}` : ''}`;
  }
}
