import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { outlineFault, regionOf, sharp, type Outline } from '../geometry/outline';
import { regionArea } from '../geometry/region';
import { shapedPlate } from '../job/shaped';
import { cutParts } from '../shop/cut-parts';
import { partDxf } from '../shop/dxf';
import { lopsidedJob } from '../testing/lopsided-job';
import { resolved } from '../testing/test-job';
import { isRefusal } from '../units/refusal';
import { readOutlineDxf, type DxfOutline } from './outline-dxf';

const read = (text: string, plain = 1) => {
  const r = readOutlineDxf(text, plain);
  if (isRefusal(r)) throw new Error(r.because);
  return r;
};
const area = ({ outline }: DxfOutline) => regionArea(regionOf(outline));
const no = (text: string) => {
  const r = readOutlineDxf(text, 1);
  return isRefusal(r) ? `${r.field}: ${r.because} — ${r.allowed}` : 'read';
};
function drawing(draw: (d: DxfWriter) => void, units: number = Units.Millimeters): string {
  const d = new DxfWriter();
  d.setUnits(units);
  d.addLayer('CUT', Colors.White, 'Continuous');
  draw(d);
  return d.stringify();
}
const on = { layerName: 'CUT' };

it('what was cut comes back: outline with its arcs, openings, and the holes told of', () => {
  const L: Outline = {
    corners: [
      sharp(-95, -75),
      sharp(140, -75, 0.3),
      sharp(140, 35),
      { ...sharp(50, 35), make: 'round', size: 12 },
      sharp(50, 110),
      sharp(-95, 110),
    ],
    openings: [[sharp(-80, 80), sharp(-50, 80), sharp(-50, 100), sharp(-80, 100)]],
  };
  const job = lopsidedJob((j) => ({
    ...j,
    plate: shapedPlate(j.plate, L),
    bolts: {
      ...j.bolts,
      items: j.bolts.items.map((b) => (b.id === 'B1' ? { ...b, x: 110, y: 5 } : b.id === 'B3' ? { ...b, y: 40 } : b)),
    },
  }));
  const [part] = cutParts(resolved(job));
  for (const cutOnly of [true, false]) {
    const back = read(partDxf(part!, { lines: ['x'], base: { x0: -35, x1: 35, y0: -25, y1: 25 }, cutOnly }));
    expect(area(back)).toBeCloseTo(regionArea(regionOf(L)), 4);
    expect(back.outline.openings).toHaveLength(1);
    expect(outlineFault(back.outline)).toBe('');
    expect(back.said).toContain('5 circles are left out: holes come in as a pattern on Measure.');
  }
});

it('lines and arcs that meet, drawn in any order and either way, are one contour: a strap of 100 × 40', () => {
  const text = drawing((d) => {
    d.addLine(point3d(30, 20, 0), point3d(-30, 20, 0), on);
    d.addArc(point3d(-30, 0, 0), 20, 90, 270, on);
    d.addLine(point3d(30, -20, 0), point3d(-30, -20, 0), on);
    d.addArc(point3d(30, 0, 0), 20, -90, 90, on);
  });
  expect(area(read(text))).toBeCloseTo(60 * 40 + Math.PI * 400, 6);
});

it('a drawing in inches is read as such; one that names no unit by the job’s own, and says so', () => {
  const square = (units: number) =>
    drawing(
      (d) =>
        d.addLWPolyline(
          [0, 2, 2, 0].map((x, i) => ({ point: point2d(x, i < 2 ? 0 : 3) })),
          { flags: LWPolylineFlags.Closed, ...on },
        ),
      units,
    );
  expect(area(read(square(Units.Inches)))).toBeCloseTo(6 * 25.4 ** 2, 6);
  const plain = read(square(Units.Unitless), 25.4);
  expect(area(plain)).toBeCloseTo(6 * 25.4 ** 2, 6);
  expect(plain.said[0]).toMatch(/names no unit; read as inches/);
});

it('what is not a closed outline is refused by its place, a curve by its kind', () => {
  expect(no(drawing((d) => d.addLine(point3d(0, 0, 0), point3d(80, 0, 0), on)))).toBe(
    'file: the contour from 0.00, 0.00 mm to 80.00, 0.00 mm is open — a closed contour: ends that meet within 0.01 mm',
  );
  expect(no(drawing((d) => d.addCircle(point3d(0, 0, 0), 5, on)))).toMatch(/no contour among its 1 parts/);
  const crossed = [
    [0, 0],
    [50, 40],
    [50, 0],
    [0, 40],
  ].map(([x, y]) => ({ point: point2d(x!, y!) }));
  expect(no(drawing((d) => d.addLWPolyline(crossed, { flags: LWPolylineFlags.Closed, ...on })))).toMatch(
    /^file: it crosses itself near 25.0, 20.0 mm/,
  );
  const many = Array.from({ length: 300 }, (_, i) => ({ point: point2d(90 * Math.cos(i / 48), 90 * Math.sin(i / 48)) }));
  expect(no(drawing((d) => d.addLWPolyline(many, { flags: LWPolylineFlags.Closed, ...on })))).toMatch(
    /corners — up to 200: arcs as arcs/,
  );
  const spline = drawing((d) => d.addLine(point3d(0, 0, 0), point3d(1, 0, 0), on)).replace(/\n {0,2}0\r?\nLINE/, '\n  0\nSPLINE');
  expect(no(spline)).toMatch(/it has a spline on layer CUT/);
  expect(no('')).toMatch(/nothing in it/);
});

it('loose lines and contours of other layers are left out and said', () => {
  const text = drawing((d) => {
    d.addLayer('NOTE', Colors.Red, 'Continuous');
    const box = (x: number, y: number, s: number) =>
      [point2d(x, y), point2d(x + s, y), point2d(x + s, y + s), point2d(x, y + s)].map((point) => ({ point }));
    d.addLWPolyline(box(0, 0, 100), { flags: LWPolylineFlags.Closed, ...on });
    d.addLWPolyline(box(10, 10, 20), { flags: LWPolylineFlags.Closed, layerName: 'NOTE' });
    d.addLine(point3d(200, 0, 0), point3d(240, 0, 0), on);
  });
  const { outline, said } = read(text);
  expect(outline.openings).toEqual([]);
  expect(said).toEqual(['1 other closed contour is left out.', '1 open line is left out.']);
});
