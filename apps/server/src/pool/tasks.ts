import { readJob } from '@core/formats/read-job';
import type { Line } from '@core/prove/log-entry';
import { stampRefusal } from '@core/prove/stamp';
import type { Task as DueTask } from '@core/prove/tasks';
import type { ShopSettings } from '@core/stock/shop-settings';
import { dueTasks } from '../prove/due-tasks';
import type { Asked, SheetName } from '../sheets/asked';
import { makeSheet } from '../sheets/make';
import type { Made, SheetOf } from '../sheets/made';
import { faceOf, type Face } from '../verdicts/face';

/** What a worker can be asked: everything that judges, solves or sets pages, so that no request waits for another's. */
export type Task =
  | { readonly kind: 'face'; readonly text: string }
  | { readonly kind: 'due'; readonly text: string; readonly lines: readonly Line[] }
  | { readonly kind: 'stamp'; readonly text: string; readonly shop: ShopSettings; readonly lines: readonly Line[] }
  | { readonly kind: 'sheet'; readonly name: SheetName; readonly of: SheetOf; readonly asked: unknown };

/** What comes back, by the kind of task. */
export interface Done {
  readonly face: Face;
  readonly due: readonly DueTask[];
  /** Why the job cannot be stamped; empty where it can. */
  readonly stamp: string;
  readonly sheet: Made;
}

export async function perform(task: Task): Promise<Done[Task['kind']]> {
  switch (task.kind) {
    case 'face':
      return faceOf(task.text);
    case 'due':
      return dueTasks(task.text, task.lines);
    case 'stamp': {
      const read = readJob(task.text);
      return 'job' in read ? stampRefusal(read.job, task.shop, task.lines) : 'the job does not read';
    }
    case 'sheet':
      return makeSheet(task.name, task.of, task.asked as Asked<SheetName>);
  }
}
