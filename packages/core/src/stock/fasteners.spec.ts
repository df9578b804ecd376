import { classesFor, FASTENER_CLASSES } from './fastener-classes';
import { FASTENER_SIZES, fastenerSize, stressArea } from './fasteners';
import { laminate, plywood } from './skins';
import { INCH_PLATE, MM_PLATE, nextThickness } from './plate-thicknesses';

const areaOf = (id: string) => stressArea(fastenerSize(id)!);

describe('tensile stress areas', () => {
  // ISO 898-1 Tab. 4 gives three significant figures (from memory, as in the brief).
  it.each([
    ['M5', 14.2],
    ['M6', 20.1],
    ['M8', 36.6],
    ['M10', 58.0],
    ['M12', 84.3],
    ['M16', 157],
    ['M20', 245],
    ['M24', 353],
  ])('ISO 898-1: %s %f mm²', (id, mm2) => expect(Number(areaOf(id).toPrecision(3))).toBe(mm2));

  it.each([
    ['1/4-20', 0.0318],
    ['5/16-18', 0.0524],
    ['3/8-16', 0.0775],
    ['1/2-13', 0.1419],
    ['5/8-11', 0.226],
    ['3/4-10', 0.334],
  ])('ASME B1.1: %s %f in²', (id, in2) => {
    const figures = String(in2).replace(/^0\.0*/, '').length;
    expect(Number((areaOf(id) / 25.4 ** 2).toPrecision(figures))).toBe(in2);
  });
});

describe('clearance holes, ISO 273 fine / medium / coarse', () => {
  it.each([
    ['M6', 6.4, 6.6, 7],
    ['M8', 8.4, 9, 10],
    ['M10', 10.5, 11, 12],
    ['M12', 13, 13.5, 14.5],
    ['M16', 17, 17.5, 18.5],
  ])('%s', (id, fine, medium, coarse) => expect(fastenerSize(id)!.hole).toEqual({ fine, medium, coarse }));
});

it('every stock row is possible: hole over bolt, washer over hole, ratio f_yb under f_ub', () => {
  for (const s of FASTENER_SIZES) {
    expect(s.hole.fine).toBeGreaterThan(s.d);
    expect(s.washer.outside).toBeGreaterThan(s.hole.medium);
    expect(s.largeWasher.outside).toBeGreaterThan(s.washer.outside);
    expect(stressArea(s)).toBeLessThan((Math.PI * s.d ** 2) / 4);
  }
  for (const c of FASTENER_CLASSES) expect(c.fyb).toBeLessThan(c.fub);
  expect(classesFor('inch').map((c) => c.id)).toEqual(['Gr 2', 'Gr 5', 'Gr 8', 'A325', 'A490', 'F593']);
});

it('ISO 898-1 class names carry their own strengths: x.y is f_ub 100·x, f_yb 10·x·y', () => {
  for (const c of FASTENER_CLASSES.filter((k) => /^\d+\.\d$/.test(k.id))) {
    const [x, y] = c.id.split('.').map(Number);
    expect(c.fub).toBe(100 * x!);
    expect(c.fyb).toBe(10 * x! * y!);
  }
});

it('laminate at ψ 0.35, worked by hand from ISO 12215-5 Annex C (memory): 168.5, E 6291.5, 124.5, interlaminar 16.4 MPa', () => {
  const l = laminate(0.35);
  expect(l.bending).toBeCloseTo(168.495, 3);
  expect(l.E).toBeCloseTo(6291.5, 1);
  expect(l.crush).toBeCloseTo(124.5, 3);
  expect(l.punch).toBeCloseTo(16.375, 6);
});

it('plywood embedment, EN 1995-1-1 eq. 8.36: 8 mm in ρ 630 is 63.76 MPa', () =>
  expect(plywood('birch')!.bearing(8)).toBeCloseTo(63.756, 3));

it('next stock thickness', () => {
  expect(nextThickness(6, 1, MM_PLATE)?.thickness).toBe(8);
  expect(nextThickness(6, -1, MM_PLATE)?.thickness).toBe(5);
  expect(nextThickness(6, 1, INCH_PLATE)?.text).toBe('1/4 in');
  expect(nextThickness(30, 1, MM_PLATE)).toBeUndefined();
});
