import { formula } from './formula';
import { plainNumber, substituted, Working } from './steps';

describe('formula: the text is the computation', () => {
  it.each([
    ['1 + 2·3', {}, 7],
    ['(1 + 2)·3', {}, 9],
    ['2^3^2', {}, 512],
    ['−2²', {}, -4],
    ['a/b/c', { a: 12, b: 3, c: 2 }, 2],
    ['a − b − c', { a: 9, b: 3, c: 2 }, 4],
    ['sqrt(a² + b²)', { a: 3, b: 4 }, 5],
    ['min(a, b, 2)', { a: 3, b: 4 }, 2],
    ["b'/a'", { "b'": 6, "a'": 4 }, 1.5],
    ['π·d_m.x', { 'd_m.x': 2 }, 2 * Math.PI],
    ['max(l, 1)·t³', { l: Infinity, t: 1 }, Infinity],
  ])('%s', (text, inputs, expected) =>
    expect(formula('x', text, 'N').of(inputs as Record<string, number>)).toBeCloseTo(expected, 12),
  );

  it.each(['1 +', '(1', 'a b', '1 $ 2', 'sqrt(1, 2)'])('"%s" does not compile', (text) =>
    expect(() => formula('x', text, '')).toThrow(SyntaxError),
  );

  it('names the symbol that is missing or not a number', () => {
    const f = formula('F', 'a·b', 'N');
    expect(() => f.of({ a: 1 })).toThrow('b is undefined');
    expect(() => f.of({ a: NaN, b: 1 })).toThrow('a is NaN');
  });

  it('writes down what was put in', () => {
    const w = new Working(true);
    w.of(formula('F_t.Rd', 'k_2·f_ub·A_s/γ', 'N'), { k_2: 0.9, f_ub: 800, A_s: 58, γ: 1.25 });
    expect(w.steps).toHaveLength(1);
    expect(w.steps[0]!.value).toBeCloseTo(33_408, 6);
    expect(substituted(w.steps[0]!)).toBe('0.900·800.0·58.00/1.25');
    expect(new Working(false).steps).toHaveLength(0);
  });

  it('shows plain numbers', () =>
    expect([1234.5, 123.45, 12.345, 0.12345, 0, -3, Infinity].map(plainNumber)).toEqual([
      '1235',
      '123.5',
      '12.35',
      '0.123',
      '0',
      '−3.00',
      '∞',
    ]));
});
