import type { Db } from './database/open-database';
import { DemoStore } from './demo/demo-store';
import { DeedStore } from './jobs/deed-store';
import { JobStore } from './jobs/job-store';
import { LinkStore } from './people/link-store';
import { PeopleStore } from './people/people-store';
import { SessionStore } from './people/session-store';
import { DueStore } from './prove/due-store';
import { LogStore } from './prove/log-store';
import { PhotoStore } from './prove/photo-store';
import { ShopStore } from './shop/shop-store';
import { StockStore } from './stock/stock-store';
import { VerdictStore } from './verdicts/verdict-store';

/** Everything the server keeps, over one database and the folder of photographs beside it. */
export interface Stores {
  readonly db: Db;
  readonly store: JobStore;
  readonly stock: StockStore;
  readonly shop: ShopStore;
  readonly book: LogStore;
  readonly photos: PhotoStore;
  readonly verdicts: VerdictStore;
  readonly due: DueStore;
  readonly deeds: DeedStore;
  readonly demo: DemoStore;
  readonly people: PeopleStore;
  readonly sessions: SessionStore;
  readonly links: LinkStore;
}

/** `edition`: which program judges; see `scripts/serve.mjs`. */
export const storesOf = (db: Db, photos: string, edition = 'here'): Stores => ({
  db,
  store: new JobStore(db),
  stock: new StockStore(db),
  shop: new ShopStore(db),
  book: new LogStore(db),
  photos: new PhotoStore(db, photos),
  verdicts: new VerdictStore(db, edition),
  due: new DueStore(db, edition),
  deeds: new DeedStore(db),
  demo: new DemoStore(db),
  people: new PeopleStore(db),
  sessions: new SessionStore(db),
  links: new LinkStore(db),
});
