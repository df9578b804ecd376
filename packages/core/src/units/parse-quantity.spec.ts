import fc from 'fast-check';
import { formatNumber, formatQuantity, inchFraction, otherSystem } from './format-quantity';
import { metal } from '../stock/metals';
import { GAUGE_INCH } from './gauges';
import { parseQuantity, type ReadingRules } from './parse-quantity';
import { isRefusal } from './refusal';
import type { Dimension } from './unit-table';

const rules = (dimension: Dimension, bareUnit: string, more: Partial<ReadingRules> = {}): ReadingRules => ({
  field: 'x',
  dimension,
  bareUnit,
  allowed: 'anything here',
  ...more,
});
const value = (text: string, r: ReadingRules) => {
  const q = parseQuantity(text, r);
  return isRefusal(q) ? q.because : q.value;
};

describe('lengths as people write them (25.4 mm to the inch, exact)', () => {
  it.each([
    ['3/16', 4.7625],
    ['1 1/2"', 38.1],
    ['1-1/2 in', 38.1],
    ['½"', 12.7],
    ['2¾ in', 69.85],
    ['4\' 2-3/8"', 4 * 304.8 + 2.375 * 25.4],
    ["4'", 1219.2],
    ['4 ft 2 in', 1270],
    ['0.5 in', 12.7],
    ['12,5 mm', 12.5],
    ['.25 in', 6.35],
    ['12.5', 12.5],
    ['1.2 m', 1200],
    ['−7 mm', -7],
  ])('%s', (text, mm) => expect(value(text, rules('length', 'mm'))).toBeCloseTo(mm, 9));

  it('a bare number is in the job’s unit, a bare fraction is inches', () => {
    expect(value('2', rules('length', 'in'))).toBeCloseTo(50.8, 9);
    expect(value('1/4', rules('length', 'mm'))).toBeCloseTo(6.35, 9);
  });
});

describe('gauges', () => {
  it('10 ga is 0.1345 in of steel, 0.1382 in galvanised, 0.1019 in of aluminium (Machinery’s Handbook, memory)', () => {
    expect(value('10 ga', rules('length', 'mm', { gauges: 'steel' }))).toBeCloseTo(3.4163, 4);
    expect(value('10 ga', rules('length', 'mm', { gauges: 'galvanised' }))).toBeCloseTo(3.51028, 4);
    expect(value('10ga', rules('length', 'mm', { gauges: 'aluminium' }))).toBeCloseTo(2.58826, 4);
  });
  it('10 swg is 0.128 in, 3.251 mm, whatever the metal (BS 3737, memory)', () => {
    for (const gauges of ['steel', 'aluminium', undefined] as const)
      expect(value('10 swg', rules('length', 'mm', gauges ? { gauges } : {}))).toBeCloseTo(3.2512, 4);
    expect(value('3 SWG', rules('length', 'mm'))).toContain('British wire gauge');
  });
  it('10 ga of bronze is Brown & Sharpe, as copper and its alloys are rolled: 0.1019 in (Machinery’s Handbook, memory)', () => {
    expect(value('10 ga', rules('length', 'mm', { gauges: metal('C655')!.gauges }))).toBeCloseTo(2.588, 3);
  });
  it('is refused where the metal is not known, and where the table has no such number', () => {
    expect(value('10 ga', rules('length', 'mm'))).toContain('metal');
    expect(value('3 ga', rules('length', 'mm', { gauges: 'steel' }))).toContain('7 to 26 ga');
  });
  it.each(Object.entries(GAUGE_INCH.aluminium))(
    'Brown & Sharpe %s is 0.005·92^((36−n)/39) to the table’s four figures',
    (n, inch) => {
      expect(Math.abs(0.005 * 92 ** ((36 - Number(n)) / 39) - inch)).toBeLessThan(0.0003);
    },
  );
});

describe('forces, moments, angles (NIST SP 811: 1 lbf = 4.448 221 615 2605 N)', () => {
  it.each([
    ['600 lb', 'force', 2668.93296915],
    ['2.5 kN', 'force', 2500],
    ['1 kip', 'force', 4448.2216152605],
    ['500 kg', 'force', 4903.325],
    ['38 Nm', 'moment', 38_000],
    ['28 ft-lb', 'moment', 28 * 1355.8179483314],
    ['100 in-lb', 'moment', 11_298.482902],
    ['45°', 'angle', Math.PI / 4],
    ['35 %', 'ratio', 0.35],
    ['36 ksi', 'stress', 248.211263],
  ] as const)('%s', (text, dimension, inside) => {
    const got = value(text, rules(dimension, dimension === 'angle' ? '°' : dimension === 'ratio' ? '' : 'N'));
    expect(Math.abs((got as number) / inside - 1)).toBeLessThan(1e-6);
  });
});

describe('what cannot be read is refused by name, never guessed', () => {
  it.each([
    ['', 'nothing'],
    ['1,250 mm', 'two ways'],
    ['abc', 'not a number'],
    ['12 furlong', 'unit'],
    ['1/0 in', 'not a number'],
    ['NaN', 'not a number'],
    ['1e400', 'unit'],
    ['5 kg', 'unit'],
  ])('"%s"', (text, because) => expect(value(text, rules('length', 'mm'))).toContain(because));
  it('limits are said, not clamped to', () => {
    expect(parseQuantity('0', rules('length', 'mm', { above: 0, allowed: 'over 0 up to 60 mm' }))).toEqual({
      refused: true,
      field: 'x',
      because: '0 is too small',
      allowed: 'over 0 up to 60 mm',
    });
    expect(value('61', rules('length', 'mm', { max: 60 }))).toContain('too large');
    expect(value('-1', rules('length', 'mm', { min: 0 }))).toContain('too small');
  });
});

describe('showing and reading back', () => {
  it('round-trips within the precision shown', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -4000, max: 4000, noNaN: true }),
        fc.constantFrom('mm' as const, 'inch' as const),
        (mm, system) => {
          const back = value(formatQuantity(mm, 'length', system), rules('length', 'mm'));
          expect(Math.abs((back as number) - mm)).toBeLessThanOrEqual(system === 'mm' ? 0.0501 : 0.0128);
        },
      ),
    );
  });
  it('keeps honest precision', () => {
    expect(formatQuantity(6, 'length', 'mm')).toBe('6 mm');
    expect(formatQuantity(12.34, 'length', 'mm')).toBe('12.3 mm');
    expect(formatQuantity(9500, 'force', 'mm')).toBe('9.50 kN');
    expect(formatQuantity(-0.00001, 'length', 'mm')).toBe('0 mm');
    expect(formatNumber(38_000, 'moment', 'mm')).toBe('38');
    expect(formatQuantity(NaN, 'length', 'mm')).toBe('—');
  });
  it('says a fraction where one is near', () => {
    expect(inchFraction(4.7625)).toBe('3/16 in');
    expect(inchFraction(38.1)).toBe('1 1/2 in');
    expect(inchFraction(5)).toBeUndefined();
    expect(otherSystem(6.35, 'length', 'mm')).toBe('1/4 in');
    expect(otherSystem(6.4, 'length', 'mm')).toBe('0.252 in (≈ 1/4 in)');
    expect(formatQuantity(180.975, 'length', 'inch')).toBe('7 1/8 in');
    expect(formatQuantity(-6.35, 'length', 'inch')).toBe('-1/4 in');
    expect(formatQuantity(12, 'length', 'inch')).toBe('0.472 in');
  });
});

describe('thousands, powers of ten and sums, as people write them', () => {
  it.each([
    ['1 250 N', 1250],
    ['12 500.5 N', 12_500.5],
    ['1 250 000', 1_250_000],
    ['1,250.5 N', 1250.5],
    ['1.250,5 N', 1250.5],
    ['1,250,000 N', 1_250_000],
    ['1.2e3 N', 1200],
    ['1.5E3', 1500],
    ['2e-1 kN', 200],
    ['12+6', 18],
    ['1 250 + 50 N', 1300],
    ['2 kN + 300 N', 2300],
    ['-2 kN + 300 N', -1700],
    ['2 kN - 300 N', 1700],
  ])('%s', (text, newtons) => expect(value(text, rules('force', 'N'))).toBeCloseTo(newtons, 9));
  it.each([
    ['12+6', 18],
    ['3/8 in + 2 mm', 11.525],
    ['100 - 12', 88],
    ['4\' 2-3/8" + 10 mm', 4 * 304.8 + 2.375 * 25.4 + 10],
    // A hyphen before a fraction is of a mixed number, as on a tape.
    ['2-3/8', 2.375 * 25.4],
  ])('%s', (text, mm) => expect(value(text, rules('length', 'mm'))).toBeCloseTo(mm, 9));
  it.each(['28 lbf·ft', '28 ft·lbf', '28 lb.ft', '28 lbf ft', '28 ftlbf'])('%s: NIST SP 811', (text) =>
    expect(value(text, rules('moment', 'N·m'))).toBeCloseTo(28 * 1355.8179483314, 6),
  );
  it('is refused with both readings where two can be meant', () => {
    expect(value('1,250', rules('force', 'N'))).toMatch(/two ways; write 1250 or 1.250/);
    expect(value('10 + 1,250 N', rules('force', 'N'))).toContain('two ways');
    expect(value('12 + 6 mm', rules('length', 'in'))).toBe(
      '"12 + 6 mm" can be read two ways; write in or mm at each of its parts',
    );
    // With the job's own unit it is the same either way.
    expect(value('12 + 6 mm', rules('length', 'mm'))).toBe(18);
  });
  it.each(['12+', '+', '12++6', '12 + wood', '1 25 N', '1 2500 N', '1e999', '3+1e99 km'])('%s is refused', (text) =>
    expect(typeof value(text, rules('length', 'mm'))).toBe('string'),
  );
});
