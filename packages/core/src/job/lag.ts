import { nextLength } from '../stock/bolt-lengths';
import { headDepth } from '../stock/heads';
import { lagLengthFor, lagShape, lagThread } from '../stock/lags';
import type { Resolved } from './resolved';

/** A lag screw in its timber; mm. */
export interface Lag {
  /** Under its head, as it is stocked, and whether one of its standard has so much thread and does not come out behind. */
  readonly length: number;
  readonly standard: boolean;
  /** How deep it goes into the timber, and how much of that is plain shank. */
  readonly depth: number;
  readonly shank: number;
  /** Thread it is to have in the timber, point and all, and without the point. */
  readonly thread: number;
  readonly tip: number;
  readonly l_ef: number;
  /** What it counts as sideways. */
  readonly d_ef: number;
}

/** Shank this far into the timber, over its diameter, is what bends (EN 1995-1-1 §8.7.1(3)). */
const SHANK = 4;

/** Above the part a thread is cut or set in, from under the head: washer, base, plates, packing, and `skin` where that part lies behind it; mm. */
export function underHead(r: Resolved, i: number, skin: number): number {
  const b = r.bolts[i]!;
  // A head let into its part has no washer, and is counted in the length.
  const washer = headDepth(r.joint.head, r.size) > 0 ? 0 : r.size.washer.thickness;
  return washer + (b.throughBase ? r.baseThickness : 0) + r.plateThickness * r.plateLayers + b.packed + skin;
}

/**
 * From under its head, the least a lag screw of the kind in hand must be long, whatever is stocked: with so much thread by its standard, or,
 * where such a one would come out behind, one threaded as far as that asks.
 */
export function leastLag(r: Resolved, i: number): { readonly length: number; readonly standard: boolean } {
  const above = underHead(r, i, 0);
  const bare = above + r.joint.engagement;
  const usual = Math.max(bare, lagLengthFor(r.size, r.joint.engagement));
  const stocked = nextLength(usual, r.size.family)?.length ?? usual;
  return stocked - above <= r.skinThickness + 1e-6 ? { length: usual, standard: true } : { length: bare, standard: false };
}

/**
 * Lag screw i, where the joint is seen as its kind. Its plain shank and its point hold nothing when it is drawn. Sideways it is as thick as
 * its shank where that reaches four diameters into the timber, else 1.1 times its root (EN 1995-1-1 §8.7.1).
 */
export function lagAt(r: Resolved, i: number): Lag {
  const thread = r.joint.engagement;
  const least = leastLag(r, i);
  const length = nextLength(least.length, r.size.family)?.length ?? least.length;
  const depth = least.standard ? length - underHead(r, i, 0) : thread;
  const { root, tip } = lagShape(r.size);
  const shank = least.standard ? Math.max(0, depth - lagThread(r.size, length)) : 0;
  return {
    length,
    standard: least.standard,
    depth,
    shank,
    thread,
    tip,
    l_ef: Math.max(0, thread - tip),
    d_ef: shank >= SHANK * r.d - 1e-9 ? r.d : 1.1 * root,
  };
}
