import type { Point, Rect } from '../../geometry/points';
import type { Region } from '../../geometry/region';

/** A sheet of the packet as plain data: page, paper and tests read the same. */
export interface Card {
  readonly id: string;
  readonly title: string;
  /** The feet it is of, where there are several and it is not of all. */
  readonly of: string;
  readonly blocks: readonly Block[];
}

export type Block =
  | { readonly kind: 'head'; readonly text: string }
  | { readonly kind: 'words'; readonly text: string; readonly loud?: true }
  /** `right`: columns of figures; `tick`: a box to tick at the end of each row. */
  | {
      readonly kind: 'table';
      readonly head: readonly string[];
      readonly rows: readonly (readonly string[])[];
      readonly right?: readonly number[];
      readonly tick?: true;
      /** A last row set apart, as a sum. */
      readonly foot?: readonly string[];
    }
  | { readonly kind: 'list'; readonly items: readonly string[]; readonly tick?: true }
  | { readonly kind: 'picture'; readonly picture: Picture; readonly says: string }
  /** A photograph by what is in it. */
  | { readonly kind: 'photo'; readonly sha256: string; readonly says: string }
  /** A line for a name and a day. */
  | { readonly kind: 'sign'; readonly text: string };

export type Look = 'metal' | 'sheet' | 'offcut' | 'line' | 'dash' | 'weld' | 'base';
export type Shape =
  | { readonly region: Region; readonly look: Look }
  | { readonly line: readonly Point[]; readonly look: Look }
  | { readonly hole: Point; readonly d: number }
  /** Words about a point, of a letter height in the picture’s own measure; `dark` where they stand off the metal. */
  | { readonly at: Point; readonly text: string; readonly size: number; readonly dark?: true };

/** To scale: mm, x right, y up. */
export interface Picture {
  readonly bounds: Rect;
  readonly shapes: readonly Shape[];
}

export const head = (text: string): Block => ({ kind: 'head', text });
export const words = (text: string): Block => ({ kind: 'words', text });
export const loud = (text: string): Block => ({ kind: 'words', text, loud: true });

/**
 * Cards of each foot, those that say the same together under all their names; none of a foot that has nothing to say. `first`: what stands
 * before it, of the feet it is of.
 */
export function perFoot<F extends { readonly name: string }>(
  feet: readonly F[],
  id: string,
  title: string,
  blocksOf: (foot: F) => readonly Block[],
  first: (alike: readonly F[]) => readonly Block[] = () => [],
): Card[] {
  const alike = new Map<string, { of: F[]; blocks: readonly Block[] }>();
  for (const foot of feet) {
    const blocks = blocksOf(foot);
    if (blocks.length === 0) continue;
    const key = JSON.stringify(blocks);
    const row = alike.get(key) ?? { of: [], blocks };
    row.of.push(foot);
    alike.set(key, row);
  }
  return [...alike.values()].map(({ of, blocks }) => ({
    id,
    title,
    of: of.length === feet.length ? '' : of.flatMap((f) => (f.name ? [f.name] : [])).join(', '),
    blocks: [...first(of), ...blocks],
  }));
}
