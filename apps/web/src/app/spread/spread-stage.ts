import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatIcon } from '@angular/material/icon';
import { MatProgressBar } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { cautionsFor } from '@core/chain/cautions';
import type { Point } from '@core/geometry/points';
import { sameRect } from '@core/geometry/rects';
import { outlineOf, panelOf } from '@core/job/outlines';
import { casesOf } from '@core/loads/cases';
import { VARIANTS } from '@core/options/compare';
import { BED } from '@core/spread/job-layers';
import { ENVELOPE, figuresFor } from '@core/spread/view';
import { panelView, plateView } from '../drawing/plate-drawing';
import { PickField, type Choice } from '../fields/pick-field';
import { fieldWords } from '../fields/show';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';
import { moveBolt } from '../layout/edits';
import { CompareCard } from './compare-card';
import { Comparer } from './comparer';
import { FieldLegend } from './field-legend';
import { fieldOf, FIELDS, scaleOf, showField, type Face, type FieldName } from './field-picture';
import { FiguresCard } from './figures-card';
import { RestsCard } from './rests-card';
import { SpreadPlan, type CutLine } from './spread-plan';
import { SpreadSection } from './spread-section';
import { Spreader } from './spreader';

type Sheet = 'figures' | 'rests' | 'compare';

const FIELD_NAMES: Record<FieldName, string> = {
  deflection: 'Movement',
  stress: 'Stress (von Mises)',
  utilisation: 'Stress over strength',
  pressure: 'Pressure',
  gap: 'Gap',
};
const PLATE = 1;
const SKIN = 2;

/** Spread: how the load goes from base through plate and skin to the bearers, solved as it is drawn. */
@Component({
  selector: 'ms-spread-stage',
  imports: [
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    RouterLink,
    MatIcon,
    MatProgressBar,
    PickField,
    SpreadPlan,
    SpreadSection,
    FieldLegend,
    FiguresCard,
    RestsCard,
    CompareCard,
  ],
  templateUrl: './spread-stage.html',
  styleUrl: './spread-stage.scss',
  providers: [Spreader, Comparer],
  host: { '[class.beside]': "desk.openLink() !== ''" },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SpreadStage {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  protected readonly spreader = inject(Spreader);
  protected readonly comparer = inject(Comparer);
  protected readonly job = computed(() => this.desk.job()!);

  protected readonly sheet = signal<Sheet>('figures');
  private readonly pickedCase = signal('');
  /** The case picked, or the one that governs. */
  protected readonly caseId = computed(() => {
    const cases = casesOf(this.job());
    const own = this.pickedCase();
    if (own === ENVELOPE || cases.some((c) => c.id === own)) return own;
    const v = this.judge.verdict();
    const governing = v?.links.find((l) => l.id === v.weakest)?.caseId;
    return cases.some((c) => c.id === governing) ? governing! : (cases[0]?.id ?? ENVELOPE);
  });
  protected readonly envelope = computed(() => this.caseId() === ENVELOPE);
  protected readonly fieldName = signal<FieldName>('deflection');
  protected readonly layer = signal(SKIN);
  protected readonly face = signal<Face>('top');
  protected readonly wholePanel = signal(true);
  protected readonly probe = signal<Point | null>(null);
  private readonly drawnLine = signal<CutLine | null>(null);
  protected readonly variant = signal('');

  protected readonly noLoad = computed(() => this.job().loads.length === 0);
  protected readonly caution = computed(() => cautionsFor(this.job())[1] ?? '');
  protected readonly cases = computed((): Choice[] => [
    { value: ENVELOPE, label: 'all cases' },
    ...casesOf(this.job()).map((c) => ({ value: c.id, label: c.name })),
  ]);
  protected readonly fields = FIELDS.map((value) => ({ value, label: FIELD_NAMES[value] }));
  protected readonly layers = computed((): Choice[] => {
    const view = this.spreader.answer()?.view;
    const name = this.fieldName();
    if (!view) return [{ value: String(SKIN), label: 'skin' }];
    return name === 'pressure' || name === 'gap'
      ? view.contacts.map((c, i) => ({ value: String(i), label: c.name }))
      : view.layers
          .map((l, i) => ({ value: String(i), label: l.name, strength: l.strength, read: l.top.some((v) => !Number.isNaN(v)) }))
          .filter((l) => l.label !== BED && (name !== 'utilisation' || l.strength > 0) && (name !== 'stress' || l.read));
  });
  /** The layer picked, or the nearest that has this field. */
  protected readonly shownLayer = computed(() => {
    const all = this.layers().map((l) => Number(l.value));
    return all.includes(this.layer()) ? this.layer() : (all.at(-1) ?? SKIN);
  });
  protected readonly hasFace = computed(() => this.fieldName() === 'stress' || this.fieldName() === 'utilisation');
  // The same piece of the plan is the same: a bolt that moves does not have the picture painted anew.
  protected readonly view = computed(() => (this.wholePanel() ? panelView(this.job()) : plateView(this.job())), {
    equal: sameRect,
  });

  protected readonly field = computed(() => {
    const view = this.spreader.answer()?.view;
    return view && fieldOf(view, this.fieldName(), this.shownLayer(), this.face());
  });
  protected readonly scale = computed(() => scaleOf(this.field()));
  protected readonly stale = this.spreader.lagging;

  /** The peak by its own measure and where it was read; never the largest cell of the picture. */
  protected readonly peak = computed(() => {
    const a = this.spreader.answer();
    const f = a && figuresFor(a.figures, this.caseId());
    if (!f || this.stale()) return null;
    const [name, layer] = [this.fieldName(), this.shownLayer()];
    const strength = a.view?.layers[layer]?.strength ?? 0;
    const onBed = this.job().skin.kind === 'bed';
    const stress = layer === SKIN ? f.edgeStress : layer === PLATE ? f.plateStress : layer === 3 ? f.farStress : undefined;
    const by =
      name === 'deflection' && layer === (onBed ? PLATE : SKIN)
        ? f.deflection
        : name === 'stress' || name === 'utilisation'
          ? stress
          : name === 'pressure'
            ? layer === 1
              ? f.pressure
              : layer === 2
                ? f.pressureBelow
                : undefined
            : undefined;
    if (!by || by.value === 0) return null;
    const words =
      name === 'utilisation'
        ? (by.value / strength).toFixed(2)
        : showField(by.value, name === 'deflection' ? 'mm' : 'MPa', this.job().units);
    return { ...by.at, words };
  });

  protected readonly line = computed(
    (): CutLine => {
      const own = this.drawnLine();
      if (own) return own;
      const panel = panelOf(this.job());
      const y = Math.round(this.job().bolts.items[0]?.y ?? 0);
      const plate = outlineOf(this.job());
      return {
        a: { x: Math.round(Math.min(panel.x0, plate.x0)), y },
        b: { x: Math.round(Math.max(panel.x1, plate.x1)), y },
      };
    },
    { equal: (l, m) => l.a.x === m.a.x && l.a.y === m.a.y && l.b.x === m.b.x && l.b.y === m.b.y },
  );

  protected readonly other = computed(() => VARIANTS.find((v) => v.id === this.variant())?.apply(this.job()));
  protected readonly comparing = computed(() => this.sheet() === 'compare' && this.comparer.there() !== null);
  protected readonly both = computed(() => {
    const [here, there] = [this.comparer.here(), this.comparer.there()];
    if (!here?.view || !there?.view) return [];
    const sides = [here, there].map((answer, i) => ({
      name: i === 0 ? 'this layout' : (VARIANTS.find((v) => v.id === this.variant())?.name ?? 'the other'),
      answer,
      field: fieldOf(answer.view!, this.fieldName(), this.shownLayer(), this.face()),
    }));
    const scale = scaleOf(...sides.map((s) => s.field));
    const lifts = sides.flatMap((s) => s.answer.view!.layers.map((l) => l.lift));
    const reach = lifts.reduce((most, l) => l.reduce((m, v) => (Number.isNaN(v) ? m : Math.max(m, Math.abs(v))), most), 0);
    const view = this.wholePanel() ? panelView : plateView;
    return sides.map((s) => ({ ...s, scale, reach, view: view(s.answer.job) }));
  });

  protected readonly state = computed(() => {
    const [a, s] = [this.spreader.answer(), this.spreader.solving()];
    if (s && s.of > 0) return `${s.mesh}: case ${Math.min(s.done + 1, s.of)} of ${s.of}`;
    // In a drag draft follows draft: the words stay.
    if (s) return a?.mesh === s.mesh ? `${a.mesh} mesh, ${a.figures.unknowns} unknowns …` : `${s.mesh} …`;
    if (this.spreader.stopped()) return 'stopped';
    if (!a) return '';
    const error = this.spreader.error();
    const off = error === undefined ? '' : `, draft differs by ${(100 * error).toFixed(0)} %`;
    return `${a.mesh} mesh, ${a.figures.unknowns} unknowns${off}`;
  });
  /** A proof can be asked of what is there, also while a draft follows a drag. */
  protected readonly canProve = computed(() => {
    const [a, s] = [this.spreader.answer(), this.spreader.solving()];
    return a !== null && a.mesh !== 'proof' && s?.mesh !== 'fine' && s?.mesh !== 'proof';
  });
  protected readonly refusalWords = computed(() => {
    const no = this.spreader.refusal();
    return no ? `${fieldWords(no.field)}: ${no.because} — allowed: ${no.allowed}` : '';
  });

  constructor() {
    effect(() => {
      const [job, caseId] = [this.job(), this.caseId()];
      untracked(() => {
        if (job.loads.length > 0) this.spreader.follow(job, caseId);
      });
    });
    // What was compared was compared with the layout as it was.
    effect(() => {
      const job = this.job();
      untracked(() => {
        if (this.comparer.here() && this.comparer.here()!.job !== job) this.comparer.clear();
        const fits = VARIANTS.filter((v) => v.apply(job) !== undefined);
        if (!fits.some((v) => v.id === this.variant())) this.variant.set(fits[0]?.id ?? '');
      });
    });
  }

  protected pickCase(id: string): void {
    this.pickedCase.set(id);
  }

  protected pickField(name: string): void {
    this.fieldName.set(name as FieldName);
    if (name === 'pressure' || name === 'gap') this.layer.set(1);
    else if (this.layer() < 2) this.layer.set(SKIN);
  }

  protected pickVariant(id: string): void {
    this.variant.set(id);
    this.comparer.clear();
  }

  protected compare(): void {
    const other = this.other();
    if (other) this.comparer.compare(this.job(), other, this.caseId());
  }

  protected takeOther(): void {
    const there = this.comparer.there()?.job;
    const name = VARIANTS.find((v) => v.id === this.variant())?.name ?? 'the other layout';
    if (there) this.desk.change(`take ${name}`, () => there);
  }

  protected bolt({ id, at, done }: { id: string; at: Point; done: boolean }): void {
    const plate = outlineOf(this.job());
    const within = (v: number, low: number, high: number) => Math.min(high - 1, Math.max(low + 1, Math.round(v)));
    const [x, y] = [within(at.x, plate.x0, plate.x1), within(at.y, plate.y0, plate.y1)];
    this.desk.drag((job) => moveBolt(job, id, x, y));
    if (done) this.desk.drop(`move ${id}`);
  }

  protected nudge({ id, by }: { id: string; by: Point }): void {
    this.desk.change(`move ${id}`, (job) => {
      const b = job.bolts.items.find((o) => o.id === id)!;
      return moveBolt(job, id, b.x + by.x, b.y + by.y);
    });
  }

  protected moveLine(line: CutLine): void {
    if (line.a.x !== line.b.x || line.a.y !== line.b.y) this.drawnLine.set(line);
  }

  protected solveAgain(): void {
    this.spreader.refine(this.spreader.answer()?.mesh === 'proof' ? 'proof' : 'fine');
  }
}
