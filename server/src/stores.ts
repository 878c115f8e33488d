import { takenBackStore } from './db/taken-back.js';
import { bedStore } from './beds/store.js';
import { batchStore } from './batches/store.js';
import { journalStore } from './journal/store.js';
import { cropStore } from './crops/store.js';
import { calendarStore } from './calendar/store.js';
import type { Database } from './db/database.js';
import { holderStore } from './holders/store.js';
import { absenceStore } from './household/absences.js';
import { householdStore } from './household/store.js';
import { careStore } from './nursery/care.js';
import { nurseryStore } from './nursery/store.js';
import { trayStore } from './nursery/trays.js';
import { weatherStore } from './nursery/weather.js';
import { standStore } from './nursery/stands.js';
import { seasonStore } from './nursery/seasons.js';
import { sowingStore } from './season/begun.js';
import { seasonPlanStore } from './season/store.js';
import { importStore } from './packets/imports.js';
import { packetStore } from './packets/store.js';
import { photoStore } from './photos/store.js';
import { slotStore } from './nursery/slots.js';
import { rackStore } from './racks/store.js';
import { roundStore } from './rounds/store.js';
import { sittingStore } from './sittings/store.js';
import { fileStore } from './spots/files.js';
import { probeStore } from './spots/probes.js';
import { recordStore } from './spots/record.js';
import { setupStore } from './spots/setups.js';
import { spotStore } from './spots/store.js';
import { warmSpots } from './spots/warm.js';
import { saidStore } from './today/said.js';
import { noteStore } from './notebook/notes.js';
import { trialStore } from './trials/store.js';

/** Everything that is read from and written to a household's database. */
export function storesOn(db: Database) {
  const crops = cropStore(db);
  const takenBack = takenBackStore(db);
  const packets = packetStore(db, crops);
  const absences = absenceStore(db);
  const household = householdStore(db, absences);
  const slots = slotStore(db);
  const stands = standStore(db);
  const nursery = nurseryStore(db, crops, household, slots, stands);
  const weather = weatherStore(db);
  const spots = spotStore(db);
  const setups = setupStore(db);
  return {
    crops,
    nursery,
    care: careStore(db),
    stands,
    trays: trayStore(db),
    weather,
    takenBack,
    spots,
    setups,
    warm: warmSpots(spots, setups, household),
    probes: probeStore(db),
    record: recordStore(db),
    files: fileStore(db),
    absences,
    calendars: calendarStore(db),
    packets,
    imports: importStore(db, packets, takenBack),
    holders: holderStore(db),
    batches: batchStore(db),
    journal: journalStore(db),
    household,
    sittings: sittingStore(db, packets, household.takeNumber),
    photos: photoStore(db),
    beds: bedStore(db, crops, weather),
    racks: rackStore(db, nursery, slots),
    seasons: seasonStore(db),
    season: seasonPlanStore(db),
    sowings: sowingStore(db),
    rounds: roundStore(db),
    said: saidStore(db),
    notes: noteStore(db),
    trials: trialStore(db),
  };
}
export type AllStores = ReturnType<typeof storesOn>;
