// The module it declares is imported under a path, which no import of the declarations could say.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./maxrects-packer.d.ts" />
import { MaxRectsPacker, PACKING_LOGIC } from 'maxrects-packer/dist/maxrects-packer.mjs';
import type { Rect } from '../geometry/points';
import { refuse, type Refusal } from '../units/refusal';
import { intoOpenings, withInsides } from './nest-in-openings';

/** Pieces of one outline, by the rectangle round it, mm. */
export interface FlatPiece {
  readonly id: string;
  readonly name: string;
  readonly length: number;
  readonly width: number;
  readonly count: number;
  /** Metal of one piece, mm². */
  readonly area: number;
  /** Rectangles within its openings, from its near corner, x along its length. */
  readonly openings?: readonly Rect[];
}

export interface SheetCut {
  /** Left between pieces, mm. */
  readonly kerf: number;
  /** Left along the sheet’s edges, mm. */
  readonly margin: number;
  /** Every piece keeps its length along the sheet’s: rolling direction or grain. */
  readonly along: boolean;
}

/** A piece on a sheet: its near corner, and whether it is turned a quarter. */
export interface PlacedPiece {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly turned: boolean;
}

export interface NestedSheet {
  readonly pieces: readonly PlacedPiece[];
  /** What is left clear past the last piece, over the whole width, mm: it goes back on the rack. */
  readonly remnant: number;
  /** Its own size where it is an offcut off the rack. */
  readonly offcut?: Offcut;
}

/** Left over from another job, mm. */
export interface Offcut {
  readonly long: number;
  readonly wide: number;
}

export interface SheetPlan {
  readonly long: number;
  readonly wide: number;
  readonly sheets: readonly NestedSheet[];
  /** Offcuts first, then sheets that are bought. */
  readonly bought: number;
  /** Sheets of this size that the metal which no offcut holds fills alone: no plan takes fewer of them. */
  readonly atLeast: number;
  /** Of the sheets, what is neither in a piece nor in the remnants. */
  readonly waste: number;
}

/** Ways in which pieces are set: turned as it comes, all along the sheet or all across it; by the larger side or the larger area left. */
const LAID = ['free', 'along', 'across'] as const;
type Laid = (typeof LAID)[number];
const WAYS = LAID.flatMap((laid) => [PACKING_LOGIC.MAX_EDGE, PACKING_LOGIC.MAX_AREA].map((logic) => ({ laid, logic })));

/**
 * Pieces of one metal and thickness on the sheets that cost the least area, by their rectangles (maximal rectangles, Jylänki 2010;
 * a heuristic: no fewer sheets are promised than `atLeast`). Small pieces lie in the
 * openings of large ones first. The best of several orders is kept.
 */
export function nestOn(
  pieces: readonly FlatPiece[],
  sizes: readonly (readonly [number, number])[],
  cut: SheetCut,
  onHand: readonly Offcut[] = [],
): SheetPlan | Refusal {
  const wrong = refusedCut(cut);
  if (wrong) return wrong;
  const laid = cut.along ? ('along' as const) : ('free' as const);
  const { left: outside, inside } = intoOpenings(pieces, cut.kerf, (small, long, wide) => {
    const fits = small.filter((p) => fitsOn(p, long, wide, 0, laid));
    if (fits.length === 0) return [];
    return nested(fits, long, wide, { ...cut, margin: 0 }, laid, PACKING_LOGIC.MAX_AREA).sheets[0]!.pieces;
  });
  const { sheets: first, left } = fromOffcuts(outside, onHand, cut);
  const no = tooLarge(left, sizes, cut);
  if (no) return no;
  const [long, wide] = sizes[0]!;
  const fresh = left.length > 0 ? nestFresh(left, sizes, cut) : { long, wide, sheets: [], bought: 0, atLeast: 0, waste: 0 };
  const plan = withOffcuts(first, pieces, fresh);
  return { ...plan, sheets: withInsides(plan.sheets, pieces, inside) };
}

/** Metal over what it is cut from, its remnants left out, with the offcuts. */
function withOffcuts(first: readonly NestedSheet[], pieces: readonly FlatPiece[], fresh: SheetPlan): SheetPlan {
  const metal = pieces.reduce((sum, p) => sum + p.count * p.area, 0);
  const sheets = [...first, ...fresh.sheets];
  const taken = sheets.reduce((sum, s) => {
    const { long, wide } = s.offcut ?? fresh;
    return sum + (long - s.remnant) * wide;
  }, 0);
  return { ...fresh, sheets, waste: taken > 0 ? 1 - metal / taken : 0 };
}

/** Fills offcuts, the smallest first, with what goes into them; what is left is nested on sheets that are bought. */
function fromOffcuts(
  pieces: readonly FlatPiece[],
  onHand: readonly Offcut[],
  cut: SheetCut,
): { readonly sheets: readonly NestedSheet[]; readonly left: readonly FlatPiece[] } {
  let left = pieces;
  const sheets: NestedSheet[] = [];
  for (const o of [...onHand].sort((a, b) => a.long * a.wide - b.long * b.wide)) {
    const laid = cut.along ? ('along' as const) : ('free' as const);
    const small = left.filter((p) => fitsOn(p, o.long, o.wide, cut.margin, laid));
    if (small.length === 0) continue;
    const [sheet] = nested(small, o.long, o.wide, cut, laid, PACKING_LOGIC.MAX_AREA).sheets;
    sheets.push({ ...sheet!, offcut: o });
    left = left
      .map((p) => ({ ...p, count: p.count - sheet!.pieces.filter((x) => x.id === p.id).length }))
      .filter((p) => p.count > 0);
  }
  return { sheets, left };
}

function nestFresh(pieces: readonly FlatPiece[], sizes: readonly (readonly [number, number])[], cut: SheetCut): SheetPlan {
  const plans = sizes.flatMap(([long, wide]) =>
    WAYS.filter(
      ({ laid }) => (laid === 'along' || !cut.along) && pieces.every((p) => fitsOn(p, long, wide, cut.margin, laid)),
    ).map(({ laid, logic }) => nested(pieces, long, wide, cut, laid, logic)),
  );
  const bought = (p: SheetPlan) => p.sheets.length * p.long * p.wide;
  const kept = (p: SheetPlan) => p.sheets.reduce((sum, s) => sum + s.remnant * p.wide, 0);
  return plans.reduce((best, p) => (bought(p) < bought(best) || (bought(p) === bought(best) && kept(p) > kept(best)) ? p : best));
}

function fitsOn(p: FlatPiece, long: number, wide: number, margin: number, laid: Laid): boolean {
  const [a, b] = [long - 2 * margin + 1e-6, wide - 2 * margin + 1e-6];
  const along = p.length <= a && p.width <= b;
  const across = p.width <= a && p.length <= b;
  return laid === 'free' ? along || across : laid === 'along' ? along : across;
}

function refusedCut(cut: SheetCut): Refusal | undefined {
  if (!(cut.kerf >= 0 && cut.kerf <= 20)) return refuse('cut.kerf', `a kerf of ${cut.kerf} mm`, '0 to 20 mm');
  if (!(cut.margin >= 0 && cut.margin <= 100)) return refuse('cut.margin', `a margin of ${cut.margin} mm`, '0 to 100 mm');
  return undefined;
}

function tooLarge(
  pieces: readonly FlatPiece[],
  sizes: readonly (readonly [number, number])[],
  cut: SheetCut,
): Refusal | undefined {
  const large = pieces.find(
    (p) => !sizes.some(([long, wide]) => fitsOn(p, long, wide, cut.margin, cut.along ? 'along' : 'free')),
  );
  if (!large) return undefined;
  const size = `${Math.ceil(large.length)} × ${Math.ceil(large.width)} mm`;
  const way = cut.along ? ' with its length along the sheet' : '';
  return refuse('sheets', `${large.name} is ${size}: larger than every sheet${way}`, 'smaller parts, or a sheet ordered to size');
}

function nested(
  pieces: readonly FlatPiece[],
  long: number,
  wide: number,
  { kerf, margin }: SheetCut,
  laid: Laid,
  logic: PACKING_LOGIC,
): SheetPlan {
  const packer = new MaxRectsPacker(long, wide, kerf, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: laid === 'free',
    border: margin,
    logic,
  });
  const all = pieces
    .flatMap((p) => Array.from({ length: p.count }, () => p))
    .sort((a, b) => Math.max(b.length, b.width) - Math.max(a.length, a.width) || b.length * b.width - a.length * a.width);
  const across = laid === 'across';
  for (const p of all) packer.add(across ? p.width : p.length, across ? p.length : p.width, p.id);
  const sheets = packer.bins.map((bin): NestedSheet => ({
    pieces: bin.rects.map((r) => ({ id: r.data as string, x: r.x, y: r.y, turned: r.rot !== across })),
    remnant: Math.max(0, long - Math.max(...bin.rects.map((r) => r.x + r.width)) - kerf),
  }));
  const metal = pieces.reduce((sum, p) => sum + p.count * p.area, 0);
  const taken = sheets.reduce((sum, s) => sum + (long - s.remnant) * wide, 0);
  const atLeast = Math.max(1, Math.ceil(metal / ((long - 2 * margin) * (wide - 2 * margin)) - 1e-9));
  return { long, wide, sheets, bought: sheets.length, atLeast, waste: taken > 0 ? 1 - metal / taken : 0 };
}
