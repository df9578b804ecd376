import type { Db } from './database/open-database';
import { JobStore } from './jobs/job-store';
import { LogStore } from './prove/log-store';
import { PhotoStore } from './prove/photo-store';
import { ShopStore } from './shop/shop-store';
import { StockStore } from './stock/stock-store';

/** Everything the server keeps, over one database and the folder of photographs beside it. */
export interface Stores {
  readonly store: JobStore;
  readonly stock: StockStore;
  readonly shop: ShopStore;
  readonly book: LogStore;
  readonly photos: PhotoStore;
}

export const storesOf = (db: Db, photos: string): Stores => ({
  store: new JobStore(db),
  stock: new StockStore(db),
  shop: new ShopStore(db),
  book: new LogStore(db),
  photos: new PhotoStore(db, photos),
});
