import { bedStore, type BedStore } from './beds/store.js';
import { batchStore, type BatchStore } from './batches/store.js';
import { cropStore, type CropStore } from './crops/store.js';
import { forecasts, type Forecasts } from './batches/forecasts.js';
import { journalStore, type JournalStore } from './batches/journal.js';
import type { Clock } from './clock.js';
import type { Database } from './db/database.js';
import { holderStore, type HolderStore } from './holders/store.js';
import { householdStore, type HouseholdStore } from './household/store.js';
import { actIn, type Act } from './http/act.js';
import { changeStream, type Changes } from './http/events.js';
import { nurseryStore, type NurseryStore } from './nursery/store.js';
import { packetStore, type PacketStore } from './packets/store.js';
import { rackStore, type RackStore } from './racks/store.js';
import { seasonStore, type SeasonStore } from './nursery/seasons.js';
import { roundStore, type RoundStore } from './rounds/store.js';
import { spotStore, type SpotStore } from './spots/store.js';

/** What the routes are built from. */
export interface Services {
  readonly db: Database;
  readonly clock: Clock;
  readonly demo: boolean;
  readonly version: string;
  readonly changes: Changes;
  readonly act: Act;
  readonly household: HouseholdStore;
  readonly spots: SpotStore;
  readonly crops: CropStore;
  readonly packets: PacketStore;
  readonly holders: HolderStore;
  readonly batches: BatchStore;
  readonly journal: JournalStore;
  readonly beds: BedStore;
  readonly nursery: NurseryStore;
  readonly racks: RackStore;
  readonly seasons: SeasonStore;
  readonly rounds: RoundStore;
  readonly forecasts: Forecasts;
}

export function servicesOn(db: Database, clock: Clock, options: { demo: boolean; version: string }): Services {
  const changes = changeStream();
  const crops = cropStore(db);
  const stores = {
    crops,
    spots: spotStore(db),
    packets: packetStore(db, crops),
    holders: holderStore(db),
    batches: batchStore(db),
    journal: journalStore(db),
  };
  const nursery = nurseryStore(db, crops);
  return {
    db,
    clock,
    ...options,
    changes,
    act: actIn(db, clock, changes),
    household: householdStore(db),
    ...stores,
    beds: bedStore(db),
    nursery,
    racks: rackStore(db, nursery),
    seasons: seasonStore(db),
    rounds: roundStore(db),
    forecasts: forecasts(stores),
  };
}
