import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  type OnDestroy,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Point, Rect } from '@core/geometry/points';
import { heightOf, widthOf } from '@core/geometry/rects';
import { stripsOf } from '@core/job/strips';
import { outlineOf, panelOf } from '@core/job/outlines';
import type { Job } from '@core/job/schema';
import type { SpreadView } from '@core/spread/view';
import { cutPath } from '../drawing/cut-path';
import { PlateDrawing } from '../drawing/plate-drawing';
import { showAmount } from '../fields/show';
import { contoursOf, levelsOf, paintField, showField, valueAt, type Field, type Scale } from './field-picture';

/** A line to cut the stack along, from a to b on the plan. */
export interface CutLine {
  readonly a: Point;
  readonly b: Point;
}

/** Something held and moved on the plan. */
type Held = { readonly kind: 'bolt'; readonly id: string } | { readonly kind: 'end'; readonly end: 'a' | 'b' };

const OPACITY = 0.86;

/** The true-scale plan with a field laid over it: contours with values, bolts' pulls as bars, bearers' pushes, the line of the section, a probe. */
@Component({
  selector: 'ms-spread-plan',
  imports: [PlateDrawing],
  templateUrl: './spread-plan.html',
  styleUrl: './spread-plan.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SpreadPlan implements OnDestroy {
  readonly job = input.required<Job>();
  readonly view = input.required<Rect>();
  readonly field = input<Field | undefined>();
  readonly scale = input<Scale>({ low: 0, high: 1 });
  readonly spread = input<SpreadView | undefined>();
  /** The picture is of the layout before. */
  readonly stale = input(false);
  readonly line = input<CutLine | null>(null);
  readonly peak = input<(Point & { readonly words: string }) | null>(null);
  readonly probe = input<Point | null>(null);
  /** Without hands: one of two pictures side by side. */
  readonly still = input(false);
  readonly probed = output<Point | null>();
  readonly lineMoved = output<CutLine>();
  readonly boltMoved = output<{ id: string; at: Point; done: boolean }>();
  readonly boltNudged = output<{ id: string; by: Point }>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly hands = viewChild.required<ElementRef<SVGSVGElement>>('hands');
  private readonly size = signal({ width: 0, height: 0 });
  private readonly resized = new ResizeObserver(() =>
    this.size.set({ width: this.host.clientWidth, height: this.host.clientHeight }),
  );
  private held: Held | null = null;

  protected readonly viewBox = computed(() => {
    const v = this.view();
    return `${v.x0} ${-v.y1} ${widthOf(v)} ${heightOf(v)}`;
  });
  /** mm of the plan for each pixel. */
  private readonly perPixel = computed(() => {
    const { width, height } = this.size();
    const v = this.view();
    return width > 0 && height > 0 ? Math.max(widthOf(v) / width, heightOf(v) / height) : 1;
  });
  protected readonly px = (n: number) => n * this.perPixel();
  protected readonly ends = ['a', 'b'] as const;
  protected readonly plate = computed(() => outlineOf(this.job()));
  protected readonly panel = computed(() => panelOf(this.job()));
  /** The plate as it is cut. */
  protected readonly cut = computed(() => cutPath(this.job()));
  protected readonly base = computed((): Rect => {
    const { length, width } = this.job().base;
    return { x0: -length.v / 2, x1: length.v / 2, y0: -width.v / 2, y1: width.v / 2 };
  });
  protected readonly strips = computed(() => stripsOf(this.job()));
  protected readonly contours = computed(() => {
    const f = this.field();
    if (!f || this.stale()) return [];
    // A value that would lie on a bolt's name or on the peak's is left out; its line stays.
    const near = this.px(34);
    const taken = [...this.job().bolts.items, ...(this.peak() ? [this.peak()!] : [])];
    return contoursOf(f, levelsOf(this.scale())).map((c) => ({
      ...c,
      words: taken.some((p) => Math.abs(p.x - c.x) < 2 * near && Math.abs(-p.y - c.y) < near) ? '' : this.show(c.level),
    }));
  });
  protected readonly bolts = computed(() => {
    const pulls = this.stale() ? [] : (this.spread()?.bolts ?? []);
    const most = Math.max(...pulls.map((b) => b.tension), 1e-9);
    return this.job().bolts.items.map((b) => {
      const pull = pulls.find((p) => p.id === b.id)?.tension;
      return {
        ...b,
        pull,
        bar: pull === undefined ? 0 : (pull / most) * 30,
        words: pull === undefined ? '' : showAmount(pull, 'N', this.job().units),
      };
    });
  });
  protected readonly bearers = computed(() => {
    const p = this.panel();
    const [mx, my] = [(p.x0 + p.x1) / 2, (p.y0 + p.y1) / 2];
    const v = this.view();
    const { width } = this.size();
    const [left, right] = [(v.x0 + v.x1 - width * this.perPixel()) / 2, (v.x0 + v.x1 + width * this.perPixel()) / 2];
    // Beside the panel, over the bearers, where there is room for the words; else within it.
    const room = this.px(120);
    const outside = p.x0 - left > room && right - p.x1 > room;
    const at: Record<string, Point> = {
      aft: { x: Math.max(p.x0, left), y: my },
      fore: { x: Math.min(p.x1, right), y: my },
      starboard: { x: mx, y: Math.max(p.y0, v.y0) },
      port: { x: mx, y: Math.min(p.y1, v.y1) },
    };
    if (this.stale()) return [];
    // A bed pushes everywhere: it has no place of its own.
    return (this.spread()?.reactions ?? [])
      .filter((q) => at[q.of])
      .map((q) => ({
        ...q,
        at: at[q.of]!,
        anchor: q.of === 'aft' || q.of === 'fore' ? ((q.of === 'aft') === outside ? 'end' : 'start') : 'middle',
        dx: q.of === 'aft' || q.of === 'fore' ? this.px((q.of === 'aft') === outside ? -6 : 6) : 0,
        words: `${q.of} ${showAmount(Math.abs(q.fz), 'N', this.job().units)} ${q.fz >= 0 ? 'up' : 'down'}`,
      }));
  });
  protected readonly probeWords = computed(() => {
    const [p, f] = [this.probe(), this.field()];
    if (!p || !f || this.stale()) return '';
    const v = valueAt(f, p.x, p.y);
    return Number.isNaN(v) ? 'nothing here' : this.show(v);
  });

  constructor() {
    afterNextRender(() => {
      this.resized.observe(this.host);
      this.size.set({ width: this.host.clientWidth, height: this.host.clientHeight });
    });
    effect(() => this.paint(this.field(), this.scale(), this.view(), this.size()));
  }

  protected show(v: number): string {
    return showField(v, this.field()?.unit ?? '–', this.job().units);
  }

  /** Paints the field pixel by pixel, at the plan's own scale. */
  private paint(f: Field | undefined, scale: Scale, view: Rect, size: { width: number; height: number }): void {
    if (size.width === 0) return;
    const canvas = this.canvas().nativeElement;
    const [w, h] = [Math.max(1, Math.round(size.width / 2)), Math.max(1, Math.round(size.height / 2))];
    canvas.width = w;
    canvas.height = h;
    const context = canvas.getContext('2d');
    if (!context || !f) return;
    const perPixel = Math.max(widthOf(view) / w, heightOf(view) / h);
    const left = (view.x0 + view.x1) / 2 - (w * perPixel) / 2;
    const top = (view.y0 + view.y1) / 2 + (h * perPixel) / 2;
    const image = context.createImageData(w, h);
    paintField(f, scale, { width: w, height: h, left, top, perPixel }, OPACITY, image.data);
    context.putImageData(image, 0, 0);
  }

  private at(e: PointerEvent): Point {
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(this.hands().nativeElement.getScreenCTM()!.inverse());
    return { x: p.x, y: -p.y };
  }

  protected grab(e: PointerEvent, held: Held): void {
    if (this.still()) return;
    e.preventDefault();
    this.held = held;
    this.probed.emit(null);
    this.hands().nativeElement.setPointerCapture(e.pointerId);
  }

  protected move(e: PointerEvent): void {
    const at = this.at(e);
    if (!this.held) this.probed.emit(at);
    else if (this.held.kind === 'bolt') this.boltMoved.emit({ id: this.held.id, at, done: false });
    else this.moveEnd(this.held.end, at);
  }

  protected release(e: PointerEvent): void {
    const held = this.held;
    this.held = null;
    if (held?.kind === 'bolt') this.boltMoved.emit({ id: held.id, at: this.at(e), done: true });
  }

  protected keyOnBolt(e: KeyboardEvent, id: string): void {
    const by = arrow(e);
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    this.boltNudged.emit({ id, by });
  }

  protected keyOnEnd(e: KeyboardEvent, end: 'a' | 'b'): void {
    const [by, line] = [arrow(e), this.line()];
    if (!by || !line) return;
    e.preventDefault();
    e.stopPropagation();
    this.moveEnd(end, { x: line[end].x + 5 * by.x, y: line[end].y + 5 * by.y });
  }

  /** Arrow keys walk the probe over the plan. */
  protected keyOnPlan(e: KeyboardEvent): void {
    const by = arrow(e);
    if (!by || e.target !== e.currentTarget) return;
    e.preventDefault();
    const p = this.probe() ?? { x: 0, y: 0 };
    this.probed.emit({ x: p.x + 5 * by.x, y: p.y + 5 * by.y });
  }

  private moveEnd(end: 'a' | 'b', at: Point): void {
    const line = this.line();
    if (line) this.lineMoved.emit({ ...line, [end]: { x: Math.round(at.x), y: Math.round(at.y) } });
  }

  ngOnDestroy(): void {
    this.resized.disconnect();
  }

  protected w = widthOf;
  protected h = heightOf;
}

/** Millimetres an arrow key stands for: 1, with Shift 10, with Alt a tenth. */
function arrow(e: KeyboardEvent): Point | undefined {
  const k = e.shiftKey ? 10 : e.altKey ? 0.1 : 1;
  if (e.key === 'ArrowLeft') return { x: -k, y: 0 };
  if (e.key === 'ArrowRight') return { x: k, y: 0 };
  if (e.key === 'ArrowUp') return { x: 0, y: k };
  if (e.key === 'ArrowDown') return { x: 0, y: -k };
  return undefined;
}
