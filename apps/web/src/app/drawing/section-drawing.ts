import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output } from '@angular/core';
import { panelOf } from '@core/job/resolve';
import type { Job } from '@core/job/schema';
import { fastenerSize } from '@core/stock/fasteners';
import { metal } from '@core/stock/metals';
import { formatQuantity, type UnitSystem } from '@core/units/format-quantity';

interface Layer {
  readonly part: 'base' | 'plate' | 'skin' | 'backing' | 'bearer';
  readonly x0: number;
  readonly x1: number;
  readonly top: number;
  readonly bottom: number;
  readonly words: string;
}

/** Face that can be dragged to another stock thickness. */
export interface FaceDrag {
  readonly part: 'plate' | 'backing';
  /** Thickness under the pointer, mm. */
  readonly thickness: number;
  readonly done: boolean;
}

const HALF = 62;

/** The stack cut through one bolt, fore and aft, to one scale both ways: head, washer, base, plates, skin, nut, protrusion. */
@Component({
  selector: 'svg[msSection]',
  host: {
    '[attr.viewBox]': 'viewBox()',
    preserveAspectRatio: 'xMidYMid meet',
    role: 'group',
    'aria-label': 'Section through the chosen bolt',
    '(pointermove)': 'move($event)',
    '(pointerup)': 'up($event)',
    '(pointercancel)': 'up($event)',
  },
  template: `
    <svg:defs>
      <svg:pattern id="cut-plate" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><svg:rect width="4" height="4" fill="#2b2a63" /><svg:line x1="0" y1="0" x2="0" y2="4" stroke="#8f92cc" stroke-width="0.7" /></svg:pattern>
      <svg:pattern id="cut-base" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)"><svg:rect width="4" height="4" fill="#55549a" /><svg:line x1="0" y1="0" x2="0" y2="4" stroke="#dfe3f7" stroke-width="0.7" /></svg:pattern>
      <svg:pattern id="cut-skin" width="5" height="2.5" patternUnits="userSpaceOnUse"><svg:rect width="5" height="2.5" fill="#c9d0c3" /><svg:line x1="0" y1="1.2" x2="5" y2="1.2" stroke="#95a291" stroke-width="0.5" /></svg:pattern>
    </svg:defs>
    @for (l of stack().layers; track l.part + l.x0) {
      <svg:rect [attr.x]="l.x0" [attr.y]="l.top" [attr.width]="l.x1 - l.x0" [attr.height]="l.bottom - l.top" [attr.fill]="fill[l.part]" stroke="#1c1a17" stroke-width="0.35" />
    }
    @if (stack().bolt; as b) {
      <svg:g stroke="#5e430c" stroke-width="0.35">
        <svg:rect [attr.x]="b.x - b.hole / 2" [attr.y]="b.under" [attr.width]="b.hole" [attr.height]="b.far - b.under" fill="#f3eee1" stroke="none" />
        <svg:rect [attr.x]="b.x - b.d / 2" [attr.y]="b.under" [attr.width]="b.d" [attr.height]="b.end - b.under" fill="#c99a3c" />
        <svg:path [attr.d]="b.thread" fill="none" stroke-width="0.25" />
        <svg:rect [attr.x]="b.x - b.flats / 2" [attr.y]="b.head" [attr.width]="b.flats" [attr.height]="b.washerTop - b.head" fill="#c99a3c" />
        <svg:rect [attr.x]="b.x - b.nearWasher / 2" [attr.y]="b.washerTop" [attr.width]="b.nearWasher" [attr.height]="b.under - b.washerTop" fill="#dcc389" />
        <svg:rect [attr.x]="b.x - b.farWasher / 2" [attr.y]="b.far" [attr.width]="b.farWasher" [attr.height]="b.nut - b.far" fill="#dcc389" />
        <svg:rect [attr.x]="b.x - b.flats / 2" [attr.y]="b.nut" [attr.width]="b.flats" [attr.height]="b.nutEnd - b.nut" fill="#c99a3c" />
      </svg:g>
      <svg:line [attr.x1]="b.x" [attr.x2]="b.x" [attr.y1]="b.head - 3" [attr.y2]="b.end + 3" stroke="#1c1a17" stroke-width="0.25" stroke-dasharray="4 1 1 1" />
    }
    @for (l of stack().words; track l.part) {
      <svg:text [attr.x]="right() + 3" [attr.y]="l.y" class="words" [attr.font-size]="text()">{{ l.words }}</svg:text>
      <svg:line [attr.x1]="l.edge" [attr.x2]="right() + 2" [attr.y1]="l.mid" [attr.y2]="l.y - text() * 0.32" stroke="#575043" stroke-width="0.25" />
    }
    @for (f of stack().faces; track f.part) {
      <svg:line class="face" tabindex="0" role="slider" [attr.aria-label]="f.label" [attr.aria-valuenow]="f.thickness" aria-valuemin="2" aria-valuemax="30" [attr.aria-valuetext]="f.thickness + ' mm'" [attr.x1]="left()" [attr.x2]="right()" [attr.y1]="f.y" [attr.y2]="f.y" (pointerdown)="down($event, f)" (keydown.arrowUp)="nudge.emit({ part: f.part, by: f.sense }); $event.preventDefault()" (keydown.arrowDown)="nudge.emit({ part: f.part, by: f.sense === 1 ? -1 : 1 }); $event.preventDefault()" />
    }
  `,
  styles: `
    :host {
      display: block;
      width: 100%;
      height: 100%;
      font-family: var(--label);
      touch-action: none;
    }
    .words {
      fill: var(--ink);
      font-weight: 600;
    }
    .face {
      stroke: transparent;
      stroke-width: 3.2;
      cursor: ns-resize;
    }
    .face:hover,
    .face:focus-visible {
      stroke: rgba(156, 58, 20, 0.55);
      outline: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SectionDrawing {
  private readonly svg = inject<ElementRef<SVGSVGElement>>(ElementRef).nativeElement;

  readonly job = input.required<Job>();
  readonly boltId = input('');
  readonly dragged = output<FaceDrag>();
  readonly nudge = output<{ part: 'plate' | 'backing'; by: 1 | -1 }>();

  protected readonly fill = { base: 'url(#cut-base)', plate: 'url(#cut-plate)', skin: 'url(#cut-skin)', backing: 'url(#cut-plate)', bearer: '#77857a' };

  private readonly bolt = computed(() => {
    const { items } = this.job().bolts;
    return items.find((b) => b.id === this.boltId()) ?? items[0];
  });
  protected readonly left = computed(() => (this.bolt()?.x ?? 0) - HALF);
  protected readonly right = computed(() => (this.bolt()?.x ?? 0) + HALF);

  /** z downwards from the plate's near face, since the drawing hangs the stack from it. */
  protected readonly stack = computed(() => {
    const job = this.job();
    const system: UnitSystem = job.units;
    const bolt = this.bolt();
    const size = fastenerSize(job.bolts.size);
    const [l, r] = [this.left(), this.right()];
    const show = (mm: number) => formatQuantity(mm, 'length', system);
    const t = job.plate.thickness.v;
    const skin = job.skin.thickness.v;
    const backing = job.far.kind === 'plate' ? job.far.thickness.v : 0;
    const half = { x: job.base.length.v / 2, y: job.base.width.v / 2 };
    const y = bolt?.y ?? 0;
    const inBaseRow = Math.abs(y) <= half.y;
    const throughBase = bolt !== undefined && inBaseRow && Math.abs(bolt.x) <= half.x;
    const baseT = job.base.thickness.v;
    const cut = (part: Layer['part'], x0: number, x1: number, top: number, bottom: number, words: string): Layer[] =>
      Math.min(x1, r) > Math.max(x0, l) ? [{ part, x0: Math.max(x0, l), x1: Math.min(x1, r), top, bottom, words }] : [];
    const panel = panelOf(job);
    const under = t + skin;
    const layers = [
      ...(inBaseRow ? cut('base', -half.x, half.x, -baseT, 0, `base ${show(baseT)}`) : []),
      ...cut('plate', job.plate.x0, job.plate.x1, 0, t, `plate ${job.plate.thickness.text}, ${metal(job.plate.metal)?.name ?? job.plate.metal}`),
      ...cut('skin', l, r, t, under, `skin ${show(skin)}`),
      ...(backing > 0 && job.far.kind === 'plate' ? cut('backing', job.plate.x0, job.plate.x1, under, under + backing, `backing ${job.far.thickness.text}, ${metal(job.far.metal)?.name ?? job.far.metal}`) : []),
      ...cut('bearer', panel.x1, panel.x1 + 40, under + backing, under + backing + 12, ''),
      ...cut('bearer', panel.x0 - 40, panel.x0, under + backing, under + backing + 12, ''),
    ];
    const headAt = throughBase ? -baseT : 0;
    const far = under + backing;
    const farWasher = job.far.kind === 'large washer' ? size?.largeWasher : size?.washer;
    const nut = far + (farWasher?.thickness ?? 2);
    const nutEnd = nut + (size?.nutHeight ?? 8);
    const end = nutEnd + 2 * (size?.pitch ?? 1.5);
    const head = headAt - (size?.washer.thickness ?? 2) - (size?.headHeight ?? 6);
    const d = size?.d ?? 10;
    const drawn = bolt && {
      x: bolt.x,
      d,
      hole: size?.hole[job.bolts.fit] ?? d + 1,
      flats: size?.acrossFlats ?? 16,
      nearWasher: size?.washer.outside ?? 20,
      farWasher: farWasher?.outside ?? 20,
      head,
      washerTop: headAt - (size?.washer.thickness ?? 2),
      under: headAt,
      far,
      nut,
      nutEnd,
      end,
      thread: Array.from({ length: Math.max(0, Math.floor((end - nutEnd) / 0.9)) }, (_, i) => `M${bolt.x - d / 2} ${nutEnd + 0.6 + i * 0.9}h${d}`).join(''),
    };
    const named = layers.filter((x) => x.words !== '' && (x.part !== 'base' || x.x1 > x.x0));
    const step = this.text() * 1.25;
    const words = named.map((x) => ({ part: x.part, words: x.words, edge: x.x1, mid: (x.top + x.bottom) / 2, y: (x.top + x.bottom) / 2 + this.text() * 0.32 }));
    words.sort((a, b) => a.mid - b.mid).forEach((x, i) => (x.y = i === 0 ? x.y : Math.max(x.y, words[i - 1]!.y + step)));
    const faces = [
      { part: 'plate' as const, y: 0, thickness: t, sense: 1 as const, label: `Plate thickness, ${job.plate.thickness.text}` },
      ...(job.far.kind === 'plate' ? [{ part: 'backing' as const, y: under + backing, thickness: backing, sense: -1 as const, label: `Backing plate thickness, ${job.far.thickness.text}` }] : []),
    ];
    return { layers, bolt: drawn, words, faces, top: Math.min(head, -baseT) - 4, bottom: Math.max(end, words.at(-1)?.y ?? 0) + 4 };
  });

  protected readonly text = computed(() => 5);
  protected readonly viewBox = computed(() => {
    const { top, bottom } = this.stack();
    return `${this.left() - 2} ${top} ${2 * HALF + 80} ${bottom - top}`;
  });

  private held: { part: 'plate' | 'backing'; pointer: number; from: number; scale: number; thickness: number } | null = null;

  protected down(e: PointerEvent, face: { part: 'plate' | 'backing'; thickness: number }): void {
    this.svg.setPointerCapture(e.pointerId);
    // The scale of the start holds for the whole drag, though the drawing grows under the pointer.
    this.held = { part: face.part, pointer: e.pointerId, from: e.clientY, scale: this.svg.getScreenCTM()?.d ?? 1, thickness: face.thickness };
    e.preventDefault();
  }

  protected move(e: PointerEvent): void {
    if (this.held?.pointer === e.pointerId) this.tell(e, false);
  }

  protected up(e: PointerEvent): void {
    if (this.held?.pointer !== e.pointerId) return;
    this.tell(e, true);
    this.held = null;
  }

  private tell(e: PointerEvent, done: boolean): void {
    const { part, from, scale, thickness } = this.held!;
    const way = (e.clientY - from) / scale;
    this.dragged.emit({ part, thickness: Math.max(0.5, thickness + (part === 'plate' ? -way : way)), done });
  }
}
