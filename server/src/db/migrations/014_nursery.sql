-- The nursery: what stands together, what was done for it, the light of a place, and the weather told ahead.

-- Many seedlings marked in one act are taken back in one; what belongs to a kind of word stands in told.
ALTER TABLE seedling_event ADD COLUMN act_id TEXT;
ALTER TABLE seedling_event ADD COLUMN told TEXT CHECK (told IS NULL OR json_valid(told));
CREATE INDEX seedling_event_by_act ON seedling_event (act_id) WHERE act_id IS NOT NULL;

-- How the household raises what it moved, and under which sky; nothing where it never said.
ALTER TABLE household ADD COLUMN nursing TEXT CHECK (nursing IS NULL OR json_valid(nursing));

-- Something done for seedlings that stand together: watered, the lid propped, carried. They stand with those of their batch, under
-- its id, until they are put together otherwise.
CREATE TABLE care_kind (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE care (
  id TEXT PRIMARY KEY,
  -- Done for several trays in one act, taken back in one.
  act_id TEXT NOT NULL,
  tray_id TEXT NOT NULL,
  kind TEXT NOT NULL REFERENCES care_kind (code),
  at_ms INTEGER NOT NULL,
  spot_id TEXT REFERENCES spot (id),
  told TEXT NOT NULL CHECK (json_valid(told)),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX care_by_act ON care (act_id);
CREATE INDEX care_by_tray ON care (tray_id, at_ms);
CREATE INDEX care_by_spot ON care (spot_id) WHERE spot_id IS NOT NULL;

-- How light gets to a place from a moment on.
CREATE TABLE spot_light (
  id TEXT PRIMARY KEY,
  spot_id TEXT NOT NULL REFERENCES spot (id),
  from_ms INTEGER NOT NULL,
  light TEXT NOT NULL CHECK (json_valid(light)),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX spot_light_by_spot ON spot_light (spot_id, from_ms);

-- The weather outdoors as it was told ahead or measured: of a day or of an hour. Of a moment the last word counts.
CREATE TABLE weather (
  id TEXT PRIMARY KEY,
  act_id TEXT NOT NULL,
  from_ms INTEGER NOT NULL,
  to_ms INTEGER NOT NULL CHECK (to_ms > from_ms),
  min_c REAL NOT NULL,
  max_c REAL NOT NULL CHECK (max_c >= min_c),
  -- Gusts, km/h; nothing where nobody said.
  wind_kmh REAL CHECK (wind_kmh >= 0),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX weather_by_from ON weather (from_ms);
CREATE INDEX weather_by_act ON weather (act_id);

CREATE TRIGGER care_stays BEFORE UPDATE ON care BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER care_kept BEFORE DELETE ON care BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER spot_light_stays BEFORE UPDATE ON spot_light BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER spot_light_kept BEFORE DELETE ON spot_light BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER weather_stays BEFORE UPDATE ON weather BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER weather_kept BEFORE DELETE ON weather BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
