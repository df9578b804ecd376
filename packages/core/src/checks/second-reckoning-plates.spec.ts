import type { Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { agree, figuresOf, judgedJobs, mostOver, onSkinFor, type Judged } from '../testing/judged-jobs';

/** Plates, panels and what stands round bolts once more, on random joints, written from memory of the standards without the checks' own formulas. */
const mm = (v: number) => fromSheet(v, `${v} mm`);
const { PI, abs, hypot, max, min, sqrt } = Math;
const plain = (r: Resolved) => !r.shaped && r.plateHoles.length === 0;

describe('plates', () => {
  const ALL = judgedJobs(450, 23);

  it('torn across a row: the cut that takes most, of all there are (EN 1993-1-1 §6.2.2.2, AISC 360-16 §B4.3b)', () =>
    agree(ALL, 'net-section', 120, (r, s) => {
      if (!plain(r)) return undefined;
      const t = r.plateThickness * r.plateLayers;
      const EN = r.rules === 'EN';
      let used = 0;
      for (const axis of ['x', 'y'] as const) {
        const across = axis === 'x' ? 'y' : 'x';
        const b = r.plate[`${across}1`] - r.plate[`${across}0`];
        const [lo, hi] = [r.base[`${axis}0`], r.base[`${axis}1`]];
        // Bolts no further apart than they are thick stand in one row.
        const rows: number[][] = [];
        for (const i of [...r.bolts.keys()].sort((p, q) => r.bolts[p]![axis] - r.bolts[q]![axis])) {
          const last = rows.at(-1);
          if (last && r.bolts[i]![axis] - r.bolts[last.at(-1)!]![axis] <= r.d) last.push(i);
          else rows.push([i]);
        }
        const wide = (i: number) => {
          const { d0, slot } = r.kinds[r.bolts[i]!.kind]!;
          const run = slot ? (slot.long - d0) * abs(across === 'x' ? Math.cos(slot.turn) : Math.sin(slot.turn)) : 0;
          return d0 + run;
        };
        const cut = (innermost: readonly number[], outer: readonly number[]) => {
          const order = [...outer].sort((p, q) => r.bolts[p]![across] - r.bolts[q]![across]);
          let best = { taken: -Infinity, n: 0 };
          for (let set = 1; set < 2 ** order.length; set++) {
            const holes = order.filter((_, k) => set & (2 ** k));
            if (!holes.some((i) => innermost.includes(i))) continue;
            let taken = wide(holes[0]!);
            for (const [k, j] of holes.slice(1).entries()) {
              const i = holes[k]!;
              const p = r.bolts[j]![across] - r.bolts[i]![across];
              taken += p < 1e-6 ? -Infinity : wide(j) - (r.bolts[j]![axis] - r.bolts[i]![axis]) ** 2 / (4 * p);
            }
            if (taken > best.taken + 1e-9) best = { taken, n: holes.length };
          }
          const N = abs(outer.reduce((sum, i) => sum + s.inPlane.shears[i]![axis], 0));
          const net = max(0, b - best.taken - (EN ? 0 : (best.n * 25.4) / 16)) * t;
          const breaks = ((EN ? 0.9 : 1) * net * r.plateMetal.fu) / r.factors.onBreak;
          used = max(used, N / min(breaks, (b * t * r.plateMetal.fy) / r.factors.onYield));
        };
        rows.forEach((row, k) => {
          const at = row.reduce((sum, i) => sum + r.bolts[i]![axis], 0) / row.length;
          if (at >= lo) cut(row, rows.slice(k).flat());
          if (at <= hi) cut(row, rows.slice(0, k + 1).flat());
        });
      }
      return used;
    }));

  it('a block torn out of an edge: EN 1993-1-8 eq. 3.9 and 3.10, AISC 360-16 eq. J4-5', () =>
    agree(ALL, 'block-tearing', 60, (r, s) => {
      if (!plain(r) || r.kinds.length > 1 || r.job.plate.corner > 3) return undefined;
      const { fx, fy } = s.loadCase;
      const t = r.plateThickness * r.plateLayers;
      const { fu, fy: yields } = r.plateMetal;
      let used: number | undefined;
      for (const [axis, F] of [
        ['x', fx],
        ['y', fy],
      ] as const) {
        if (abs(F) < 1e-9) continue;
        const across = axis === 'x' ? 'y' : 'x';
        const sorted = [...r.bolts].sort((p, q) => p[axis] - q[axis]);
        const rows: (typeof sorted)[] = [];
        for (const b of sorted) {
          const last = rows.at(-1);
          if (last && b[axis] - last.at(-1)![axis] <= r.d) last.push(b);
          else rows.push([b]);
        }
        // Pushed forward, the bolts press the plate behind them: it tears out of the edge the force goes away from.
        if (F < 0) rows.reverse();
        const [outer, inner] = [rows[0]!, rows.at(-1)!];
        const mid = (row: typeof sorted) => row.reduce((a, b) => a + b[axis], 0) / row.length;
        const e = min(...outer.map((b) => (F > 0 ? b[axis] - r.plate[`${axis}0`] : r.plate[`${axis}1`] - b[axis])));
        const side = r.bolts.map((b) => b[across]);
        const [w, L, n2, n1] = [max(...side) - min(...side), abs(mid(inner) - mid(outer)), inner.length, rows.length];
        if (n2 < 2) continue;
        const worn = r.rules === 'EN' ? 0 : 25.4 / 16;
        const d = r.d0 + worn;
        const A_nt = max(0, (w - (n2 - 1) * d) * t);
        const A_nv = max(0, 2 * (e + L - (n1 - 0.5) * d) * t);
        const A_gv = 2 * (e + L) * t;
        const skew = abs(s.inPlane.torsion) > 1e-6 * hypot(fx, fy) * r.d;
        const holds =
          r.rules === 'EN'
            ? ((skew ? 0.5 : 1) * fu * A_nt) / r.factors.onBreak + (yields * A_nv) / sqrt(3) / r.factors.onYield
            : min(0.6 * fu * A_nv, 0.6 * yields * A_gv) / r.factors.onBreak + ((skew ? 0.5 : 1) * fu * A_nt) / r.factors.onBreak;
        used = max(used ?? 0, abs(F) / holds);
      }
      return used;
    }));
});

describe('what stands round bolts', () => {
  /** Laminates with sleeves, thick steel doublers welded by plugs. */
  const sleeved = judgedJobs(260, 24, (j) =>
    ['laminate', 'plywood', 'sandwich'].includes(j.skin.kind)
      ? {
          ...j,
          far: { kind: 'washer' },
          joint: { ...j.joint, packing: 'none', sleeve: 'sleeve', tubeOutside: mm(16), tubeWall: mm(2) },
        }
      : j,
  );
  it('a sleeve takes its own part of what crushes, the skin round it the rest', () =>
    agree(sleeved, 'washer-crush', 30, (r, s) => {
      if (r.joint.sleeve !== 'sleeve' || r.far.kind !== 'washer') return undefined;
      const γ = onSkinFor(r);
      const c = r.far.thickness * sqrt((r.far.fy * γ) / (3 * r.skin.crush * r.factors.onYield));
      const d = min(r.far.outside, max(r.size.acrossFlats, r.skinHole) + 2 * c);
      const A_w = (PI / 4) * (d ** 2 - r.skinHole ** 2);
      const A_s = (PI / 4) * (16 ** 2 - 12 ** 2);
      const holds = (235 * A_s) / r.factors.onYield + (r.skin.crush * max(0, A_w - A_s)) / γ;
      return mostOver(r, (i) => s.pulls[i]! / holds);
    }));
  const plugged = judgedJobs(260, 25, (j) => ({
    ...j,
    ...(j.skin.kind === 'sheet' ? { skin: { ...j.skin, metal: 'S355' } } : {}),
    plate: { ...j.plate, metal: 'S355' },
    welds: { ...j.welds, doubler: j.skin.kind === 'sheet' ? 'plugs' : 'none', plug: mm(14) },
    loads: j.loads.map((l) => ({
      ...l,
      values: { ...l.values, fz: fromSheet(-2e5, ''), mx: fromSheet(0, ''), my: fromSheet(0, '') },
    })),
  }));
  it('plug welds in shear: 0.6·F_EXX on their own area (AISC 360-16 §J2.3)', () =>
    agree(plugged, 'doubler-weld', 10, (r, s) => {
      if (r.welds.doubler !== 'plugs' || s.outOfPlane.tensions.some((v) => v > 1e-6)) return undefined;
      const holds = (0.6 * r.welds.filler * (PI / 4) * 14 ** 2) / r.factors.onBreak;
      return mostOver(r, (i) => s.shears[i]!.total / holds);
    }));
});

describe('sandwich panels against a plain sheet under the same load: the moment of a simply supported plate is the same', () => {
  /** Faces 3 and 4, core 23, in place of a steel sheet; all else alike. */
  const sheets = judgedJobs(150, 26, asSheet);
  function asSheet(j: Job): Job {
    const { spanX, spanY, aft, starboard, bedModulus } = j.skin;
    const panel = { spanX, spanY, aft, starboard, bedModulus, thickness: mm(30) };
    const wide = { ...panel, spanX: mm(Math.max(400, spanX.v)), spanY: mm(Math.max(400, spanY.v)) };
    return {
      ...j,
      skin: { kind: 'sheet', metal: 'S235', ...wide },
      limits: { ...j.limits, ratio: fromSheet(200, '200') },
      joint: { ...j.joint, holding: 'nut', sleeve: 'none', tightening: 'snug', packing: 'none' },
      welds: { ...j.welds, doubler: 'none' },
      far: { kind: 'plate', metal: 'S235', thickness: mm(6) },
    };
  }
  const sandwiches = judgedJobs(150, 26, (j) => {
    const sheet = asSheet(j);
    const { metal: _m, ...panel } = sheet.skin as Extract<Job['skin'], { kind: 'sheet' }>;
    const q = (v: number) => fromSheet(v, '');
    const faces = { nearFace: mm(3), farFace: mm(4), glass: q(0.4) };
    const core = { core: 'PVC foam' as const, coreCrush: q(1.3), coreShear: q(1), coreModulus: q(25) };
    return { ...sheet, skin: { ...panel, kind: 'sandwich', ...faces, ...core } };
  });

  it('faces m/(d·t_f) of the thinner, stiffness E·t_1·t_2·d²/((t_1 + t_2)(1 − ν²)), wrinkling 0.5·∛(E_f·E_c·G_c)', () => {
    const found = (all: readonly Judged[], id: string, n: number) => {
      const out = figuresOf(all, id).filter((f) => Number.isFinite(f.used));
      expect(out.length).toBeGreaterThan(n);
      return out;
    };
    const [a, b] = [found(sheets, 'skin-bending', 20), found(sandwiches, 'skin-bending', 20)];
    expect(a.length).toBe(b.length);
    const d = 23 + 3.5;
    a.forEach((sheet, k) => {
      const { r, used } = b[k]!;
      const m = (((sheet.used * sheet.r.skin.bending) / sheet.r.factors.onSkin) * 30 ** 2) / 6;
      const wrinkles = 0.5 * (r.skin.E * 2.6 * 25 * 25) ** (1 / 3);
      expect((m / (d * 3)) * (r.factors.onSkin / min(r.skin.bending, wrinkles))).toBeCloseTo(used, 6);
    });
    const [soft, stiff] = [found(sandwiches, 'deflection', 20), found(sheets, 'deflection', 20)];
    soft.forEach((s, k) => {
      const D = (s.r.skin.E * 3 * 4 * d ** 2) / (7 * (1 - s.r.skin.nu ** 2));
      const solid = (stiff[k]!.r.skin.E * 30 ** 3) / (12 * (1 - stiff[k]!.r.skin.nu ** 2));
      expect(s.used / stiff[k]!.used).toBeCloseTo(solid / D, 6);
    });
  });

  it('cores sheared round bolts, and round the plate as an even line with its moments (Allen; Blodgett’s line group)', () =>
    agree(sandwiches, 'core-shear', 20, (r, s) => {
      if (!plain(r) || r.far.kind !== 'plate') return undefined;
      const d = 23 + 3.5;
      const γ = r.factors.onSkin;
      const [u, v] = [r.plate.x1 - r.plate.x0, r.plate.y1 - r.plate.y0];
      const { fz, mx, my } = s.midSkin;
      const line = abs(fz) / (2 * (u + v)) + abs(mx) / (u * v + v ** 2 / 3) + abs(my) / (u * v + u ** 2 / 3);
      const c = 6 * sqrt((235 * γ) / (3 * r.skin.crush * r.factors.onYield));
      const bolt = (i: number) => {
        const b = r.bolts[i]!;
        const near = min(...r.bolts.filter((o) => o !== b).map((o) => hypot(o.x - b.x, o.y - b.y)));
        const { outline } = r.far as { outline: typeof r.plate };
        const edge = min(outline.x1 - b.x, b.x - outline.x0, outline.y1 - b.y, b.y - outline.y0);
        const D = min(max(r.washerOutside, r.skinHole) + 2 * c, 2 * edge, near);
        return (s.pulls[i]! * γ) / (PI * D * d * 1);
      };
      return max((line * γ) / (d * 1), mostOver(r, bolt));
    }));
});
