/** One row of bolts between two straps, load in at the first bolt's end of strap 1 and out at the last bolt's end of strap 2. */
export interface Row {
  /** Distance to the next bolt, mm; one fewer than bolts. */
  readonly pitches: readonly number[];
  /** Axial stiffness E·A of each strap between bolts, N; the same length as `pitches`. */
  readonly EA1: readonly number[];
  readonly EA2: readonly number[];
  /** Flexibility of each fastener, mm/N. */
  readonly C: readonly number[];
}

/**
 * Parts of the load that each bolt takes, summing to 1: elastic shear lag. Between bolts i and i+1 the straps stretch by
 * p(1 − S)/EA1 and p·S/EA2, S the load already handed over; the bolts' slips differ by just that. Tridiagonal in S.
 */
export function sharesAlongRow(row: Row): number[] {
  const n = row.C.length;
  if (n === 1) return [1];
  const m = n - 1;
  const sub = new Float64Array(m);
  const diag = new Float64Array(m);
  const sup = new Float64Array(m);
  const rhs = new Float64Array(m);
  for (let i = 0; i < m; i++) {
    const k1 = row.pitches[i]! / row.EA1[i]!;
    const k2 = row.pitches[i]! / row.EA2[i]!;
    const [c0, c1] = [row.C[i]!, row.C[i + 1]!];
    // C_{i+1}(S_{i+1} − S_i) − C_i(S_i − S_{i−1}) = k1(1 − S_i)·(−1) + k2·S_i, with the slip falling along strap 1.
    sub[i] = -c0;
    diag[i] = c0 + c1 + k1 + k2;
    sup[i] = -c1;
    rhs[i] = k1 + (i === m - 1 ? c1 : 0);
  }
  for (let i = 1; i < m; i++) {
    const f = sub[i]! / diag[i - 1]!;
    diag[i]! -= f * sup[i - 1]!;
    rhs[i]! -= f * rhs[i - 1]!;
  }
  const S = new Float64Array(m);
  for (let i = m - 1; i >= 0; i--) S[i] = (rhs[i]! - (i < m - 1 ? sup[i]! * S[i + 1]! : 0)) / diag[i]!;
  return Array.from({ length: n }, (_, i) => (i < m ? S[i]! : 1) - (i > 0 ? S[i - 1]! : 0));
}

export interface Lap {
  readonly t1: number;
  readonly t2: number;
  readonly E1: number;
  readonly E2: number;
  readonly d: number;
  readonly Ef: number;
}

/** Huth 1986, single shear (n 1): a 2/3, b 3.0 bolted metal, 4.2 bolted laminate; mm/N. */
export function huth(x: Lap, laminate: boolean): number {
  const b = laminate ? 4.2 : 3;
  return (
    ((x.t1 + x.t2) / (2 * x.d)) ** (2 / 3) *
    b *
    (1 / (x.t1 * x.E1) + 1 / (x.t2 * x.E2) + 1 / (2 * x.t1 * x.Ef) + 1 / (2 * x.t2 * x.Ef))
  );
}

/** Swift (Douglas), single shear: C = 5/(d·Ef) + 0.8·(1/(t1·E1) + 1/(t2·E2)); mm/N. */
export const swift = (x: Lap): number => 5 / (x.d * x.Ef) + 0.8 * (1 / (x.t1 * x.E1) + 1 / (x.t2 * x.E2));
