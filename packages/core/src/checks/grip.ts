import type { Resolved } from '../job/resolve';

/** What of the skin a bolt goes through, mm: one wall where it ends inside a hollow section. */
const skinThrough = (r: Resolved): number =>
  r.substrate.kind === 'hollow' && r.substrate.through === 'one wall' ? r.substrate.wall : r.skinThickness;

/** Plies and packing that bolt i goes through, mm. In timber only what is outside it: the wood's own rules know its length. */
export function pliesOf(r: Resolved, i: number): number {
  const b = r.bolts[i]!;
  const skin = r.skinKind === 'timber' || r.skinKind === 'bed' ? 0 : skinThrough(r);
  return (b.throughBase ? r.baseThickness : 0) + r.plateThickness * r.plateLayers + b.packed + skin + r.far.height;
}

/** Clamped thickness between head and nut with the washers, mm: what the bolt stretches over. */
export function clampOf(r: Resolved, i: number): number {
  const b = r.bolts[i]!;
  const base = b.throughBase ? r.baseThickness : 0;
  const far = r.far.height + (r.far.kind === 'plate' ? r.size.washer.thickness : 0);
  return r.size.washer.thickness + base + r.plateThickness * r.plateLayers + b.packed + skinThrough(r) + far;
}
