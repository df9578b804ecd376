import type { Line } from '@core/prove/log-entry';
import type { ShopSettings } from '@core/stock/shop-settings';
import type { Refusal } from '@core/units/refusal';

/** What a sheet is made from: plain data, so that it can be made in another thread. */
export interface SheetOf {
  /** The document as it is kept. */
  readonly text: string;
  readonly version: number;
  readonly shop: ShopSettings;
  /** The job's logbook, where the sheet tells of it. */
  readonly lines: readonly Line[];
  /** Folder of the photographs. */
  readonly photos: string;
  /** ISO day. */
  readonly today: string;
  /** Where the job opens in a browser. */
  readonly address: string;
}

/** What came of it: a file, plain data, or why not. */
export type Made =
  | { readonly kind: 'file'; readonly body: string | Uint8Array; readonly name: string; readonly type?: string }
  | { readonly kind: 'data'; readonly data: unknown }
  | { readonly kind: 'problem'; readonly status: number; readonly title: string; readonly detail: string }
  | { readonly kind: 'refused'; readonly refusals: readonly Refusal[] };
