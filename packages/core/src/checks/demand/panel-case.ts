import { centreOf, heightOf, widthOf } from '../../geometry/rects';
import type { Point, Rect } from '../../geometry/points';
import { allOver, peakOf, type Places } from './panel-places';

/**
 * Simply supported rectangular plate under a rectangular patch that carries a force and two moments as linear pressure.
 * Navier's double series (Timoshenko & Woinowsky-Krieger, Theory of Plates and Shells, §28–29 and §34), 48 terms each way
 * and more where the patch is small against the panel.
 */
export interface PatchResponse {
  readonly places: Places;
  /** For unit F_z, M_x, M_y in turn: [m_x, m_y, m_xy, w·D] at each point; moments per unit width N·mm/mm, w·D in N·mm². */
  readonly unit: readonly [Float64Array, Float64Array, Float64Array];
}

/** Terms each way: eight to the patch's width, which leaves 0.2 % of a moment's peak; fewer only past what any check asks. */
const LEAST_TERMS = 48;
const MOST_TERMS = 800;
const termsFor = (span: number, width: number): number =>
  Math.min(MOST_TERMS, Math.max(LEAST_TERMS, Math.ceil((8 * span) / width)));
const PER_POINT = 4;

/** Fourier integrals over one direction of the patch: of 1 and of the local coordinate, against sin(mπx/a). */
function integrals(a: number, centre: number, width: number, terms: number): { flat: Float64Array; tilted: Float64Array } {
  const flat = new Float64Array(terms);
  const tilted = new Float64Array(terms);
  for (let m = 1; m <= terms; m++) {
    const k = (m * Math.PI) / a;
    const half = width / 2;
    flat[m - 1] = (2 * Math.sin(k * centre) * Math.sin(k * half)) / k;
    tilted[m - 1] = 2 * Math.cos(k * centre) * (Math.sin(k * half) / (k * k) - (half * Math.cos(k * half)) / k);
  }
  return { flat, tilted };
}

function waves(a: number, x: number, terms: number): { sin: Float64Array; cos: Float64Array } {
  const sin = new Float64Array(terms);
  const cos = new Float64Array(terms);
  for (let m = 1; m <= terms; m++) {
    sin[m - 1] = Math.sin((m * Math.PI * x) / a);
    cos[m - 1] = Math.cos((m * Math.PI * x) / a);
  }
  return { sin, cos };
}

/** `panel` and `patch` in the same axes, patch inside the panel. Independent of load and thickness, so one answer serves many. */
export function patchResponse(panel: Rect, patch: Rect, nu: number, places: Places = allOver(panel, patch)): PatchResponse {
  const a = widthOf(panel);
  const b = heightOf(panel);
  const c = centreOf(patch);
  const u = widthOf(patch);
  const v = heightOf(patch);
  const [N_x, N_y] = [termsFor(a, u), termsFor(b, v)];
  const X = integrals(a, c.x - panel.x0, u, N_x);
  const Y = integrals(b, c.y - panel.y0, v, N_y);
  const xs = places.xs.map((x) => waves(a, x - panel.x0, N_x));
  const ys = places.ys.map((y) => waves(b, y - panel.y0, N_y));
  // Pressure of a unit load: F_z/(uv); M_x gives 12·y/(u·v³) (lifts +y); M_y gives −12·x/(v·u³) (presses +x).
  const loads = [
    { fx: X.flat, fy: Y.flat, k: 1 / (u * v) },
    { fx: X.flat, fy: Y.tilted, k: 12 / (u * v ** 3) },
    { fx: X.tilted, fy: Y.flat, k: -12 / (v * u ** 3) },
  ];
  const [of_x, of_y] = [Int32Array.from(places.at, ([i]) => i), Int32Array.from(places.at, ([, j]) => j)];
  const unit = loads.map(({ fx, fy, k }) => {
    const out = new Float64Array(of_x.length * PER_POINT);
    const q0 = (4 * k) / (a * b);
    const sums = alongY(ys, fy, Math.PI / b);
    const [sin, cos] = [new Float64Array(xs.length), new Float64Array(xs.length)];
    for (let m = 0; m < N_x; m++) {
      if (fx[m] === 0) continue;
      const am = ((m + 1) * Math.PI) / a;
      const am2 = am * am;
      const [s0, s1, s2] = sums(am2, q0 * fx[m]!);
      for (let i = 0; i < xs.length; i++) {
        sin[i] = xs[i]!.sin[m]!;
        cos[i] = xs[i]!.cos[m]!;
      }
      for (let p = 0, o = 0; p < of_x.length; p++, o += PER_POINT) {
        const i = of_x[p]!;
        const j = of_y[p]!;
        out[o] = out[o]! + (am2 * s0[j]! + nu * s2[j]!) * sin[i]!;
        out[o + 1] = out[o + 1]! + (s2[j]! + nu * am2 * s0[j]!) * sin[i]!;
        out[o + 2] = out[o + 2]! - (1 - nu) * am * s1[j]! * cos[i]!;
        out[o + 3] = out[o + 3]! + s0[j]! * sin[i]!;
      }
    }
    return out;
  }) as unknown as [Float64Array, Float64Array, Float64Array];
  return { places, unit };
}

/** Sums along y for one wave along x: of w, of w's slope and of its curvature at each y, which serve all four figures at every point there. */
function alongY(ys: readonly { sin: Float64Array; cos: Float64Array }[], fy: Float64Array, step: number) {
  const sums = [new Float64Array(ys.length), new Float64Array(ys.length), new Float64Array(ys.length)] as const;
  const w0 = new Float64Array(fy.length);
  return (am2: number, q: number) => {
    for (let n = 0; n < fy.length; n++) w0[n] = (q * fy[n]!) / (am2 + ((n + 1) * step) ** 2) ** 2;
    for (let j = 0; j < ys.length; j++) {
      const { sin, cos } = ys[j]!;
      let t0 = 0;
      let t1 = 0;
      let t2 = 0;
      for (let n = 0; n < fy.length; n++) {
        const bn = (n + 1) * step;
        const w = w0[n]!;
        t0 += w * sin[n]!;
        t1 += bn * w * cos[n]!;
        t2 += bn * bn * w * sin[n]!;
      }
      sums[0][j] = t0;
      sums[1][j] = t1;
      sums[2][j] = t2;
    }
    return sums;
  };
}

export interface PanelMoment {
  /** Largest principal moment per unit width, N·mm/mm. */
  readonly m: number;
  readonly at: Point;
  /** Largest |w|·D, N·mm². */
  readonly wD: number;
}

/** A load on a patch, about the patch's centre, and how the panel answers it. */
export interface OnPatch {
  readonly response: PatchResponse;
  readonly fz: number;
  readonly mx: number;
  readonly my: number;
}

/** The four figures at each point, under all patches together. */
function summed(loads: readonly OnPatch[]): Float64Array {
  const sum = new Float64Array(loads[0]!.response.unit[0].length);
  for (const { response, fz, mx, my } of loads) {
    const [f, a, b] = response.unit;
    for (let o = 0; o < sum.length; o++) sum[o] = sum[o]! + fz * f[o]! + mx * a[o]! + my * b[o]!;
  }
  return sum;
}

/** Superposes loads on the unit responses, all at the same places all over the panel, and finds the peak of moment and of deflection. */
export function panelMoment(loads: readonly OnPatch[]): PanelMoment {
  const { places } = loads[0]!.response;
  const sum = summed(loads);
  const m = new Float64Array(places.points.length);
  const wD = new Float64Array(m.length);
  for (let p = 0, o = 0; p < m.length; p++, o += PER_POINT) {
    const m1 = sum[o]!;
    const m2 = sum[o + 1]!;
    const m12 = sum[o + 2]!;
    m[p] = Math.abs((m1 + m2) / 2) + Math.sqrt(((m1 - m2) / 2) ** 2 + m12 ** 2);
    wD[p] = Math.abs(sum[o + 3]!);
  }
  const peak = peakOf(places, m);
  return { m: peak.value, at: peak.at, wD: peakOf(places, wD).value };
}

/** Moments along x and along y at each of the response's points, N·mm/mm. */
export function momentsAt(loads: readonly OnPatch[]): { mx: number; my: number }[] {
  const sum = summed(loads);
  return loads[0]!.response.places.points.map((_, p) => ({ mx: sum[p * PER_POINT]!, my: sum[p * PER_POINT + 1]! }));
}

/** Remembers the last few responses: while a load, thickness or class changes, the geometry does not. */
const recent = new Map<string, PatchResponse>();
const REMEMBERED = 64;

export function rememberedResponse(panel: Rect, patch: Rect, nu: number, at: Places = allOver(panel, patch)): PatchResponse {
  const key = [panel.x0, panel.x1, panel.y0, panel.y1, patch.x0, patch.x1, patch.y0, patch.y1, nu, at.key].join(' ');
  const known = recent.get(key);
  if (known) return known;
  const fresh = patchResponse(panel, patch, nu, at);
  if (recent.size >= REMEMBERED) recent.delete(recent.keys().next().value!);
  recent.set(key, fresh);
  return fresh;
}
