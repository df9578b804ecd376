import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Verdict } from '@core/chain/evaluate';
import { boundsOf, heightOf, upright, widthOf } from '@core/geometry/rects';
import type { Point, Rect } from '@core/geometry/points';
import { stripsOf } from '@core/job/strips';
import { pathData } from '@core/geometry/region';
import { slotLoop } from '@core/geometry/slots';
import { endsOf, holeCut } from '@core/job/made-hole';
import { plain } from '@core/units/quantity';
import { asPlate, farOutlineOf, outlineOf, panelOf } from '@core/job/outlines';
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

/** Words stand towards the middle, and on the other side where they would lie over the base. */
function sideFor(b: Point, reach: number, base: Rect): 1 | -1 {
  const inward = b.x > 0 ? -1 : 1;
  const [from, to] = [Math.min(b.x, b.x + inward * reach), Math.max(b.x, b.x + inward * reach)];
  const over = to > base.x0 && from < base.x1 && b.y > base.y0 && b.y < base.y1;
  const outside = b.x < base.x0 || b.x > base.x1;
  return over && outside ? (inward === 1 ? -1 : 1) : inward;
}

/** The one drawing of the plate: rack, plan and sheets use it, stages lay their own things over it. 1 unit is 1 mm. */
@Component({
  selector: 'svg[msPlate]',
  host: { '[attr.viewBox]': 'viewBox()', preserveAspectRatio: 'xMidYMid meet', class: 'plate-drawing' },
  templateUrl: './plate-drawing.html',
  styles: `
    :host {
      display: block;
      width: 100%;
      height: 100%;
      font-family: var(--label);
    }
    .warned {
      fill: var(--warned);
      font-weight: 600;
      paint-order: stroke;
      stroke: var(--paper);
      stroke-width: 2px;
    }
    .zone-words {
      fill: var(--brass-ink);
      font-weight: 600;
    }
    .scribed {
      fill: var(--chalk);
      font-weight: 600;
      paint-order: stroke;
      stroke: var(--marking-deep);
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
  /** A backing plate cut as the plate is drawn. */
  protected readonly behindDrawn = computed(() => asPlate(this.job()) && this.job().skin.kind !== 'bed');
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
  protected readonly ownHoles = computed(() =>
    (this.job().plate.holes ?? []).map((h) => {
      const cut = holeCut(plain(h));
      const region = { outer: slotLoop(endsOf(cut), cut.d), openings: [] };
      const path = pathData(region, (p) => ({ x: p.x, y: -p.y }), true);
      return { id: h.id, y: h.y, path, beside: Math.max(h.x + 15, ...region.outer.map((v) => v.x + cut.d / 2 + 2)) };
    }),
  );
  protected readonly zones = computed(() =>
    (this.job().survey.zones ?? []).map((z) => ({
      id: z.id,
      ...upright(z),
      words: `${z.id}: ${z.note || z.skin.kind} ${z.skin.thickness.text}`,
    })),
  );
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
        side: sideFor(b, look.washer / 2 + 5 + 3 * this.text(), this.base()),
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
