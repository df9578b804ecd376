import type { WholeJob } from '../job/whole-job';
import { placeWords } from './cards/parts';
import type { MadeOf } from './made-of';
import { OTHER_HAND } from './on-sheet';

/** One sticker or tag: what is stamped, what it is, which face shows, where it goes. */
export interface Label {
  readonly mark: string;
  readonly name: string;
  readonly hand: string;
  readonly stock: string;
  readonly where: string;
  readonly face: string;
  /** Of the job, read by a phone. */
  readonly address: string;
}

/** A label for every piece of a job, as drawn and of the other hand. */
export function labelsOf(of: MadeOf, addressOf: (job: WholeJob) => string): Label[] {
  const address = addressOf(of.whole);
  return of.parts.flatMap((p) => {
    const one = (mirrored: boolean): Label => ({
      mark: `${p.mark}${mirrored ? OTHER_HAND : ''}`,
      name: p.name,
      hand: p.mirrored === 0 ? '' : mirrored ? 'other hand (mirrored)' : 'as drawn',
      stock: p.stock,
      where: placeWords(of, p),
      face: p.part.bends.length > 0 ? 'this face inside the first bend' : 'this face up',
      address,
    });
    return [...Array.from({ length: p.count }, () => one(false)), ...Array.from({ length: p.mirrored }, () => one(true))];
  });
}
