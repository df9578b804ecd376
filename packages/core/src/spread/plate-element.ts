/**
 * Stiffness of a plate per width: moments (m_x, m_y, m_xy) from curvatures (κ_x, κ_y, κ_xy = ∂β_x/∂y + ∂β_y/∂x) by D11, D22, D12
 * and D66, N·mm; shear forces from shear strains by S1 and S2, N/mm.
 */
export interface PlateStiffness {
  readonly D11: number;
  readonly D22: number;
  readonly D12: number;
  readonly D66: number;
  readonly S1: number;
  readonly S2: number;
}

/** A solid isotropic plate: D = Et³/12(1 − ν²), shear 5/6·G·t. */
export function isotropic(E: number, nu: number, t: number): PlateStiffness {
  const D = (E * t ** 3) / (12 * (1 - nu * nu));
  const S = ((5 / 6) * E * t) / (2 * (1 + nu));
  return { D11: D, D22: D, D12: nu * D, D66: (D * (1 - nu)) / 2, S1: S, S2: S };
}

/** An orthotropic plate by its moduli: E1, E2, ν12, G12, and one shear modulus through the thickness. */
export function orthotropic(E1: number, E2: number, nu12: number, G12: number, Gz: number, t: number): PlateStiffness {
  const nu21 = (nu12 * E2) / E1;
  const k = t ** 3 / (12 * (1 - nu12 * nu21));
  const S = (5 / 6) * Gz * t;
  return { D11: E1 * k, D22: E2 * k, D12: nu12 * E2 * k, D66: (G12 * t ** 3) / 12, S1: S, S2: S };
}

/** A sandwich: faces of E, ν and t_n, t_f about a core of G and h; its shear is the core's, G·d²/h (Allen). */
export function sandwichPlate(E: number, nu: number, tn: number, tf: number, G: number, h: number): PlateStiffness {
  const d = h + (tn + tf) / 2;
  const D = (E * tn * tf * d * d) / ((tn + tf) * (1 - nu * nu)) + (E * (tn ** 3 + tf ** 3)) / (12 * (1 - nu * nu));
  const S = (G * d * d) / h;
  return { D11: D, D22: D, D12: nu * D, D66: (D * (1 - nu)) / 2, S1: S, S2: S };
}

/**
 * A plate with ribs along x on one face, smeared over its width (Timoshenko & Woinowsky-Krieger §85): across them the plate alone,
 * along them plate and ribs about their common axis. Their own twist is left out. A: area of ribs per width, mm; h: their height.
 */
export function ribbed(E: number, nu: number, t: number, A: number, h: number): PlateStiffness {
  const plate = isotropic(E, nu, t);
  const wide = t / (1 - nu * nu);
  const apart = (t + h) / 2;
  return { ...plate, D11: plate.D11 + E * ((A * h * h) / 12 + ((wide * A) / (wide + A)) * apart * apart) };
}

/** The same plate with its two directions changed over. */
export const turned = (p: PlateStiffness): PlateStiffness => ({ ...p, D11: p.D22, D22: p.D11, S1: p.S2, S2: p.S1 });

/** Several loose plates, or a stiffer one, as a multiple. */
export const times = (p: PlateStiffness, k: number): PlateStiffness => ({
  D11: p.D11 * k,
  D22: p.D22 * k,
  D12: p.D12 * k,
  D66: p.D66 * k,
  S1: p.S1 * k,
  S2: p.S2 * k,
});

const GAUSS = 1 / Math.sqrt(3);
/** Signs of the four corners, counter-clockwise from the lower left. */
const SX = [-1, 1, 1, -1] as const;
const SY = [-1, -1, 1, 1] as const;
const [DX, DY, ON_X, ON_Y] = [new Float64Array(4), new Float64Array(4), new Float64Array(4), new Float64Array(4)] as const;

/**
 * Stiffness of a rectangular plate element a × b, 12 × 12 row by row, unknowns w, β_x, β_y at each corner (rotations of the
 * section: β_x = −∂w/∂x where there is no shear). Reissner–Mindlin with assumed shear strains, MITC4: Bathe & Dvorkin 1985;
 * shear sampled at the middles of the sides, so it does not lock however thin the plate.
 */
export function elementStiffness(a: number, b: number, p: PlateStiffness, out = new Float64Array(144)): Float64Array {
  out.fill(0);
  const dA = (a * b) / 4;
  for (const xi of [-GAUSS, GAUSS])
    for (const eta of [-GAUSS, GAUSS]) {
      for (let n = 0; n < 4; n++) {
        DX[n] = (SX[n]! * (1 + SY[n]! * eta)) / (2 * a);
        DY[n] = (SY[n]! * (1 + SX[n]! * xi)) / (2 * b);
        // γ_x lives on the lower and upper sides, γ_y on the left and right ones.
        ON_X[n] = (1 + SY[n]! * eta) / 2;
        ON_Y[n] = (1 + SX[n]! * xi) / 2;
      }
      for (let i = 0; i < 4; i++)
        for (let j = 0; j < 4; j++) {
          const [dxi, dyi, dxj, dyj] = [DX[i]!, DY[i]!, DX[j]!, DY[j]!];
          const [x, y] = [p.S1 * ON_X[i]! * ON_X[j]! * dA, p.S2 * ON_Y[i]! * ON_Y[j]! * dA];
          const at = 36 * i + 3 * j;
          out[at]! += (x * SX[i]! * SX[j]!) / (a * a) + (y * SY[i]! * SY[j]!) / (b * b);
          out[at + 1]! += (x * SX[i]!) / (2 * a);
          out[at + 2]! += (y * SY[i]!) / (2 * b);
          out[at + 12]! += (x * SX[j]!) / (2 * a);
          out[at + 13]! += (p.D11 * dxi * dxj + p.D66 * dyi * dyj) * dA + x / 4;
          out[at + 14]! += (p.D12 * dxi * dyj + p.D66 * dyi * dxj) * dA;
          out[at + 24]! += (y * SY[j]!) / (2 * b);
          out[at + 25]! += (p.D12 * dyi * dxj + p.D66 * dxi * dyj) * dA;
          out[at + 26]! += (p.D22 * dyi * dyj + p.D66 * dxi * dxj) * dA + y / 4;
        }
    }
  return out;
}
