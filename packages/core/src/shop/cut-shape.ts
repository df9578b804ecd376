import { grown } from '../geometry/offset';
import { laidPoint, laidRegion, type Laid } from '../geometry/place-region';
import { loopBounds, type Region } from '../geometry/region';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import type { CutHole, CutPart } from './cut-parts';

/** What is cut of a part: its outline and openings, and its holes. mm. */
export interface CutShape {
  readonly region: Region;
  readonly holes: readonly Pick<CutHole, 'id' | 'x' | 'y' | 'd' | 'slot'>[];
}

/** Widest cut a file is made for, mm. */
export const WIDEST_KERF = 10;

/**
 * A part as a cutter without compensation of its own must follow it: outline out and holes in by half the cut. As drawn with a kerf of
 * 0. Refuses holes and edges narrower than the cut.
 */
export function compensated({ region, holes }: CutShape, kerf: number): CutShape | Refusal {
  if (!(kerf >= 0 && kerf <= WIDEST_KERF)) return refuse('kerf', `a cut of ${kerf} mm`, `0 to ${WIDEST_KERF} mm`);
  if (kerf === 0) return { region, holes };
  const small = holes.find((h) => h.d <= kerf);
  if (small) return refuse('kerf', `hole ${small.id} is ${small.d} mm wide, the cut ${kerf} mm`, 'a narrower cut, or drill it');
  const wide = grown(region, kerf / 2);
  if (isRefusal(wide)) return wide;
  return {
    region: wide,
    holes: holes.map((h) => ({ ...h, d: h.d - kerf, ...(h.slot ? { slot: { ...h.slot, long: h.slot.long - kerf } } : {}) })),
  };
}

/** A part where it lies on a sheet, or seen from its other face. */
export function laidShape({ region, holes }: CutShape, laid: Laid): CutShape {
  const turnOf = (turn: number) => (laid.mirrored ? -turn : turn) + (laid.turned ? Math.PI / 2 : 0);
  return {
    region: laidRegion(region, laid),
    holes: holes.map((h) => ({
      ...h,
      ...laidPoint(h, laid),
      ...(h.slot ? { slot: { ...h.slot, turn: turnOf(h.slot.turn) } } : {}),
    })),
  };
}

/** The part in its other hand. */
export function otherHand(part: CutPart): CutPart {
  const laid: Laid = { mirrored: true, turned: false, dx: 0, dy: 0 };
  const { region, holes } = laidShape(part, laid);
  return {
    ...part,
    region,
    bounds: loopBounds(region.outer),
    holes: part.holes.map((h, i) => ({ ...h, ...holes[i]! })),
    bends: part.bends.map((b) => ({ ...b, from: laidPoint(b.from, laid), to: laidPoint(b.to, laid) })),
  };
}
