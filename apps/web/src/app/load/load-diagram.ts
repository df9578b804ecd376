import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { LoadCase } from '@core/loads/cases';
import type { Job } from '@core/job/schema';
import { formatQuantity } from '@core/units/format-quantity';

interface Side {
  readonly title: string;
  readonly baseHalf: number;
  readonly plateFrom: number;
  readonly plateTo: number;
  readonly dx: number;
  readonly dz: number;
  readonly at: number;
}

/** The fitting from the side and from aft, to scale, with the case's force at its own height. */
@Component({
  selector: 'ms-load-diagram',
  template: `
    @for (s of sides(); track s.title) {
      <svg
        [attr.viewBox]="box()"
        preserveAspectRatio="xMidYMax meet"
        role="img"
        [attr.aria-label]="s.title + ': force at ' + height()"
      >
        <rect
          [attr.x]="s.plateFrom"
          y="0"
          [attr.width]="s.plateTo - s.plateFrom"
          [attr.height]="job().plate.thickness.v"
          fill="#2b2a63"
        />
        <rect
          [attr.x]="s.plateFrom - 60"
          [attr.y]="job().plate.thickness.v"
          [attr.width]="s.plateTo - s.plateFrom + 120"
          [attr.height]="job().skin.thickness.v"
          fill="#c9d0c3"
          stroke="#77857a"
          stroke-width="0.6"
        />
        <rect
          [attr.x]="-s.baseHalf"
          [attr.y]="-job().base.thickness.v"
          [attr.width]="2 * s.baseHalf"
          [attr.height]="job().base.thickness.v"
          fill="#55549a"
        />
        @if (z() > 0) {
          <path
            [attr.d]="
              'M' +
              -s.baseHalf * 0.5 +
              ' ' +
              -job().base.thickness.v +
              'L' +
              s.at +
              ' ' +
              -z() +
              'L' +
              s.baseHalf * 0.5 +
              ' ' +
              -job().base.thickness.v +
              'Z'
            "
            fill="#b9b29f"
            stroke="#8d836b"
            stroke-width="0.8"
          />
          <line
            [attr.x1]="s.plateFrom - 22"
            [attr.x2]="s.plateFrom - 22"
            y1="0"
            [attr.y2]="-z()"
            stroke="#1c1a17"
            stroke-width="0.8"
          />
          <line
            [attr.x1]="s.plateFrom - 28"
            [attr.x2]="s.at"
            [attr.y1]="-z()"
            [attr.y2]="-z()"
            stroke="#575043"
            stroke-width="0.5"
            stroke-dasharray="4 3"
          />
          <text [attr.x]="s.plateFrom - 26" [attr.y]="-z() / 2" text-anchor="end" [attr.font-size]="text()">{{ height() }}</text>
        }
        <circle [attr.cx]="s.at" [attr.cy]="-z()" [attr.r]="text() * 0.3" fill="#9c3a14" />
        <line
          [attr.x1]="s.at"
          [attr.y1]="-z()"
          [attr.x2]="s.at + s.dx"
          [attr.y2]="-z() - s.dz"
          stroke="#9c3a14"
          [attr.stroke-width]="text() * 0.28"
        />
        <polygon [attr.points]="head(s)" fill="#9c3a14" />
        <text [attr.x]="s.plateFrom - 60" [attr.y]="top() + text()" [attr.font-size]="text() * 1.05" class="title">
          {{ s.title }}
        </text>
      </svg>
    }
  `,
  styles: `
    :host {
      display: grid !important;
      grid-template-columns: 1fr 1fr;
      gap: 10px;
    }
    svg {
      width: 100%;
      height: 100%;
      min-height: 0;
      font-family: var(--label);
      font-weight: 600;
    }
    text {
      fill: var(--ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadDiagram {
  readonly job = input.required<Job>();
  readonly loadCase = input.required<LoadCase>();

  protected readonly z = computed(() => this.loadCase().at.z);
  protected readonly height = computed(() => formatQuantity(this.z(), 'length', this.job().units));
  private readonly wide = computed(() => {
    const p = this.job().plate;
    return Math.max(-p.x0, p.x1, -p.y0, p.y1, this.z() * 0.6);
  });
  private readonly long = computed(() => this.wide() * 0.9);
  protected readonly top = computed(
    () => -this.z() - Math.max(0.16, ...this.sides().map((s) => s.dz / this.long())) * this.long() - this.text() * 1.4,
  );
  protected readonly text = computed(() => this.wide() / 7);
  protected readonly box = computed(() => {
    const p = this.job().plate;
    const half = this.wide() * 1.65;
    const bottom = p.thickness.v + this.job().skin.thickness.v + 6;
    return `${-half} ${this.top()} ${2 * half} ${bottom - this.top()}`;
  });

  protected readonly sides = computed((): readonly Side[] => {
    const { plate, base } = this.job();
    const c = this.loadCase();
    const f = Math.hypot(c.fx, c.fy, c.fz) || 1;
    const k = this.long() / f;
    return [
      {
        title: 'from starboard',
        baseHalf: base.length.v / 2,
        plateFrom: plate.x0,
        plateTo: plate.x1,
        dx: c.fx * k,
        dz: c.fz * k,
        at: c.at.x,
      },
      {
        title: 'from aft',
        baseHalf: base.width.v / 2,
        plateFrom: -plate.y1,
        plateTo: -plate.y0,
        dx: -c.fy * k,
        dz: c.fz * k,
        at: -c.at.y,
      },
    ];
  });

  /** Arrow head; none where the force points along the line of sight. */
  protected head(s: Side): string {
    const long = Math.hypot(s.dx, s.dz);
    if (long < this.long() * 0.05) return '';
    const u = { x: s.dx / long, y: -s.dz / long };
    const h = this.text() * 0.9;
    const tip = { x: s.at + s.dx + u.x * h * 0.5, y: -this.z() - s.dz + u.y * h * 0.5 };
    const back = { x: tip.x - u.x * h, y: tip.y - u.y * h };
    return [
      tip,
      { x: back.x - u.y * h * 0.5, y: back.y + u.x * h * 0.5 },
      { x: back.x + u.y * h * 0.5, y: back.y - u.x * h * 0.5 },
    ]
      .map((p) => `${p.x.toFixed(1)},${p.y.toFixed(1)}`)
      .join(' ');
  }
}
