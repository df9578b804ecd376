import type { Rect } from '../geometry/points';
import type { Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { Working } from '../working/steps';
import { endsEN } from './lug/lug-strength';
import { agree, compared, judgedJobs, mostOver, onSkinFor, type Reckoning } from '../testing/judged-jobs';

/**
 * Lugs, welds, spacers, timber, flanges, cores and glue once more, on random joints, written from memory of the standards without the checks' own
 * formulas: every figure of every case has to agree.
 */
const mm = (v: number) => fromSheet(v, `${v} mm`);
const GRADES = ['C16', 'C24', 'D30'];

/** Lugs of many measures, timbers of three grades, sandwiches with faces that are not alike. */
function varied(j: Job, i: number): Job {
  const part = (k: number) => ((i * k) % 17) / 16;
  const lug = j.lug && {
    ...j.lug,
    rules: i % 2 ? ('EN' as const) : ('BTH-1' as const),
    shear: i % 3 ? ('double' as const) : ('single' as const),
    thickness: mm(8 + 14 * part(3)),
    width: mm(45 + 80 * part(5)),
    hole: mm(18 + 6 * part(7)),
    end: mm(14 + 40 * part(11)),
    cheek: mm(i % 4 ? 0 : 6),
    pin: mm(12 + 6 * part(13)),
    fork: mm(6 + 10 * part(2)),
    gap: mm(4 * part(6)),
    Nd: i % 5 ? (3 as const) : (2 as const),
  };
  const skin: Job['skin'] =
    j.skin.kind === 'timber'
      ? { ...j.skin, grade: GRADES[i % 3]!, endGrain: mm(90 + 300 * part(9)) }
      : j.skin.kind === 'sandwich'
        ? { ...j.skin, farFace: mm(1.5 + 3 * part(4)) }
        : j.skin;
  return { ...j, skin, ...(lug ? { lug } : {}) };
}
const ALL = judgedJobs(900, 12, varied);
const { PI, abs, hypot, max, min, sqrt, tanh } = Math;

const wide = (b: Rect) => b.x1 - b.x0;
const high = (b: Rect) => b.y1 - b.y0;
describe('lugs and pins', () => {
  const parts = (r: Resolved) => {
    const { lug, lugMetal: m, pinGrade } = r;
    return lug && m && pinGrade ? { ...lug, t: lug.thickness + 2 * lug.cheek, fy: m.fy, fu: m.fu, pinGrade } : undefined;
  };
  const force = (s: Parameters<Reckoning>[1]) => hypot(s.loadCase.fx, s.loadCase.fy, s.loadCase.fz);
  const asked =
    (rules: string, f: (x: NonNullable<ReturnType<typeof parts>>) => number): Reckoning =>
    (r, s) => {
      const x = parts(r);
      return !x || x.rules !== rules || x.pin > x.hole ? undefined : force(s) / f(x);
    };
  const b_e = (x: { width: number; hole: number }) => (x.width - x.hole) / 2;
  const C_r = (x: { pin: number; hole: number }) => 1 - 0.275 * sqrt(1 - (x.pin / x.hole) ** 2);

  it('ASME BTH-1 §3-3.3.1, eq. 3-45 to 3-50 (memory): tension, fracture, double plane shear', () => {
    agree(
      ALL,
      'lug-tension',
      60,
      asked('BTH-1', (x) => {
        const b = min(b_e(x), 4 * x.t, ((b_e(x) * 0.6 * x.fu) / x.fy) * sqrt(x.hole / b_e(x)));
        return ((C_r(x) * x.fu) / (1.2 * x.Nd)) * 2 * x.t * b;
      }),
    );
    agree(
      ALL,
      'lug-fracture',
      60,
      asked('BTH-1', (x) => ((C_r(x) * x.fu) / (1.2 * x.Nd)) * (1.13 * x.end + (0.92 * b_e(x)) / (1 + b_e(x) / x.hole)) * x.t),
    );
    agree(
      ALL,
      'lug-shear',
      60,
      asked('BTH-1', (x) => {
        const φ = (55 * x.pin) / x.hole;
        const plane = x.end + (x.pin / 2) * (1 - Math.cos((φ * PI) / 180));
        return ((0.7 * x.fu) / (1.2 * x.Nd)) * 2 * plane * x.t;
      }),
    );
  });
  it('EN 1993-1-8 Tab. 3.9 type A turned round to a force', () =>
    agree(ALL, 'lug-end', 60, (r, s) => {
      const x = parts(r);
      if (!x || x.rules !== 'EN' || x.pin > x.hole) return undefined;
      const holds = (2 * x.t * x.fy * min(x.end - (2 * x.hole) / 3, b_e(x) - x.hole / 3)) / r.factors.onYield;
      return holds > 0 ? force(s) / holds : Infinity;
    }));
  it('and as it stands there: the metal in front of a hole and beside it that a pull of 50 kN asks for, by hand', () => {
    const { a, c } = endsEN({ F: 50_000, γ: 1, t: 12, fy: 355, d0: 22 }, new Working(false));
    expect([a, c]).toEqual([expect.closeTo(5.869 + 14.667, 2), expect.closeTo(5.869 + 7.333, 2)]);
  });
  it('pins: bearing, shear and bending, EN 1993-1-8 Tab. 3.10, BTH-1 §3-3.3.4', () => {
    const γ = (r: Resolved) =>
      r.lug!.rules === 'EN' ? { y: r.factors.onYield, b: r.factors.onBreak } : { y: r.lug!.Nd, b: 1.2 * r.lug!.Nd };
    agree(ALL, 'lug-bearing', 100, (r, s) => {
      const x = parts(r);
      return x && (force(s) * γ(r).y) / ((x.rules === 'EN' ? 1.5 : 1.25) * x.fy * x.pin * x.t);
    });
    const cut = (r: Resolved, s: Parameters<Reckoning>[1]) => {
      const x = parts(r)!;
      return ((force(s) / (x.shear === 'single' ? 1 : 2)) * γ(r).b) / (0.6 * (PI / 4) * x.pin ** 2 * x.pinGrade.fub);
    };
    agree(ALL, 'pin-shear', 100, (r, s) => parts(r) && cut(r, s));
    agree(ALL, 'pin-bending', 100, (r, s) => {
      const x = parts(r);
      if (!x) return undefined;
      const arm = x.shear === 'single' ? x.t / 2 + x.gap + x.fork / 2 : (x.t + 4 * x.gap + 2 * x.fork) / 8;
      const M_Rd = (1.5 * (PI / 32) * x.pin ** 3 * x.pinGrade.fyb) / γ(r).y;
      return hypot((force(s) * arm) / M_Rd, cut(r, s));
    });
  });
});

/** Fillets along sides of a rectangle as so many small pieces, about their own middle. */
function pieces(b: Rect, sides: 'all round' | 'fore and aft edges' | 'side edges', off: number) {
  const N = 400;
  const line = (x0: number, y0: number, x1: number, y1: number) => {
    const l = hypot(x1 - x0, y1 - y0);
    const u = { x: (x1 - x0) / l, y: (y1 - y0) / l };
    const at = (k: number) => ({ x: x0 + u.x * k, y: y0 + u.y * k });
    const n = l - 2 * off;
    return {
      l: n,
      u,
      bits: Array.from({ length: N }, (_, k) => ({ ...at(off + ((k + 0.5) * n) / N), dl: n / N })),
      ends: [at(off), at(l - off)],
    };
  };
  const along = [line(b.x0, b.y0, b.x1, b.y0), line(b.x0, b.y1, b.x1, b.y1)];
  const across = [line(b.x0, b.y0, b.x0, b.y1), line(b.x1, b.y0, b.x1, b.y1)];
  return sides === 'all round' ? [...along, ...across] : sides === 'side edges' ? along : across;
}

it('fillets round a base: elastic line group in small pieces; EN 1993-1-8 §4.5.3.2, AISC 360-16 §J2.4', () => {
  const { both, differ } = compared(
    ALL,
    'fitting-weld',
    (r, s) => {
      const { fitting, fittingThroat: a, filler } = r.welds;
      if (fitting === 'none') return undefined;
      const EN = r.rules === 'EN';
      // Open runs lose a crater at either end (§4.5.1), and all of their strength under 30 mm or 6·a.
      const lines = pieces(r.base, fitting, fitting !== 'all round' && EN ? a : 0);
      if (lines.some((l) => l.l < max(30, 6 * a))) return undefined;
      const bits = lines.flatMap((l) => l.bits);
      const sum = (f: (p: { x: number; y: number; dl: number }) => number) => bits.reduce((t, p) => t + f(p) * p.dl, 0);
      const [L, Ix, Iy] = [sum(() => 1), sum((p) => p.y ** 2), sum((p) => p.x ** 2)];
      const c = s.loadCase;
      const fu = min(r.plateMetal.fu, r.baseMetal.fu);
      const β = fu <= 360 ? 0.8 : fu <= 430 ? 0.85 : fu <= 510 ? 0.9 : 1;
      const γ = r.factors.onBreak;
      return max(
        ...lines.flatMap(({ ends, u }) =>
          ends.map(({ x, y }) => {
            const qx = c.fx / L - (c.mz * y) / (Ix + Iy);
            const qy = c.fy / L + (c.mz * x) / (Ix + Iy);
            const v = abs(c.fz / L + (c.mx * y) / Ix - (c.my * x) / Iy);
            const [p, h] = [abs(qx * u.x + qy * u.y), abs(qx * u.y - qy * u.x)];
            if (!EN) return (hypot(p, h, v) * γ) / (0.6 * filler * a);
            // Throat at 45°; which way the two forces across lie to each other is not known: the worse.
            return max(
              ...[1, -1].map((sign) => {
                const [σ, τ] = [(h + sign * v) / sqrt(2) / a, (h - sign * v) / sqrt(2) / a];
                const together = sqrt(σ ** 2 + 3 * (τ ** 2 + (p / a) ** 2)) / (fu / (β * γ));
                return max(together, abs(σ) / ((0.9 * fu) / γ));
              }),
            );
          }),
        ),
      );
    },
    // The pieces are 400 a side.
    1e-4,
  );
  expect(differ.slice(0, 3)).toEqual([]);
  expect(both).toBeGreaterThan(100);
});

it('spacers: EN 1993-1-1 §6.3.1.2, curve c, over 1.2 of their height', () =>
  agree(ALL, 'spacer', 40, (r, s) => {
    const { packing, tubeOutside: D, tubeWall, tightening } = r.joint;
    if (packing !== 'spacers' || tightening !== 'snug') return undefined;
    const inner = max(0, D - 2 * tubeWall);
    const A = (PI / 4) * (D ** 2 - inner ** 2);
    const i = sqrt(D ** 2 + inner ** 2) / 4;
    return mostOver(r, (k) => {
      const h = r.bolts[k]!.packed;
      const λ = (1.2 * h) / i / (PI * sqrt(210_000 / 235));
      const Φ = (1 + 0.49 * (λ - 0.2) + λ ** 2) / 2;
      const χ = min(1, 1 / (Φ + sqrt(Φ ** 2 - λ ** 2)));
      return (s.outOfPlane.pushes[k]! * r.factors.onYield) / ((λ <= 0.2 ? 1 : χ) * A * 235);
    });
  }));

describe('timber, EN 1995-1-1', () => {
  /** EN 338: f_m, f_t0, f_v, ρ_k (memory). */
  const EN338: Readonly<Record<string, readonly [number, number, number, number]>> = {
    C16: [16, 8.5, 3.2, 310],
    C24: [24, 14.5, 4, 350],
    D30: [30, 18, 3.9, 530],
  };
  const wood = (r: Resolved) => {
    const s = r.substrate;
    if (s.kind !== 'timber' || r.joint.holding !== 'nut') return undefined;
    const [fm, ft, fv, ρ] = EN338[s.grade]!;
    const along = s.grain;
    return {
      fm,
      ft,
      fv,
      ρ,
      along,
      across: along === 'x' ? ('y' as const) : ('x' as const),
      end: s.endGrain,
      hard: s.grade === 'D30',
    };
  };
  it('bolts in single shear under a steel plate, eq. 8.9 and 8.10, in rows eq. 8.34', () =>
    agree(ALL, 'timber-joint', 60, (r, s) => {
      const x = wood(r);
      if (!x) return undefined;
      const { d } = r;
      const t = r.skinThickness;
      const ts = r.plateThickness * r.plateLayers;
      const rowed = r.bolts.map((b) => {
        const row = r.bolts.filter((o) => abs(o[x.across] - b[x.across]) < d / 2).map((o) => o[x.along]);
        if (row.length < 2) return 1;
        const at = [...row].sort((p, q) => p - q);
        const a1 = min(...at.slice(1).map((v, k) => v - at[k]!));
        return min(1, row.length ** -0.1 * (a1 / (13 * d)) ** 0.25);
      });
      return mostOver(r, (i) => {
        const v = s.shears[i]!;
        if (v.total < 1e-9) return 0;
        const α = Math.acos(min(1, abs(v[x.along]) / v.total));
        const f0 = 0.082 * (1 - 0.01 * d) * x.ρ;
        const k90 = (x.hard ? 0.9 : 1.35) + 0.015 * d;
        const fh = f0 / (k90 * Math.sin(α) ** 2 + Math.cos(α) ** 2);
        const My = 0.3 * r.grade.fub * d ** 2.6;
        const thin = min(0.4 * fh * t * d, 1.15 * sqrt(2 * My * fh * d));
        const thick = min(fh * t * d, fh * t * d * (sqrt(2 + (4 * My) / (fh * d * t ** 2)) - 1), 2.3 * sqrt(My * fh * d));
        const F = ts <= d / 2 ? thin : ts >= d ? thick : thin + ((thick - thin) * (ts - d / 2)) / (d / 2);
        const n = min(...rowed);
        return (v.total * onSkinFor(r)) / ((n + ((1 - n) * α) / (PI / 2)) * F);
      });
    }));
  it('groups torn out to the end grain, Annex A', () =>
    agree(ALL, 'group-tear-out', 60, (r, s) => {
      const x = wood(r);
      const F = x && abs(s.loadCase[x.along === 'x' ? 'fx' : 'fy']);
      if (!x || !F) return undefined;
      const [at, side] = [r.bolts.map((b) => b[x.along]), r.bolts.map((b) => b[x.across])];
      const spread = (v: number[]) => max(...v) - min(...v);
      // Bolts no further apart than they are thick stand in one row.
      const rows = [...at]
        .sort((p, q) => p - q)
        .reduce<number[][]>((all, v) => {
          const last = all.at(-1);
          if (last && v - last.at(-1)! <= r.d) last.push(v);
          else all.push([v]);
          return all;
        }, []);
      const n2 = max(rows[0]!.length, rows.at(-1)!.length);
      const t = r.skinThickness;
      const A_t = (spread(side) - (n2 - 1) * r.skinHole) * t;
      const A_v = 2 * (x.end + spread(at) - (rows.length - 0.5) * r.skinHole) * t;
      return (F * onSkinFor(r)) / max(1.5 * max(0, A_t) * x.ft, 0.7 * max(0, A_v) * x.fv);
    }));
  it('a plank from bearer to bearer: bent, sheared with k_cr 0.67 (§6.1.7), split by what pushes across (eq. 8.4)', () => {
    const beam = (r: Resolved, s: Parameters<Reckoning>[1]) => {
      const x = wood(r);
      // Washers press as wide as they stay flat: left to their own test.
      if (!x || r.far.kind !== 'plate' || r.joint.packing === 'spacers') return undefined;
      const by = (axis: 'x' | 'y') => {
        const at = r.bolts.map((b) => b[axis]);
        const { strips } = r.far as { strips?: { width: number } };
        const past = strips ? min(strips.width / 2, r.washerOutside) : 0;
        return strips ? [min(...at) - past, max(...at) + past] : [r.plate[`${axis}0`], r.plate[`${axis}1`]];
      };
      const [p0 = 0, p1 = 0] = by(x.along);
      const [q0 = 0, q1 = 0] = by(x.across);
      const lo = r.panel[`${x.along}0`];
      const [L, a] = [r.panel[`${x.along}1`] - lo, (p0 + p1) / 2 - lo];
      if (a <= 0 || a >= L) return undefined;
      const c = s.midSkin;
      return {
        x,
        L,
        longer: max(a, L - a),
        shorter: min(a, L - a),
        F: abs(c.fz),
        M: abs(x.along === 'x' ? c.my : c.mx),
        b: q1 - q0,
      };
    };
    agree(ALL, 'timber-bending', 15, (r, s) => {
      const o = beam(r, s);
      if (!o) return undefined;
      const M = (o.F * o.longer * o.shorter) / o.L + (o.M * o.longer) / o.L;
      return (M * onSkinFor(r)) / (((o.b * r.skinThickness ** 2) / 6) * o.x.fm);
    });
    agree(ALL, 'timber-shear', 15, (r, s) => {
      const o = beam(r, s);
      return o && (1.5 * ((o.F * o.longer) / o.L + o.M / o.L) * onSkinFor(r)) / (0.67 * o.b * r.skinThickness * o.x.fv);
    });
    agree(ALL, 'timber-splitting', 15, (r, s) => {
      const o = beam(r, s);
      if (!o) return undefined;
      const F = abs(s.shears.reduce((sum, v) => sum + v[o.x.across], 0));
      const side = r.bolts.map((b) => b[o.x.across]);
      const h_e = 4 * r.d + max(...side) - min(...side);
      return F < 1e-9 ? undefined : (((F * o.longer) / o.L) * onSkinFor(r)) / (14 * r.skinThickness * sqrt(h_e));
    });
  });
  it('distances, Tab. 8.4', () =>
    agree(ALL, 'timber-spacing', 60, (r) => {
      const x = wood(r);
      if (!x) return undefined;
      const pairs = r.bolts.flatMap((a, i) =>
        r.bolts.slice(i + 1).map((b) => [abs(a[x.along] - b[x.along]), abs(a[x.across] - b[x.across])] as const),
      );
      const asked = pairs.map(([l, c]) => (c < r.d / 2 ? (5 * r.d) / l : l < 2.5 * r.d ? (4 * r.d) / hypot(l, c) : 0));
      return max(max(7 * r.d, 80) / x.end, ...asked);
    }));
});

describe('flanges', () => {
  const at = (r: Resolved) => (r.substrate.kind === 'flange' && r.substrate.of === 'beam' ? r.substrate : undefined);
  it('each bolt bends its side from the web (EN 1993-1-8 Tab. 6.4, without prying); all of it rolls on the web', () =>
    agree(ALL, 'flange-bending', 30, (r, s) => {
      const f = at(r);
      if (!f) return undefined;
      const [fy, t] = [r.skinMetal!.fy, f.thickness];
      const bolt = (i: number) => {
        const y = abs(r.bolts[i]!.y);
        const [m, e] = [y - f.web / 2, f.width / 2 - y];
        const others = r.bolts
          .filter((o, k) => k !== i && o.y * r.bolts[i]!.y > 0)
          .map((o) => max(r.d, abs(o.x - r.bolts[i]!.x)));
        const l = min(2 * PI * m, 4 * m + 1.25 * e, ...others);
        return (s.pulls[i]! * r.factors.onYield) / ((l * t ** 2 * fy) / (4 * m));
      };
      const rolls = (abs(s.onSkin.mx) * r.factors.onYield) / (((wide(r.plate) + (f.width - f.web)) * t ** 2 * fy) / 4);
      return max(rolls, mostOver(r, bolt));
    }));
  it('the web under it: AISC 360-16 eq. J10-3 and J10-5a at a member’s end', () =>
    agree(ALL, 'flange-web', 30, (r, s) => {
      const f = at(r);
      if (!f) return undefined;
      const [fy, t, l, h] = [r.skinMetal!.fy, f.thickness, wide(r.plate), f.depth];
      const F = abs(s.onSkin.fz) + (6 * abs(s.onSkin.my)) / (l + 2.5 * t);
      const yields = (fy * f.web * (2.5 * t + l)) / r.factors.onYield;
      const part = 1 + 3 * min(l / h, 0.2) * (f.web / t) ** 1.5;
      const cripples = (0.4 * f.web ** 2 * part * sqrt((210_000 * fy * t) / f.web)) / max(r.factors.onYield, 1 / 0.75);
      return F / min(yields, cripples);
    }));
});

it('glue: mean shear with torsion, Volkersen’s peak, peel at the edge, by their squares', () =>
  agree(ALL, 'bond', 25, (r, s) => {
    if (r.joint.bedding !== 'bonded' || r.shaped) return undefined;
    const [l, b] = [wide(r.plate), high(r.plate)];
    const hole = max(...r.kinds.map((k) => max(k.d0, k.skinHole, k.slot?.long ?? 0)));
    const A = l * b - (r.bolts.length * PI * hole ** 2) / 4;
    const c = s.onSkin;
    const V = hypot(c.fx, c.fy);
    const mean = V / A + (abs(c.mz) * hypot(l, b)) / 2 / ((l * b ** 3 + b * l ** 3) / 12);
    const sk = r.substrate;
    const far = sk.kind === 'sandwich' ? sk.nearFace : r.skinThickness;
    const soft = 1 / (r.plateMetal.E * r.plateThickness * r.plateLayers) + 1 / (r.skin.E * far);
    const λ = sqrt((r.bond.modulus / r.bond.line) * soft);
    const along = V > 0 ? (abs(c.fx) * l + abs(c.fy) * b) / V : max(l, b);
    const τ = mean * max(1, (λ * along) / 2 / tanh((λ * along) / 2));
    const σ = max(0, c.fz) / A + (6 * abs(c.mx)) / (l * b ** 2) + (6 * abs(c.my)) / (b * l ** 2);
    return r.factors.onGlue * hypot(τ / r.joint.bondShear, σ / r.joint.bondPeel);
  }));
