import type { Rect } from '../geometry/points';
import type { Grid } from './grid';
import type { NodePart } from './head-patch';
import type { PlaneStiffness } from './membrane';
import type { PlateStiffness } from './plate-element';

/** Stress in the upper and lower face from a moment per width, σ = m/W, mm³/mm, and from a force per width, σ = n/A, mm²/mm. */
export interface Section {
  readonly top: number;
  readonly bottom: number;
  readonly area: number;
}

/** A plate of the stack, from the fitting down: base, mounting plate, skin, backing. */
export interface Layer {
  readonly name: string;
  readonly outline: Rect;
  readonly stiffness: PlateStiffness;
  readonly thickness: number;
  /** What stresses are found by; a solid plate of its thickness where left out. */
  readonly section?: Section;
  /** Its stress is not read: it stands for more than a plate. */
  readonly unread?: boolean;
  /** Part of each cell of the grid that is there, 0 to 1; all of the outline where left out. */
  readonly mask?: Float64Array;
  /** Part of its thickness that each cell has left, where it is tapered; bending goes with the cube. */
  readonly left?: Float64Array;
  /** Elastic bed under it everywhere, N/mm³; pushes and pulls. */
  readonly bed?: number;
  /** In-plane stiffness, where it is solved with membrane action. */
  readonly membrane?: PlaneStiffness;
}

/** Two neighbours pressed on each other: compression only, or tied. */
export interface Contact {
  readonly upper: number;
  readonly lower: number;
  /** Bedding stiffness, N/mm³. */
  readonly modulus: number;
  /** Held together both ways: everywhere, or at some nodes, as along a weld. */
  readonly tied: boolean | ReadonlySet<number>;
  /** They nowhere touch: something stands between them. */
  readonly apart?: boolean;
  /** Clear height between them before the load, mm. */
  readonly gap: number;
}

/** Over which nodes something presses on the part above and on the one below. */
export interface Heads {
  readonly upper: readonly NodePart[];
  readonly lower: readonly NodePart[];
}

/** What stands between two parts about a node and presses them apart, and never pulls: a spacer tube, a packer. */
export interface StackPost {
  readonly id: string;
  readonly node: number;
  readonly heads: Heads;
  readonly upper: number;
  readonly lower: number;
  /** N/mm. */
  readonly stiffness: number;
}

/** An axial spring from the upper part to the lower one at a node of the grid; pulls only. */
export interface StackBolt {
  readonly id: string;
  readonly node: number;
  /** Over which nodes its head presses on the upper part, and its nut on the lower; its own node alone where left out. */
  readonly heads?: Heads;
  readonly upper: number;
  readonly lower: number;
  /** N/mm. */
  readonly stiffness: number;
  /** Pull before the load, N. */
  readonly preload: number;
}

/** What a line or point of a layer is held by: w, and the turning across it. */
export interface Support {
  readonly layer: number;
  readonly node: number;
  readonly w: boolean;
  readonly betaX: boolean;
  readonly betaY: boolean;
  /** Held in the plane; means something only where there is membrane action. */
  readonly u?: boolean;
  readonly v?: boolean;
  /** Which bearer or edge it belongs to, for its reaction. */
  readonly of: string;
}

/** Springs to the ground at nodes, N/mm. */
export interface GroundSpring {
  /** Which bearer it belongs to, for its reaction. */
  readonly of: string;
  readonly layer: number;
  readonly node: number;
  readonly stiffness: number;
}

export interface Stack {
  readonly grid: Grid;
  readonly layers: readonly Layer[];
  readonly contacts: readonly Contact[];
  readonly bolts: readonly StackBolt[];
  readonly posts?: readonly StackPost[];
  readonly supports: readonly Support[];
  readonly springs: readonly GroundSpring[];
}

/** Forces up on nodes of layers, N. */
export interface StackLoad {
  readonly forces: readonly { readonly layer: number; readonly node: number; readonly fz: number }[];
}
