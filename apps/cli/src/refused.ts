import { refusalText, type Refusal } from '@core/units/refusal';

export interface CliResult {
  readonly exit: 0 | 1 | 2;
  readonly text: string;
}

/** A file that is not judged: each refusal with its field and what is allowed. */
export const refused = (refusals: readonly Refusal[], json: boolean): CliResult => ({
  exit: 2,
  text: json ? JSON.stringify({ refused: refusals }, null, 2) : refusals.map(refusalText).join('\n'),
});
