-- Codes live in lookup tables, so that a new method, kind of entry or destination is a row
-- and no rebuilt table. The rows are the application's lists, laid down at every start.
CREATE TABLE unit_system (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE place_kind (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE holder_kind (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE closure (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE method (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE carrier_kind (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE purpose (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE entry_kind (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE via (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE damp (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE seed_stage (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE destination (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE closing_reason (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE seedling_event_kind (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE seedling_stage (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE soil_source (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;

-- What records hold already is a code, whatever the lists say.
INSERT INTO unit_system SELECT DISTINCT units FROM household;
INSERT INTO place_kind SELECT DISTINCT kind FROM spot;
INSERT INTO holder_kind SELECT DISTINCT kind FROM holder;
INSERT INTO closure SELECT closure FROM holder UNION SELECT closure FROM holder_closure;
INSERT INTO method SELECT DISTINCT method FROM batch;
INSERT INTO carrier_kind VALUES ('towel'), ('glass'), ('cells'), ('slots'), ('pellets'), ('pots'), ('row');
INSERT INTO purpose SELECT DISTINCT purpose FROM batch;
INSERT INTO entry_kind SELECT DISTINCT kind FROM entry;
INSERT INTO via SELECT DISTINCT via FROM look;
INSERT INTO damp SELECT DISTINCT damp FROM look WHERE damp IS NOT NULL;
INSERT INTO seed_stage SELECT DISTINCT stage FROM seed_mark;
INSERT INTO destination SELECT DISTINCT destination FROM move;
INSERT INTO closing_reason SELECT DISTINCT reason FROM closing;
INSERT INTO seedling_event_kind SELECT DISTINCT kind FROM seedling_event;
INSERT INTO seedling_stage SELECT DISTINCT stage FROM seedling_event WHERE stage IS NOT NULL;
INSERT INTO soil_source SELECT DISTINCT source FROM soil_reading;

-- Tables with closed lists are built anew; each keeps its rowids, which are the order in
-- which everything was written.
CREATE TABLE household_new (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  name TEXT NOT NULL,
  zone TEXT NOT NULL,
  units TEXT NOT NULL REFERENCES unit_system (code),
  looking_times TEXT NOT NULL CHECK (json_valid(looking_times)),
  millilitres_per_spray REAL NOT NULL CHECK (millilitres_per_spray > 0),
  late_tolerance REAL NOT NULL DEFAULT 0.01,
  changed_ms INTEGER NOT NULL,
  -- How the household moves, looks and judges; what it never said follows the usual.
  ways TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(ways)),
  -- Records up to this time are known to have been made while the clock ran ahead.
  clock_settled_ms INTEGER NOT NULL DEFAULT 0
) STRICT;
INSERT INTO household_new
  SELECT id, name, zone, units, looking_times, millilitres_per_spray, late_tolerance, changed_ms, ways, clock_settled_ms FROM household;
DROP TABLE household;
ALTER TABLE household_new RENAME TO household;

CREATE TABLE spot_new (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  kind TEXT NOT NULL REFERENCES place_kind (code),
  walking_order INTEGER NOT NULL,
  created_ms INTEGER NOT NULL
) STRICT;
INSERT INTO spot_new (rowid, id, name, kind, walking_order, created_ms)
  SELECT rowid, id, name, kind, walking_order, created_ms FROM spot;
DROP TABLE spot;
ALTER TABLE spot_new RENAME TO spot;

-- A bag, tub or tray; it stands in one spot at a time.
CREATE TABLE holder_new (
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL REFERENCES holder_kind (code),
  closure TEXT NOT NULL REFERENCES closure (code),
  created_ms INTEGER NOT NULL
) STRICT;
INSERT INTO holder_new (rowid, id, kind, closure, created_ms) SELECT rowid, id, kind, closure, created_ms FROM holder;
DROP TABLE holder;
ALTER TABLE holder_new RENAME TO holder;

CREATE TABLE holder_closure_new (
  holder_id TEXT NOT NULL REFERENCES holder (id),
  closure TEXT NOT NULL REFERENCES closure (code),
  from_ms INTEGER NOT NULL,
  recorded_ms INTEGER NOT NULL
) STRICT;
INSERT INTO holder_closure_new (rowid, holder_id, closure, from_ms, recorded_ms)
  SELECT rowid, holder_id, closure, from_ms, recorded_ms FROM holder_closure;
DROP TABLE holder_closure;
ALTER TABLE holder_closure_new RENAME TO holder_closure;
CREATE INDEX holder_closure_by_holder ON holder_closure (holder_id, from_ms);

CREATE TABLE batch_new (
  id TEXT PRIMARY KEY,
  number INTEGER NOT NULL UNIQUE,
  token TEXT NOT NULL UNIQUE,
  packet_id TEXT NOT NULL REFERENCES packet (id),
  method TEXT NOT NULL REFERENCES method (code),
  -- Begun for plants, or to learn how many of a packet live.
  purpose TEXT NOT NULL REFERENCES purpose (code),
  seeds INTEGER NOT NULL CHECK (seeds > 0),
  -- What was taken from the packet, where it is not the seeds laid: husks that split into two.
  taken INTEGER CHECK (taken > 0),
  wanted INTEGER CHECK (wanted > 0),
  start_ms INTEGER NOT NULL,
  chill_until_ms INTEGER,
  prepared TEXT NOT NULL CHECK (json_valid(prepared)),
  dose_ml REAL NOT NULL,
  -- A test's last day of counting.
  final_ms INTEGER,
  -- What it is begun for: plants, where they go, and by which date.
  aim TEXT NOT NULL CHECK (json_valid(aim)),
  recorded_ms INTEGER NOT NULL
) STRICT;
INSERT INTO batch_new (rowid, id, number, token, packet_id, method, purpose, seeds, taken, wanted, start_ms, chill_until_ms, prepared,
    dose_ml, final_ms, aim, recorded_ms)
  SELECT rowid, id, number, token, packet_id, method, purpose, seeds, taken, wanted, start_ms, chill_until_ms, prepared, dose_ml,
    final_ms, aim, recorded_ms FROM batch;
DROP TABLE batch;
ALTER TABLE batch_new RENAME TO batch;
CREATE INDEX batch_by_packet ON batch (packet_id);

-- What seed lies in or on: a towel by its sheet, cells, slots, pellets or pots by their number.
-- Replicates of a test are carriers; each stands in one holder at a time.
CREATE TABLE carrier (
  id TEXT PRIMARY KEY,
  batch_id TEXT NOT NULL REFERENCES batch (id),
  kind TEXT NOT NULL REFERENCES carrier_kind (code),
  width_mm REAL,
  height_mm REAL,
  plies INTEGER,
  -- Cells, slots, pellets or pots.
  places INTEGER CHECK (places > 0),
  -- Seeds in it; the whole batch where nothing stands.
  seeds INTEGER CHECK (seeds > 0),
  CHECK (kind <> 'towel' OR (width_mm IS NOT NULL AND height_mm IS NOT NULL AND plies IS NOT NULL))
) STRICT;
INSERT INTO carrier (rowid, id, batch_id, kind, width_mm, height_mm, plies, seeds)
  SELECT t.rowid, t.id, t.batch_id,
    CASE b.method WHEN 'water' THEN 'glass' WHEN 'plug' THEN 'cells' WHEN 'pod' THEN 'slots' WHEN 'pellet' THEN 'pellets'
      WHEN 'pot' THEN 'pots' WHEN 'bed' THEN 'row' ELSE 'towel' END,
    t.width_mm, t.height_mm, t.plies, t.seeds
  FROM towel t JOIN batch b ON b.id = t.batch_id;
DROP TABLE towel;
CREATE INDEX carrier_by_batch ON carrier (batch_id);

CREATE TABLE carrier_place (
  carrier_id TEXT NOT NULL REFERENCES carrier (id),
  holder_id TEXT NOT NULL REFERENCES holder (id),
  from_ms INTEGER NOT NULL
) STRICT;
INSERT INTO carrier_place (rowid, carrier_id, holder_id, from_ms) SELECT rowid, towel_id, holder_id, from_ms FROM towel_place;
DROP TABLE towel_place;
CREATE INDEX carrier_place_by_carrier ON carrier_place (carrier_id, from_ms);
CREATE INDEX carrier_place_by_holder ON carrier_place (holder_id);

-- The journal of a batch. Only ever added to: a correction or an undo supersedes.
CREATE TABLE entry_new (
  id TEXT PRIMARY KEY,
  batch_id TEXT NOT NULL REFERENCES batch (id),
  kind TEXT NOT NULL REFERENCES entry_kind (code),
  at_ms INTEGER NOT NULL,
  recorded_ms INTEGER NOT NULL,
  who TEXT,
  note TEXT,
  supersedes TEXT REFERENCES entry (id)
) STRICT;
INSERT INTO entry_new (rowid, id, batch_id, kind, at_ms, recorded_ms, who, note, supersedes)
  SELECT rowid, id, batch_id, kind, at_ms, recorded_ms, who, note, supersedes FROM entry;
DROP TABLE entry;
ALTER TABLE entry_new RENAME TO entry;
CREATE INDEX entry_by_batch ON entry (batch_id, at_ms);
CREATE INDEX entry_by_supersedes ON entry (supersedes) WHERE supersedes IS NOT NULL;
CREATE INDEX entry_closing ON entry (batch_id) WHERE kind = 'close';
CREATE INDEX entry_recount ON entry (batch_id) WHERE kind = 'recount';
CREATE INDEX entry_by_who ON entry (who) WHERE who IS NOT NULL;
CREATE INDEX entry_by_recorded ON entry (recorded_ms);

CREATE TABLE look_new (
  entry_id TEXT PRIMARY KEY REFERENCES entry (id),
  via TEXT NOT NULL REFERENCES via (code),
  tipped INTEGER CHECK (tipped >= 0),
  rotten INTEGER CHECK (rotten >= 0),
  -- Seeds lost or given away without a tip: censored, not dead.
  lost INTEGER CHECK (lost >= 0),
  based_on TEXT REFERENCES entry (id),
  damp TEXT REFERENCES damp (code),
  rewetted INTEGER NOT NULL CHECK (rewetted IN (0, 1)),
  troubles TEXT NOT NULL CHECK (json_valid(troubles))
) STRICT;
INSERT INTO look_new (rowid, entry_id, via, tipped, rotten, lost, based_on, damp, rewetted, troubles)
  SELECT rowid, entry_id, via, tipped, rotten, lost, based_on, damp, rewetted, troubles FROM look;
DROP TABLE look;
ALTER TABLE look_new RENAME TO look;

CREATE TABLE seed_mark_new (
  entry_id TEXT NOT NULL REFERENCES entry (id),
  seed INTEGER NOT NULL CHECK (seed > 0),
  stage TEXT NOT NULL REFERENCES seed_stage (code),
  root_mm REAL,
  PRIMARY KEY (entry_id, seed)
) STRICT;
INSERT INTO seed_mark_new (rowid, entry_id, seed, stage, root_mm) SELECT rowid, entry_id, seed, stage, root_mm FROM seed_mark;
DROP TABLE seed_mark;
ALTER TABLE seed_mark_new RENAME TO seed_mark;

CREATE TABLE move_new (
  entry_id TEXT PRIMARY KEY REFERENCES entry (id),
  destination TEXT NOT NULL REFERENCES destination (code),
  uncounted INTEGER NOT NULL CHECK (uncounted >= 0),
  -- How sprouts that had rooted into the paper came out, and which bed they went to.
  freed INTEGER NOT NULL DEFAULT 0,
  patched INTEGER NOT NULL DEFAULT 0,
  snapped INTEGER NOT NULL DEFAULT 0,
  bed_id TEXT REFERENCES bed (id),
  -- Quiet seeds planted along on moving day, by those who do.
  quiet_planted INTEGER NOT NULL DEFAULT 0
) STRICT;
INSERT INTO move_new (rowid, entry_id, destination, uncounted, freed, patched, snapped, bed_id, quiet_planted)
  SELECT rowid, entry_id, destination, uncounted, freed, patched, snapped, bed_id, quiet_planted FROM move;
DROP TABLE move;
ALTER TABLE move_new RENAME TO move;

CREATE TABLE closing_new (
  entry_id TEXT PRIMARY KEY REFERENCES entry (id),
  reason TEXT NOT NULL REFERENCES closing_reason (code)
) STRICT;
INSERT INTO closing_new (rowid, entry_id, reason) SELECT rowid, entry_id, reason FROM closing;
DROP TABLE closing;
ALTER TABLE closing_new RENAME TO closing;

-- What became of a seedling. Only added to; an undo supersedes.
CREATE TABLE seedling_event_new (
  id TEXT PRIMARY KEY,
  cup_number INTEGER NOT NULL REFERENCES cup (number),
  kind TEXT NOT NULL REFERENCES seedling_event_kind (code),
  stage TEXT REFERENCES seedling_stage (code),
  why TEXT,
  at_ms INTEGER NOT NULL,
  recorded_ms INTEGER NOT NULL,
  supersedes TEXT REFERENCES seedling_event (id)
) STRICT;
INSERT INTO seedling_event_new (rowid, id, cup_number, kind, stage, why, at_ms, recorded_ms, supersedes)
  SELECT rowid, id, cup_number, kind, stage, why, at_ms, recorded_ms, supersedes FROM seedling_event;
DROP TABLE seedling_event;
ALTER TABLE seedling_event_new RENAME TO seedling_event;
CREATE INDEX seedling_event_by_cup ON seedling_event (cup_number);
CREATE INDEX seedling_event_by_supersedes ON seedling_event (supersedes) WHERE supersedes IS NOT NULL;
CREATE INDEX seedling_event_by_stage ON seedling_event (stage) WHERE kind = 'stage';

CREATE TABLE soil_reading_new (
  id TEXT PRIMARY KEY,
  bed_id TEXT NOT NULL REFERENCES bed (id),
  day_ms INTEGER NOT NULL,
  celsius REAL NOT NULL,
  -- A thermometer in the soil, or the air's mean of the last days.
  source TEXT NOT NULL REFERENCES soil_source (code),
  recorded_ms INTEGER NOT NULL
) STRICT;
INSERT INTO soil_reading_new (rowid, id, bed_id, day_ms, celsius, source, recorded_ms)
  SELECT rowid, id, bed_id, day_ms, celsius, source, recorded_ms FROM soil_reading;
DROP TABLE soil_reading;
ALTER TABLE soil_reading_new RENAME TO soil_reading;
CREATE INDEX soil_reading_by_bed ON soil_reading (bed_id, day_ms);

-- A test's count is sorted carrier by carrier.
ALTER TABLE class_count RENAME COLUMN towel TO carrier;

-- A packet as it stood until it was changed: a forecast of then rests on what was known then.
CREATE TABLE packet_before (
  packet_id TEXT NOT NULL REFERENCES packet (id),
  until_ms INTEGER NOT NULL,
  facts TEXT NOT NULL CHECK (json_valid(facts))
) STRICT;
CREATE INDEX packet_before_by_packet ON packet_before (packet_id, until_ms);

-- Append-only is a rule of the data, not a habit of the code: every child of the journal keeps it.
CREATE TRIGGER entry_stays BEFORE UPDATE ON entry BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER entry_kept BEFORE DELETE ON entry BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER look_stays BEFORE UPDATE ON look BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER look_kept BEFORE DELETE ON look BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER seed_mark_stays BEFORE UPDATE ON seed_mark BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER seed_mark_kept BEFORE DELETE ON seed_mark BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER move_stays BEFORE UPDATE ON move BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER move_kept BEFORE DELETE ON move BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER moved_seed_stays BEFORE UPDATE ON moved_seed BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER moved_seed_kept BEFORE DELETE ON moved_seed BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER cup_stays BEFORE UPDATE ON cup BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER cup_kept BEFORE DELETE ON cup BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER recount_stays BEFORE UPDATE ON recount BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER recount_kept BEFORE DELETE ON recount BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER closing_stays BEFORE UPDATE ON closing BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER closing_kept BEFORE DELETE ON closing BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER class_count_stays BEFORE UPDATE ON class_count BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER class_count_kept BEFORE DELETE ON class_count BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER photo_stays BEFORE UPDATE ON photo BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER photo_kept BEFORE DELETE ON photo BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER seedling_event_stays BEFORE UPDATE ON seedling_event BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER seedling_event_kept BEFORE DELETE ON seedling_event BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
