import { sharp, type Outline } from '../geometry/outline';
import { farDiameter } from '../checks/far-bearing';
import { edgeDistance, regionArea } from '../geometry/region';
import { SHAPES, wrap } from '../geometry/shapes';
import { atFoot, oneFoot } from '../job/at-foot';
import { mirrored } from '../job/mirrored';
import { isResolved, resolve } from '../job/resolve';
import type { Job } from '../job/schema';
import { shapedPlate } from '../job/shaped';
import { WholeJob } from '../job/whole-job';
import { fromSheet } from '../job/values';
import { cutParts } from '../shop/cut-parts';
import { lopsidedJob } from '../testing/lopsided-job';
import { solvedCase } from '../testing/solved-case';
import { resolved } from '../testing/test-job';
import { turned } from '../testing/turned';
import { Working } from '../working/steps';
import { evaluate } from './evaluate';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const shaped =
  (outline: Outline, change: (j: Job) => Job = (j) => j) =>
  (j: Job): Job =>
    change({ ...j, plate: shapedPlate(j.plate, outline) });
const box = (x0: number, x1: number, y0: number, y1: number): Outline => ({
  corners: [sharp(x0, y0), sharp(x1, y0), sharp(x1, y1), sharp(x0, y1)],
  openings: [],
});
const figures = (job: Job) =>
  evaluate(job).links.map((l) => [l.id, l.state, Number.isFinite(l.utilisation) ? Number(l.utilisation.toPrecision(9)) : 'none']);
/** The lopsided plate with sharp corners. */
const plain = lopsidedJob((j) => ({ ...j, plate: { ...j.plate, corner: 0 } }));
const drawn = shaped(box(-95, 140, -75, 110))(plain);

/** An L about the base: a leg along x below, a leg along y aft. */
const L: Outline = {
  corners: [
    sharp(-95, -75),
    sharp(140, -75),
    sharp(140, 35),
    { ...sharp(50, 35), make: 'round', size: 12 },
    sharp(50, 110),
    sharp(-95, 110),
  ],
  openings: [],
};
const onL = lopsidedJob((j) =>
  shaped(L)({
    ...j,
    bolts: {
      ...j.bolts,
      items: [
        { id: 'B1', x: 110, y: 5 },
        { id: 'B2', x: 95, y: -50 },
        { id: 'B3', x: -70, y: 60 },
        { id: 'B4', x: -65, y: -45 },
        { id: 'B5', x: 20, y: 85 },
      ],
    },
  }),
);
const refusals = (job: Job) => {
  const r = resolve(job);
  return isResolved(r) ? [] : r.map((x) => `${x.field}: ${x.because}`);
};

describe('a rectangle that is drawn as an outline', () => {
  it('has the same figures by hand, and as solved', () => {
    expect(figures(drawn)).toEqual(figures(plain));
    const tensions = (j: Job) => solvedCase(j).bolts.map((b) => b.tension);
    tensions(drawn).forEach((t, i) => expect(Math.abs(t / tensions(plain)[i]! - 1)).toBeLessThan(1e-6));
  });
  it('and moves none with more corners on its edges', () => {
    const more: Outline = {
      corners: [
        sharp(-95, -75),
        sharp(0, -75),
        sharp(33, -75),
        sharp(140, -75),
        sharp(140, 110),
        sharp(10, 110),
        sharp(-95, 110),
      ],
      openings: [],
    };
    expect(figures(shaped(more)(plain))).toEqual(figures(drawn));
  });
});

describe('an L', () => {
  it('is judged by the metal that is there: across the leg of 110, not the whole of 185', () => {
    const r = resolved(onL);
    expect(r.shaped).toBe(true);
    expect(regionArea(r.region)).toBeCloseTo(235 * 110 + 145 * 75 + (1 - Math.PI / 4) * 144, 6);
    // B1 stands 30 mm from the leg’s edge and 30 from its end (by hand): no edge is further.
    const whole = lopsidedJob((j) => ({ ...j, plate: { ...j.plate, corner: 0 }, bolts: { ...j.bolts, items: onL.bolts.items } }));
    const net = (j: Job) => evaluate(j).links.find((l) => l.id === 'net-section')!;
    expect(net(onL).capacity).toBeLessThan(net(whole).capacity);
  });
  it('refuses a bolt off its metal, a base that hangs over it, a bend and a taper, by name', () => {
    const off = { ...onL, bolts: { ...onL.bolts, items: onL.bolts.items.map((b) => (b.id === 'B1' ? { ...b, y: 80 } : b)) } };
    expect(refusals(off)).toEqual([expect.stringMatching(/\(B1\): lies 45 mm outside the plate$/)]);
    const wide = { ...onL, base: { ...onL.base, length: mm(130), width: mm(120) } };
    expect(refusals(wide)).toContainEqual(expect.stringMatching(/^plate.outline: the base hangs over the plate’s edge by/));
    const fold = { edge: 'fore', radius: mm(6), height: mm(40) } as const;
    expect(refusals({ ...onL, plate: { ...onL.plate, fold } })).toContainEqual(
      expect.stringContaining('a bent edge on a plate that is no rectangle'),
    );
    const glued = evaluate({ ...onL, joint: { ...onL.joint, bedding: 'bonded' } }).links.find((l) => l.id === 'bond')!;
    expect([glued.state, glued.because]).toEqual(['refused', expect.stringContaining('no rectangle')]);
  });
  it('turned and mirrored moves no figure', () => {
    const sorted = (j: Job) => JSON.stringify(figures(j).sort());
    expect(sorted(turned(onL))).toBe(sorted(onL));
    expect(sorted(mirrored(onL))).toBe(sorted(onL));
    expect(mirrored(mirrored(onL))).toEqual(onL);
  });
  it('is cut as it is drawn: one outline with its round inside corner; what is behind it the same, or a rectangle where it reaches past', () => {
    const behind = (past?: number) =>
      cutParts(
        resolved({ ...onL, far: { kind: 'plate', metal: 'S275', thickness: mm(5), ...(past === undefined ? {} : { past }) } }),
      );
    const parts = behind();
    expect(parts.map((p) => [p.id, p.region.outer.length])).toEqual([
      ['plate', 7],
      ['backing', 7],
    ]);
    expect(parts[1]!.region).toEqual(parts[0]!.region);
    expect(behind(10)[1]!.region.outer).toHaveLength(8);
    expect(parts[0]!.region.outer.filter((v) => v.bulge !== 0).map((v) => v.bulge)).toEqual([expect.closeTo(1 - Math.SQRT2, 9)]);
  });
  it('a nut near an edge that was cut away spreads no wider than that edge lets it', () => {
    const soft = {
      ...onL,
      far: { kind: 'plate' as const, metal: 'S275', thickness: mm(20) },
      skin: { ...onL.skin, kind: 'laminate', glass: fromSheet(0.4, '40 %') } as Job['skin'],
    };
    const r = resolved(soft);
    r.bolts.forEach((b) => {
      const edge = edgeDistance(r.region, b);
      expect(farDiameter(r, b, new Working(false))).toBeLessThanOrEqual(2 * edge + 1e-9);
    });
  });
  it('solved, its pulls stay in balance and differ from the whole rectangle’s where metal is gone', () => {
    const whole = lopsidedJob((j) => ({ ...j, plate: { ...j.plate, corner: 0 }, bolts: { ...j.bolts, items: onL.bolts.items } }));
    const [a, b] = [solvedCase(onL), solvedCase(whole)];
    expect(a.balance).toBeLessThan(1e-3);
    const apart = a.bolts.map((k, i) => Math.abs(k.tension - b.bolts[i]!.tension));
    expect(Math.max(...apart)).toBeGreaterThan(0.01 * Math.max(...b.bolts.map((k) => k.tension)));
    expect(a.edgeStress.value).toBeGreaterThan(0);
  });
});

describe('other outlines', () => {
  it('a plate wrapped round its bolts at 22 mm', () => {
    const bolts = lopsidedJob().bolts.items;
    const job = shaped(wrap(bolts, 22)!)(lopsidedJob());
    expect(refusals(job)).toEqual([]);
    const edge = evaluate(job).links.find((l) => l.id === 'edge-and-pitch')!;
    expect(edge.state).toBe('sound');
    expect(job.plate).toMatchObject({ x0: -92, x1: 132, y0: -72, y1: 107 });
  });
  it.each(SHAPES.map((s) => [s.name, s] as const))('%s: solved in balance where the bolts stand on it', (_name, s) => {
    const outline = s.of({ length: 260, width: 220, part: s.id === 'gusset' ? 150 : 90 });
    const inside = [-14, 14].flatMap((x) => [-60, 62].map((y) => ({ x, y }))).map((p, i) => ({ id: `B${i + 1}`, ...p }));
    const job = lopsidedJob((j) =>
      shaped(outline)({ ...j, base: { ...j.base, length: mm(30), width: mm(30) }, bolts: { ...j.bolts, items: inside } }),
    );
    if (refusals(job).length > 0) return expect(refusals(job).join()).toMatch(/outside the plate|hangs over|breaks through/);
    return expect(solvedCase(job).balance).toBeLessThan(1e-3);
  });
  it('an opening beside a bolt is an edge to it', () => {
    const opening = [sharp(100, 40), sharp(120, 40), sharp(120, 60), sharp(100, 60)];
    const open: Outline = { ...box(-95, 140, -75, 110), openings: [opening] };
    const edge = (j: Job) => evaluate(j).links.find((l) => l.id === 'edge-and-pitch')!;
    expect(edge(shaped(open)(plain)).utilisation).toBeGreaterThan(edge(drawn).utilisation);
  });
});

describe('in a file', () => {
  const whole = oneFoot(onL);
  const issues = (plate: unknown) =>
    WholeJob.safeParse({ ...whole, feet: [{ ...whole.feet[0], design: { ...whole.feet[0]!.design, plate } }] }).error?.issues.map(
      (i) => `${i.path.slice(3).join('.')}: ${i.message}`,
    ) ?? [];
  it('is kept as it is drawn', () => {
    expect(issues(onL.plate)).toEqual([]);
    expect(atFoot(WholeJob.parse(whole), 'F1')).toEqual(onL);
  });
  it('is refused where it says to reach elsewhere than it does, and where it has too many corners or sizes out of range', () => {
    expect(issues({ ...onL.plate, x1: 150 })).toEqual([
      'plate.x1: 150 mm, and the outline reaches to 140.000 mm; allowed: what it reaches to',
    ]);
    const many = Array.from({ length: 5000 }, (_, i) => sharp(90 * Math.cos(i / 800), 90 * Math.sin(i / 800)));
    expect(issues({ ...onL.plate, outline: { corners: many, openings: [] } })).toEqual([
      'plate.outline.corners: allowed: 2 to 200 corners',
    ]);
    const odd = { ...L, corners: [{ ...L.corners[0]!, make: 'round' as const, size: -1 }, ...L.corners.slice(1)] };
    expect(issues({ ...onL.plate, outline: odd })[0]).toMatch(
      /^plate.outline.corners.0.size: Corner radius: allowed 0 up to 500 mm/,
    );
  });
  it('that crosses itself can be kept, and is refused when it is asked, by its place', () => {
    const [a, b, c, ...rest] = L.corners;
    const crossed = { ...onL, plate: { ...onL.plate, outline: { corners: [b!, a!, c!, ...rest], openings: [] } } };
    expect(refusals(crossed)[0]).toEqual(expect.stringMatching(/^plate.outline: (it crosses itself near|it runs clockwise)/));
  });
});
