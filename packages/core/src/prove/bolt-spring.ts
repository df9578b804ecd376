import type { Resolved } from '../job/resolve';
import { atBolt } from '../job/of-kind';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';

// VDI 2230 Part 1 (2015) §5.1.1.1, hexagon bolt and nut: head 0.5·d, engaged thread 0.5·d, nut 0.4·d.
const D_3 = formula('d_3', 'd − 1.2269·P', 'mm');
const S_HEAD = formula('δ_SK', '0.5·d/(E·π/4·d^2)', 'mm/N');
const S_SHANK = formula('δ_1', 'l_1/(E·π/4·d^2)', 'mm/N');
const S_THREAD = formula('δ_Gew', 'l_Gew/(E·π/4·d_3^2)', 'mm/N');
const S_CORE = formula('δ_G', '0.5·d/(E·π/4·d_3^2)', 'mm/N');
const S_NUT = formula('δ_M', '0.4·d/(E·π/4·d^2)', 'mm/N');
const S_ALL = formula('δ_S', 'δ_SK + δ_1 + δ_Gew + δ_G + δ_M', 'mm/N');
// §5.1.2.1: the cone under the head, through bolt.
const TAN = formula('tan φ', '0.362 + 0.032·ln(l_K/(2·d_w)) + 0.153·ln(y)', '–');
const F_TURN = formula('F_θ', 'P/360/(δ_S + δ_P)', 'N/°');

/** MPa: thickened epoxy, generic, and steel of a sleeve (memory); ν of a foam (common practice). */
const PLUG_E = 3000;
const E_STEEL = 205_000;
const FOAM_NU = 0.3;

/** What a bolt is and what it clamps, mm and MPa. */
export interface Clamped {
  readonly d: number;
  readonly pitch: number;
  readonly E: number;
  /** Bearing face under head and nut, and the hole. */
  readonly dw: number;
  readonly hole: number;
  /** Plain shank inside the grip. */
  readonly shank: number;
  /** What lies between head and nut, from the head down. */
  readonly layers: readonly { readonly t: number; readonly E: number }[];
}

export interface BoltSpring {
  /** mm/N. */
  readonly bolt: number;
  readonly plates: number;
  /** N for a degree of the nut. */
  readonly perDegree: number;
  readonly steps: readonly Step[];
}

/** What a double cone of a stack gives under head and nut, mm/N: each layer’s part of the frustum (closed form of ∫dz/(E·A)). */
export function coneResilience({ layers, dw, hole }: Pick<Clamped, 'layers' | 'dw' | 'hole'>, tanφ: number): number {
  const lK = layers.reduce((sum, l) => sum + l.t, 0);
  // ∫dz / (π/4·((dw + 2z·tanφ)² − h²)) = ln((D − h)/(D + h)) / (π·h·tanφ), D = dw + 2z·tanφ.
  const from = (z: number): number => {
    const D = dw + 2 * z * tanφ;
    return Math.log((D - hole) / (D + hole)) / (Math.PI * hole * tanφ);
  };
  let top = 0;
  let given = 0;
  for (const { t, E } of layers) {
    const [a, b] = [top, top + t];
    const upper = Math.max(0, Math.min(b, lK / 2) - a);
    const lower = t - upper;
    if (upper > 0) given += (from(a + upper) - from(a)) / E;
    if (lower > 0) {
      // From below the cone is as wide.
      const near = lK - b;
      given += (from(near + lower) - from(near)) / E;
    }
    top = b;
  }
  return given;
}

/** Bolt and plates as two springs in line (VDI 2230 Part 1). Refuses nothing: a grip of no length gives an infinite pull per degree. */
export function boltSpring(c: Clamped): BoltSpring {
  const w = new Working(true);
  const lK = c.layers.reduce((sum, l) => sum + l.t, 0);
  const { d, pitch: P, E } = c;
  const d_3 = w.of(D_3, { d, P });
  const l_1 = Math.min(c.shank, lK);
  const δ = {
    δ_SK: w.of(S_HEAD, { d, E }),
    δ_1: w.of(S_SHANK, { l_1, E, d }),
    δ_Gew: w.of(S_THREAD, { l_Gew: lK - l_1, E, d_3 }),
    δ_G: w.of(S_CORE, { d, E, d_3 }),
    δ_M: w.of(S_NUT, { d, E }),
  };
  const bolt = w.of(S_ALL, δ, 'VDI 2230 Part 1 §5.1.1, from memory');
  const reach = c.dw + lK;
  const tanφ = Math.max(0.1, w.of(TAN, { l_K: lK, d_w: c.dw, y: reach / c.dw }, 'VDI 2230 Part 1 §5.1.2, from memory'));
  const plates = w.found('δ_P', coneResilience(c, tanφ), 'mm/N', 'the double cone under head and nut, layer by layer');
  const perDegree = w.of(F_TURN, { P, δ_S: bolt, δ_P: plates });
  return { bolt, plates, perDegree, steps: w.steps };
}

/** What one bolt of a job clamps, from head to nut. */
export function clampedBy(r: Resolved, i: number): Clamped {
  const b = r.bolts[i]!;
  const at = atBolt(r, i);
  const dw = at.size.acrossFlats - 1.4;
  const washer = at.far.kind === 'washer' ? [{ t: at.far.thickness, E: 205_000 }] : [];
  const far = at.far.kind === 'plate' ? [{ t: at.far.height, E: at.far.metal.E }] : [];
  const layers = [
    ...(b.throughBase ? [{ t: r.baseThickness, E: r.baseMetal.E }] : []),
    { t: r.plateThickness * r.plateLayers, E: r.plateMetal.E },
    ...(b.packed > 0 ? [{ t: b.packed, E: r.plateMetal.E }] : []),
    ...skinLayers(r, at),
    ...far,
    ...washer,
  ].filter((l) => l.t > 0);
  // Without a list of shank lengths the grip is taken as all thread: softer, so a degree pulls less.
  return { d: at.d, pitch: at.size.pitch, E: at.grade.E, dw, hole: at.d0, shank: 0, layers };
}

/** The skin as springs through its thickness: a metal’s own modulus, a sandwich face by face, of anything else that of its bed as the job says it. */
function skinLayers(r: Resolved, at: ReturnType<typeof atBolt>): { t: number; E: number }[] {
  const { substrate: s, skinThickness: t, skinMetal } = at;
  if (s.kind === 'bed') return [];
  if (s.kind === 'sandwich') {
    const core = { t: s.thickness - s.nearFace - s.farFace, E: coreThrough(at, s.coreModulus) };
    return [{ t: s.nearFace, E: at.skin.E }, core, { t: s.farFace, E: at.skin.E }];
  }
  return [{ t: s.kind === 'hollow' ? s.wall : t, E: skinMetal?.E ?? r.bedModulus }];
}

/**
 * What a core gives under a bolt that clamps through it, MPa: 2·G·(1 + ν) of a foam, ν 0.3 (isotropic; a balsa or honeycomb is stiffer
 * so, common practice); a plug of thickened epoxy, or a metal sleeve over the cone’s area, in its place.
 */
function coreThrough(at: ReturnType<typeof atBolt>, G: number): number {
  const { sleeve, tubeOutside: D, tubeWall } = at.joint;
  if (sleeve === 'plug') return PLUG_E;
  const foam = 2 * G * (1 + FOAM_NU);
  if (sleeve !== 'sleeve') return foam;
  const dw = at.size.acrossFlats - 1.4;
  return Math.max(foam, (E_STEEL * (D ** 2 - (D - 2 * tubeWall) ** 2)) / (dw ** 2 - at.d0 ** 2));
}
