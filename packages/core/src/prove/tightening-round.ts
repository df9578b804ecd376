import { eachKind } from '../job/of-kind';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import { atFoot } from '../job/at-foot';
import type { WholeJob } from '../job/whole-job';
import { NUT_FACTOR } from '../shop/tightening';
import { torqueCard, type Pass } from '../shop/torque-card';
import { boltSpring, clampedBy } from './bolt-spring';
import { drawnBolts, fittedAs } from './fitted-bolts';
import { CONFIRMED, isOf, standing, type Line, type LineOf, type Signature } from './log-entry';

/** One bolt in one round. Torques N·mm. */
export interface Turn {
  readonly foot: string;
  readonly bolt: string;
  readonly size: string;
  /** From 1, of how many. */
  readonly round: number;
  readonly of: number;
  readonly says: string;
  readonly target: number;
  /** N·mm for a degree, K·d·F_θ of bolt and plates. */
  readonly slope: number;
}

/** Where a bolt stands. */
export interface BoltState {
  readonly foot: string;
  readonly bolt: string;
  readonly size: string;
  /** Rounds done since it was released last, of how many. */
  readonly done: number;
  readonly of: number;
  /** The last turn that counts. */
  readonly last?: LineOf<'tightened'>;
  readonly marked: boolean;
  /** What it showed that is no good, where it did. */
  readonly bad: Signature | '';
  readonly released: boolean;
  readonly missing: boolean;
  /** A round was turned before the one under it. */
  readonly skipped: boolean;
}

export interface Tightening {
  readonly bolts: readonly BoltState[];
  readonly turns: readonly Turn[];
  /** The turn to do next; nothing when all is done or nothing is turned to a figure. */
  readonly next?: Turn;
  readonly confirmed: Readonly<Partial<Record<(typeof CONFIRMED)[number], string>>>;
  /** In words, what was missed. */
  readonly missed: readonly string[];
}

const GOOD: readonly Signature[] = ['good'];

/** A joint with holes and clamps that the springs are asked of: K·d·F_θ. */
export const torqueSlope = (r: Resolved, i: number): number => {
  const c = clampedBy(r, i);
  return NUT_FACTOR * c.d * boltSpring(c).perDegree;
};

/**
 * How far a foot is tightened, from its torque cards as drawn (those that were printed) and its log: rounds one after another over all bolts of a kind, each bolt’s own
 * since it was last released. A bolt that showed no good turn stays next until it does.
 */
export function tighteningOf(whole: WholeJob, foot: string, lines: readonly Line[]): Tightening {
  const job = atFoot(whole, foot);
  const r = resolve(job);
  if (!isResolved(r)) return { bolts: [], turns: [], confirmed: {}, missed: [] };
  const mine = standing(lines).filter((l) => l.entry.about.foot === foot);
  const bolts: BoltState[] = [];
  const turns: Turn[] = [];
  let next: Turn | undefined;
  for (const k of eachKind(r)) {
    const card = torqueCard(k);
    if (!card) continue;
    const states = card.order.map((id) => stateOf(mine, foot, id, card.size, card.passes));
    bolts.push(...states);
    const asked = card.passes.flatMap((p, round) =>
      card.order.map((bolt): Turn => ({
        foot,
        bolt,
        size: card.size,
        round: round + 1,
        of: card.passes.length,
        says: p.says,
        target: p.torque,
        slope: torqueSlope(
          r,
          r.bolts.findIndex((b) => b.id === bolt),
        ),
      })),
    );
    turns.push(...asked);
    next ??= asked.find((t) => {
      const s = states.find((x) => x.bolt === t.bolt)!;
      return !s.missing && s.done < t.round;
    });
  }
  const confirmed = Object.fromEntries(
    mine.filter(isOf('confirmed')).map((l) => [l.entry.body.what, l.entry.body.is]),
  ) as Tightening['confirmed'];
  return {
    bolts,
    turns,
    ...(next ? { next } : {}),
    confirmed,
    missed: [...missedOf(bolts, confirmed), ...otherBolts(r, bolts, confirmed['bolts fitted'])],
  };
}

function stateOf(lines: readonly Line[], foot: string, bolt: string, size: string, passes: readonly Pass[]): BoltState {
  let done = 0;
  let last: LineOf<'tightened'> | undefined;
  let marked = false;
  let released = false;
  let bad: Signature | '' = '';
  let missing = false;
  let skipped = false;
  for (const l of lines) {
    if (isOf('released')(l) ? l.entry.about.bolt === bolt : frees(l, bolt)) {
      [done, last, marked, released, bad, skipped] = [0, undefined, false, true, '', false];
      continue;
    }
    if (l.entry.about.bolt !== bolt) continue;
    if (isOf('bolt missing')(l)) {
      missing = true;
    } else if (isOf('witness mark')(l)) {
      marked = true;
    } else if (isOf('tightened')(l)) {
      const { round, reads, target } = l.entry.body;
      const asked = passes[round - 1];
      // A round of another torque card is no round of this one.
      if (!asked || Math.abs(asked.torque - target) > 1e-3 * asked.torque) continue;
      last = l;
      bad = GOOD.includes(reads) ? '' : reads;
      if (bad === '' && round === done + 1) done = round;
      else if (bad === '' && round > done + 1) skipped = true;
      else if (bad !== '') done = Math.min(done, round - 1);
      marked = marked && bad === '';
    }
  }
  return {
    foot,
    bolt,
    size,
    done,
    of: passes.length,
    ...(last ? { last } : {}),
    marked,
    bad,
    released,
    missing,
    skipped: skipped && done < passes.length,
  };
}

/** What takes a bolt out, or its plate off: made anew, drilled, slotted, or shimmed under it. */
function frees(l: Line, bolt: string): boolean {
  if (!isOf('decision')(l) || l.entry.body.decide === 'accept') return false;
  return l.entry.body.decide === 'remake' || l.entry.about.bolt === bolt;
}

/** Bolts that are others than drawn are not tightened by this card; words that do not say which they are confirm nothing. */
function otherBolts(r: Resolved, bolts: readonly BoltState[], is: string | undefined): string[] {
  if (is === undefined || bolts.length === 0) return [];
  const fitted = fittedAs(r, is);
  if (fitted.as === 'drawn') return [];
  if (fitted.as === 'unread')
    return [`bolts fitted: “${is}” names no size and class of the list: write ${drawnBolts(r)}, or what they are`];
  return [`bolts fitted: ${fitted.size} ${fitted.class}, drawn ${drawnBolts(r)}: this torque is not theirs`];
}

function missedOf(bolts: readonly BoltState[], confirmed: Tightening['confirmed']): string[] {
  const there = bolts.filter((b) => !b.missing && b.of > 0);
  const named = (list: readonly BoltState[]) => list.map((b) => b.bolt).join(', ');
  const open = there.filter((b) => b.done < b.of && !b.bad);
  const skipped = (b: BoltState) => (b.skipped ? ` (round ${b.done + 1} skipped: a later one does not count before it)` : '');
  const bad = there.filter((b) => b.bad);
  const unmarked = there.filter((b) => b.done === b.of && !b.marked);
  const gone = bolts.filter((b) => b.missing);
  return [
    ...(open.length > 0 ? [`not at the full torque: ${open.map((b) => b.bolt + skipped(b)).join(', ')}`] : []),
    ...bad.map((b) => `${b.bolt}: ${b.bad}`),
    ...(unmarked.length > 0 ? [`no witness mark: ${named(unmarked)}`] : []),
    ...(gone.length > 0 ? [`missing: ${named(gone)}`] : []),
    ...(there.length > 0 ? CONFIRMED.filter((c) => !confirmed[c]).map((c) => `${c} not confirmed`) : []),
  ];
}
