import type { Point } from '../geometry/points';
import { isInside, loopPoints, type Region } from '../geometry/region';
import { between, crosses } from '../geometry/slots';
import type { LaidByHand } from '../job/making';
import { isRefusal } from '../units/refusal';
import type { PlacedPiece, SheetCut, SheetPlan } from './sheet-nesting';
import { outlineOn, sizeOf, type SheetsWanted } from './on-sheet';

const HAIR = 1e-6;

/**
 * A plan with the pieces that somebody put elsewhere on their sheet. By true outlines: a piece may lie in the hollow of another. What no
 * longer goes where it was put, as the job was changed, is where the plan has it; `dropped` says how many.
 */
export function withHand(
  wanted: SheetsWanted,
  hand: readonly LaidByHand[],
  cut: SheetCut,
): { readonly wanted: SheetsWanted; readonly dropped: number } {
  const mine = hand.filter((h) => h.stock === wanted.stock);
  const { plan } = wanted;
  if (mine.length === 0 || isRefusal(plan)) return { wanted, dropped: 0 };
  const sheets = plan.sheets.map((s) => ({ ...s, pieces: [...s.pieces] }));
  const put: { sheet: number; at: number; was: PlacedPiece }[] = [];
  for (const h of mine) {
    const pieces = sheets[h.sheet]?.pieces ?? [];
    const at = nthOf(pieces, h.piece, h.nth);
    if (at < 0) continue;
    put.push({ sheet: h.sheet, at, was: pieces[at]! });
    pieces[at] = { id: h.piece, x: h.x, y: h.y, turned: h.turned };
  }
  // All are put first, as one may lie where another was planned; then those that do not go are put back, until all do.
  const stays = new Set(put);
  for (;;) {
    const no = [...stays].find((p) => whyNot(wanted, plan, p.sheet, sheets[p.sheet]!.pieces, p.at, cut));
    if (!no) break;
    sheets[no.sheet]!.pieces[no.at] = no.was;
    stays.delete(no);
  }
  const dropped = mine.length - stays.size;
  const laid: SheetPlan = {
    ...plan,
    sheets: sheets.map((s, i) => ({ ...s, remnant: remnantOf(wanted, plan, i, s.pieces, cut.kerf) })),
  };
  return { wanted: { ...wanted, plan: laid }, dropped };
}

/** Place in a list of the nth piece of a name. */
export function nthOf(pieces: readonly PlacedPiece[], id: string, nth: number): number {
  let seen = -1;
  return pieces.findIndex((p) => p.id === id && ++seen === nth);
}

/** Why a piece does not go where it is: over the sheet’s margin, or too near to another; empty where it does. */
export function whyNot(
  wanted: SheetsWanted,
  plan: SheetPlan,
  sheet: number,
  pieces: readonly PlacedPiece[],
  at: number,
  { kerf, margin }: SheetCut,
): string {
  const { long, wide } = sizeOf(plan, plan.sheets[sheet]!);
  const mine = outlineOn(wanted, pieces[at]!, wide);
  const ring = loopPoints(mine.outer);
  const out = ring.some(
    (p) => p.x < margin - HAIR || p.y < margin - HAIR || p.x > long - margin + HAIR || p.y > wide - margin + HAIR,
  );
  if (out) return 'it reaches over the sheet’s margin';
  const near = pieces.find((p, i) => i !== at && !apart(mine, outlineOn(wanted, p, wide), kerf));
  return near ? `it is nearer to piece ${near.id} than a cut` : '';
}

/** Two parts do not lie in each other’s metal, and their edges are a cut apart at least. */
export function apart(a: Region, b: Region, kerf: number): boolean {
  const rings = (r: Region) => [r.outer, ...r.openings].map(loopPoints);
  const [ra, rb] = [rings(a), rings(b)];
  for (const x of ra) for (const y of rb) if (nearer(x, y, kerf - HAIR)) return false;
  return !isInside(b, ra[0]![0]!) && !isInside(a, rb[0]![0]!);
}

/** Whether two rings come nearer to each other than a distance anywhere, or cross. */
function nearer(x: readonly Point[], y: readonly Point[], d: number): boolean {
  return x.some((a, i) => {
    const b = x[(i + 1) % x.length]!;
    return y.some((p, k) => {
      const q = y[(k + 1) % y.length]!;
      // Boxes first: most edges are nowhere near.
      if (Math.min(a.x, b.x) - d > Math.max(p.x, q.x) || Math.min(p.x, q.x) - d > Math.max(a.x, b.x)) return false;
      if (Math.min(a.y, b.y) - d > Math.max(p.y, q.y) || Math.min(p.y, q.y) - d > Math.max(a.y, b.y)) return false;
      return crosses([a, b], [p, q]) || between([a, b], [p, q]) < d;
    });
  });
}

/** What is clear past the last piece, over the whole width, mm. */
function remnantOf(wanted: SheetsWanted, plan: SheetPlan, sheet: number, pieces: readonly PlacedPiece[], kerf: number): number {
  const { long, wide } = sizeOf(plan, plan.sheets[sheet]!);
  const last = Math.max(...pieces.flatMap((p) => loopPoints(outlineOn(wanted, p, wide).outer).map((v) => v.x)));
  return Math.max(0, long - last - kerf);
}
