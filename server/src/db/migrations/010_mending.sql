-- What can be mended: every record is dated, corrected, taken back or put away.

-- Put away: kept in every record, offered no more. A change names the version it was made
-- on, so that nobody writes over what somebody else saved meanwhile.
ALTER TABLE packet ADD COLUMN put_away_ms INTEGER;
ALTER TABLE packet ADD COLUMN version INTEGER NOT NULL DEFAULT 0;
ALTER TABLE spot ADD COLUMN put_away_ms INTEGER;
ALTER TABLE spot ADD COLUMN version INTEGER NOT NULL DEFAULT 0;
ALTER TABLE bed ADD COLUMN put_away_ms INTEGER;
ALTER TABLE bed ADD COLUMN version INTEGER NOT NULL DEFAULT 0;
ALTER TABLE rack ADD COLUMN put_away_ms INTEGER;
ALTER TABLE rack ADD COLUMN version INTEGER NOT NULL DEFAULT 0;
-- The last spring frost, asked once; nothing where nobody was asked.
ALTER TABLE household ADD COLUMN frost TEXT CHECK (frost IS NULL OR json_valid(frost));
ALTER TABLE household ADD COLUMN version INTEGER NOT NULL DEFAULT 0;

-- A count is of a day, whenever it was written down; and what else a label says is kept.
ALTER TABLE packet_count ADD COLUMN at_ms INTEGER NOT NULL DEFAULT 0;
UPDATE packet_count SET at_ms = recorded_ms;
ALTER TABLE packet ADD COLUMN note TEXT;

-- Where a bag stood, how it was closed and which parcel lay in it are lines of a journal:
-- each has its name and the time it was written, so that it can be dated and taken back.
ALTER TABLE holder_place ADD COLUMN id TEXT;
ALTER TABLE holder_closure ADD COLUMN id TEXT;
ALTER TABLE carrier_place ADD COLUMN id TEXT;
ALTER TABLE carrier_place ADD COLUMN recorded_ms INTEGER NOT NULL DEFAULT 0;
UPDATE carrier_place SET recorded_ms = from_ms;
UPDATE holder_place SET id = lower(hex(randomblob(4)) || '-' || hex(randomblob(2)) || '-4' || substr(hex(randomblob(2)), 2) || '-8'
  || substr(hex(randomblob(2)), 2) || '-' || hex(randomblob(6)));
UPDATE holder_closure SET id = lower(hex(randomblob(4)) || '-' || hex(randomblob(2)) || '-4' || substr(hex(randomblob(2)), 2) || '-8'
  || substr(hex(randomblob(2)), 2) || '-' || hex(randomblob(6)));
UPDATE carrier_place SET id = lower(hex(randomblob(4)) || '-' || hex(randomblob(2)) || '-4' || substr(hex(randomblob(2)), 2) || '-8'
  || substr(hex(randomblob(2)), 2) || '-' || hex(randomblob(6)));

-- What stands outside a batch's journal and was taken back: readings, weighings, counts,
-- where a bag stood. The span is what the record spoke of.
CREATE TABLE taken_back (
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL,
  from_ms INTEGER NOT NULL,
  to_ms INTEGER NOT NULL CHECK (to_ms >= from_ms),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE TRIGGER taken_back_stays BEFORE UPDATE ON taken_back BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER taken_back_kept BEFORE DELETE ON taken_back BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;

-- Another time, or another destination, for an entry that stands as it is otherwise.
CREATE TABLE correction (
  entry_id TEXT PRIMARY KEY REFERENCES entry (id),
  target_id TEXT NOT NULL REFERENCES entry (id),
  at_ms INTEGER,
  destination TEXT REFERENCES destination (code),
  bed_id TEXT REFERENCES bed (id)
) STRICT;
CREATE INDEX correction_by_target ON correction (target_id);
CREATE TRIGGER correction_stays BEFORE UPDATE ON correction BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER correction_kept BEFORE DELETE ON correction BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;

-- What a batch was begun as, corrected. Its row holds what counts now; what it held before
-- stands here.
CREATE TABLE amendment (
  entry_id TEXT PRIMARY KEY REFERENCES entry (id),
  before TEXT NOT NULL CHECK (json_valid(before)),
  after TEXT NOT NULL CHECK (json_valid(after))
) STRICT;
CREATE TRIGGER amendment_stays BEFORE UPDATE ON amendment BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE TRIGGER amendment_kept BEFORE DELETE ON amendment BEGIN SELECT RAISE(ABORT, 'the journal is only added to'); END;
CREATE INDEX entry_untucked ON entry (batch_id) WHERE kind = 'untuck';

-- A table of packets that was brought in, and what it did to each packet.
CREATE TABLE packet_import (id TEXT PRIMARY KEY, recorded_ms INTEGER NOT NULL, undone_ms INTEGER) STRICT;
CREATE TABLE packet_imported (
  import_id TEXT NOT NULL REFERENCES packet_import (id),
  packet_id TEXT NOT NULL REFERENCES packet (id) ON DELETE CASCADE,
  -- As the packet was before; nothing where the table brought it.
  before TEXT CHECK (before IS NULL OR json_valid(before)),
  -- The count that came with it.
  count_id TEXT,
  PRIMARY KEY (import_id, packet_id)
) STRICT;
CREATE INDEX packet_imported_by_packet ON packet_imported (packet_id);
