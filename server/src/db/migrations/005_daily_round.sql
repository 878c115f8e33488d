-- A bag's closure can change, and its own probe overrides the place's thermometer.
CREATE TABLE holder_closure (
  holder_id TEXT NOT NULL REFERENCES holder (id),
  closure TEXT NOT NULL,
  from_ms INTEGER NOT NULL,
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX holder_closure_by_holder ON holder_closure (holder_id, from_ms);
CREATE TABLE probe_reading (
  id TEXT PRIMARY KEY,
  holder_id TEXT NOT NULL REFERENCES holder (id),
  from_ms INTEGER NOT NULL,
  to_ms INTEGER NOT NULL CHECK (to_ms > from_ms),
  min_c REAL NOT NULL,
  max_c REAL NOT NULL CHECK (max_c >= min_c),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX probe_reading_by_holder ON probe_reading (holder_id, from_ms);

-- What a kitchen scale says of a bag with all that is in it.
CREATE TABLE weighing (
  id TEXT PRIMARY KEY,
  holder_id TEXT NOT NULL REFERENCES holder (id),
  at_ms INTEGER NOT NULL,
  grams REAL NOT NULL CHECK (grams > 0),
  -- Just given its water: the weight that later ones are compared with.
  full INTEGER NOT NULL CHECK (full IN (0, 1)),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX weighing_by_holder ON weighing (holder_id, at_ms);

-- A photograph of a look, kept here and nowhere else.
CREATE TABLE photo (
  id TEXT PRIMARY KEY,
  entry_id TEXT NOT NULL REFERENCES entry (id),
  type TEXT NOT NULL,
  bytes BLOB NOT NULL,
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX photo_by_entry ON photo (entry_id);

-- A round under way: what was to be opened, in walking order. Any device can go on with it.
CREATE TABLE round (
  id TEXT PRIMARY KEY,
  batch_ids TEXT NOT NULL CHECK (json_valid(batch_ids)),
  started_ms INTEGER NOT NULL
) STRICT;

-- Where plants end.
CREATE TABLE bed (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  width_m REAL NOT NULL CHECK (width_m > 0),
  length_m REAL NOT NULL CHECK (length_m > 0),
  made_year INTEGER,
  created_ms INTEGER NOT NULL
) STRICT;
CREATE TABLE soil_reading (
  id TEXT PRIMARY KEY,
  bed_id TEXT NOT NULL REFERENCES bed (id),
  day_ms INTEGER NOT NULL,
  celsius REAL NOT NULL,
  -- A thermometer in the soil, or the air's mean of the last days.
  source TEXT NOT NULL CHECK (source IN ('soil', 'air')),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX soil_reading_by_bed ON soil_reading (bed_id, day_ms);

-- How sprouts that had rooted into the paper came out, and which bed they went to.
-- A seed planted along while still quiet has a label too, and has proved nothing.
ALTER TABLE cup ADD COLUMN planted INTEGER NOT NULL DEFAULT 0 CHECK (planted IN (0, 1));
ALTER TABLE move ADD COLUMN freed INTEGER NOT NULL DEFAULT 0;
ALTER TABLE move ADD COLUMN patched INTEGER NOT NULL DEFAULT 0;
ALTER TABLE move ADD COLUMN snapped INTEGER NOT NULL DEFAULT 0;
ALTER TABLE move ADD COLUMN bed_id TEXT REFERENCES bed (id);
-- Quiet seeds planted along on moving day, by those who do.
ALTER TABLE move ADD COLUMN quiet_planted INTEGER NOT NULL DEFAULT 0;

-- Seeds that left the towel, labelled or not: a snapped one has left it too.
CREATE TABLE moved_seed (
  entry_id TEXT NOT NULL REFERENCES entry (id),
  seed INTEGER NOT NULL CHECK (seed > 0),
  PRIMARY KEY (entry_id, seed)
) STRICT;
INSERT INTO moved_seed (entry_id, seed) SELECT entry_id, seed FROM cup WHERE seed IS NOT NULL;

-- What became of a seedling. Only added to; an undo supersedes.
CREATE TABLE seedling_event (
  id TEXT PRIMARY KEY,
  cup_number INTEGER NOT NULL REFERENCES cup (number),
  kind TEXT NOT NULL CHECK (kind IN ('stage', 'lost', 'given', 'undo')),
  stage TEXT,
  why TEXT,
  at_ms INTEGER NOT NULL,
  recorded_ms INTEGER NOT NULL,
  supersedes TEXT REFERENCES seedling_event (id)
) STRICT;
CREATE INDEX seedling_event_by_cup ON seedling_event (cup_number);
CREATE TRIGGER seedling_event_stays BEFORE UPDATE ON seedling_event BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER seedling_event_kept BEFORE DELETE ON seedling_event BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
