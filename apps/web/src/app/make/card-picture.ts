import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Point } from '@core/geometry/points';
import { pathData } from '@core/geometry/region';
import type { Picture, Shape } from '@core/shop/cards/card';

const down = (p: Point): Point => ({ x: p.x, y: -p.y });

/** A picture of a card, to scale, as marked-out metal. */
@Component({
  selector: 'svg[msCardPicture]',
  host: { '[attr.viewBox]': 'viewBox()', preserveAspectRatio: 'xMidYMid meet', role: 'img' },
  template: `
    @for (s of drawn(); track $index) {
      @if (s.d) {
        <svg:path [attr.d]="s.d" [attr.class]="s.look" vector-effect="non-scaling-stroke" />
      } @else if (s.r) {
        <svg:circle class="hole" [attr.cx]="s.x" [attr.cy]="s.y" [attr.r]="s.r" vector-effect="non-scaling-stroke" />
      } @else {
        <svg:text [attr.class]="s.look" [attr.x]="s.x" [attr.y]="s.y" [attr.font-size]="s.size">{{ s.text }}</svg:text>
      }
    }
  `,
  styles: `
    path {
      fill: none;
      stroke: var(--brass-pale);
      stroke-width: 1.2;
    }
    .metal {
      fill: var(--marking);
      stroke: var(--marking-edge);
      fill-rule: evenodd;
    }
    .sheet,
    .offcut,
    .base {
      fill: var(--blank);
      stroke: var(--rule-strong);
    }
    .dash {
      stroke-dasharray: 4 3;
    }
    .weld {
      stroke: var(--lit);
      stroke-width: 4;
    }
    .hole {
      fill: var(--chalk);
      stroke: var(--scribe);
    }
    text {
      fill: var(--chalk);
      font-family: var(--label);
      font-weight: 600;
      text-anchor: middle;
      dominant-baseline: central;
    }
    text.dark {
      fill: var(--ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CardPicture {
  readonly picture = input.required<Picture>({ alias: 'msCardPicture' });

  protected readonly viewBox = computed(() => {
    const { x0, x1, y0, y1 } = this.picture().bounds;
    return `${x0} ${-y1} ${x1 - x0} ${y1 - y0}`;
  });
  protected readonly drawn = computed(() => this.picture().shapes.map(drawn));
}

function drawn(s: Shape): { d?: string; look?: string; x?: number; y?: number; r?: number; size?: number; text?: string } {
  if ('region' in s) return { d: pathData(s.region, down, true), look: s.look };
  if ('line' in s) return { d: `M${s.line.map((p) => `${p.x} ${-p.y}`).join('L')}`, look: s.look };
  if ('hole' in s) return { x: s.hole.x, y: -s.hole.y, r: s.d / 2 };
  return { x: s.at.x, y: -s.at.y, size: s.size, text: s.text, look: s.dark ? 'dark' : 'light' };
}
