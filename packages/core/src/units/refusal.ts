/**
 * A refusal is a value, not an exception: it names the field, what was wrong and what is allowed.
 * It travels unchanged to the edge that shows it.
 */
export interface Refusal {
  readonly refused: true;
  readonly field: string;
  readonly because: string;
  readonly allowed: string;
}

export function refuse(field: string, because: string, allowed: string): Refusal {
  return { refused: true, field, because, allowed };
}

export function isRefusal(value: unknown): value is Refusal {
  return typeof value === 'object' && value !== null && (value as Refusal).refused === true;
}

/** One sentence for a person: "skin thickness: 0 mm is not a thickness — allowed: over 0 up to 200 mm". */
export function refusalText(r: Refusal): string {
  return `${r.field}: ${r.because} — allowed: ${r.allowed}`;
}
