import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  linkedSignal,
  signal,
  viewChildren,
} from '@angular/core';
import type { Job, Load } from '@core/job/schema';
import type { LoadCase } from '@core/loads/load-case';
import { fromTakeOff, putOf } from '@core/loads/put';
import { builderOf } from '@core/loads/registry';
import { seen, VIEW_NAMES, type Handle, type Shape, type Spot, type Tone, type View } from '@core/loads/sketch';
import { takeOff } from '@core/loads/take-off';
import { formatQuantity } from '@core/units/format-quantity';
import { Desk } from '../job/desk';
import { changeLoad, dragged } from './edits';
import { arrowOf, frameOf, largest, structureIn, type Arrow, type Box } from './load-frame';

interface Drawn {
  readonly view: View;
  readonly name: string;
  readonly box: Box;
  readonly text: number;
  readonly plate: Box;
  readonly skin: Box;
  readonly arrows: readonly Arrow[];
  readonly parts: readonly Spot[];
  readonly centroid: Spot | undefined;
}

const FILLS: Readonly<Record<Tone, string>> = {
  fitting: 'var(--fitting)',
  part: 'var(--fitting-part)',
  person: 'var(--rule-strong)',
  rope: 'none',
  ground: 'none',
};
const STROKES: Readonly<Record<Tone, string>> = {
  fitting: 'var(--drawn-edge)',
  part: 'var(--drawn-edge)',
  person: 'var(--drawn-edge)',
  rope: 'var(--brass-edge)',
  ground: 'var(--rule-strong)',
};

/** The fitting as a simple picture to scale, with the force where it acts; its heights, reaches and angles can be dragged. */
@Component({
  selector: 'ms-load-sketch',
  template: `
    @for (d of drawn(); track d.view.from; let i = $index) {
      <figure>
        <svg
          #sheet
          [attr.viewBox]="d.box.u0 + ' ' + -d.box.w1 + ' ' + (d.box.u1 - d.box.u0) + ' ' + (d.box.w1 - d.box.w0)"
          preserveAspectRatio="xMidYMid meet"
          role="group"
          [attr.aria-label]="builder().name + ' ' + d.name + ', to scale'"
          (pointermove)="move($event, i)"
          (pointerup)="release($event)"
          (pointercancel)="abandon()"
        >
          <rect
            [attr.x]="d.skin.u0"
            [attr.y]="-d.skin.w1"
            [attr.width]="d.skin.u1 - d.skin.u0"
            [attr.height]="d.skin.w1 - d.skin.w0"
            fill="var(--skin)"
            stroke="var(--structure)"
            [attr.stroke-width]="d.text * 0.06"
          />
          <rect
            [attr.x]="d.plate.u0"
            [attr.y]="-d.plate.w1"
            [attr.width]="d.plate.u1 - d.plate.u0"
            [attr.height]="d.plate.w1 - d.plate.w0"
            fill="var(--marking)"
          />
          @for (s of d.view.shapes; track $index) {
            @switch (s.kind) {
              @case ('circle') {
                <circle
                  [attr.cx]="s.at[0]"
                  [attr.cy]="-s.at[1]"
                  [attr.r]="s.r"
                  [attr.fill]="fills[s.tone]"
                  [attr.stroke]="strokes[s.tone]"
                  [attr.stroke-width]="d.text * 0.09"
                />
              }
              @case ('outline') {
                <polygon
                  [attr.points]="points(s)"
                  [attr.fill]="fills[s.tone]"
                  [attr.stroke]="strokes[s.tone]"
                  [attr.stroke-width]="d.text * 0.09"
                />
              }
              @default {
                <polyline
                  [attr.points]="points(s)"
                  fill="none"
                  [attr.stroke]="strokes[s.tone]"
                  [attr.stroke-width]="d.text * (s.tone === 'rope' ? 0.12 : 0.4)"
                />
              }
            }
          }
          @for (p of d.parts; track $index) {
            <rect
              [attr.x]="p[0] - d.text * 0.25"
              [attr.y]="-p[1] - d.text * 0.25"
              [attr.width]="d.text * 0.5"
              [attr.height]="d.text * 0.5"
              fill="var(--paper)"
              stroke="var(--ink)"
              [attr.stroke-width]="d.text * 0.08"
            />
          }
          @if (d.centroid; as c) {
            <g [attr.transform]="'translate(' + c[0] + ' ' + -c[1] + ')'">
              <circle [attr.r]="d.text * 0.55" fill="var(--paper)" stroke="var(--ink)" [attr.stroke-width]="d.text * 0.1" />
              <path [attr.d]="quarters(d.text * 0.55)" fill="var(--ink)" />
            </g>
          }
          @for (a of d.arrows; track $index) {
            <g [attr.opacity]="a.open ? 1 : 0.28">
              <path [attr.d]="a.line" stroke="var(--accent)" [attr.stroke-width]="d.text * (a.open ? 0.24 : 0.16)" fill="none" />
              <polygon [attr.points]="a.head" fill="var(--accent)" />
            </g>
          }
          @for (h of d.view.handles; track h.label) {
            <g
              class="handle"
              tabindex="0"
              role="button"
              [attr.aria-label]="h.label + ' ' + place(h) + ', drag or arrow keys'"
              [attr.transform]="'translate(' + h.at[0] + ' ' + -h.at[1] + ')'"
              (pointerdown)="pick($event, i, h)"
              (keydown)="nudge($event, h)"
            >
              <circle [attr.r]="d.text * 1.3" fill="transparent" />
              <circle [attr.r]="d.text * 0.5" fill="var(--card)" stroke="var(--ink)" [attr.stroke-width]="d.text * 0.16" />
              <circle [attr.r]="d.text * 0.16" fill="var(--ink)" />
              <text
                [attr.x]="(h.at[0] > (d.box.u0 + d.box.u1) / 2 ? -1 : 1) * d.text * 0.85"
                [attr.y]="-d.text * 0.75"
                [attr.text-anchor]="h.at[0] > (d.box.u0 + d.box.u1) / 2 ? 'end' : 'start'"
                [attr.font-size]="d.text * 1.45"
              >
                {{ h.label }}
              </text>
            </g>
          }
        </svg>
        <figcaption>{{ d.name }}</figcaption>
      </figure>
    }
  `,
  styles: `
    :host {
      display: flex;
      gap: 8px;
      min-height: 0;
    }
    figure {
      position: relative;
      flex: 1 1 0;
      min-width: 0;
      margin: 0;
      display: flex;
      border: 1px solid var(--rule);
      background: var(--card);
    }
    svg {
      width: 100%;
      height: 100%;
      min-height: 0;
      font-family: var(--label);
      font-weight: 600;
      touch-action: none;
    }
    figcaption {
      position: absolute;
      left: 6px;
      bottom: 2px;
      font: 600 13px/1.2 var(--label);
      color: var(--ink-soft);
    }
    .handle {
      cursor: grab;
      outline: none;
    }
    .handle:focus-visible circle:nth-child(2) {
      stroke: var(--accent);
      fill: var(--lit-pale);
    }
    text {
      fill: var(--ink);
      paint-order: stroke;
      stroke: var(--card);
      stroke-width: 3px;
      vector-effect: non-scaling-stroke;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadSketch {
  private readonly desk = inject(Desk);
  private readonly sheets = viewChildren<ElementRef<SVGSVGElement>>('sheet');

  readonly job = input.required<Job>();
  readonly load = input.required<Load>();
  readonly cases = input.required<readonly LoadCase[]>();
  readonly open = input('');

  protected readonly fills = FILLS;
  protected readonly strokes = STROKES;
  protected readonly builder = computed(() => builderOf(this.load().kind));
  private readonly held = signal<{ view: number; label: string; pointer: number; moved: boolean } | null>(null);
  private readonly views = computed(() => this.builder().sketch(putOf(this.load())));

  /** The frames stay put while something is dragged. */
  private readonly boxes = linkedSignal<{ fit: readonly Box[]; still: boolean }, readonly Box[]>({
    source: () => ({
      fit: this.views().map((v) => frameOf(v, this.job(), this.load(), this.cases())),
      still: this.held() !== null,
    }),
    computation: ({ fit, still }, before) => (still && before ? before.value : fit),
  });

  protected readonly drawn = computed((): readonly Drawn[] =>
    this.views().map((view, i) => {
      const box = this.boxes()[i]!;
      const size = Math.hypot(box.u1 - box.u0, box.w1 - box.w0);
      const { plate, skin } = structureIn(view, this.job());
      const centre = takeOff(this.load().parts)?.centroid;
      return {
        view,
        name: VIEW_NAMES[view.from],
        box,
        text: size / 38,
        plate,
        skin,
        arrows: [...this.cases()]
          .sort((a, b) => Number(a.id === this.open()) - Number(b.id === this.open()))
          .flatMap((c) => arrowOf(view, c, (0.3 * size) / largest(this.cases()), size / 38, c.id === this.open()) ?? []),
        parts: this.load().parts.map((p) => seen(view.from, { x: p.x.v, y: p.y.v, z: p.z.v })),
        centroid: centre ? seen(view.from, centre) : undefined,
      };
    }),
  );

  protected points(s: Shape): string {
    return s.kind === 'circle' ? '' : s.points.map(([u, w]) => `${u},${-w}`).join(' ');
  }

  protected quarters(r: number): string {
    return `M0 0V${-r}A${r} ${r} 0 0 1 ${r} 0ZM0 0V${r}A${r} ${r} 0 0 1 ${-r} 0Z`;
  }

  protected place(h: Handle): string {
    return Object.entries(h.drag(...h.at))
      .map(([key, v]) => formatQuantity(v!, this.builder().fields[key]!.range.dimension, this.job().units))
      .join(', ');
  }

  private setAll(values: Partial<Record<string, number>>): (j: Job) => Job {
    const { fields } = this.builder();
    const taken = fromTakeOff(this.load());
    return changeLoad(this.load().id, (l) => ({
      ...l,
      values: {
        ...l.values,
        ...Object.fromEntries(
          Object.entries(values)
            .filter(([key]) => !(key in taken))
            .map(([key, v]) => [key, dragged(v!, fields[key]!.range, this.job().units)]),
        ),
      },
    }));
  }

  protected pick(e: PointerEvent, view: number, h: Handle): void {
    if (e.button !== 0) return;
    this.sheets()[view]!.nativeElement.setPointerCapture(e.pointerId);
    this.held.set({ view, label: h.label, pointer: e.pointerId, moved: false });
  }

  protected move(e: PointerEvent, view: number): void {
    const held = this.held();
    if (held?.pointer !== e.pointerId || held.view !== view) return;
    const m = this.sheets()[view]!.nativeElement.getScreenCTM()!;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse());
    const h = this.views()[view]!.handles.find((x) => x.label === held.label);
    if (!h) return;
    held.moved = true;
    this.desk.drag(this.setAll(h.drag(p.x, -p.y)));
  }

  protected release(e: PointerEvent): void {
    const held = this.held();
    if (held?.pointer !== e.pointerId) return;
    this.held.set(null);
    if (held.moved) this.desk.drop(`drag ${held.label}`);
  }

  protected abandon(): void {
    if (!this.held()) return;
    this.held.set(null);
    this.desk.cancelDrag();
  }

  /** Arrow keys on a handle: 1 mm, Shift 10. An angle's handle turns about its own place, so its step follows its reach. */
  protected nudge(e: KeyboardEvent, h: Handle): void {
    if (e.key === 'Escape') return this.abandon();
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
    if (!way) return;
    e.preventDefault();
    const angular = Object.keys(h.drag(...h.at)).some((key) => this.builder().fields[key]!.range.dimension === 'angle');
    const step = (angular ? Math.hypot(...h.at) / 50 : this.job().units === 'inch' ? 25.4 / 16 : 1) * (e.shiftKey ? 10 : 1);
    this.desk.change(`move ${h.label}`, this.setAll(h.drag(h.at[0] + way[0]! * step, h.at[1] + way[1]! * step)));
    this.desk.said.set(
      `${h.label} ${this.place(
        this.views()
          .flatMap((v) => v.handles)
          .find((x) => x.label === h.label) ?? h,
      )}`,
    );
  }
}
