import type { LinkWorking, Verdict } from '@core/chain/evaluate';
import type { Job } from '@core/job/schema';
import type { SoundOption } from '@core/options/choose';

/** To and from the worker that judges the chain. */
export type ToJudge =
  | { readonly kind: 'evaluate'; readonly ticket: number; readonly job: Job }
  | { readonly kind: 'working'; readonly ticket: number; readonly job: Job; readonly link: string; readonly caseId: string };
export type FromJudge =
  | { readonly kind: 'evaluate'; readonly ticket: number; readonly verdict: Verdict }
  | { readonly kind: 'working'; readonly ticket: number; readonly working: LinkWorking | undefined }
  | { readonly kind: 'broken'; readonly ticket: number; readonly message: string };

/** To and from the worker that tries the stock. */
export type ToChooser = { readonly kind: 'start'; readonly job: Job } | { readonly kind: 'stop' };
export type FromChooser =
  | { readonly kind: 'progress'; readonly tried: number; readonly total: number; readonly sound: number }
  | {
      readonly kind: 'done';
      readonly tried: number;
      readonly total: number;
      readonly options: readonly SoundOption[];
      readonly milliseconds: number;
      readonly stopped: boolean;
    }
  | { readonly kind: 'broken'; readonly message: string };
