import { distance, type Point } from '../geometry/points';
import { refuse, type Refusal } from '../units/refusal';
import type { Run } from './weld-group';

/** What a fillet counts by: its throat, mm, whose rules, and whether it is aluminium. */
export interface Counted {
  readonly a: number;
  readonly rules: 'EN' | 'AISC';
  readonly aluminium: boolean;
  /** Where it is broken into stitches: the length of one, mm. */
  readonly stitch?: number;
}

/** A weld that holds: the runs that count, as long as they count, and how many do not. */
export interface Effective {
  readonly runs: readonly Run[];
  readonly short: number;
}

/** Runs of one line that meet at their ends, in their order; `closed` where it ends where it began. */
interface Chain {
  readonly points: readonly Point[];
  readonly closed: boolean;
}

const TOGETHER = 1e-6;
const meet = (p: Point, q: Point): boolean => distance(p, q) < TOGETHER;

/** Runs put together where one goes on from another. */
function chainsOf(runs: readonly Run[]): Chain[] {
  const left = [...runs];
  const chains: Chain[] = [];
  for (let first = left.pop(); first; first = left.pop()) {
    const points = [first.from, first.to];
    for (let grew = true; grew;) {
      grew = false;
      for (const [k, { from, to }] of left.entries()) {
        const [head, tail] = [points[0]!, points.at(-1)!];
        if (meet(tail, from)) points.push(to);
        else if (meet(tail, to)) points.push(from);
        else if (meet(head, to)) points.unshift(from);
        else if (meet(head, from)) points.unshift(to);
        else continue;
        left.splice(k, 1);
        grew = true;
        break;
      }
    }
    chains.push({ points, closed: points.length > 2 && meet(points[0]!, points.at(-1)!) });
  }
  return chains;
}

const lengthOf = (points: readonly Point[]): number => points.slice(1).reduce((sum, p, i) => sum + distance(points[i]!, p), 0);

/** A line without so much of its beginning. */
function shortened([a, b, ...rest]: readonly Point[], by: number): Point[] {
  if (!a || !b) return [];
  const l = distance(a, b);
  if (l <= by) return shortened([b, ...rest], by - l);
  return [{ x: a.x + ((b.x - a.x) * by) / l, y: a.y + ((b.y - a.y) * by) / l }, b, ...rest];
}

const runsOf = (points: readonly Point[], part: number): Run[] =>
  points.slice(1).map((to, i) => ({ from: points[i]!, to, part }));

/** The least a run must count to be let carry anything, mm. */
const least = ({ a, rules, aluminium, stitch }: Counted): number => {
  if (aluminium) return Math.max(30, 8 * a);
  if (rules === 'EN') return Math.max(30, 6 * a);
  return Math.max(4 * Math.SQRT2 * a, stitch === undefined ? 0 : 38.1);
};
const WORDS = {
  EN: 'a run counts l − 2·a, and from 30 mm and 6·a on: EN 1993-1-8 §4.5.1',
  aluminium: 'a run counts l − 2·a, and from 30 mm and 8·a on: EN 1999-1-1 §8.6.3 (memory)',
  AISC: 'a run counts from 4 legs on, a stitch from 38 mm: AISC 360-16 §J2.2b',
};

/**
 * What of a weld counts. A run's ends are craters: l_eff = l − 2·a, and one that then is under max(30 mm, 6·a) carries nothing
 * (EN 1993-1-8 §4.5.1; aluminium 8·a, EN 1999-1-1 §8.6.3, memory); AISC 360-16 §J2.2b takes the length as it is, from four legs on, stitches
 * from 1 1/2 in. Runs that go on round a corner are one; a weld all round has no end. Refused where nothing counts.
 */
export function effectiveRuns(runs: readonly Run[], x: Counted, field: string): Effective | Refusal {
  const ends = x.rules === 'EN' || x.aluminium ? x.a : 0;
  const from = least(x);
  const words = x.aluminium ? WORDS.aluminium : WORDS[x.rules];
  const no = (what: string, counts: number) =>
    refuse(
      field,
      `${what} counts ${Math.max(0, counts).toFixed(1)} mm of its length, which is too short to carry anything`,
      `at least ${Math.ceil(from + 2 * ends)} mm: ${words}`,
    );
  if (x.stitch !== undefined) {
    const counts = x.stitch - 2 * ends;
    if (counts < from - 1e-9) return no('a stitch', counts);
    return { runs: runs.map((r) => ({ ...r, part: (r.part * counts) / x.stitch! })), short: 0 };
  }
  const chains = chainsOf(runs);
  const long = (c: Chain) => lengthOf(c.points) - (c.closed ? 0 : 2 * ends);
  const counted = chains.filter((c) => long(c) >= from - 1e-9);
  if (counted.length === 0) return no('the longest run', Math.max(...chains.map(long)));
  return {
    runs: counted.flatMap(({ points, closed }) => {
      if (closed || ends === 0) return runsOf(points, 1);
      return runsOf(shortened(shortened(points, ends).reverse(), ends).reverse(), 1);
    }),
    short: chains.length - counted.length,
  };
}

/** Said beside a weld some of whose runs carry nothing. */
export const shortRuns = ({ short }: Effective): readonly string[] =>
  short === 0 ? [] : [`${short} of its runs ${short === 1 ? 'is' : 'are'} too short to count, and carry nothing here`];

/** Whether all runs go one way: what AISC §J2.4 calls linear. */
export function isLinear(runs: readonly Run[]): boolean {
  const [first] = runs;
  const way = ({ from, to }: Run) => ({ x: to.x - from.x, y: to.y - from.y, l: distance(from, to) });
  return (
    first !== undefined &&
    runs.every((r) => {
      const [u, v] = [way(first), way(r)];
      return Math.abs(u.x * v.y - u.y * v.x) < 1e-6 * u.l * v.l;
    })
  );
}
