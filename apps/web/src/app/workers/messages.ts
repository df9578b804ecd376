import type { LinkWorking, SolvedCases, Verdict } from '@core/chain/evaluate';
import type { Beside } from '@core/chain/compare-jobs';
import type { FootVerdict } from '@core/chain/feet';
import type { Multiples } from '@core/chain/judge';
import type { Multiple } from '@core/chain/multiple';
import type { SolveIt } from '@core/chain/solve-it';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import type { Sensitivity } from '@core/chain/sensitivity';
import type { Clearing } from '@core/options/clear';
import type { SoundOption } from '@core/options/choose';
import type { Remedy } from '@core/options/remedies';
import type { Side } from '@core/job/survey';
import type { Line } from '@core/prove/log-entry';
import type { CurveProgress, PredictedCurve } from '@core/prove/predicted-curve';
import type { ProofAsked } from '@core/prove/proof-plan';
import type { ProveState } from '@core/prove/prove-state';
import type { ShopSettings } from '@core/stock/shop-settings';
import type { PatternFit, Suspect } from '@core/survey/fit-pattern';
import type { SideStudy } from '@core/survey/patterns';
import type { Mesh } from '@core/spread/from-job';
import type { Refusal } from '@core/units/refusal';
import type { UnitSystem } from '@core/units/format-quantity';
import type { Imported, ImportKind } from './imported';
import type { Solved } from './spreading';

/** To and from the worker that judges the chain. */
export type ToJudge =
  | { readonly kind: 'evaluate'; readonly ticket: number; readonly job: Job }
  /** The load turned up or down. */
  | { readonly kind: 'turn'; readonly ticket: number; readonly job: Job; readonly times: number }
  | { readonly kind: 'working'; readonly ticket: number; readonly job: Job; readonly link: string; readonly caseId: string }
  | { readonly kind: 'clear'; readonly ticket: number; readonly job: Job; readonly link: string }
  /** Every foot in short. */
  | { readonly kind: 'feet'; readonly ticket: number; readonly whole: WholeJob }
  /** How many times the load all its feet together are good for. */
  | { readonly kind: 'fitting'; readonly ticket: number; readonly whole: WholeJob }
  | { readonly kind: 'beside'; readonly ticket: number; readonly a: WholeJob; readonly b: WholeJob };
export type FromJudge =
  | { readonly kind: 'evaluate'; readonly ticket: number; readonly verdict: Verdict; readonly solved: SolvedCases | undefined }
  | { readonly kind: 'turn'; readonly ticket: number; readonly verdict: Verdict }
  | { readonly kind: 'working'; readonly ticket: number; readonly working: LinkWorking | undefined }
  | { readonly kind: 'clear'; readonly ticket: number; readonly link: string; readonly clearings: readonly Clearing[] }
  | { readonly kind: 'feet'; readonly ticket: number; readonly feet: readonly FootVerdict[] }
  | { readonly kind: 'fitting'; readonly ticket: number; readonly goodFor: Multiple }
  | { readonly kind: 'beside'; readonly ticket: number; readonly beside: Beside }
  | { readonly kind: 'broken'; readonly of: ToJudge['kind']; readonly ticket: number; readonly message: string };

/** To and from the worker that says what a verdict means: how many times the load, and whether a draft of the solver agrees. */
export interface ToWeigher {
  readonly ticket: number;
  readonly job: Job;
  readonly verdict: Verdict;
  readonly solved: SolvedCases | undefined;
}
export type FromWeigher =
  /** `doubt` is missing while the solver is still being asked. */
  | { readonly kind: 'weighed'; readonly ticket: number; readonly multiples: Multiples; readonly doubt?: Doubt }
  | { readonly kind: 'broken'; readonly ticket: number; readonly message: string };
/** What a draft of the solver says of a job that holds by hand. */
export interface Doubt {
  readonly solveIt: SolveIt | undefined;
}

/** To and from the worker that reads what is brought in. */
export interface ToImporter {
  readonly ticket: number;
  readonly kind: ImportKind;
  readonly text: string;
  /** Of bare numbers. */
  readonly units: UnitSystem;
}
export type FromImporter =
  { readonly ticket: number; readonly read: Imported<ImportKind> } | { readonly ticket: number; readonly broken: string };

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

/** What was measured, worked out: each side's two patterns, side against side, and what to measure next. */
export interface Surveyed {
  readonly sides: Readonly<Record<Side, SideStudy & { readonly remedies: readonly Remedy[] }>>;
  /** The right against the left, of the structure and of the fitting. */
  readonly across: Readonly<Record<'structure' | 'fitting', PatternFit | Refusal | undefined>>;
  readonly acrossSuspect: Readonly<Record<'structure' | 'fitting', Suspect | undefined>>;
  readonly next: readonly Sensitivity[];
}

/** To and from the worker that works out what was measured. */
export interface ToSurveyor {
  readonly ticket: number;
  readonly job: Job;
}
export type FromSurveyor =
  | { readonly kind: 'surveyed'; readonly ticket: number; readonly surveyed: Surveyed }
  | { readonly kind: 'broken'; readonly ticket: number; readonly message: string };

/** To and from a worker that solves how the load spreads, for some of the cases. `key` keeps apart what is solved side by side. */
export type ToSpreader =
  | {
      readonly kind: 'solve';
      readonly ticket: number;
      readonly key: string;
      readonly job: Job;
      readonly mesh: Mesh;
      readonly cases: readonly string[];
      readonly caseId: string;
    }
  | { readonly kind: 'show'; readonly key: string; readonly caseId: string }
  | { readonly kind: 'stop' };
export type FromSpreader =
  | {
      readonly kind: 'progress';
      readonly ticket: number;
      readonly key: string;
      readonly done: number;
    }
  | ({
      readonly kind: 'solved';
      readonly ticket: number;
      readonly key: string;
      readonly caseId: string;
      readonly milliseconds: number;
    } & Solved)
  | ({ readonly kind: 'shown'; readonly key: string; readonly caseId: string } & Solved)
  /** What was to be shown is no longer there: its solve was stopped, or it was another worker's. */
  | { readonly kind: 'lost'; readonly key: string; readonly caseId: string }
  | { readonly kind: 'refused'; readonly ticket: number; readonly key: string; readonly refusal: Refusal }
  | { readonly kind: 'stopped'; readonly ticket: number; readonly key: string }
  | { readonly kind: 'broken'; readonly ticket: number; readonly key: string; readonly message: string };

/** To and from the worker of Prove: where the job stands as built, and the curve a proof should follow. */
export type ToProver =
  | {
      readonly kind: 'state';
      readonly ticket: number;
      readonly whole: WholeJob;
      readonly lines: readonly Line[];
      readonly shop: Pick<ShopSettings, 'rates'>;
    }
  | { readonly kind: 'curve'; readonly ticket: number; readonly job: Job; readonly asked: ProofAsked };
export type FromProver =
  | { readonly kind: 'state'; readonly ticket: number; readonly state: ProveState }
  | ({ readonly kind: 'progress'; readonly ticket: number } & CurveProgress)
  | { readonly kind: 'curve'; readonly ticket: number; readonly curve: PredictedCurve }
  | { readonly kind: 'refused'; readonly ticket: number; readonly refusal: Refusal }
  | { readonly kind: 'broken'; readonly ticket: number; readonly message: string };
