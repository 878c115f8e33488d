CREATE TABLE household (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  name TEXT NOT NULL,
  zone TEXT NOT NULL,
  units TEXT NOT NULL CHECK (units IN ('metric', 'us')),
  looking_times TEXT NOT NULL CHECK (json_valid(looking_times)),
  millilitres_per_spray REAL NOT NULL CHECK (millilitres_per_spray > 0),
  late_tolerance REAL NOT NULL DEFAULT 0.01,
  changed_ms INTEGER NOT NULL
) STRICT;

-- Label numbers: a household serial, never used again, whatever is undone.
CREATE TABLE serial (name TEXT PRIMARY KEY, next INTEGER NOT NULL) STRICT;
INSERT INTO serial (name, next) VALUES ('label', 1);

-- Every accepted request, so that the same id and body twice is the same act.
CREATE TABLE act (
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL,
  body_hash TEXT NOT NULL,
  recorded_ms INTEGER NOT NULL,
  reply TEXT NOT NULL CHECK (json_valid(reply))
) STRICT;

CREATE TABLE spot (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  kind TEXT NOT NULL,
  walking_order INTEGER NOT NULL,
  created_ms INTEGER NOT NULL
) STRICT;

CREATE TABLE reading (
  id TEXT PRIMARY KEY,
  spot_id TEXT NOT NULL REFERENCES spot (id),
  from_ms INTEGER NOT NULL,
  to_ms INTEGER NOT NULL CHECK (to_ms > from_ms),
  min_c REAL NOT NULL,
  max_c REAL NOT NULL CHECK (max_c >= min_c),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX reading_by_spot ON reading (spot_id, from_ms);

CREATE TABLE packet (
  id TEXT PRIMARY KEY,
  crop_id TEXT NOT NULL,
  variety TEXT NOT NULL,
  year INTEGER,
  source TEXT,
  printed_rate_percent REAL CHECK (printed_rate_percent BETWEEN 1 AND 100),
  seed_count INTEGER CHECK (seed_count > 0),
  dressed INTEGER NOT NULL CHECK (dressed IN (0, 1)),
  created_ms INTEGER NOT NULL
) STRICT;

-- A bag, tub or tray; it stands in one spot at a time.
CREATE TABLE holder (
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL CHECK (kind IN ('bag', 'tub', 'tray')),
  closure TEXT NOT NULL,
  created_ms INTEGER NOT NULL
) STRICT;
CREATE TABLE holder_place (
  holder_id TEXT NOT NULL REFERENCES holder (id),
  spot_id TEXT NOT NULL REFERENCES spot (id),
  from_ms INTEGER NOT NULL,
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX holder_place_by_holder ON holder_place (holder_id, from_ms);

CREATE TABLE batch (
  id TEXT PRIMARY KEY,
  number INTEGER NOT NULL UNIQUE,
  token TEXT NOT NULL UNIQUE,
  packet_id TEXT NOT NULL REFERENCES packet (id),
  seeds INTEGER NOT NULL CHECK (seeds > 0),
  wanted INTEGER CHECK (wanted > 0),
  start_ms INTEGER NOT NULL,
  chill_until_ms INTEGER,
  prepared TEXT NOT NULL CHECK (json_valid(prepared)),
  dose_ml REAL NOT NULL,
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX batch_by_packet ON batch (packet_id);

-- A towel of a batch (replicates of a test are towels); it lies in one holder at a time.
CREATE TABLE towel (
  id TEXT PRIMARY KEY,
  batch_id TEXT NOT NULL REFERENCES batch (id),
  width_mm REAL NOT NULL,
  height_mm REAL NOT NULL,
  plies INTEGER NOT NULL
) STRICT;
CREATE INDEX towel_by_batch ON towel (batch_id);
CREATE TABLE towel_place (
  towel_id TEXT NOT NULL REFERENCES towel (id),
  holder_id TEXT NOT NULL REFERENCES holder (id),
  from_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX towel_place_by_towel ON towel_place (towel_id, from_ms);
CREATE INDEX towel_place_by_holder ON towel_place (holder_id);

-- The journal of a batch. Only ever added to: a correction or an undo supersedes.
CREATE TABLE entry (
  id TEXT PRIMARY KEY,
  batch_id TEXT NOT NULL REFERENCES batch (id),
  kind TEXT NOT NULL CHECK (kind IN ('look', 'move', 'recount', 'close', 'undo')),
  at_ms INTEGER NOT NULL,
  recorded_ms INTEGER NOT NULL,
  who TEXT,
  note TEXT,
  supersedes TEXT REFERENCES entry (id)
) STRICT;
CREATE INDEX entry_by_batch ON entry (batch_id, at_ms);

CREATE TABLE look (
  entry_id TEXT PRIMARY KEY REFERENCES entry (id),
  via TEXT NOT NULL CHECK (via IN ('opened', 'through', 'skipped')),
  tipped INTEGER CHECK (tipped >= 0),
  rotten INTEGER CHECK (rotten >= 0),
  based_on TEXT REFERENCES entry (id),
  damp TEXT,
  rewetted INTEGER NOT NULL CHECK (rewetted IN (0, 1)),
  troubles TEXT NOT NULL CHECK (json_valid(troubles))
) STRICT;
CREATE TABLE seed_mark (
  entry_id TEXT NOT NULL REFERENCES entry (id),
  seed INTEGER NOT NULL CHECK (seed > 0),
  stage TEXT NOT NULL,
  root_mm REAL,
  PRIMARY KEY (entry_id, seed)
) STRICT;

CREATE TABLE move (
  entry_id TEXT PRIMARY KEY REFERENCES entry (id),
  destination TEXT NOT NULL,
  uncounted INTEGER NOT NULL CHECK (uncounted >= 0)
) STRICT;
-- Each moved sprout gets its label; the number outlives an undo.
CREATE TABLE cup (
  number INTEGER PRIMARY KEY,
  entry_id TEXT NOT NULL REFERENCES entry (id),
  seed INTEGER
) STRICT;
CREATE INDEX cup_by_entry ON cup (entry_id);

CREATE TABLE recount (
  entry_id TEXT PRIMARY KEY REFERENCES entry (id),
  seeds INTEGER NOT NULL CHECK (seeds > 0)
) STRICT;
CREATE TABLE closing (
  entry_id TEXT PRIMARY KEY REFERENCES entry (id),
  reason TEXT NOT NULL
) STRICT;

-- Append-only is a rule of the data, not a habit of the code.
CREATE TRIGGER entry_stays BEFORE UPDATE ON entry BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER entry_kept BEFORE DELETE ON entry BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
