import type { Resolved } from '../job/resolve';

/** The thickness of skin a nut or plate would have to pull through, mm: the far face of a sandwich, one wall of a section. */
export function heldThickness(r: Resolved): number {
  const s = r.substrate;
  if (s.kind === 'sandwich') return s.farFace;
  if (s.kind === 'hollow') return s.wall;
  return r.skinThickness;
}

/**
 * The thickness of skin a bolt bears on sideways, mm. A sandwich gives its near face, and both where a sleeve or plug keeps
 * the bolt upright; a section gives one wall, as a bolt through both leans.
 */
export function bearingSkin(r: Resolved): number {
  const s = r.substrate;
  if (s.kind === 'sandwich') return r.joint.sleeve === 'none' ? s.nearFace : s.nearFace + s.farFace;
  if (s.kind === 'hollow') return s.wall;
  return r.skinThickness;
}

/** True where the skin is metal and follows the rules for metal plates. */
export const metalSkin = (r: Resolved): boolean => r.skinKind === 'sheet' || r.skinKind === 'hollow' || r.skinKind === 'flange';

/** Faces, core and lever arm of a sandwich, mm. */
export interface SandwichParts {
  readonly near: number;
  readonly far: number;
  readonly core: number;
  /** Between the middles of the faces. */
  readonly d: number;
}

export function sandwichParts(r: Resolved): SandwichParts | undefined {
  const s = r.substrate;
  if (s.kind !== 'sandwich') return undefined;
  const near = s.nearFace;
  const far = s.farFace;
  const core = s.thickness - near - far;
  return { near, far, core, d: core + (near + far) / 2 };
}
