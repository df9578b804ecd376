import type { Point } from '../../geometry/points';
import type { Shared } from '../../sharing/share';
import type { Refusal } from '../../units/refusal';
import type { Working } from '../../working/steps';

/** The figure does not concern this layout; says why. */
export interface NotApplicable {
  readonly applies: false;
  readonly because: string;
}

export const notApplicable = (because: string): NotApplicable => ({ applies: false, because });

/** A figure and where on the plan it was found. */
export interface Found {
  readonly value: number;
  readonly at: Point;
  /** The place in words. */
  readonly where: string;
  readonly cautions?: readonly string[];
}

/**
 * What one case puts on the links. By hand and as solved are two of these; no check knows which it has. Forces N, stresses MPa.
 */
export interface Demand {
  /** Pull in bolt i, with its prying. */
  pull(i: number, w: Working): number;
  /** Push down what stands round bolt i; 0 where nothing does. */
  push(i: number, w: Working): number;
  /** Pressure of the base on what it stands on. */
  pressure(w: Working): Found | NotApplicable;
  /** The plate's own stress; undefined where it is judged strip by strip. */
  plateStress(w: Working): Found | undefined;
  /** Stress of the backing plate where it is worked hardest; undefined where it is not known, or there is none. */
  farStress(w: Working): Found | undefined;
  /** The skin's stress where it is worked hardest. */
  skinStress(w: Working): Found | NotApplicable | Refusal;
  /** How far the panel gives, mm. */
  deflection(w: Working): Found | NotApplicable | Refusal;
  /** Shear across a sandwich round the plate's edge, N/mm. */
  edgeShear(w: Working): number;
}

/** A shared case with what it puts on the links: what a check judges. */
export interface Loaded extends Shared {
  readonly demand: Demand;
}
