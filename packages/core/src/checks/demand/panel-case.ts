import { centreOf, heightOf, widthOf } from '../../geometry/rects';
import type { Point, Rect } from '../../geometry/points';

/**
 * Simply supported rectangular plate under a rectangular patch that carries a force and two moments as linear pressure.
 * Navier's double series (Timoshenko & Woinowsky-Krieger, Theory of Plates and Shells, §28–29 and §34), 48 × 48 terms.
 */
export interface PatchResponse {
  /** Points of the patch looked at: centre, edges, corners. */
  readonly points: readonly Point[];
  /** For unit F_z, M_x, M_y in turn: [m_x, m_y, m_xy, w·D] at each point; moments per unit width N·mm/mm, w·D in N·mm². */
  readonly unit: readonly [Float64Array, Float64Array, Float64Array];
}

const TERMS = 48;
const PER_POINT = 4;

/** Fourier integrals over one direction of the patch: of 1 and of the local coordinate, against sin(mπx/a). */
function integrals(a: number, centre: number, width: number): { flat: Float64Array; tilted: Float64Array } {
  const flat = new Float64Array(TERMS);
  const tilted = new Float64Array(TERMS);
  for (let m = 1; m <= TERMS; m++) {
    const k = (m * Math.PI) / a;
    const half = width / 2;
    flat[m - 1] = (2 * Math.sin(k * centre) * Math.sin(k * half)) / k;
    tilted[m - 1] = 2 * Math.cos(k * centre) * (Math.sin(k * half) / (k * k) - (half * Math.cos(k * half)) / k);
  }
  return { flat, tilted };
}

function waves(a: number, x: number): { sin: Float64Array; cos: Float64Array } {
  const sin = new Float64Array(TERMS);
  const cos = new Float64Array(TERMS);
  for (let m = 1; m <= TERMS; m++) {
    sin[m - 1] = Math.sin((m * Math.PI * x) / a);
    cos[m - 1] = Math.cos((m * Math.PI * x) / a);
  }
  return { sin, cos };
}

/** Centre, middles of the sides and corners of a patch. */
function ninePoints(patch: Rect): Point[] {
  const c = centreOf(patch);
  return [0, -0.5, 0.5].flatMap((i) =>
    [0, -0.5, 0.5].map((j) => ({ x: c.x + i * widthOf(patch), y: c.y + j * heightOf(patch) })),
  );
}

/** `panel` and `patch` in the same axes, patch inside the panel. Independent of load and thickness, so one answer serves many. */
export function patchResponse(panel: Rect, patch: Rect, nu: number, points: readonly Point[] = ninePoints(patch)): PatchResponse {
  const a = widthOf(panel);
  const b = heightOf(panel);
  const c = centreOf(patch);
  const u = widthOf(patch);
  const v = heightOf(patch);
  const X = integrals(a, c.x - panel.x0, u);
  const Y = integrals(b, c.y - panel.y0, v);
  const at = points.map((p) => ({ x: waves(a, p.x - panel.x0), y: waves(b, p.y - panel.y0) }));
  // Pressure of a unit load: F_z/(uv); M_x gives 12·y/(u·v³) (lifts +y); M_y gives −12·x/(v·u³) (presses +x).
  const loads = [
    { fx: X.flat, fy: Y.flat, k: 1 / (u * v) },
    { fx: X.flat, fy: Y.tilted, k: 12 / (u * v ** 3) },
    { fx: X.tilted, fy: Y.flat, k: -12 / (v * u ** 3) },
  ];
  // Along y first, for one wave along x: three sums a point serve all four figures there.
  const [w0, w2, w1] = [new Float64Array(TERMS), new Float64Array(TERMS), new Float64Array(TERMS)];
  const unit = loads.map(({ fx, fy, k }) => {
    const out = new Float64Array(points.length * PER_POINT);
    const q0 = (4 * k) / (a * b);
    for (let m = 1; m <= TERMS; m++) {
      const am = (m * Math.PI) / a;
      for (let n = 1; n <= TERMS; n++) {
        const bn = (n * Math.PI) / b;
        const w = (q0 * fx[m - 1]! * fy[n - 1]!) / (am * am + bn * bn) ** 2;
        w0[n - 1] = w;
        w1[n - 1] = bn * w;
        w2[n - 1] = bn * bn * w;
      }
      for (let p = 0; p < points.length; p++) {
        const ys = at[p]!.y.sin;
        const yc = at[p]!.y.cos;
        let s0 = 0;
        let s1 = 0;
        let s2 = 0;
        for (let n = 0; n < TERMS; n++) {
          s0 += w0[n]! * ys[n]!;
          s1 += w1[n]! * yc[n]!;
          s2 += w2[n]! * ys[n]!;
        }
        const sin = at[p]!.x.sin[m - 1]!;
        const cos = at[p]!.x.cos[m - 1]!;
        const o = p * PER_POINT;
        out[o] = out[o]! + (am * am * s0 + nu * s2) * sin;
        out[o + 1] = out[o + 1]! + (s2 + nu * am * am * s0) * sin;
        out[o + 2] = out[o + 2]! - (1 - nu) * am * s1 * cos;
        out[o + 3] = out[o + 3]! + s0 * sin;
      }
    }
    return out;
  }) as unknown as [Float64Array, Float64Array, Float64Array];
  return { points, unit };
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

/** Figure j of the panel at point p, under all patches together. */
function summed(loads: readonly OnPatch[], p: number, j: number): number {
  let sum = 0;
  for (const { response, fz, mx, my } of loads) {
    const [f, a, b] = response.unit;
    const o = p * PER_POINT + j;
    sum += fz * f[o]! + mx * a[o]! + my * b[o]!;
  }
  return sum;
}

/** Superposes loads on the unit responses, all at the same points, and picks the worst point. */
export function panelMoment(loads: readonly OnPatch[]): PanelMoment {
  const { points } = loads[0]!.response;
  let best: PanelMoment = { m: 0, at: points[0]!, wD: 0 };
  let wD = 0;
  points.forEach((at, p) => {
    const sum = (j: number) => summed(loads, p, j);
    const [m1, m2, m12] = [sum(0), sum(1), sum(2)];
    const m = Math.abs((m1 + m2) / 2) + Math.hypot((m1 - m2) / 2, m12);
    wD = Math.max(wD, Math.abs(sum(3)));
    if (m > best.m) best = { m, at, wD: 0 };
  });
  return { ...best, wD };
}

/** Moments along x and along y at each of the response's points, N·mm/mm. */
export const momentsAt = (loads: readonly OnPatch[]): { mx: number; my: number }[] =>
  loads[0]!.response.points.map((_, p) => ({ mx: summed(loads, p, 0), my: summed(loads, p, 1) }));

/** Remembers the last few responses: while a load, thickness or class changes, the geometry does not. */
const recent = new Map<string, PatchResponse>();
const REMEMBERED = 64;

export function rememberedResponse(panel: Rect, patch: Rect, nu: number, at?: readonly Point[]): PatchResponse {
  const places = (at ?? []).flatMap((p) => [p.x, p.y]);
  const key = [panel.x0, panel.x1, panel.y0, panel.y1, patch.x0, patch.x1, patch.y0, patch.y1, nu, ...places].join(' ');
  const known = recent.get(key);
  if (known) return known;
  const fresh = patchResponse(panel, patch, nu, at);
  if (recent.size >= REMEMBERED) recent.delete(recent.keys().next().value!);
  recent.set(key, fresh);
  return fresh;
}
