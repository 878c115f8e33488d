import type { Database } from '../db/database.js';
import type { LotCache } from '../forecasts/past-lots.js';
import { forecasts, type Forecasts } from '../forecasts/view.js';
import { storesOn, type AllStores } from '../stores.js';

/** What questions are answered from: the stores, and the forecasts over them. */
export interface Reader extends AllStores {
  readonly forecasts: Forecasts;
  /** Changes whenever the database does. */
  readonly stamp: () => string;
  readonly db: Database;
  readonly cache: LotCache;
}

/** Reads a household through a connection of its own, or the server's. */
export function readerOn(db: Database, cache: LotCache): Reader {
  const stores = storesOn(db);
  const own = db.prepare('SELECT total_changes()').pluck();
  const stamp = (): string => `${db.pragma('data_version', { simple: true }) as number} ${own.get() as number}`;
  return { ...stores, db, cache, stamp, forecasts: forecasts(stores, cache, stamp) };
}
