import type { Database } from '../db/database.js';
import type { LotCache } from './past-lots.js';
import { forecasts, type Forecasts } from './view.js';
import { storesOn, type AllStores } from '../stores.js';

/** What questions are answered from: the stores, and the forecasts over them. */
export interface Reader extends AllStores {
  readonly forecasts: Forecasts;
  /** What the database was at the beginning of the question: changes whenever it does. */
  readonly stamp: () => string;
  /** A question begins. */
  readonly begin: () => void;
  readonly db: Database;
  readonly cache: LotCache;
}

/** Reads a household through a connection of its own, or the server's. */
export function readerOn(db: Database, cache: LotCache): Reader {
  const stores = storesOn(db);
  const own = db.prepare<unknown[], number>('SELECT total_changes()').pluck();
  let current = '';
  const stamp = (): string => current;
  const begin = (): void => {
    current = `${db.pragma('data_version', { simple: true }) as number} ${own.get()}`;
    cache.refresh();
  };
  begin();
  return { ...stores, db, cache, stamp, begin, forecasts: forecasts(stores, cache, stamp) };
}
