import { metal, type Metal } from './metals';
import { TIMBER_GAMMA, timberRow } from './timber';

/**
 * What carries the plate. Strengths in MPa as characteristic values; `basis` says whether bending is governed by
 * yield (metals) or by break (laminate, plywood).
 */
export interface SkinStrength {
  readonly name: string;
  readonly basis: 'yield' | 'break';
  /** Bending strength in the weaker direction. */
  readonly bending: number;
  /** Modulus in bending, weaker direction. */
  readonly E: number;
  readonly nu: number;
  /** Strength under a plate or washer pressing on the face. */
  readonly crush: number;
  /** Through-thickness shear, for punching; metals use f_u by EN 1993-1-8 instead. */
  readonly punch: number;
  /** In-plane bearing strength on d·t of a bolt; metals by EN Tab. 3.4 or AISC J3.10. Depends on d for plywood. */
  bearing(d: number): number;
  /** Ultimate strength of a metal; 0 for the others. */
  readonly fu: number;
  /** γ_M of the material in limit states. */
  readonly gammaM: number;
  /** Wood: weaker the longer it is loaded, and the wetter it is. */
  readonly wood?: true;
  readonly source: string;
}

/**
 * Solid hand-laid glass laminate by glass content ψ (mass fraction), ISO 12215-5 Annex C (memory):
 * flexural 502ψ² + 107, compressive 150ψ + 72, interlaminar shear 22.5 − 17.5ψ, which is what a pull through the
 * thickness meets (80ψ + 38 is shear in the plane),
 * E 33400ψ² + 2200. Range ψ 0.25–0.65. Crushing and bearing take the compressive strength (common practice).
 * γ_M 2.0: the same annex designs at half of ultimate.
 */
export function laminate(psi: number): SkinStrength {
  const compressive = 150 * psi + 72;
  return {
    name: `Solid laminate, glass ${Math.round(psi * 100)} %`,
    basis: 'break',
    bending: 502 * psi ** 2 + 107,
    E: 33_400 * psi ** 2 + 2200,
    nu: 0.3,
    crush: compressive,
    punch: 22.5 - 17.5 * psi,
    bearing: () => compressive,
    fu: 0,
    gammaM: 2,
    source: 'ISO 12215-5 Annex C (memory)',
  };
}

/**
 * Plywood, generic characteristic values, cross-grain direction: replace by the maker's. Embedment
 * f_h,k = 0.11·(1 − 0.01·d)·ρ_k (EN 1995-1-1 eq. 8.36). Crush under a washer 3·f_c,90 (EN 1995-1-1 §8.5.2(2)).
 * γ_M 1.2 (EN 1995-1-1 Tab. 2.3); k_mod goes with the load.
 */
interface PlywoodRow {
  readonly id: string;
  readonly name: string;
  readonly bending: number;
  readonly E: number;
  readonly fc90: number;
  readonly panelShear: number;
  readonly density: number;
}

export const PLYWOODS: readonly PlywoodRow[] = [
  { id: 'birch', name: 'Birch plywood', bending: 27.7, E: 5896, fc90: 5, panelShear: 9.5, density: 630 },
  { id: 'softwood', name: 'Softwood plywood', bending: 12.4, E: 2980, fc90: 3, panelShear: 3.5, density: 460 },
];

export function plywood(id: string): SkinStrength | undefined {
  const row = PLYWOODS.find((p) => p.id === id);
  return (
    row && {
      name: row.name,
      basis: 'break',
      bending: row.bending,
      E: row.E,
      nu: 0.3,
      crush: 3 * row.fc90,
      punch: row.panelShear,
      bearing: (d) => 0.11 * (1 - 0.01 * d) * row.density,
      fu: 0,
      gammaM: 1.2,
      wood: true,
      source: 'generic plywood data (memory), replace by the maker’s; EN 1995-1-1 §8.3, §8.5',
    }
  );
}

export function sheet(metalId: string, own: readonly Omit<Metal, 'gauges'>[] = []): SkinStrength | undefined {
  const m = metal(metalId, own);
  return m && sheetOf(m);
}

export const sheetOf = (m: Metal): SkinStrength => ({
  name: `${m.name} sheet`,
  basis: 'yield',
  bending: m.fy,
  E: m.E,
  nu: 0.3,
  crush: m.fy,
  punch: 0,
  bearing: () => 0,
  fu: m.fu,
  gammaM: 1,
  source: m.source,
});

/** Wall of a hollow section: the metal's own strength; how the wall bends is a link of its own. */
export function hollowWall(metalId: string, own: readonly Omit<Metal, 'gauges'>[] = []): SkinStrength | undefined {
  const s = sheet(metalId, own);
  return s && { ...s, name: s.name.replace(/ sheet$/, ' hollow section') };
}

/** Flange of a rolled section: the metal's own strength; how the flange bends from its web is a link of its own. */
export function flangeMetal(metalId: string, own: readonly Omit<Metal, 'gauges'>[] = []): SkinStrength | undefined {
  const s = sheet(metalId, own);
  return s && { ...s, name: s.name.replace(/ sheet$/, ' flange') };
}

/**
 * Faces and core of a sandwich. The faces are hand-laid glass laminate of content ψ; what presses on the skin presses on the
 * core, so crush is the core's. Bending strength and modulus are the faces' in tension and compression:
 * tensile 800ψ² − 80ψ + 37, compressive 150ψ + 72, in-plane E 38000ψ − 5000 (ISO 12215-5 Annex C, memory).
 */
export function sandwich(psi: number, core: { readonly crush: number }): SkinStrength {
  const face = laminate(psi);
  return {
    ...face,
    name: `Sandwich, faces of glass ${Math.round(psi * 100)} %`,
    bending: Math.min(800 * psi ** 2 - 80 * psi + 37, 150 * psi + 72),
    E: 38_000 * psi - 5000,
    crush: core.crush,
    source: 'faces ISO 12215-5 Annex C (memory); core generic, replace by the maker’s',
  };
}

/**
 * Solid timber: embedment along the grain 0.082·(1 − 0.01·d)·ρ_k (EN 1995-1-1 eq. 8.32), 3·f_c,90 under a washer
 * (§8.5.2(2)), bending along the grain.
 */
export function timber(grade: string): SkinStrength | undefined {
  const t = timberRow(grade);
  return (
    t && {
      name: `Timber ${t.id}`,
      basis: 'break',
      bending: t.fm,
      E: t.E05,
      nu: 0,
      crush: 3 * t.fc90,
      punch: t.fv,
      bearing: (d) => 0.082 * (1 - 0.01 * d) * t.rhoK,
      fu: 0,
      gammaM: TIMBER_GAMMA,
      wood: true,
      source: 'EN 338 (memory); EN 1995-1-1 §8.5',
    }
  );
}

/** A solid bed, such as concrete or a casting: only its crush strength is known; bolts in it are the anchor maker's. */
export const bed = (strength: number): SkinStrength => ({
  name: 'Solid bed',
  basis: 'break',
  bending: 0,
  E: 30_000,
  nu: 0.2,
  crush: strength,
  punch: 0,
  bearing: () => 0,
  fu: 0,
  gammaM: 1.5,
  source: 'strength as given in the job; γ_M 1.5 (EN 1992-1-1)',
});
