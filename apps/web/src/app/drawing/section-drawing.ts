import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output } from '@angular/core';
import type { Job } from '@core/job/schema';
import { levelsOf } from './section-levels';
import { sectionOf } from './section-stack';

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
      <svg:pattern id="cut-plate" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <svg:rect width="4" height="4" fill="var(--marking)" />
        <svg:line x1="0" y1="0" x2="0" y2="4" stroke="var(--marking-line)" stroke-width="0.7" />
      </svg:pattern>
      <svg:pattern id="cut-base" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <svg:rect width="4" height="4" fill="var(--marking-mid)" />
        <svg:line x1="0" y1="0" x2="0" y2="4" stroke="var(--scribe)" stroke-width="0.7" />
      </svg:pattern>
      <svg:pattern id="cut-skin" width="5" height="2.5" patternUnits="userSpaceOnUse">
        <svg:rect width="5" height="2.5" fill="var(--skin)" />
        <svg:line x1="0" y1="1.2" x2="5" y2="1.2" stroke="var(--skin-line)" stroke-width="0.5" />
      </svg:pattern>
      <svg:pattern id="cut-core" width="3" height="3" patternUnits="userSpaceOnUse">
        <svg:rect width="3" height="3" fill="var(--core)" />
        <svg:circle cx="0.8" cy="0.8" r="0.45" fill="var(--core-line)" />
        <svg:circle cx="2.3" cy="2.3" r="0.45" fill="var(--core-line)" />
      </svg:pattern>
      <svg:pattern id="cut-tube" width="3" height="3" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <svg:rect width="3" height="3" fill="var(--tube)" />
        <svg:line x1="0" y1="0" x2="0" y2="3" stroke="var(--structure-edge)" stroke-width="0.6" />
      </svg:pattern>
    </svg:defs>
    @for (l of stack().layers; track $index) {
      <svg:rect
        [attr.x]="l.x0"
        [attr.y]="l.top"
        [attr.width]="l.x1 - l.x0"
        [attr.height]="l.bottom - l.top"
        [attr.fill]="fill[l.part]"
        stroke="var(--ink)"
        stroke-width="0.35"
      />
    }
    @if (stack().bolt; as b) {
      <svg:g stroke="var(--brass-edge)" stroke-width="0.35">
        @for (s of holes(); track $index) {
          <svg:path [attr.d]="s.d" fill="var(--hole)" stroke="none" />
        }
        @for (t of stack().round; track t.of) {
          <svg:rect
            [attr.x]="b.x - t.outside / 2"
            [attr.y]="t.top"
            [attr.width]="t.outside"
            [attr.height]="t.bottom - t.top"
            [attr.fill]="t.of === 'plug' ? 'var(--plug)' : 'url(#cut-tube)'"
            stroke="var(--ink)"
          />
          @if (t.wall > 0) {
            <svg:rect
              [attr.x]="b.x - t.outside / 2 + t.wall"
              [attr.y]="t.top"
              [attr.width]="t.outside - 2 * t.wall"
              [attr.height]="t.bottom - t.top"
              fill="var(--hole)"
              stroke="none"
            />
          }
        }
        @for (s of solids(); track $index) {
          <svg:path [attr.d]="s.d" [attr.fill]="made[s.of]" [attr.class]="'bolt-' + s.of" />
        }
        <svg:path [attr.d]="b.thread" fill="none" stroke-width="0.25" />
      </svg:g>
      <svg:line
        [attr.x1]="b.x"
        [attr.x2]="b.x"
        [attr.y1]="b.top - 3"
        [attr.y2]="b.end + 3"
        stroke="var(--ink)"
        stroke-width="0.25"
        stroke-dasharray="4 1 1 1"
      />
    }
    @for (l of stack().words; track $index) {
      <svg:text [attr.x]="right() + 3" [attr.y]="l.y" class="words" [attr.font-size]="text()">{{ l.words }}</svg:text>
      <svg:line
        [attr.x1]="l.edge"
        [attr.x2]="right() + 2"
        [attr.y1]="l.mid"
        [attr.y2]="l.y - text() * 0.32"
        stroke="var(--ink-soft)"
        stroke-width="0.25"
      />
    }
    @for (f of stack().faces; track f.part) {
      <svg:line
        class="face"
        tabindex="0"
        role="slider"
        [attr.aria-label]="f.label"
        [attr.aria-valuenow]="f.thickness"
        aria-valuemin="2"
        aria-valuemax="30"
        [attr.aria-valuetext]="f.thickness + ' mm'"
        [attr.x1]="left()"
        [attr.x2]="right()"
        [attr.y1]="f.y"
        [attr.y2]="f.y"
        (pointerdown)="down($event, f)"
        (keydown.arrowUp)="nudge.emit({ part: f.part, by: f.sense }); $event.preventDefault()"
        (keydown.arrowDown)="nudge.emit({ part: f.part, by: f.sense === 1 ? -1 : 1 }); $event.preventDefault()"
      />
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
      stroke: color-mix(in srgb, var(--accent) 60%, transparent);
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

  protected readonly fill = {
    base: 'url(#cut-base)',
    plate: 'url(#cut-plate)',
    skin: 'url(#cut-skin)',
    packer: 'var(--packer)',
    core: 'url(#cut-core)',
    hollow: 'var(--hole)',
    backing: 'url(#cut-plate)',
    bearer: 'var(--structure)',
    leg: 'var(--marking-mid)',
  };
  protected readonly made = {
    hole: 'var(--hole)',
    shank: 'var(--brass)',
    head: 'var(--brass)',
    nut: 'var(--brass)',
    washer: 'var(--brass-pale)',
    weld: 'var(--weld-fill)',
    insert: 'var(--insert)',
    plain: 'var(--brass-pale)',
  };

  /** Letter height, mm of the section. */
  protected readonly text = computed(() => {
    const { far, skin } = levelsOf(this.job());
    // The far wall of a section is drawn too where bolts go through the near one only.
    return Math.max(5, (Math.max(far, skin + this.job().skin.thickness.v) + 30) / 13);
  });
  private readonly bolt = computed(() => {
    const { items } = this.job().bolts;
    return items.find((b) => b.id === this.boltId()) ?? items[0];
  });
  protected readonly left = computed(() => (this.bolt()?.x ?? 0) - HALF);
  protected readonly right = computed(() => (this.bolt()?.x ?? 0) + HALF);

  protected readonly stack = computed(() => sectionOf(this.job(), this.bolt(), this.left(), this.right(), this.text()));
  protected readonly holes = computed(() => this.stack().bolt?.shapes.filter((s) => s.of === 'hole') ?? []);
  protected readonly solids = computed(() => this.stack().bolt?.shapes.filter((s) => s.of !== 'hole') ?? []);
  protected readonly viewBox = computed(() => {
    const { top, bottom } = this.stack();
    return `${this.left() - 2} ${top} ${2 * HALF + 16 * this.text()} ${bottom - top}`;
  });

  private held: { part: 'plate' | 'backing'; pointer: number; from: number; scale: number; thickness: number } | null = null;

  protected down(e: PointerEvent, face: { part: 'plate' | 'backing'; thickness: number }): void {
    this.svg.setPointerCapture(e.pointerId);
    // The scale of the start holds for the whole drag, though the drawing grows under the pointer.
    this.held = {
      part: face.part,
      pointer: e.pointerId,
      from: e.clientY,
      scale: this.svg.getScreenCTM()?.d ?? 1,
      thickness: face.thickness,
    };
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
