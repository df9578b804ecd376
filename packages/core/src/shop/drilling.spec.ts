import fc from 'fast-check';
import { CUTTING, type Drilled } from '../stock/cutting-speeds';
import { drilling, inchDrill, metricDrill } from './drilling';

const last = (d: number, t: number, what: Drilled, units: 'mm' | 'inch' = 'mm') => drilling(d, t, what, units).bits.at(-1)!;

describe('speed: n = 1000·v/(π·d)', () => {
  it.each([
    // Machinery's Handbook, table of drilling speeds, from memory: fpm × 12/(π·d) in inches gives the same.
    ['17/32 in in mild steel at 25 m/min', 'steel', (17 / 32) * 25.4, 'inch', 590],
    ['1/4 in in mild steel at 82 ft/min', 'steel', 0.25 * 25.4, 'inch', 1250],
    ['10 mm in stainless at 8 m/min', 'stainless', 10, 'mm', 255],
    ['10 mm in aluminium at 60 m/min', 'aluminium', 10, 'mm', 1910],
  ] as const)('%s', (_what, metal, d, units, rpm) => {
    expect(last(d, 6, metal, units).rpm / rpm).toBeGreaterThan(0.98);
    expect(last(d, 6, metal, units).rpm / rpm).toBeLessThan(1.02);
  });
  it('a hole saw turns half as fast, and is fed by feel', () => {
    const saw = last(40, 10, 'steel');
    expect(saw).toMatchObject({ kind: 'hole saw', feed: undefined, why: expect.stringContaining('relief holes') as string });
    // 12.5 m/min at 40 mm: 99.5.
    expect(saw.rpm).toBe(100);
  });
  it('a wider drill never turns faster, in any metal', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 25, noNaN: true }),
        fc.double({ min: 1, max: 2, noNaN: true }),
        fc.constantFrom(...(Object.keys(CUTTING) as Drilled[])),
        (d, k, what) => {
          if (d * k > 25) return;
          expect(last(d * k, 10, what).rpm).toBeLessThanOrEqual(last(d, 10, what).rpm);
        },
      ),
    );
  });
});

describe('tools in their order', () => {
  const kinds = (d: number, t: number, what: Drilled = 'steel') => drilling(d, t, what, 'mm').bits.map((b) => [b.kind, b.d]);
  it('a small hole at once, a larger one piloted by a third, a large one sawn on its pilot (common practice)', () => {
    expect(kinds(6, 6)).toEqual([['twist drill', 6]]);
    expect(kinds(11, 6)).toEqual([
      ['twist drill', 4],
      ['twist drill', 11],
    ]);
    expect(kinds(30, 6)).toEqual([
      ['twist drill', 6.4],
      ['hole saw', 30],
    ]);
  });
  it('thin sheet is sawn sooner, as a drill grabs in it', () => {
    expect(kinds(18, 1.5).at(-1)).toEqual(['hole saw', 18]);
    expect(kinds(18, 6).at(-1)).toEqual(['twist drill', 18]);
    expect(drilling(9, 1.5, 'steel', 'mm').bits.at(-1)!.why).toContain('step drill');
  });
  it('thicker metal takes longer, and laminate wants carbide and a mask', () => {
    expect(drilling(11, 12, 'steel', 'mm').minutes).toBeGreaterThan(drilling(11, 6, 'steel', 'mm').minutes);
    expect(drilling(11, 6, 'laminate', 'mm')).toMatchObject({
      tool: 'carbide',
      coolant: expect.stringContaining('mask') as string,
    });
  });
});

describe('drills as the shop has them', () => {
  it.each([
    // ISO 273 medium holes are in the metric range as they are.
    [9, '9 mm'],
    [13.5, '13.5 mm'],
    [17.5, '17.5 mm'],
    [6.35, '6.4 mm'],
  ])('%s mm: %s', (d, text) => expect(metricDrill(d).text).toBe(text));
  it.each([
    // ASME B94.11M: 27/64 = 0.4219 in, F = 0.257 in, Q = 0.332 in; clearance 7/16.
    [(27 / 64) * 25.4, '27/64 in'],
    [0.257 * 25.4, 'F (0.257 in)'],
    [0.332 * 25.4, 'Q (0.332 in)'],
    [(7 / 16) * 25.4, '7/16 in'],
    [11, '7/16 in'],
    // 17/32 in is 13.494 mm: the 13.5 of an M12.
    [13.5, '17/32 in'],
  ])('%s mm in an inch shop: %s', (d, text) => expect(inchDrill(d).text).toBe(text));
  it('is never smaller than the hole, nor much larger', () => {
    fc.assert(
      fc.property(fc.double({ min: 3, max: 25, noNaN: true }), (d) => {
        for (const [k, hair] of [
          [metricDrill(d), 0.0051],
          [inchDrill(d), 0.0201],
        ] as const) {
          expect(k.d).toBeGreaterThanOrEqual(d - hair);
          expect(k.d - d).toBeLessThan(0.45);
        }
      }),
    );
  });
});
