import { Matrix, pseudoInverse } from 'ml-matrix';
import type { Place, Vector } from '../geometry/vector';
import type { FootPlace } from './stands';

/** Forces and moments as a column: fx, fy, fz, mx, my, mz. */
export type Six = readonly number[];
export const sixOf = (v: Vector): Six => [v.fx, v.fy, v.fz, v.mx, v.my, v.mz];
export const vectorOf = ([fx = 0, fy = 0, fz = 0, mx = 0, my = 0, mz = 0]: Six): Vector => ({ fx, fy, fz, mx, my, mz });

/** A spring under the fitting: where it holds, how stiff along and about the fitting's axes. */
export interface Spring {
  readonly at: Place;
  /** 6 × 6 about its own point: forces against displacements, moments against turns. */
  readonly own: Matrix;
}

/**
 * Of a foot, in the fitting's axes; `moments`: it takes those about the axes it says, as an evenly sprung pad of its base (I = L²/12 per unit
 * of stiffness). A foot that only rests presses and does nothing else: friction under it is not counted on, nor a moment.
 */
export function springOf(f: FootPlace, at: Place, moments: boolean): Spring {
  const { z } = f.stiffness;
  const { x, y } = f.restsOnly ? { x: 0, y: 0 } : f.stiffness;
  const about =
    moments && !f.restsOnly
      ? [
          f.takes.mx ? (z * f.width ** 2) / 12 : 0,
          f.takes.my ? (z * f.length ** 2) / 12 : 0,
          f.takes.mz ? (x * f.width ** 2 + y * f.length ** 2) / 12 : 0,
        ]
      : [0, 0, 0];
  const local = Matrix.diag([x, y, z, ...about]);
  if (f.turn === 0) return { at, own: local };
  const [c, s] = [Math.cos(f.turn), Math.sin(f.turn)];
  const R = Matrix.zeros(6, 6);
  for (const k of [0, 3]) {
    R.set(k, k, c);
    R.set(k, k + 1, -s);
    R.set(k + 1, k, s);
    R.set(k + 1, k + 1, c);
    R.set(k + 2, k + 2, 1);
  }
  return { at, own: R.mmul(local).mmul(R.transpose()) };
}

/** Rigid body: displacement at a point from those at the datum, u + θ × r and θ. */
function rigid({ x, y, z }: Place): Matrix {
  const T = Matrix.eye(6, 6);
  const turn = [
    [0, z, -y],
    [-z, 0, x],
    [y, -x, 0],
  ];
  turn.forEach((row, i) => row.forEach((v, j) => T.set(i, j + 3, v)));
  return T;
}

/** What each spring takes of one newton or newton-millimetre along each of the six ways, and which loads nothing holds. */
export interface Shares {
  /** Per spring, 6 × 6: force and moment at the spring's own point. */
  readonly maps: readonly Matrix[];
  /** 6 × 6: what is left of a load that the springs do not hold; nothing where all is held. */
  readonly left: Matrix;
  /** Displacement and turn of the fitting per unit of load, relative to the stiffness given. */
  readonly moves: Matrix;
  /** Length by which moments are set beside forces, mm. */
  readonly lever: number;
}

/** A way the springs hold less than this of the stiffest is held by nothing. */
const NOTHING = 1e-9;

/** A stiff fitting on springs: q = K⁻¹·P, R_i = k_i·(u + θ × r_i) (statics; rigid body). Where K is singular, the least that holds what can be held. */
export function sharesOf(springs: readonly Spring[]): Shares {
  const lever = Math.max(1, ...springs.map(({ at }) => Math.hypot(at.x, at.y, at.z)));
  // Moments over the lever, so that force and moment weigh alike.
  const D = Matrix.diag([1, 1, 1, 1 / lever, 1 / lever, 1 / lever]);
  const bodies = springs.map((s) => rigid(s.at));
  const K = springs.reduce((sum, s, i) => sum.add(bodies[i]!.transpose().mmul(s.own).mmul(bodies[i]!)), Matrix.zeros(6, 6));
  const scaled = D.mmul(K).mmul(D);
  const most = Math.max(scaled.max(), Number.MIN_VALUE);
  const inverse = D.mmul(pseudoInverse(Matrix.div(scaled, most), NOTHING).div(most)).mmul(D);
  return {
    maps: springs.map((s, i) => s.own.mmul(bodies[i]!).mmul(inverse)),
    left: Matrix.eye(6, 6).sub(K.mmul(inverse)),
    moves: inverse,
    lever,
  };
}

export const times = (m: Matrix, v: Six): Six => m.mmul(Matrix.columnVector([...v])).to1DArray();
