import fc from 'fast-check';
import { newJob } from '../job/new-job';
import { plainJoint } from '../job/plain-joint';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { fastenerSize } from '../stock/fasteners';
import { freeLoad } from './test-job';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const whole = (min: number, max: number) => fc.integer({ min, max });
const real = (min: number, max: number) => fc.integer({ min: 0, max: 1000 }).map((k) => min + ((max - min) * k) / 1000);

/** Skins the spread solver knows, as thick as the trade has them. */
const skin = fc.oneof(
  fc.record({ kind: fc.constant('sheet' as const), metal: fc.constantFrom('S235', 'S355', '5083-H111', '304'), t: whole(2, 12) }),
  fc.record({ kind: fc.constant('laminate' as const), t: whole(5, 18), glass: real(0.3, 0.5) }),
  fc.record({ kind: fc.constant('plywood' as const), t: whole(9, 27), grade: fc.constantFrom('birch', 'softwood') }),
  fc.record({
    kind: fc.constant('sandwich' as const),
    t: whole(20, 45),
    face: real(2, 5),
    sleeve: fc.constantFrom('none', 'plug'),
  }),
);

const LAYOUTS = ['ring of 4', 'ring of 6', 'through 4', 'through 6', 'row each side'] as const;

/** Everything that is drawn of a random job, before it is put together. */
const drawn = fc.record({
  skin,
  layout: fc.constantFrom(...LAYOUTS),
  size: fc.constantFrom('M6', 'M8', 'M10', 'M12', 'M16'),
  grade: fc.constantFrom('4.6', '8.8', 'A4-70', '10.9'),
  base: fc.tuple(whole(50, 140), whole(50, 140), whole(5, 20)),
  out: fc.tuple(whole(0, 30), whole(0, 30)),
  margin: fc.tuple(whole(2, 20), whole(2, 20), whole(2, 20), whole(2, 20)),
  corner: whole(0, 10),
  plate: fc.tuple(whole(3, 16), fc.constantFrom('S235', 'S355', '6082-T6', '316')),
  span: fc.tuple(whole(300, 900), whole(300, 900), real(0.35, 0.65), real(0.35, 0.65)),
  far: fc.constantFrom('washer', 'large washer', 'plate', 'plate', 'strips'),
  farThickness: whole(3, 10),
  holding: fc.constantFrom('nut', 'nut', 'nut', 'weld nut', 'rivet nut'),
  rules: fc.constantFrom('EN' as const, 'EN' as const, 'AISC' as const),
  school: fc.constantFrom('working' as const, 'limit' as const),
  loads: fc.array(fc.tuple(real(-1, 1), real(-1, 1), real(-1, 1), real(-1, 1), real(-1, 1), real(0, 200)), {
    minLength: 1,
    maxLength: 3,
  }),
});
type Drawn = typeof drawn extends fc.Arbitrary<infer T> ? T : never;

/** Bolt places of a layout about a base of l × w; `a` clear of its edge and `b` past it. */
function places({ layout, base: [l, w], out: [a, b] }: Drawn, clear: number): { x: number; y: number }[] {
  const [x, y] = [l / 2 + clear + a, w / 2 + clear + b];
  const grid = (xs: number[], ys: number[]) => xs.flatMap((px) => ys.map((py) => ({ x: px, y: py })));
  switch (layout) {
    case 'ring of 4':
      return grid([-x, x], [-y, y]);
    case 'ring of 6':
      return grid([-x, 0, x], [-y, y]);
    case 'row each side':
      return grid([-x, x], [-w / 2.5, 0, w / 2.5]);
    case 'through 4':
      return grid([-0.34 * l, 0.34 * l], [-0.34 * w, 0.34 * w]);
    case 'through 6':
      return grid([-0.36 * l, 0, 0.36 * l], [-0.34 * w, 0.34 * w]);
  }
}

function made(x: Drawn): Job {
  const job = newJob('random', 'Random');
  const size = fastenerSize(x.size)!;
  const d0 = size.hole.medium;
  const at = places(x, size.washer.outside / 2 + 1);
  const [l, w, tb] = x.base;
  const far = (v: number[]) => Math.max(...v.map(Math.abs));
  const [X, Y] = [Math.max(l / 2, far(at.map((p) => p.x))), Math.max(w / 2, far(at.map((p) => p.y)))];
  const rim = 1.6 * d0;
  const [aft, fore, starboard, port] = x.margin;
  const [spanX, spanY, px, py] = x.span;
  const common = {
    thickness: mm(x.skin.t),
    spanX: mm(spanX),
    spanY: mm(spanY),
    aft: mm(Math.round(spanX * px * 1e4) / 1e4),
    starboard: mm(Math.round(spanY * py * 1e4) / 1e4),
    bedModulus: fromSheet({ sheet: 30_000, laminate: 8000, plywood: 500, sandwich: 300 }[x.skin.kind], ''),
  };
  const { school, rules } = x;
  const metalFar = { metal: 'S235', thickness: mm(x.farThickness) };
  return {
    ...job,
    practice: { ...job.practice, school, rules, gammaG: 1.35, gammaQ: 1.5 },
    base: {
      ...job.base,
      length: mm(l),
      width: mm(w),
      thickness: mm(tb),
      hole: mm(d0),
      holes: x.layout.startsWith('through') ? at.map((p, i) => ({ id: `H${i + 1}`, ...p })) : [],
    },
    skin: skinOf(x.skin, common),
    plate: {
      ...job.plate,
      x0: -X - rim - aft,
      x1: X + rim + fore,
      y0: -Y - rim - starboard,
      y1: Y + rim + port,
      corner: x.corner,
      thickness: mm(x.plate[0]),
      metal: x.plate[1],
    },
    bolts: {
      ...job.bolts,
      size: x.size,
      class: x.grade,
      nut: { '4.6': '5', '8.8': '8', 'A4-70': 'A4-70', '10.9': '10' }[x.grade]!,
      items: at.map((p, i) => ({ id: `B${i + 1}`, ...p })),
    },
    far:
      x.far === 'plate'
        ? { kind: 'plate', ...metalFar }
        : x.far === 'strips'
          ? { kind: 'strips', ...metalFar, width: mm(Math.ceil(2.5 * size.washer.outside)), along: 'x' }
          : { kind: x.far as 'washer' },
    joint: {
      ...plainJoint(),
      holding: x.holding as Job['joint']['holding'],
      insert: fromSheet(400 * size.d, ''),
      sleeve: x.skin.kind === 'sandwich' ? (x.skin.sleeve as 'none' | 'plug') : 'none',
      tubeOutside: mm(2.5 * size.d),
    },
    packs: [],
    loads: x.loads.map(([fx, fy, fz, mx, my, z], i) =>
      freeLoad({ fx: 2000 * fx, fy: 2000 * fy, fz: 4000 * fz, mx: 60_000 * mx, my: 60_000 * my, z }, `L${i + 1}`),
    ),
  };
}

function skinOf(s: Drawn['skin'], common: object): Job['skin'] {
  switch (s.kind) {
    case 'sheet':
      return { kind: 'sheet', metal: s.metal, ...common } as Job['skin'];
    case 'laminate':
      return { kind: 'laminate', glass: fromSheet(s.glass, ''), ...common } as Job['skin'];
    case 'plywood':
      return { kind: 'plywood', grade: s.grade, ...common } as Job['skin'];
    case 'sandwich': {
      const q = (v: number) => fromSheet(v, '');
      const faces = { nearFace: mm(s.face), farFace: mm(s.face), glass: q(0.4) };
      return {
        kind: 'sandwich',
        core: 'PVC foam',
        ...faces,
        coreCrush: q(1.3),
        coreShear: q(1),
        coreModulus: q(25),
        ...common,
      } as Job['skin'];
    }
  }
}

/** A job as somebody might draw it, with one to three free loads: whole, though not always sound, nor always to be made. */
export const randomJob: fc.Arbitrary<Job> = drawn.map(made);

/** The job with every load so many times as large. */
export const timesLoaded = (job: Job, k: number): Job => ({
  ...job,
  loads: job.loads.map((l) => ({
    ...l,
    values: Object.fromEntries(
      Object.entries(l.values).map(([key, q]) => [key, /^[fm]/.test(key) ? { ...q, v: q.v * k, text: String(q.v * k) } : q]),
    ),
  })),
});
