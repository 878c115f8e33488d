-- What is known of a packet beside its print: how it is kept, where it comes from.
ALTER TABLE packet ADD COLUMN printed_days_low REAL;
ALTER TABLE packet ADD COLUMN printed_days_high REAL;
ALTER TABLE packet ADD COLUMN trait TEXT;
ALTER TABLE packet ADD COLUMN generation INTEGER CHECK (generation > 0);
ALTER TABLE packet ADD COLUMN mother_id TEXT REFERENCES packet (id);
ALTER TABLE packet ADD COLUMN father_id TEXT REFERENCES packet (id);
ALTER TABLE packet ADD COLUMN isolation TEXT;
ALTER TABLE packet ADD COLUMN isolation_m REAL CHECK (isolation_m >= 0);
ALTER TABLE packet ADD COLUMN store_place TEXT;
ALTER TABLE packet ADD COLUMN store_c REAL;
ALTER TABLE packet ADD COLUMN store_dryness TEXT;
ALTER TABLE packet ADD COLUMN seeds_per_gram REAL CHECK (seeds_per_gram > 0);

-- How many a packet held when somebody counted or weighed; batches since then are taken off.
CREATE TABLE packet_count (
  id TEXT PRIMARY KEY,
  packet_id TEXT NOT NULL REFERENCES packet (id),
  seeds INTEGER NOT NULL CHECK (seeds >= 0),
  grams REAL CHECK (grams >= 0),
  -- Label of the last batch begun before; the ones after it are taken off.
  after_number INTEGER NOT NULL,
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX packet_count_by_packet ON packet_count (packet_id, recorded_ms);
INSERT INTO packet_count (id, packet_id, seeds, after_number, recorded_ms)
  SELECT id, id, seed_count, 0, created_ms FROM packet WHERE seed_count IS NOT NULL;
ALTER TABLE packet DROP COLUMN seed_count;

-- A batch is begun for plants, or to learn how many of a packet live.
ALTER TABLE batch ADD COLUMN purpose TEXT NOT NULL DEFAULT 'plants' CHECK (purpose IN ('plants', 'test'));
-- What was taken from the packet, where it is not the seeds laid: husks that split into two.
ALTER TABLE batch ADD COLUMN taken INTEGER CHECK (taken > 0);
-- A test's last day of counting.
ALTER TABLE batch ADD COLUMN final_ms INTEGER;
-- What it is begun for: plants, where they go, and by which date.
ALTER TABLE batch ADD COLUMN aim TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(aim));
-- Seeds on each towel of a test; the whole batch where nothing stands.
ALTER TABLE towel ADD COLUMN seeds INTEGER CHECK (seeds > 0);

-- A test's final count is a look that sorts the seedlings of each towel.
CREATE TABLE class_count (
  entry_id TEXT NOT NULL REFERENCES entry (id),
  towel INTEGER NOT NULL CHECK (towel > 0),
  normal INTEGER NOT NULL CHECK (normal >= 0),
  abnormal INTEGER NOT NULL CHECK (abnormal >= 0),
  hard INTEGER NOT NULL CHECK (hard >= 0),
  fresh INTEGER NOT NULL CHECK (fresh >= 0),
  dead INTEGER NOT NULL CHECK (dead >= 0),
  PRIMARY KEY (entry_id, towel)
) STRICT;

-- A soilless system, by its slots.
CREATE TABLE rack (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  slots INTEGER NOT NULL CHECK (slots > 0),
  created_ms INTEGER NOT NULL
) STRICT;
