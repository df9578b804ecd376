import { fastenerSize } from '../stock/fasteners';
import { compared, judgedJobs, type Reckoning } from '../testing/judged-jobs';
import type { Resolved } from '../job/resolve';

/**
 * Bolts and their holes once more, on random joints of any kind, written from memory of the standards without the checks' own formulas: every figure
 * of every case has to agree. Pulls, shears and looked-up stock are the joint's own.
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

const same = (id: string, least: number, reckon: Reckoning) => {
  const { both, differ } = compared(ALL, id, reckon);
  expect(differ.slice(0, 3)).toEqual([]);
  expect(both).toBeGreaterThan(least);
};
/** The most over all bolts. */
const most = (r: Resolved, f: (i: number) => number) => max(...r.bolts.map((_, i) => f(i)));

const metalSkin = (r: Resolved) => ['sheet', 'hollow', 'flange'].includes(r.skinKind);
const sunk = (r: Resolved) => r.joint.head === 'countersunk';

/** EN 1993-1-8 Tab. 3.4, AISC 360-16 Tab. J3.2. */
const pullOf = (r: Resolved) =>
  r.rules === 'AISC' && !sunk(r)
    ? (0.75 * r.grade.fub * PI * r.d ** 2) / 4 / r.factors.onBreak
    : ((sunk(r) ? 0.63 : 0.9) * r.grade.fub * r.As) / r.factors.onBreak;

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

it('bolts pulled: k_2·f_ub·A_s/γ, or 0.75·F_u·A_b/γ', () => same('bolt-tension', 300, (r, s) => max(...s.pulls) / pullOf(r)));

it('bolts sheared: elastic group by its polar moment, over one plane', () =>
  same('bolt-shear', 150, (r, s) => {
    const { fx, fy, mz } = s.loadCase;
    // Posts of unlike height, and fittings on some of the bolts, share by other rules.
    const own = r.bolts.filter((b) => b.throughBase).length;
    if (r.welds.fitting === 'none' && own > 0 && own < r.bolts.length) return undefined;
    if (new Set(r.bolts.map((b) => b.packed)).size > 1 || s.friction) return undefined;
    const n = r.bolts.length;
    const [cx, cy] = [r.bolts.reduce((a, b) => a + b.x, 0) / n, r.bolts.reduce((a, b) => a + b.y, 0) / n];
    const T = mz - (cx * fy - cy * fx);
    const J = r.bolts.reduce((a, b) => a + (b.x - cx) ** 2 + (b.y - cy) ** 2, 0);
    return most(r, (i) => {
      const [x, y] = [r.bolts[i]!.x - cx, r.bolts[i]!.y - cy];
      return hypot(fx / n - (T * y) / J, fy / n + (T * x) / J) / shearOf(r, i);
    });
  }));

it('both: EN F_v/F_v.Rd + F_t/(1.4·F_t.Rd); AISC §J3.7, F′_nt = 1.3·F_nt − F_nt·f_rv/F_nv and no more than F_nt', () =>
  same('bolt-combined', 300, (r, s) =>
    most(r, (i) => {
      const [T, V] = [s.pulls[i]!, s.shears[i]!.total];
      const [Ft, Fv] = [pullOf(r), shearOf(r, i)];
      if (r.rules === 'EN') return V / Fv + T / (1.4 * Ft);
      // The load grows as one: at k times it, k·T = 1.3·Ft − Ft·k·V/Fv.
      return max(T / Ft, 1 / (1.3 / (T / Ft + V / Fv)));
    }),
  ));

it('bolts through spacers and high packers: post of d_s, M = V·h or V·h/2', () =>
  same('bolt-bending', 60, (r, s) => {
    const stands = r.bolts.map((b) => (r.joint.packing === 'spacers' ? b.packed > 0 : b.packed > (4 / 3) * r.d));
    if (!stands.some(Boolean)) return undefined;
    // A rivet nut turns in its hole, and so does a thread in a soft skin.
    const upright = r.joint.holding !== 'rivet nut' && (metalSkin(r) || r.far.kind === 'plate' || r.joint.sleeve !== 'none');
    return most(r, (i) => {
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
  same('nut-thread', 200, (r, s) => {
    if (r.joint.holding !== 'nut') return undefined;
    return max(...s.pulls) / ((S[r.nut.id]![r.d > 10 ? 1 : 0] * r.As) / r.factors.onBreak);
  });
});

it('slip: each bolt needs (F_v/(k_s·μ))·γ + 0.8·F_t of preload, EN 1993-1-8 §3.9.2', () =>
  same('slip', 20, (r, s) => {
    if (r.joint.tightening !== 'slip resistant') return undefined;
    // Tab. 3.6: 0.85 oversize and short slots across, 0.7 long slots across, 0.76 and 0.63 along.
    const factor = (over: number, long: number, along: boolean) => {
      const short = r.d <= 14.5 ? 4 : r.d <= 22.5 ? 6 : 8;
      if (long > 0) return long + over <= short + 1e-6 ? (along ? 0.76 : 0.85) : along ? 0.63 : 0.7;
      return over > fastenerSize(r.size.id)!.hole.medium - r.d + 1e-6 ? 0.85 : 1;
    };
    const F_V = r.joint.preload * PROOF[r.grade.id]! * r.As;
    return most(r, (i) => {
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
  same('joint-opens', 20, (r, s) => {
    const metal = r.skinKind === 'sheet' || r.skinKind === 'flange';
    if (r.joint.tightening === 'snug' || !metal) return undefined;
    return most(r, (i) => {
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

/** ISO 10642 head heights k, mm (memory). */
const SUNK: Readonly<Record<number, number>> = { 6: 3.72, 8: 4.96, 10: 6.2, 12: 7.44, 16: 8.8 };
const left = (r: Resolved, t: number) => max(0, t - (sunk(r) ? SUNK[r.d]! : 0));

it('heads punched through the plate: 0.6·π·d_m·t_p·f_u/γ', () =>
  same('punching', 200, (r, s) => {
    const dm = (r.size.acrossFlats + (2 / sqrt(3)) * r.size.acrossFlats) / 2;
    const holds = (0.6 * PI * dm * left(r, r.plateThickness * r.plateLayers) * r.plateMetal.fu) / r.factors.onBreak;
    return holds > 0 ? max(...s.pulls) / holds : Infinity;
  }));

it('countersinks: no deeper than what they are let into', () =>
  same('countersink', 60, (r) =>
    sunk(r) ? most(r, (i) => SUNK[r.d]! / (r.bolts[i]!.throughBase ? r.baseThickness : r.plateThickness)) : undefined,
  ));

/** Divisor on what the skin is made of: wood has k_mod of it left under a short load, 0.9, and 0.7 in the weather (EN 1995-1-1 Tab. 3.1). */
const onSkin = (r: Resolved) => r.factors.onSkin / (r.skin.wood ? (r.serviceClass === 3 ? 0.7 : 0.9) : 1);

interface Around {
  /** Edges each way, +x, −x, +y, −y. */
  readonly edges: readonly [number, number, number, number] | undefined;
  readonly bolts: readonly { x: number; y: number }[];
}
/** EN 1993-1-8 Tab. 3.4 or AISC §J3.10 for a force along an axis, whose neighbours within 45° are pitch and others gauge. */
function bearing(
  r: Resolved,
  at: { x: number; y: number },
  u: { x: number; y: number },
  { edges, bolts }: Around,
  p: { d0: number; t: number; fu: number; hole: number },
): number {
  let [p1, p2] = [Infinity, Infinity];
  for (const o of bolts) {
    const [dx, dy] = [o.x - at.x, o.y - at.y];
    if (hypot(dx, dy) === 0) continue;
    const angle = Math.acos((dx * u.x + dy * u.y) / hypot(dx, dy));
    if (angle <= PI / 4 + 1e-9) p1 = min(p1, hypot(dx, dy));
    else if (angle < (3 * PI) / 4 - 1e-9) p2 = min(p2, hypot(dx, dy));
  }
  const ray = (x: number, y: number) =>
    edges
      ? min(
          x > 1e-12 ? edges[0] / x : Infinity,
          x < -1e-12 ? edges[1] / -x : Infinity,
          y > 1e-12 ? edges[2] / y : Infinity,
          y < -1e-12 ? edges[3] / -y : Infinity,
        )
      : Infinity;
  const e1 = ray(u.x, u.y);
  const e2 = min(ray(-u.y, u.x), ray(u.y, -u.x));
  if (r.rules === 'AISC') {
    const lc = max(0, min(e1 - p.d0 / 2, p1 - p.d0));
    const [c, b] = p.hole === 0.6 ? [1, 2] : [1.2, 2.4];
    return (min(c * lc, b * r.d) * p.t * p.fu) / r.factors.onBreak;
  }
  const α = min(e1 / (3 * p.d0), p1 / (3 * p.d0) - 0.25, r.grade.fub / p.fu, 1);
  const k1 = min((2.8 * e2) / p.d0 - 1.7, (1.4 * p2) / p.d0 - 1.7, 2.5);
  return (p.hole * max(0, k1) * max(0, α) * p.fu * r.d * p.t) / r.factors.onBreak;
}

/** Tab. 3.4 notes 1 and 3: by the force, and by each component. */
function bearingUsed(
  r: Resolved,
  i: number,
  v: { x: number; y: number },
  sign: number,
  around: Around,
  p: Parameters<typeof bearing>[4],
) {
  const ways = [
    [v.x, v.y],
    [v.x, 0],
    [0, v.y],
  ] as const;
  return max(
    ...ways.map(([x, y]) => {
      const F = hypot(x, y);
      return F < 1e-9 ? 0 : F / bearing(r, r.bolts[i]!, { x: (sign * x) / F, y: (sign * y) / F }, around, p);
    }),
  );
}
/** Tab. 3.4 note 1: oversize 0.8, across a slot 0.6; from ISO 273 medium on a hole is oversize. */
const holeFactor = (r: Resolved, wide: number, slotted: boolean) => (slotted ? 0.6 : wide > r.size.hole.medium + 1e-6 ? 0.8 : 1);
const edgesOf = (rect: { x0: number; x1: number; y0: number; y1: number }, b: { x: number; y: number }) =>
  [rect.x1 - b.x, b.x - rect.x0, rect.y1 - b.y, b.y - rect.y0] as const;

it('bolts bearing on a rectangular plate', () =>
  same('plate-bearing', 150, (r, s) => {
    if (r.shaped || r.plateHoles.length > 0) return undefined;
    const t = r.plateThickness * r.plateLayers;
    return most(r, (i) => {
      const { d0, slot } = r.kinds[r.bolts[i]!.kind]!;
      const p = {
        d0,
        t: r.bolts[i]!.throughBase ? t : left(r, t),
        fu: r.plateMetal.fu,
        hole: holeFactor(r, d0, slot !== undefined),
      };
      return bearingUsed(r, i, s.shears[i]!, -1, { edges: edgesOf(r.plate, r.bolts[i]!), bolts: r.bolts }, p);
    });
  }));

it('bolts bearing on the fitting’s own base', () =>
  same('base-hole', 60, (r, s) => {
    const own = r.bolts.flatMap((b, i) => (b.throughBase ? [i] : []));
    if (own.length === 0 || r.welds.fitting !== 'none' || !s.ofBase) return undefined;
    const bolts = own.map((i) => r.bolts[i]!);
    return max(
      ...own.map((i, k) => {
        const hole = r.bolts[i]!.baseHole;
        const p = {
          d0: hole,
          t: left(r, r.baseThickness),
          fu: r.baseMetal.fu,
          hole: holeFactor(r, hole, r.baseHole.slot > 0),
        };
        return bearingUsed(r, i, s.ofBase!.inPlane.shears[k]!, -1, { edges: edgesOf(r.base, r.bolts[i]!), bolts }, p);
      }),
    );
  }));

it('bolts bearing on the skin: metal as a plate without near edges, flanges with theirs; softer skins f_h·d·t/γ', () =>
  same('skin-bearing', 200, (r, s) => {
    if (['timber', 'bed'].includes(r.skinKind)) return undefined;
    const sk = r.substrate;
    if (metalSkin(r)) {
      const p = {
        d0: r.skinHole,
        t: sk.kind === 'hollow' ? sk.wall : r.skinThickness,
        fu: r.skinMetal!.fu,
        hole: holeFactor(r, r.skinHole, false),
      };
      return most(r, (i) => {
        const y = r.bolts[i]!.y;
        const edges = sk.kind === 'flange' ? ([Infinity, Infinity, sk.width / 2 - y, sk.width / 2 + y] as const) : undefined;
        return bearingUsed(r, i, s.shears[i]!, 1, { edges, bolts: r.bolts }, p);
      });
    }
    const t = sk.kind === 'sandwich' ? sk.nearFace + (r.joint.sleeve === 'none' ? 0 : sk.farFace) : r.skinThickness;
    return most(r, (i) => (s.shears[i]!.total * onSkin(r)) / (r.skin.bearing(r.d) * r.d * t));
  }));

it('least edges and pitches of round holes in rectangles: EN Tab. 3.3; AISC 2⅔·d', () =>
  same('edge-and-pitch', 80, (r, s) => {
    if (r.shaped || r.slot || r.bolts.some((b) => b.kind > 0) || r.plateHoles.length > 0) return undefined;
    if (r.job.plate.corner > min(...r.bolts.map((b) => min(...edgesOf(r.plate, b))))) return undefined;
    const { fx, fy } = s.loadCase;
    // AISC 360-16 Tab. J3.4M: 22 at M16; 1.75·d or so below it is common practice, and left to its own test.
    if (r.rules === 'AISC') return undefined;
    const edge = min(...r.bolts.map((b) => min(...edgesOf(r.plate, b))));
    const pitches = r.bolts.flatMap((a, i) =>
      r.bolts.slice(i + 1).map((b) => {
        const [dx, dy] = [b.x - a.x, b.y - a.y];
        const along = abs(dx * fx + dy * fy) > abs(dx * fy - dy * fx);
        return ((along ? 2.2 : 2.4) * r.d0) / hypot(dx, dy);
      }),
    );
    return max((1.2 * r.d0) / edge, ...pitches);
  }));

it('pulled through: metal 0.6·π·d_m·t·f_u/γ, softer skins f_v on the perimeter; crushed under washers', () => {
  /** What presses on the skin: a washer as far as it stays flat, or grown by the plate's spread (EN 1993-1-8 §6.2.5(4)). */
  const wide = (r: Resolved, i: number) => {
    const f = r.skin.crush / onSkin(r);
    const b = r.bolts[i]!;
    if (r.far.kind === 'washer') {
      const c = r.far.thickness * sqrt(r.far.fy / (3 * f * r.factors.onYield));
      return min(r.far.outside, max(r.size.acrossFlats, r.skinHole) + 2 * c);
    }
    const { metal, thickness, outline, strips } = r.far;
    const c = thickness * sqrt(metal.fy / (3 * f * r.factors.onYield));
    const near = min(...r.bolts.filter((o) => o !== b).map((o) => hypot(o.x - b.x, o.y - b.y)));
    const edge = min(...edgesOf(outline, b), strips ? strips.width / 2 : Infinity);
    return min(max(r.washerOutside, r.skinHole) + 2 * c, 2 * edge, near);
  };
  const simple = (r: Resolved) =>
    r.far.kind === 'washer' ||
    (!r.shaped && r.plateHoles.length === 0 && r.bolts.every((b) => min(...edgesOf(r.plate, b)) >= r.job.plate.corner));
  same('pull-through', 40, (r, s) => {
    if (!simple(r) || r.skinKind === 'bed') return undefined;
    const sk = r.substrate;
    const t = sk.kind === 'sandwich' ? sk.farFace : sk.kind === 'hollow' ? sk.wall : r.skinThickness;
    return most(r, (i) => {
      const holds = metalSkin(r)
        ? (0.6 * PI * wide(r, i) * t * r.skinMetal!.fu) / r.factors.onBreak
        : (PI * wide(r, i) * t * r.skin.punch) / onSkin(r);
      return s.pulls[i]! / holds;
    });
  });
  same('washer-crush', 20, (r, s) => {
    if (!simple(r) || metalSkin(r) || r.skinKind === 'bed') return undefined;
    const ring = (outside: number, inside: number) => (PI / 4) * max(0, outside ** 2 - inside ** 2);
    return most(r, (i) => {
      const d = wide(r, i);
      const A = ring(d, r.skinHole);
      const { sleeve, tubeOutside } = r.joint;
      if (sleeve !== 'plug') return (s.pulls[i]! * onSkin(r)) / (A * r.skin.crush);
      // A plug of thickened epoxy, 60 MPa (common practice), as far as it reaches; core round it.
      const P = ring(min(tubeOutside, d), r.skinHole);
      return (s.pulls[i]! * onSkin(r)) / (60 * P + max(0, A - P) * r.skin.crush);
    });
  });
});

it('washers dished: strip from the nut’s flats under even pressure', () =>
  same('washer-dishing', 40, (r, s) => {
    if (r.far.kind !== 'washer' || metalSkin(r) || r.skinKind === 'bed') return undefined;
    const { outside, thickness, fy } = r.far;
    const c = (outside - r.size.acrossFlats) / 2;
    const pressure = max(...s.pulls) / ((PI / 4) * (outside ** 2 - r.skinHole ** 2));
    return (pressure * c ** 2) / 2 / ((thickness ** 2 / 6) * (fy / r.factors.onYield));
  }));

it('heads on the base: the washer’s ring, less a strip over a slot, up to yield of the base', () =>
  same('head-bearing', 40, (r, s) => {
    const own = r.bolts.flatMap((b, i) => (b.throughBase ? [i] : []));
    if (own.length < r.bolts.length || r.welds.fitting !== 'none' || sunk(r)) return undefined;
    const w = r.joint.head === 'carriage' ? r.size.acrossFlats : r.size.washer.outside;
    const h = max(...own.map((i) => r.bolts[i]!.baseHole));
    const A = (PI / 4) * w ** 2 - (r.baseHole.slot > 0 ? h * w : (PI / 4) * h ** 2);
    return (max(...s.pulls) * r.factors.onYield) / (A * r.baseMetal.fy);
  }));
