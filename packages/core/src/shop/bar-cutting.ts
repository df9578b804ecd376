import { refuse, type Refusal } from '../units/refusal';

/** A length that is wanted, so many times, mm. */
export interface Piece {
  /** What it is for: marked on the piece. */
  readonly mark: string;
  readonly length: number;
  readonly count: number;
}

/** A length of stock, mm: so many on hand, or as many as are bought. */
export interface StockBar {
  readonly name: string;
  readonly length: number;
  /** Offcuts on hand cost nothing, and are only so many. */
  readonly onHand?: number;
}

export interface Saw {
  /** Width of a cut, mm. */
  readonly kerf: number;
  /** Cut off each bar’s end before its first piece, mm: it is seldom square or clean. */
  readonly endWaste: number;
}

/** One bar with its pieces in the order they are cut. */
export interface CutBar {
  readonly bar: StockBar;
  readonly pieces: readonly { readonly mark: string; readonly length: number }[];
  /** Where the stop or the scribe goes for each piece’s far end, from the bar’s own end, mm. */
  readonly stops: readonly number[];
  /** What is left past the last cut, mm. */
  readonly left: number;
}

export interface BarPlan {
  readonly bars: readonly CutBar[];
  /** Bars bought, and length of them, mm. */
  readonly bought: number;
  readonly boughtLength: number;
  /** No plan buys less than this length, mm: what the pieces and their kerfs take, in whole bars. */
  readonly lowerBound: number;
  /** Bought and not in a piece, over what is bought. */
  readonly waste: number;
  /** The least there is, and not only the least that was found. */
  readonly proven: boolean;
}

/** How an integer programme is solved: its text in the LP format in, values by name out; nothing where it has no answer. */
export type SolveProgramme = (
  text: string,
) => Promise<{ readonly values: ReadonlyMap<string, number>; readonly optimal: boolean } | undefined>;

/** A way to cut one bar: how many of each piece. */
interface Pattern {
  readonly bar: number;
  readonly counts: readonly number[];
}

/** More ways than these are not all written down: the plan is then the best of those that many orders give. */
const MOST_PATTERNS = 4000;

/**
 * The least length of bars to buy for the pieces (one-dimensional cutting stock: Gilmore & Gomory 1961, all cutting patterns in one
 * integer programme). Every piece takes its length and one kerf; the last of a bar that ends flush is counted a kerf too (safe).
 */
export async function barPlan(
  pieces: readonly Piece[],
  bars: readonly StockBar[],
  saw: Saw,
  solve: SolveProgramme,
): Promise<BarPlan | Refusal> {
  const no = refusedPlan(pieces, bars, saw);
  if (no) return no;
  const kinds = alike(pieces);
  const usable = bars.map((b) => b.length - saw.endWaste);
  const takes = kinds.map((k) => k.length + saw.kerf);
  const { patterns, all, plans } = patternsOf(
    takes,
    kinds.map((k) => k.count),
    usable,
  );
  const found = await solve(programme(patterns, kinds, bars));
  const solved = found && patterns.flatMap((p, i) => Array.from({ length: Math.round(found.values.get(`x${i}`) ?? 0) }, () => p));
  // Short of time the programme may find nothing, or less than plain first-fit does on bars that are bought.
  const boughtOf = (ways: readonly Pattern[]) =>
    ways.reduce((sum, { bar }) => sum + (bars[bar]!.onHand === undefined ? bars[bar]!.length : 0), 0);
  const whole = plans.filter((p) => p.every(({ bar }) => bars[bar]!.onHand === undefined));
  const tried = [...(solved ? [solved] : []), ...whole];
  if (tried.length === 0)
    return refuse('bars', 'the pieces do not fit the bars there are', 'more bars on hand, or a length that can be bought');
  const used = tried.reduce((best, p) => (boughtOf(p) < boughtOf(best) ? p : best));
  const plan = planOf(used, kinds, pieces, bars, saw);
  return { ...plan, proven: (all && found?.optimal === true) || plan.boughtLength <= plan.lowerBound };
}

function refusedPlan(pieces: readonly Piece[], bars: readonly StockBar[], { kerf, endWaste }: Saw): Refusal | undefined {
  if (!(kerf >= 0 && kerf <= 20)) return refuse('saw.kerf', `a kerf of ${kerf} mm`, '0 to 20 mm');
  if (!(endWaste >= 0 && endWaste <= 500)) return refuse('saw.endWaste', `an end waste of ${endWaste} mm`, '0 to 500 mm');
  const longest = Math.max(...bars.map((b) => b.length - endWaste), 0);
  const long = pieces.find((p) => p.length + kerf > longest);
  if (long)
    return refuse(
      'bars',
      `${long.mark} is ${Math.round(long.length)} mm and its cut ${kerf} mm, longer than any bar gives`,
      `bars of ${Math.ceil(long.length + kerf + endWaste)} mm at least`,
    );
  return undefined;
}

/** Pieces of one length together, the longest first. */
function alike(pieces: readonly Piece[]): { length: number; count: number }[] {
  const by = new Map<number, number>();
  for (const p of pieces) by.set(p.length, (by.get(p.length) ?? 0) + p.count);
  return [...by].map(([length, count]) => ({ length, count })).sort((a, b) => b.length - a.length);
}

interface Ways {
  readonly patterns: readonly Pattern[];
  /** No way is left out. */
  readonly all: boolean;
  /** Whole plans that first-fit gave, each on bars of one length. */
  readonly plans: readonly (readonly Pattern[])[];
}

/** Every way to cut each bar that leaves no room for one more piece; of too many, what first-fit gives in many orders. */
function patternsOf(takes: readonly number[], wanted: readonly number[], usable: readonly number[]): Ways {
  const patterns: Pattern[] = [];
  let all = true;
  usable.forEach((room, bar) => {
    const counts = new Array<number>(takes.length).fill(0);
    const fill = (i: number, left: number): void => {
      if (patterns.length > MOST_PATTERNS) all = false;
      if (!all) return;
      if (i === takes.length) {
        const fits = takes.some((t, k) => t <= left + 1e-9 && counts[k]! < wanted[k]!);
        if (!fits && counts.some((n) => n > 0)) patterns.push({ bar, counts: [...counts] });
        return;
      }
      for (let n = mostOf(takes[i]!, wanted[i]!, left); n >= 0; n--) {
        counts[i] = n;
        fill(i + 1, left - n * takes[i]!);
      }
      counts[i] = 0;
    };
    fill(0, room);
  });
  const firstFit = inManyOrders(takes, wanted, usable);
  return all ? { patterns, all, plans: firstFit.plans } : { ...firstFit, all };
}

const mostOf = (take: number, wanted: number, room: number): number => Math.min(wanted, Math.floor((room + 1e-9) / take));

/** Orders that are tried: the longest first, then the same stirred more and more. */
const ORDERS = 400;

/** Bars filled one after the other in many orders of the pieces (first-fit decreasing, and from a fixed seed others near it). */
function inManyOrders(takes: readonly number[], wanted: readonly number[], usable: readonly number[]): Omit<Ways, 'all'> {
  const found = new Map<string, Pattern>();
  const plans: Pattern[][] = [];
  let seed = 1;
  const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
  for (let k = 0; k < ORDERS && found.size < MOST_PATTERNS; k++)
    usable.forEach((room, bar) => {
      const stirred = takes.map((t) => t * (1 + (k / ORDERS) * (random() - 0.5) * 4));
      const order = takes.map((_, i) => i).sort((a, b) => stirred[b]! - stirred[a]!);
      const left = [...wanted];
      const plan: Pattern[] = [];
      for (;;) {
        const counts = new Array<number>(takes.length).fill(0);
        let free = room;
        for (const i of order) {
          counts[i] = mostOf(takes[i]!, left[i]!, free);
          free -= counts[i]! * takes[i]!;
          left[i]! -= counts[i]!;
        }
        if (counts.every((n) => n === 0)) break;
        plan.push({ bar, counts });
        found.set(`${bar} ${counts.join(' ')}`, { bar, counts });
      }
      // A piece longer than this bar is left over: no whole plan then.
      if (left.every((n) => n === 0)) plans.push(plan);
    });
  return { patterns: [...found.values()], plans };
}

/** Least length bought; of plans that buy alike, the one that saws fewest bars. */
function programme(patterns: readonly Pattern[], kinds: readonly { count: number }[], bars: readonly StockBar[]): string {
  const cost = (p: Pattern) => (bars[p.bar]!.onHand === undefined ? bars[p.bar]!.length : 0) + 1e-3;
  const terms = (of: (p: Pattern) => number) => patterns.flatMap((p, i) => (of(p) === 0 ? [] : [`${of(p)} x${i}`])).join(' + ');
  const rows = [
    ...kinds.map((kind, k) => ` p${k}: ${terms((p) => p.counts[k]!)} >= ${kind.count}`),
    ...bars.flatMap((b, k) => {
      const mine = terms((p) => (p.bar === k ? 1 : 0));
      return b.onHand === undefined || mine === '' ? [] : [` b${k}: ${mine} <= ${b.onHand}`];
    }),
  ];
  return `Minimize\n obj: ${terms(cost)}\nSubject To\n${rows.join('\n')}\nGeneral\n ${patterns.map((_, i) => `x${i}`).join(' ')}\nEnd\n`;
}

/** Hands the wanted pieces out to the patterns: a pattern may hold more than are wanted, which are then not cut. */
function planOf(
  used: readonly Pattern[],
  kinds: readonly { readonly length: number }[],
  pieces: readonly Piece[],
  bars: readonly StockBar[],
  saw: Saw,
): Omit<BarPlan, 'proven'> {
  const waiting = kinds.map((k) =>
    pieces.filter((p) => p.length === k.length).flatMap((p) => Array.from({ length: p.count }, () => p.mark)),
  );
  const filled = used.map(({ bar, counts }) => ({
    bar: bars[bar]!,
    pieces: counts.flatMap((n, k) => waiting[k]!.splice(0, n).map((mark) => ({ mark, length: kinds[k]!.length }))),
  }));
  const cut = [...filled, ...fromNewToHand(filled, bars, saw)]
    .map(({ bar, pieces: mine }): CutBar => {
      let at = saw.endWaste;
      const stops = mine.map(({ length }) => {
        const stop = at + length;
        at = stop + saw.kerf;
        return stop;
      });
      return { bar, pieces: mine, stops, left: Math.max(0, bar.length - at) };
    })
    .filter((c) => c.pieces.length > 0)
    .sort((a, b) => b.bar.length - a.bar.length || a.left - b.left);
  const boughtBars = cut.filter((c) => c.bar.onHand === undefined);
  const boughtLength = boughtBars.reduce((sum, c) => sum + c.bar.length, 0);
  const inPieces = boughtBars.reduce((sum, c) => sum + c.pieces.reduce((n, p) => n + p.length, 0), 0);
  return {
    bars: cut,
    bought: boughtBars.length,
    boughtLength,
    lowerBound: leastLength(pieces, bars, saw),
    waste: boughtLength > 0 ? 1 - inPieces / boughtLength : 0,
  };
}

interface Filled {
  readonly bar: StockBar;
  readonly pieces: { readonly mark: string; readonly length: number }[];
}

/** Takes what fits out of new bars into offcuts that lie idle, the longest first: nothing more is bought, and more is left of the new bars. */
function fromNewToHand(filled: readonly Filled[], bars: readonly StockBar[], { kerf, endWaste }: Saw): Filled[] {
  const fresh = filled.filter((f) => f.bar.onHand === undefined);
  return bars.flatMap((bar) => {
    const idle = (bar.onHand ?? 0) - filled.filter((f) => f.bar === bar).length;
    return Array.from({ length: Math.max(0, idle) }, (): Filled => {
      const taken: Filled = { bar, pieces: [] };
      let room = bar.length - endWaste;
      for (;;) {
        const fits = fresh.flatMap((f) => f.pieces.map((p) => ({ f, p }))).filter(({ p }) => p.length + kerf <= room + 1e-9);
        if (fits.length === 0) return taken;
        const { f, p } = fits.reduce((a, b) => (b.p.length > a.p.length ? b : a));
        f.pieces.splice(f.pieces.indexOf(p), 1);
        taken.pieces.push(p);
        room -= p.length + kerf;
      }
    });
  });
}

/** What is left to buy after all that is on hand, in whole bars of one length; with bars of several lengths, their mere sum. */
function leastLength(pieces: readonly Piece[], bars: readonly StockBar[], { kerf, endWaste }: Saw): number {
  const need = pieces.reduce((sum, p) => sum + p.count * (p.length + kerf), 0);
  const hand = bars.reduce((sum, b) => sum + (b.onHand ?? 0) * (b.length - endWaste), 0);
  const bought = bars.filter((b) => b.onHand === undefined);
  const left = Math.max(0, need - hand);
  const [one] = bought;
  return bought.length === 1 ? Math.ceil(left / (one!.length - endWaste) - 1e-9) * one!.length : left;
}
