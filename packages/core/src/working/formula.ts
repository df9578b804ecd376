/**
 * A formula is written once, as text, and that text is both what is computed and what the person reads.
 * Grammar: numbers, π, symbols (letters, digits, `_`, `.`, `'`), + − · / ^, brackets, and the functions below.
 * sin, cos and tan take degrees, as people write angles.
 * In symbols `_` starts a subscript and `.` inside it shows as a comma: `F_t.Rd` reads F with subscript t,Rd.
 */
export type Inputs = Readonly<Record<string, number>>;

export interface Formula {
  /** Left side, e.g. `F_t.Rd`. */
  readonly symbol: string;
  /** Right side, exactly what is computed. */
  readonly text: string;
  readonly unit: string;
  readonly symbols: readonly string[];
  /** Evaluates; throws RangeError naming the symbol when an input is missing or not finite. */
  of(inputs: Inputs): number;
}

/** Reads its symbols from slots filled before each evaluation: looked up once each, however often they occur. */
type Node = () => number;

const ONE: Readonly<Record<string, (x: number) => number>> = {
  sqrt: Math.sqrt,
  abs: Math.abs,
  tanh: Math.tanh,
  ln: Math.log,
  tan: (deg) => Math.tan((deg * Math.PI) / 180),
  sin: (deg) => Math.sin((deg * Math.PI) / 180),
  cos: (deg) => Math.cos((deg * Math.PI) / 180),
};
/** Take two or more, pairwise. */
const MANY: Readonly<Record<string, (a: number, b: number) => number>> = {
  min: (a, b) => Math.min(a, b),
  max: (a, b) => Math.max(a, b),
};

const TOKEN = /\s*(?:(\d+(?:\.\d+)?)|([\p{L}][\p{L}\d_.']*)|([-−+·*/^(),²³]))/uy;

/** The text cut into numbers, names and signs. */
export function tokens(text: string): string[] {
  const out: string[] = [];
  TOKEN.lastIndex = 0;
  const end = text.trimEnd().length;
  while (TOKEN.lastIndex < end) {
    const at = TOKEN.lastIndex;
    const m = TOKEN.exec(text);
    if (!m) throw new SyntaxError(`formula "${text}": cannot read from "${text.slice(at)}"`);
    out.push(m[1] ?? m[2] ?? m[3]!);
  }
  return out;
}

class Reader {
  private at = 0;
  readonly symbols: string[] = [];
  readonly slots: number[] = [];
  constructor(
    private readonly text: string,
    private readonly list: readonly string[],
  ) {}

  whole(): Node {
    const node = this.sum();
    if (this.at < this.list.length) throw new SyntaxError(`formula "${this.text}": "${this.list[this.at]}" not expected`);
    return node;
  }

  private take(...any: string[]): string | undefined {
    const t = this.list[this.at];
    if (t !== undefined && any.includes(t)) {
      this.at++;
      return t;
    }
    return undefined;
  }

  private sum(): Node {
    let left = this.product();
    for (let op = this.take('+', '-', '−'); op; op = this.take('+', '-', '−')) {
      const a = left;
      const b = this.product();
      left = op === '+' ? () => a() + b() : () => a() - b();
    }
    return left;
  }

  private product(): Node {
    let left = this.signed();
    for (let op = this.take('·', '*', '/'); op; op = this.take('·', '*', '/')) {
      const a = left;
      const b = this.signed();
      left = op === '/' ? () => a() / b() : () => a() * b();
    }
    return left;
  }

  private signed(): Node {
    if (this.take('-', '−')) {
      const a = this.signed();
      return () => -a();
    }
    return this.power();
  }

  private power(): Node {
    const base = this.atom();
    const small = this.take('²', '³');
    if (small === '²') return () => base() ** 2;
    if (small === '³') return () => base() ** 3;
    if (this.take('^')) {
      const exponent = this.signed();
      return () => base() ** exponent();
    }
    return base;
  }

  private atom(): Node {
    const t = this.list[this.at++];
    if (t === undefined) throw new SyntaxError(`formula "${this.text}": ends too early`);
    if (t === '(') {
      const inner = this.sum();
      this.close();
      return inner;
    }
    if (/^\d/.test(t)) {
      const n = Number(t);
      return () => n;
    }
    if (t === 'π') return () => Math.PI;
    const known = Object.hasOwn(ONE, t) || Object.hasOwn(MANY, t);
    if (known && this.take('(')) return this.call(t);
    if (!/^\p{L}/u.test(t)) throw new SyntaxError(`formula "${this.text}": "${t}" not expected`);
    return this.symbol(t);
  }

  private call(name: string): Node {
    const args = [this.sum()];
    while (this.take(',')) args.push(this.sum());
    this.close();
    const one = ONE[name];
    if (one) {
      const [x, extra] = args;
      if (extra) throw new SyntaxError(`formula "${this.text}": ${name} takes one value`);
      return () => one(x!());
    }
    const many = MANY[name]!;
    return args.reduce((a, b) => () => many(a(), b()));
  }

  private symbol(name: string): Node {
    let at = this.symbols.indexOf(name);
    if (at < 0) at = this.symbols.push(name) - 1;
    const slots = this.slots;
    return () => slots[at]!;
  }

  private close(): void {
    if (!this.take(')')) throw new SyntaxError(`formula "${this.text}": a bracket is not closed`);
  }
}

/** Compiles once, at module load: `formula('F_t.Rd', 'k_2·f_ub·A_s/γ_M2', 'N')`. */
export function formula(symbol: string, text: string, unit: string): Formula {
  const reader = new Reader(text, tokens(text));
  const node = reader.whole();
  const { symbols, slots } = reader;
  const of = (inputs: Inputs): number => {
    for (let i = 0; i < symbols.length; i++) {
      const v = inputs[symbols[i]!];
      // Infinity is a legitimate "no limit" (no edge, no neighbour); NaN never is.
      if (v === undefined || Number.isNaN(v)) throw new RangeError(`formula "${text}": ${symbols[i]} is ${v}`);
      slots[i] = v;
    }
    return node();
  };
  return { symbol, text, unit, symbols, of };
}
