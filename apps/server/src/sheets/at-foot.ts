import { atFoot } from '@core/job/at-foot';
import { isResolved, resolve, type Resolved } from '@core/job/resolve';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { cutParts, type CutPart } from '@core/shop/cut-parts';
import { markOf, partList } from '@core/shop/part-list';
import { sheetWords, type SheetWords } from '@core/shop/sheet-words';
import type { Made, SheetOf } from './made';

/** A job at one foot, ready to make sheets of. */
export interface Ready {
  readonly job: Job;
  /** For file names: of several feet the one it is of. */
  readonly foot: string;
  readonly r: Resolved;
  readonly say: (part: CutPart) => SheetWords;
}

export type No = Exclude<Made, { kind: 'file' | 'data' }>;
export const noSuch = (title: string, detail: string): No => ({ kind: 'problem', status: 404, title, detail });
export const isNo = (x: object): x is No => 'kind' in x && (x.kind === 'problem' || x.kind === 'refused');

/** The job at a foot, the first where none is asked for. */
export function readyAt(whole: WholeJob, of: SheetOf, foot: string | undefined): Ready | No {
  const { feet } = whole;
  const asked = foot === undefined ? feet[0] : feet.find((f) => f.id === foot);
  if (!asked) return noSuch('There is no such foot', `foot: not here — allowed: ${feet.map((f) => f.id).join(', ')}`);
  const job = atFoot(whole, asked.id);
  const r = resolve(job);
  if (!isResolved(r)) return { kind: 'refused', refusals: r };
  const list = partList(whole);
  const mark = (part: CutPart) => ('parts' in list ? markOf(list.parts, asked, part.id) : undefined);
  const say = sheetWords(r, { version: of.version, on: of.today }, mark);
  return { job, foot: feet.length > 1 ? `, ${asked.name}` : '', r, say };
}

export function partOf({ r }: Ready, id: string): CutPart | No {
  const parts = cutParts(r);
  return (
    parts.find((p) => p.id === id) ??
    noSuch('There is no such part', `part: not cut here — allowed: ${parts.map((p) => p.id).join(', ')}`)
  );
}
