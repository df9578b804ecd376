import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, linkedSignal, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatIcon } from '@angular/material/icon';
import { MatTooltip } from '@angular/material/tooltip';
import type { Rect } from '@core/geometry/points';
import { heightOf, widthOf } from '@core/geometry/rects';
import { outlineOf } from '@core/job/outlines';
import type { Quantity } from '@core/job/schema';
import type { MadeHole } from '@core/job/made-hole';
import { plateHoleChanged } from '@core/job/plate-hole-edits';
import { cornerAt, withCorner, type CornerAt } from '@core/job/shaped';
import { assumed, fromSheet } from '@core/job/values';
import { partList, type ListedPart } from '@core/shop/part-list';
import { formatQuantity } from '@core/units/format-quantity';
import { INCH_PLATE, MM_PLATE, nextThickness, type PlateThickness } from '@core/stock/plate-thicknesses';
import { panelView, PlateDrawing, plateView } from '../drawing/plate-drawing';
import { SectionDrawing, type FaceDrag } from '../drawing/section-drawing';
import { QuantityField } from '../fields/quantity-field';
import { Desk, type Edge, type Picked } from '../job/desk';
import { Judge } from '../job/judge';
import { Commands } from '../keys/run-command';
import { PartCard } from '../parts/part-card';
import { PartSheet } from '../parts/part-sheet';
import { PartsDrawer } from '../parts/parts-drawer';
import { moveBolt, moveEdge, snapBolt, snapEdge, type Snapped } from './edits';
import { CornerCard } from './corner-card';
import { HoleCard } from './hole-card';
import { HolesCard } from './holes-card';
import { PlateHoleCard } from './plate-hole-card';
import { JointCard } from './joint-card';
import { LugCard } from './lug-card';
import { RulesCard } from './rules-card';
import { ShapeCard } from './shape-card';
import { StackCard } from './stack-card';
import { WeldCard } from './weld-card';

const SHEETS = ['stack', 'shape', 'holes', 'joint', 'welds', 'lug', 'rules'] as const;

/** How near, in screen pixels, a dragged thing falls onto a line. */
const REACH = 6;

interface Held {
  readonly what: Picked;
  readonly pointer: number;
  readonly offset: { readonly x: number; readonly y: number };
  moved: boolean;
}

/** Lay out: the true-scale plan with the section under it, everything on it dragged, nudged or typed. */
@Component({
  selector: 'ms-layout-stage',
  imports: [
    CornerCard,
    HoleCard,
    HolesCard,
    JointCard,
    LugCard,
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatIcon,
    MatTooltip,
    PartCard,
    PartSheet,
    PartsDrawer,
    PlateDrawing,
    PlateHoleCard,
    QuantityField,
    RulesCard,
    SectionDrawing,
    ShapeCard,
    StackCard,
    WeldCard,
  ],
  templateUrl: './layout-stage.html',
  styleUrl: './layout-stage.scss',
  host: { '[class.beside]': 'desk.openLink() !== ""' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LayoutStage {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  private readonly commands = inject(Commands);
  private readonly plan = viewChild<string, ElementRef<SVGSVGElement>>('plan', { read: ElementRef });

  protected readonly job = computed(() => this.desk.shown()!);
  protected readonly guides = signal<Snapped['guides']>([]);
  private held: Held | null = null;

  protected readonly sheets = SHEETS;
  protected readonly sheet = signal<(typeof SHEETS)[number]>('stack');

  /** The parts in their drawer, in place of the plan; and the one that is open. */
  protected readonly drawer = signal(false);
  protected readonly partId = signal('');
  /** As it was last, while what is typed cannot be made. */
  protected readonly openPart = linkedSignal<
    { id: string; found: ListedPart | undefined; refused: boolean },
    ListedPart | undefined
  >({
    source: () => {
      const [id, list] = [this.partId(), partList(this.desk.whole()!)];
      const all = 'parts' in list ? list.parts.filter((p) => p.part.id === id) : [];
      const found = all.find((p) => p.feet.includes(this.desk.foot())) ?? all[0];
      return { id, found, refused: 'refusals' in list };
    },
    computation: ({ id, found, refused }, before) => (refused && before?.source.id === id ? before.value : found),
  });

  /** Show the bearers round the plate too. */
  protected readonly wholePanel = signal(false);

  /** The view stands still during a drag and follows afterwards. */
  private readonly dragging = signal(false);
  protected readonly view = linkedSignal<{ fit: Rect; still: boolean }, Rect>({
    source: () => ({ fit: this.wholePanel() ? panelView(this.job()) : plateView(this.job()), still: this.dragging() }),
    computation: ({ fit, still }, before) => (still && before ? before.value : fit),
  });

  protected readonly plate = computed(() => outlineOf(this.job()));
  protected readonly edges: readonly Edge[] = ['x0', 'x1', 'y0', 'y1'];
  protected readonly corners = [
    { x: 'x0', y: 'y0' },
    { x: 'x1', y: 'y0' },
    { x: 'x1', y: 'y1' },
    { x: 'x0', y: 'y1' },
  ] as const;
  protected readonly edgeNames = { x0: 'aft edge', x1: 'fore edge', y0: 'starboard edge', y1: 'port edge' } as const;
  protected readonly text = computed(() => Math.max(widthOf(this.view()) / 50, heightOf(this.view()) / 28));
  protected reachOf(h: MadeHole): number {
    return Math.max(13, h.d.v / 2 + 3, (h.slot?.v ?? 0) / 2 + 3);
  }
  protected readonly pickedBolt = computed(() => {
    const p = this.desk.picked();
    return p?.kind === 'bolt' ? this.job().bolts.items.find((b) => b.id === p.id) : undefined;
  });
  protected readonly sectionBolt = computed(() => this.pickedBolt()?.id ?? this.governingBolt());
  private readonly governingBolt = computed(() => {
    const v = this.judge.verdict();
    const items = this.job().bolts.items;
    const link = v?.links.find((l) => l.id === (this.desk.openLink() || v.weakest));
    if (link && items.some((b) => b.id === link.at)) return link.at;
    // No bolt is named: the hardest-pulled one of the governing case.
    const pulls = v?.shared.find((s) => s.loadCase.id === link?.caseId)?.outOfPlane.tensions ?? [];
    return items[pulls.indexOf(Math.max(...pulls))]?.id ?? items[0]?.id ?? '';
  });
  protected readonly governing = computed(() => {
    const v = this.judge.verdict();
    return v?.links.find((l) => l.id === v.weakest)?.caseName ?? '';
  });
  protected readonly position = (v: number): Quantity => assumed(v, formatQuantity(v, 'length', this.job().units));

  protected show(v: number): string {
    return formatQuantity(v, 'length', this.job().units);
  }

  /** Lines from the picked bolt to the two nearest plate edges, with their lengths. */
  protected readonly dimensions = computed(() => {
    const b = this.pickedBolt();
    if (!b || !this.desk.dimensions()) return [];
    const p = this.plate();
    const nearX = b.x - p.x0 < p.x1 - b.x ? p.x0 : p.x1;
    const nearY = b.y - p.y0 < p.y1 - b.y ? p.y0 : p.y1;
    const t = this.text();
    const [outX, outY] = [nearX === p.x0 ? -1 : 1, nearY === p.y0 ? 1 : -1];
    return [
      {
        x1: b.x,
        y1: -b.y,
        x2: nearX + outX * t,
        y2: -b.y,
        tx: nearX + outX * t * 1.3,
        ty: -b.y + t * 0.35,
        anchor: outX < 0 ? 'end' : 'start',
        words: this.show(Math.abs(b.x - nearX)),
      },
      {
        x1: b.x,
        y1: -b.y,
        x2: b.x,
        y2: -nearY + outY * t,
        tx: b.x,
        ty: -nearY + outY * t * (outY < 0 ? 1.3 : 2.1),
        anchor: 'middle',
        words: this.show(Math.abs(b.y - nearY)),
      },
    ];
  });

  protected boltLabel(id: string, x: number, y: number): string {
    const on = `Bolt ${id}, ${this.show(x)} forward, ${this.show(y)} to port`;
    const v = this.judge.verdict();
    const weakest = v?.links.find((l) => l.id === v.weakest);
    return weakest?.at === id ? `${on}; ${weakest.name} ${weakest.utilisation.toFixed(2)} here` : on;
  }

  protected isPicked(what: Picked): boolean {
    return JSON.stringify(this.desk.picked()) === JSON.stringify(what);
  }

  private millimetres(e: PointerEvent): { x: number; y: number; perPixel: number } {
    const m = this.plan()!.nativeElement.getScreenCTM()!;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse());
    return { x: p.x, y: -p.y, perPixel: 1 / m.a };
  }

  private placeOf(what: Picked): { x: number; y: number } {
    const job = this.job();
    if (what.kind === 'node') return cornerAt(job.plate, what) ?? { x: 0, y: 0 };
    if (what.kind === 'bolt') return job.bolts.items.find((b) => b.id === what.id) ?? { x: 0, y: 0 };
    if (what.kind === 'hole') return job.plate.holes?.find((h) => h.id === what.id) ?? { x: 0, y: 0 };
    if (what.kind === 'corner') return { x: job.plate[what.x], y: job.plate[what.y] };
    return what.edge.startsWith('x') ? { x: job.plate[what.edge], y: 0 } : { x: 0, y: job.plate[what.edge] };
  }

  protected pick(e: PointerEvent, what: Picked): void {
    if (e.button !== 0) return;
    const at = this.millimetres(e);
    const place = this.placeOf(what);
    this.plan()!.nativeElement.setPointerCapture(e.pointerId);
    this.held = { what, pointer: e.pointerId, offset: { x: place.x - at.x, y: place.y - at.y }, moved: false };
    this.dragging.set(true);
    this.desk.picked.set(what);
  }

  protected move(e: PointerEvent): void {
    const held = this.held;
    if (held?.pointer !== e.pointerId) return;
    const at = this.millimetres(e);
    held.moved = true;
    this.place(held.what, at.x + held.offset.x, at.y + held.offset.y, REACH * at.perPixel, e.altKey);
  }

  private place(what: Picked, x: number, y: number, reach: number, fine: boolean): void {
    this.desk.drag((job) => {
      if (what.kind === 'bolt') {
        const s = snapBolt(job, what.id, x, y, reach, fine);
        this.guides.set(s.guides);
        return moveBolt(job, what.id, s.x, s.y);
      }
      if (what.kind === 'node') return withCorner(job, what, { x: onGrid(x, fine), y: onGrid(y, fine) });
      if (what.kind === 'hole') return plateHoleChanged(job, what.id, { x: onGrid(x, fine), y: onGrid(y, fine) });
      if (what.kind === 'corner')
        return moveEdge(
          moveEdge(job, what.x, snapEdge(job, what.x, x, reach, fine)),
          what.y,
          snapEdge(job, what.y, y, reach, fine),
        );
      return moveEdge(job, what.edge, snapEdge(job, what.edge, what.edge.startsWith('x') ? x : y, reach, fine));
    });
  }

  protected release(e: PointerEvent): void {
    if (this.held?.pointer !== e.pointerId) return;
    const { what, moved } = this.held;
    this.held = null;
    this.dragging.set(false);
    this.guides.set([]);
    if (moved) this.desk.drop(`move ${this.nameOf(what)}`);
  }

  protected abandon(): void {
    if (!this.held) return;
    this.held = null;
    this.dragging.set(false);
    this.guides.set([]);
    this.desk.cancelDrag();
  }

  protected nameOf(what: Picked): string {
    if (what.kind === 'hole') return `hole ${what.id}`;
    return what.kind === 'bolt' ? `bolt ${what.id}` : what.kind === 'edge' ? this.edgeNames[what.edge] : 'corner';
  }

  /** Arrow keys on a picked thing: 1 mm, Shift 10, Alt 0.1. */
  protected nudge(e: KeyboardEvent, what: Picked): void {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
    if (e.key === 'Escape') {
      if (this.held) this.abandon();
      else this.desk.picked.set(null);
      return;
    }
    if (e.key === 'Enter') {
      e.preventDefault();
      this.desk.picked.set(what);
      setTimeout(() => document.querySelector<HTMLInputElement>('.exact input')?.select());
      return;
    }
    if (!way) return;
    e.preventDefault();
    const step = e.shiftKey ? 10 : e.altKey ? 0.1 : 1;
    const at = this.placeOf(what);
    const [x, y] = [at.x + way[0]! * step, at.y + way[1]! * step];
    this.desk.change(`nudge ${this.nameOf(what)}`, (job) => {
      if (what.kind === 'bolt') return moveBolt(job, what.id, x, y);
      if (what.kind === 'node') return withCorner(job, what, { x, y });
      if (what.kind === 'hole') return plateHoleChanged(job, what.id, { x: tenth(x), y: tenth(y) });
      if (what.kind === 'corner') return moveEdge(moveEdge(job, what.x, x), what.y, y);
      return moveEdge(job, what.edge, what.edge.startsWith('x') ? x : y);
    });
    this.desk.said.set(`${this.nameOf(what)} ${this.show(x)}, ${this.show(y)}`);
  }

  protected typedEdge(edge: Edge, q: Quantity): void {
    this.desk.change(
      `place ${this.edgeNames[edge]}`,
      (job) => ({ ...job, plate: { ...job.plate, [edge]: q.v } }),
      `edge.${edge}`,
    );
  }

  protected readonly pickedHole = computed(() => {
    const p = this.desk.picked();
    return p?.kind === 'hole' && this.job().plate.holes?.some((h) => h.id === p.id) ? p.id : undefined;
  });
  protected readonly pickedNode = computed((): CornerAt | undefined => {
    const p = this.desk.picked();
    return p?.kind === 'node' && cornerAt(this.job().plate, p) ? p : undefined;
  });
  /** Corners of a drawn outline and of its openings. */
  protected readonly nodes = computed(() => {
    const { outline } = this.job().plate;
    const rings = outline ? [outline.corners, ...outline.openings] : [];
    return rings.flatMap((corners, k) =>
      corners.map((c, index) => {
        const of = k === 0 ? 'outline' : `opening ${k}`;
        const made = c.make === 'sharp' ? '' : `, ${c.make} ${this.show(c.size)}`;
        const label = `Corner ${index + 1} of the ${of}, ${this.show(c.x)} forward, ${this.show(c.y)} to port${made}`;
        const what: Picked = { kind: 'node', ring: k - 1, index };
        return { x: c.x, y: c.y, ring: k - 1, index, what, label };
      }),
    );
  });

  protected readonly pickedEdges = computed((): readonly Edge[] => {
    const p = this.desk.picked();
    return p?.kind === 'edge' ? [p.edge] : p?.kind === 'corner' ? [p.x, p.y] : [];
  });

  /** A dragged face of the section falls on the next stock thickness. */
  protected face(d: FaceDrag): void {
    const stock = this.job().units === 'inch' ? INCH_PLATE : MM_PLATE;
    const nearest = stock.reduce((a, b) => (Math.abs(b.thickness - d.thickness) < Math.abs(a.thickness - d.thickness) ? b : a));
    this.desk.drag((job) => withThickness(job, d.part, nearest));
    if (d.done) this.desk.drop(`${d.part} ${nearest.text}`);
  }

  protected stepFace(s: { part: 'plate' | 'backing'; by: 1 | -1 }): void {
    const job = this.job();
    const from =
      s.part === 'plate'
        ? job.plate.thickness.v
        : job.far.kind === 'plate' || job.far.kind === 'strips'
          ? job.far.thickness.v
          : 0;
    const next = nextThickness(from, s.by, job.units === 'inch' ? INCH_PLATE : MM_PLATE);
    if (next) this.desk.change(`${s.part} ${next.text}`, (j) => withThickness(j, s.part, next));
  }

  protected run(id: 'add-bolt' | 'remove-bolt' | 'mirror' | 'dimensions'): void {
    this.commands.run(id);
  }
}

const tenth = (v: number): number => Math.round(v * 10) / 10 || 0;

/** Whole millimetres, or tenths. */
const onGrid = (v: number, fine: boolean): number => (fine ? Math.round(v * 10) / 10 : Math.round(v)) || 0;

function withThickness(job: Parameters<typeof moveBolt>[0], part: 'plate' | 'backing', t: PlateThickness): typeof job {
  const q = fromSheet(t.thickness, t.text);
  if (part === 'plate') return { ...job, plate: { ...job.plate, thickness: q } };
  return job.far.kind === 'plate' || job.far.kind === 'strips' ? { ...job, far: { ...job.far, thickness: q } } : job;
}
