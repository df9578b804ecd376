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

interface Box {
  readonly u0: number;
  readonly u1: number;
  readonly w0: number;
  readonly w1: number;
}

interface Arrow {
  readonly line: string;
  readonly head: string;
  readonly open: boolean;
}

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
  fitting: '#cfc6ae',
  part: '#a99f85',
  person: '#8d836b',
  rope: 'none',
  ground: 'none',
};
const STROKES: Readonly<Record<Tone, string>> = {
  fitting: '#5d5543',
  part: '#5d5543',
  person: '#5d5543',
  rope: '#7d5a15',
  ground: '#8d836b',
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
            fill="#c9d0c3"
            stroke="#77857a"
            [attr.stroke-width]="d.text * 0.06"
          />
          <rect
            [attr.x]="d.plate.u0"
            [attr.y]="-d.plate.w1"
            [attr.width]="d.plate.u1 - d.plate.u0"
            [attr.height]="d.plate.w1 - d.plate.w0"
            fill="#2b2a63"
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
              fill="#f3eee1"
              stroke="#1c1a17"
              [attr.stroke-width]="d.text * 0.08"
            />
          }
          @if (d.centroid; as c) {
            <g [attr.transform]="'translate(' + c[0] + ' ' + -c[1] + ')'">
              <circle [attr.r]="d.text * 0.55" fill="#f3eee1" stroke="#1c1a17" [attr.stroke-width]="d.text * 0.1" />
              <path [attr.d]="quarters(d.text * 0.55)" fill="#1c1a17" />
            </g>
          }
          @for (a of d.arrows; track $index) {
            <g [attr.opacity]="a.open ? 1 : 0.28">
              <path [attr.d]="a.line" stroke="#9c3a14" [attr.stroke-width]="d.text * (a.open ? 0.24 : 0.16)" fill="none" />
              <polygon [attr.points]="a.head" fill="#9c3a14" />
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
              <circle [attr.r]="d.text * 0.5" fill="#fbf8f0" stroke="#1c1a17" [attr.stroke-width]="d.text * 0.16" />
              <circle [attr.r]="d.text * 0.16" fill="#1c1a17" />
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
      background: #fbf8f0;
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
      fill: #ffe9b8;
    }
    text {
      fill: var(--ink);
      paint-order: stroke;
      stroke: #fbf8f0;
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
    source: () => ({ fit: this.views().map((v) => this.boxOf(v)), still: this.held() !== null }),
    computation: ({ fit, still }, before) => (still && before ? before.value : fit),
  });

  protected readonly drawn = computed((): readonly Drawn[] =>
    this.views().map((view, i) => {
      const box = this.boxes()[i]!;
      const size = Math.hypot(box.u1 - box.u0, box.w1 - box.w0);
      const { plate, skin } = this.structure(view);
      const most = Math.max(1, ...this.cases().map((c) => Math.hypot(c.fx, c.fy, c.fz)));
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
          .flatMap((c) => this.arrow(view, c, (0.3 * size) / most, size / 38)),
        parts: this.load().parts.map((p) => seen(view.from, { x: p.x.v, y: p.y.v, z: p.z.v })),
        centroid: centre ? seen(view.from, centre) : undefined,
      };
    }),
  );

  private structure(view: View): { plate: Box; skin: Box } {
    const { plate, skin } = this.job();
    const room = 0.35 * (plate.x1 - plate.x0);
    const corners = (grow: number, z0: number, z1: number) => {
      const spots = [plate.x0 - grow, plate.x1 + grow].flatMap((x) =>
        [plate.y0 - grow, plate.y1 + grow].flatMap((y) => [z0, z1].map((z) => seen(view.from, { x, y, z }))),
      );
      return around(spots);
    };
    const t = plate.thickness.v;
    return { plate: corners(0, -t, 0), skin: corners(room, -t - skin.thickness.v, -t) };
  }

  private boxOf(view: View): Box {
    const { plate, skin } = this.structure(view);
    const spots: Spot[] = [
      [plate.u0, plate.w0],
      [plate.u1, plate.w1],
      [skin.u0, skin.w0],
      [skin.u1, skin.w1],
      ...view.shapes.flatMap((s): Spot[] =>
        s.kind === 'circle'
          ? [
              [s.at[0] - s.r, s.at[1] - s.r],
              [s.at[0] + s.r, s.at[1] + s.r],
            ]
          : [...s.points],
      ),
      ...view.handles.map((h) => h.at),
      ...this.load().parts.map((p) => seen(view.from, { x: p.x.v, y: p.y.v, z: p.z.v })),
    ];
    const b = around(spots);
    const size = Math.hypot(b.u1 - b.u0, b.w1 - b.w0);
    const tips = this.cases().flatMap((c): Spot[] => {
      const most = Math.max(1, ...this.cases().map((k) => Math.hypot(k.fx, k.fy, k.fz)));
      const at = seen(view.from, c.at);
      const f = seen(view.from, { x: c.fx, y: c.fy, z: c.fz });
      return [[at[0] + (f[0] * 0.38 * size) / most, at[1] + (f[1] * 0.38 * size) / most]];
    });
    const all = around([...spots, ...tips]);
    const pad = size * 0.05;
    return { u0: all.u0 - pad, u1: all.u1 + pad, w0: all.w0 - pad, w1: all.w1 + pad };
  }

  private arrow(view: View, c: LoadCase, scale: number, text: number): Arrow[] {
    const [u, w] = seen(view.from, c.at);
    const f = seen(view.from, { x: c.fx, y: c.fy, z: c.fz });
    const [du, dw] = [f[0] * scale, -f[1] * scale];
    const long = Math.hypot(du, dw);
    if (long < text) return [];
    const [a, b] = [du / long, dw / long];
    const tip = [u + du, -w + dw] as const;
    const back = [tip[0] - a * text * 1.1, tip[1] - b * text * 1.1] as const;
    return [
      {
        line: `M${u} ${-w}L${back[0]} ${back[1]}`,
        head: `${tip[0]},${tip[1]} ${back[0] - b * text * 0.45},${back[1] + a * text * 0.45} ${back[0] + b * text * 0.45},${back[1] - a * text * 0.45}`,
        open: c.id === this.open(),
      },
    ];
  }

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

function around(spots: readonly Spot[]): Box {
  const u = spots.map((s) => s[0]);
  const w = spots.map((s) => s[1]);
  return { u0: Math.min(...u), u1: Math.max(...u), w0: Math.min(...w), w1: Math.max(...w) };
}
