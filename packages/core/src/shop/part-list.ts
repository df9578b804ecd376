import { regionArea, regionCentroid, cutLength } from '../geometry/region';
import { heightOf, widthOf } from '../geometry/rects';
import type { Point } from '../geometry/points';
import { atFoot, drawnBy } from '../job/at-foot';
import { isResolved, resolve } from '../job/resolve';
import type { Job } from '../job/schema';
import type { Foot, WholeJob } from '../job/whole-job';
import { formatQuantity, type UnitSystem } from '../units/format-quantity';
import type { Refusal } from '../units/refusal';
import { cutParts, holeArea, partMass, type CutHole, type CutPart } from './cut-parts';

/** Added to the mark of a piece of the other hand. */
export const OTHER_HAND = '′';

/** A part with what is made of it over all feet. */
export interface ListedPart {
  readonly mark: string;
  readonly name: string;
  /** Pieces as drawn, and of the other hand. */
  readonly count: number;
  readonly mirrored: number;
  readonly stock: string;
  /** Of one flat piece less its holes, mm². */
  readonly area: number;
  /** Outline and openings, mm. */
  readonly perimeter: number;
  readonly centroid: Point;
  /** One piece, kg. */
  readonly mass: number;
  /** Of the flat blank, mm. */
  readonly length: number;
  readonly width: number;
  readonly holes: readonly CutHole[];
  readonly feet: readonly string[];
  readonly part: CutPart;
}

/** Plate by its metal and its thickness, in the job’s own unit: what it is bought and kept by. */
export const plateStock = ({ metal, thickness }: Pick<CutPart, 'metal' | 'thickness'>, units: UnitSystem): string =>
  `${metal.name}, ${formatQuantity(thickness, 'length', units)}`;

/** A fitting on one foot that is measured as a left and right pair is made once for each hand; feet say for themselves how many they are. */
export const handsOf = (whole: Pick<WholeJob, 'feet'>, job: Pick<Job, 'survey'>): 1 | 2 =>
  whole.feet.length === 1 && job.survey.sides === 'pair' ? 2 : 1;

/** Every part of a job once, counted over the feet that are made alike: each design's parts in the order its feet stand. */
export function partList(whole: WholeJob): { readonly parts: readonly ListedPart[] } | { readonly refusals: readonly Refusal[] } {
  const drawn = whole.feet.filter((f) => f.design);
  const out: ListedPart[] = [];
  for (const source of drawn) {
    const r = resolve(atFoot(whole, source.id));
    if (!isResolved(r))
      return { refusals: r.map((x) => (whole.feet.length > 1 ? { ...x, field: `${source.name}: ${x.field}` } : x)) };
    const alike = whole.feet.filter((f) => drawnBy(whole, f).id === source.id);
    // Of a pair the second is the other hand.
    const pair = handsOf(whole, r.job) === 2;
    const made = pair ? 2 : alike.length;
    const other = pair ? 1 : alike.filter((f) => f.like?.mirrored).length;
    for (const part of cutParts(r)) {
      const holes = part.holes.reduce((sum, h) => sum + holeArea(h), 0);
      // A part that is its own mirror image has no hand.
      const handed = !isMirrorOfItself(part);
      out.push({
        mark: `${out.length + 1}`,
        name: part.name,
        count: part.count * (handed ? made - other : made),
        mirrored: handed ? part.count * other : 0,
        stock: part.stock ? `${part.metal.name}, ${part.stock}` : plateStock(part, whole.units),
        area: regionArea(part.region) - holes,
        perimeter: cutLength(part.region),
        centroid: regionCentroid(
          part.region,
          part.holes.map((h) => ({ x: h.x, y: h.y, d: Math.sqrt((4 * holeArea(h)) / Math.PI) })),
        ),
        mass: partMass({ ...part, count: 1 }),
        length: widthOf(part.bounds),
        width: heightOf(part.bounds),
        holes: part.holes,
        feet: alike.map((f) => f.id),
        part,
      });
    }
  }
  return { parts: out };
}

/** What is stamped on a part as it stands at a foot: with a stroke where that foot is the mirror image and the part has a hand. */
export function markOf(parts: readonly ListedPart[], foot: Pick<Foot, 'id' | 'like'>, part: string): string | undefined {
  const found = parts.find((p) => p.part.id === part && p.feet.includes(foot.id));
  return found && `${found.mark}${foot.like?.mirrored && found.mirrored > 0 ? OTHER_HAND : ''}`;
}

/** Whether a flat part turned over lies on itself: every edge of outline and openings, about its middle, and every hole with one made alike. */
function isMirrorOfItself({ bounds, holes, region, bends }: CutPart): boolean {
  const middle = (bounds.y0 + bounds.y1) / 2;
  const near = (a: number, b: number) => Math.abs(a - b) < 1e-6;
  const flip = <P extends Point>(p: P): P => ({ ...p, y: 2 * middle - p.y });
  const at = (p: Point, q: Point) => near(p.x, q.x) && near(p.y, q.y);
  const edges = [region.outer, ...region.openings].flatMap((loop) =>
    loop.map((a, i) => ({ a, b: loop[(i + 1) % loop.length]! })),
  );
  // Turned over, an edge runs the other way round, and so bends to the same side of its loop.
  const edge = ({ a, b }: (typeof edges)[number]) =>
    edges.some((e) => at(e.a, flip(b)) && at(e.b, flip(a)) && near(e.a.bulge, a.bulge));
  const sameWay = (a: CutHole, b: CutHole) =>
    near(a.slot?.long ?? 0, b.slot?.long ?? 0) && near(Math.sin((a.slot?.turn ?? 0) + (b.slot?.turn ?? 0)), 0);
  const round = (h: CutHole) => holes.some((o) => near(o.d, h.d) && o.then === h.then && sameWay(o, h) && at(flip(h), o));
  return bends.every((l) => l.from.x === l.to.x) && holes.every(round) && edges.every(edge);
}
