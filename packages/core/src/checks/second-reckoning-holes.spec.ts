import type { Resolved } from '../job/resolve';
import { agree, isMetalSkin, isSunk, judgedJobs, mostOver, onSkinFor } from '../testing/judged-jobs';

/** Heads, holes and what is pulled through once more, on random joints, as `second-reckoning` does it for bolts. */
const ALL = judgedJobs(760, 6);
const { PI, abs, hypot, max, min, sqrt } = Math;

/** ISO 10642 head heights k, mm (memory). */
const SUNK: Readonly<Record<number, number>> = { 6: 3.72, 8: 4.96, 10: 6.2, 12: 7.44, 16: 8.8 };
const left = (r: Resolved, t: number) => max(0, t - (isSunk(r) ? SUNK[r.d]! : 0));

it('heads punched through the plate: 0.6·π·d_m·t_p·f_u/γ', () =>
  agree(ALL, 'punching', 200, (r, s) => {
    const dm = (r.size.acrossFlats + (2 / sqrt(3)) * r.size.acrossFlats) / 2;
    const holds = (0.6 * PI * dm * left(r, r.plateThickness * r.plateLayers) * r.plateMetal.fu) / r.factors.onBreak;
    return holds > 0 ? max(...s.pulls) / holds : Infinity;
  }));

it('countersinks: no deeper than what they are let into', () =>
  agree(ALL, 'countersink', 60, (r) =>
    isSunk(r) ? mostOver(r, (i) => SUNK[r.d]! / (r.bolts[i]!.throughBase ? r.baseThickness : r.plateThickness)) : undefined,
  ));

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
  agree(ALL, 'plate-bearing', 150, (r, s) => {
    if (r.shaped || r.plateHoles.length > 0) return undefined;
    const t = r.plateThickness * r.plateLayers;
    return mostOver(r, (i) => {
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
  agree(ALL, 'base-hole', 60, (r, s) => {
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
  agree(ALL, 'skin-bearing', 200, (r, s) => {
    if (['timber', 'bed'].includes(r.skinKind)) return undefined;
    const sk = r.substrate;
    if (isMetalSkin(r)) {
      const p = {
        d0: r.skinHole,
        t: sk.kind === 'hollow' ? sk.wall : r.skinThickness,
        fu: r.skinMetal!.fu,
        hole: holeFactor(r, r.skinHole, false),
      };
      return mostOver(r, (i) => {
        const y = r.bolts[i]!.y;
        const edges = sk.kind === 'flange' ? ([Infinity, Infinity, sk.width / 2 - y, sk.width / 2 + y] as const) : undefined;
        return bearingUsed(r, i, s.shears[i]!, 1, { edges, bolts: r.bolts }, p);
      });
    }
    const t = sk.kind === 'sandwich' ? sk.nearFace + (r.joint.sleeve === 'none' ? 0 : sk.farFace) : r.skinThickness;
    return mostOver(r, (i) => (s.shears[i]!.total * onSkinFor(r)) / (r.skin.bearing(r.d) * r.d * t));
  }));

it('least edges and pitches of round holes in rectangles: EN Tab. 3.3; AISC 2⅔·d', () =>
  agree(ALL, 'edge-and-pitch', 80, (r, s) => {
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
    const f = r.skin.crush / onSkinFor(r);
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
  agree(ALL, 'pull-through', 40, (r, s) => {
    if (!simple(r) || r.skinKind === 'bed') return undefined;
    const sk = r.substrate;
    const t = sk.kind === 'sandwich' ? sk.farFace : sk.kind === 'hollow' ? sk.wall : r.skinThickness;
    return mostOver(r, (i) => {
      const holds = isMetalSkin(r)
        ? (0.6 * PI * wide(r, i) * t * r.skinMetal!.fu) / r.factors.onBreak
        : (PI * wide(r, i) * t * r.skin.punch) / onSkinFor(r);
      return s.pulls[i]! / holds;
    });
  });
  agree(ALL, 'washer-crush', 20, (r, s) => {
    if (!simple(r) || isMetalSkin(r) || r.skinKind === 'bed') return undefined;
    const ring = (outside: number, inside: number) => (PI / 4) * max(0, outside ** 2 - inside ** 2);
    return mostOver(r, (i) => {
      const d = wide(r, i);
      const A = ring(d, r.skinHole);
      const { sleeve, tubeOutside } = r.joint;
      if (sleeve !== 'plug') return (s.pulls[i]! * onSkinFor(r)) / (A * r.skin.crush);
      // A plug of thickened epoxy, 60 MPa (common practice), as far as it reaches; core round it.
      const P = ring(min(tubeOutside, d), r.skinHole);
      return (s.pulls[i]! * onSkinFor(r)) / (60 * P + max(0, A - P) * r.skin.crush);
    });
  });
});

it('washers dished: strip from the nut’s flats under even pressure', () =>
  agree(ALL, 'washer-dishing', 40, (r, s) => {
    if (r.far.kind !== 'washer' || isMetalSkin(r) || r.skinKind === 'bed') return undefined;
    const { outside, thickness, fy } = r.far;
    const c = (outside - r.size.acrossFlats) / 2;
    const pressure = max(...s.pulls) / ((PI / 4) * (outside ** 2 - r.skinHole ** 2));
    return (pressure * c ** 2) / 2 / ((thickness ** 2 / 6) * (fy / r.factors.onYield));
  }));

it('heads on the base: the washer’s ring, less a strip over a slot, up to yield of the base', () =>
  agree(ALL, 'head-bearing', 40, (r, s) => {
    const own = r.bolts.flatMap((b, i) => (b.throughBase ? [i] : []));
    if (own.length < r.bolts.length || r.welds.fitting !== 'none' || isSunk(r)) return undefined;
    const w = r.joint.head === 'carriage' ? r.size.acrossFlats : r.size.washer.outside;
    const h = max(...own.map((i) => r.bolts[i]!.baseHole));
    const A = (PI / 4) * w ** 2 - (r.baseHole.slot > 0 ? h * w : (PI / 4) * h ** 2);
    return (max(...s.pulls) * r.factors.onYield) / (A * r.baseMetal.fy);
  }));
