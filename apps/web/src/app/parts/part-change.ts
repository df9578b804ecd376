import type { FreePart } from '@core/job/free-part';

/** A change of one part: what was done, how, and the field whose keystrokes are one step of undo. */
export interface PartChange {
  readonly did: string;
  readonly f: (p: FreePart) => FreePart;
  readonly field?: string;
}
