-- The sitting: many packets in one evening, their labels before any is opened.

-- A list of packets with what is said of each; it is planned, worked off, and may be used again.
CREATE TABLE sitting (
  id TEXT PRIMARY KEY,
  name TEXT,
  -- When it is meant for, on the household's clock.
  at TEXT,
  created_ms INTEGER NOT NULL,
  ended_ms INTEGER,
  -- What its supplies cost, in the household's money.
  spent REAL CHECK (spent >= 0),
  version INTEGER NOT NULL DEFAULT 0
) STRICT;

-- A packet of the list. Its label is printed before it is opened: number and token are its own from the
-- first, and whatever is begun from it takes them over. The packet may be gone from the box meanwhile.
CREATE TABLE sitting_line (
  id TEXT PRIMARY KEY,
  sitting_id TEXT NOT NULL REFERENCES sitting (id),
  packet_id TEXT NOT NULL,
  position INTEGER NOT NULL,
  number INTEGER NOT NULL UNIQUE,
  token TEXT NOT NULL UNIQUE,
  words TEXT NOT NULL CHECK (json_valid(words)),
  -- Lines that share a bag or tray name the same one.
  bag TEXT,
  batch_id TEXT REFERENCES batch (id),
  -- At the worktop, pauses left out.
  seconds REAL CHECK (seconds >= 0),
  skipped INTEGER NOT NULL DEFAULT 0 CHECK (skipped IN (0, 1)),
  removed_ms INTEGER
) STRICT;
CREATE INDEX sitting_line_by_sitting ON sitting_line (sitting_id, position);
CREATE INDEX sitting_line_by_batch ON sitting_line (batch_id) WHERE batch_id IS NOT NULL;

-- Room at a warm spot, in bags and trays; nothing where nobody said.
ALTER TABLE spot ADD COLUMN holds INTEGER CHECK (holds > 0);
-- What a packet cost, in the household's money.
ALTER TABLE packet ADD COLUMN price REAL CHECK (price >= 0);
-- The page and the grid of stickers that the household prints on.
ALTER TABLE household ADD COLUMN paper TEXT CHECK (paper IS NULL OR json_valid(paper));

-- Seed of which nobody knows any more which packet it came from: it is one of these.
CREATE TABLE packet_one_of (
  packet_id TEXT NOT NULL REFERENCES packet (id) ON DELETE CASCADE,
  candidate_id TEXT NOT NULL REFERENCES packet (id),
  PRIMARY KEY (packet_id, candidate_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX packet_one_of_by_candidate ON packet_one_of (candidate_id);
