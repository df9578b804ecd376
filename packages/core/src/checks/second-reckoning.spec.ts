import { fastenerSize } from '../stock/fasteners';
import { agree, isMetalSkin, isSunk, judgedJobs, mostOver } from '../testing/judged-jobs';
import type { Resolved } from '../job/resolve';

/**
 * Bolts once more, on random joints of any kind, written from memory of the standards without the checks' own formulas: every figure of
 * every case has to agree. Pulls, shears and looked-up stock are the joint's own.
 */
const ALL = judgedJobs(700, 5, (j, i) => {
  const joint = { ...j.joint, inPlane: i % 2 ? ('shank' as const) : ('thread' as const) };
  if (i % 4 > 0 || j.skin.kind !== 'sheet') return { ...j, joint };
  return {
    ...j,
    bolts: { ...j.bolts, class: '8.8', nut: '8' },
    joint: { ...joint, holding: 'nut', tightening: 'slip resistant' },
  };
});
const { PI, abs, hypot, max, min, sqrt } = Math;

/** EN 1993-1-8 Tab. 3.4, AISC 360-16 Tab. J3.2. */
const pullOf = (r: Resolved) =>
  r.rules === 'AISC' && !isSunk(r)
    ? (0.75 * r.grade.fub * PI * r.d ** 2) / 4 / r.factors.onBreak
    : ((isSunk(r) ? 0.63 : 0.9) * r.grade.fub * r.As) / r.factors.onBreak;

/** What bolt i goes through, mm. */
const grip = (r: Resolved, i: number) => {
  const { substrate: s, far } = r;
  const skin =
    s.kind === 'timber' || s.kind === 'bed' ? 0 : s.kind === 'hollow' && s.through === 'one wall' ? s.wall : s.thickness;
  const behind = far.kind === 'plate' ? far.thickness * far.layers : far.thickness;
  const b = r.bolts[i]!;
  return (b.throughBase ? r.baseThickness : 0) + r.plateThickness * r.plateLayers + b.packed + skin + behind;
};

/** One plane: EN Tab. 3.4 with §3.8 and §3.6.1(12), long grips BS 5950-1 §6.3.2.2, AISC Tab. J3.2. */
function shearOf(r: Resolved, i: number): number {
  const { d, grade, As, rules, bolts } = r;
  const packer = bolts[i]!.packed > d / 3 ? min(1, (9 * d) / (8 * d + 3 * bolts[i]!.packed)) : 1;
  const long = grip(r, i) > 5 * d ? (8 * d) / (3 * d + grip(r, i)) : 1;
  const less = min(packer, long);
  const plain = r.joint.inPlane === 'shank';
  const gross = (PI * d ** 2) / 4;
  if (rules === 'AISC') return ((plain ? 0.563 : 0.45) * grade.fub * gross * less) / r.factors.onBreak;
  let L = 0;
  for (const [row, run] of [
    ['x', 'y'],
    ['y', 'x'],
  ] as const)
    for (const b of bolts) {
      const inRow = bolts.filter((o) => abs(o[row] - b[row]) < d / 2).map((o) => o[run]);
      if (inRow.length > 2) L = max(L, max(...inRow) - min(...inRow));
    }
  const joint = L > 15 * d ? max(0.75, 1 - (L - 15 * d) / (200 * d)) : 1;
  // Tab. 3.4: α_v 0.6 through the shank, and for 4.6, 5.6 and 8.8 through the thread; 0.5 for 4.8, 5.8, 6.8, 10.9 and stainless there.
  const α = plain || ['4.6', '8.8'].includes(grade.id) ? 0.6 : 0.5;
  return (less * joint * α * grade.fub * (plain ? gross : As)) / r.factors.onBreak;
}

it('bolts pulled: k_2·f_ub·A_s/γ, or 0.75·F_u·A_b/γ', () =>
  agree(ALL, 'bolt-tension', 300, (r, s) => max(...s.pulls) / pullOf(r)));

it('bolts sheared: elastic group by its polar moment, over one plane', () =>
  agree(ALL, 'bolt-shear', 150, (r, s) => {
    const { fx, fy, mz } = s.loadCase;
    // Posts of unlike height, and fittings on some of the bolts, share by other rules.
    const own = r.bolts.filter((b) => b.throughBase).length;
    if (r.welds.fitting === 'none' && own > 0 && own < r.bolts.length) return undefined;
    if (new Set(r.bolts.map((b) => b.packed)).size > 1 || s.friction) return undefined;
    const n = r.bolts.length;
    const [cx, cy] = [r.bolts.reduce((a, b) => a + b.x, 0) / n, r.bolts.reduce((a, b) => a + b.y, 0) / n];
    const T = mz - (cx * fy - cy * fx);
    const J = r.bolts.reduce((a, b) => a + (b.x - cx) ** 2 + (b.y - cy) ** 2, 0);
    return mostOver(r, (i) => {
      const [x, y] = [r.bolts[i]!.x - cx, r.bolts[i]!.y - cy];
      return hypot(fx / n - (T * y) / J, fy / n + (T * x) / J) / shearOf(r, i);
    });
  }));

it('both: EN F_v/F_v.Rd + F_t/(1.4·F_t.Rd); AISC §J3.7, F′_nt = 1.3·F_nt − F_nt·f_rv/F_nv and no more than F_nt', () =>
  agree(ALL, 'bolt-combined', 300, (r, s) =>
    mostOver(r, (i) => {
      const [T, V] = [s.pulls[i]!, s.shears[i]!.total];
      const [Ft, Fv] = [pullOf(r), shearOf(r, i)];
      if (r.rules === 'EN') return V / Fv + T / (1.4 * Ft);
      // The load grows as one: at k times it, k·T = 1.3·Ft − Ft·k·V/Fv.
      return max(T / Ft, 1 / (1.3 / (T / Ft + V / Fv)));
    }),
  ));

it('bolts through spacers and high packers: post of d_s, M = V·h or V·h/2', () =>
  agree(ALL, 'bolt-bending', 60, (r, s) => {
    const stands = r.bolts.map((b) => (r.joint.packing === 'spacers' ? b.packed > 0 : b.packed > (4 / 3) * r.d));
    if (!stands.some(Boolean)) return undefined;
    // A rivet nut turns in its hole, and so does a thread in a soft skin.
    const upright = r.joint.holding !== 'rivet nut' && (isMetalSkin(r) || r.far.kind === 'plate' || r.joint.sleeve !== 'none');
    return mostOver(r, (i) => {
      if (!stands[i]) return 0;
      const W = (PI / 32) * sqrt((4 * r.As) / PI) ** 3;
      const V = s.shears[i]!.total;
      const M = V * r.bolts[i]!.packed * (upright ? 0.5 : 1);
      return s.pulls[i]! / pullOf(r) + V / shearOf(r, i) + M / ((W * r.grade.fyb) / r.factors.onYield);
    });
  }));

/** ISO 898-1 Tab. 4 and 5: proof stress S_p up to M16, MPa; stainless at nine tenths of its R_p0.2 (ISO 3506-1; common practice). */
const PROOF: Readonly<Record<string, number>> = { '4.6': 225, '8.8': 580, '10.9': 830, 'A4-70': 0.9 * 450 };

it('nuts: proof stress of their class over A_s', () => {
  // ISO 898-2 style 1 by diameter up to 10 and 16 mm (memory); ISO 3506-2.
  const S: Readonly<Record<string, readonly [number, number]>> = {
    '5': [580, 610],
    '8': [855, 870],
    '10': [1040, 1050],
    'A4-70': [700, 700],
  };
  agree(ALL, 'nut-thread', 200, (r, s) => {
    if (r.joint.holding !== 'nut') return undefined;
    return max(...s.pulls) / ((S[r.nut.id]![r.d > 10 ? 1 : 0] * r.As) / r.factors.onBreak);
  });
});

it('slip: each bolt needs (F_v/(k_s·μ))·γ + 0.8·F_t of preload, EN 1993-1-8 §3.9.2', () =>
  agree(ALL, 'slip', 20, (r, s) => {
    if (r.joint.tightening !== 'slip resistant') return undefined;
    // Tab. 3.6: 0.85 oversize and short slots across, 0.7 long slots across, 0.76 and 0.63 along.
    const factor = (over: number, long: number, along: boolean) => {
      const short = r.d <= 14.5 ? 4 : r.d <= 22.5 ? 6 : 8;
      if (long > 0) return long + over <= short + 1e-6 ? (along ? 0.76 : 0.85) : along ? 0.63 : 0.7;
      return over > fastenerSize(r.size.id)!.hole.medium - r.d + 1e-6 ? 0.85 : 1;
    };
    const F_V = r.joint.preload * PROOF[r.grade.id]! * r.As;
    return mostOver(r, (i) => {
      const v = s.shears[i]!;
      const { slot, d0 } = r.kinds[r.bolts[i]!.kind]!;
      const u = slot ? { x: Math.cos(slot.turn), y: Math.sin(slot.turn) } : { x: 0, y: 0 };
      const alongPlate = abs(v.x * u.x + v.y * u.y) >= abs(v.x * u.y - v.y * u.x);
      let k = min(factor(d0 - r.d, slot ? slot.long - d0 : 0, alongPlate), factor(r.skinHole - r.d, 0, false));
      const b = r.bolts[i]!;
      if (b.throughBase) {
        const { slot, along } = r.baseHole;
        const lengthwise = along === 'x' ? abs(v.x) >= abs(v.y) : abs(v.y) >= abs(v.x);
        k = min(k, factor(b.baseHole - r.d, slot, lengthwise));
      }
      return ((v.total * r.factors.onBreak) / (k * r.joint.friction) + 0.8 * s.pulls[i]!) / F_V;
    });
  }));

it('joint opens: joint diagram with two frusta of 30° (Shigley eq. 8-17, 8-22), less 9.5 µm of settling', () =>
  agree(ALL, 'joint-opens', 20, (r, s) => {
    const metal = r.skinKind === 'sheet' || r.skinKind === 'flange';
    if (r.joint.tightening === 'snug' || !metal) return undefined;
    return mostOver(r, (i) => {
      const washer = r.size.washer.thickness;
      const far = r.far.kind === 'plate' ? r.far.thickness * r.far.layers : 0;
      const l =
        2 * washer -
        (r.far.kind === 'plate' ? 0 : washer - r.far.thickness) +
        (r.bolts[i]!.throughBase ? r.baseThickness : 0) +
        r.plateThickness * r.plateLayers +
        r.bolts[i]!.packed +
        r.skinThickness +
        far;
      const plies = [
        [r.plateThickness * r.plateLayers, r.plateMetal.E],
        [r.skinThickness, r.skinMetal!.E],
        [far, r.far.kind === 'plate' ? r.far.metal.E : 1],
      ] as const;
      const E = plies.reduce((a, [t]) => a + t, 0) / plies.reduce((a, [t, e]) => a + t / e, 0);
      const km = (0.5774 * PI * E * r.d) / (2 * Math.log((5 * (0.5774 * l + 0.5 * r.d)) / (0.5774 * l + 2.5 * r.d)));
      const kb = (r.grade.E * r.As) / (l + 0.9 * r.d);
      const left = r.joint.preload * PROOF[r.grade.id]! * r.As - 0.0095 / (1 / kb + 1 / km);
      const opens = max(0, left) / ((1 - kb / (kb + km)) * r.factors.onYield);
      return s.pulls[i]! / opens;
    });
  }));
