import type { FieldRange } from '../units/field-range';
import type { Refusal } from '../units/refusal';
import type { Working } from '../working/steps';
import type { Action, PointLoad } from './load-case';
import type { View } from './sketch';

/** A value the person knows, with what is taken until they say. */
export interface Field {
  readonly range: FieldRange;
  /** Taken, and marked assumed, until someone says. Inside unit and as typed. */
  readonly assume: readonly [v: number, text: string];
  readonly hint?: string;
}

/** A factor of a rule or of the trade: shown with its source, and may be overridden, which is marked. */
export interface Factor {
  readonly symbol: string;
  readonly label: string;
  readonly usual: number;
  readonly low: number;
  readonly high: number;
  readonly source: string;
}

export interface Pick {
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  /** What a file says that was written before there was a choice. */
  readonly before?: string;
}

/** One named case of a builder, its force at its own point, written down as it is computed. */
export interface CaseOf {
  readonly name: string;
  readonly action: Action;
  /** The wind does it. */
  readonly wind?: true;
  of(w: Working): PointLoad;
}

/** What a builder computes with: fields in inside units, factors, picks. */
export interface Put<F extends string = string, K extends string = string, P extends string = string> {
  readonly v: Readonly<Record<F, number>>;
  readonly k: Readonly<Record<K, number>>;
  readonly pick: Readonly<Record<P, string>>;
}

/** A case worked outside this program: reachable from the builder, and a test. */
export interface Worked<F extends string = string, K extends string = string, P extends string = string> {
  readonly title: string;
  readonly source: string;
  readonly v?: Partial<Record<F, readonly [v: number, text: string]>>;
  readonly k?: Partial<Record<K, number>>;
  readonly pick?: Partial<Record<P, string>>;
  /** The line of working and the value expected there, to the digits of the source. */
  readonly expect: { readonly caseIndex: number; readonly symbol: string; readonly value: number; readonly within: number };
}

/**
 * A builder asks for what people know of one family of fitting and yields its named cases, with the arithmetic.
 * One file each; adding one touches that file, its worked examples and the registry line.
 */
export interface Builder<F extends string = string, K extends string = string, P extends string = string> {
  readonly kind: string;
  readonly name: string;
  readonly family: string;
  readonly icon: string;
  readonly says: string;
  readonly source: string;
  /** Which code or approval is likely to decide. */
  readonly decides: string;
  /** Rules of the trade worth a reminder beside the builder. */
  readonly cautions: readonly string[];
  readonly fields: Readonly<Record<F, Field>>;
  readonly factors: Readonly<Record<K, Factor>>;
  readonly picks: Readonly<Record<P, Pick>>;
  /** Fields a weight take-off fills: mass, and where its centroid is. */
  readonly takeOff?: Readonly<Partial<Record<'x' | 'y' | 'z', NoInfer<F>>> & { mass: NoInfer<F> }>;
  /** Fields that have no say with these picks, so the form leaves them out. */
  unused?(pick: Readonly<Record<NoInfer<P>, string>>): readonly NoInfer<F>[];
  /** Values that do not go together. */
  refuses?(put: Put<NoInfer<F>, NoInfer<K>, NoInfer<P>>): Refusal | undefined;
  cases(put: Put<NoInfer<F>, NoInfer<K>, NoInfer<P>>): readonly CaseOf[];
  sketch(put: Put<NoInfer<F>, NoInfer<K>, NoInfer<P>>): readonly View<NoInfer<F>>[];
  readonly worked: readonly Worked<NoInfer<F>, NoInfer<K>, NoInfer<P>>[];
}

/** Types the three tables from the literal, so that `v`, `k` and `pick` know their names. */
export const builder = <const F extends string, const K extends string, const P extends string>(
  b: Builder<F, K, P>,
): Builder<F, K, P> => b;

export const options = (...list: readonly (readonly [value: string, label: string])[]): Pick['options'] =>
  list.map(([value, label]) => ({ value, label }));
