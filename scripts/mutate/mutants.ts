import ts from 'typescript';

/** One small wrong change to one place of a file. */
export interface Mutant {
  readonly id: number;
  readonly folder: string;
  readonly file: string;
  readonly start: number;
  readonly end: number;
  readonly line: number;
  readonly was: string;
  readonly becomes: string;
}
export type Change = Omit<Mutant, 'id' | 'folder'>;

const OPERATORS: Readonly<Partial<Record<ts.SyntaxKind, string>>> = {
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
  [ts.SyntaxKind.PercentToken]: '*',
  [ts.SyntaxKind.AsteriskAsteriskToken]: '*',
  [ts.SyntaxKind.LessThanToken]: '>=',
  [ts.SyntaxKind.LessThanEqualsToken]: '>',
  [ts.SyntaxKind.GreaterThanToken]: '<=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '<',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
};
/** Prefixes that are left out. */
const TURNED = new Set([ts.SyntaxKind.MinusToken, ts.SyntaxKind.ExclamationToken] as ts.SyntaxKind[]);
const CALLS: Readonly<Record<string, string>> = {
  max: 'min',
  min: 'max',
  some: 'every',
  every: 'some',
  ceil: 'floor',
  floor: 'ceil',
};
/** Signs of a formula's text, which is what is computed. */
const SIGNS: readonly (readonly [string, string])[] = [
  ['·', '/'],
  ['/', '·'],
  ['+', '−'],
  ['−', '+'],
  ['min(', 'max('],
  ['max(', 'min('],
];

/** Under this a number is a slack against rounding: another one says the same. */
const SLACK = 1e-3;

/** Every change to a file that somebody could make by mistake: operators, conditions, constants, least and most, signs of formulas. */
export function changesIn(file: string, text: string): Change[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ESNext, true);
  const out: Change[] = [];
  const add = (node: ts.Node, becomes: string) => {
    const start = node.getStart(source);
    const line = source.getLineAndCharacterOfPosition(start).line + 1;
    out.push({ file, start, end: node.getEnd(), line, was: text.slice(start, node.getEnd()), becomes });
  };
  const passedBy = (node: ts.Node): boolean =>
    ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node) || ts.isImportDeclaration(node);
  // Where the lines of a picture run is judged by looking at it; a worked example is itself a test, with its own expectation and tolerance.
  const isSketch = (node: ts.Node): boolean =>
    (ts.isMethodDeclaration(node) || ts.isPropertyAssignment(node)) && ['sketch', 'worked'].includes(node.name.getText(source));
  const conditions = (node: ts.Node): void => {
    if (ts.isConditionalExpression(node))
      add(node, `${node.condition.getText(source)} ? ${node.whenFalse.getText(source)} : ${node.whenTrue.getText(source)}`);
    if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText(source)})`);
  };
  const numbers = (node: ts.Node): void => {
    if (ts.isBinaryExpression(node)) {
      const other = OPERATORS[node.operatorToken.kind];
      if (other && !concatenates(node)) add(node, `${node.left.getText(source)} ${other} ${node.right.getText(source)}`);
    }
    if (ts.isPrefixUnaryExpression(node) && TURNED.has(node.operator)) add(node, node.operand.getText(source));
    if (ts.isNumericLiteral(node) && isValue(node)) {
      const v = Number(node.text);
      if (v === 0 || Math.abs(v) >= SLACK) add(node, Number.isInteger(v) ? String(v + 1) : String(v * 1.1));
    }
  };
  const calls = (node: ts.Node): void => {
    if (!ts.isCallExpression(node)) return;
    if (ts.isPropertyAccessExpression(node.expression)) {
      const { name } = node.expression;
      const other = CALLS[name.text];
      if (other)
        add(
          node,
          `${text.slice(node.getStart(source), name.getStart(source))}${other}${text.slice(name.getEnd(), node.getEnd())}`,
        );
    }
    if (node.expression.getText(source) === 'formula' && node.arguments.length > 1) formulaChanges(node.arguments[1]!);
  };
  const visit = (node: ts.Node): void => {
    if (passedBy(node) || isSketch(node)) return;
    conditions(node);
    numbers(node);
    calls(node);
    ts.forEachChild(node, visit);
  };
  const formulaChanges = (arg: ts.Expression) => {
    if (!ts.isStringLiteral(arg)) return;
    for (const [sign, other] of SIGNS) {
      const at = arg.text.indexOf(sign, 1);
      if (at > 0) add(arg, JSON.stringify(arg.text.slice(0, at) + other + arg.text.slice(at + sign.length)));
    }
    const number = /(?<![A-Za-z_\d.])\d+(\.\d+)?/.exec(arg.text);
    if (number) add(arg, JSON.stringify(arg.text.replace(number[0], String(Number((Number(number[0]) * 1.1).toFixed(4))))));
  };
  visit(source);
  return out;
}

/** Words put together are not arithmetic. */
const concatenates = (n: ts.BinaryExpression): boolean =>
  n.operatorToken.kind === ts.SyntaxKind.PlusToken &&
  [n.left, n.right].some((x) => ts.isStringLiteralLike(x) || ts.isTemplateExpression(x));

/** A number that is computed with: no key, no digits of a shown figure. */
function isValue(n: ts.NumericLiteral): boolean {
  const up = n.parent;
  if (ts.isPropertyAssignment(up) && up.name === n) return false;
  if (
    ts.isCallExpression(up) &&
    ts.isPropertyAccessExpression(up.expression) &&
    /^to(Fixed|Precision|Exponential)$/.test(up.expression.name.text)
  )
    return false;
  return !ts.isLiteralTypeNode(up) && !ts.isEnumMember(up);
}

/** The file with a switch at each mutant, and a mark where each function begins. */
export function withSwitches(text: string, mutants: readonly Mutant[], fileNumber: number): string {
  const inside = (a: Mutant, start: number, end: number) => a.start >= start && a.end <= end;
  const emit = (start: number, end: number, list: readonly Mutant[]): string => {
    let out = '';
    let at = start;
    // Outermost first; of those at one place the first, the others within its right branch.
    const sorted = [...list].sort((a, b) => a.start - b.start || b.end - a.end || a.id - b.id);
    while (sorted.length > 0) {
      const m = sorted.shift()!;
      if (m.start < at) continue;
      const nested = sorted.filter((n) => inside(n, m.start, m.end));
      for (const n of nested) sorted.splice(sorted.indexOf(n), 1);
      out += text.slice(at, m.start);
      out += `(__m(${m.id}) ? (${m.becomes}) : (${nested.length > 0 ? emit(m.start, m.end, nested) : text.slice(m.start, m.end)}))`;
      at = m.end;
    }
    return out + text.slice(at, end);
  };
  return marked(emit(0, text.length, mutants), fileNumber);
}

/** `__f(file)` at the head of every function: which tests run through a file. */
function marked(text: string, fileNumber: number): string {
  const source = ts.createSourceFile('x.ts', text, ts.ScriptTarget.ESNext, true);
  const inserts: { at: number; text: string }[] = [];
  const visit = (node: ts.Node): void => {
    if ((ts.isFunctionLike(node) || ts.isArrowFunction(node)) && 'body' in node && node.body) {
      const body = node.body as ts.Node;
      if (ts.isBlock(body)) inserts.push({ at: body.getStart(source) + 1, text: `__f(${fileNumber});` });
      else {
        inserts.push({ at: body.getStart(source), text: `(__f(${fileNumber}), ` });
        inserts.push({ at: body.getEnd(), text: ')' });
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  let out = text;
  for (const i of inserts.map((x, k) => ({ ...x, k })).sort((a, b) => b.at - a.at || b.k - a.k))
    out = out.slice(0, i.at) + i.text + out.slice(i.at);
  return out;
}
