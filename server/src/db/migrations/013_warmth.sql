-- Warm spots: how they are set up, what comes over them, whose thermometer says what; and who is away when.

-- How a spot stands from a moment on: lid, cloths, mat and thermostat, window. The last word of a moment counts.
CREATE TABLE spot_setup (
  id TEXT PRIMARY KEY,
  spot_id TEXT NOT NULL REFERENCES spot (id),
  from_ms INTEGER NOT NULL,
  setup TEXT NOT NULL CHECK (json_valid(setup)),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX spot_setup_by_spot ON spot_setup (spot_id, from_ms);

-- Something that came over a spot, or is known to come: it marks whatever stands there meanwhile.
CREATE TABLE spot_event_kind (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE spot_event (
  id TEXT PRIMARY KEY,
  spot_id TEXT NOT NULL REFERENCES spot (id),
  kind TEXT NOT NULL REFERENCES spot_event_kind (code),
  from_ms INTEGER NOT NULL,
  to_ms INTEGER NOT NULL CHECK (to_ms > from_ms),
  -- By how much a spell is warmer or colder at its height, K.
  by_c REAL CHECK (by_c > 0),
  note TEXT,
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX spot_event_by_spot ON spot_event (spot_id, from_ms);

-- A thermometer that sends what it reads, by a token of its own that is kept as its digest alone.
CREATE TABLE probe (
  id TEXT PRIMARY KEY,
  spot_id TEXT NOT NULL REFERENCES spot (id),
  name TEXT NOT NULL,
  token_digest TEXT NOT NULL UNIQUE,
  made_ms INTEGER NOT NULL,
  withdrawn_ms INTEGER
) STRICT;
CREATE INDEX probe_by_spot ON probe (spot_id);

-- What it sent in the last days, as it came; each hour is folded into a reading when it is over.
CREATE TABLE probe_sample (
  probe_id TEXT NOT NULL REFERENCES probe (id),
  at_ms INTEGER NOT NULL,
  celsius REAL NOT NULL,
  received_ms INTEGER NOT NULL,
  PRIMARY KEY (probe_id, at_ms)
) STRICT, WITHOUT ROWID;

-- A logger's file. Its readings come in parts and count once it is whole.
CREATE TABLE reading_import (
  id TEXT PRIMARY KEY,
  spot_id TEXT NOT NULL REFERENCES spot (id),
  name TEXT NOT NULL,
  lines INTEGER NOT NULL CHECK (lines > 0),
  hours INTEGER NOT NULL CHECK (hours > 0),
  begun_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX reading_import_by_spot ON reading_import (spot_id, begun_ms);
-- The file came whole: from then on its hours count.
CREATE TABLE reading_whole (
  id TEXT PRIMARY KEY REFERENCES reading_import (id),
  from_ms INTEGER NOT NULL,
  to_ms INTEGER NOT NULL,
  -- Hours that were known already, word for word.
  known INTEGER NOT NULL,
  recorded_ms INTEGER NOT NULL
) STRICT;
ALTER TABLE reading ADD COLUMN import_id TEXT REFERENCES reading_import (id);
ALTER TABLE reading ADD COLUMN probe_id TEXT REFERENCES probe (id);

-- Nobody is at home.
CREATE TABLE absence (
  id TEXT PRIMARY KEY,
  from_ms INTEGER NOT NULL,
  to_ms INTEGER NOT NULL CHECK (to_ms > from_ms),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX absence_by_end ON absence (to_ms);

-- An address at which a calendar of the household's own reads what is to be done.
CREATE TABLE calendar_feed (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  token_digest TEXT NOT NULL UNIQUE,
  made_ms INTEGER NOT NULL,
  withdrawn_ms INTEGER
) STRICT;
-- What was told of an entry last: a change counts its sequence up.
CREATE TABLE calendar_entry (
  uid TEXT PRIMARY KEY,
  digest TEXT NOT NULL,
  sequence INTEGER NOT NULL,
  changed_ms INTEGER NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TRIGGER spot_setup_stays BEFORE UPDATE ON spot_setup BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER spot_setup_kept BEFORE DELETE ON spot_setup BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER spot_event_stays BEFORE UPDATE ON spot_event BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER spot_event_kept BEFORE DELETE ON spot_event BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER absence_stays BEFORE UPDATE ON absence BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER absence_kept BEFORE DELETE ON absence BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
