import { centroid, principalSpread, dot, type Point } from '../geometry/points';
import { ofThisKind } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { tightenTo, type Tighten } from './tightening';

/** One round over the bolts: to which part of the torque, in which order. */
export interface Pass {
  readonly says: string;
  /** Of the full torque. */
  readonly part: number;
  /** N·mm. */
  readonly torque: number;
}

/** How the bolts of one kind are tightened. */
export interface TorqueCard {
  /** Place of its kind in the joint’s. */
  readonly kind: number;
  readonly size: string;
  readonly tighten: Tighten;
  /** Bolts by their names, in the order of every round but the last. */
  readonly order: readonly string[];
  readonly pattern: 'crosswise' | 'from the middle out' | 'one bolt';
  readonly passes: readonly Pass[];
}

const ROUNDS = [
  { part: 0.3, says: 'drawn down evenly' },
  { part: 0.7, says: 'again in the same order' },
  { part: 1, says: 'to the full torque' },
  { part: 1, says: 'once round, side by side, until none turns' },
] as const;

/**
 * Rounds at 30, 70 and 100 % crosswise, then one round about at 100 % (ASME PCC-1 legacy pattern, from memory); bolts in a row from
 * the middle out (common practice). A lag has no torque and no rounds.
 */
export function torqueCard(r: Resolved): TorqueCard | undefined {
  const mine = ofThisKind(r).map((i) => r.bolts[i]!);
  if (mine.length === 0) return undefined;
  const tighten = tightenTo(r);
  const { order, pattern } = sequence(mine);
  const full = tighten.torque?.torque;
  const rounds = mine.length === 1 ? ROUNDS.slice(2, 3) : ROUNDS;
  return {
    kind: r.kind,
    size: r.size.id,
    tighten,
    order: order.map((b) => b.id),
    pattern,
    passes: full === undefined ? [] : rounds.map((p) => ({ ...p, torque: p.part * full })),
  };
}

type Named = Point & { readonly id: string };

/** The order in which a group is drawn down. */
export function sequence<B extends Named>(bolts: readonly B[]): Pick<TorqueCard, 'pattern'> & { readonly order: readonly B[] } {
  if (bolts.length < 2) return { order: bolts, pattern: 'one bolt' };
  const { direction } = principalSpread(bolts);
  const c = centroid(bolts);
  const aside = (b: B) => Math.abs((b.y - c.y) * direction.x - (b.x - c.x) * direction.y);
  if (bolts.every((b) => aside(b) < 1e-6)) {
    const along = (b: B) => dot({ x: b.x - c.x, y: b.y - c.y }, direction);
    const order = [...bolts].sort((a, b) => near(Math.abs(along(a)), Math.abs(along(b))) || along(a) - along(b));
    return { order, pattern: 'from the middle out' };
  }
  return { order: crosswise(bolts, c), pattern: 'crosswise' };
}

const near = (a: number, b: number): number => (Math.abs(a - b) < 1e-6 ? 0 : a - b);

const FULL = 2 * Math.PI;

/** Four at a time, each opposite the last or square to it; the next four start where the gap is widest. */
function crosswise<B extends Named>(bolts: readonly B[], c: Point): B[] {
  const angle = new Map(bolts.map((b) => [b, (Math.atan2(b.y - c.y, b.x - c.x) + FULL) % FULL]));
  const left = [...bolts].sort((a, b) => near(angle.get(a)!, angle.get(b)!) || a.id.localeCompare(b.id));
  const out: B[] = [];
  const off = (a: number, b: number) => Math.abs(((a - b + 3 * Math.PI) % FULL) - Math.PI);
  const take = (at: number | undefined) => {
    if (left.length === 0) return;
    const gap = (b: B) => Math.min(...out.map((o) => off(angle.get(o)!, angle.get(b)!)));
    // Ties go to the first going round.
    const best = left.reduce((x, b) => {
      const better =
        at === undefined ? out.length > 0 && gap(b) > gap(x) + 1e-9 : off(angle.get(b)!, at) < off(angle.get(x)!, at) - 1e-9;
      return better ? b : x;
    });
    left.splice(left.indexOf(best), 1);
    out.push(best);
  };
  while (left.length > 0) {
    take(undefined);
    const start = angle.get(out.at(-1)!)!;
    for (const turn of [Math.PI, Math.PI / 2, (3 * Math.PI) / 2]) take((start + turn) % FULL);
  }
  return out;
}
