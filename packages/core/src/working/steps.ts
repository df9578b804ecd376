import type { Formula, Inputs } from './formula';

/** One line of working as a person reads it: symbol = formula = numbers put in = result. */
export interface Step {
  readonly symbol: string;
  readonly text: string;
  readonly inputs: Inputs;
  readonly value: number;
  readonly unit: string;
  readonly note?: string;
}

/** Carries the working along a computation. With `recording` false it only computes, for the many-times-a-second uses. */
export class Working {
  readonly steps: Step[] = [];
  constructor(readonly recording: boolean) {}

  of(formula: Formula, inputs: Inputs, note?: string): number {
    const value = formula.of(inputs);
    if (this.recording) {
      const used = Object.fromEntries(formula.symbols.map((s) => [s, inputs[s]!]));
      this.steps.push({
        symbol: formula.symbol,
        text: formula.text,
        inputs: used,
        value,
        unit: formula.unit,
        ...(note ? { note } : {}),
      });
    }
    return value;
  }

  /** A value found by a procedure rather than a formula (a neutral axis, a series); `how` says which. */
  found(symbol: string, value: number, unit: string, how: string): number {
    if (this.recording) this.steps.push({ symbol, text: how, inputs: {}, value, unit });
    return value;
  }
}

/** Three or four significant figures, never an exponent a fabricator has to decode below a million. */
export function plainNumber(value: number): string {
  if (!Number.isFinite(value)) return value > 0 ? '∞' : value < 0 ? '−∞' : '—';
  const a = Math.abs(value);
  const s =
    a === 0 ? '0' : a >= 1000 ? value.toFixed(0) : a >= 100 ? value.toFixed(1) : a >= 1 ? value.toFixed(2) : value.toPrecision(3);
  return s.replace('-', '−');
}

/** The formula with its numbers put in: `0.9·800·58/1.25`. */
export function substituted(step: Step): string {
  const names = Object.keys(step.inputs).sort((a, b) => b.length - a.length);
  if (names.length === 0) return '';
  return step.text.replace(/[\p{L}][\p{L}\d_.']*/gu, (name) =>
    Object.hasOwn(step.inputs, name) ? plainNumber(step.inputs[name]!) : name,
  );
}
