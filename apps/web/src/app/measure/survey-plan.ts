import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, signal, viewChild } from '@angular/core';
import type { Verdict } from '@core/chain/evaluate';
import type { Point, Rect } from '@core/geometry/points';
import { boundsOf, heightOf, upright, widthOf } from '@core/geometry/rects';
import { outlineOf } from '@core/job/outlines';
import type { Job } from '@core/job/schema';
import { asBuilt, type PlaceName } from '@core/survey/as-built';
import { moved, movedBack, type Move } from '@core/survey/fit-pattern';
import { packersFor, surfaceOf } from '@core/job/packers';
import { formatQuantity } from '@core/units/format-quantity';
import { isRefusal } from '@core/units/refusal';
import { panelView, PlateDrawing, plateView } from '../drawing/plate-drawing';
import { Desk } from '../job/desk';
import type { Surveyed } from '../workers/messages';
import { changePattern, changeSurvey } from './edits';
import { SurveyView } from './survey-view';

export type Sheet = 'base' | 'patterns' | 'as-built' | 'behind' | 'next';

interface Spot extends Point {
  readonly id: string;
}

/** The plan under the survey: patterns laid on each other, what is out of tolerance, gaps and packers, what hides behind. */
@Component({
  selector: 'ms-survey-plan',
  imports: [PlateDrawing],
  templateUrl: './survey-plan.html',
  styleUrl: './survey-plan.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SurveyPlan {
  private readonly desk = inject(Desk);
  protected readonly view = inject(SurveyView);
  private readonly hands = viewChild.required<ElementRef<SVGSVGElement>>('hands');

  readonly job = input.required<Job>();
  readonly verdict = input.required<Verdict | null>();
  readonly surveyed = input.required<Surveyed | null>();
  readonly sheet = input.required<Sheet>();

  private readonly side = computed(() => this.surveyed()?.sides[this.view.side()]);
  private readonly patterns = computed(() => {
    const find = (of: 'fitting' | 'structure') =>
      this.job().survey.patterns.find((p) => p.of === of && p.side === this.view.side());
    return { fitting: find('fitting'), structure: find('structure') };
  });
  /** Sets the fitting on the structure: where they meet best, else by the fit. The plan is in the fitting's axes. */
  private readonly move = computed((): Move | undefined => {
    const m = this.side()?.meeting;
    return m && !isRefusal(m) ? m.move : undefined;
  });

  private inPlan(p: Point): Point {
    const m = this.move();
    return m ? movedBack(p, m) : p;
  }

  protected readonly fitting = computed((): readonly Spot[] => this.patterns().fitting?.holes ?? []);
  protected readonly structure = computed((): readonly Spot[] =>
    (this.patterns().structure?.holes ?? []).map((h) => ({ id: h.id, ...this.inPlan(h) })),
  );
  protected readonly holeOf = computed(() => ({
    fitting: this.patterns().fitting?.hole.v ?? 0,
    structure: this.patterns().structure?.hole.v ?? 0,
  }));
  /** Half of each slot's run. */
  protected readonly runOf = computed(() => {
    const run = (p: { slot: { v: number }; along: 'x' | 'y' } | undefined) => {
      const half = (p?.slot.v ?? 0) / 2;
      return p?.along === 'y' ? { x: 0, y: half } : { x: half, y: 0 };
    };
    return { fitting: run(this.patterns().fitting), structure: run(this.patterns().structure) };
  });

  /** How much the offsets are drawn larger than they are, so that the largest can be seen. */
  protected readonly larger = computed(() => {
    const most = Math.max(0, ...this.offsets().map((o) => o.off));
    const k = most > 0 ? (0.09 * widthOf(this.box())) / most : 1;
    return Math.max(1, [1, 2, 5, 10, 20, 50].filter((n) => n <= k).at(-1) ?? 1);
  });
  protected readonly offsets = computed(() => {
    const m = this.side()?.meeting;
    if (!m || isRefusal(m)) return [];
    const at = new Map(this.fitting().map((h) => [h.id, h]));
    return m.bolts.flatMap((b) => {
      const from = at.get(b.id);
      if (!from) return [];
      const [c, s] = [Math.cos(m.move.theta), Math.sin(m.move.theta)];
      const [dx, dy] = [-b.dx, -b.dy];
      return [
        {
          id: b.id,
          x: from.x,
          y: from.y,
          dx: c * dx + s * dy,
          dy: (m.move.mirrored ? -1 : 1) * (-s * dx + c * dy),
          off: Math.hypot(dx, dy),
          miss: b.miss,
        },
      ];
    });
  });

  protected readonly box = computed((): Rect => {
    const near = plateView(this.job());
    if (this.sheet() === 'base' || this.sheet() === 'next') return panelView(this.job());
    const spots: Point[] = [
      { x: near.x0, y: near.y0 },
      { x: near.x1, y: near.y1 },
    ];
    if (this.sheet() === 'patterns') spots.push(...this.fitting(), ...this.structure());
    if (this.sheet() === 'behind')
      spots.push(
        ...this.job().survey.hidden.flatMap((h) => [
          { x: h.x0, y: h.y0 },
          { x: h.x1, y: h.y1 },
        ]),
        ...this.job().survey.existing,
      );
    return boundsOf(spots, this.sheet() === 'patterns' ? 24 : 8);
  });
  protected readonly viewBox = computed(() => {
    const b = this.box();
    return `${b.x0} ${-b.y1} ${widthOf(b)} ${heightOf(b)}`;
  });
  protected readonly text = computed(() => Math.max(widthOf(this.box()) / 30, heightOf(this.box()) / 24));

  protected readonly shims = computed(() => this.job().survey.shims.map((s) => ({ ...s, words: this.show(s.gap.v) })));
  protected readonly packers = computed(() => {
    const s = surfaceOf(this.job().survey.shims);
    if (isRefusal(s)) return [];
    const at = new Map(this.job().bolts.items.map((b) => [b.id, b]));
    return packersFor(this.job(), s).map((p) => ({
      ...p,
      ...at.get(p.id)!,
      words: this.show(p.thickness),
    }));
  });
  /** Dimensions out of tolerance, at the edge of the plate they were measured on. */
  protected readonly out = computed(() => {
    const { log, sides } = this.job().survey;
    const plate = outlineOf(this.job());
    const band = Math.min(widthOf(plate), heightOf(plate)) * 0.1;
    const edges: Record<PlaceName, Rect> = {
      left: { ...plate, y0: plate.y1, y1: plate.y1 + band },
      right: { ...plate, y0: plate.y0 - band, y1: plate.y0 },
      fore: { ...plate, x0: plate.x1, x1: plate.x1 + band },
      aft: { ...plate, x0: plate.x0 - band, x1: plate.x0 },
    };
    return log
      .map((c) => asBuilt(c, sides === 'pair'))
      .flatMap((f) =>
        f.out.map((p) => ({
          id: `${f.id}-${p}`,
          at: edges[p],
          words: `${f.name} ${f.off[p]! > 0 ? '+' : '−'}${this.show(Math.abs(f.off[p]!))}`,
        })),
      );
  });
  protected readonly zones = computed(() => this.job().survey.hidden.map((h) => ({ ...h, ...upright(h) })));

  protected w = widthOf;
  protected h = heightOf;

  protected show(v: number): string {
    return this.job().units === 'mm' ? `${Number(v.toFixed(v < 10 ? 2 : 1))}` : formatQuantity(v, 'length', 'inch');
  }

  protected label(h: Spot): string {
    return `${h.id}, ${formatQuantity(h.x, 'length', this.job().units)} forward, ${formatQuantity(h.y, 'length', this.job().units)} to port; drag or arrow keys`;
  }

  // Taking hold: a hole of the pattern that is open, or a zone on the sheet of what is behind.

  private readonly held = signal<{
    readonly pointer: number;
    readonly what: 'hole' | 'zone';
    readonly id: string;
    readonly from: Point;
    moved: boolean;
  } | null>(null);

  private at(e: PointerEvent): Point {
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(this.hands().nativeElement.getScreenCTM()!.inverse());
    return { x: p.x, y: -p.y };
  }

  protected pick(e: PointerEvent, what: 'hole' | 'zone', id: string): void {
    if (e.button !== 0) return;
    this.hands().nativeElement.setPointerCapture(e.pointerId);
    this.held.set({ pointer: e.pointerId, what, id, from: this.at(e), moved: false });
  }

  private shifted(what: 'hole' | 'zone', id: string, dx: number, dy: number): (j: Job) => Job {
    const tenth = (v: number) => Math.round(v * 10) / 10;
    if (what === 'zone')
      return changeSurvey((s) => ({
        hidden: s.hidden.map((h) =>
          h.id === id ? { ...h, x0: tenth(h.x0 + dx), x1: tenth(h.x1 + dx), y0: tenth(h.y0 + dy), y1: tenth(h.y1 + dy) } : h,
        ),
      }));
    const p = this.patterns()[this.view.of()];
    const m = this.move();
    // The structure is drawn moved back into the fitting's axes; a drag there is one in its own.
    const own = (at: Point): Point => {
      if (this.view.of() === 'fitting' || !m) return { x: at.x + dx, y: at.y + dy };
      const plan = movedBack(at, m);
      return moved({ x: plan.x + dx, y: plan.y + dy }, m);
    };
    return changePattern(p?.id ?? '', (q) => ({
      ...q,
      from: 'assumed',
      holes: q.holes.map((h) => {
        if (h.id !== id) return h;
        const to = own(h);
        return { id, x: tenth(to.x), y: tenth(to.y) };
      }),
    }));
  }

  protected drag(e: PointerEvent): void {
    const held = this.held();
    if (held?.pointer !== e.pointerId) return;
    const at = this.at(e);
    const step = e.altKey ? 0.1 : 1;
    const [dx, dy] = [Math.round((at.x - held.from.x) / step) * step, Math.round((at.y - held.from.y) / step) * step];
    held.moved ||= dx !== 0 || dy !== 0;
    if (held.moved) this.desk.drag(this.shifted(held.what, held.id, dx, dy));
  }

  protected drop(e: PointerEvent): void {
    const held = this.held();
    if (held?.pointer !== e.pointerId) return;
    this.held.set(null);
    if (held.moved) this.desk.drop(`drag ${held.id}`);
  }

  protected abandon(): void {
    if (!this.held()) return;
    this.held.set(null);
    this.desk.cancelDrag();
  }

  protected nudge(e: KeyboardEvent, what: 'hole' | 'zone', id: string): void {
    if (e.key === 'Escape') return this.abandon();
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
    if (!way) return;
    e.preventDefault();
    e.stopPropagation();
    const step = e.shiftKey ? 10 : e.altKey ? 0.1 : 1;
    this.desk.change(`move ${id}`, this.shifted(what, id, way[0]! * step, way[1]! * step));
    this.desk.said.set(`${id} moved`);
  }
}
