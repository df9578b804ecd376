import { colourAt, contoursOf, levelsOf, nodeValues, paintField, scaleOf, valueAt, type Field } from './field-picture';

/** f(x, y) = x + 10·y at the nodes of an uneven grid. */
const x = Float64Array.from([0, 1, 3, 4]);
const y = Float64Array.from([0, 2, 5]);
const plane: Field = {
  name: 'deflection',
  x,
  y,
  at: 'nodes',
  unit: 'mm',
  values: Float32Array.from({ length: 12 }, (_, n) => x[n % 4]! + 10 * y[Math.floor(n / 4)]!),
};
const cells: Field = { name: 'stress', x, y, at: 'cells', unit: 'MPa', values: Float32Array.from([1, 2, NaN, 4, 5, 6]) };

it('between nodes a plane is a plane; in a cell its own value; outside, and where nothing is, nothing', () => {
  expect(valueAt(plane, 2.2, 3.5)).toBeCloseTo(37.2, 4);
  expect(valueAt(plane, 4, 5)).toBeCloseTo(54, 4);
  expect(valueAt(cells, 2, 4)).toBe(5);
  expect(valueAt(cells, 3.5, 1)).toBeNaN();
  expect(valueAt(plane, 4.1, 1)).toBeNaN();
});

it.each([plane, cells])('a picture is what each pixel’s middle has, by the ramp; nothing where the field is not', (f) => {
  const frame = { width: 60, height: 50, left: -0.5, top: 6, perPixel: 0.1 };
  const scale = scaleOf(f);
  const out = new Uint8ClampedArray(4 * frame.width * frame.height);
  paintField(f, scale, frame, 0.5, out);
  let painted = 0;
  for (let j = 0; j < frame.height; j++)
    for (let i = 0; i < frame.width; i++) {
      const v = valueAt(f, frame.left + (i + 0.5) * frame.perPixel, frame.top - (j + 0.5) * frame.perPixel);
      const at = 4 * (i + j * frame.width);
      expect(out[at + 3]).toBe(Number.isNaN(v) ? 0 : 128);
      if (Number.isNaN(v)) continue;
      painted++;
      colourAt((v - scale.low) / (scale.high - scale.low)).forEach((c, k) =>
        expect(Math.abs(out[at + k]! - c)).toBeLessThanOrEqual(1),
      );
    }
  expect(painted).toBeGreaterThan(1000);
});

it('cells come to nodes as the mean of those round each', () => {
  const v = nodeValues(cells);
  expect(v[0]).toBe(1);
  expect(v[5]).toBeCloseTo((1 + 2 + 4 + 5) / 4, 5);
  expect(v[3]).toBeNaN();
});

it('a contour of the plane lies where the plane has its value', () => {
  const [c] = contoursOf(plane, [21]);
  const points = [...c!.d.matchAll(/[ML]([\d.-]+) ([\d.-]+)/g)].map((m) => Number(m[1]) + 10 * -Number(m[2]));
  expect(points.length).toBeGreaterThan(4);
  // Coordinates are written to a tenth.
  for (const p of points) expect(Math.abs(p - 21)).toBeLessThan(0.6);
  expect(contoursOf(plane, [99])).toEqual([]);
});

it('levels are round numbers within the scale, four to eight', () => {
  for (const high of [0.07, 1, 3.3, 48, 990]) {
    const levels = levelsOf({ low: 0, high });
    expect(levels.length).toBeGreaterThanOrEqual(3);
    expect(levels.length).toBeLessThanOrEqual(8);
    for (const v of levels) expect(v).toBeLessThan(high);
  }
});

it('one scale serves two fields; nothing at all still has one', () => {
  expect(scaleOf(plane, cells)).toEqual({ low: 0, high: 54 });
  expect(scaleOf(undefined)).toEqual({ low: 0, high: 1 });
});

it('the ramp gets lighter all the way, so it reads in grey', () => {
  const light = ([r, g, b]: readonly [number, number, number]) => 0.2126 * r + 0.7152 * g + 0.0722 * b;
  const all = Array.from({ length: 21 }, (_, i) => light(colourAt(i / 20)));
  all.slice(1).forEach((v, i) => expect(v).toBeGreaterThan(all[i]!));
});
