-- Any method, and seed made ready: what seed lies in, how it was laid, and what it follows.
CREATE TABLE medium (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE damping (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE wetness (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE light (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
CREATE TABLE link_kind (code TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;

-- What a towel is of; nothing where it lies in no towel.
ALTER TABLE carrier ADD COLUMN medium TEXT REFERENCES medium (code);
-- Nothing where nobody said: plain water, wrung out, as light as the crop's page says.
ALTER TABLE batch ADD COLUMN damped TEXT REFERENCES damping (code);
ALTER TABLE batch ADD COLUMN wet TEXT REFERENCES wetness (code);
ALTER TABLE batch ADD COLUMN light TEXT REFERENCES light (code);
-- Days of chill that it was given before, and whether its cold is given dry.
ALTER TABLE batch ADD COLUMN chilled_days INTEGER NOT NULL DEFAULT 0 CHECK (chilled_days >= 0);
ALTER TABLE batch ADD COLUMN chill_dry INTEGER NOT NULL DEFAULT 0 CHECK (chill_dry IN (0, 1));
-- The batch that it follows: begun again another way, or split off from it.
ALTER TABLE batch ADD COLUMN from_id TEXT REFERENCES batch (id);
ALTER TABLE batch ADD COLUMN from_kind TEXT REFERENCES link_kind (code);
CREATE INDEX batch_by_from ON batch (from_id) WHERE from_id IS NOT NULL;

-- Seed of another packet of the same variety that went into a batch along with its own.
CREATE TABLE batch_packet (
  batch_id TEXT NOT NULL REFERENCES batch (id),
  packet_id TEXT NOT NULL REFERENCES packet (id),
  seeds INTEGER NOT NULL CHECK (seeds > 0),
  PRIMARY KEY (batch_id, packet_id)
) STRICT;
CREATE INDEX batch_packet_by_packet ON batch_packet (packet_id);

-- Of a corrected count, seeds that came along from another batch: they left no packet.
ALTER TABLE recount ADD COLUMN joined INTEGER NOT NULL DEFAULT 0 CHECK (joined >= 0);
