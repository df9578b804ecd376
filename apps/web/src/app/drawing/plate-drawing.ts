import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Verdict } from '@core/chain/evaluate';
import { boundsOf, heightOf, upright, widthOf } from '@core/geometry/rects';
import type { Point, Rect } from '@core/geometry/points';
import { stripsOf } from '@core/job/strips';
import { farOutlineOf, outlineOf, panelOf } from '@core/job/outlines';
import type { Job } from '@core/job/schema';
import { formatQuantity } from '@core/units/format-quantity';
import { beadsOf } from './beads';
import { memberInPlan } from './member-in-plan';
import { lookOf } from './bolt-look';
import { cutPath } from './cut-path';
import { legOf, rootOf, withLeg } from './leg-in-plan';

/** Screen y grows downwards; the plan's y grows to port. */
export const flip = (y: number): number => -y;

/** The plate with room round it for dragging. */
export function plateView(job: Job): Rect {
  const plate = withLeg(job);
  return boundsOf(
    [
      { x: plate.x0, y: plate.y0 },
      { x: plate.x1, y: plate.y1 },
    ],
    Math.max(widthOf(plate), heightOf(plate)) * 0.16,
  );
}

/** The plate with the whole panel it stands on and a strip of its bearers. */
export function panelView(job: Job): Rect {
  const near = plateView(job);
  const panel = panelOf(job);
  return {
    x0: Math.min(near.x0, panel.x0 - 14),
    x1: Math.max(near.x1, panel.x1 + 14),
    y0: Math.min(near.y0, panel.y0 - 14),
    y1: Math.max(near.y1, panel.y1 + 14),
  };
}

/** The one drawing of the plate: rack, plan and sheets use it, stages lay their own things over it. 1 unit is 1 mm. */
@Component({
  selector: 'svg[msPlate]',
  host: { '[attr.viewBox]': 'viewBox()', preserveAspectRatio: 'xMidYMid meet', class: 'plate-drawing' },
  template: `
    <svg:defs>
      <svg:pattern [attr.id]="uid + 'bearer'" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <svg:rect width="7" height="7" fill="#8e9a8a" />
        <svg:line x1="0" y1="0" x2="0" y2="7" stroke="#6c7a70" stroke-width="2.5" />
      </svg:pattern>
      <svg:pattern
        [attr.id]="uid + 'skin'"
        [attr.width]="grain().size"
        [attr.height]="grain().size"
        patternUnits="userSpaceOnUse"
      >
        <svg:rect [attr.width]="grain().size" [attr.height]="grain().size" fill="#c9d0c3" />
        <svg:path [attr.d]="grain().d" stroke="#b4beaf" stroke-width="1.2" fill="none" />
      </svg:pattern>
      <svg:pattern [attr.id]="uid + 'keep'" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <svg:line x1="0" y1="0" x2="0" y2="8" stroke="#9c3a14" stroke-width="1.6" />
      </svg:pattern>
      <svg:pattern [attr.id]="uid + 'press'" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <svg:line x1="0" y1="0" x2="0" y2="5" stroke="#dfe3f7" stroke-width="1.1" />
      </svg:pattern>
    </svg:defs>
    <svg:rect x="-12000" y="-12000" width="24000" height="24000" [attr.fill]="'url(#' + uid + 'bearer)'" />
    <svg:rect
      [attr.x]="panel().x0"
      [attr.y]="-panel().y1"
      [attr.width]="w(panel())"
      [attr.height]="h(panel())"
      [attr.fill]="member() ? '#e4e1d3' : 'url(#' + uid + 'skin)'"
      stroke="#5d6b61"
      stroke-width="0.8"
    />
    @if (member(); as m) {
      <svg:rect
        [attr.x]="m.at.x0"
        [attr.y]="-m.at.y1"
        [attr.width]="w(m.at)"
        [attr.height]="h(m.at)"
        [attr.fill]="'url(#' + uid + 'skin)'"
        stroke="#47524a"
        stroke-width="1"
      />
      <svg:path [attr.d]="m.hidden" fill="none" stroke="#47524a" stroke-width="0.9" stroke-dasharray="7 4" />
    }
    @for (s of strips(); track $index) {
      <svg:rect
        [attr.x]="s.x0"
        [attr.y]="-s.y1"
        [attr.width]="w(s)"
        [attr.height]="h(s)"
        fill="none"
        stroke="#47524a"
        stroke-width="0.9"
        stroke-dasharray="5 3"
      />
    }
    @if (job().far.kind === 'plate' && job().skin.kind !== 'bed') {
      <svg:rect
        [attr.x]="behind().x0"
        [attr.y]="-behind().y1"
        [attr.width]="w(behind())"
        [attr.height]="h(behind())"
        [attr.rx]="job().plate.corner"
        fill="none"
        stroke="#47524a"
        stroke-width="0.9"
        stroke-dasharray="5 3"
      />
    }
    <svg:path class="plate" [attr.d]="cut()" fill-rule="evenodd" fill="#2b2a63" stroke="#16153a" stroke-width="1.2" />
    @if (leg(); as l) {
      <svg:g class="leg">
        @if (job().plate.corner > 0) {
          <svg:path [attr.d]="root()" fill="#2b2a63" stroke="#16153a" stroke-width="1.2" />
        }
        <svg:rect
          [attr.x]="l.x0"
          [attr.y]="-l.y1"
          [attr.width]="w(l)"
          [attr.height]="h(l)"
          fill="#4a4994"
          stroke="#16153a"
          stroke-width="1.2"
        />
        @if (labels()) {
          <svg:text
            [attr.x]="(l.x0 + l.x1) / 2"
            [attr.y]="-(l.y0 + l.y1) / 2"
            [attr.font-size]="text() * 0.85"
            [attr.transform]="w(l) < h(l) ? 'rotate(-90 ' + (l.x0 + l.x1) / 2 + ' ' + -(l.y0 + l.y1) / 2 + ')' : null"
            text-anchor="middle"
            dominant-baseline="central"
            class="scribed"
          >
            bent up {{ legHeight() }}
          </svg:text>
        }
      </svg:g>
    }
    <svg:g stroke="#dfe3f7" stroke-width="0.5" opacity="0.55" stroke-dasharray="9 2 2 2" fill="none">
      <svg:line [attr.x1]="plate().x0" [attr.x2]="plate().x1" y1="0" y2="0" />
      <svg:line x1="0" x2="0" [attr.y1]="-plate().y0" [attr.y2]="-plate().y1" />
    </svg:g>
    <svg:rect
      [attr.x]="base().x0"
      [attr.y]="-base().y1"
      [attr.width]="w(base())"
      [attr.height]="h(base())"
      fill="#3d3c7d"
      stroke="#dfe3f7"
      stroke-width="0.9"
    />
    @if (pressed()) {
      <svg:polygon
        [attr.points]="pressed()"
        [attr.fill]="'url(#' + uid + 'press)'"
        stroke="#dfe3f7"
        stroke-width="0.5"
        stroke-dasharray="2 2"
        opacity="0.75"
      />
    }
    @for (bead of beads(); track $index) {
      <svg:polyline
        class="bead"
        [attr.points]="bead"
        fill="none"
        stroke="#e9c46a"
        stroke-width="4.5"
        stroke-dasharray="1.3 1.2"
      />
    }
    @for (hole of job().base.holes; track hole.id) {
      <svg:rect
        [attr.x]="hole.x - holeD(hole) / 2 - run().x"
        [attr.y]="-hole.y - holeD(hole) / 2 - run().y"
        [attr.width]="holeD(hole) + 2 * run().x"
        [attr.height]="holeD(hole) + 2 * run().y"
        [attr.rx]="holeD(hole) / 2"
        fill="#201f4d"
        stroke="#dfe3f7"
        stroke-width="0.5"
      />
    }
    @for (e of job().survey.existing; track e.id) {
      <svg:g class="existing" [attr.transform]="'translate(' + e.x + ' ' + -e.y + ')'">
        <svg:circle
          [attr.r]="e.d.v / 2"
          [attr.fill]="e.use === 're-use' ? '#fbf8f0' : 'url(#' + uid + 'keep)'"
          stroke="#fbf8f0"
          stroke-width="1.1"
          [attr.stroke-dasharray]="e.use === 'fill' ? '2 2' : null"
        />
        @if (labels()) {
          <svg:text [attr.x]="e.d.v / 2 + 2" [attr.y]="text() * 0.35" [attr.font-size]="text() * 0.85" class="scribed">
            {{ e.id }} {{ e.use }}
          </svg:text>
        }
      </svg:g>
    }
    @for (k of job().survey.hidden; track k.id) {
      <svg:g class="hidden">
        <svg:rect
          [attr.x]="zone(k).x0 - k.clear.v"
          [attr.y]="-zone(k).y1 - k.clear.v"
          [attr.width]="w(zone(k)) + 2 * k.clear.v"
          [attr.height]="h(zone(k)) + 2 * k.clear.v"
          [attr.rx]="k.clear.v"
          fill="none"
          stroke="#9c3a14"
          stroke-width="1"
          stroke-dasharray="5 3"
        />
        <svg:rect
          [attr.x]="zone(k).x0"
          [attr.y]="-zone(k).y1"
          [attr.width]="w(zone(k))"
          [attr.height]="h(zone(k))"
          [attr.fill]="'url(#' + uid + 'keep)'"
          stroke="#9c3a14"
          stroke-width="0.8"
        />
        @if (labels()) {
          <svg:text
            [attr.x]="zone(k).x1 + k.clear.v + 2"
            [attr.y]="-zone(k).y1 + text() * 1.2"
            [attr.font-size]="text()"
            class="warned"
          >
            {{ k.what }}
          </svg:text>
        }
      </svg:g>
    }
    @for (b of bolts(); track b.id) {
      <svg:g [attr.transform]="'translate(' + b.x + ' ' + -b.y + ')'">
        <svg:path [attr.d]="b.look.run" stroke="#dfe3f7" [attr.stroke-width]="b.look.hole + 1.2" stroke-linecap="round" />
        <svg:path [attr.d]="b.look.run" stroke="#16153a" [attr.stroke-width]="b.look.hole" stroke-linecap="round" />
        <svg:circle [attr.r]="b.look.washer / 2" fill="#dcc389" stroke="#7d5a15" stroke-width="0.6" />
        <svg:polygon [attr.points]="b.look.hexagon" fill="#c99a3c" stroke="#5e430c" stroke-width="0.7" />
        <svg:path [attr.d]="b.look.cross" stroke="#16153a" stroke-width="0.7" fill="none" />
        @if (b.share > 0 && labels()) {
          <svg:circle
            [attr.r]="b.look.washer / 2 + 2.5"
            fill="none"
            stroke="#f3eee1"
            [attr.stroke-width]="2.4"
            [attr.stroke-dasharray]="b.arc"
            transform="rotate(-90)"
          />
        }
        @if (labels()) {
          <svg:text
            [attr.x]="b.side * (b.look.washer / 2 + 5)"
            [attr.text-anchor]="b.side > 0 ? 'start' : 'end'"
            [attr.y]="b.percent > 0 ? -1 : text() * 0.35"
            [attr.font-size]="text()"
            class="scribed"
          >
            {{ b.id }}
          </svg:text>
          @if (b.percent > 0) {
            <svg:text
              [attr.x]="b.side * (b.look.washer / 2 + 5)"
              [attr.text-anchor]="b.side > 0 ? 'start' : 'end'"
              [attr.y]="text() * 0.9"
              [attr.font-size]="text() * 0.88"
              class="scribed"
            >
              {{ b.percent }} %
            </svg:text>
          }
        }
      </svg:g>
    }
    @if (arrow(); as a) {
      <svg:g class="arrow">
        <svg:line [attr.x1]="0" y1="0" [attr.x2]="a.x" [attr.y2]="a.y" stroke="#fbf8f0" stroke-width="3" />
        <svg:polygon [attr.points]="a.head" fill="#fbf8f0" />
      </svg:g>
    }
  `,
  styles: `
    :host {
      display: block;
      width: 100%;
      height: 100%;
      font-family: var(--label);
    }
    .warned {
      fill: #6d270c;
      font-weight: 600;
      paint-order: stroke;
      stroke: #f3eee1;
      stroke-width: 2px;
    }
    .scribed {
      fill: #ffffff;
      font-weight: 600;
      paint-order: stroke;
      stroke: #201f4d;
      stroke-width: 1.6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlateDrawing {
  private static made = 0;
  protected readonly uid = `pd${++PlateDrawing.made}-`;

  readonly job = input.required<Job>();
  readonly verdict = input<Verdict | null>(null);
  /** Case whose sharing is drawn; the weakest link's when empty. */
  readonly caseId = input('');
  readonly labels = input(true);
  readonly fixedView = input<Rect | null>(null);

  readonly view = computed(() => this.fixedView() ?? plateView(this.job()));
  protected readonly viewBox = computed(() => {
    const v = this.view();
    return `${v.x0} ${-v.y1} ${widthOf(v)} ${heightOf(v)}`;
  });
  protected readonly plate = computed(() => outlineOf(this.job()));
  /** The plate as it is cut. */
  protected readonly cut = computed(() => cutPath(this.job()));
  /** As large as the plate it is drawn a little aside, so that its dashes show. */
  protected readonly behind = computed((): Rect => {
    const o = farOutlineOf(this.job());
    const aside = o.x0 === this.plate().x0 ? 3 : 0;
    return { x0: o.x0 + aside, x1: o.x1 + aside, y0: o.y0 - aside, y1: o.y1 - aside };
  });
  protected readonly leg = computed(() => legOf(this.job()));
  protected readonly root = computed(() => rootOf(this.job()));
  protected readonly legHeight = computed(() => {
    const { plate, units } = this.job();
    return plate.fold ? formatQuantity(plate.fold.height.v, 'length', units) : '';
  });
  protected readonly strips = computed(() => stripsOf(this.job()));
  protected readonly panel = computed(() => panelOf(this.job()));
  protected readonly member = computed(() => memberInPlan(this.job()));
  protected readonly base = computed((): Rect => {
    const { length, width } = this.job().base;
    return { x0: -length.v / 2, x1: length.v / 2, y0: -width.v / 2, y1: width.v / 2 };
  });
  /** Half the slot's run each way. */
  protected readonly run = computed(() => {
    const half = this.job().base.slot.v / 2;
    return this.job().base.slotAlong === 'x' ? { x: half, y: 0 } : { x: 0, y: half };
  });
  protected holeD(hole: Job['base']['holes'][number]): number {
    return (hole.d ?? this.job().base.hole).v;
  }
  protected readonly text = computed(() => Math.max(widthOf(this.view()) / 48, heightOf(this.view()) / 26));

  protected readonly grain = computed(() => {
    const kind = this.job().skin.kind;
    if (kind === 'plywood') return { size: 12, d: 'M0 4C4 2.5 8 5.5 12 4M0 9.5H12' };
    if (kind === 'laminate') return { size: 10, d: 'M0 0L10 10M10 0L0 10' };
    return { size: 16, d: 'M0 8H16' };
  });

  private readonly drawnCase = computed(() => {
    const v = this.verdict();
    if (!v) return undefined;
    const id = this.caseId() || v.links.find((l) => l.id === v.weakest)?.caseId;
    return v.shared.find((s) => s.loadCase.id === id);
  });

  /** Bolts with their share of the pull (or of the shear, where nothing pulls), in per cent of all. */
  protected readonly bolts = computed(() => {
    const s = this.drawnCase();
    const items = this.job().bolts.items;
    const pulls = s && s.outOfPlane.tensions.length === items.length ? s.outOfPlane.tensions : [];
    const total = pulls.reduce((a, b) => a + b, 0);
    return items.map((b, i) => {
      const look = lookOf(this.job(), b);
      const round = 2 * Math.PI * (look.washer / 2 + 2.5);
      const share = total > 0 ? pulls[i]! / total : 0;
      return {
        ...b,
        look,
        share,
        percent: Math.round(share * 100),
        side: b.x > 0 ? -1 : 1,
        arc: `${(share * round).toFixed(2)} ${round.toFixed(2)}`,
      };
    });
  });

  protected readonly beads = computed(() => beadsOf(this.job()).map(points));

  protected readonly pressed = computed(() => points(this.drawnCase()?.outOfPlane.pressed ?? []));

  protected readonly arrow = computed(() => {
    const c = this.drawnCase()?.loadCase;
    const f = c ? Math.hypot(c.fx, c.fy) : 0;
    if (!c || !this.labels() || f < 1) return undefined;
    const long = 0.36 * Math.min(widthOf(this.view()), heightOf(this.view()));
    const u = { x: c.fx / f, y: -c.fy / f };
    const tip = { x: u.x * long, y: u.y * long };
    const back = { x: tip.x - u.x * 9, y: tip.y - u.y * 9 };
    const head = [tip, { x: back.x - u.y * 5, y: back.y + u.x * 5 }, { x: back.x + u.y * 5, y: back.y - u.x * 5 }];
    return { x: back.x, y: back.y, head: head.map((p) => `${p.x.toFixed(1)},${p.y.toFixed(1)}`).join(' ') };
  });

  protected zone = upright;
  protected w = widthOf;
  protected h = heightOf;
}

const points = (list: readonly Point[]) => list.map((p) => `${p.x.toFixed(2)},${flip(p.y).toFixed(2)}`).join(' ');
