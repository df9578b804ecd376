import { tokens } from './formula';
import { plainNumber, type Step } from './steps';

/** A formula set as mathematics, in TeX: fractions over a bar, roots, indices. The text itself stays what is computed. */

const GREEK: Readonly<Record<string, string>> = {
  α: '\\alpha',
  β: '\\beta',
  γ: '\\gamma',
  δ: '\\delta',
  Δ: '\\Delta',
  η: '\\eta',
  θ: '\\theta',
  λ: '\\lambda',
  μ: '\\mu',
  ν: '\\nu',
  π: '\\pi',
  ρ: '\\rho',
  σ: '\\sigma',
  τ: '\\tau',
  φ: '\\varphi',
  Φ: '\\Phi',
  χ: '\\chi',
  ω: '\\omega',
};

const letters = (s: string): string =>
  [...s]
    .map((c) => (GREEK[c] ? `${GREEK[c]} ` : c))
    .join('')
    .trim();

/** `F_t.Rd` as F with index t,Rd; a name of several letters upright. */
export function symbolTex(name: string): string {
  const prime = name.endsWith("'") ? "'" : '';
  const bare = name.replace(/'/g, '');
  const cut = bare.indexOf('_');
  const base = cut < 0 ? bare : bare.slice(0, cut);
  const index =
    cut < 0
      ? ''
      : bare
          .slice(cut + 1)
          .replaceAll('.', ',')
          .replaceAll('_', ',');
  const head = [...base].length > 1 && !/^[ΔA-Z]?[α-ωA-Za-z]\d?$/u.test(base) ? `\\mathrm{${letters(base)}}` : letters(base);
  return `${head}${index ? `_{\\mathrm{${letters(index)}}}` : ''}${prime}`;
}

interface Piece {
  readonly tex: string;
  /** How tightly it holds together: a sum needs brackets inside a product, a product does not inside a sum. */
  readonly holds: 'sum' | 'product' | 'whole';
}

const whole = (tex: string): Piece => ({ tex, holds: 'whole' });
const inBrackets = (p: Piece): string => `\\left(${p.tex}\\right)`;
const asFactor = (p: Piece): string => (p.holds === 'sum' ? inBrackets(p) : p.tex);
const asBase = (p: Piece): string => (p.holds === 'whole' ? p.tex : inBrackets(p));

/** A fraction in an index is too small over a bar. */
const inLine = (tex: string): string => tex.replace(/^\\dfrac\{([\d.]+)\}\{([\d.]+)\}$/, '$1/$2');

class Setter {
  private at = 0;
  constructor(
    private readonly list: readonly string[],
    private readonly name: (symbol: string) => string,
  ) {}

  set(): string {
    return this.sum().tex;
  }

  private take(...any: string[]): string | undefined {
    const t = this.list[this.at];
    if (t === undefined || !any.includes(t)) return undefined;
    this.at++;
    return t;
  }

  private sum(): Piece {
    let left = this.product();
    for (let op = this.take('+', '-', '−'); op; op = this.take('+', '-', '−'))
      left = { tex: `${left.tex} ${op === '+' ? '+' : '-'} ${asFactor(this.product())}`, holds: 'sum' };
    return left;
  }

  private product(): Piece {
    let left = this.signed();
    for (let op = this.take('·', '*', '/'); op; op = this.take('·', '*', '/')) {
      const right = this.signed();
      left =
        op === '/'
          ? whole(`\\dfrac{${left.tex}}{${right.tex}}`)
          : { tex: `${asFactor(left)} \\cdot ${asFactor(right)}`, holds: 'product' };
    }
    return left;
  }

  private signed(): Piece {
    if (this.take('-', '−')) return { tex: `-${asFactor(this.signed())}`, holds: 'sum' };
    return this.power();
  }

  private power(): Piece {
    const base = this.atom();
    const small = this.take('²', '³');
    if (small) return whole(`${asBase(base)}^{${small === '²' ? 2 : 3}}`);
    if (this.take('^')) return whole(`${asBase(base)}^{${inLine(this.signed().tex)}}`);
    return base;
  }

  /** What stands in brackets keeps how it holds together, so that a fraction's bar or a root takes the brackets' place. */
  private atom(): Piece {
    const t = this.list[this.at++];
    if (t === undefined) return whole('');
    if (t === '(') {
      const inner = this.sum();
      this.take(')');
      return inner;
    }
    if (/^\d/.test(t)) return whole(t);
    if (this.list[this.at] === '(' && /^(sqrt|abs|sin|cos|tan|tanh|ln|min|max)$/.test(t)) return this.call(t);
    return whole(this.name(t));
  }

  private call(name: string): Piece {
    this.take('(');
    const args = [this.sum().tex];
    while (this.take(',')) args.push(this.sum().tex);
    this.take(')');
    if (name === 'sqrt') return whole(`\\sqrt{${args[0]}}`);
    if (name === 'abs') return whole(`\\left|${args[0]}\\right|`);
    return whole(`\\${name}\\left(${args.join(',\\; ')}\\right)`);
  }
}

/** A formula's right side in TeX. */
export const formulaTex = (text: string): string => new Setter(tokens(text), symbolTex).set();

/** The same with the numbers put in. */
export const numbersTex = (step: Step): string =>
  new Setter(tokens(step.text), (name) =>
    Object.hasOwn(step.inputs, name) ? numberTex(step.inputs[name]!) : symbolTex(name),
  ).set();

function numberTex(v: number): string {
  const text = plainNumber(v).replace('−', '-').replace('∞', '\\infty').replace('—', '\\text{–}');
  return v < 0 ? `(${text})` : text;
}

/** Where the text is words about a procedure and not a formula. */
export const isFormula = (step: Step): boolean => Object.keys(step.inputs).length > 0;
