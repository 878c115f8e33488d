-- What years of records ask for: every question finds its rows without reading the rest.
CREATE INDEX entry_by_supersedes ON entry (supersedes) WHERE supersedes IS NOT NULL;
CREATE INDEX entry_closing ON entry (batch_id) WHERE kind = 'close';
CREATE INDEX entry_recount ON entry (batch_id) WHERE kind = 'recount';
CREATE INDEX entry_by_who ON entry (who) WHERE who IS NOT NULL;
CREATE INDEX entry_by_recorded ON entry (recorded_ms);
CREATE INDEX seedling_event_by_supersedes ON seedling_event (supersedes) WHERE supersedes IS NOT NULL;
CREATE INDEX seedling_event_by_stage ON seedling_event (stage) WHERE kind = 'stage';
CREATE INDEX reading_by_recorded ON reading (recorded_ms);
CREATE INDEX holder_place_by_recorded ON holder_place (recorded_ms);
CREATE INDEX said_by_time ON said (at_ms);
CREATE INDEX packet_by_crop ON packet (crop_id);
CREATE INDEX packet_by_mother ON packet (mother_id) WHERE mother_id IS NOT NULL;
CREATE INDEX packet_by_father ON packet (father_id) WHERE father_id IS NOT NULL;
CREATE INDEX act_by_recorded ON act (recorded_ms);

-- A photograph is a file named by its content, beside the database. Those that were kept
-- inside until now are moved out one by one while the server runs.
ALTER TABLE photo RENAME TO photo_inside;
DROP INDEX photo_by_entry;
CREATE INDEX photo_inside_by_entry ON photo_inside (entry_id);
CREATE TABLE photo (
  id TEXT PRIMARY KEY,
  entry_id TEXT NOT NULL REFERENCES entry (id),
  type TEXT NOT NULL,
  -- SHA-256 of its bytes, in hexadecimal: its name among the files.
  content TEXT NOT NULL CHECK (length(content) = 64),
  size INTEGER NOT NULL CHECK (size > 0),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX photo_by_entry ON photo (entry_id);

-- The journal's last entry when a round began: what is written after it belongs to the round,
-- whatever the clock says.
ALTER TABLE round ADD COLUMN after_entry INTEGER NOT NULL DEFAULT 0;

-- Records up to this time are known to have been made while the clock ran ahead.
ALTER TABLE household ADD COLUMN clock_settled_ms INTEGER NOT NULL DEFAULT 0;
