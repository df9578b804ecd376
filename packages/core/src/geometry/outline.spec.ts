import fc from 'fast-check';
import {
  anticlockwise,
  loopOf,
  mirroredOutline,
  movedOutline,
  outlineBounds,
  outlineFault,
  regionOf,
  reversed,
  sharp,
  type Corner,
  type Outline,
} from './outline';
import { cutLength, edgeDistance, isInside, rayToEdge, regionArea, regionCentroid } from './region';
import { SHAPES, wrap, type ShapeId } from './shapes';

const shape = (id: ShapeId, length: number, width: number, part = 0): Outline =>
  SHAPES.find((s) => s.id === id)!.of({ length, width, part });
const area = (o: Outline) => regionArea(regionOf(o));
const round = (o: Outline, i: number, make: Corner['make'], size: number): Outline => ({
  ...o,
  corners: o.corners.map((c, k) => (k === i ? { ...c, make, size } : c)),
});
const box: Outline = { corners: [sharp(0, 0), sharp(100, 0), sharp(100, 60), sharp(0, 60)], openings: [] };

describe('corners one by one (areas by hand)', () => {
  it('a round of 90° takes (1 − π/4)·r², a clip of leg s takes s²/2', () => {
    expect(area(round(box, 1, 'round', 20))).toBeCloseTo(6000 - (1 - Math.PI / 4) * 400, 9);
    expect(area(round(box, 2, 'clip', 15))).toBeCloseTo(6000 - 112.5, 9);
    expect(cutLength(regionOf(round(box, 1, 'round', 20)))).toBeCloseTo(320 - 40 + (Math.PI / 2) * 20, 9);
  });
  it('at 60° a round takes r²·(cot 30° − 60°·π/180·…): r²·(√3 − π/3), and lies on both edges', () => {
    const tri: Outline = { corners: [sharp(0, 0), sharp(100, 0), sharp(50, 50 * Math.sqrt(3))], openings: [] };
    const one = round(tri, 0, 'round', 10);
    expect(area(tri) - area(one)).toBeCloseTo(100 * (Math.sqrt(3) - Math.PI / 3), 9);
    // Tangent points r/tan 30° from the corner.
    expect(loopOf(one.corners)[1]!).toMatchObject({ x: expect.closeTo(10 * Math.sqrt(3), 9), y: expect.closeTo(0, 9) });
  });
  it('an inside corner rounds the other way: metal is added', () => {
    const L = shape('L', 100, 80, 30);
    expect(area(L)).toBe(100 * 30 + 50 * 30);
    expect(area(round(L, 3, 'round', 12))).toBeCloseTo(area(L) + (1 - Math.PI / 4) * 144, 9);
    expect(area(round(L, 3, 'clip', 12))).toBeCloseTo(area(L) + 72, 9);
  });
  it('an edge pulled to an arc adds its segment', () => {
    const arched: Outline = { ...box, corners: box.corners.map((c, i) => (i === 1 ? { ...c, bulge: 1 } : c)) };
    expect(area(arched)).toBeCloseTo(6000 + (Math.PI / 2) * 900, 9);
    expect(outlineBounds(arched)).toEqual({ x0: 0, x1: expect.closeTo(130, 6), y0: 0, y1: 60 });
    expect(outlineFault(arched)).toBe('');
  });
});

describe('ready shapes: area by their own formulas', () => {
  it.each([
    ['clipped', 100, 60, 10, 6000 - 4 * 50],
    ['trapezoid', 120, 80, 40, (120 * (80 + 40)) / 2],
    ['gusset', 100, 80, 0, 4000],
    ['L', 120, 90, 25, 120 * 25 + 65 * 25],
    ['T', 120, 90, 25, 95 * 25 + 90 * 25],
    ['disc', 80, 80, 0, Math.PI * 1600],
    ['strap', 140, 40, 0, 100 * 40 + Math.PI * 400],
    ['lug', 100, 50, 0, 75 * 50 + (Math.PI / 2) * 625],
  ] as const)('%s %d × %d', (id, l, w, part, want) => {
    const o = shape(id, l, w, part);
    const plain = id === 'gusset' ? { ...o, corners: o.corners.filter((_c, i) => i !== 1 && i !== 4) } : o;
    expect(area(plain)).toBeCloseTo(want, 6);
    const b = outlineBounds(o);
    expect([b.x1 - b.x0, b.y1 - b.y0]).toEqual([expect.closeTo(l, 6), expect.closeTo(w, 6)]);
    expect([b.x0 + b.x1, b.y0 + b.y1].map((v) => Math.abs(v) < 1e-6)).toEqual([true, true]);
    if (id !== 'gusset') expect(outlineFault(o)).toBe('');
  });
  it('a gusset has its nose: legs of 100 and 80 with 8 mm left at each tip', () => {
    const o = shape('gusset', 100, 80, 8);
    expect(outlineFault(o)).toBe('');
    // Right triangle over the legs less the noses, and a strip along each leg.
    expect(area(o)).toBeCloseTo((92 * 72) / 2 + 92 * 8 + 72 * 8 + 64, 9);
  });
});

describe('wrapped round holes', () => {
  it('three: triangle + perimeter·r + π·r² (Steiner 1840)', () => {
    const o = wrap(
      [
        { x: 0, y: 0 },
        { x: 90, y: 0 },
        { x: 0, y: 120 },
        { x: 20, y: 20 },
      ],
      18,
    )!;
    expect(area(o)).toBeCloseTo((90 * 120) / 2 + (90 + 120 + 150) * 18 + Math.PI * 324, 6);
    expect(outlineFault(o)).toBe('');
  });
  it('two are a strap, one is a disc, and none is nothing', () => {
    expect(
      area(
        wrap(
          [
            { x: 0, y: 0 },
            { x: 60, y: 80 },
          ],
          10,
        )!,
      ),
    ).toBeCloseTo(100 * 20 + Math.PI * 100, 9);
    expect(
      area(
        wrap(
          [
            { x: 7, y: -3 },
            { x: 7, y: -3 },
          ],
          10,
        )!,
      ),
    ).toBeCloseTo(Math.PI * 100, 9);
    expect([wrap([], 5), wrap([{ x: 0, y: 0 }], 0)]).toEqual([undefined, undefined]);
  });
  it('every place lies the margin from the edge or further, whatever they are; twelve in a moment', () => {
    const place = fc.record({ x: fc.integer({ min: -400, max: 400 }), y: fc.integer({ min: -400, max: 400 }) });
    fc.assert(
      fc.property(fc.array(place, { minLength: 1, maxLength: 12 }), fc.integer({ min: 5, max: 40 }), (places, margin) => {
        const r = regionOf(wrap(places, margin)!);
        for (const p of places) expect(edgeDistance(r, p)).toBeGreaterThan(margin - 1e-6);
        expect(places.some((p) => edgeDistance(r, p) < margin + 1e-6)).toBe(true);
      }),
    );
  });
});

describe('mirrored, moved and turned round', () => {
  const odd = round(round(shape('L', 120, 90, 25), 1, 'round', 9), 4, 'clip', 6);
  const arched: Outline = {
    ...odd,
    corners: odd.corners.map((c, i) => (i === 5 ? { ...c, bulge: 0.3 } : c)),
    openings: [box.corners.map((c) => ({ ...c, x: c.x / 10 - 50, y: c.y / 10 - 40 }))],
  };
  it('mirrored twice it is itself, once it has the same metal on the other side', () => {
    const m = mirroredOutline(arched);
    expect(area(m)).toBeCloseTo(area(arched), 9);
    expect(outlineFault(m)).toBe('');
    const [c, d] = [regionCentroid(regionOf(arched)), regionCentroid(regionOf(m))];
    expect([d.x, d.y]).toEqual([expect.closeTo(c.x, 9), expect.closeTo(-c.y, 9)]);
    const back = mirroredOutline(m);
    expect(back.corners.map((x) => [x.x, x.y, x.make, x.size, x.bulge])).toEqual(
      arched.corners.map((x) => [x.x, x.y, x.make, x.size, x.bulge]),
    );
    const p = { x: -40, y: 30 };
    expect(rayToEdge(regionOf(m), { x: p.x, y: -p.y }, { x: 0.6, y: -0.8 })).toBeCloseTo(
      rayToEdge(regionOf(arched), p, { x: 0.6, y: 0.8 }),
      9,
    );
    expect(isInside(regionOf(m), { x: p.x, y: -p.y })).toBe(isInside(regionOf(arched), p));
  });
  it('drawn clockwise it is turned round, arcs and all', () => {
    const clockwise = reversed(arched.corners);
    expect(outlineFault({ corners: clockwise, openings: [] })).toBe('it runs clockwise');
    const again = anticlockwise(clockwise);
    expect(area({ corners: again, openings: [] })).toBeCloseTo(area({ ...arched, openings: [] }), 9);
    expect(anticlockwise(arched.corners)).toBe(arched.corners);
  });
  it('moved, every distance stays', () => {
    const far = regionOf(movedOutline(arched, 300, -70));
    expect(edgeDistance(far, { x: 260, y: -40 })).toBeCloseTo(edgeDistance(regionOf(arched), { x: -40, y: 30 }), 9);
  });
  it('a refined edge moves nothing: corners put on a straight edge', () => {
    const more: Outline = {
      ...box,
      corners: [box.corners[0]!, sharp(30, 0), { ...sharp(70, 0), make: 'round', size: 5 }, ...box.corners.slice(1)],
    };
    expect(area(more)).toBeCloseTo(6000, 9);
    for (const p of [
      { x: 20, y: 10 },
      { x: 70, y: 55 },
    ])
      expect(edgeDistance(regionOf(more), p)).toBeCloseTo(edgeDistance(regionOf(box), p), 12);
  });
});

it('what cannot be cut is said by its place', () => {
  const fault = (...corners: Corner[]) => outlineFault({ corners, openings: [] });
  expect(fault(sharp(0, 0), sharp(100, 60), sharp(100, 0), sharp(0, 60))).toMatch(/^it crosses itself near 50.0, 30.0 mm/);
  expect(fault(sharp(0, 0), sharp(0, 0), sharp(5, 5))).toBe('two corners stand in one place, 0.0, 0.0 mm');
  expect(outlineFault(round(round(box, 1, 'round', 40), 2, 'round', 30))).toBe(
    'the corner at 100.0, 0.0 mm and the next take 70.0 mm of an edge of 60.0 mm',
  );
  expect(fault({ ...sharp(0, 0), make: 'round', size: 5 }, sharp(50, 0), { ...sharp(50, 50, 0.2) })).toMatch(
    /lies on an arc and cannot be made round/,
  );
  const hole = box.corners.map((c) => ({ ...c, x: c.x + 60 }));
  expect(outlineFault({ ...box, openings: [hole] })).toMatch(/^it crosses itself/);
});
