import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Lug } from '@core/job/joint';

/** A lug from its face and along its pin, to one scale: what tears, what bends. */
@Component({
  selector: 'ms-lug-drawing',
  template: `
    <svg [attr.viewBox]="view()" role="img" aria-label="The lug from its face, and along its pin">
      <path class="metal" [attr.d]="face()" />
      <circle class="hole" cx="0" cy="0" [attr.r]="lug().hole.v / 2" />
      <circle class="pin" cx="0" [attr.cy]="-(lug().hole.v - lug().pin.v) / 2" [attr.r]="lug().pin.v / 2" />
      <g [attr.transform]="'translate(' + along() + ' 0)'">
        @for (b of boxes(); track $index) {
          <rect [class]="b.of" [attr.x]="b.x" [attr.y]="b.y" [attr.width]="b.w" [attr.height]="b.h" />
        }
      </g>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 118px;
      margin: 4px 0 6px;
      background: var(--marking);
    }
    .metal,
    .lug {
      fill: var(--marking-mid);
      stroke: var(--scribe);
      stroke-width: 1;
      vector-effect: non-scaling-stroke;
    }
    .fork {
      fill: var(--structure);
      stroke: var(--scribe);
      vector-effect: non-scaling-stroke;
    }
    .hole {
      fill: var(--marking-deep);
      stroke: var(--scribe);
      vector-effect: non-scaling-stroke;
    }
    .pin {
      fill: var(--brass);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LugDrawing {
  readonly lug = input.required<Lug>();

  private readonly top = computed(() => this.lug().hole.v / 2 + this.lug().end.v);
  private readonly foot = computed(() => Math.max(this.top(), this.lug().width.v / 2) * 1.2);
  protected readonly along = computed(() => this.lug().width.v / 2 + this.stack() / 2 + this.lug().width.v * 0.35);
  private readonly stack = computed(() => {
    const l = this.lug();
    return l.thickness.v + 2 * l.cheek.v + 2 * l.gap.v + 2 * l.fork.v;
  });

  /** Rounded end in line with the load, straight sides to the foot. */
  protected readonly face = computed(() => {
    const w = this.lug().width.v / 2;
    const top = this.top();
    const r = Math.min(w, top);
    return `M${-w} ${this.foot()}V${-top + r}A${w} ${r} 0 0 1 ${w} ${-top + r}V${this.foot()}Z`;
  });

  protected readonly boxes = computed(() => {
    const l = this.lug();
    const t = l.thickness.v;
    const top = this.top();
    const out: { of: string; x: number; y: number; w: number; h: number }[] = [
      { of: 'lug', x: -t / 2, y: -top, w: t, h: top + this.foot() },
    ];
    const cheek = l.cheek.v;
    if (cheek > 0) for (const x of [-t / 2 - cheek, t / 2]) out.push({ of: 'lug', x, y: -top * 0.8, w: cheek, h: top * 1.6 });
    const inner = t / 2 + cheek + l.gap.v;
    const reach = l.pin.v * 1.1;
    const legs = l.shear === 'single' ? [inner] : [-inner - l.fork.v, inner];
    legs.forEach((x, i) =>
      out.push({
        of: 'fork',
        x,
        y: -reach * 1.8,
        w: l.fork.v,
        h: l.shear === 'single with support tab' && i === 0 ? reach * 2.6 : reach * 2.8,
      }),
    );
    const left = l.shear === 'single' ? -t / 2 - cheek : -inner - l.fork.v;
    out.push({ of: 'pin', x: left - 3, y: -l.pin.v / 2, w: inner + l.fork.v - left + 6, h: l.pin.v });
    return out;
  });

  protected readonly view = computed(() => {
    const l = this.lug();
    const left = -l.width.v / 2 - 6;
    const right = this.along() + this.stack() / 2 + 10;
    return `${left} ${-this.top() - 6} ${right - left} ${this.top() + this.foot() + 10}`;
  });
}
