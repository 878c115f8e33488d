import type { Database } from './db/database.js';
import { copiesOf } from './db/identity.js';

/** What is known to be wrong with the household's file. */
export interface Health {
  /** In a sentence that names the file, what is safe and where copies are; null where nothing is known to be wrong. */
  trouble(): string | null;
  /** Takes in what a reading of the whole file found. */
  found(damage: string | null): void;
}

export function healthOf(db: Database): Health {
  let damage: string | null = null;
  return {
    trouble: () =>
      damage === null
        ? null
        : `The database ${db.name} is damaged (${damage}). What you see may be incomplete: save a copy of it as it is, then put the newest good copy back, in House or by hand from ${copiesOf(db.name)}.`,
    found: (found) => {
      damage = found;
    },
  };
}
